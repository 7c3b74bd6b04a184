import type { CauseId } from './causes.ts';
import type { Clue } from './clue.ts';

/** What can be known of soured milk and of its culture. */
export const MILK_CLUES = {
  heated: {
    asks: 'How hot was the milk before the starter went in?',
    answers: ['never above {75}', 'about {80}, briefly', '{85} or more, or held for 20 minutes'],
    usual: [0.05, 0.2, 0.75],
    tells: { unheated: [0.72, 0.26, 0.02], 'milk-overheated': [0.04, 0.26, 0.7] },
  },
  'taken-out': {
    asks: 'How was it when it came out of the warm?',
    answers: ['still wobbling, mild', 'set, mildly sour', 'whey showing, very sour'],
    usual: [0.1, 0.8, 0.1],
    tells: {
      'out-early': [0.86, 0.13, 0.01],
      'too-long': [0.01, 0.14, 0.85],
      'too-warm-long': [0.01, 0.24, 0.75],
      'slow-chill': [0.05, 0.85, 0.1],
    },
  },
  moved: {
    asks: 'Was it moved, stirred or poured while it was setting?',
    answers: ['no', 'yes'],
    usual: [0.9, 0.1],
    tells: { moved: [0.06, 0.94] },
  },
  whisked: {
    asks: 'Was the starter whisked smooth in a little milk first?',
    answers: ['yes', 'no, it went in as it was'],
    usual: [0.75, 0.25],
    tells: { 'not-whisked': [0.05, 0.95] },
  },
  stood: {
    asks: 'How warm was the place where it soured?',
    answers: ['below {37}', '{37}–{44}', 'above {44}', 'not known'],
    usual: [0.1, 0.6, 0.05, 0.25],
    tells: {
      'place-hot': [0.01, 0.12, 0.67, 0.2],
      'place-cold': [0.72, 0.06, 0.01, 0.21],
      ropy: [0.66, 0.12, 0.01, 0.21],
      'too-warm-long': [0.03, 0.42, 0.25, 0.3],
    },
  },
  frozen: {
    asks: 'Was the milk, the cream or the finished batch ever frozen?',
    answers: ['no', 'yes'],
    usual: [0.95, 0.05],
    tells: { frozen: [0.04, 0.96] },
  },
  fat: {
    asks: 'Which milk was it?',
    answers: ['skimmed or low fat', 'whole milk', 'richer than whole milk'],
    usual: [0.12, 0.73, 0.15],
    tells: { lean: [0.95, 0.04, 0.01], 'kefir-lean': [0.95, 0.04, 0.01] },
  },
  animal: {
    asks: 'From which animal?',
    answers: ['cow, buffalo or sheep', 'goat'],
    usual: [0.95, 0.05],
    tells: { goat: [0.01, 0.99] },
  },
  'milk-age': {
    asks: 'How old was the milk?',
    answers: ['up to three days', 'four to seven days', 'older'],
    usual: [0.6, 0.32, 0.08],
    tells: { 'old-milk': [0.06, 0.36, 0.58] },
  },
  'days-cold': {
    asks: 'How long has it been in the fridge?',
    answers: ['less than a week', 'one to two weeks', 'longer'],
    usual: [0.72, 0.22, 0.06],
    tells: { 'long-cold': [0.05, 0.35, 0.6] },
  },
  'starter-age': {
    asks: 'How old was the starter?',
    answers: ['less than a week', 'one to two weeks', 'more than two weeks', 'not known'],
    usual: [0.62, 0.2, 0.08, 0.1],
    tells: {
      'starter-weak': [0.16, 0.22, 0.5, 0.12],
      'packet-old': [0.05, 0.1, 0.7, 0.15],
      'kept-long': [0.06, 0.2, 0.66, 0.08],
    },
  },
  'starter-before': {
    asks: 'What did the same starter do the last time?',
    answers: ['set on time', 'was slow', 'this is its first batch here'],
    usual: [0.68, 0.08, 0.24],
    tells: {
      'starter-weak': [0.22, 0.38, 0.4],
      phage: [0.5, 0.35, 0.15],
      'strain-tires': [0.1, 0.85, 0.05],
      'packet-old': [0.1, 0.3, 0.6],
    },
  },
  'hot-when-added': {
    asks: 'How hot was the milk when the starter went in?',
    answers: ['as warm as a wrist, or measured below {45}', 'too hot to keep a finger in', 'not known'],
    usual: [0.84, 0.03, 0.13],
    tells: { 'too-hot': [0.08, 0.68, 0.24] },
  },
  dosed: {
    asks: 'How was the starter measured?',
    answers: ['weighed', 'by the spoon', 'by eye, or some was left over'],
    usual: [0.5, 0.4, 0.1],
    tells: { 'under-dosed': [0.06, 0.34, 0.6] },
  },
  'place-checked': {
    asks: 'Put a hand on the pot or the jars. How do they feel?',
    answers: ['cool or lukewarm', 'as warm as a bath', 'hot'],
    usual: [0.12, 0.82, 0.06],
    tells: { 'place-cold': [0.78, 0.21, 0.01], 'place-hot': [0.02, 0.38, 0.6] },
  },
  treated: {
    asks: 'Could the animals have been treated with medicine, or the can have held cleaner?',
    answers: ['no, or the milk is from a shop', 'not known', 'yes'],
    usual: [0.82, 0.17, 0.01],
    tells: { inhibited: [0.25, 0.45, 0.3] },
  },
  others: {
    asks: 'Did the same milk with another starter sour as it should?',
    answers: ['yes', 'no', 'not tried'],
    usual: [0.2, 0.03, 0.77],
    tells: { inhibited: [0.02, 0.3, 0.68], phage: [0.25, 0.02, 0.73], 'starter-weak': [0.25, 0.02, 0.73] },
  },
  'ice-check': {
    asks: 'What does the thermometer show in iced water?',
    answers: ['within [1] of {0}', 'more than [1] off', 'not tried'],
    usual: [0.3, 0.02, 0.68],
    tells: { 'thermometer-off': [0.03, 0.3, 0.67] },
  },
  stirred: {
    asks: 'How was the milk heated?',
    answers: ['slowly, with stirring', 'fast, or with little stirring'],
    usual: [0.8, 0.2],
    tells: { 'hard-heating': [0.12, 0.88], scorched: [0.15, 0.85] },
  },
  pot: {
    asks: 'Is something brown stuck to the bottom of the pot?',
    answers: ['no', 'yes'],
    usual: [0.92, 0.08],
    tells: { scorched: [0.08, 0.92], 'hard-heating': [0.5, 0.5] },
  },
  lid: {
    asks: 'Was it covered or stirred while it cooled?',
    answers: ['yes', 'no'],
    usual: [0.7, 0.3],
    tells: { 'lid-off': [0.06, 0.94] },
  },
  scalded: {
    asks: 'Were jars, lids and cloths boiled or scalded?',
    answers: ['yes', 'only washed'],
    usual: [0.6, 0.4],
    tells: { contaminated: [0.16, 0.84], 'culture-dirty': [0.25, 0.75] },
  },
  smell: {
    asks: 'How does it smell?',
    answers: ['clean and sour', 'of bread, fruit or cheese', 'of nothing much'],
    usual: [0.8, 0.03, 0.17],
    tells: {
      contaminated: [0.18, 0.72, 0.1],
      'culture-dirty': [0.1, 0.84, 0.06],
      'kefir-culture': [0.3, 0.68, 0.02],
      'old-milk': [0.55, 0.2, 0.25],
    },
  },
  'which-starter': {
    asks: 'What was the starter?',
    answers: ['yogurt, buttermilk or a packet', 'kefir, or a mixed culture'],
    usual: [0.94, 0.06],
    tells: { 'kefir-culture': [0.03, 0.97] },
  },
  rennet: {
    asks: 'How much rennet went in?',
    answers: ['none', 'as the label says', 'more than the label says'],
    usual: [0.4, 0.54, 0.06],
    tells: { 'much-rennet': [0.01, 0.19, 0.8] },
  },
  'tastes-of': {
    asks: 'Does the plain milk, or the lid, taste or smell of something?',
    answers: ['no', 'yes'],
    usual: [0.94, 0.06],
    tells: { 'herb-taint': [0.15, 0.85] },
  },
  'cooled-in': {
    asks: 'How did it cool at the end?',
    answers: ['in jars, or in cold water first', 'in one large pot in the fridge'],
    usual: [0.75, 0.25],
    tells: { 'slow-chill': [0.05, 0.95] },
  },
} as const satisfies Readonly<Record<string, Clue<CauseId>>>;
