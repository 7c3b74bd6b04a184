import type { Method } from '../../contract/index.ts';
import { shipped } from './shipped-method.ts';

const RIPENED = [
  'pour',
  'scald',
  'hold',
  'cool',
  'inoculate',
  'ripen',
  'thicken',
  'weigh',
  'taste',
  'reserve',
] as const;
const ROOM = { kind: 'room' } as const;

/** Cream soured by the four schools, and by itself. */
export const CREAM_METHODS: readonly Method[] = [
  shipped(
    'cultured-cream',
    'cultured-cream',
    'With buttermilk',
    'Mild and round. The most reliable way.',
    {
      starter: { kind: 'cultured-buttermilk', share: 0.06, statedRatio: null },
      inoculateC: 24,
      place: ROOM,
      sourness: 'mild',
    },
    RIPENED,
  ),
  shipped(
    'cultured-cream',
    'cultured-cream-yogurt',
    'With yogurt, kept warm',
    'Thick by evening. For when yogurt is the only starter in the house.',
    {
      heat: { kind: 'touch', targetC: 72, holdMin: 0 },
      starter: { kind: 'fresh-yogurt', share: 0.06, statedRatio: null },
      inoculateC: 40,
      place: { kind: 'appliance', setPointC: 38 },
      sourness: 'mild',
    },
    RIPENED,
  ),
  shipped(
    'cultured-cream',
    'cultured-cream-kefir',
    'With kefir',
    'Slightly fizzy. Vent the jar.',
    {
      starter: { kind: 'milk-kefir', share: 0.08, statedRatio: null },
      inoculateC: 22,
      place: ROOM,
      sourness: 'mild',
    },
    RIPENED,
  ),
  shipped(
    'cultured-cream',
    'cultured-cream-whey',
    'With a spoonful of live whey',
    'Uses whey from soured milk, which costs nothing. Slower.',
    {
      starter: { kind: 'sour-milk-whey', share: 0.05, statedRatio: null },
      inoculateC: 24,
      place: ROOM,
      sourness: 'mild',
    },
    RIPENED,
  ),
  shipped(
    'cultured-cream',
    'cultured-cream-mixed',
    'With buttermilk and yogurt',
    'Buttermilk makes it round. Yogurt finishes the souring in a warm room.',
    {
      starter: {
        kind: 'cultured-buttermilk',
        share: 0.04,
        statedRatio: null,
        also: { kind: 'fresh-yogurt', share: 0.02 },
      },
      inoculateC: 26,
      place: ROOM,
      sourness: 'mild',
    },
    RIPENED,
  ),
  shipped(
    'cultured-cream',
    'cultured-cream-raw',
    'Raw cream by itself',
    'For raw cream only. Takes one to three days; the time is not known in advance.',
    {
      milk: { kind: 'cow-rich', treatment: 'raw', fatFraction: 0.3 },
      starter: { kind: 'none', share: null, statedRatio: null },
      inoculateC: 21,
      place: ROOM,
      sourness: 'mild',
    },
    RIPENED.filter((kind) => kind !== 'scald' && kind !== 'hold' && kind !== 'cool'),
  ),
];

/** Short things of cream and yogurt. */
export const SHORT_METHODS: readonly Method[] = [
  shipped(
    'creamer',
    'creamer-spiced',
    'Spiced creamer',
    'Cream with sugar and warm spices. Keeps about a week.',
    { heat: { kind: 'touch', targetC: 80, holdMin: 0 }, milk: { fatFraction: 0.2 } },
    [
      'pour',
      'scald',
      { kind: 'mix-in', what: 'sugar', fraction: 0.11, keepsD: 7, alcohol: false },
      { kind: 'mix-in', what: 'cinnamon and cardamom', fraction: 0.004, keepsD: 7, alcohol: false },
      'chill',
      'weigh',
    ],
  ),
  shipped(
    'creamer',
    'creamer-fruit',
    'Fruit creamer',
    'With fruit or pumpkin. Keeps three to five days, no longer.',
    { heat: { kind: 'touch', targetC: 80, holdMin: 0 }, milk: { fatFraction: 0.2 } },
    [
      'pour',
      'scald',
      {
        kind: 'mix-in',
        what: 'fruit or pumpkin, cooked and sieved',
        fraction: 0.18,
        keepsD: 4,
        alcohol: false,
      },
      { kind: 'mix-in', what: 'sugar', fraction: 0.08, keepsD: 4, alcohol: false },
      'chill',
      'weigh',
    ],
  ),
  shipped(
    'whipped-cream',
    'whipped-cream',
    'Whipped, lightly sweetened',
    'Holds for an evening. Needs at least 30 % fat.',
    { milk: { fatFraction: 0.33, startC: 5 } },
    ['pour', 'whip', { kind: 'mix-in', what: 'sugar', fraction: 0.05, keepsD: 2, alcohol: false }, 'weigh'],
  ),
  shipped(
    'frozen-yogurt',
    'frozen-yogurt',
    'Frozen yogurt',
    'Strained yogurt, sweetened and stirred as it freezes.',
    { milk: { startC: 5 } },
    [
      'pour',
      { kind: 'mix-in', what: 'sugar', fraction: 0.12, keepsD: null, alcohol: false },
      { kind: 'rest', minutes: 120, stands: 'cold' },
      { kind: 'freeze', hours: 3.5, stirEveryMin: 40 },
      'weigh',
      'taste',
    ],
  ),
  shipped(
    'frozen-yogurt',
    'frozen-yogurt-machine',
    'Churned in a machine',
    'Smoother, and done sooner. The machine churns it, the freezer hardens it.',
    { milk: { startC: 5 } },
    [
      'pour',
      { kind: 'mix-in', what: 'sugar', fraction: 0.12, keepsD: null, alcohol: false },
      { kind: 'rest', minutes: 240, stands: 'cold' },
      { kind: 'freeze', hours: 2.5, stirEveryMin: null, machine: 'frozen-bowl' },
      'weigh',
      'taste',
    ],
    'Chill the mix well first: a warm one thaws the bowl.',
  ),
];
