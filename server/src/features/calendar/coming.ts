import { comingSlots, goingOf, hashSeed, LOOK_MIN, MINUTE_MS } from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import type { MakeMoments } from '../../work/tasks.ts';
import type { Work } from '../../work/work.ts';
import { readDays } from '../days/kept-days.ts';
import { readEvents } from '../events/event-log.ts';
import { listMakes } from '../makes/make-service.ts';

/** Something that needs hands, as a calendar shows it. */
export interface Coming {
  /** The same for the same thing at each asking: a calendar moves it instead of showing it twice. */
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly atMs: number;
  readonly minutes: number;
}

/** A forecast moves with the clock; within this time it is good enough for a calendar. */
const GOOD_FOR_MS = 10 * MINUTE_MS;

interface Known {
  readonly lastSeq: number;
  readonly atMs: number;
  readonly made: MakeMoments | null;
}

/** Works out what is coming, and remembers what it worked out for each batch until that has moved on. */
export function createComing(options: {
  readonly db: DataSource;
  readonly work: Work;
  readonly build: string | undefined;
}): (kitchenId: string, nowMs: number) => Promise<Coming[]> {
  const { db, work, build } = options;
  const known = new Map<string, Known>();
  const momentsOfMake = async (
    kitchenId: string,
    makeId: string,
    nowMs: number,
  ): Promise<MakeMoments | null> => {
    const events = await readEvents(db, { kitchenId, streamId: makeId });
    const lastSeq = events.at(-1)?.seq ?? 0;
    const before = known.get(makeId);
    if (before?.lastSeq === lastSeq && Math.abs(nowMs - before.atMs) < GOOD_FOR_MS) return before.made;
    const made = await work.run('moments', { makeId, events, nowMs, seed: hashSeed(makeId) });
    known.set(makeId, { lastSeq, atMs: nowMs, made });
    return made;
  };
  return async (kitchenId, nowMs) => {
    const makes = await listMakes(db, kitchenId, work, build);
    const underWay = new Set(makes.filter(({ status }) => status === 'under-way').map(({ id }) => id));
    for (const id of known.keys()) if (!underWay.has(id)) known.delete(id);
    const coming: Coming[] = [];
    for (const makeId of underWay) {
      const made = await momentsOfMake(kitchenId, makeId, nowMs);
      for (const { step, title, text, atMs } of made?.moments ?? [])
        // What is late needs hands now.
        coming.push({
          id: `${makeId}-${step}`,
          title: `${title}, ${made!.name}`,
          text,
          atMs: Math.max(atMs, nowMs),
          minutes: LOOK_MIN,
        });
    }
    const going = goingOf(await readDays(db, kitchenId), underWay, nowMs);
    if (going)
      for (const { makeId, name, task, title, atMs, minutes } of comingSlots(going, nowMs))
        // A batch under way says it by its own forecast.
        if (makeId === null || !makes.some(({ id }) => id === makeId))
          coming.push({
            id: `${going.id}-${name}-${task}`,
            title: `${title}, ${name}`,
            text: '',
            atMs,
            minutes,
          });
    return coming.sort((a, b) => a.atMs - b.atMs);
  };
}
