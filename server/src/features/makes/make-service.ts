import { foldMake, goodsIntoMakes, type MakeState, type TakenGoods } from '@morning-crock/core';
import type { MakeSummary, StoredEvent } from '@morning-crock/core/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { breathe } from '../../breathe.ts';
import { eventEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import type { Work } from '../../work/work.ts';
import { readEvents } from '../events/event-log.ts';
import { larderRegister } from '../larder/larder-service.ts';
import { hashOf, keepSnapshots, snapshotsOf, type Snapshot } from '../snapshots/snapshots.ts';
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
  /** Up to where it was kept for the next start. */
  keptSeq: number;
}

/** Every kitchen's makes with where the log of each stands: only what is new is asked for. */
const heads = new WeakMap<DataSource, Map<string, Heads>>();

/** So many entries later they are kept anew. */
const HEADS_KEPT_EVERY = 500;

async function headsKept(db: DataSource, kitchenId: string): Promise<Heads> {
  const kept = (await snapshotsOf(db, kitchenId, 'heads')).get('');
  return kept
    ? {
        seq: kept.lastSeq,
        last: new Map(JSON.parse(kept.data.toString('utf8')) as [string, number][]),
        keptSeq: kept.lastSeq,
      }
    : { seq: 0, last: new Map(), keptSeq: 0 };
}

/**
 * Where the log of each make stands.
 * @param keeps whether it is kept for the next start
 */
export async function lastSeqOfMakes(
  db: DataSource,
  kitchenId: string,
  keeps = false,
): Promise<{ makeId: string; lastSeq: number }[]> {
  const kitchens = heads.get(db) ?? new Map<string, Heads>();
  heads.set(db, kitchens);
  const known =
    kitchens.get(kitchenId) ??
    (keeps ? await headsKept(db, kitchenId) : { seq: 0, last: new Map<string, number>(), keptSeq: 0 });
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
  if (keeps && known.seq - known.keptSeq >= HEADS_KEPT_EVERY) {
    known.keptSeq = known.seq;
    const data = Buffer.from(JSON.stringify([...known.last]));
    await keepSnapshots(db, kitchenId, 'heads', [
      { name: '', lastSeq: known.seq, asked: '', build: NO_BUILD, data },
    ]);
  }
  return [...known.last].map(([makeId, lastSeq]) => ({ makeId, lastSeq }));
}

/** A make's line, and where its log stood when it was worked out. */
interface FoldedLine {
  readonly lastSeq: number;
  /** What of the larder went into it then, as a hash; empty for nothing. */
  readonly taken: string;
  /** The build that worked it out: another one's is shown, and worked out anew when nobody waits. */
  readonly build: string;
  readonly summary: MakeSummary;
}

/** Lines worked out before, by make and last `seq`: a make is folded again only when something was added to it. */
const folded = new Map<string, FoldedLine>();
/** Kitchens whose kept lines were read. */
const readOnce = new WeakMap<DataSource, Set<string>>();
/** So many newly worked out are kept together, so that a start that is broken off loses little. */
const KEPT_AT_ONCE = 500;
/** Tests and scripts keep nothing, and are of no build. */
const NO_BUILD = '';

/** A make with more entries than this is summed up in a thread. */
const LONG = 400;

const asSnapshot = ({ lastSeq, taken, build, summary }: FoldedLine): Snapshot => ({
  name: summary.id,
  lastSeq,
  asked: taken,
  build,
  data: Buffer.from(JSON.stringify(summary)),
});

async function readKept(db: DataSource, kitchenId: string): Promise<void> {
  const done = readOnce.get(db) ?? new Set<string>();
  readOnce.set(db, done);
  if (done.has(kitchenId)) return;
  for (const [makeId, { lastSeq, asked, build, data }] of await snapshotsOf(db, kitchenId, 'line'))
    folded.set(`${kitchenId}/${makeId}`, {
      lastSeq,
      taken: asked,
      build,
      // Written by the same fold, after it was held against its schema.
      summary: JSON.parse(data.toString('utf8')) as MakeSummary,
    });
  done.add(kitchenId);
}

