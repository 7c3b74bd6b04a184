import type { Method } from '../contract/index.ts';
import { shipped } from './parts.ts';

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
    'By buttermilk',
    'Mild and round; the surest of them.',
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
    'By yogurt, kept warm',
    'Thick by the evening, where nothing else is in the house.',
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
    'By kefir',
    'With a little fizz; its jar is vented.',
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
    'By a spoon of live whey',
    'Whey of soured milk, which costs nothing; slower.',
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
    'By buttermilk and yogurt together',
    'Round like the one, and sour to the end in a warm room.',
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
    'Raw, by itself',
    'Only of raw cream; between one day and three, nobody knows.',
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
    'Sugar and warm spice in cream, for a week of cups.',
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
    'With fruit or pumpkin: three to five days, no longer.',
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
    'Whipped, a little sweet',
    'Stands for an evening; 30 % fat at least.',
    { milk: { fatFraction: 0.33, startC: 5 } },
    ['pour', 'whip', { kind: 'mix-in', what: 'sugar', fraction: 0.05, keepsD: 2, alcohol: false }, 'weigh'],
  ),
  shipped(
    'frozen-yogurt',
    'frozen-yogurt',
    'Frozen yogurt',
    'Strained yogurt, sweetened, stirred as it freezes.',
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
];
