import { deserialize, serialize } from 'node:v8';
import { factorsFrom, rateQuestions, voidedIds, type Lesson, type Observation } from '@morning-crock/core';
import { factorsResponse, type Factor } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import type { DataSource } from 'typeorm';
import { AppError } from '../../plugins/errors.ts';
import type { Work } from '../../work/work.ts';
import { cultureRegister } from '../cultures/culture-service.ts';
import { readEvents } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { lastSeqOfMakes } from '../makes/make-service.ts';
import { hashOf, keepSnapshots, snapshotsOf, type Snapshot } from '../snapshots/snapshots.ts';

/** What was found of a make before, as long as its log stands where it stood: small, and one of it a make. */
interface Known {
  readonly lastSeq: number;
  readonly lesson: Lesson | null;
  /** The pace of its culture, and what it was found with. */
  rate: { readonly with: string; readonly observations: readonly Observation[] } | null;
}
const known = new Map<string, Known>();
/** Kitchens whose kept lessons were read. */
const readOnce = new WeakMap<DataSource, Set<string>>();
/** So many newly found are kept together. */
const KEPT_AT_ONCE = 100;

/** What makes taught, as it was found before the server was last stopped. */
async function readKept(db: DataSource, kitchenId: string): Promise<void> {
  const done = readOnce.get(db) ?? new Set<string>();
  readOnce.set(db, done);
  if (done.has(kitchenId)) return;
  const rates = await snapshotsOf(db, kitchenId, 'rate');
  for (const [makeId, { lastSeq, data }] of await snapshotsOf(db, kitchenId, 'lesson')) {
    const rate = rates.get(makeId);
    known.set(`${kitchenId}/${makeId}`, {
      lastSeq,
      lesson: deserialize(data) as Lesson | null,
      rate:
        rate?.lastSeq === lastSeq
          ? { with: rate.asked, observations: deserialize(rate.data) as Observation[] }
          : null,
    });
  }
  done.add(kitchenId);
}

/** Keeps what is found for the next start, some at a time. */
function keeping(db: DataSource, kitchenId: string, kind: 'lesson' | 'rate', keeps: boolean) {
  let fresh: Snapshot[] = [];
  const flush = async (): Promise<void> => {
    if (fresh.length > 0) await keepSnapshots(db, kitchenId, kind, fresh);
    fresh = [];
  };
  return {
    flush,
    async found(name: string, lastSeq: number, asked: string, what: unknown): Promise<void> {
      if (!keeps) return;
      fresh.push({ name, lastSeq, asked, build: '', data: serialize(what) });
      if (fresh.length >= KEPT_AT_ONCE) await flush();
    },
  };
}

/** A make that cannot be worked out teaches nothing and keeps no other from teaching. */
async function orNothing<T>(work: Promise<T>): Promise<T | null> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof AppError) throw error;
    return null;
  }
}

/** What a kitchen's finished makes have taught since each reset. */
export async function readFactors(
  db: DataSource,
  kitchenId: string,
  work: Work,
  keeps = false,
): Promise<Factor[]> {
  if (keeps) await readKept(db, kitchenId);
  const newLessons = keeping(db, kitchenId, 'lesson', keeps);
  const newRates = keeping(db, kitchenId, 'rate', keeps);
  const eventsOf = (makeId: string) => readEvents(db, { kitchenId, streamId: makeId });
  const keyOf = (makeId: string): string => `${kitchenId}/${makeId}`;
  const lessons: Lesson[] = [];
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId, keeps)) {
    let here = known.get(keyOf(makeId));
    if (here?.lastSeq !== lastSeq) {
      // What is not over has taught nothing yet: its log is not read for it, however long it is.
      const ended = await readEvents(db, { kitchenId, streamId: makeId, types: ['finished'], limit: 1 });
      const events = ended.length > 0 ? await eventsOf(makeId) : [];
      const lesson = events.some((e) => e.type === 'make-started')
        ? await orNothing(work.run('lesson', { makeId, events }))
        : null;
      here = { lastSeq, lesson, rate: null };
      known.set(keyOf(makeId), here);
      await newLessons.found(makeId, lastSeq, '', lesson);
    }
    if (here.lesson) lessons.push(here.lesson);
  }
  await newLessons.flush();
  const { settings } = await readKitchen(db, kitchenId);
  const own = await readEvents(db, { kitchenId, streamId: kitchenId });
  const gone = voidedIds(own);
  const resets = own.flatMap((e) =>
    e.type === 'learning-reset' && !gone.has(e.id) ? [{ ...e.data, atMs: Date.parse(e.at) }] : [],
  );
  const rates: (readonly Observation[])[] = [];
  for (const question of rateQuestions(lessons, resets)) {
    const here = known.get(keyOf(question.makeId));
    const askedWith = hashOf(JSON.stringify(question.known));
    if (here?.rate?.with !== askedWith) {
      const events = await eventsOf(question.makeId);
      const found = await orNothing(work.run('rate', { ...question, events }));
      if (here) {
        here.rate = { with: askedWith, observations: found ?? [] };
        await newRates.found(question.makeId, here.lastSeq, askedWith, found ?? []);
      }
      rates.push(found ?? []);
    } else rates.push(here.rate.observations);
  }
  await newRates.flush();
  const { cultures } = (await cultureRegister.read(db, kitchenId, keeps)).state;
  const lines = new Map(
    [...cultures.values()].map((c) => [c.lineId, cultures.get(c.lineId)?.name ?? c.name]),
  );
  return factorsFrom({ lessons, rates, kitchen: settings, resets, lines });
}

/** What was learned, with how it came about. */
export const learningRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/factors', { schema: { response: { 200: factorsResponse } } }, async (request) => ({
    factors: await readFactors(app.db, request.identity.kitchenId, app.work, app.build !== undefined),
    now: new Date(app.now()).toISOString(),
  }));
  done();
};
