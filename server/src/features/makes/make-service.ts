import { foldMake, goodsIntoMakes, type MakeState } from '@morning-crock/core';
import type { MakeSummary, StoredEvent } from '@morning-crock/core/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { breathe } from '../../breathe.ts';
import { eventEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import type { Work } from '../../work/work.ts';
import { readEvents } from '../events/event-log.ts';
import { larderRegister } from '../larder/larder-service.ts';
import { keepLines, linesKept, type FoldedLine } from './kept-lines.ts';
import { summarise, unreadableSummary } from './summarise.ts';

/** A make's events and what they say; `null` when there is no such make. */
export async function readMake(
  db: DataSource | EntityManager,
  kitchenId: string,
  makeId: string,
): Promise<{ events: StoredEvent[]; state: MakeState } | null> {
  const events = await readEvents(db, { kitchenId, streamId: makeId });
  const state = foldMake(makeId, events);
  return state ? { events, state } : null;
}

/** Whether there is a make with this identity. */
export async function isMake(
  db: DataSource | EntityManager,
  kitchenId: string,
  makeId: string,
): Promise<boolean> {
  const begun = await readEvents(db, { kitchenId, streamId: makeId, types: ['make-started'], limit: 1 });
  return begun.length > 0;
}

interface Heads {
  /** Where the log stood when this was last looked at. */
  seq: number;
  /** The latest entry of each make and waking. */
  readonly last: Map<string, number>;
}

/** Every kitchen's makes with where the log of each stands: only what is new is asked for. */
const heads = new WeakMap<DataSource, Map<string, Heads>>();

/** Where the log of each make stands. */
export async function lastSeqOfMakes(
  db: DataSource,
  kitchenId: string,
): Promise<{ makeId: string; lastSeq: number }[]> {
  const kitchens = heads.get(db) ?? new Map<string, Heads>();
  heads.set(db, kitchens);
  const known = kitchens.get(kitchenId) ?? { seq: 0, last: new Map<string, number>() };
  kitchens.set(kitchenId, known);
  const rows = await db
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .select('e.streamId', 'streamId')
    .addSelect('MAX(e.seq)', 'lastSeq')
    .addSelect("MAX(e.type IN ('make-started', 'waking-started'))", 'begins')
    .where('e.kitchenId = :kitchenId AND e.seq > :seq', { kitchenId, seq: known.seq })
    .groupBy('e.streamId')
    .getRawMany<{ streamId: string; lastSeq: number | string; begins: number | string }>();
  for (const { streamId, lastSeq, begins } of rows) {
    const seq = Number(lastSeq);
    known.seq = Math.max(known.seq, seq);
    if (Number(begins) === 1 || known.last.has(streamId))
      known.last.set(streamId, Math.max(seq, known.last.get(streamId) ?? 0));
  }
  return [...known.last].map(([makeId, lastSeq]) => ({ makeId, lastSeq }));
}

/** Summaries folded before, by make and last `seq`: a make is folded again only when something was added to it. */
const folded = new Map<string, FoldedLine>();
/** Kitchens whose kept lines were read. */
const readOnce = new WeakMap<DataSource, Set<string>>();
/** So many newly worked out are kept together, so that a start that is broken off loses little. */
const KEPT_AT_ONCE = 500;

/** A make with more entries than this is summed up in a thread. */
const LONG = 400;

async function readKept(db: DataSource, kitchenId: string, build: string): Promise<void> {
  const done = readOnce.get(db) ?? new Set<string>();
  readOnce.set(db, done);
  if (done.has(kitchenId)) return;
  for (const [makeId, line] of await linesKept(db, kitchenId, build))
    folded.set(`${kitchenId}/${makeId}`, line);
  done.add(kitchenId);
}

/**
 * All makes of a kitchen as lines of the Daybook, latest first.
 * @param build what this server is known by: lines of finished makes are kept for its next start; left out, they are not
 */
export async function listMakes(
  db: DataSource,
  kitchenId: string,
  work: Work,
  build?: string,
): Promise<MakeSummary[]> {
  const summaries: MakeSummary[] = [];
  if (build !== undefined) await readKept(db, kitchenId, build);
  let fresh: FoldedLine[] = [];
  const keepFresh = async (): Promise<void> => {
    if (build !== undefined && fresh.length > 0) await keepLines(db, kitchenId, build, fresh);
    fresh = [];
  };
  const larder = (await larderRegister.read(db, kitchenId)).state;
  const goods = goodsIntoMakes(larder.goods.values(), larder.lines);
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId)) {
    const key = `${kitchenId}/${makeId}`;
    const intoIt = goods.get(makeId) ?? [];
    const taken = intoIt.length === 0 ? '' : JSON.stringify(intoIt);
    const before = folded.get(key);
    if (before?.lastSeq === lastSeq && before.taken === taken) {
      summaries.push(before.summary);
      continue;
    }
    const events = await readEvents(db, { kitchenId, streamId: makeId });
    const summary =
      events.length > LONG
        ? await work.run('summary', { makeId, events, taken: intoIt }).catch((error: unknown) => {
            if (error instanceof AppError) throw error;
            // A thread that ended over one make takes no list with it.
            return unreadableSummary(makeId, events);
          })
        : summarise(makeId, events, intoIt);
    await breathe();
    if (!summary) continue;
    folded.set(key, { lastSeq, taken, summary });
    summaries.push(summary);
    // What is under way changes with every entry; what the larder gave into it may change without one.
    if (summary.status !== 'under-way' && taken === '') fresh.push({ lastSeq, taken, summary });
    if (fresh.length >= KEPT_AT_ONCE) await keepFresh();
  }
  await keepFresh();
  return summaries.sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
}
