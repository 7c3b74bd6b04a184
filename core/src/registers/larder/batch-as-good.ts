import type { Good, GoodFacts, MakePlan } from '../../contract/index.ts';
import { pointForecast, seenSetMs, stateOfPlan, type MakeState, type StepState } from '../../make/index.ts';
import { productOf } from '../../products/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';
import type { TakenGoods } from '../../daybook/worth/index.ts';
import { cameOut } from './came-out.ts';
import { goodOfMake } from './from-make.ts';
import { EMPTY_GOOD_KG } from './larder-register.ts';

/** Less than this share of a batch is left over: it is all of it. */
const ALL_SHARE = 0.02;

/** Nothing has a label yet. */
const NO_CODE = '000000';

const isOver = ({ status }: StepState): boolean => status === 'done' || status === 'skipped';

/** Something of what it is made of changes in it: it sours, is churned, or loses whey. */
const shapes = ({ step }: StepState): boolean =>
  step.facts.sours || STEP_TYPES[step.kind].besides !== undefined || STEP_TYPES[step.kind].flow !== undefined;

/**
 * Whether what a batch under way gives may go into another one now: all that makes it what it is lies behind it, or it was
 * seen set where it still sours. Butter may go as soon as it is churned.
 */
export function mayGoInto(state: MakeState): boolean {
  if (state.finished !== null) return false;
  const shaping = state.steps.filter(shapes);
  return (
    shaping.length > 0 &&
    shaping.every(
      (one) => isOver(one) || (one === state.current && one.step.facts.sours && seenSetMs(state) !== null),
    )
  );
}

/**
 * A batch under way as if it stood in the larder already, so that a plan can be made from it: what is not put up of it yet.
 * @param goodId what it will be when some of it is put up
 * @param code what its label would carry
 * @param putUp goods that were put up before
 * @param taken goods that went into it
 * @returns `null` where nothing of it may go into another, or nothing is left of it
 * @example batchAsGood(clabber, id, 'A1B2C3', nowMs, larder.goods)?.stocks // [{ place: 'cold', massKg: 2, … }]
 */
export function batchAsGood(
  state: MakeState,
  goodId: string,
  code: string,
  nowMs: number,
  putUp: readonly Pick<Good, 'makeId' | 'what' | 'putUpKg'>[],
  taken: readonly TakenGoods[] = [],
): Good | null {
  if (!mayGoInto(state)) return null;
  const { product } = state.plan;
  // Weighed, it is a lot of the milk room, and poured from there.
  if (productOf(state.plan).gives?.out && state.weighedKg !== null) return null;
  const skipped = new Set(state.steps.flatMap(({ status, step }) => (status === 'skipped' ? [step.id] : [])));
  const gave = cameOut({ ...state, skipped }, product);
  const before = putUp
    .filter(({ makeId, what }) => makeId === state.id && what === product)
    .reduce((sum, { putUpKg }) => sum + putUpKg, 0);
  const massKg = (gave?.massKg ?? 0) - before;
  if (massKg < EMPTY_GOOD_KG) return null;
  return standingCold(goodId, goodOfMake(state, code, nowMs, taken), massKg, nowMs);
}

/** Goods of one piece in the cold. */
function standingCold(id: string, facts: GoodFacts, massKg: number, putUpMs: number): Good {
  const madeMs = Date.parse(facts.madeAt);
  return {
    id,
    ...facts,
    madeMs,
    putUpMs,
    sizesKg: [massKg],
    putUpKg: massKg,
    stocks: [{ place: 'cold', size: 0, massKg, sinceMs: madeMs, used: [0, 0], thawed: false, thawFor: null }],
  };
}

/**
 * What a batch that nobody has begun will give, as if it stood in the larder already: by its plan, an estimate.
 * @param id of the goods, and of the batch in whatever plans it
 * @returns `null` where it becomes a lot of the milk room, or gives nothing
 * @example goodToCome(butter, 'butter')?.stocks // [{ place: 'cold', massKg: 0.78, … }]
 */
export function goodToCome(plan: MakePlan, id: string): Good | null {
  if (productOf(plan).gives?.out) return null;
  const state = stateOfPlan(plan);
  const gave = cameOut({ ...state, skipped: new Set() }, plan.product);
  if (!gave || gave.massKg < EMPTY_GOOD_KG) return null;
  const endMs = pointForecast(state, state.startedAtMs).steps.at(-1)?.endMs ?? state.startedAtMs;
  return { ...standingCold(id, goodOfMake(state, NO_CODE, endMs), gave.massKg, endMs), makeId: id };
}

/** Whether so much is all there is of a batch: it is used up. @example isAllOf(clabber, 1.99) // true of 2 kg */
export const isAllOf = ({ stocks }: Pick<Good, 'stocks'>, massKg: number): boolean =>
  massKg >= (1 - ALL_SHARE) * stocks.reduce((sum, stock) => sum + stock.massKg, 0);
