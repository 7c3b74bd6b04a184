import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { putUpLike } from '@morning-crock/core/fixtures';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { listMakes } from './features/makes/make-service.ts';
import { createDataSource, type DatabaseAddress } from './index.ts';
import { createTestKitchen, draft, type TestKitchen } from './testing/index.ts';
import { workHere } from './work/work.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const BUILD = 'a'.repeat(64);
let kitchen: TestKitchen;
const others: DataSource[] = [];
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(async () => {
  for (const db of others) await db.destroy();
  await kitchen.close();
});

const send = (...events: unknown[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
async function make(name: string, finished: boolean): Promise<string> {
  const id = ulid();
  const begun = draft(id, START, 'make-started', { plan: { ...plan, name } });
  const over = finished
    ? [draft(id, START + HOUR_MS, 'finished', { verdict: 'discarded', reason: 'boiled over' })]
    : [];
  kitchen.clock.nowMs = START + 2 * HOUR_MS;
  expect((await send(begun, ...over)).statusCode).toBe(200);
  return id;
}
/** As a server that was just started sees it. */
async function afterStart(build: string): Promise<MakeSummary[]> {
  const db = createDataSource(JSON.parse(process.env['TEST_DATABASE']!) as DatabaseAddress);
  await db.initialize();
  others.push(db);
  return listMakes(db, kitchen.kitchenId, workHere, build);
}

test('lines are kept for the next start, of what is under way too; another build shows them at once and works them out anew behind', async () => {
  const id = await make('Over', true);
  const going = await make('Going on', false);
  const [over] = (await listMakes(kitchen.db, kitchen.kitchenId, workHere, BUILD)).filter((m) => m.id === id);
  expect(over).toMatchObject({
    name: 'Over',
    reason: 'boiled over',
    kind: plan.milk.kind,
    pot: plan.pot.name,
  });
  const kept = await kitchen.db.query<{ name: string }[]>("SELECT name FROM snapshot WHERE kind = 'line'");
  expect(new Set(kept.map(({ name }) => name))).toEqual(new Set([id, going]));
  // What is written there is what is read: nothing is worked out again.
  const asItWasKept = () =>
    kitchen.db.query("UPDATE snapshot SET data = ? WHERE kind = 'line' AND name = ?", [
      JSON.stringify({ ...over, name: 'As it was kept' }),
      id,
    ]);
  await asItWasKept();
  const named = (lines: readonly MakeSummary[]) => lines.find((m) => m.id === id)?.name;
  expect(named(await afterStart(BUILD))).toBe('As it was kept');
  // An entry since then, and it is worked out anew.
  expect((await send(draft(id, START + HOUR_MS, 'noted', { text: 'pity' }))).statusCode).toBe(200);
  expect(named(await afterStart(BUILD))).toBe('Over');
  await asItWasKept();
  // A later build has the same fold: what was kept is shown, and set right when nobody waits.
  const later = 'b'.repeat(64);
  expect(named(await afterStart(later))).toBe('As it was kept');
  for (let tries = 0; tries < 100; tries++) {
    const [row] = await kitchen.db.query<{ build: string; data: Buffer }[]>(
      "SELECT build, data FROM snapshot WHERE kind = 'line' AND name = ?",
      [id],
    );
    if (row?.build === later) {
      expect(JSON.parse(row.data.toString('utf8'))).toMatchObject({ name: 'Over' });
      break;
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(named(await afterStart(later))).toBe('Over');
  // What another fold kept is not gone on from.
  await asItWasKept();
  await kitchen.db.query("UPDATE snapshot SET fold = 0 WHERE kind = 'line'");
  expect(named(await afterStart(later))).toBe('Over');
});

test('a page may ask for what is under way and the latest others alone', async () => {
  await make('Another over', true);
  const listed = async (query: string) =>
    (await kitchen.app.inject(`/api/makes${query}`)).json<{ makes: MakeSummary[] }>().makes;
  const all = await listed('');
  const latest = await listed('?latest=1');
  expect(all.length).toBeGreaterThan(2);
  expect(latest.map((m) => m.id)).toEqual(
    all.filter((m, i) => i === 0 || m.status === 'under-way').map((m) => m.id),
  );
  expect((await kitchen.app.inject('/api/makes?latest=0')).statusCode).toBe(400);
});

test('what the larder gave into a make is in what that cost, from the moment it is said', async () => {
  const id = ulid();
  const goods = ulid();
  const ghee = { ...beginPlan('ghee', defaultKitchen('UTC'), new Date(START).toISOString()), name: 'Ghee' };
  const costOf = async (): Promise<number | null | undefined> =>
    (await listMakes(kitchen.db, kitchen.kitchenId, workHere, BUILD)).find((m) => m.id === id)?.cost;
  await send(
    draft(id, START, 'make-started', { plan: ghee }),
    draft(id, START + HOUR_MS, 'finished', { verdict: 'kept', reason: '' }),
    draft(goods, START, 'larder-moved', putUpLike({ madeAt: new Date(START).toISOString(), costPerKg: 9 })),
  );
  expect(await costOf()).toBeNull();
  const taken = draft(goods, START + HOUR_MS / 2, 'larder-moved', {
    kind: 'take',
    from: { place: 'cold', size: 0 },
    for: 'made-into',
    massKg: 0.5,
    count: 2,
    typed: null,
    price: null,
    into: id,
    note: '',
  });
  expect((await send(taken)).statusCode).toBe(200);
  expect(await costOf()).toBeCloseTo(4.5, 9);
  expect((await send(draft(goods, START + HOUR_MS, 'voided', { target: taken.id }))).statusCode).toBe(200);
  expect(await costOf()).toBeNull();
});
