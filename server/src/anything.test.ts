import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createRandom, HOUR_MS } from '@morning-crock/core';
import { EVENT_DATA, type DraftEvent, type EventType } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import * as z from 'zod';
import { anyValue, type Shape } from './testing/any-value.ts';
import {
  createTestKitchen,
  cultureDraft,
  draft,
  intakeDraft,
  READ_ROUTES,
  startDraft,
  type TestKitchen,
} from './testing/index.ts';

/** Whatever the schemas allow may come in; what came in must be readable by every route ever after. */

const START = Date.parse('2026-03-02T06:00:00.000Z');
const ROUNDS = 500;
const TYPES = Object.keys(EVENT_DATA) as EventType[];
const SHAPES = new Map(
  TYPES.map((type) => [
    type,
    z.toJSONSchema(EVENT_DATA[type], { io: 'input', unrepresentable: 'any' }) as Shape,
  ]),
);
const INSTANTS = [-3000, -48, -5, -1, 0].map((h) => new Date(START + h * HOUR_MS).toISOString());

let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const read = async (url: string): Promise<void> => {
  const answer = await kitchen.app.inject({ url });
  expect([url, answer.statusCode, answer.statusCode === 200 ? '' : answer.body]).toEqual([url, 200, '']);
};

test('any entries the schemas allow: taken or refused in words, and everything can be read afterwards', async () => {
  const random = createRandom(Number(process.env['PROPERTY_SEED'] ?? 20260302));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
  const makes = [ulid(), ulid(), ulid()];
  const lots = [ulid(), ulid()];
  const cultures = [ulid(), ulid()];
  const entries: string[] = [];
  const send = async (event: DraftEvent): Promise<number> => {
    const answer = await kitchen.app.inject({
      method: 'POST',
      url: '/api/events',
      payload: { events: [event] },
    });
    // Never a fault of ours: it is stored, or said what is wrong with it.
    if (answer.statusCode >= 500) throw new Error(`${answer.body} to ${JSON.stringify(event)}`);
    if (answer.statusCode === 200) entries.push(event.id);
    return answer.statusCode;
  };
  for (const id of makes) await send(startDraft(id, START - 50 * HOUR_MS));
  for (const id of lots) await send(intakeDraft(id, 20, START - 60 * HOUR_MS));
  for (const id of cultures) await send(cultureDraft(id, START - 60 * HOUR_MS));
  const ids = () => [...makes, ...lots, ...cultures, ...entries, kitchen.kitchenId, ulid()];
  const taken = new Map<EventType, number>();
  const streamOf = (type: EventType): string =>
    pick(
      type === 'milk-moved'
        ? [...lots, ulid()]
        : type === 'culture-changed'
          ? [...cultures, ulid()]
          : type === 'kitchen-changed' || type === 'learning-reset'
            ? [kitchen.kitchenId]
            : type === 'make-started' || type === 'waking-started'
              ? [ulid()]
              : makes,
    );
  for (let round = 0; round < ROUNDS; round++) {
    const type = TYPES[round % TYPES.length]!;
    const data = anyValue(SHAPES.get(type)!, random, { ids, instants: INSTANTS });
    const event = {
      ...draft(streamOf(type), Date.parse(pick(INSTANTS)), 'noted', { text: '' }),
      type,
      data,
    } as DraftEvent;
    if ((await send(event)) === 200) {
      taken.set(type, (taken.get(type) ?? 0) + 1);
      if (type === 'make-started' || type === 'waking-started') makes.push(event.streamId);
      if (type === 'milk-moved') lots.push(event.streamId);
      if (type === 'culture-changed') cultures.push(event.streamId);
    }
  }
  // Most kinds of entries must have come in, or this shows nothing.
  expect([...taken.keys()].length).toBeGreaterThan(TYPES.length / 2);
  for (const url of READ_ROUTES) await read(url);
  for (const id of makes) {
    await read(`/api/makes/${id}`);
    await read(`/api/makes/${id}/readings.csv`);
  }
});