/** One make as its line. */
async function lineOf(
  db: DataSource,
  kitchenId: string,
  makeId: string,
  taken: readonly TakenGoods[],
  work: Work,
): Promise<MakeSummary | null> {
  const begun = await readEvents(db, { kitchenId, streamId: makeId, limit: LONG + 1 });
  if (begun.length <= LONG) return summarise(makeId, begun, taken);
  // The thread gets ready while the rest is read.
  work.wake();
  const rest = await readEvents(db, { kitchenId, streamId: makeId, afterSeq: begun.at(-1)!.seq });
  const events = [...begun, ...rest];
  return work.run('summary', { makeId, events, taken }).catch((error: unknown) => {
    if (error instanceof AppError) throw error;
    // A thread that ended over one make takes no list with it.
    return unreadableSummary(makeId, events);
  });
}

/** Kitchens whose lines are being worked out anew, behind what is shown. */
const renewing = new Set<string>();

/** Works lines of another build out anew, one after another, while nobody waits for them. */
async function renew(
  db: DataSource,
  kitchenId: string,
  work: Work,
  build: string,
  old: readonly { readonly makeId: string; readonly taken: readonly TakenGoods[] }[],
): Promise<void> {
  if (renewing.has(kitchenId)) return;
  renewing.add(kitchenId);
  try {
    for (const { makeId, taken } of old) {
      const key = `${kitchenId}/${makeId}`;
      const before = folded.get(key);
      if (!before || before.build === build) continue;
      const summary = await lineOf(db, kitchenId, makeId, taken, work);
      await breathe();
      // It was worked out for somebody meanwhile.
      if (!summary || folded.get(key) !== before) continue;
      const line = { ...before, build, summary };
      folded.set(key, line);
      await keepSnapshots(db, kitchenId, 'line', [asSnapshot(line)]);
    }
  } catch {
    // The server is being stopped, or too busy: what is left is renewed at the next start.
  } finally {
    renewing.delete(kitchenId);
  }
}

/**
 * All makes of a kitchen as lines of the Daybook, latest first.
 * @param build what this server is known by: lines are kept for its next start; left out, they are not
 */
export async function listMakes(
  db: DataSource,
  kitchenId: string,
  work: Work,
  build?: string,
): Promise<MakeSummary[]> {
  const summaries: MakeSummary[] = [];
  const keeps = build !== undefined;
  if (keeps) await readKept(db, kitchenId);
  let fresh: FoldedLine[] = [];
  const keepFresh = async (): Promise<void> => {
    if (keeps) await keepSnapshots(db, kitchenId, 'line', fresh.map(asSnapshot));
    fresh = [];
  };
  const larder = (await larderRegister.read(db, kitchenId, keeps)).state;
  const goods = goodsIntoMakes(larder.goods.values(), larder.lines);
  const old: { makeId: string; taken: readonly TakenGoods[] }[] = [];
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId, keeps)) {
    const key = `${kitchenId}/${makeId}`;
    const intoIt = goods.get(makeId) ?? [];
    const taken = intoIt.length === 0 ? '' : hashOf(JSON.stringify(intoIt));
    const before = folded.get(key);
    if (before?.lastSeq === lastSeq && before.taken === taken) {
      summaries.push(before.summary);
      if (keeps && before.build !== build) old.push({ makeId, taken: intoIt });
      continue;
    }
    const summary = await lineOf(db, kitchenId, makeId, intoIt, work);
    await breathe();
    if (!summary) continue;
    const line = { lastSeq, taken, build: build ?? NO_BUILD, summary };
    folded.set(key, line);
    summaries.push(summary);
    fresh.push(line);
    if (fresh.length >= KEPT_AT_ONCE) await keepFresh();
  }
  await keepFresh();
  if (keeps && old.length > 0) void renew(db, kitchenId, work, build, old);
  return summaries.sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
}
