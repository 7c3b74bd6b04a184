import type {
  BackwardsAnswer,
  BackwardsInput,
  BandForecast,
  BatchScore,
  ButterWays,
  ButterWish,
  DayAnswer,
  DayGoesOn,
  DayWish,
  Lever,
  LoggedEvent,
  Moment,
  ProposalWish,
  ProposedDay,
  WhyAnswer,
  WhyQuestion,
} from '@morning-crock/core';
import type { ForecastJob, GoingQuestion, KitchenWorker, LogNews, PracticeSoFar } from './kitchen.worker.ts';
import type { MakePicture } from './make-picture.ts';
import { lastingWorker } from './lasting.ts';

/** What the worker was last told of each make. */
const told = new Map<string, readonly LoggedEvent[]>();

const ask = lastingWorker<KitchenWorker>(() => {
  told.clear();
  return new Worker(new URL('./kitchen.worker.ts', import.meta.url), { type: 'module' });
});

/** A make's events as they stand, of which only those are sent that the worker does not have. */
function newsOf(makeId: string, events: readonly LoggedEvent[]): LogNews {
  const before = told.get(makeId) ?? [];
  let known = 0;
  while (known < before.length && before[known] === events[known]) known++;
  told.set(makeId, events);
  return { makeId, known, events: events.slice(known) };
}

/**
 * A make under way as the shelf shows it; `null` for what is over, a word where its entries contradict each other.
 * @throws Error when the worker cannot be fetched or falls over
 */
export function requestPicture(
  makeId: string,
  events: readonly LoggedEvent[],
  nowMs: number,
  recalled: BandForecast | null,
): Promise<MakePicture | 'unreadable' | null> {
  return ask((worker) => worker.picture(newsOf(makeId, events), nowMs, recalled));
}

/** Begins the worker before anything is asked of it. */
export const beginWorker = (): void => void ask(() => undefined).catch(() => undefined);

/** A forecast asked for: of a plan, or of a make with all its events. */
type ForecastQuestion =
  Extract<ForecastJob, { kind: 'plan' }> | Omit<Extract<ForecastJob, { kind: 'make' }>, 'known'>;

/**
 * Forecasts in the worker. A newer request with the same key replaces an older one, which then gives `null`.
 * @throws Error when the worker cannot be fetched or falls over
 */
export function requestForecast(key: string, question: ForecastQuestion): Promise<BandForecast | null> {
  return ask((worker) =>
    worker.forecast(
      key,
      question.kind === 'plan' ? question : { ...question, ...newsOf(question.makeId, question.events) },
    ),
  );
}

/** Plans backwards in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestPlan(
  key: string,
  input: BackwardsInput,
  tell: (share: number) => void,
): Promise<BackwardsAnswer | null> {
  return ask((worker, telling) => worker.planBack(key, input, telling(tell)));
}

/** Butter by a time, worked back in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestButter(
  key: string,
  wish: ButterWish,
  tell: (share: number) => void,
): Promise<ButterWays | null> {
  return ask((worker, telling) => worker.butterBack(key, wish, telling(tell)));
}

/** A day laid out in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestDay(
  key: string,
  wish: DayWish,
  tell: (share: number) => void,
): Promise<DayAnswer | null> {
  return ask((worker, telling) => worker.layDay(key, wish, telling(tell)));
}

/** What would make a day better, worked out in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestLevers(
  key: string,
  wish: DayWish,
  tell: (share: number) => void,
): Promise<readonly Lever[] | null> {
  return ask((worker, telling) => worker.dayLevers(key, wish, telling(tell)));
}

/** Whole days to choose from, worked out in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestProposals(
  key: string,
  wish: ProposalWish,
  tell: (share: number) => void,
): Promise<readonly ProposedDay[] | null> {
  return ask((worker, telling) => worker.proposeDay(key, wish, telling(tell)));
}

/** What went wrong with a batch, worked out in the worker; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestWhy(
  key: string,
  makeId: string,
  events: readonly LoggedEvent[],
  question: Omit<WhyQuestion, 'state'>,
  tell: (share: number) => void,
): Promise<WhyAnswer | null> {
  return ask((worker, telling) => worker.why(key, newsOf(makeId, events), question, telling(tell)));
}

/** What is left of a day that is going on; `null` when nothing is, or a newer question with the same key took its place. */
export function requestGoOn(key: string, question: GoingQuestion): Promise<DayGoesOn | null> {
  return ask((worker) => worker.goOn(key, question));
}

/** A batch of a practice as it truly goes, and goes on if nobody lifts a hand. @param untilMs at least so far, ms since 1970 */
export const requestPractice = (so: PracticeSoFar, no: number, untilMs: number): Promise<readonly Moment[]> =>
  ask((worker) => worker.practise(so, no, untilMs));

/** What came of a practice; `null` when it was cancelled. @param tell is told how far it is, 0..1 */
export function requestPracticeScore(
  key: string,
  so: PracticeSoFar,
  untilMs: number,
  tell: (share: number) => void,
): Promise<readonly BatchScore[] | null> {
  return ask((worker, telling) => worker.practiceScore(key, so, untilMs, telling(tell)));
}

/** Stops the request of a key. */
export function cancelForecast(key: string): void {
  void ask((worker) => worker.cancel(key)).catch(() => undefined);
}
