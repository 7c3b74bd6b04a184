import {
  beginsMake,
  begunTooEarly,
  datedTooEarly,
  EVENT_FACTS,
  faultOfFold,
  foldDays,
  foldMake,
  isChange,
  STEP_TYPES,
  today,
  MINUTE_MS,
} from '@morning-crock/core';
import {
  dataBroughtUp,
  EVENT_DATA,
  detailsOf,
  type DraftEvent,
  type StoredEvent,
} from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { AppError } from '../../plugins/errors.ts';
import { bodyHash, storedFrom, withLog, type LogWriter } from './event-log.ts';
import { createRegisterChecks } from './register-checks.ts';
import { createStreams, type StreamFacts } from './stream-facts.ts';

/** A device's clock may run this far ahead before its entries are refused. */
const AHEAD_MS = 2 * MINUTE_MS;
/** Everything but readings and notes that a make may hold: each of them is held against all the others. */
const MOST_SHAPING = 5000;
const refuse = (code: ConstructorParameters<typeof AppError>[0], path: string, message: string): never => {
  throw new AppError(code, [{ path, message }]);
};

/** Refuses what is dated long before its make: by a clock that was never set. */
function checkTime(stream: StreamFacts, draft: DraftEvent, nowMs: number): void {
  const tooEarly = (path: string, message: string): never =>
    refuse('clock-behind', path, `${message}. The clock of this device is probably not set`);
  if (beginsMake(draft.type)) {
    if (begunTooEarly(Date.parse(draft.at), nowMs)) tooEarly('at', 'is more than a year ago');
    return;
  }
  const { make, startedAtMs } = stream.begun();
  if (!make) return;
  const corrected = draft.type === 'corrected' ? draft.data.at : null;
  for (const [path, at] of [['at', draft.at] as const, ['data.at', corrected] as const])
    if (at !== null && datedTooEarly(make.plan, startedAtMs, Date.parse(at)))
      tooEarly(path, 'is long before this batch began');
}

/** Checks that need the rest of the make. */
async function checkAgainstStream(stream: StreamFacts, kitchenId: string, draft: DraftEvent): Promise<void> {
  const facts = EVENT_FACTS[draft.type];
  if (facts.of.every((kind) => kind === 'kitchen')) {
    if (draft.streamId !== kitchenId) refuse('bad-input', 'streamId', 'must be the kitchen’s own stream');
    return;
  }
  const { make, registered } = stream.begun();
  if (facts.begins && !beginsMake(draft.type)) {
    if (make) refuse('bad-input', 'streamId', 'belongs to a batch');
    if (
      draft.type === 'method-changed' &&
      draft.data.kind === 'saved' &&
      draft.data.method.id !== draft.streamId
    )
      refuse('bad-input', 'data.method.id', 'must be the ID of its stream');
    if (draft.type === 'day-changed' && draft.data.kind === 'laid') {
      const before = foldDays(await stream.only(['day-changed']))[0];
      if (before && draft.data.day.version <= before.day.version)
        refuse(
          'laid-meanwhile',
          'data.day.version',
          `is not newer than ${before.day.version}, the saved version`,
        );
    }
    return;
  }
  if (facts.begins) {
    if (make) refuse('already-started', 'streamId', 'this batch has already been started');
    if (registered) refuse('bad-input', 'streamId', 'is not a batch');
    return;
  }
  if (!make && !(registered && isChange(draft))) refuse('no-such-make', 'streamId', 'no batch has this ID');
  const said = today(draft);
  if ('step' in said.data && said.type !== 'photographed') {
    const { step } = said.data;
    if (!make?.plan.method.steps.some(({ id }) => id === step))
      refuse('bad-input', 'data.step', 'is not a step of this batch');
  }
  for (const { kind } of make?.plan.method.steps ?? []) {
    const { refuses } = STEP_TYPES[kind];
    if (refuses?.entry !== said.type) continue;
    const state = foldMake(draft.streamId, await stream.only(refuses.knows));
    const fault = state && refuses.why(state, said);
    if (fault) refuse('bad-input', fault.path, fault.message);
  }
  if (isChange(draft)) {
    const aim = await stream.entry(draft.data.target);
    if (!aim) return refuse('bad-target', 'data.target', 'is not an entry of this batch');
    if (draft.type === 'voided' && beginsMake(aim.type)) {
      refuse('bad-target', 'data.target', 'is the start of the batch. Discard the batch instead');
    }
    if (draft.type === 'corrected') {
      const { type } = today(aim);
      const fit = EVENT_DATA[type].safeParse(dataBroughtUp(type, draft.data.data));
      if (!fit.success)
        throw new AppError(
          'bad-input',
          detailsOf(fit.error).map((d) => ({ ...d, path: `data.data.${d.path}` })),
        );
    }
    return;
  }
  const finishedAt = stream.finishedAt();
  if (finishedAt !== null && !facts.afterwards && Date.parse(draft.at) > Date.parse(finishedAt)) {
    refuse('make-finished', 'at', 'is after the batch was finished');
  }
}

