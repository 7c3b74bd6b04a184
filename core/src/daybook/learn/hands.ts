import type { Factor, StepKind } from '../../contract/index.ts';
import type { MakeState } from '../../make/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { STEP_TYPES } from '../../steps/index.ts';

/** What took so much less or more than the book says was tapped late, or somebody did something else meanwhile. */
const BELIEVED = { least: 0.25, most: 4 } as const;
/** So many batches are asked for before a day is laid out by them. */
const ENOUGH = 3;

/** How long hands were at a kind of step, ln against the book. */
export interface HandsSaid {
  readonly kind: StepKind;
  readonly value: number;
}

/** Whether a step is nothing but hands: it heats, sours and waits for nothing. */
const isHandsAlone = (kind: StepKind): boolean => {
  const { facts, leg, later, souring } = STEP_TYPES[kind];
  return !facts.waits && !leg && !later && !souring;
};

/**
 * What a make says about how long hands take: of each step that is hands alone, from the end of the step before to its own. The first
 * step says nothing, since nobody told when it was begun.
 * @example handsSaid(state) // [{ kind: 'salt', value: 0.4 }, …]
 */
export function handsSaid({ steps }: Pick<MakeState, 'steps'>): HandsSaid[] {
  return steps.flatMap(({ step, status, endedAtMs }, n): HandsSaid[] => {
    const before = steps[n - 1];
    if (status !== 'done' || endedAtMs === null || before?.status !== 'done' || before.endedAtMs === null)
      return [];
    if (step.handsMin <= 0 || !isHandsAlone(step.kind)) return [];
    const share = (endedAtMs - before.endedAtMs) / MINUTE_MS / step.handsMin;
    return share < BELIEVED.least || share > BELIEVED.most
      ? []
      : [{ kind: step.kind, value: Math.log(share) }];
  });
}

/** How much longer hands take here at kinds of step, as a share of the book's minutes. @example handsPaces(factors).salt // 1.3 */
export const handsPaces = (factors: readonly Factor[]): Readonly<Record<string, number>> =>
  Object.fromEntries(
    factors
      .filter(({ kind, makes }) => kind === 'hands' && makes >= ENOUGH)
      .map(({ thing, mean }) => [thing, Math.exp(mean)]),
  );
