import { learnFactors, lessonOf, voidedIds, type Lesson, type RateMemory } from '@morning-crock/core';
import { factorsResponse, type Factor } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import type { DataSource } from 'typeorm';
import { cultureRegister } from '../cultures/culture-service.ts';
import { readEvents } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { lastSeqOfMakes, readMake } from '../makes/make-service.ts';

/** Lessons read before, by make and where its log stood; rates by what they were found with. */
const lessons = new Map<string, { lastSeq: number; lesson: Lesson }>();
const rates: RateMemory = new Map();

/** What a kitchen's finished makes have taught since each reset. */
export async function readFactors(db: DataSource, kitchenId: string): Promise<Factor[]> {
  const known: Lesson[] = [];
  for (const { makeId, lastSeq } of await lastSeqOfMakes(db, kitchenId)) {
    const key = `${kitchenId}/${makeId}`;
    const before = lessons.get(key);
    if (before?.lastSeq === lastSeq) {
      known.push(before.lesson);
      continue;
    }
    const make = await readMake(db, kitchenId, makeId);
    if (!make) continue;
    const lesson = lessonOf(make.state);
    lessons.set(key, { lastSeq, lesson });
    known.push(lesson);
  }
  const { settings } = await readKitchen(db, kitchenId);
  const own = await readEvents(db, { kitchenId, streamId: kitchenId });
  const gone = voidedIds(own);
  const resets = own.flatMap((e) =>
    e.type === 'learning-reset' && !gone.has(e.id) ? [{ ...e.data, atMs: Date.parse(e.at) }] : [],
  );
  const { cultures } = (await cultureRegister.read(db, kitchenId)).state;
  const lines = new Map(
    [...cultures.values()].map((c) => [c.lineId, cultures.get(c.lineId)?.name ?? c.name]),
  );
  return learnFactors(known, settings, resets, rates, lines);
}

/** What was learned, with how it came about. */
export const learningRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/factors', { schema: { response: { 200: factorsResponse } } }, async (request) => ({
    factors: await readFactors(app.db, request.identity.kitchenId),
    now: new Date(app.now()).toISOString(),
  }));
  done();
};
