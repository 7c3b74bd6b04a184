import type { SeenWork } from './has-looks.ts';
import { Look, type Seen } from './Look.tsx';

/** A moment of which nothing is known but what is said of it. */
const PLAIN: Seen = {
  work: 'hands',
  celsius: 20,
  boilC: 100,
  flame: 'off',
  lidded: false,
  skin: 0,
  scorched: 0,
  bath: 'none',
  ph: null,
  denatured: 0.9,
  churned: 0,
  overMin: 0,
  churning: false,
  serum: 1,
  rinses: 0,
  dried: 0,
  toBoil: 1,
  climbed: 0,
  set: 0,
  lost: 0,
  whey: 0,
  cream: false,
};

type Three = readonly (readonly [string, Partial<Seen>])[];

/** Not yet, now and too far, by what goes on. */
const THREE: Readonly<Record<SeenWork, Three>> = {
  stove: [
    ['Not yet: steams', { celsius: 68, flame: 'medium' }],
    ['Now: bubbles at the rim', { celsius: 86, flame: 'medium' }],
    ['Too far: rises', { celsius: 100, flame: 'full', scorched: 0.4 }],
  ],
  place: [
    ['Not yet: lies level', { ph: 6 }],
    ['Now: one mass', { ph: 4.5 }],
    ['Too far: whey on top', { ph: 4.05 }],
  ],
  churn: [
    ['Not yet: soft and stiff', { churned: 0.7 }],
    ['Now: grains in thin milk', { churned: 1 }],
    ['Too far: one lump', { churned: 1, overMin: 5 }],
  ],
  bowl: [
    ['Not yet: like milk', { serum: 0.8, rinses: 1 }],
    ['Now: clear', { serum: 0.03, rinses: 3 }],
    ['Too far: washed on', { serum: 0.02, rinses: 6 }],
  ],
  pan: [
    ['Not yet: foam', { dried: 0.3, flame: 'medium' }],
    ['Now: clear, solids gold', { dried: 1, climbed: 0.8, flame: 'low' }],
    ['Too far: solids black', { dried: 1, climbed: 1.8, flame: 'low' }],
  ],
  set: [
    ['Not yet: closes again', { set: 0.4 }],
    ['Now: splits clean', { set: 1.1 }],
    ['Too far: whey around it', { set: 2 }],
  ],
  cloth: [
    ['Not yet: full and fast', { whey: 0.1 }],
    ['Now: drips slowly', { whey: 0.45 }],
    ['Too far: small and dry', { whey: 0.75 }],
  ],
};

const CREAM: Three = [
  ['Not yet: runs', { ph: 5.4, cream: true }],
  ['Now: a spoon stands', { ph: 4.55, cream: true }],
  ['Too far: whey parts', { ph: 4.05, cream: true }],
];

/** What to look for: not yet, now and too far, side by side. */
export function ThreeLooks({ work, cream }: { readonly work: SeenWork; readonly cream: boolean }) {
  const three = work === 'place' && cream ? CREAM : THREE[work];
  return (
    <div className="three-looks" role="group" aria-label="What to look for">
      {three.map(([words, seen]) => (
        <figure key={words}>
          <Look seen={{ ...PLAIN, work, ...seen }} />
          <figcaption>{words}</figcaption>
        </figure>
      ))}
    </div>
  );
}
