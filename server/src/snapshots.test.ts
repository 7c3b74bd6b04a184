import { createHash } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  applyToCultures,
  applyToLarder,
  applyToRoom,
  beginsMake,
  createRandom,
  CULTURE_EVENTS,
  daybookLine,
  FOLD_MARK,
  foldMake,
  HOUR_MS,
  LARDER_EVENTS,
  lessonOf,
  MILK_EVENTS,
  openCultures,
  openLarder,
  openRoom,
} from '@morning-crock/core';
import type { DraftEvent, EventType, StoredEvent } from '@morning-crock/core/contract';
import { keptEvents } from '@morning-crock/core/kept-kitchen';
import { ulid } from 'ulid';
import { createRegister } from './features/events/register.ts';
import { MILK_FOLD } from './features/milk/milk-service.ts';
import { readFactors } from './features/learning/routes.ts';
import { createTestKitchen, draft, intakeDraft, type TestKitchen } from './testing/index.ts';
import { workHere } from './work/work.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

/** As text that says the same of the same: maps and sets as lists, numbers to what a model is sure of. */
const told = (value: unknown): string =>
  JSON.stringify(value, (_key, inside: unknown) =>
    /Map|Set/.test(Object.prototype.toString.call(inside))
      ? [...(inside as Iterable<unknown>)]
      : typeof inside === 'number'
        ? Number(inside.toPrecision(9))
        : inside,
  );

test('the fold version is that of what the kept kitchen folds to', () => {
  const events = keptEvents();
  const register = <S>(
    types: readonly EventType[],
    open: S,
    apply: (state: S, event: StoredEvent) => void,
  ): S => {
    for (const event of events) if (types.includes(event.type)) apply(open, event);
    return open;
  };
  const begun = events.filter(({ type }) => beginsMake(type)).map(({ streamId }) => streamId);
  const makes = begun.flatMap(
    (id) =>
      foldMake(
        id,
        events.filter((e) => e.streamId === id),
      ) ?? [],
  );
  const mark = createHash('sha256')
    .update(told(register(MILK_EVENTS, openRoom(), applyToRoom)))
    .update(told(register(CULTURE_EVENTS, openCultures(), applyToCultures)))
    .update(told(register(LARDER_EVENTS, openLarder(), applyToLarder)))
    .update(told(makes.map((state) => [daybookLine(state, []), lessonOf(state)])))
    .digest('hex');
  // Another mark: what older programs kept is not what this one would work out. Raise FOLD_VERSION, and store the new mark.
  expect(mark).toBe(FOLD_MARK);
});

test('whatever is stored, corrected, undone or comes late, what was kept and gone on from is what is folded from nothing', async () => {
  const random = createRandom(7);
  const lots: string[] = [];
  const sent: string[] = [];
  const send = async (event: DraftEvent): Promise<boolean> => {
    const answer = await kitchen.app.inject({
      method: 'POST',
      url: '/api/events',
      payload: { events: [event] },
    });
    if (answer.statusCode === 200) sent.push(event.id);
    return answer.statusCode === 200;
  };
  const anyOf = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
  let started = createRegister(MILK_FOLD, { keptFrom: 1, keptEvery: 1 });
  const kinds = { kept: 0, late: 0, changes: 0 };
  for (let n = 0; n < 60; n++) {
    kitchen.clock.nowMs = START + n * HOUR_MS;
    const chance = random.uniform();
    const now = kitchen.clock.nowMs;
    if (lots.length === 0 || chance < 0.35) {
      const lot = ulid();
      const late = random.uniform() < 0.3;
      if (
        await send(intakeDraft(lot, 2 + Math.round(6 * random.uniform()), late ? START - n * HOUR_MS : now))
      ) {
        lots.push(lot);
        if (late) kinds.late++;
      }
    } else if (chance < 0.7) {
      await send(
        draft(anyOf(lots), now, 'milk-moved', {
          kind: 'give',
          to: 'used',
          massKg: 0.5,
          typed: { value: 0.5, unit: 'kg' },
          note: '',
        }),
      );
    } else {
      const target = anyOf(sent);
      const { streamId } = (await kitchen.rows<{ streamId: string }>('event', `id = '${target}'`))[0]!;
      if (await send(draft(streamId, now, 'voided', { target }))) kinds.changes++;
    }
    // Stopped now and then, also right after an entry: what is kept by then is all there is.
    if (random.uniform() < 0.4) started = createRegister(MILK_FOLD, { keptFrom: 1, keptEvery: 1 });
    const goneOn = await started.read(kitchen.db, kitchen.kitchenId, true);
    const fromNothing = await createRegister(MILK_FOLD).read(kitchen.db, kitchen.kitchenId);
    expect(told(goneOn.state)).toBe(told(fromNothing.state));
    expect(goneOn.lastSeq).toBe(fromNothing.lastSeq);
    if ((await kitchen.count('snapshot')) > 0) kinds.kept++;
  }
  expect(Math.min(kinds.kept, kinds.late, kinds.changes)).toBeGreaterThan(3);
});

test('what was learned is the same from what was kept, and nothing is found twice', async () => {
  let found = 0;
  const counting: typeof workHere = {
    ...workHere,
    run: (task, input) => {
      found++;
      return workHere.run(task, input);
    },
  };
  const first = await readFactors(kitchen.db, kitchen.kitchenId, counting, true);
  const once = found;
  expect(await readFactors(kitchen.db, kitchen.kitchenId, counting, true)).toEqual(first);
  expect(found).toBe(once);
});
