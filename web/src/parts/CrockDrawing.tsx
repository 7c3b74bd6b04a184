import { useId } from 'react';

/** What the milk in a crock is doing, for its picture. */
export interface CrockLook {
  /** 0..1 of the crock. */
  readonly fill: number;
  readonly surface: 'still' | 'hot' | 'liquid' | 'trembles' | 'set' | 'whey' | 'cold' | 'bad';
  readonly label: string;
}

const SURFACE_PATH: Readonly<Record<CrockLook['surface'], string>> = {
  still: 'q36 0 72 0',
  hot: 'q9 -6 18 0 t18 0 t18 0 t18 0',
  liquid: 'q18 4 36 0 t36 0',
  trembles: 'q12 5 24 0 t24 0 t24 0',
  set: 'q36 -5 72 0',
  whey: 'q36 -5 72 0',
  cold: 'q36 -4 72 0',
  bad: 'l12 3 l14 -5 l16 4 l14 -4 l16 2',
};

/** A salt-glazed crock with a brushed blue band, cut open at the front so that the milk shows. */
export function CrockDrawing({ fill, surface, label }: CrockLook) {
  const id = useId();
  const level = 168 - 104 * Math.min(1, Math.max(0.08, fill));
  const milk = `M64 ${level} ${SURFACE_PATH[surface]} L136 168 Q136 178 126 178 L74 178 Q64 178 64 168 Z`;
  return (
    <svg viewBox="0 0 200 202" role="img" aria-label={label}>
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
      <path
        d={milk}
        fill={surface === 'bad' ? 'var(--glaze-hi)' : 'var(--milk)'}
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      {surface === 'whey' && (
        <path d={`M66 ${level + 1} q34 -6 68 0 l0 6 q-34 -6 -68 0 z`} fill="var(--butter)" opacity="0.8" />
      )}
      <path
        d="M64 62 Q64 56 70 56 L130 56 Q136 56 136 62 L136 168 Q136 178 126 178 L74 178 Q64 178 64 168 Z"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <g fill="none" stroke="var(--brush)" strokeWidth="5" strokeLinecap="round">
        <path d="M31 132c6-6 11 6 17 0s9-4 12-2" />
        <path d="M140 130c5-4 9 5 14 1s9-3 13 1" />
        <path d="M33 146c6-5 10 5 16 0s7-3 10-1" strokeWidth="3" />
        <path d="M141 145c5-4 8 4 13 0s8-3 11 0" strokeWidth="3" />
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
