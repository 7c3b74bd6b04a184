import {
  foldMake,
  forecasting,
  hashSeed,
  planningBackwards,
  planningButter,
  stateOfPlan,
  type BackwardsInput,
  type BandForecast,
  goOn,
  layingDay,
  type DayGoesOn,
  type GoingDay,
  type ButterWish,
  type DayWish,
  type LoggedEvent,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { expose } from 'comlink';

/** A forecast asked for: of a make's events, or of a plan nobody has begun. */
export type ForecastJob =
  | {
      readonly kind: 'make';
      readonly makeId: string;
      /** How many of the events it was told before still stand, and those that follow them. */
      readonly known: number;
      readonly events: readonly LoggedEvent[];
      readonly nowMs: number;
    }
  | { readonly kind: 'plan'; readonly makeId: string; readonly plan: MakePlan; readonly nowMs: number };

/** A day that is going on, with the logs of its makes. */
export type GoingQuestion = Omit<GoingDay, 'makes'> & {
  readonly makes: readonly (Omit<GoingDay['makes'][number], 'state'> & {
    readonly makeId: string;
    readonly events: readonly LoggedEvent[];
  })[];
};

/** The log of each make as it was last told: a day of a probe is not sent again for each reading. */
const logs = new Map<string, readonly LoggedEvent[]>();

/** The newest job number of each key; older ones stop at their next breath. */
const newest = new Map<string, number>();
let count = 0;

/** Lets messages in between two slices. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/** Long work a slice at a time, telling how far it is; `null` when it was cancelled or asked for anew. */
async function inSlices<T>(
  key: string,
  work: Generator<number, T>,
  tell: (share: number) => void,
): Promise<T | null> {
  const mine = ++count;
  newest.set(key, mine);
  let breathedMs = 0;
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
    if (performance.now() - breathedMs < 60) continue;
    breathedMs = performance.now();
    tell(step.value);
    await breathe();
    if (newest.get(key) !== mine) return null;
  }
}

const forecastWorker = {
  /** Computes in slices; `null` when a newer job for the same key took its place or it was cancelled. */
  async forecast(key: string, job: ForecastJob): Promise<BandForecast | null> {
    const mine = ++count;
    newest.set(key, mine);
    if (job.kind === 'make')
      logs.set(job.makeId, [...(logs.get(job.makeId) ?? []).slice(0, job.known), ...job.events]);
    await breathe();
    if (newest.get(key) !== mine) return null;
    const state =
      job.kind === 'plan' ? stateOfPlan(job.plan) : foldMake(job.makeId, logs.get(job.makeId) ?? []);
    if (!state) return null;
    const work = forecasting(state, job.nowMs, hashSeed(job.makeId));
    for (;;) {
      const step = work.next();
      if (step.done === true) return step.value;
      await breathe();
      if (newest.get(key) !== mine) return null;
    }
  },
  /** Plans backwards in slices, telling how far it is; `null` when it was cancelled. */
  planBack: (key: string, input: BackwardsInput, tell: (share: number) => void) =>
    inSlices(key, planningBackwards(input), tell),
  /** Butter by a time, likewise. */
  butterBack: (key: string, wish: ButterWish, tell: (share: number) => void) =>
    inSlices(key, planningButter(wish), tell),
  /** Lays a day out, likewise. */
  layDay: (key: string, wish: DayWish, tell: (share: number) => void) => inSlices(key, layingDay(wish), tell),
  /** What is left of a day that is going on; `null` when a newer question took its place or nothing is left. */
  async goOn(key: string, { makes, ...day }: GoingQuestion): Promise<DayGoesOn | null> {
    const mine = ++count;
    newest.set(key, mine);
    await breathe();
    if (newest.get(key) !== mine) return null;
    return goOn({
      ...day,
      makes: makes.flatMap(({ makeId, events, ...make }) => {
        const state = foldMake(makeId, events);
        return state ? [{ ...make, state }] : [];
      }),
    });
  },
  cancel(key: string): void {
    newest.delete(key);
  },
};

export type ForecastWorker = typeof forecastWorker;
expose(forecastWorker);
