import type { MakeFacts, MakeSummary, Way } from '../contract/index.ts';
import { makeAt, souringOf, summaryOf, type MakeState } from '../make/index.ts';
import { batchOf } from '../setup/index.ts';
import { STEP_TYPES, told } from '../steps/index.ts';
import { FAULTS_TOLD } from '../why/index.ts';
import { worthOf, type TakenGoods } from './worth/index.ts';

/** Ten thousand lines go over the wire: no finer than anybody reads them. */
const rounded = (value: number): number => Math.round(value * 1e4) / 1e4;
const maybe = (value: number | null): number | null => (value === null ? null : rounded(value));

/** Who wrote most of a make's entries; `null` when nobody said who they were. */
function mainCook({ events }: MakeState): string | null {
  const many = new Map<string, number>();
  for (const { cookId } of events)
    if (typeof cookId === 'string') many.set(cookId, (many.get(cookId) ?? 0) + 1);
  return [...many].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** The ways it was gone about, by its steps. */
function waysOf(state: MakeState): Way[] {
  const at = makeAt(state, state.finished?.atMs ?? state.startedAtMs);
  return [...new Set(state.steps.flatMap(({ step }) => STEP_TYPES[step.kind].ways?.(at) ?? []))];
}

/** What is said of a make of which nothing can be worked out. */
export const NO_FACTS: MakeFacts = {
  kind: null,
  feed: null,
  intoKg: 0,
  method: '',
  pot: '',
  lineId: null,
  turn: null,
  cookId: null,
  reason: '',
  handsMin: 0,
  energyKwh: 0,
  cost: null,
  costPerKg: null,
  savedPerKg: null,
};

/**
 * One line of the Daybook: how a make turned out, what it was made of, by whom, and what it cost.
 * @param taken goods of the larder that went into it
 * @example daybookLine(state).handsMin // 31
 */
export function daybookLine(state: MakeState, taken: readonly TakenGoods[] = []): MakeSummary {
  const { plan, finished } = state;
  const { handsMin, energyKwh, total, perKg, savedPerKg } = worthOf(state, taken);
  const sours = souringOf(state) !== null;
  const faults = [...told(state, FAULTS_TOLD).values()].flatMap(({ complaint, settled }) =>
    settled === null ? [] : [{ complaint, settled }],
  );
  const ways = waysOf(state);
  return {
    ...summaryOf(state),
    kind: plan.milk.kind,
    feed: plan.milk.feed ?? null,
    intoKg: rounded(batchOf(plan).massKg),
    method: plan.method.name ?? '',
    pot: plan.pot.name,
    lineId: (sours ? plan.starter.lineId : undefined) ?? null,
    turn: (sours ? plan.starter.turn : undefined) ?? null,
    cookId: mainCook(state),
    reason: finished?.reason ?? '',
    handsMin: rounded(handsMin),
    energyKwh: rounded(energyKwh),
    cost: maybe(total),
    costPerKg: maybe(perKg),
    savedPerKg: maybe(savedPerKg),
    ...(faults.length > 0 ? { faults } : {}),
    ...(ways.length > 0 ? { ways } : {}),
    ...(sours ? { place: plan.place.name } : {}),
  };
}
