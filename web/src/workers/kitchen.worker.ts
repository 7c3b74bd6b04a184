import {
  ENSEMBLE_MEMBERS,
  exerciseOf,
  KeptEnsembles,
  foldMake,
  practiceId,
  scoring,
  walkPractice,
  type BatchScore,
  type Moment,
  forecasting,
  hashSeed,
  planningBackwards,
  planningButter,
  stateOfPlan,
  type BackwardsInput,
  type BandForecast,
  goOn,
  layingDay,
  lookingForLevers,
  findingWhy,
  proposingDay,
  type DayGoesOn,
  type GoingDay,
  type ButterWish,
  type DayWish,
  type LoggedEvent,
  type MakeState,
  type ProposalWish,
  type WhyAnswer,
  type WhyQuestion,
} from '@morning-crock/core';
import type { MakePlan, PracticeHand, PracticeSubject } from '@morning-crock/core/contract';
import { expose } from 'comlink';
import { makePicture, type MakePicture } from './make-picture.ts';

/** A forecast asked for: of a make's events, or of a plan nobody has begun. */
export type ForecastJob =
  | ({ readonly kind: 'make'; readonly nowMs: number } & LogNews)
  | { readonly kind: 'plan'; readonly makeId: string; readonly plan: MakePlan; readonly nowMs: number };

type GoingMake = GoingDay['makes'][number];

/** A day that is going on, with the logs of its makes. */
export type GoingQuestion = Omit<GoingDay, 'makes'> & {
  readonly makes: readonly (
    | (Omit<Extract<GoingMake, { readonly state: MakeState }>, 'state'> & {
        readonly makeId: string;
        readonly events: readonly LoggedEvent[];
      })
    | Extract<GoingMake, { readonly plan: MakePlan }>
  )[];
};

/** A practice as far as hands went. */
export interface PracticeSoFar {
  readonly subject: PracticeSubject;
  readonly seed: number;
  readonly startMs: number;
  /** One list for each batch of it. */
  readonly hands: readonly (readonly PracticeHand[])[];
}

/** News of a make's log: how many of the events told before still stand, and those that follow them. */
export interface LogNews {
  readonly makeId: string;
  readonly known: number;
  readonly events: readonly LoggedEvent[];
}

/** A make as the page last told of it: its log, what that folds to, and its latest forecast. */
interface OwnedLog {
  readonly events: readonly LoggedEvent[];
  /** Folded when somebody asks; an error is kept for whoever asks again. */
  folded: { readonly state: MakeState | null } | { readonly error: unknown } | null;
  forecast: BandForecast | null;
}
/** What was drawn for the latest forecasts: the next one of the same make often asks the same. */
const kept = new KeptEnsembles(16);
/** One log for each make: a day of a probe is not sent again for each reading, and each is folded once. */
const logs = new Map<string, OwnedLog>();

/** Takes news of a log. */
function hear({ makeId, known, events }: LogNews): OwnedLog {
  const before = logs.get(makeId);
  if (before && events.length === 0 && known === before.events.length) return before;
  const log = {
    events: [...(before?.events.slice(0, known) ?? []), ...events],
    folded: null,
    forecast: before?.forecast ?? null,
  };
  logs.set(makeId, log);
  return log;
}

/** @throws what the fold threw */
function stateOf(makeId: string, log: OwnedLog): MakeState | null {
  if (!log.folded) {
    try {
      log.folded = { state: foldMake(makeId, log.events) };
    } catch (error) {
      log.folded = { error };
    }
  }
  if ('error' in log.folded) throw log.folded.error;
  return log.folded.state;
}

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

