import type { CauseId } from './causes.ts';
import type { Complaint } from './clue.ts';

/** Kinds of thing that are complained of. */
export const FAULTY_KINDS = ['milk', 'cream', 'butter', 'ghee', 'curd', 'kefir', 'culture'] as const;
export type FaultyKind = (typeof FAULTY_KINDS)[number];

const DISCARD = 'Do not eat it. Throw it away, boil everything it touched and begin with a new starter.';
const STILL_SMOOTH = 'Eat it as it is, blend it smooth, or drain it.';
const BAKE = 'Use it in baking or in a marinade.';
const MELT = 'Melt it for cooking, or make ghee of it.';

/** What keeps milk from souring, whether it is seen or tasted. */
const NOT_SOURING = {
  'place-cold': 0.34,
  'starter-weak': 0.22,
  'not-yet': 0.15,
  'too-hot': 0.1,
  'under-dosed': 0.06,
  inhibited: 0.05,
  phage: 0.03,
  'thermometer-off': 0.05,
} as const;

const ALL = {
  'not-set': {
    label: 'Not set, or slow',
    stillGood: 'If it smells clean and the safety clock allows, go on. Otherwise discard it.',
    causes: NOT_SOURING,
  },
  'not-sour': {
    label: 'Not sour',
    stillGood: 'If it smells clean and the safety clock allows, go on. Otherwise discard it.',
    causes: NOT_SOURING,
  },
  thin: {
    label: 'Thin',
    stillGood: 'Drain it through a cloth for an hour, or drink it.',
    causes: {
      unheated: 0.3,
      'out-early': 0.22,
      moved: 0.13,
      lean: 0.13,
      goat: 0.06,
      'place-hot': 0.08,
      frozen: 0.05,
    },
  },
  split: {
    label: 'Split, or whey on top',
    stillGood: 'Stir the whey back in, or drain it for a thick yogurt.',
    causes: {
      'too-long': 0.28,
      'place-hot': 0.14,
      moved: 0.15,
      'not-whisked': 0.13,
      'hard-heating': 0.08,
      unheated: 0.12,
    },
  },
  grainy: {
    label: 'Grainy or lumpy',
    stillGood: STILL_SMOOTH,
    causes: {
      'place-hot': 0.26,
      'too-long': 0.14,
      'not-whisked': 0.22,
      moved: 0.12,
      'hard-heating': 0.14,
      unheated: 0.06,
    },
  },
  stringy: {
    label: 'Stringy or slimy',
    stillGood:
      'A ropy strain is harmless: stir it smooth, or bake with it. If it does not smell clean, discard it.',
    causes: { ropy: 0.52, contaminated: 0.3, 'old-milk': 0.12 },
  },
  gassy: {
    label: 'Gassy, yeasty or mouldy',
    discard: DISCARD,
    stillGood: 'Nothing. Discard it.',
    causes: { contaminated: 0.72, 'kefir-culture': 0.16, 'old-milk': 0.06 },
  },
  bitter: {
    label: 'Bitter',
    stillGood: BAKE,
    causes: { 'old-milk': 0.37, 'long-cold': 0.26, 'much-rennet': 0.1, 'herb-taint': 0.12, scorched: 0.09 },
  },
  'too-sour': {
    label: 'Too sour',
    stillGood: 'Drain it: much of the acid leaves with the whey. Or use it in baking.',
    causes: { 'too-warm-long': 0.5, 'slow-chill': 0.2, 'long-cold': 0.24 },
  },
  burnt: {
    label: 'Tastes burnt',
    stillGood: BAKE,
    causes: { scorched: 0.8, 'hard-heating': 0.14 },
  },
  skin: {
    label: 'A skin on top',
    stillGood: 'Lift it off, or stir it in. It is only protein and fat.',
    causes: { 'lid-off': 0.8, 'hard-heating': 0.14 },
  },
  'cream-thin': {
    label: 'Thin after the fridge',
    stillGood: 'Use it as a sauce, or churn it.',
    causes: { 'cream-out-early': 0.36, 'cream-lean': 0.25, 'cream-not-heated': 0.16, 'not-cold-yet': 0.17 },
  },
  'cream-lumps': {
    label: 'Lumpy cream',
    stillGood: 'Whisk it smooth, or churn it.',
    causes: { 'not-whisked': 0.35, 'too-long': 0.3, frozen: 0.15, moved: 0.14 },
  },
  'cream-bitter': {
    label: 'Bitter cream',
    stillGood: BAKE,
    causes: { 'cream-kept-long': 0.45, 'long-cold': 0.2, contaminated: 0.15, 'herb-taint': 0.14 },
  },
  'cream-patches': {
    label: 'Sours in patches',
    stillGood: 'Stir it through and leave it some hours more, if the safety clock allows.',
    causes: { 'not-whisked': 0.55, 'cream-room-cold': 0.39 },
  },
  'no-butter': {
    label: 'Does not break, or takes an hour',
    stillGood: 'Whipped or soured cream for the kitchen, or chill it and churn it again tomorrow.',
    causes: {
      'cream-cold': 0.36,
      'churn-weak': 0.18,
      'thin-cream': 0.13,
      overfull: 0.09,
      'uht-cream': 0.09,
      'late-lactation': 0.03,
      'churn-not-yet': 0.07,
    },
  },
  'too-quick': {
    label: 'Breaks at once, greasy',
    stillGood: MELT,
    causes: { 'cream-warm': 0.58, 'not-aged': 0.2, overworked: 0.16 },
  },
  'little-butter': {
    label: 'Too little butter',
    stillGood: 'Chill the buttermilk and churn it once more: fine grains may come together.',
    causes: {
      'thin-cream': 0.4,
      'cream-warm': 0.25,
      'stopped-early': 0.15,
      'butter-lost': 0.1,
      'not-aged': 0.05,
    },
  },
  'fat-lost': {
    label: 'Rich, creamy buttermilk',
    stillGood: 'Chill it and churn it again, or bake with it.',
    causes: { 'cream-warm': 0.42, 'stopped-early': 0.3, 'not-aged': 0.2 },
  },
  white: {
    label: 'White or pale',
    stillGood: 'Nothing is wrong with it.',
    causes: { 'winter-feed': 0.55, 'goat-cream': 0.25, 'serum-left': 0.12 },
  },
  streaky: {
    label: 'Streaky',
    stillGood: 'Work it once more when it is soft enough to bend.',
    causes: { 'salt-uneven': 0.75, 'serum-left': 0.19 },
  },
  crumbly: {
    label: 'Crumbly',
    stillGood: 'Let it warm, and work it once more.',
    causes: { 'worked-cold': 0.7, 'winter-feed': 0.24 },
  },
  greasy: {
    label: 'Greasy or weak',
    stillGood: MELT,
    causes: { 'cream-warm': 0.58, 'not-aged': 0.2, overworked: 0.16 },
  },
  weeps: {
    label: 'Weeps drops',
    stillGood: 'Press it dry and use it soon, or melt it.',
    causes: { 'serum-left': 0.6, 'salt-uneven': 0.2, overworked: 0.12 },
  },
  spoils: {
    label: 'Spoils early',
    stillGood: 'If it smells of soap, paint or cheese, or shows mould, discard it.',
    causes: { 'serum-left': 0.43, 'unclean-water': 0.2, 'warm-unsalted': 0.2, 'raw-cream': 0.1 },
  },
  cheesy: {
    label: 'Smells of cheese',
    stillGood: MELT,
    causes: { 'cream-kept-long': 0.45, 'serum-left': 0.27, 'raw-cream': 0.15, 'unclean-water': 0.08 },
  },
  'ghee-dark': {
    label: 'Dark',
    stillGood: 'Nut-brown ghee is good for frying. If it smells burnt, discard it.',
    causes: { 'ghee-hot': 0.6, 'much-serum': 0.24, 'pot-scorched': 0.1 },
  },
  'ghee-bitter': {
    label: 'Bitter',
    stillGood: 'Use it for lamps or for greasing. The bitterness does not go.',
    causes: { 'ghee-hot': 0.5, 'pot-scorched': 0.24, 'much-serum': 0.2 },
  },
  'ghee-grainy': {
    label: 'Grainy',
    stillGood: 'Nothing is wrong with it. Warm it gently for smooth ghee.',
    causes: { 'cooled-slow': 0.9 },
  },
  'ghee-smooth': {
    label: 'Not grainy',
    stillGood: 'Nothing is wrong with it. Warm it and let it cool slowly for grains.',
    causes: { 'cooled-fast': 0.9 },
  },
  'ghee-cloudy': {
    label: 'Cloudy',
    stillGood: 'Warm it until no bubbles rise, and filter it once more.',
    causes: { 'water-left': 0.5, 'not-filtered': 0.42 },
  },
  'ghee-spits': {
    label: 'Spits',
    stillGood: 'Turn the heat down, and stand back.',
    causes: { 'wet-butter': 0.6, 'water-left': 0.24, 'small-pot': 0.1 },
  },
  'ghee-foams': {
    label: 'Foams over',
    stillGood: 'Take the pot off the heat and wait. Then go on, on a lower setting.',
    causes: { 'small-pot': 0.68, 'wet-butter': 0.25 },
  },
  'no-break': {
    label: 'No clean break',
    stillGood: 'Wait half an hour more. If it stays soft, heat it to {85} with vinegar for a fresh curd.',
    causes: {
      'rennet-weak': 0.35,
      'milk-overheated': 0.25,
      'milk-cold': 0.16,
      chlorinated: 0.08,
      'little-acid': 0.1,
    },
  },
  'curd-weak': {
    label: 'Weak curd',
    stillGood: 'Ladle it gently and drain it for longer.',
    causes: {
      'rennet-weak': 0.3,
      'milk-overheated': 0.28,
      'milk-cold': 0.14,
      'cut-early': 0.14,
      'little-acid': 0.08,
    },
  },
  'curd-rubbery': {
    label: 'Rubbery curd',
    stillGood: 'Fry it, or grate it.',
    causes: { 'curd-heated': 0.44, 'much-rennet': 0.3, overdrained: 0.2 },
  },
  'drains-slow': {
    label: 'Drains too slowly',
    stillGood: 'Turn it into a fresh cloth and hang it.',
    causes: { 'cloth-blocked': 0.36, 'curd-cold': 0.3, 'curd-not-sour': 0.18, 'milk-overheated': 0.1 },
  },
  'too-dry': {
    label: 'Too dry',
    stillGood: 'Stir whey or milk back in, a spoon at a time.',
    causes: { overdrained: 0.66, 'curd-heated': 0.14, 'too-long': 0.14 },
  },
  'grains-still': {
    label: 'Grains do not grow',
    stillGood: 'Drink the kefir if it smells clean. Go on feeding the grains.',
    causes: { 'grains-cold': 0.34, 'grains-young': 0.32, 'grains-rinsed': 0.28 },
  },
  'kefir-thin': {
    label: 'Thin kefir',
    stillGood: 'Drink it.',
    causes: { 'many-grains': 0.27, 'few-grains': 0.22, 'kefir-lean': 0.24, 'grains-young': 0.2 },
  },
  'kefir-fizzy': {
    label: 'Too fizzy',
    stillGood: 'Drink it. Open closed bottles with care, over the sink.',
    causes: { 'kefir-long': 0.64, 'many-grains': 0.29 },
  },
  'not-waking': {
    label: 'Culture does not wake',
    stillGood: 'Give it one more feed. After two without souring, begin with another.',
    causes: { 'packet-old': 0.42, 'place-cold': 0.3, 'too-hot': 0.14, inhibited: 0.08 },
  },
  slower: {
    label: 'Slower each generation',
    stillGood: 'Use twice the dose for now, and begin a new culture.',
    causes: { 'kept-long': 0.42, 'round-warm': 0.2, 'culture-dirty': 0.16, 'strain-tires': 0.16 },
  },
  'culture-smells': {
    label: 'Culture smells wrong',
    discard: 'Do not use it. Throw it away, boil its jar and begin with a new culture.',
    stillGood: 'Nothing. Discard it.',
    causes: { 'culture-dirty': 0.76, 'kept-long': 0.18 },
  },
} as const satisfies Readonly<Record<string, Complaint<CauseId>>>;

