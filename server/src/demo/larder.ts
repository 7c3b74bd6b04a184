import { doNotEat, goodOfMake, usualKeeping, type MakeState, DAY_MS, HOUR_MS } from '@morning-crock/core';
import type { DraftEvent, LarderMovement, TakenFor } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { entry } from './entry.ts';

/** Jars and pieces of the demo, kg. */
const BUTTER_KG = 0.25;
const JAR_KG = 0.45;
/** Put up and labelled within the hour. */
const PUT_UP_MS = HOUR_MS / 2;
/** Every so many lots, some of one was found too late. */
const SPOILED_EVERY = 9;
/** What a jar, or a piece of butter, is sold for at the stall. */
const JAR_PRICE = 4.2;
const BUTTER_PRICE = 5.5;
/** Of what keeps long, so much goes into the freezer after so many days. */
const FROZEN_SHARE = 0.5;
const FROZEN_AFTER_D = 3;
const SATURDAY = 6;

/** The market day after an instant, at ten. */
function stallDayMs(afterMs: number): number {
  const day = Math.ceil(afterMs / DAY_MS);
  for (let d = day; ; d++)
    if (new Date(d * DAY_MS).getUTCDay() === SATURDAY) return d * DAY_MS + 10 * HOUR_MS;
}

/** What no jar was filled with is eaten at once, kg. */
export const restOfJarsKg = (weighedKg: number): number =>
  weighedKg - Math.floor(weighedKg / JAR_KG + 1e-9) * JAR_KG;

/** What became of one lot up to now. */
function storyOf(state: MakeState, n: number, nowMs: number): DraftEvent[] {
  const weighedKg = state.weighedKg ?? 0;
  const fromMs = (state.finished?.atMs ?? nowMs) + PUT_UP_MS;
  const churned = state.steps.some(({ step }) => step.kind === 'churn');
  const eachKg = Math.min(weighedKg, churned ? BUTTER_KG : JAR_KG);
  const count = Math.floor(weighedKg / eachKg + 1e-9);
  if (count < 1 || fromMs >= nowMs) return [];
  const goodId = ulid(fromMs);
  const good = goodOfMake(state, goodId.slice(-6), fromMs);
  const story: DraftEvent[] = [];
  const say = (atMs: number, data: LarderMovement): void => {
    if (atMs < nowMs) story.push(entry(goodId, atMs, 'larder-moved', data));
  };
  say(fromMs, {
    kind: 'put-up',
    good,
    place: 'cold',
    pieces: [{ count, eachKg, typed: { value: Math.round(eachKg * 1000), unit: 'g' } }],
  });
  const takes = (atMs: number, many: number, why: TakenFor, note: string): void => {
    if (many < 1) return;
    say(atMs, {
      kind: 'take',
      from: { place: 'cold', size: 0 },
      for: why,
      massKg: many * eachKg,
      count: many,
      typed: null,
      price: why === 'sold' ? Math.round(many * (churned ? BUTTER_PRICE : JAR_PRICE) * 100) / 100 : null,
      into: null,
      note,
    });
  };
  const lastMs = fromMs + (good.keeps[0]?.days[0] ?? 1) * DAY_MS;
  let left = count;
  if (churned) {
    const frozen = Math.floor(count * FROZEN_SHARE);
    if (frozen > 0)
      say(fromMs + FROZEN_AFTER_D * DAY_MS, {
        kind: 'carry',
        from: { place: 'cold', size: 0 },
        to: 'freezer',
        massKg: frozen * eachKg,
        count: frozen,
        typed: null,
      });
    left -= frozen;
  }
  const stallMs = stallDayMs(fromMs);
  const sold = stallMs < lastMs ? Math.ceil(left / 2) : 0;
  takes(stallMs, sold, 'sold', 'the stall');
  const rest = left - sold;
  const spoiled = n % SPOILED_EVERY === SPOILED_EVERY - 1 && rest > 1 ? 1 : 0;
  takes((fromMs + lastMs) / 2 + DAY_MS, rest - spoiled, 'eaten', '');
  takes(lastMs + 2 * DAY_MS, spoiled, 'spoiled', 'forgotten behind the whey');
  return story.sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** A jar of the buttermilk of the latest churning, put up when its butter was. */
function buttermilkOf(state: MakeState, nowMs: number): DraftEvent | null {
  const fromMs = (state.finished?.atMs ?? nowMs) + PUT_UP_MS;
  if ((state.byProductsKg.buttermilk ?? 0) < JAR_KG || nowMs - fromMs > 3 * DAY_MS || fromMs >= nowMs)
    return null;
  const goodId = ulid(fromMs + 1);
  const what = state.plan.milk.soured === true ? 'cultured-buttermilk' : 'sweet-buttermilk';
  return entry(goodId, fromMs, 'larder-moved', {
    kind: 'put-up',
    good: {
      ...goodOfMake(state, goodId.slice(-6), fromMs),
      name: `Buttermilk of ${state.plan.name.toLowerCase()}`,
      what,
      saltFraction: null,
      keeps: usualKeeping(what),
      costPerKg: null,
    },
    place: 'cold',
    pieces: [{ count: 1, eachKg: JAR_KG, typed: { value: Math.round(JAR_KG * 1000), unit: 'g' } }],
  });
}

/**
 * What became of a past make of the demo: put up, sold at the stall, eaten, frozen, now and then forgotten; nothing of what was
 * no food or was not weighed.
 * @param n how many were put up before
 */
export function larderStory(state: MakeState, n: number, nowMs: number): DraftEvent[] {
  if (state.finished?.verdict !== 'kept' || state.weighedKg === null || doNotEat(state)) return [];
  const besides = buttermilkOf(state, nowMs);
  return [...storyOf(state, n, nowMs), ...(besides ? [besides] : [])];
}