const kitchenWorker = {
  /**
   * A make under way as the shelf shows it now, by its log and its latest forecast.
   * @param recalled a forecast of the last time, for as long as there is no newer one
   * @returns `null` for what is over, or was never begun; a word where its entries contradict each other
   */
  picture(news: LogNews, nowMs: number, recalled: BandForecast | null): MakePicture | 'unreadable' | null {
    const log = hear(news);
    let state: MakeState | null;
    try {
      state = stateOf(news.makeId, log);
    } catch (error) {
      console.error(error);
      return 'unreadable';
    }
    if (!state || state.finished) return null;
    return makePicture(state, log.forecast ?? recalled, nowMs);
  },
  /** Computes in slices; `null` when a newer job for the same key took its place or it was cancelled. */
  async forecast(key: string, job: ForecastJob): Promise<BandForecast | null> {
    const mine = ++count;
    newest.set(key, mine);
    const log = job.kind === 'make' ? hear(job) : null;
    await breathe();
    if (newest.get(key) !== mine) return null;
    const state = job.kind === 'plan' ? stateOfPlan(job.plan) : log && stateOf(job.makeId, log);
    if (!state) return null;
    const work = forecasting(state, job.nowMs, hashSeed(job.makeId), ENSEMBLE_MEMBERS, kept);
    for (;;) {
      const step = work.next();
      if (step.done === true) {
        const now = logs.get(job.makeId);
        if (now) now.forecast = step.value;
        return step.value;
      }
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
  /** What would make a day better, likewise. */
  dayLevers: (key: string, wish: DayWish, tell: (share: number) => void) =>
    inSlices(key, lookingForLevers(wish), tell),
  /** Whole days to choose from, likewise. */
  proposeDay: (key: string, wish: ProposalWish, tell: (share: number) => void) =>
    inSlices(key, proposingDay(wish), tell),
  /** What went wrong with a batch, by its log; `null` when it was cancelled, asked for anew, or there is no such batch. */
  async why(
    key: string,
    news: LogNews,
    question: Omit<WhyQuestion, 'state'>,
    tell: (share: number) => void,
  ): Promise<WhyAnswer | null> {
    const state = stateOf(news.makeId, hear(news));
    return state ? inSlices(key, findingWhy({ ...question, state }), tell) : null;
  },
  /** What is left of a day that is going on; `null` when a newer question took its place or nothing is left. */
  async goOn(key: string, { makes, ...day }: GoingQuestion): Promise<DayGoesOn | null> {
    const mine = ++count;
    newest.set(key, mine);
    await breathe();
    if (newest.get(key) !== mine) return null;
    return goOn({
      ...day,
      makes: makes.flatMap((make): GoingMake[] => {
        if ('plan' in make) return [make];
        const { makeId, events, ...own } = make;
        const state = foldMake(makeId, events);
        return state ? [{ ...own, state }] : [];
      }),
    });
  },
  /** A batch of a practice as it truly goes, and goes on if nobody lifts a hand. @param untilMs at least so far, ms since 1970 */
  practise({ subject, seed, startMs, hands }: PracticeSoFar, no: number, untilMs: number): readonly Moment[] {
    const { world } = exerciseOf(subject, seed, startMs).batches[no]!;
    return walkPractice(world, hands[no] ?? [], untilMs, practiceId(no + 1)).moments;
  },
  /** What came of a practice, batch by batch; `null` when it was cancelled. */
  async practiceScore(
    key: string,
    { subject, seed, startMs, hands }: PracticeSoFar,
    untilMs: number,
    tell: (share: number) => void,
  ): Promise<readonly BatchScore[] | null> {
    const { batches, limitH } = exerciseOf(subject, seed, startMs);
    const scores: BatchScore[] = [];
    for (const [no, batch] of batches.entries()) {
      const score = await inSlices(key, scoring(batch, hands[no] ?? [], untilMs, limitH), (share) =>
        tell((no + share) / batches.length),
      );
      if (score === null) return null;
      scores.push(score);
    }
    return scores;
  },
  cancel(key: string): void {
    newest.delete(key);
  },
};

export type KitchenWorker = typeof kitchenWorker;
expose(kitchenWorker);
