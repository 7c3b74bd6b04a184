import { describe, expect, test } from '@jest/globals';
import { makePlan, type MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import {
  alarmsOf,
  bandForecast,
  foldMake,
  likelyKg,
  marksOf,
  safetyOf,
  summaryOf,
  type MakeState,
} from '../make/index.ts';
import { createLog, MAKE_ID, START } from '../make/fixtures/make-events.ts';
import { beginPlan } from './index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { CHURN_TOLD, told } from '../steps/index.ts';

const PLAN = beginPlan('ghee', defaultKitchen('UTC'), new Date(START).toISOString());
const make = (
  entries: (log: ReturnType<typeof createLog>) => LoggedEvent[],
  plan: MakePlan = PLAN,
): MakeState => {
  const log = createLog();
  return foldMake(MAKE_ID, [log(0, 'make-started', { plan }), ...entries(log)])!;
};
const look = (state: MakeState, minute: number) => {
  const nowMs = START + minute * MINUTE_MS;
  const forecast = bandForecast(state, nowMs, 3, 60);
  const alarms = alarmsOf(state, forecast, safetyOf(state, forecast.point.temperature, nowMs, null));
  return { forecast, alarms, end: forecast.steps.find((s) => s.step === 'clarify')!.end };
};
const read = (log: ReturnType<typeof createLog>, minute: number, celsius: number) =>
  log(minute, 'temperature-read', {
    celsius,
    instrument: 'hand',
    typed: { value: celsius, unit: 'C' },
  });

describe('ghee', () => {
  test('goes in as butter, and gives what its fat gives', () => {
    const inKg = PLAN.milk.composition!;
    expect(inKg.fatFraction + inKg.proteinFraction).toBeCloseTo(0.83, 9);
    expect(likelyKg(make(() => []))).toBeCloseTo(0.5 * 0.81 * 0.97, 3);
    expect(summaryOf(make(() => []))).toMatchObject({ product: 'ghee', waking: false, starter: '' });
  });

  test('butter without water, or of nobody knows what, is refused; so is ghee taken off too early', () => {
    const milk = (part: object) => ({ ...PLAN, milk: { ...PLAN.milk, ...part } });
    const dry = { fatFraction: 0.98, proteinFraction: 0.01, lactoseFraction: 0, ashFraction: 0 };
    expect(makePlan.safeParse(milk({ composition: dry })).success).toBe(false);
    const { composition: _, ...unknown } = PLAN.milk;
    expect(makePlan.safeParse({ ...PLAN, milk: unknown }).success).toBe(false);
    const at = (doneC: number) => ({
      ...PLAN,
      method: {
        ...PLAN.method,
        steps: PLAN.method.steps.map((s) => (s.kind === 'clarify' ? { ...s, doneC } : s)),
      },
    });
    expect(makePlan.safeParse(at(112)).success).toBe(true);
    expect(makePlan.safeParse(at(99)).success).toBe(false);
    expect(makePlan.safeParse(at(125)).success).toBe(false);
  });

  test('its last minutes fill every screen, first to stand by, then to take it off', () => {
    const { alarms, end } = look(
      make(() => []),
      1,
    );
    const [early, due] = ['early-clarify', 'step-clarify'].map((id) => alarms.find((a) => a.id === id)!);
    expect(early).toMatchObject({ fills: true, mustAct: true });
    expect(due).toMatchObject({ fills: true, mustAct: true, dueAtMs: end.p50 });
    expect(early!.dueAtMs).toBeLessThan(due!.dueAtMs);
  });

  test('the pan weighed again, seen or measured moves the end', () => {
    const plain = look(
      make(() => []),
      12,
    ).end.p50!;
    const weighed = (grams: number) =>
      look(
        make((log) => [
          log(0, 'pan-weighed', { massKg: 1.5, typed: { value: 1500, unit: 'g' } }),
          log(10, 'pan-weighed', { massKg: 1.5 - grams / 1000, typed: { value: 1500 - grams, unit: 'g' } }),
        ]),
        12,
      ).end.p50!;
    expect(weighed(80)).toBeLessThan(plain);
    expect(weighed(10)).toBeGreaterThan(plain);
    const clear = make((log) => [log(11, 'stage-seen', { stage: 'clear' })]);
    expect(look(clear, 12).end.p50!).not.toBe(plain);
    const seen = marksOf(clear, look(clear, 12).forecast).find((m) => m.id === 'clear')!;
    expect(seen).toMatchObject({ words: 'clear to the bottom', seenMs: START + 11 * MINUTE_MS });
    expect(told(clear, CHURN_TOLD).stages).toEqual([]);
  });

  test.each([
    [118, null],
    [121, 'Too hot: off the heat'],
    [165, 'Smoking: heat off, lid on'],
  ])('at %s °C: %s', (celsius, title) => {
    const { alarms } = look(
      make((log) => [read(log, 10, celsius)]),
      10,
    );
    const hot = alarms.find((a) => a.id.startsWith('too-hot'));
    expect(hot?.title ?? null).toBe(title);
    if (title) expect(alarms[0]).toMatchObject({ rank: 0, fills: true });
  });

  test('off the fire it is too hot no more', () => {
    const { alarms } = look(
      make((log) => [read(log, 20, 124), log(21, 'step-done', { step: 'clarify' })]),
      22,
    );
    expect(alarms.filter((a) => a.id.startsWith('too-hot'))).toEqual([]);
    expect(alarms.map((a) => a.id)).toContain('step-settle');
  });
});
