import type { MakePlan } from '../contract/index.ts';
import { massOfLitresKg, MILK_FACTS, type MilkKind } from '../science/milk/index.ts';
import { defaultPlan } from '../products/index.ts';
import { createRandom } from '../science/numerics/index.ts';
import { LANTERN_FOLD } from './demo-kitchen.ts';
import type { Habits, HiddenTruth } from './truth.ts';
import { DAY_MS, HOUR_MS } from '../science/units/index.ts';

/** One make of the demo: what was planned, what is true, how it was gone about. */
export interface DemoMake {
  readonly plan: MakePlan;
  readonly truth: HiddenTruth;
  readonly habits: Habits;
}

interface Sketch {
  readonly name: string;
  readonly kind: MilkKind;
  readonly litres: number;
  readonly fat: number | null;
  readonly pot: number;
  readonly place: number;
  readonly dosePercent: number;
  readonly ageD: number;
  readonly heat: MakePlan['heat'];
  readonly inoculateC: number;
  readonly sourness: MakePlan['wanted']['sourness'];
  readonly habits: Partial<Habits>;
  readonly truth?: Partial<HiddenTruth>;
}

const hold = (targetC: number, holdMin: number): MakePlan['heat'] => ({ kind: 'hold', targetC, holdMin });

/** The kitchen's own habits, the same in all its makes: a lively culture, a weak ring, a warmer that reads high. */
const HOUSE: HiddenTruth = {
  rate: 1.1,
  placeOffC: -1.3,
  burner: 0.88,
  loss: 1.12,
  lagFactor: 1,
  countOff: 0,
};

function build(sketch: Sketch, startMs: number, seed: number): DemoMake {
  const random = createRandom(seed);
  const base = defaultPlan(LANTERN_FOLD, new Date(startMs).toISOString(), sketch.litres);
  const massKg =
    Math.round(massOfLitresKg(sketch.litres, MILK_FACTS[sketch.kind].composition) * sketch.dosePercent * 10) /
    1000;
  const scatter = (sigma: number): number => Math.exp(sigma * random.normal());
  return {
    plan: {
      ...base,
      name: sketch.name,
      milk: {
        litres: sketch.litres,
        typed: { value: sketch.litres, unit: 'L' },
        kind: sketch.kind,
        treatment: 'raw',
        fatFraction: sketch.fat,
        startC: 6,
      },
      wanted: { sourness: sketch.sourness, thickness: 'spoonable' },
      starter: {
        kind: 'fresh-yogurt',
        ageD: sketch.ageD,
        massKg,
        statedRatio: null,
        typed: { value: Math.round(massKg * 1000), unit: 'g' },
      },
      heat: sketch.heat,
      inoculateC: sketch.inoculateC,
      pot: LANTERN_FOLD.pots[sketch.pot]!,
      place: LANTERN_FOLD.places[sketch.place]!,
    },
    truth: {
      rate: HOUSE.rate * scatter(0.1),
      placeOffC: HOUSE.placeOffC + 0.5 * random.normal(),
      burner: HOUSE.burner * scatter(0.08),
      loss: HOUSE.loss * scatter(0.06),
      lagFactor: scatter(0.25),
      countOff: 0.15 * random.normal(),
      ...sketch.truth,
    },
    habits: {
      deviceId: 'dairy-tablet',
      cookId: LANTERN_FOLD.cooks[seed % 2]!.id,
      lateMin: 3,
      looksH: [2.9, 3.6, 4.2, 4.9, 5.6, 6.4, 7.4, 8.8, 10.5],
      instrument: 'none',
      probe: false,
      note: '',
      ...sketch.habits,
    },
  };
}

