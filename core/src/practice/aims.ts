import type { Outcome } from './outcome.ts';

/** In what a figure of an aim is told. */
export type FigureUnit = 'min' | 'hours' | 'celsius' | 'ph' | 'percent' | 'mass' | 'points' | 'times';

/** Something a practice should come to. */
export interface Aim {
  readonly id: string;
  /** What is to be reached, in words; `{43}` is a temperature. */
  readonly words: string;
  /** What its figure is called: "fat lost". */
  readonly noun: string;
  readonly unit: FigureUnit;
  /** `null` where it was not reached at all. */
  readonly figure: (outcome: Outcome) => number | null;
  /** Within which it is met; `null` for what is not one range. */
  readonly range: readonly [number, number] | null;
  /** How near it came, 0..1; 1 is met. */
  readonly near: (outcome: Outcome) => number;
}

/** 1 between two figures, less outside of them, 0 from `slack` away on; 0 for nothing. */
export const between = (value: number | null, from: number, to: number, slack: number): number =>
  value === null ? 0 : Math.max(0, 1 - Math.max(0, from - value, value - to) / slack);

/** An aim that a figure lies in a range. Only what is ended can be met. */
const inRange = (
  aim: Omit<Aim, 'near' | 'range'>,
  [from, to]: readonly [number, number],
  slack: number,
  also: (outcome: Outcome) => boolean = () => true,
): Aim => ({
  ...aim,
  range: [from, to],
  near: (outcome) => {
    const near = between(aim.figure(outcome), from, to, slack);
    return outcome.ended && also(outcome) ? near : Math.min(0.5, near);
  },
});

export const held = (minutes: number, words: string): Aim =>
  inRange(
    { id: 'held', words, noun: 'time held hot', unit: 'min', figure: (o) => o.heldMin },
    [minutes, minutes + 12],
    minutes + 4,
  );
export const CLEAN: Aim = inRange(
  {
    id: 'clean',
    words: 'Nothing catches on the bottom',
    noun: 'caught on the bottom',
    unit: 'percent',
    figure: (o) => o.scorched,
  },
  [0, 0.1],
  0.3,
);
export const KEPT_IN: Aim = inRange(
  {
    id: 'kept-in',
    words: 'Nothing boils over',
    noun: 'boiled over',
    unit: 'percent',
    figure: (o) => o.spilt,
  },
  [0, 0.03],
  0.15,
);
/** As firm as the forecast's word for it. */
export const firm = (least: number): Aim =>
  inRange(
    {
      id: 'firm',
      words: `Sets firm: ${least} of 100 or more, estimated`,
      noun: 'firmness (of 100)',
      unit: 'points',
      figure: (o) => o.firm,
    },
    [least, 100],
    25,
  );
export const powderAtMost = (kg: number): Aim =>
  inRange(
    {
      id: 'powder',
      words: `No more than ${Math.round(kg * 1000)} g of milk powder`,
      noun: 'milk powder',
      unit: 'mass',
      figure: (o) => o.powderKg,
    },
    [0, kg],
    kg,
  );
export const starterAt = (from: number, to: number): Aim =>
  inRange(
    {
      id: 'starter-at',
      words: `Starter goes in between {${from}} and {${to}}`,
      noun: 'milk at the starter',
      unit: 'celsius',
      figure: (o) => o.starterC,
    },
    [from, to],
    6,
  );
export const within = (minutes: number, words: string): Aim =>
  inRange(
    { id: 'in-time', words, noun: 'time taken', unit: 'min', figure: (o) => o.minutes },
    [0, minutes],
    minutes,
  );
export const sour = (from: number, to: number, words: string): Aim =>
  inRange({ id: 'sour', words, noun: 'pH at the end', unit: 'ph', figure: (o) => o.ph }, [from, to], 0.5);
export const SAFE: Aim = {
  id: 'safe',
  words: 'Sour enough before the safety clock runs out',
  noun: 'hours to pH 5.3',
  unit: 'hours',
  figure: (o) => o.safeH,
  range: null,
  near: (o) => (o.safe === true && o.ended ? 1 : 0),
};
export const breaksWithin = (minutes: number): Aim =>
  inRange(
    {
      id: 'breaks',
      words: `Cream breaks within ${minutes} min of churning`,
      noun: 'time to break',
      unit: 'min',
      figure: (o) => (o.breakC === null ? null : o.churnMin),
    },
    [0, minutes],
    minutes / 2,
  );
export const fatLeft = (most: number): Aim =>
  inRange(
    {
      id: 'fat-left',
      words: `At most ${(most * 100).toFixed(1)} % fat left in the buttermilk`,
      noun: 'fat left in the buttermilk',
      unit: 'percent',
      figure: (o) => o.fatLeft,
    },
    [0, most],
    most,
  );
export const stoppedWithin = (minutes: number): Aim =>
  inRange(
    {
      id: 'stopped',
      words: `Churn stopped within ${minutes} min of the break`,
      noun: 'churned on after the break',
      unit: 'min',
      figure: (o) => o.overMin,
    },
    [0, minutes],
    3,
  );
export const serumLeft = (most: number): Aim =>
  inRange(
    {
      id: 'serum',
      words: `At most ${(most * 100).toFixed(0)} % of the buttermilk left in the butter`,
      noun: 'buttermilk left in the butter',
      unit: 'percent',
      figure: (o) => o.serum,
    },
    [0, most],
    0.1,
  );
export const washesAtMost = (times: number): Aim =>
  inRange(
    {
      id: 'washes',
      words: `No more than ${times} washes`,
      noun: 'washes',
      unit: 'times',
      figure: (o) => o.rinses,
    },
    [0, times],
    3,
  );
export const salt = (from: number, to: number): Aim =>
  inRange(
    {
      id: 'salt',
      words: `Salt between ${(from * 100).toFixed(1)} and ${(to * 100).toFixed(1)} % of the butter`,
      noun: 'salt in the butter',
      unit: 'percent',
      figure: (o) => o.salt,
    },
    [from, to],
    0.01,
  );
export const DRY: Aim = inRange(
  {
    id: 'dry',
    words: 'No water left in the ghee',
    noun: 'water left',
    unit: 'percent',
    figure: (o) => o.waterLeft,
  },
  [0, 0.005],
  0.2,
);
export const BROWNED: Aim = inRange(
  {
    id: 'browned',
    words: 'Solids gold to brown, not burnt',
    noun: 'browning, of what is wanted',
    unit: 'percent',
    figure: (o) => o.browned,
  },
  [0.5, 1.35],
  0.6,
);
export const drained = (words: string): Aim =>
  inRange(
    { id: 'thick', words, noun: 'thickness, of what is wanted', unit: 'percent', figure: (o) => o.thick },
    [0.95, 1.1],
    0.25,
  );
export const CUT: Aim = inRange(
  {
    id: 'cut',
    words: 'Curd is cut at its clean break',
    noun: 'time set, of what it takes',
    unit: 'percent',
    figure: (o) => o.cutAt,
  },
  [1, 1.5],
  0.5,
);
