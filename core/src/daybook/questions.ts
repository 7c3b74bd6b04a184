import type { Good, LarderLine, MakeSummary } from '../contract/index.ts';
import { SOURNESS, type Sourness } from '../science/souring/index.ts';
import { grouped } from './months.ts';
import { middle, trendOf, type Trend } from './trend.ts';

/** A point of a picture, and the make it is of. */
export interface AnswerDot {
  readonly makeId: string;
  readonly x: number;
  readonly y: number;
}

/** Does it go sourer, or slower, the more often a culture was handed on? */
export interface TurnsAnswer {
  readonly hours: readonly AnswerDot[];
  /** Hours from inoculation to set, by turn. */
  readonly pace: Trend;
  readonly tasted: readonly AnswerDot[];
  /** Sourness as a number, 0 mild to 3 sharp, by turn. */
  readonly sourness: Trend;
}

const rank = (sourness: string): number => SOURNESS.indexOf(sourness as Sourness);
const xy = (dots: readonly AnswerDot[]): (readonly [number, number])[] => dots.map(({ x, y }) => [x, y]);

/** @param makes of one culture's line or of several */
export function turnsAnswer(makes: readonly MakeSummary[]): TurnsAnswer {
  const dots = (value: (make: MakeSummary) => number | null): AnswerDot[] =>
    makes.flatMap((make) => {
      const y = value(make);
      return make.turn === null || y === null ? [] : [{ makeId: make.id, x: make.turn, y }];
    });
  const hours = dots(({ seenSetH }) => seenSetH);
  const tasted = dots(({ sourness }) => (sourness === null || rank(sourness) < 0 ? null : rank(sourness)));
  return { hours, pace: trendOf(xy(hours)), tasted, sourness: trendOf(xy(tasted)) };
}

/** Is the forecast honest? */
export interface HonestAnswer {
  /** Hours to set: foreseen against seen. */
  readonly dots: readonly AnswerDot[];
  readonly within: number;
  readonly judged: number;
  /** Middle of seen minus foreseen, h; `null` of none. */
  readonly laterH: number | null;
}

/** Of so many, this share should fall into a span from the tenth to the ninetieth of a hundred. */
export const HONEST_SHARE = 0.8;

export function honestAnswer(makes: readonly MakeSummary[]): HonestAnswer {
  const judged = makes.flatMap(({ id, forecastSetH: [p10, p50, p90], seenSetH }) =>
    p10 === null || p50 === null || seenSetH === null
      ? []
      : [{ makeId: id, x: p50, y: seenSetH, inside: seenSetH >= p10 && (p90 === null || seenSetH <= p90) }],
  );
  return {
    dots: judged.map(({ makeId, x, y }) => ({ makeId, x, y })),
    within: judged.filter(({ inside }) => inside).length,
    judged: judged.length,
    laterH: middle(judged.map(({ x, y }) => y - x)),
  };
}

/** Something told for each of several groups. */
export interface GroupValue<G> {
  readonly group: G;
  readonly middle: number;
  readonly makes: number;
}

function inGroups<G extends string | number>(
  makes: readonly MakeSummary[],
  groupOf: (make: MakeSummary) => G | null,
  value: (make: MakeSummary) => number | null,
): GroupValue<G>[] {
  const told = makes.filter((make) => value(make) !== null);
  return [...grouped(told, groupOf)].map(([group, of]) => ({
    group,
    middle: middle(of.map((make) => value(make)!))!,
    makes: of.length,
  }));
}

/** Month of the year, 0 January. */
const monthOfYear = ({ startedAt }: MakeSummary): number => Number(startedAt.slice(5, 7)) - 1;
const byMonth = (a: GroupValue<number>, b: GroupValue<number>): number => a.group - b.group;

/** What came out of a kilogram that went in, middle of each month of the year. */
export function yieldBySeason(makes: readonly MakeSummary[]): GroupValue<number>[] {
  return inGroups(makes, monthOfYear, ({ yieldKg, intoKg }) =>
    yieldKg === null || intoKg <= 0 ? null : yieldKg / intoKg,
  ).sort(byMonth);
}

/** What the fat that churning lost is told by. */
export const FAT_LOST_BY = ['season', 'feed', 'churn'] as const;
export type FatLostBy = (typeof FAT_LOST_BY)[number];

/** Share of the fat that is not in the butter, middle of each group; months by their number. */
export function fatLostBy(makes: readonly MakeSummary[], by: FatLostBy): GroupValue<string | number>[] {
  const lost = ({ churned }: MakeSummary): number | null => churned?.lostFraction ?? null;
  switch (by) {
    case 'season':
      return inGroups(makes, monthOfYear, lost).sort(byMonth);
    case 'feed':
      return inGroups(makes, ({ feed }) => feed, lost);
    case 'churn':
      return inGroups(makes, ({ churned }) => churned?.churn ?? null, lost);
  }
}

/** Something that was thrown away, and why. */
export interface Thrown {
  readonly why: string;
  readonly massKg: number;
  readonly times: number;
}

const tidy = (why: string): string => why.trim().replace(/\s+/g, ' ').toLowerCase();

/**
 * What was thrown away and why, the most first: makes by what went into them, goods by what was left of them.
 * @param lines of the larder, of any kind
 */
export function thrownAway(
  makes: readonly MakeSummary[],
  lines: readonly LarderLine[],
  goods: readonly Pick<Good, 'id' | 'makeId'>[],
): Thrown[] {
  const of = new Set(makes.map(({ id }) => id));
  const makeOf = new Map(goods.map(({ id, makeId }) => [id, makeId]));
  const spoiled = lines.filter(({ kind, goodId }) => {
    const makeId = makeOf.get(goodId) ?? null;
    return kind === 'spoiled' && makeId !== null && of.has(makeId);
  });
  const reasons = new Map<string, Thrown>();
  const add = (said: string, massKg: number): void => {
    const why = tidy(said);
    const before = reasons.get(why) ?? { why, massKg: 0, times: 0 };
    reasons.set(why, { why, massKg: before.massKg + massKg, times: before.times + 1 });
  };
  for (const { status, reason, intoKg } of makes) if (status === 'discarded') add(reason, intoKg);
  for (const { note, massKg } of spoiled) add(note, massKg);
  return [...reasons.values()].sort((a, b) => b.massKg - a.massKg);
}

/** Hands and yield of a product. */
export interface HandsOf {
  readonly product: NonNullable<MakeSummary['product']>;
  readonly makes: number;
  readonly handsMin: number;
  /** Of what was weighed alone. */
  readonly minPerKg: number | null;
}

/** Where the hands went, the most first. */
export function handsByProduct(makes: readonly MakeSummary[]): HandsOf[] {
  return [...grouped(makes, ({ product }) => product)]
    .map(([product, of]) => {
      const weighed = of.filter(({ yieldKg }) => yieldKg !== null && yieldKg > 0);
      const kg = weighed.reduce((sum, { yieldKg }) => sum + yieldKg!, 0);
      return {
        product,
        makes: of.length,
        handsMin: of.reduce((sum, { handsMin }) => sum + handsMin, 0),
        minPerKg: kg > 0 ? weighed.reduce((sum, { handsMin }) => sum + handsMin, 0) / kg : null,
      };
    })
    .sort((a, b) => b.handsMin - a.handsMin);
}
