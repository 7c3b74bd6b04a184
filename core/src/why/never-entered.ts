import { EVENT_VERSION, type EventOf, type EventType, type MakePlan } from '../contract/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { stateOfPlan } from '../make/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { churningStep } from '../steps/index.ts';

/** A batch nobody entered, as far as somebody remembers it. */
export interface NeverEntered {
  readonly plan: MakePlan;
  /** When its souring or churning began, ms since 1970; `null` where neither is on: all of it is over. */
  readonly sinceMs: number | null;
  readonly nowMs: number;
}

/** What is remembered of the hours before is put so far apart, ms. */
const APART_MS = MINUTE_MS;

/**
 * The entries somebody would have made of a batch that was never entered: every step up to the one that goes on by itself now.
 * They are kept nowhere.
 * @param id the batch's identity, for as long as it is asked about
 * @example foldMake(id, eventsOfNeverEntered(id, { plan, sinceMs: nowMs - 8 * HOUR_MS, nowMs })).current.step.facts.sours // true
 */
export function eventsOfNeverEntered(id: string, { plan, sinceMs, nowMs }: NeverEntered): LoggedEvent[] {
  const state = stateOfPlan(plan);
  const { steps } = state;
  const churned = churningStep(state);
  const works = steps.findIndex((one) => one.step.facts.sours || one === churned);
  const done = sinceMs === null || works < 0 ? steps : steps.slice(0, works);
  const endMs = sinceMs ?? nowMs;
  const startMs = endMs - done.length * APART_MS;
  const events: LoggedEvent[] = [];
  const say = <T extends EventType>(atMs: number, type: T, data: EventOf<T>['data']): void => {
    events.push({
      id: String(events.length + 1).padStart(26, '0'),
      streamId: id,
      at: new Date(atMs).toISOString(),
      cookId: null,
      deviceId: 'remembered',
      version: EVENT_VERSION,
      type,
      data,
    } as LoggedEvent);
  };
  say(startMs, 'make-started', { plan: { ...plan, startAt: new Date(startMs).toISOString() } });
  for (const [i, { step }] of done.entries()) {
    const atMs = startMs + (i + 1) * APART_MS;
    const { massKg, statedRatio, typed, kind } = plan.starter;
    if (step.facts.inoculates && kind !== 'none') say(atMs, 'starter-added', { massKg, statedRatio, typed });
    else if (step.facts.endedBy === null || step.facts.endedBy === 'starter-added')
      say(atMs, 'step-done', { step: step.id });
    else say(atMs, 'step-skipped', { step: step.id });
  }
  return events;
}
