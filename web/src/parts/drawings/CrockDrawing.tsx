import { useId } from 'react';

/** What the milk in a crock is doing, for its picture. */
export interface CrockLook {
  /** 0..1 of the crock; 0 is empty. */
  readonly fill: number;
  readonly surface:
    | 'still'
    | 'hot'
    | 'liquid'
    | 'trembles'
    | 'set'
    | 'whey'
    | 'cold'
    | 'bad'
    | 'thick'
    | 'froth'
    | 'stiff'
    | 'grains'
    | 'lump'
    | 'gold'
    | 'poured'
    | 'cloth'
    | 'wheel';
  /** The pattern brushed on it tells what is made in it; left out, waves. */
  readonly brush?: 'waves' | 'sprigs' | 'cord' | 'buds' | 'flames' | 'reeds' | 'nets' | 'stars';
  readonly label: string;
}

/** Brushed to the left and to the right of what is cut open. */
const BRUSH: Readonly<Record<NonNullable<CrockLook['brush']>, readonly { d: string; width: number }[]>> = {
  waves: [
    { d: 'M31 132c6-6 11 6 17 0s9-4 12-2', width: 5 },
    { d: 'M140 130c5-4 9 5 14 1s9-3 13 1', width: 5 },
    { d: 'M33 146c6-5 10 5 16 0s7-3 10-1', width: 3 },
    { d: 'M141 145c5-4 8 4 13 0s8-3 11 0', width: 3 },
  ],
  sprigs: [
    { d: 'M34 152c8-8 14-20 20-34', width: 3 },
    { d: 'M40 145c-6-1-8-5-8-9M45 137c6 0 10-2 12-6M48 129c-6-1-8-5-8-9', width: 5 },
    { d: 'M166 152c-8-8-14-20-20-34', width: 3 },
    { d: 'M160 145c6-1 8-5 8-9M155 137c-6 0-10-2-12-6M152 129c6-1 8-5 8-9', width: 5 },
  ],
  flames: [
    { d: 'M36 150c-4-8 3-11 4-20c6 6 8 13 3 20M50 148c-3-6 2-9 3-15c5 5 6 10 2 15', width: 3 },
    { d: 'M164 150c4-8-3-11-4-20c-6 6-8 13-3 20M150 148c3-6-2-9-3-15c-5 5-6 10-2 15', width: 3 },
  ],
  buds: [
    { d: 'M33 146h.1M157 128h.1', width: 5 },
    { d: 'M42 138h.1M148 136h.1', width: 8 },
    { d: 'M53 128h.1M165 140h.1', width: 11 },
  ],
  reeds: [
    { d: 'M36 152v-22M44 152v-30M52 152v-20M148 152v-20M156 152v-30M164 152v-22', width: 3 },
    { d: 'M36 126v.1M44 118v.1M52 128v.1M148 128v.1M156 118v.1M164 126v.1', width: 8 },
  ],
  nets: [
    { d: 'M32 126l24 24M32 138l14 14M44 124l14 14M56 124l-24 24M58 136l-16 16M46 124l-14 14', width: 2.5 },
    {
      d: 'M144 126l22 24M143 138l14 14M156 124l11 12M167 126l-24 24M167 138l-14 14M156 124l-13 13',
      width: 2.5,
    },
  ],
  stars: [
    { d: 'M40 128v16M33 132l14 8M47 132l-14 8M160 128v16M153 132l14 8M167 132l-14 8', width: 3 },
    { d: 'M54 148h.1M146 148h.1M52 124h.1M148 124h.1', width: 6 },
  ],
  cord: [
    { d: 'M31 130l9 12M40 130l9 12M49 130l9 12', width: 4 },
    { d: 'M142 130l9 12M151 130l9 12M160 130l8 11', width: 4 },
    { d: 'M31 124h28M141 124h27M32 148h28M141 148h26', width: 3 },
  ],
};

/** Butter grains at the top of their buttermilk. */
const GRAINS = [
  [72, 5],
  [82, 3],
  [91, 6],
  [101, 3],
  [110, 6],
  [119, 3],
  [128, 5],
  [77, 14],
  [88, 15],
  [99, 14],
  [112, 15],
  [123, 14],
] as const;

const SURFACE_PATH: Readonly<Record<CrockLook['surface'], string>> = {
  still: 'q36 0 72 0',
  hot: 'q9 -6 18 0 t18 0 t18 0 t18 0',
  liquid: 'q18 4 36 0 t36 0',
  trembles: 'q12 5 24 0 t24 0 t24 0',
  set: 'q36 -5 72 0',
  whey: 'q36 -5 72 0',
  cold: 'q36 -4 72 0',
  bad: 'l12 3 l14 -5 l16 4 l14 -4 l16 2',
  thick: 'q10 -2 18 -10 q14 -22 30 -4 q8 10 24 14',
  froth: 'q6 -9 12 0 t12 0 t12 0 t12 0 t12 0 t12 0',
  stiff: 'l10 -10 l10 8 l14 -14 l12 12 l12 -8 l14 12',
  grains: 'q36 0 72 0',
  lump: 'q36 0 72 0',
  gold: 'q36 -3 72 0',
  poured: 'q18 3 36 0 t36 0',
  cloth: 'q36 0 72 0',
  wheel: 'q36 0 72 0',
};