const HISTORY: readonly (Sketch & { readonly daysAgo: number; readonly hour: number })[] = [
  {
    daysAgo: 92,
    hour: 7.1,
    name: 'Stall yogurt',
    kind: 'cow-lean',
    litres: 4.6,
    fat: null,
    pot: 0,
    place: 0,
    dosePercent: 2.2,
    ageD: 4,
    heat: hold(85, 12),
    inoculateC: 44,
    sourness: 'classic',
    habits: { instrument: 'strip', note: 'Good body, clean.' },
  },
  {
    daysAgo: 78,
    hour: 6.4,
    name: 'Ewe crocks',
    kind: 'ewe',
    litres: 2.3,
    fat: 0.071,
    pot: 2,
    place: 2,
    dosePercent: 3.1,
    ageD: 2,
    heat: hold(83, 8),
    inoculateC: 45,
    sourness: 'mild',
    habits: { note: 'Stands like a custard.' },
  },
  {
    daysAgo: 64,
    hour: 8.2,
    name: 'Stall yogurt',
    kind: 'cow-lean',
    litres: 5.1,
    fat: null,
    pot: 0,
    place: 0,
    dosePercent: 1.8,
    ageD: 7,
    heat: hold(86, 10),
    inoculateC: 43.5,
    sourness: 'classic',
    habits: { instrument: 'meter', probe: true, note: 'A little whey at the rim.' },
  },
  {
    daysAgo: 51,
    hour: 18.3,
    name: 'Left overnight',
    kind: 'cow-lean',
    litres: 3.7,
    fat: 0.036,
    pot: 0,
    place: 1,
    dosePercent: 2.6,
    ageD: 5,
    heat: hold(85, 10),
    inoculateC: 46,
    sourness: 'classic',
    habits: {
      looksH: [2.6, 10.4],
      pickUpH: 10.5,
      note: 'Forgot it until milking: sharp, for the hens’ mash and baking.',
    },
  },
  {
    daysAgo: 43,
    hour: 7.6,
    name: 'Touch of heat',
    kind: 'cow-lean',
    litres: 3.2,
    fat: null,
    pot: 0,
    place: 0,
    dosePercent: 2.4,
    ageD: 3,
    heat: { kind: 'touch', targetC: 82, holdMin: 0 },
    inoculateC: 44,
    sourness: 'mild',
    habits: { instrument: 'strip', note: 'Softer than the held ones.' },
  },
  {
    daysAgo: 33,
    hour: 9.1,
    name: 'Warmer off its heat',
    kind: 'cow-lean',
    litres: 4.2,
    fat: null,
    pot: 0,
    place: 0,
    dosePercent: 1.6,
    ageD: 16,
    heat: hold(85, 10),
    inoculateC: 43,
    sourness: 'classic',
    truth: { placeOffC: -19, rate: 0.75, countOff: -0.4 },
    habits: {
      looksH: [4.2, 7.1, 10.6],
      pickUpH: 10.8,
      note: 'The warmer’s plug was half out: 24 °C inside when at last measured.',
    },
  },
  {
    daysAgo: 24,
    hour: 7.4,
    name: 'Stall yogurt',
    kind: 'cow-lean',
    litres: 5.3,
    fat: 0.039,
    pot: 0,
    place: 0,
    dosePercent: 2.1,
    ageD: 4,
    heat: hold(87, 14),
    inoculateC: 44,
    sourness: 'classic',
    habits: {
      instrument: 'meter',
      logger: { name: 'Shelf logger', offC: -0.3 },
      titrates: true,
      note: 'Best of the season.',
    },
  },
  {
    daysAgo: 17,
    hour: 6.8,
    name: 'Ewe crocks',
    kind: 'ewe',
    litres: 2.1,
    fat: 0.068,
    pot: 2,
    place: 0,
    dosePercent: 2.7,
    ageD: 6,
    heat: hold(84, 10),
    inoculateC: 44,
    sourness: 'classic',
    habits: { instrument: 'meter', titrates: true, note: 'Firm and sweetish.' },
  },
  {
    daysAgo: 10,
    hour: 7.9,
    name: 'Wool-wrapped',
    kind: 'cow-lean',
    litres: 6.1,
    fat: null,
    pot: 1,
    place: 3,
    dosePercent: 3.4,
    ageD: 3,
    heat: hold(85, 10),
    inoculateC: 46,
    sourness: 'mild',
    habits: { note: 'Wraps lost heat fast; set all the same.' },
  },
  {
    daysAgo: 4,
    hour: 7.2,
    name: 'Stall yogurt',
    kind: 'cow-lean',
    litres: 4.9,
    fat: 0.038,
    pot: 0,
    place: 0,
    dosePercent: 2.3,
    ageD: 6,
    heat: hold(86, 12),
    inoculateC: 44,
    sourness: 'classic',
    habits: { instrument: 'strip', probe: true, note: 'Even set, clean smell.' },
  },
];

/** Three months of finished makes before a day. @param today its midnight, where the fold is */
export function demoHistory(today: number): DemoMake[] {
  return HISTORY.map((sketch, i) =>
    build(sketch, today - sketch.daysAgo * DAY_MS + sketch.hour * HOUR_MS, 101 + i),
  );
}

/** Two makes that are under way at `nowMs`: one incubating in mid-course, one cooling. */
export function demoUnderWay(nowMs: number): DemoMake[] {
  const incubating: Sketch = {
    name: 'Stall yogurt',
    kind: 'cow-lean',
    litres: 5.2,
    fat: null,
    pot: 0,
    place: 0,
    dosePercent: 2.2,
    ageD: 4,
    heat: hold(86, 12),
    inoculateC: 44,
    sourness: 'classic',
    habits: { instrument: 'meter', probe: true, looksH: [1.6, 2.2, 3.1, 3.9, 4.7, 5.5, 6.5, 8] },
  };
  const cooling: Sketch = {
    name: 'Ewe crocks',
    kind: 'ewe',
    litres: 2.4,
    fat: 0.069,
    pot: 2,
    place: 2,
    dosePercent: 2.9,
    ageD: 3,
    heat: hold(84, 10),
    inoculateC: 44,
    sourness: 'mild',
    habits: { lateMin: 2 },
  };
  const jars = [
    ...Array.from({ length: 5 }, (_, i) => ({ kind: LANTERN_FOLD.jars[0]!, n: i + 1 })),
    ...Array.from({ length: 6 }, (_, i) => ({ kind: LANTERN_FOLD.jars[1]!, n: i + 1 })),
  ].map(({ kind, n }, i) => ({
    id: `01GANTERNF0D0000000001${String(i).padStart(4, '0')}`,
    name: `${kind.name} ${n}`,
    litres: kind.litres,
  }));
  const first = build(incubating, nowMs - 6.6 * HOUR_MS, 7);
  return [{ ...first, plan: { ...first.plan, jars } }, build(cooling, nowMs - 1.05 * HOUR_MS, 8)];
}
