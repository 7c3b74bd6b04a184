import type { ChurnStage } from '@morning-crock/core';

/** The cream in the churn, cut open, as it should look at a share of the time. */
export function ChurnDrawing({
  stage,
  moving,
}: {
  readonly stage: ChurnStage | 'liquid';
  /** It is churned just now. */
  readonly moving: boolean;
}) {
  const cream = {
    liquid: 'M46 190 q34 6 68 0 t68 0 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    froth:
      'M46 172 q8 -14 17 0 t17 0 t17 0 t17 0 t17 0 t17 0 t17 0 t17 0 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    soft: 'M46 158 q22 -26 44 -6 q24 -22 48 -2 q22 -16 44 8 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    stiff:
      'M46 150 l18 -20 l18 16 l22 -30 l20 24 l22 -18 l18 22 l18 -10 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    yellow: 'M46 164 l20 -14 l20 12 l20 -22 l24 18 l20 -14 l32 18 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    easier: 'M46 190 l24 -10 l20 8 l24 -12 l24 10 l20 -8 l24 8 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    broken: 'M46 226 q34 8 68 0 t68 0 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
    lump: 'M46 226 q34 8 68 0 t68 0 V286 Q182 300 168 300 H60 Q46 300 46 286 Z',
  }[stage];
  const gold = stage === 'yellow' || stage === 'easier';
  return (
    <svg viewBox="0 0 228 330" className="churn-drawing" aria-hidden="true">
      <path
        d="M40 60 H188 V288 Q188 306 170 306 H58 Q40 306 40 288 Z"
        fill="var(--glaze-hi)"
        stroke="var(--ink)"
        strokeWidth="3"
      />
      <path d="M32 48 H196 V62 H32 Z" fill="var(--glaze-lo)" stroke="var(--ink)" strokeWidth="3" />
      <path d={cream} fill={gold ? 'var(--cream-gold)' : 'var(--milk)'} stroke="var(--ink)" strokeWidth="2" />
      {(stage === 'stiff' || stage === 'soft') && (
        <path
          d="M62 200 q20 -16 40 0 t40 0 M74 240 q20 -16 40 0 t40 0"
          fill="none"
          stroke="var(--line)"
          strokeWidth="2"
        />
      )}
      {stage === 'froth' && (
        <g fill="none" stroke="var(--line)" strokeWidth="1.6">
          <circle cx="70" cy="196" r="6" />
          <circle cx="98" cy="206" r="4" />
          <circle cx="132" cy="196" r="7" />
          <circle cx="160" cy="208" r="4" />
        </g>
      )}
      {stage === 'broken' && (
        <g fill="var(--butter)" stroke="var(--ink)" strokeWidth="1.4">
          {[60, 76, 92, 108, 124, 140, 156, 170].map((x, i) => (
            <circle key={x} cx={x} cy={i % 2 === 0 ? 224 : 231} r="7" />
          ))}
          {[68, 86, 104, 122, 140, 158].map((x, i) => (
            <circle key={x} cx={x} cy={i % 2 === 0 ? 242 : 247} r="6" />
          ))}
        </g>
      )}
      {stage === 'lump' && (
        <path
          d="M62 232 q4 -40 46 -42 q24 -14 44 6 q24 6 20 38 z"
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      <g className={moving ? 'dasher moving' : 'dasher'}>
        <path d="M114 10 V226" stroke="var(--ink)" strokeWidth="6" strokeLinecap="round" />
        <path
          d="M84 226 H144 M92 214 V238 M136 214 V238"
          stroke="var(--ink)"
          strokeWidth="6"
          strokeLinecap="round"
        />
      </g>
      <g fill="none" stroke="var(--brush)" strokeWidth="4" strokeLinecap="round">
        <path d="M48 282 l10 12 M62 282 l10 12 M76 282 l10 12 M142 282 l10 12 M156 282 l10 12 M168 282 l8 10" />
      </g>
    </svg>
  );
}
