/** A pot of milk cut open, as eye and nose have it. Every share 0..1. */
export interface PotLook {
  readonly celsius: number;
  readonly boilC: number;
  readonly flame: 'off' | 'low' | 'medium' | 'full';
  readonly lidded: boolean;
  readonly skin: number;
  /** It rises over the rim. */
  readonly rises: boolean;
  readonly lost: number;
  readonly scorched: number;
  readonly bath: 'none' | 'cold' | 'iced' | 'warm';
}

const TONGUES = { off: 0, low: 2, medium: 4, full: 6 } as const;
/** Steam is seen from here on; bubbles stand at the rim from here on, °C; so near to the boil it rolls, K. */
const STEAMS_C = 55;
const BUBBLES_C = 78;
const ROLLS_K = 1;

const [LEFT, RIGHT, RIM, BOTTOM] = [60, 280, 84, 226];

/** A pot of milk: how hot it looks, the skin on it, what rises, the flame or the water it stands in. */
export function PotDrawing({ look }: { readonly look: PotLook }) {
  const { celsius, boilC, lidded } = look;
  const rolls = celsius >= boilC - ROLLS_K;
  const surface = look.rises ? RIM - 8 : 108 + 70 * Math.min(1, look.lost);
  const steam = lidded ? 0 : Math.min(1, Math.max(0, (celsius - STEAMS_C) / 35));
  const bubbles = rolls ? 1 : Math.min(1, Math.max(0, (celsius - BUBBLES_C) / 12));
  const many = Math.round(bubbles * 5);
  const top = rolls
    ? `M${LEFT} ${surface} q14 -16 28 0 t28 0 t27 0 t27 0 t28 0 t27 0 t28 0 t27 0 V${BOTTOM} H${LEFT} Z`
    : `M${LEFT} ${surface} H${RIGHT} V${BOTTOM} H${LEFT} Z`;
  return (
    <svg viewBox="0 0 340 300" className="look-drawing" aria-hidden="true">
      {look.bath !== 'none' && (
        <g>
          <path
            d="M22 150 H318 V250 Q318 262 304 262 H36 Q22 262 22 250 Z"
            fill="var(--brush)"
            opacity={look.bath === 'warm' ? 0.18 : 0.34}
          />
          {look.bath === 'iced' && (
            <g fill="var(--milk)" stroke="var(--ink)" strokeWidth="1.5">
              <path d="M30 142 l16 -5 l5 14 l-16 5 z M292 146 l15 -7 l6 13 l-15 7 z M34 178 l14 3 l-3 14 l-14 -3 z M296 188 l14 -3 l3 14 l-14 3 z" />
            </g>
          )}
          <path
            d="M22 132 V250 Q22 262 36 262 H304 Q318 262 318 250 V132"
            fill="none"
            stroke="var(--ink)"
            strokeWidth="3"
          />
        </g>
      )}
      <path d={top} fill="var(--milk)" stroke="var(--line)" strokeWidth="1.5" />
      {look.skin > 0.15 && (
        <path
          d={`M${LEFT + 4} ${surface + 2} q22 -${3 + 5 * look.skin} 44 0 t42 1 t44 -1 t42 1 t40 -1`}
          fill="none"
          stroke="var(--clay)"
          strokeWidth={1.5 + 3 * look.skin}
          strokeLinecap="round"
          opacity={0.35 + 0.5 * look.skin}
        />
      )}
      {many > 0 && (
        <g fill="var(--slip)" stroke="var(--line)" strokeWidth="1.5">
          {Array.from({ length: many }, (_, i) => (
            <g key={i}>
              <circle cx={LEFT + 7 + (i % 2) * 6} cy={surface + 4 + 3 * i} r={2.5 + (i % 3)} />
              <circle cx={RIGHT - 7 - (i % 2) * 6} cy={surface + 4 + 3 * i} r={2.5 + ((i + 1) % 3)} />
            </g>
          ))}
          {rolls &&
            [110, 150, 190, 232].map((x, i) => (
              <circle key={x} cx={x} cy={surface + 18 + (i % 2) * 22} r="8" />
            ))}
        </g>
      )}
      {look.scorched > 0.1 && (
        <g fill="var(--clay)" opacity={Math.min(1, 0.3 + look.scorched)}>
          {[84, 112, 141, 169, 198, 226, 254].slice(0, Math.ceil(7 * look.scorched)).map((x, i) => (
            <path key={x} d={`M${x} ${BOTTOM - 2} q9 -${8 + 4 * (i % 3)} 18 0 z`} />
          ))}
        </g>
      )}
      <path
        d={`M${LEFT - 4} ${RIM} V${BOTTOM} Q${LEFT - 4} ${BOTTOM + 10} ${LEFT + 8} ${BOTTOM + 10} H${RIGHT - 8} Q${RIGHT + 4} ${BOTTOM + 10} ${RIGHT + 4} ${BOTTOM} V${RIM}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      <path
        d="M50 110 H34 V130 H54 M290 110 H306 V130 H286"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      {look.rises && (
        <path
          d="M58 112 V92 Q40 118 44 150 Q32 118 46 84 Q70 56 108 66 Q150 46 206 64 Q252 54 290 84 Q308 118 296 158 Q300 118 282 92 V112 Z"
          fill="var(--milk)"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeLinejoin="round"
        />
      )}
      {lidded ? (
        <g>
          <path d="M48 82 Q170 44 292 82 Z" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
          <circle cx="170" cy="56" r="9" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
        </g>
      ) : (
        steam > 0.05 && (
          <g
            fill="none"
            stroke="var(--brush)"
            strokeWidth={2 + 3 * steam}
            strokeLinecap="round"
            opacity={0.2 + 0.6 * steam}
          >
            <path d={`M120 ${70 - 30 * steam} q-9 12 0 24 t0 24`} />
            <path d={`M172 ${58 - 30 * steam} q9 14 0 28 t0 26`} />
            <path d={`M222 ${70 - 30 * steam} q-9 12 0 24 t0 24`} />
          </g>
        )
      )}
      <g fill="var(--butter)" stroke="var(--madder)" strokeWidth="2.5">
        {Array.from({ length: TONGUES[look.flame] }, (_, i) => {
          const x = 170 + (i - (TONGUES[look.flame] - 1) / 2) * 34;
          const high = look.flame === 'full' ? 40 : look.flame === 'medium' ? 32 : 22;
          return (
            <path key={i} d={`M${x} 292 q-15 -${high * 0.42} 0 -${high} q15 ${high * 0.58} 0 ${high} z`} />
          );
        })}
      </g>
    </svg>
  );
}