/** A salt-glazed crock with a brushed blue band, cut open at the front so that the milk shows. */
export function CrockDrawing({ fill, surface, label, brush = 'waves' }: CrockLook) {
  const id = useId();
  const level = 168 - 104 * Math.min(1, Math.max(0.08, fill));
  const milk = `M64 ${level} ${SURFACE_PATH[surface]} L136 168 Q136 178 126 178 L74 178 Q64 178 64 168 Z`;
  return (
    <svg
      viewBox="0 0 200 202"
      preserveAspectRatio="xMidYMax meet"
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
    >
      <defs>
        <linearGradient id={`${id}g`} x1="0" x2="1">
          <stop offset="0" stopColor="var(--glaze-lo)" />
          <stop offset="0.35" stopColor="var(--glaze-hi)" />
          <stop offset="1" stopColor="var(--glaze-lo)" />
        </linearGradient>
      </defs>
      {surface === 'hot' && (
        <g fill="none" stroke="var(--quiet)" strokeWidth="3" strokeLinecap="round" opacity="0.8">
          <path d="M78 34c-7-8 7-13 0-22" />
          <path d="M100 30c-7-8 7-13 0-22" />
          <path d="M122 34c-7-8 7-13 0-22" />
        </g>
      )}
      <path
        d="M52 44h96v10c14 10 24 30 24 62 0 50-22 82-72 82s-72-32-72-82c0-32 10-52 24-62z"
        fill={`url(#${id}g)`}
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      <path
        d="M48 38h104v10H48z"
        fill={`url(#${id}g)`}
        stroke="var(--ink)"
        strokeWidth="2.5"
        strokeLinejoin="round"
      />
      <path
        d="M28 92c-13 2-15 25 3 27M172 92c13 2 15 25-3 27"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="5"
        strokeLinecap="round"
      />
      <path
        d="M64 62 Q64 56 70 56 L130 56 Q136 56 136 62 L136 168 Q136 178 126 178 L74 178 Q64 178 64 168 Z"
        fill="var(--page)"
        opacity="0.55"
      />
      {fill > 0 && (
        <path
          d={milk}
          fill={surface === 'bad' ? 'var(--glaze-hi)' : surface === 'gold' ? 'var(--butter)' : 'var(--milk)'}
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      )}
      {surface === 'whey' && (
        <path d={`M66 ${level + 1} q34 -6 68 0 l0 6 q-34 -6 -68 0 z`} fill="var(--butter)" opacity="0.8" />
      )}
      <path
        d="M64 62 Q64 56 70 56 L130 56 Q136 56 136 62 L136 168 Q136 178 126 178 L74 178 Q64 178 64 168 Z"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      {surface === 'grains' && (
        <g fill="var(--butter)" stroke="var(--ink)" strokeWidth="1.2">
          {GRAINS.map(([x, y]) => (
            <circle key={`${x} ${y}`} cx={x} cy={level + y} r="4.2" />
          ))}
        </g>
      )}
      {surface === 'lump' && (
        <path
          d={`M70 ${level + 4} q4 -22 22 -24 q12 -8 24 2 q14 4 14 22 z`}
          fill="var(--butter)"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      )}
      {surface === 'cloth' && (
        <path
          d={`M76 ${level - 6} q-8 -14 4 -20 q20 12 40 0 q12 6 4 20 q-4 16 -24 18 q-20 -2 -24 -18 z`}
          fill="var(--page)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      {surface === 'wheel' && (
        <g fill="var(--butter)" stroke="var(--ink)" strokeWidth="1.8">
          <path d={`M72 ${level - 12} v16 q28 12 56 0 v-16 z`} />
          <ellipse cx="100" cy={level - 12} rx="28" ry="8" />
        </g>
      )}
      <g fill="none" stroke="var(--brush)" strokeLinecap="round">
        {BRUSH[brush].map(({ d, width }) => (
          <path key={d} d={d} strokeWidth={width} />
        ))}
      </g>
      {surface === 'cold' && (
        <g stroke="var(--brush)" strokeWidth="2.5" strokeLinecap="round">
          <path d="M44 70l10 6M44 76l10-6M49 67v12M146 72l10 6M146 78l10-6M151 69v12" />
        </g>
      )}
      {surface === 'bad' && (
        <path d="M84 96l32 32M116 96l-32 32" stroke="var(--madder)" strokeWidth="7" strokeLinecap="round" />
      )}
    </svg>
  );
}
