import { expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import { bandForecast, foldMake, type MakeState } from '../make/index.ts';
import { createLog, MAKE_ID, START } from '../make/fixtures/make-events.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { nextNight, nightWays, turnings } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const KITCHEN = defaultKitchen('UTC');
const method = (id: string) => SHIPPED_METHODS.find((m) => m.id === id)!;

/** Something that stands since so many hours after six in the morning. */
function standing(id: string, hour: number, roomC = 21): MakeState {
  const startMs = START + hour * HOUR_MS;
  const kitchen = { ...KITCHEN, site: { ...KITCHEN.site, roomC } };
  const plan = planOfMethod(method(id), kitchen, new Date(startMs).toISOString(), 1);
  const log = createLog();
  return foldMake(MAKE_ID, [
    log(hour * 60, 'make-started', { plan }),
    log(hour * 60 + 3, 'step-done', { step: 'pour' }),
    log(hour * 60 + 6, 'starter-added', {
      massKg: plan.starter.massKg,
      statedRatio: null,
      typed: plan.starter.typed,
    }),
  ])!;
}

test('the night is when nobody is there for hours', () => {
  const night = nextNight(KITCHEN, START)!;
  expect(new Date(night.bedMs).toISOString()).toContain('T22:30');
  expect(new Date(night.wakeMs).toISOString()).toContain('T05:30');
  const awake = {
    ...KITCHEN,
    cooks: [...KITCHEN.cooks, { ...KITCHEN.cooks[0]!, sleepFrom: '06:00', sleepTo: '12:00' }],
  };
  expect(nextNight(awake, START)).toBeNull();
});

test('going to bed: the colder it stands the less sour the morning, and the nearest to what was wanted is said', () => {
  const state = standing('buttermilk', -3);
  const nowMs = START + 13 * HOUR_MS;
  const night = nightWays(state, bandForecast(state, nowMs, 2, 120), KITCHEN, nowMs)!;
  const ph = Object.fromEntries(night.ways.map((way) => [way.what, way.ph]));
  expect(ph['chill']!).toBeGreaterThanOrEqual(ph['cooler']!);
  expect(ph['cooler']!).toBeGreaterThanOrEqual(ph['leave']!);
  expect(night.ways.filter(({ best }) => best)).toHaveLength(1);
});

test('done before bed, or not before the next evening, there is nothing to choose', () => {
  const early = standing('buttermilk', -40);
  const nowMs = START + 12 * HOUR_MS;
  expect(nightWays(early, bandForecast(early, nowMs, 2, 120), KITCHEN, nowMs)).toBeNull();
  const wild = standing('clabber', 10, 17);
  const at = START + 15 * HOUR_MS;
  expect(nightWays(wild, bandForecast(wild, at, 2, 120), KITCHEN, at)).toBeNull();
});

test('a warm bath hurries it, a colder place slows it, both tried out and nothing recorded', () => {
  const state = standing('buttermilk', 0, 18);
  const before = state.events.length;
  const nowMs = START + 3 * HOUR_MS;
  const forecast = bandForecast(state, nowMs, 2, 120);
  const { asItIs, ways } = turnings(state, forecast, nowMs)!;
  // As it is is what the make itself says.
  expect(asItIs.readyMs).toBe(forecast.marks.find(({ role }) => role === 'ready')!.band.p50);
  const of = (what: string) => ways.find((way) => way.what === what)!;
  expect(of('warm-bath').readyMs!).toBeLessThan(asItIs.readyMs!);
  expect(of('colder').readyMs ?? Number.POSITIVE_INFINITY).toBeGreaterThan(asItIs.readyMs!);
  const more = of('more-starter');
  expect(more).toMatchObject({ place: null, dose: { massKg: state.dose.massKg } });
  expect(more.readyMs!).toBeLessThanOrEqual(asItIs.readyMs!);
  expect(state.events).toHaveLength(before);
});
