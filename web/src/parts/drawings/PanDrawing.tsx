/** The pan cut open: foam on top, clear fat, solids on the ground; a fire under it until it is taken off. */
export function PanDrawing({
  wet,
  climb,
  onFire,
}: {
  readonly wet: number;
  readonly climb: number;
  readonly onFire: boolean;
}) {
  const foam = 6 + 34 * wet;
  const solids =
    climb < 0.3 ? 'var(--milk)' : climb < 0.9 ? 'var(--butter)' : climb < 1.5 ? 'var(--clay)' : 'var(--ink)';
  return (
    <svg viewBox="0 0 340 250" className="pan-drawing" aria-hidden="true">
      <path
        d="M40 60 L52 190 Q54 204 68 204 H232 Q246 204 248 190 L260 60 Z"
        fill="var(--butter)"
        opacity={0.55 + 0.45 * (1 - wet)}
      />
      <path
        d={`M42 ${72 - foam / 2} q13 -14 26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t26 0 t8 0 V${72 + foam / 2} H42 Z`}
        fill="var(--milk)"
        stroke="var(--line)"
        strokeWidth="1.5"
        opacity={0.25 + 0.75 * wet}
      />
      <g fill={solids} stroke="var(--ink)" strokeWidth="1">
        {[68, 88, 110, 130, 152, 172, 194, 214, 232].map((x, i) => (
          <circle key={x} cx={x} cy={194 - (i % 2) * 7} r="5" />
        ))}
      </g>
      <path
        d="M34 46 L50 190 Q52 208 68 208 H232 Q248 208 250 190 L266 46"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
      />
      <path d="M262 74 H330 V88 H260" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
      {onFire && (
        <g fill="var(--butter)" stroke="var(--madder)" strokeWidth="2.5">
          {[86, 126, 166, 206].map((x) => (
            <path key={x} d={`M${x} 246 q-14 -14 0 -30 q14 16 0 30 z`} />
          ))}
        </g>
      )}
    </svg>
  );
}
