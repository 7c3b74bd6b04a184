import { describe, expect, test } from '@jest/globals';
import type { Factor, MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { factorsFor } from '../daybook/learn/index.ts';
import { alarmsOf, bandForecast, safetyOf, stateOfPlan, walkThermal } from '../make/index.ts';
import { heatingKw } from '../setup/index.ts';
import { coolingMin, STEP_TYPES } from '../steps/index.ts';
import { adviseOn, beginPlan } from './index.ts';

const AT = '2026-03-02T06:00:00.000Z';
const KITCHEN = defaultKitchen('UTC');
const plan = beginPlan('yogurt', KITCHEN, AT, 2);
const withHeat = (part: Partial<MakePlan['heat']>, of = plan): MakePlan => ({
  ...of,
  heat: { ...of.heat, ...part },
});
const heatingMin = (of: MakePlan): number => {
  const step = walkThermal(stateOfPlan(of), Date.parse(AT)).steps.find(({ kind }) => kind === 'heat')!;
  return step.endless ? Number.POSITIVE_INFINITY : (step.endMs - step.startMs) / 60_000;
};
const told = (of: MakePlan): string[] =>
  adviseOn(of).flatMap(({ field, text }) => (field === 'heat' ? [text] : []));

describe('heat and cold as a stove gives them', () => {
  test('milk is heated on medium unless somebody says otherwise, and cools uncovered', () => {
    expect(plan.heat.flame).toBe('medium');
    expect(heatingKw(plan)).toBeCloseTo(0.45, 9);
    expect(plan.pot).not.toHaveProperty('lidded');
    expect(coolingMin(plan)).toBeGreaterThan(30);
    expect(coolingMin(plan)).toBeLessThan(50);
    const covered = {
      ...plan,
      cooling: { kind: 'counter', waterLitres: 4, waterC: 14, iceKg: 0, stirred: true, lidOn: true } as const,
    };
    expect(coolingMin(covered) / coolingMin(plan)).toBeGreaterThan(2);
  });

  test('turned up it heats faster, and says that milk scorches', () => {
    expect(heatingMin(withHeat({ flame: 'full' }))).toBeLessThan(0.6 * heatingMin(plan));
    expect(told(withHeat({ flame: 'full' }))).toEqual([
      'Milk scorches on full heat. Stir all the time, down to the bottom.',
    ]);
    expect(told(plan)).toEqual([]);
  });

  test('a plan stored before there was a choice keeps all of its burner and the lid of its pot', () => {
    const { flame: _flame, ...heat } = plan.heat;
    const old: MakePlan = { ...plan, heat, pot: { ...plan.pot, lidded: true } };
    expect(heatingKw(old)).toBeCloseTo(0.9, 9);
    // In a cylinder of its own under its lid: as it was planned with.
    expect(coolingMin(old)).toBeGreaterThan(100);
  });

  test('a pot that never boils is said before the start, with what would help', () => {
    const weak: MakePlan = withHeat(
      { kind: 'boil', targetC: 100, holdMin: 0, flame: 'medium' },
      beginPlan('yogurt', KITCHEN, AT, 4),
    );
    expect(heatingMin(weak)).toBe(Number.POSITIVE_INFINITY);
    const [said] = told(weak);
    expect(said).toMatch(
      /^On this burner the milk stops at about 9\d °C and never reaches the boil\. Use full heat, stirring all the time, a lid on while heating .*or a larger burner\.$/,
    );
    expect(told(withHeat({ lidOn: true }, weak))).toEqual([]);
  });

  test('a plate that stays hot is switched off early, and that is rung', () => {
    const onPlate: MakePlan = { ...plan, burner: { ...plan.burner, kind: 'plate' } };
    const state = stateOfPlan(onPlate);
    const pour = state.steps.findIndex(({ step }) => step.kind === 'heat');
    const steps = state.steps.map((s, i) =>
      i < pour
        ? { ...s, status: 'done' as const, endedAtMs: Date.parse(AT) }
        : i === pour
          ? { ...s, status: 'current' as const, startedAtMs: Date.parse(AT) }
          : s,
    );
    const heating = { ...state, steps, current: steps[pour]! };
    const forecast = bandForecast(heating, Date.parse(AT), 1, 100);
    const time = forecast.point.steps.find(({ kind }) => kind === 'heat')!;
    expect(time.callMs!).toBeLessThan(time.endMs);
    const safety = safetyOf(heating, forecast.point.temperature, Date.parse(AT), null);
    const bell = alarmsOf(heating, forecast, safety).find(({ id }) => id.startsWith('early'))!;
    expect(bell).toMatchObject({ title: 'Switch the plate off', dueAtMs: time.callMs });
    expect(
      STEP_TYPES.heat.words(plan, {
        step: heating.current.step.instance,
        goods: { into: 'milk', out: 'yogurt' },
      }).early,
    ).toBeUndefined();
  });

  test('what one setting of a burner taught counts for another, less surely', () => {
    const medium: Factor = {
      kind: 'burner',
      thing: `${plan.burner.id} medium`,
      name: 'Burner',
      mean: -0.2,
      sigma: 0.05,
      makes: 4,
      history: [],
    };
    expect(factorsFor(plan, [medium]).burner).toMatchObject({ value: -0.2, sigma: 0.05 });
    const full = factorsFor(withHeat({ flame: 'full' }), [medium]).burner!;
    expect(full.value).toBe(-0.2);
    expect(full.sigma).toBeGreaterThan(0.2);
  });
});

test('an appliance nobody checked is called so', () => {
  const said = (of: MakePlan) => adviseOn(of).filter(({ text }) => text.includes('has not been checked'));
  expect(said(plan)).toHaveLength(1);
  expect(said({ ...plan, place: { ...plan.place, biasSigmaC: 0.5 } })).toHaveLength(0);
  expect(said({ ...plan, factors: { placeHeat: { value: 0, sigma: 0.3, makes: 3 } } })).toHaveLength(0);
});

test.each([
  ['dried-mesophilic', 43, 'stop'],
  ['cultured-buttermilk', 38.5, 'caution'],
  ['cultured-buttermilk', 30, undefined],
  ['fresh-yogurt', 48, 'caution'],
  ['fresh-yogurt', 51, 'stop'],
] as const)('%s at %d °C', (kind, inoculateC, severity) => {
  const told = adviseOn({ ...plan, inoculateC, starter: { ...plan.starter, kind, statedRatio: 1 } });
  expect(told.find(({ field }) => field === 'inoculate')?.severity).toBe(severity);
});
