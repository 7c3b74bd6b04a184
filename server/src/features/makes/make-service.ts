import { foldMake, foldWaking, summaryOf, wakingSummary, type MakeState } from '@morning-crock/core';
import type { MakeSummary, StoredEvent } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { eventEntity } from '../../db/entities.ts';
import { readEvents } from '../events/event-log.ts';

/** A make's events and what they say; `null` when there is no such make. */
export async function readMake(
  db: DataSource,
  kitchenId: string,
  makeId: string,
): Promise<{ events: StoredEvent[]; state: MakeState } | null> {
  const events = await readEvents(db, { kitchenId, streamId: makeId });
  const state = foldMake(makeId, events);
  return state ? { events, state } : null;
}

/** Summaries folded before, by make and last `seq`: a finished make is folded once. */
const folded = new Map<string, { lastSeq: number; summary: MakeSummary }>();

/** Where the log of each make stands. */
export async function lastSeqOfMakes(
  db: DataSource,
  kitchenId: string,
): Promise<{ makeId: string; lastSeq: number }[]> {
  const streams = await db
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .select('e.streamId', 'makeId')
    .addSelect('MAX(e.seq)', 'lastSeq')
    .innerJoin(
      'event',
      's',
      "s.kitchenId = e.kitchenId AND s.streamId = e.streamId AND s.type IN ('make-started', 'waking-started')",
    )
    .where('e.kitchenId = :kitchenId', { kitchenId })
    .groupBy('e.streamId')
    .getRawMany<{ makeId: string; lastSeq: number | string }>();
  return streams.map(({ makeId, lastSeq }) => ({ makeId, lastSeq: Number(lastSeq) }));
}

/** All makes of a kitchen as lines of the Daybook, latest first. */
export async function listMakes(db: DataSource, kitchenId: string): Promise<MakeSummary[]> {
  const summaries: MakeSummary[] = [];
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId)) {
    const key = `${kitchenId}/${makeId}`;
    const before = folded.get(key);
    if (before?.lastSeq === lastSeq) {
      summaries.push(before.summary);
      continue;
    }
    const events = await readEvents(db, { kitchenId, streamId: makeId });
    const state = foldMake(makeId, events);
    const waking = state ? null : foldWaking(makeId, events);
    if (!state && !waking) continue;
    const summary = state ? summaryOf(state) : wakingSummary(waking!);
    folded.set(key, { lastSeq, summary });
    summaries.push(summary);
  }
  return summaries.sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
}
