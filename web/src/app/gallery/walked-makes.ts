import {
  bandForecast,
  defaultKitchen,
  doneEntries,
  foldMake,
  methodSteps,
  MINUTE_MS,
  planOfMethod,
  pointForecast,
  SHIPPED_METHODS,
  stateOfPlan,
  STEP_TYPES,
  type LoggedEvent,
  type MakeState,
} from '@morning-crock/core';
import type { StepKind } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { liveOf, type LiveMake } from '../../data/use-make.ts';

/** Few: a picture is looked at, no figure is read off it. */
const MEMBERS = 40;

/** A make in the midst of one of its steps. */
export interface WalkedMake {
  readonly name: string;
  readonly kind: StepKind;
  readonly live: LiveMake;
  readonly nowMs: number;
}

/** The moment half-way through the present step. */
function midst(state: MakeState, sinceMs: number): number {
  const time = pointForecast(state, sinceMs).steps.find(({ id }) => id === state.current?.step.id);
  return time ? Math.max(sinceMs + MINUTE_MS, (time.startMs + time.endMs) / 2) : sinceMs + MINUTE_MS;
}

/** A method gone through as its forecast has it, a picture in the midst of each step that is wanted. @param wanted kinds; each is taken out */
function* walked(
  method: (typeof SHIPPED_METHODS)[number],
  startMs: number,
  wanted: Set<string>,
): Generator<WalkedMake> {
  const plan = planOfMethod(method, defaultKitchen('UTC'), new Date(startMs).toISOString());
  const events = [...stateOfPlan(plan).events];
  const folded = (): MakeState => foldMake(method.id, events) ?? stateOfPlan(plan);
  let state = folded();
  let nowMs = startMs;
  // A step that has several ends is done several times.
  for (let most = 3 * methodSteps(plan).length; state.current !== null && most > 0; most--) {
    const { kind, title } = state.current.step;
    const atMs = midst(state, nowMs);
    if (wanted.delete(kind)) {
      const live = liveOf(state, bandForecast(state, atMs, 1, MEMBERS), atMs);
      yield { name: `${method.name}: ${title}`, kind, live, nowMs: atMs };
    }
    nowMs = Math.round(atMs + (atMs - nowMs));
    const at = new Date(nowMs).toISOString();
    for (const { type, data } of doneEntries(state))
      events.push({ ...events[0], id: ulid(nowMs), at, type, data } as LoggedEvent);
    state = folded();
  }
}

/** Makes in the midst of a step of each kind there is, once. */
export function walkedMakes(startMs: number): WalkedMake[] {
  const wanted = new Set(Object.keys(STEP_TYPES));
  return SHIPPED_METHODS.flatMap((method) =>
    method.steps.some(({ kind }) => wanted.has(kind)) ? [...walked(method, startMs, wanted)] : [],
  );
}
