import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import { beginPlan } from '../products/index.ts';
import { withLoads } from '../steps/index.ts';
import { butterBack, type ButterWish } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const NOW = Date.parse('2026-03-02T06:00:00.000Z');
const kitchen = defaultKitchen('UTC');
const plan = withLoads(beginPlan('butter', kitchen, new Date(NOW).toISOString(), 1));
const wish = (over: Partial<ButterWish> = {}): ButterWish => ({
  plan,
  kitchen,
  byMs: NOW + 48 * HOUR_MS,
  ripen: false,
  frozenPieceKg: null,
  nowMs: NOW,
  ...over,
});

describe('butter by a time', () => {
  test('it is worked by then, and no hands are wanted while everybody sleeps', () => {
    const { ways, reason } = butterBack(wish());
    expect(reason).toBeNull();
    expect(ways.length).toBeGreaterThan(0);
    for (const way of ways.filter(({ sure }) => sure)) {
      expect(way.lateMs).toBeLessThanOrEqual(NOW + 48 * HOUR_MS);
      expect(way.startMs).toBeLessThan(way.churnMs);
      expect(way.churnMs).toBeLessThan(way.doneMs);
      for (const atMs of [way.startMs, way.churnMs, way.doneMs])
        expect(nobodyThere(kitchen, atMs)).toBe(false);
    }
  });

  test('in a bath it may begin later than in the room', () => {
    const { ways } = butterBack(wish({ byMs: NOW + 12 * HOUR_MS }));
    const [bath, room] = ['bath', 'room'].map((s) => ways.find((w) => w.standing === s)!);
    expect(bath!.startMs).toBeGreaterThan(room!.startMs);
  });

  test('ripened and thawed, those come before it, in their order', () => {
    const { ways } = butterBack(wish({ byMs: NOW + 100 * HOUR_MS, ripen: true, frozenPieceKg: 0.5 }));
    const [way] = ways;
    expect(way!.plan.milk.soured).toBe(true);
    expect(way!.ripen!.coldMs).toBeLessThanOrEqual(way!.startMs - 8 * HOUR_MS + 1);
    expect(way!.thawMs!).toBeLessThan(way!.ripen!.startMs - 5 * HOUR_MS);
  });

  test('what cannot be in time says why', () => {
    expect(butterBack(wish({ byMs: NOW + HOUR_MS / 2 }))).toMatchObject({ ways: [], reason: 'too-late' });
    const hot = { ...plan, milk: { ...plan.milk, startC: 28 } };
    expect(
      butterBack(wish({ plan: hot, byMs: NOW + 6 * HOUR_MS })).ways.every((w) => w.standing === 'bath'),
    ).toBe(true);
  });
});