/** What is complained of; the ids are stable: logs and scripts keep them. */
export type ComplaintId = keyof typeof ALL;
export const COMPLAINTS: Readonly<Record<ComplaintId, Complaint<CauseId>>> = ALL;
export const COMPLAINT_IDS = Object.keys(ALL) as ComplaintId[];

/** What is complained of with each kind of thing, in the order they are offered. */
export const COMPLAINTS_OF: Readonly<Record<FaultyKind, readonly ComplaintId[]>> = {
  milk: [
    'not-set',
    'thin',
    'split',
    'grainy',
    'stringy',
    'gassy',
    'bitter',
    'too-sour',
    'not-sour',
    'burnt',
    'skin',
  ],
  cream: [
    'not-set',
    'cream-thin',
    'cream-lumps',
    'cream-patches',
    'cream-bitter',
    'too-sour',
    'not-sour',
    'gassy',
  ],
  butter: [
    'no-butter',
    'too-quick',
    'little-butter',
    'fat-lost',
    'greasy',
    'crumbly',
    'streaky',
    'weeps',
    'white',
    'spoils',
    'cheesy',
  ],
  ghee: ['ghee-dark', 'ghee-bitter', 'ghee-grainy', 'ghee-smooth', 'ghee-cloudy', 'ghee-spits', 'ghee-foams'],
  curd: ['not-set', 'no-break', 'curd-weak', 'curd-rubbery', 'drains-slow', 'too-dry', 'gassy', 'bitter'],
  kefir: ['not-set', 'kefir-thin', 'kefir-fizzy', 'grains-still', 'too-sour', 'bitter'],
  culture: ['not-waking', 'slower', 'culture-smells', 'not-set'],
};
