import type { Cue } from '@morning-crock/core';

/** A jar tilted a little: what its milk does then is what is to be seen. */
const TILTED = 'M13 6 L33 2 L39 34 L19 38 Z';
/** What stands in it, by cue. */
const INSIDE: Readonly<
  Record<Cue, readonly { readonly d: string; readonly as: 'milk' | 'whey' | 'line' }[]>
> = {
  liquid: [{ d: 'M14.2 15 L36 15 L39 34 L19 38 Z', as: 'milk' }],
  runs: [
    { d: 'M14.5 17 Q26 10 36 15 L39 34 L19 38 Z', as: 'milk' },
    { d: 'M20 22 q6 4 12 0', as: 'line' },
  ],
  trembles: [{ d: 'M15 18 q5 -5 9 -2 t8 -3 L36.4 16 L39 34 L19 38 Z', as: 'milk' }],
  set: [{ d: 'M15.4 19 L36.2 15 L39 34 L19 38 Z', as: 'milk' }],
  thick: [{ d: 'M15.4 19 Q25 12 36.2 15 L39 34 L19 38 Z', as: 'milk' }],
  dollop: [
    { d: 'M16 24 L37 20 L39 34 L19 38 Z', as: 'milk' },
    { d: 'M20 23 q2 -12 8 -13 q2 6 4 11 z', as: 'milk' },
  ],
  'whey-shows': [
    { d: 'M16.4 24 L37.2 20 L39 34 L19 38 Z', as: 'milk' },
    { d: 'M15.2 18 L36 18 L37.2 20 L16.4 24 Z', as: 'whey' },
  ],
  curdled: [
    { d: 'M14.6 16 L36 16 L39 34 L19 38 Z', as: 'whey' },
    { d: 'M20 26 q5 -5 9 0 q5 1 3 6 q-6 4 -11 1 q-4 -3 -1 -7 z', as: 'milk' },
  ],
};
const FILL = { milk: 'var(--glaze-lo)', whey: 'var(--butter)', line: 'none' } as const;

/** What a cue looks like, drawn small: the jar tilted, as it is looked at. */
export function CueDrawing({ cue }: { readonly cue: Cue }) {
  return (
    <svg viewBox="0 0 52 42" width="40" height="32" aria-hidden="true" className="cue-drawing">
      {INSIDE[cue].map(({ d, as }) => (
        <path key={d} d={d} fill={FILL[as]} stroke="var(--ink)" strokeWidth="1.2" strokeLinejoin="round" />
      ))}
      <path d={TILTED} fill="none" stroke="var(--ink)" strokeWidth="2" strokeLinejoin="round" />
    </svg>
  );
}
