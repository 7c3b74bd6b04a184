import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  makeOutcome,
  type Culture,
  type Factor,
  type Lot,
  type MakeSummary,
  type StoredEvent,
} from '@morning-crock/core/contract';
import { keptEvents, keptGolden, keptKitchenText } from '@morning-crock/core/kept-kitchen';
import { createTestKitchen, type TestKitchen } from './testing/index.ts';

/** A back-up of an earlier program opens in this one with all it held and meant. */

let kitchen: TestKitchen;
const byId = <T extends { readonly id: string }>(things: readonly T[]): T[] =>
  [...things].sort((a, b) => (a.id < b.id ? -1 : 1));
const ask = async <T>(url: string): Promise<T> => (await kitchen.app.inject({ url })).json<T>();

beforeAll(async () => {
  const last = keptEvents().at(-1)!;
  kitchen = await createTestKitchen({ startMs: Date.parse(last.receivedAt) });
});
afterAll(async () => kitchen.close());

test('it comes in whole, says what it said, and goes out as it came', async () => {
  const answer = await kitchen.app.inject({
    method: 'POST',
    url: '/api/restore',
    headers: { 'content-type': 'application/json' },
    payload: keptKitchenText(),
  });
  expect(answer.statusCode).toBe(200);
  expect(await kitchen.count('event')).toBe(keptEvents().length);

  const golden = keptGolden();
  const { makes } = await ask<{ makes: MakeSummary[] }>('/api/makes');
  // What they cost and who made them was not recorded then.
  const outcome = (m: MakeSummary) => makeOutcome.strip().parse(m);
  expect(byId(makes.filter((m) => !m.waking).map(outcome))).toEqual(
    // What it is a make of, and by which method, was not said when there was one product only, nor that it was not churned.
    byId(golden.makes.map((m) => ({ ...m.summary, product: 'yogurt', methodId: 'yogurt', churned: null }))),
  );
  expect(makes.filter((m) => m.waking)).toHaveLength(golden.wakings.length);
  expect((await ask<{ lots: Lot[] }>('/api/milk')).lots).toEqual(golden.milk);
  expect(byId((await ask<{ cultures: Culture[] }>('/api/cultures')).cultures)).toEqual(byId(golden.cultures));
  // What it teaches is held against its stove as it is reckoned today, for the batches to come.
  const taught = (await ask<{ factors: Factor[] }>('/api/factors')).factors;
  // How long hands take was not asked then: it comes beside the rest.
  const factors = taught.filter(({ kind }) => kind !== 'hands');
  expect(taught.length).toBeGreaterThan(factors.length);
  const told = (all: readonly Factor[]) =>
    all.map(({ kind, thing, name, makes: count, history }) => ({
      kind,
      thing,
      name,
      count,
      from: history.map(({ makeId }) => makeId),
    }));
  expect(told(factors)).toEqual(told(golden.factors));
  for (const [i, { kind, mean, sigma }] of factors.entries()) {
    if (kind === 'cooling' || kind === 'burner') continue;
    expect(mean).toBeCloseTo(golden.factors[i]!.mean, 5);
    expect(sigma).toBeCloseTo(golden.factors[i]!.sigma, 5);
  }
  for (const make of makes)
    expect(await ask(`/api/makes/${make.id}`)).toMatchObject({
      events: keptEvents().filter((e) => e.streamId === make.id),
    });
  // What is said of the kitchen itself is said of this one now.
  const own = keptEvents().find((e) => e.type === 'kitchen-changed')!.streamId;
  expect((await ask<{ events: StoredEvent[] }>('/api/backup')).events).toEqual(
    keptEvents().map((e) => (e.streamId === own ? { ...e, streamId: kitchen.kitchenId } : e)),
  );
});
