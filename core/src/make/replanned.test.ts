import { describe, expect, test } from '@jest/globals';
import type { EventOf, EventType, KitchenSettings, MakePlan } from '../contract/index.ts';
import { phOfTitratable, titratedPercent } from '../science/souring/index.ts';
import { attendance, defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import { batchOf, fillJars, roomAtC, roomByUtcHour } from '../setup/index.ts';
import { defaultPlan } from '../products/index.ts';
import {
  markMs,
  acidityReadings,
  foldMake,
  pointForecast,
  replannedState,
  sleepClashes,
  stateOfPlan,
} from './index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
const MAKE = '0000000000000000000000000M';
const KITCHEN = defaultKitchen('UTC');
const PLAN = defaultPlan(KITCHEN, new Date(START).toISOString(), 3);
const BATH = { kind: 'bath', waterLitres: 6, waterC: 12, iceKg: 0, stirred: true } as const;

let n = 0;
const event = <T extends EventType>(ms: number, type: T, data: EventOf<T>['data']): LoggedEvent =>
  ({
    id: `00000000000000000000${String(++n).padStart(6, '0')}`,
    streamId: MAKE,
    at: new Date(ms).toISOString(),
    cookId: null,
    deviceId: 't',
    version: 1,
    type,
    data,
    seq: n,
  }) as LoggedEvent;
const started = (plan: MakePlan = PLAN): LoggedEvent[] => [event(START, 'make-started', { plan })];
const coolingFrom = START + 70 * MINUTE_MS;
const hot = (plan = PLAN): LoggedEvent[] => [
  ...started(plan),
  ...(['pour', 'heat', 'hold'] as const).map((step, i) =>
    event(START + (i + 1) * 20 * MINUTE_MS + (i === 2 ? 10 * MINUTE_MS : 0), 'step-done', { step }),
  ),
];
const coolEnd = (events: LoggedEvent[], nowMs: number): number =>
  pointForecast(foldMake(MAKE, events)!, nowMs).steps.find((s) => s.id === 'cool')!.endMs;

describe('a plan changed under way', () => {
  test('a bath cools faster; begun late, what stood before stays', () => {
    const counter = coolEnd(hot(), coolingFrom);
    const atOnce = coolEnd(
      [...hot(), event(coolingFrom, 'replanned', { cooling: BATH, why: '' })],
      coolingFrom,
    );
    const later = coolEnd(
      [...hot(), event(coolingFrom + 30 * MINUTE_MS, 'replanned', { cooling: BATH, why: '' })],
      coolingFrom + 30 * MINUTE_MS,
    );
    expect(atOnce - coolingFrom).toBeLessThan(20 * MINUTE_MS);
    expect(later).toBeGreaterThan(coolingFrom + 30 * MINUTE_MS);
    expect(later - (coolingFrom + 30 * MINUTE_MS)).toBeLessThan(atOnce - coolingFrom);
    expect(counter).toBeGreaterThan(later);
  });

  test('an undo brings the plan back; null takes an optional part away', () => {
    const change = event(coolingFrom, 'replanned', {
      cooling: BATH,
      bottles: { litres: 2, celsius: 60 },
      why: '',
    });
    const changed = foldMake(MAKE, [...hot(), change])!;
    expect(changed.plan).toMatchObject({ cooling: BATH, bottles: { litres: 2 } });
    const undone = foldMake(MAKE, [...hot(), change, event(coolingFrom, 'voided', { target: change.id })])!;
    expect(undone.plan).toEqual(PLAN);
    expect(replannedState(changed, { bottles: null, why: '' }, coolingFrom).plan).not.toHaveProperty(
      'bottles',
    );
    // Trying a change out records nothing.
    expect(changed.plan.bottles).toBeDefined();
  });

  test('powder thickens and slows', () => {
    const plain = pointForecast(stateOfPlan(PLAN), START);
    const powder = { kind: 'skim', massKg: 0.12, typed: { value: 120, unit: 'g' } } as const;
    const thick = pointForecast(replannedState(stateOfPlan(PLAN), { powder, why: '' }, START), START);
    expect(thick.firmness).toBeGreaterThan(plain.firmness + 10);
    expect(markMs(thick, 'body')! - thick.inoculationMs).toBeGreaterThan(
      markMs(plain, 'body')! - plain.inoculationMs + 10 * MINUTE_MS,
    );
    const batch = batchOf({ ...PLAN, milk: { ...PLAN.milk, powder } });
    expect(batch.massKg).toBeCloseTo(batchOf(PLAN).massKg + 0.12, 9);
  });

  test('bottles keep a box warm', () => {
    const box = { ...PLAN, place: KITCHEN.places.find((p) => p.kind === 'insulated-box')! };
    const at = (plan: MakePlan, h: number): number => {
      const point = pointForecast(stateOfPlan(plan), START);
      return point.temperature.findLast(([ms]) => ms <= point.inoculationMs + h * HOUR_MS)![1];
    };
    expect(at({ ...box, bottles: { litres: 2, celsius: 55 } }, 6)).toBeGreaterThan(at(box, 6) + 3);
  });
});

describe('several jars', () => {
  const jars = [1, 1, 0.6, 0.5].map((litres, i) => ({
    id: `${MAKE.slice(0, 25)}${i}`,
    name: `jar ${i}`,
    litres,
  }));
  test('are filled in order up to their headspace, and nothing is lost', () => {
    const { jars: filled, leftOverLitres } = fillJars({ ...PLAN, jars, headspace: 0.1 });
    const poured = filled.reduce((sum, j) => sum + j.filledLitres, 0);
    expect(poured + leftOverLitres).toBeCloseTo(batchOf(PLAN).litres + PLAN.starter.massKg! / 1.03, 9);
    expect(filled[0]!.filledLitres).toBeCloseTo(0.9, 9);
    expect(leftOverLitres).toBeGreaterThan(0.2);
  });

  test('the last filled one into the cold ends the incubation; empty ones do not count', () => {
    const many = [
      ...jars,
      { id: `${MAKE.slice(0, 25)}9`, name: 'spare', litres: 1 },
      { id: `${MAKE.slice(0, 25)}8`, name: 'spare 2', litres: 1 },
    ];
    const events = [
      ...hot({ ...PLAN, jars: many }),
      event(START + 2 * HOUR_MS, 'step-done', { step: 'cool' }),
      event(START + 2.1 * HOUR_MS, 'starter-added', { massKg: 0.05, statedRatio: null, typed: null }),
    ];
    const filled = fillJars({ ...PLAN, jars: many }).jars.filter((j) => j.filledLitres > 0.005);
    expect(filled).toHaveLength(5);
    const chilled = filled.map((jar, i) => event(START + (6 + i) * HOUR_MS, 'jar-chilled', { jar: jar.id }));
    expect(foldMake(MAKE, [...events, ...chilled.slice(0, -1)])!.chilledAtMs).toBeNull();
    expect(foldMake(MAKE, [...events, ...chilled])!.chilledAtMs).toBe(START + 10 * HOUR_MS);
  });
});

describe('acidity by lye', () => {
  test('9 mL of 0.1 N on 9 g is 0.90 %', () => {
    expect(titratedPercent(9, 9)).toBeCloseTo(0.9008, 9);
  });

  test('fresh milk is fresh, sour yogurt sour; fat holds no acid', () => {
    expect(phOfTitratable(0.15 * (1 - 0.037), 0.037, 9)).toBeCloseTo(6.65, 2);
    expect(phOfTitratable(1.0, 0.037, 9)).toBeLessThan(4.5);
    expect(phOfTitratable(0.8, 0.1, 9)).toBeLessThan(phOfTitratable(0.8, 0, 9));
  });

  test('enters the forecast as an instrument of its own', () => {
    const events = [
      ...hot(),
      event(START + 2 * HOUR_MS, 'starter-added', { massKg: 0.06, statedRatio: null, typed: null }),
      event(START + 5 * HOUR_MS, 'titrated', {
        naohMl: 5,
        sampleG: 9,
        percent: titratedPercent(5, 9),
        typed: { value: 5, unit: 'mL' },
      }),
    ];
    const [reading] = acidityReadings(foldMake(MAKE, events)!);
    expect(reading).toMatchObject({ kind: 'ph', instrument: 'titration', hour: 3 });
    expect(reading?.kind === 'ph' && reading.sigma).toBeGreaterThan(0.02);
  });
});

describe('a room’s day', () => {
  const site: KitchenSettings['site'] = {
    ...KITCHEN.site,
    dayCurve: [
      { at: '06:00', celsius: 14 },
      { at: '15:00', celsius: 23 },
    ],
  };
  test('runs straight between its points, over midnight too', () => {
    const curve = roomByUtcHour(site, START)!;
    expect(curve[6]).toBe(14);
    expect(curve[15]).toBe(23);
    expect(curve[9]).toBeCloseTo(17, 9);
    expect(curve[21]).toBeLessThan(23);
    expect(curve[21]).toBeGreaterThan(curve[3]!);
    expect(roomAtC({ roomC: 0, roomByUtcHour: curve }, START + 1.5 * HOUR_MS)).toBeCloseTo(15.5, 9);
    expect(roomByUtcHour(KITCHEN.site, START)).toBeUndefined();
  });

  test('pulls a pot in towels along with it', () => {
    const towel = { ...PLAN, place: KITCHEN.places.find((p) => p.kind === 'towel')!, roomC: 14 };
    const end = (plan: MakePlan): number => pointForecast(stateOfPlan(plan), START).temperature.at(-1)![1];
    expect(end({ ...towel, roomByUtcHour: roomByUtcHour(site, START)! })).toBeGreaterThan(end(towel) + 0.5);
  });
});

describe('who is there', () => {
  const cook = KITCHEN.cooks[0]!;
  const kitchen: KitchenSettings = {
    ...KITCHEN,
    absences: [{ id: MAKE, cookId: cook.id, name: 'Stall', days: [1], from: '08:00', to: '12:00' }],
  };
  test('nobody when the only cook sleeps or is away, on those days alone', () => {
    expect(nobodyThere(kitchen, START + 3 * HOUR_MS)).toBe(true);
    expect(nobodyThere(kitchen, START + 27 * HOUR_MS)).toBe(false);
    expect(nobodyThere(kitchen, START + 17 * HOUR_MS)).toBe(true);
  });

  test('an absence over midnight belongs to the day it begins on', () => {
    const late = {
      ...kitchen,
      cooks: [{ ...cook, sleepFrom: '04:00', sleepTo: '04:05' }],
      absences: [{ ...kitchen.absences[0]!, days: [1], from: '22:00', to: '02:00' }],
    };
    expect(nobodyThere(late, START + 19 * HOUR_MS)).toBe(true);
    expect(nobodyThere(late, START - 5 * HOUR_MS)).toBe(false);
  });

  test('looked up at once it says the same, and when somebody is there again', () => {
    const there = attendance(kitchen, START, START + 24 * HOUR_MS);
    for (let h = 0; h < 24; h += 0.5)
      expect(there.at(START + h * HOUR_MS)).toBe(!nobodyThere(kitchen, START + h * HOUR_MS));
    expect(there.nextAt(START + 3 * HOUR_MS)).toBe(START + 6 * HOUR_MS);
    expect(there.throughout(START, START + HOUR_MS)).toBe(true);
    expect(there.throughout(START, START + 3 * HOUR_MS)).toBe(false);
  });

  test('hands needed in an absence are told', () => {
    const clash = sleepClashes(pointForecast(stateOfPlan(PLAN), START), kitchen);
    expect(clash.length).toBeGreaterThan(0);
    expect(clash.every((c) => nobodyThere(kitchen, c.atMs))).toBe(true);
  });
});
