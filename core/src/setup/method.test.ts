import { describe, expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { makePlan, type MakePlan } from '../contract/index.ts';
import { methodSteps } from '../products/index.ts';
import { STARTER_KINDS } from '../science/souring/index.ts';
import { batchOf, inoculumFor, souringKindOf, withStarterKind } from './index.ts';
import { adviseOn, defaultPlan } from '../products/index.ts';

const plan = defaultPlan(defaultKitchen('UTC'), '2026-03-02T06:00:00.000Z');
const stops = (p: MakePlan): string[] =>
  adviseOn(p)
    .filter((a) => a.severity === 'stop')
    .map((a) => a.field);

test('a first make needs nothing but the litres: the default plan is valid and unopposed', () => {
  expect(makePlan.safeParse(plan).success).toBe(true);
  expect(stops(plan)).toEqual([]);
});

test('switching the starter keeps no stale dose', () => {
  for (const kind of STARTER_KINDS) {
    const starter = withStarterKind(plan, kind);
    expect(makePlan.shape.starter.safeParse(starter).success).toBe(true);
    if (kind !== 'none') expect(inoculumFor({ ...plan, starter }, starter)).not.toBeNull();
  }
});

describe('advice', () => {
  const place = (setPointC: number): MakePlan => ({ ...plan, place: { ...plan.place, setPointC } });

  test.each([
    ['80 °C incubation', place(80), 'place'],
    ['an appliance at 12 °C', place(12), 'place'],
    ['inoculating at 60 °C', { ...plan, inoculateC: 60 }, 'inoculate'],
    ['an overfull pot', { ...plan, milk: { ...plan.milk, litres: 6 } }, 'pot'],
    ['pasteurised milk without a starter', { ...plan, starter: withStarterKind(plan, 'none') }, 'starter'],
    ['no dose', { ...plan, starter: { ...plan.starter, massKg: null } }, 'starter'],
    [
      '97 °C on a mountain',
      { ...plan, altitudeM: 2500, heat: { kind: 'hold', targetC: 97, holdMin: 5 } },
      'heat',
    ],
    [
      'a room culture at 43 °C',
      { ...place(43), starter: withStarterKind(plan, 'cultured-buttermilk') },
      'place',
    ],
  ] as [string, MakePlan, string][])('%s is stopped with its reason', (_name, p, field) => {
    expect(stops(p)).toContain(field);
  });

  test('27 °C is explained as too cool, in the maker’s own unit', () => {
    const advice = adviseOn(place(27), { temperature: 'F', measures: 'us' }).find(
      (a) => a.field === 'place',
    )!;
    expect(advice.severity).toBe('caution');
    expect(advice.text).toMatch(/81 °F/);
  });

  test('raw milk alone is allowed with its caution, and never without it', () => {
    const raw: MakePlan = {
      ...plan,
      milk: { ...plan.milk, kind: 'cow-lean', treatment: 'raw' },
      heat: { kind: 'none', targetC: 20, holdMin: 0 },
      inoculateC: 22,
      place: { ...plan.place, kind: 'room' },
      starter: withStarterKind(plan, 'none'),
    };
    expect(souringKindOf(raw)).toBe('raw-alone');
    expect(stops(raw)).toEqual([]);
    expect(adviseOn(raw).some((a) => a.severity === 'caution' && /pregnant/.test(a.text))).toBe(true);
    expect(methodSteps(raw)[0]!.cautions).toContain('raw-milk');
  });
});

test('an unknown fat is a range, a known one is not', () => {
  const raw = { ...plan, milk: { ...plan.milk, kind: 'ewe' as const } };
  const [low, high] = batchOf(raw).fatRange;
  expect(high - low).toBeGreaterThan(0.01);
  expect(batchOf({ ...raw, milk: { ...raw.milk, fatFraction: 0.07 } }).fatRange).toEqual([0.07, 0.07]);
});
