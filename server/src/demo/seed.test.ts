import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { openLots, turningFirst, HOUR_MS } from '@morning-crock/core';
import { kitchenSettings } from '@morning-crock/core/contract';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { listMakes, readMake } from '../features/makes/make-service.ts';
import { milkRegister } from '../features/milk/milk-service.ts';
import { draft } from '../testing/drafts.ts';
import { createTestKitchen, type TestKitchen } from '../testing/test-kitchen.ts';
import { seedDemo } from './seed.ts';
import { workHere } from '../work/work.ts';

const NOW = Date.parse('2026-05-20T09:00:00.000Z');
let kitchen: TestKitchen;

beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: NOW });
  await seedDemo(kitchen.db, kitchen.kitchenId, NOW);
});
afterAll(async () => kitchen.close());

test('one make incubates in mid-course, one cools, cream ripens, a churning is due, and the months before differ in how they turned out', async () => {
  const makes = await listMakes(kitchen.db, kitchen.kitchenId, workHere);
  const running = await Promise.all(
    makes
      .filter((m) => m.status === 'under-way')
      .map(async (m) => (await readMake(kitchen.db, kitchen.kitchenId, m.id))!.state),
  );
  expect(running.map((s) => s.current?.step.id).sort()).toEqual([
    'age',
    'age',
    'cool',
    'incubate',
    'incubate',
    'ripen',
    'take-out',
  ]);
  const finished = makes.filter((m) => m.status !== 'under-way');
  expect(finished.length).toBeGreaterThanOrEqual(8);
  expect(finished.some((m) => m.status === 'discarded')).toBe(true);
  expect(new Set(finished.map((m) => m.sourness)).size).toBeGreaterThanOrEqual(3);
  // Butter is forecast to break, ghee to clear; by acid, rennet or frost nothing is forecast to set.
  const other = ['butter', 'ghee', 'fresh-cheese', 'creamer', 'frozen-yogurt'];
  const setting = finished.filter((m) => !other.includes(m.product ?? ''));
  expect(setting.every((m) => m.forecastSetH[1] !== null)).toBe(true);
  expect(finished.length - setting.length).toBe(11);
  // The cultured shelf: nothing of it was let go beyond its clock, one was hurried in the warm, one drained too far and mended.
  expect(new Set(makes.map((m) => m.product)).size).toBeGreaterThanOrEqual(12);
  expect(finished.filter((m) => m.doNotEat && m.status === 'kept')).toEqual([]);
  expect(await kitchen.count('event', "type = 'whey-returned'")).toBe(1);
  expect(await kitchen.count('event', "type = 'replanned'")).toBeGreaterThanOrEqual(1);
  expect(finished.filter((m) => m.churned !== null).length).toBe(6);
  // What must be used first can still be used.
  const { goods } = (await kitchen.app.inject('/api/larder')).json<{
    goods: Parameters<typeof turningFirst>[0];
  }>();
  const [first] = turningFirst(
    goods,
    openLots((await milkRegister.read(kitchen.db, kitchen.kitchenId)).state),
    NOW,
  );
  expect(first!.toMs).toBeGreaterThan(NOW);
  expect(kitchenSettings.safeParse((await readKitchen(kitchen.db, kitchen.kitchenId)).settings).success).toBe(
    true,
  );
});

test('a second start adds nothing; when nothing is under way any more, new makes begin beside what was entered', async () => {
  expect(await seedDemo(kitchen.db, kitchen.kitchenId, NOW + HOUR_MS)).toEqual({ made: 0 });
  const before = await listMakes(kitchen.db, kitchen.kitchenId, workHere);
  const own = before.find((m) => m.status === 'under-way')!;
  kitchen.clock.nowMs = NOW + 20 * HOUR_MS;
  await kitchen.app.inject({
    method: 'POST',
    url: '/api/events',
    payload: { events: [draft(own.id, NOW + 2 * HOUR_MS, 'noted', { text: 'mine' })] },
  });
  expect(await seedDemo(kitchen.db, kitchen.kitchenId, NOW + 20 * HOUR_MS)).toEqual({ made: 5 });
  // Started at five in the morning: nobody goes to bed before the evening.
  const { cooks } = (await readKitchen(kitchen.db, kitchen.kitchenId)).settings;
  expect(cooks.map(({ sleepFrom }) => sleepFrom)).toEqual(['22:00', '23:00']);
  // Twenty hours later it is night; but somebody has set their own bedtime by then, which stays.
  const ownHours = cooks.map((cook) => ({ ...cook, sleepFrom: '21:30' }));
  await kitchen.app.inject({
    method: 'POST',
    url: '/api/events',
    payload: {
      events: [
        draft(kitchen.kitchenId, NOW + 20 * HOUR_MS, 'kitchen-changed', {
          section: 'cooks',
          value: ownHours,
        }),
      ],
    },
  });
  await seedDemo(kitchen.db, kitchen.kitchenId, NOW + 40 * HOUR_MS);
  expect((await readKitchen(kitchen.db, kitchen.kitchenId)).settings.cooks).toEqual(ownHours);
  expect(await listMakes(kitchen.db, kitchen.kitchenId, workHere)).toHaveLength(before.length + 10);
  expect((await readMake(kitchen.db, kitchen.kitchenId, own.id))!.state.notes.map((n) => n.text)).toEqual([
    'mine',
  ]);
});