/** Refuses what would leave a make that nothing can be worked out from. */
async function checkReadable(stream: StreamFacts, draft: DraftEvent): Promise<void> {
  const about = isChange(draft) ? await stream.root(draft.data.target) : draft;
  if (!about || !EVENT_FACTS[about.type].shapes) return;
  const shaping = await stream.shaping();
  if (shaping.length > MOST_SHAPING)
    refuse(
      'too-large',
      'streamId',
      `already has ${MOST_SHAPING} entries, the most a batch can hold. Start a new batch`,
    );
  const fault = faultOfFold(draft.streamId, [...shaping, draft]);
  if (fault === null) return;
  const path =
    draft.type === 'corrected' ? 'data.data' : draft.type === 'make-started' ? 'data.plan' : 'data';
  refuse('bad-input', path, fault);
}

/** Refuses entries dated, or corrected to be dated, ahead of the kitchen's clock. */
export function checkClock(drafts: readonly DraftEvent[], nowMs: number): void {
  const ahead = (at: string | null): boolean => at !== null && Date.parse(at) > nowMs + AHEAD_MS;
  for (const [index, draft] of drafts.entries()) {
    const path = ahead(draft.at)
      ? 'at'
      : draft.type === 'corrected' && ahead(draft.data.at)
        ? 'data.at'
        : null;
    if (path !== null)
      refuse(
        'ahead-of-clock',
        `events.${index}.${path}`,
        'is more than two minutes ahead of the kitchen’s clock',
      );
  }
}

/**
 * Appends events in one transaction: all are stored or none is. The same event again is a success; the same
 * identity with other content is refused.
 * @throws AppError with the code of what is wrong
 */
export async function appendEvents(
  db: DataSource,
  kitchenId: string,
  drafts: readonly DraftEvent[],
  nowMs: number,
): Promise<{ events: StoredEvent[]; added: number }> {
  checkClock(drafts, nowMs);
  return withLog(db, kitchenId, (log) => appendWithin(log, kitchenId, drafts, nowMs));
}

/**
 * The same inside of a writer that has more to store in the same transaction.
 * @param history it happened in another kitchen: what is in this one's milk room says nothing about it
 */
export async function appendWithin(
  log: LogWriter,
  kitchenId: string,
  drafts: readonly DraftEvent[],
  nowMs: number,
  { history = false } = {},
): Promise<{ events: StoredEvent[]; added: number }> {
  const registers = createRegisterChecks(log, kitchenId);
  const known = new Map(
    [...(await log.find(drafts.map((d) => d.id)))].map(([id, row]) => [
      id,
      { hash: row.bodyHash, event: () => storedFrom(row) },
    ]),
  );
  const events: StoredEvent[] = [];
  const streams = createStreams(log, kitchenId);
  let added = 0;
  for (const [index, draft] of drafts.entries()) {
    const before = known.get(draft.id);
    if (before) {
      if (before.hash !== bodyHash(draft)) {
        refuse('same-id-other-body', `events.${index}.id`, 'was already saved with different content');
      }
      events.push(before.event());
      continue;
    }
    const stream = await streams.of(draft.streamId);
    await checkAgainstStream(stream, kitchenId, draft);
    // What is in a log already is taken over as it is, whatever clock it was dated by.
    if (!history) checkTime(stream, draft, nowMs);
    await checkReadable(stream, draft);
    if (!history) await registers.check(draft, stream);
    const event = await log.append(draft, new Date(nowMs));
    stream.appended(event);
    registers.appended(event);
    known.set(event.id, { hash: bodyHash(draft), event: () => event });
    events.push(event);
    added++;
  }
  return { events, added };
}
