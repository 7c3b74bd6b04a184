import { describe, expect, test } from '@jest/globals';
import { makePlan, type MakePlan, type StepInstance } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { batchOf } from '../setup/index.ts';
import { massFlow, methodSteps, planOfMethod } from './index.ts';
import { SHIPPED_METHODS } from './methods/index.ts';
import { labelDoseWords } from '../steps/index.ts';
import { dosesOf, mixedIn, withDose, withMixedIn } from './extras.ts';

const AT = '2026-03-10T06:00:00.000Z';
const planOf = (id: string): MakePlan =>
  planOfMethod(
    SHIPPED_METHODS.find((m) => m.id === id)!,
    defaultKitchen('UTC'),
    AT,
    2,
  );
const withSteps = (plan: MakePlan, steps: StepInstance[]): MakePlan =>
  makePlan.parse({ ...plan, method: { ...plan.method, steps } });

describe('what is stirred in', () => {
  const plan = planOf('yogurt');
  const sweet = withSteps(plan, withMixedIn(plan.method.steps, 'honey', 0.06));

  test('goes in when it has soured, before it is weighed', () => {
    const kinds = sweet.method.steps.map(({ kind }) => kind);
    expect(kinds.indexOf('mix-in')).toBeGreaterThan(kinds.indexOf('incubate'));
    expect(kinds.indexOf('mix-in')).toBeLessThan(kinds.indexOf('weigh'));
    expect(mixedIn(sweet).map(({ what }) => what)).toEqual(['honey']);
    expect(methodSteps(sweet).find(({ kind }) => kind === 'mix-in')!.cautions).toContain('honey-infants');
  });

  test('is the share of the whole that was asked for', () => {
    const { added, out } = massFlow(sweet, { skipped: new Set() });
    const [honey] = added;
    expect(honey!.massKg / out.massKg).toBeCloseTo(0.06, 6);
  });

  test('a second one has a name of its own', () => {
    const both = withSteps(sweet, withMixedIn(sweet.method.steps, 'vanilla', 0.002));
    expect(new Set(both.method.steps.map(({ id }) => id)).size).toBe(both.method.steps.length);
    expect(mixedIn(both)).toHaveLength(2);
  });
});

describe('what is dosed by its label', () => {
  const cheese = SHIPPED_METHODS.find(({ steps }) => steps.some(({ kind }) => kind === 'add-rennet'))!.id;

  test('goes in just before the rennet, so much for each litre', () => {
    const plan = planOf(cheese);
    const dosed = withSteps(plan, withDose(plan.method.steps, 'calcium-chloride')!);
    const kinds = dosed.method.steps.map(({ kind }) => kind);
    expect(kinds[kinds.indexOf('add-rennet') - 1]).toBe('add-dose');
    const [dose] = dosesOf(dosed);
    expect(labelDoseWords(dosed, { ...dose!, perLitre: 0.3, unit: 'mL' })).toBe(
      `${Number((0.3 * batchOf(dosed).litres).toPrecision(2))} mL`,
    );
    expect(labelDoseWords(dosed, { ...dose!, perLitre: 0.1, unit: 'drops' })).toBe('1 drop');
    const step = methodSteps(dosed).find(({ kind }) => kind === 'add-dose')!;
    expect(step.title).toBe('Add calcium chloride');
    expect(step.doing).toContain('Its own label overrides this dose.');
  });

  test('where no rennet goes in there is no place for it', () => {
    expect(withDose(planOf('yogurt').method.steps, 'lipase')).toBeNull();
  });
});

test('frozen yogurt of a machine is churned in minutes and hardened in hours', () => {
  const plan = planOf('frozen-yogurt-machine');
  const freeze = methodSteps(plan).find(({ kind }) => kind === 'freeze')!;
  expect(freeze.aim).toEqual({ to: 'time', minutes: 2.5 * 60 + 25 });
  expect(freeze.doing).toContain('two thirds');
  expect(freeze.cautions).toContain('blades-off');
  expect(methodSteps(planOf('frozen-yogurt')).find(({ kind }) => kind === 'freeze')!.cautions).not.toContain(
    'blades-off',
  );
});
