import type { CauseId } from './causes.ts';
import type { Clue } from './clue.ts';

/** What can be known of cream, butter and ghee. */
export const BUTTER_CLUES = {
  'churned-at': {
    asks: 'How warm was the cream when churning began?',
    answers: [
      'straight from the fridge',
      'cool, as the plan said',
      'nearly as warm as the room',
      'not known',
    ],
    usual: [0.12, 0.64, 0.09, 0.15],
    tells: {
      'cream-cold': [0.72, 0.14, 0.01, 0.13],
      'cream-warm': [0.01, 0.15, 0.66, 0.18],
    },
  },
  'churn-before': {
    asks: 'How long does this churn usually take?',
    answers: ['less than 30 minutes', 'longer', 'this is its first time, or its slowest setting'],
    usual: [0.72, 0.1, 0.18],
    tells: { 'churn-weak': [0.08, 0.3, 0.62] },
  },
  'cream-fat': {
    asks: 'How thick was the cream?',
    answers: ['thin, runs like milk', 'pours slowly', 'hardly pours'],
    usual: [0.08, 0.62, 0.3],
    tells: { 'thin-cream': [0.72, 0.26, 0.02], 'cream-lean': [0.7, 0.28, 0.02] },
  },
  fill: {
    asks: 'How full was the churn?',
    answers: ['up to half', 'half to two thirds', 'fuller'],
    usual: [0.8, 0.16, 0.04],
    tells: { overfull: [0.03, 0.4, 0.57] },
  },
  carton: {
    asks: 'What does the carton say?',
    answers: ['pasteurised, or own cream', 'ultra-heated, or a stabiliser is listed'],
    usual: [0.92, 0.08],
    tells: { 'uht-cream': [0.04, 0.96] },
  },
  calved: {
    asks: 'How long ago did the animals have their young?',
    answers: ['less than eight months', 'longer', 'not known'],
    usual: [0.4, 0.1, 0.5],
    tells: { 'late-lactation': [0.03, 0.62, 0.35] },
  },
  'kept-cold': {
    asks: 'Was the cream in the fridge for four hours before churning?',
    answers: ['yes', 'no'],
    usual: [0.88, 0.12],
    tells: { 'not-aged': [0.05, 0.95] },
  },
  worked: {
    asks: 'How long was it worked?',
    answers: ['until no drops came out', 'much longer, or with a machine', 'hardly at all'],
    usual: [0.8, 0.12, 0.08],
    tells: { overworked: [0.08, 0.91, 0.01], 'serum-left': [0.4, 0.02, 0.58] },
  },
  'stopped-at': {
    asks: 'When did churning stop?',
    answers: ['at the first grains', 'at grains like rice', 'at one lump'],
    usual: [0.12, 0.7, 0.18],
    tells: { 'stopped-early': [0.82, 0.17, 0.01], 'serum-left': [0.08, 0.42, 0.5] },
  },
  buttermilk: {
    asks: 'How does the buttermilk look?',
    answers: ['thin and bluish', 'like milk', 'rich, with flecks'],
    usual: [0.5, 0.44, 0.06],
    tells: {
      'cream-warm': [0.04, 0.32, 0.64],
      'stopped-early': [0.04, 0.2, 0.76],
      'not-aged': [0.06, 0.34, 0.6],
      'thin-cream': [0.6, 0.38, 0.02],
      'butter-lost': [0.5, 0.44, 0.06],
    },
  },
  sticks: {
    asks: 'Is butter left in the churn, on the sieve or on the spoon?',
    answers: ['very little', 'quite some'],
    usual: [0.9, 0.1],
    tells: { 'butter-lost': [0.06, 0.94] },
  },
  feed: {
    asks: 'What do the animals eat now?',
    answers: ['grass', 'hay or silage', 'not known'],
    usual: [0.45, 0.25, 0.3],
    tells: { 'winter-feed': [0.02, 0.76, 0.22] },
  },
  'cream-animal': {
    asks: 'From which animal is the cream?',
    answers: ['cow', 'goat, sheep or buffalo'],
    usual: [0.95, 0.05],
    tells: { 'goat-cream': [0.01, 0.99] },
  },
  salt: {
    asks: 'Which salt went in?',
    answers: ['none', 'fine salt', 'coarse salt'],
    usual: [0.42, 0.5, 0.08],
    tells: { 'salt-uneven': [0.02, 0.46, 0.52], 'warm-unsalted': [0.95, 0.04, 0.01] },
  },
  'butter-felt': {
    asks: 'How was the butter when you worked it?',
    answers: ['it bent', 'it broke', 'it smeared'],
    usual: [0.84, 0.08, 0.08],
    tells: {
      'worked-cold': [0.12, 0.87, 0.01],
      'cream-warm': [0.2, 0.01, 0.79],
      overworked: [0.3, 0.01, 0.69],
      'not-aged': [0.3, 0.01, 0.69],
    },
  },
  washed: {
    asks: 'How was it washed?',
    answers: ['until the water ran clear', 'once or twice', 'not at all'],
    usual: [0.72, 0.22, 0.06],
    tells: { 'serum-left': [0.12, 0.46, 0.42], 'much-serum': [0.08, 0.34, 0.58] },
  },
  water: {
    asks: 'Which water, and how were the tools cleaned?',
    answers: ['boiled or tap water, scalded tools', 'well water, or tools only rinsed'],
    usual: [0.8, 0.2],
    tells: { 'unclean-water': [0.1, 0.9] },
  },
  'butter-kept': {
    asks: 'Where was it kept?',
    answers: ['fridge or freezer', 'at room temperature'],
    usual: [0.84, 0.16],
    tells: { 'warm-unsalted': [0.1, 0.9] },
  },
  'cream-raw': {
    asks: 'Was the cream heated?',
    answers: ['yes, or it was bought', 'no, it was raw'],
    usual: [0.68, 0.32],
    tells: { 'raw-cream': [0.02, 0.98], 'cream-not-heated': [0.1, 0.9] },
  },
  'cream-days': {
    asks: 'Over how many days was the cream collected?',
    answers: ['up to four days', 'five days or more'],
    usual: [0.84, 0.16],
    tells: { 'cream-kept-long': [0.06, 0.94] },
  },
  'cream-out': {
    asks: 'How was the cream when it went into the fridge?',
    answers: ['it still ran', 'thick, a spoon of it held', 'whey was showing'],
    usual: [0.15, 0.78, 0.07],
    tells: { 'cream-out-early': [0.86, 0.13, 0.01], 'too-long': [0.01, 0.2, 0.79] },
  },
  'cold-for': {
    asks: 'How long has it been in the fridge?',
    answers: ['a night or more', 'a few hours'],
    usual: [0.86, 0.14],
    tells: { 'not-cold-yet': [0.04, 0.96] },
  },
  'room-was': {
    asks: 'How warm was the room where it soured?',
    answers: ['below {18}', '{18}–{24}', 'warmer'],
    usual: [0.1, 0.72, 0.18],
    tells: { 'cream-room-cold': [0.84, 0.15, 0.01] },
  },
  crackling: {
    asks: 'What happened after the crackling stopped?',
    answers: ['off the heat at once', 'it stayed on for some minutes', 'it still crackled at the end'],
    usual: [0.76, 0.12, 0.12],
    tells: { 'ghee-hot': [0.12, 0.87, 0.01], 'water-left': [0.14, 0.02, 0.84] },
  },
  'pan-bottom': {
    asks: 'How do the solids at the bottom look?',
    answers: ['golden', 'dark brown, loose', 'black and stuck'],
    usual: [0.84, 0.12, 0.04],
    tells: {
      'ghee-hot': [0.2, 0.7, 0.1],
      'pot-scorched': [0.05, 0.15, 0.8],
      'much-serum': [0.3, 0.6, 0.1],
    },
  },
  filter: {
    asks: 'Through what was it poured?',
    answers: ['two layers of cloth, or paper', 'a sieve, or one loose cloth'],
    usual: [0.76, 0.24],
    tells: { 'not-filtered': [0.08, 0.92] },
  },
  'ghee-cooled': {
    asks: 'Where did it cool?',
    answers: ['in the fridge', 'on the counter', 'somewhere warm'],
    usual: [0.2, 0.6, 0.2],
    tells: { 'cooled-slow': [0.02, 0.38, 0.6], 'cooled-fast': [0.76, 0.22, 0.02] },
  },
  'butter-dry': {
    asks: 'How dry was the butter?',
    answers: ['pressed dry, or bought', 'drops showed when it was cut'],
    usual: [0.86, 0.14],
    tells: { 'wet-butter': [0.06, 0.94], 'much-serum': [0.3, 0.7] },
  },
  'ghee-fill': {
    asks: 'How full was the pot, and on which setting?',
    answers: ['a third, on low', 'fuller, or on high'],
    usual: [0.76, 0.24],
    tells: { 'small-pot': [0.05, 0.95] },
  },
} as const satisfies Readonly<Record<string, Clue<CauseId>>>;
