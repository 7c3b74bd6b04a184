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

/** What was found of a make before, as long as its log stands where it stood: small, and one of it a make. */
interface Known {
  readonly lastSeq: number;
  readonly lesson: Lesson | null;
  /** The pace of its culture, and what it was found with. */
  rate: { readonly with: string; readonly observations: readonly Observation[] } | null;
}
const known = new Map<string, Known>();

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
export async function readFactors(db: DataSource, kitchenId: string, work: Work): Promise<Factor[]> {
  const eventsOf = (makeId: string) => readEvents(db, { kitchenId, streamId: makeId });
  const keyOf = (makeId: string): string => `${kitchenId}/${makeId}`;
  const lessons: Lesson[] = [];
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId)) {
    let here = known.get(keyOf(makeId));
    if (here?.lastSeq !== lastSeq) {
      const events = await eventsOf(makeId);
      const lesson = events.some((e) => e.type === 'make-started')
        ? await orNothing(work.run('lesson', { makeId, events }))
        : null;
      here = { lastSeq, lesson, rate: null };
      known.set(keyOf(makeId), here);
    }
    if (here.lesson) lessons.push(here.lesson);
  }
  const { settings } = await readKitchen(db, kitchenId);
  const own = await readEvents(db, { kitchenId, streamId: kitchenId });
  const gone = voidedIds(own);
  const resets = own.flatMap((e) =>
    e.type === 'learning-reset' && !gone.has(e.id) ? [{ ...e.data, atMs: Date.parse(e.at) }] : [],
  );
  const rates: (readonly Observation[])[] = [];
  for (const question of rateQuestions(lessons, resets)) {
    const here = known.get(keyOf(question.makeId));
    const askedWith = JSON.stringify(question.known);
    if (here?.rate?.with !== askedWith) {
      const events = await eventsOf(question.makeId);
      const found = await orNothing(work.run('rate', { ...question, events }));
      if (here) here.rate = { with: askedWith, observations: found ?? [] };
      rates.push(found ?? []);
    } else rates.push(here.rate.observations);
  }
  const { cultures } = (await cultureRegister.read(db, kitchenId)).state;
  const lines = new Map(
    [...cultures.values()].map((c) => [c.lineId, cultures.get(c.lineId)?.name ?? c.name]),
  );
  return factorsFrom({ lessons, rates, kitchen: settings, resets, lines });
}

/** What was learned, with how it came about. */
export const learningRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/factors', { schema: { response: { 200: factorsResponse } } }, async (request) => ({
    factors: await readFactors(app.db, request.identity.kitchenId, app.work),
    now: new Date(app.now()).toISOString(),
  }));
  done();
};
