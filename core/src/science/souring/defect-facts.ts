import type { Defect } from './defect-list.ts';

interface DefectFacts {
  readonly label: string;
  /** What it is, and what usually brings it. */
  readonly explained: string;
  /** It is not to be eaten. */
  readonly discard?: true;
}

/** Source: docs/SCIENCE.md, causes. */
export const DEFECT_FACTS: Readonly<Record<Defect, DefectFacts>> = {
  grainy: {
    label: 'grainy',
    explained: 'Small firm grains. Usually the starter was not whisked in, or it set too hot and too fast.',
  },
  stringy: {
    label: 'stringy or slimy',
    explained: 'Pulls threads from the spoon. A ropy strain working below 38 °C (100 °F), or a stray germ.',
  },
  split: {
    label: 'split, whey on top',
    explained: 'Whey has run out of the curd. It stood too long or too hot, or was moved while it set.',
  },
  gassy: {
    label: 'gassy',
    explained: 'Bubbles or a bulging lid where none belong. Something else is growing. Do not eat it.',
    discard: true,
  },
  bitter: {
    label: 'bitter',
    explained: 'Old cold milk, a very long time in the fridge, or too much rennet.',
  },
  yeasty: {
    label: 'yeasty',
    explained: 'Smells of bread or fruit. Yeast got in from a cloth, a jar or the starter. Do not eat it.',
    discard: true,
  },
  burnt: {
    label: 'burnt',
    explained: 'Scorched at the bottom of the pot: too much heat, too little stirring.',
  },
  'too-sour': { label: 'too sour', explained: 'It stood too long or too warm before it was chilled.' },
  weak: {
    label: 'weak',
    explained: 'Too soft or too runny. Too little heat treatment, or chilled too early.',
  },
  greasy: { label: 'greasy', explained: 'Soft and oily. Churned too warm, or worked too long.' },
  crumbly: { label: 'crumbly', explained: 'Falls apart when spread. Churned and worked very cold.' },
  streaky: { label: 'streaky', explained: 'Light and dark streaks. Salt or water is not worked in evenly.' },
};

/** What is looked for in each kind of thing. */
export const DEFECTS_OF: Readonly<Record<'milk' | 'cream' | 'butter' | 'ghee', readonly Defect[]>> = {
  milk: ['grainy', 'stringy', 'split', 'gassy', 'bitter', 'yeasty', 'burnt', 'too-sour', 'weak'],
  cream: ['grainy', 'split', 'gassy', 'bitter', 'yeasty', 'burnt', 'too-sour', 'weak'],
  butter: ['weak', 'greasy', 'crumbly', 'streaky', 'bitter', 'yeasty'],
  ghee: ['burnt', 'bitter', 'weak'],
};
