import { describe, expect, it } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { foldMake, type MakeState } from '../make/index.ts';
import { beginPlan } from '../products/index.ts';
import { batchOf } from '../setup/index.ts';
import { KEEPING_SERUM } from '../science/butter/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { boilOffRescue, kneadRescue } from './index.ts';

const START = Date.parse('2026-03-02T10:00:00.000Z');
const NOW_MS = START + 300 * MINUTE_MS;
const ID = '01HZZZZZZZZZZZZZZZZZZZZZZY';
let n = 0;
const log = (minute: number, type: string, data: unknown): LoggedEvent =>
  ({
    id: String(++n).padStart(26, '0'),
    streamId: ID,
    at: new Date(START + minute * MINUTE_MS).toISOString(),
    cookId: null,
    deviceId: 'test',
    version: 4,
    type,
    data,
  }) as LoggedEvent;
const done = (minute: number, step: string): LoggedEvent => log(minute, 'step-done', { step });
const made = (product: 'butter' | 'ghee', more: readonly LoggedEvent[]): MakeState => {
  const plan = beginPlan(product, defaultKitchen('UTC'), new Date(START).toISOString());
  return foldMake(ID, [log(0, 'make-started', { plan }), ...more])!;
};
const ghee = (minutesOnTheFire: number, more: readonly LoggedEvent[] = []): MakeState =>
  made('ghee', [done(minutesOnTheFire, 'clarify'), ...more]);
const weighed = (minute: number, massKg: number): LoggedEvent =>
  log(minute, 'weighed', { massKg, typed: { value: massKg * 1000, unit: 'g' } });
const rinse = (minute: number): LoggedEvent => log(minute, 'rinsed', { clear: false });

describe('ghee with water in it goes back on the heat', () => {
  it('for minutes that follow from its water: longer where it came off sooner, and no ghee is lost', () => {
    const late = boilOffRescue(ghee(30, [weighed(60, 0.6)]), 'ghee-cloudy', NOW_MS)!;
    const soon = boilOffRescue(ghee(12, [weighed(60, 0.6)]), 'ghee-cloudy', NOW_MS)!;
    expect(late.gheeKg).toBe(0.6);
    for (const { minutes } of [late, soon]) {
      expect(minutes[0]).toBeLessThan(minutes[1]);
      expect(minutes[1]).toBeLessThan(minutes[2]);
    }
    expect(soon.waterKg).toBeGreaterThan(late.waterKg);
    expect(soon.minutes[1]).toBeGreaterThan(late.minutes[1]);
    // What clouds holds some water, whatever the log says; never more than ghee can hold.
    expect(late.waterKg).toBeCloseTo(0.006, 6);
    expect(soon.waterKg).toBeLessThanOrEqual(0.15 * 0.6);
  });

  it('takes the heat that its water and its fat need', () => {
    const state = ghee(30, [weighed(60, 0.6)]);
    const { minutes, waterKg, gheeKg } = boilOffRescue(state, 'ghee-spits', NOW_MS)!;
    const { burner, roomC } = state.plan;
    // By hand: melted, warmed to about 100 °C, its water boiled off, on a quarter of what reaches the pan.
    const kw = burner.powerKw * burner.efficiency * 0.25 - 0.06;
    const least = (gheeKg * (80 + 1.9 * (100 - roomC)) + 2257 * waterKg) / kw / 60;
    const most = (gheeKg * (80 + 2.6 * (100 - roomC)) + 2257 * waterKg) / kw / 60;
    expect(minutes[1]).toBeGreaterThan(least);
    expect(minutes[1]).toBeLessThan(most);
  });

  it('not while it is on the fire, not for what is browned, and not for what was discarded', () => {
    expect(boilOffRescue(made('ghee', []), 'ghee-spits', NOW_MS)).toBeNull();
    expect(boilOffRescue(ghee(30), 'ghee-dark', NOW_MS)).toBeNull();
    const thrown = log(90, 'finished', { verdict: 'discarded', reason: 'burnt' });
    expect(boilOffRescue(ghee(30, [thrown]), 'ghee-cloudy', NOW_MS)).toBeNull();
    // Not weighed, it is what its butter gives.
    const { massKg } = batchOf(ghee(30).plan);
    expect(boilOffRescue(ghee(30), 'ghee-cloudy', NOW_MS)!.gheeKg).toBeLessThan(massKg);
  });
});

describe('butter that weeps is kneaded in cold water', () => {
  const churned = [done(5, 'take-out'), done(30, 'temper'), done(50, 'churn')];
  const butter = (more: readonly LoggedEvent[]): MakeState => made('butter', [...churned, ...more]);

  it('as often as its buttermilk asks for; then it keeps longer', () => {
    const once = kneadRescue(butter([rinse(60), weighed(90, 0.4)]), 'weeps', NOW_MS)!;
    const never = kneadRescue(butter([weighed(90, 0.4)]), 'weeps', NOW_MS)!;
    expect(never.serum[0]).toBe(1);
    expect(once.serum[0]).toBeLessThan(1);
    expect(once.times).toBeLessThan(never.times);
    expect(once.serum[1]).toBeLessThanOrEqual(KEEPING_SERUM);
    expect(once.waterKg).toBeCloseTo(0.4, 6);
    expect(once.saltKg).toBe(0);
    const [before, after] = never.keeps;
    expect(after.days[1]).toBeGreaterThan(before.days[1]);
  });

  it('and salted again: what the water carries off is never more than went in', () => {
    const salt = log(70, 'salted', { massKg: 0.008, typed: { value: 8, unit: 'g' } });
    const { saltKg } = kneadRescue(butter([salt, weighed(90, 0.4)]), 'weeps', NOW_MS)!;
    expect(saltKg).toBeGreaterThan(0.006);
    expect(saltKg).toBeLessThan(0.008);
  });

  it('not where it ran clear, nor for another complaint', () => {
    const clear = log(65, 'rinsed', { clear: true });
    expect(kneadRescue(butter([rinse(60), clear]), 'weeps', NOW_MS)).toBeNull();
    expect(kneadRescue(butter([rinse(60)]), 'crumbly', NOW_MS)).toBeNull();
    expect(kneadRescue(ghee(30), 'weeps', NOW_MS)).toBeNull();
    // Cream that is not churned is no butter.
    expect(kneadRescue(made('butter', [done(5, 'take-out')]), 'weeps', NOW_MS)).toBeNull();
  });
});
