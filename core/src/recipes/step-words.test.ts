import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, potWords } from '../kitchen/index.ts';
import { afterSouring, bandForecast, stateOfPlan, type MakeState } from '../make/index.ts';
import { massFlow, methodSteps, planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { batchOf } from '../setup/index.ts';
import type { MethodStep } from '../steps/index.ts';
import { ingredientsOf } from './recipe-words.ts';

const AT = '2026-03-02T08:00:00.000Z';
/** In butter kg as well: ghee is made of half a kilogram. */
const begun = (id: string, litres = id.startsWith('ghee') ? 0.5 : 2): MakeState =>
  stateOfPlan(
    planOfMethod(
      SHIPPED_METHODS.find((method) => method.id === id)!,
      defaultKitchen('UTC'),
      AT,
      litres,
    ),
  );
const stepOf = (id: string, kind: string): MethodStep =>
  methodSteps(begun(id).plan).find((step) => step.kind === kind)!;

describe('what a step says goes with the batch it belongs to', () => {
  test('milk that sours by itself has no starter whose dose would decide anything', () => {
    const left = stepOf('clabber', 'inoculate');
    expect(left.title).toBe('Leave to sour');
    expect(left.why).not.toContain('dose');
    expect(stepOf('yogurt', 'inoculate').why).toContain('dose');
  });

  test('heat that only kills germs is not said to make the set firmer', () => {
    for (const kind of ['heat', 'hold']) {
      expect(stepOf('jar-of-two-heated', kind).why).toContain('germs');
      expect(stepOf('yogurt', kind).why).toContain('whey protein');
    }
  });

  test('milk for rennet is warmed, and not blamed for being unheated', () => {
    const warm = stepOf('fresh-rennet', 'heat');
    expect(warm.doing).not.toContain('inoculation');
    expect(warm.why).toContain('Rennet');
  });

  test('frozen yogurt is neither heated nor curd', () => {
    expect(stepOf('frozen-yogurt', 'pour').why).toBe('');
    expect(stepOf('frozen-yogurt', 'rest').why).not.toContain('curd');
    expect(stepOf('brined', 'rest').why).toContain('curd');
  });

  test('a step of one’s own lasts its hands and its wait', () => {
    const own = begun('cheddared').plan.method.steps.find((step) => step.kind === 'own')!;
    expect(stepOf('cheddared', 'own').aim).toEqual({ to: 'time', minutes: own.handsMin + own.waitMin });
  });

  test('after a souring comes what the method has next, and the fridge only where it is that', () => {
    expect(afterSouring(begun('yogurt'))).toBe('Move to fridge');
    expect(afterSouring(begun('kefir'))).toBe('Take out grains');
    expect(afterSouring(begun('skyr'))).toBe('Drain');
    expect(afterSouring(begun('cultured-cream'))).toBe('Move to fridge');
  });

  test('a batch is called by what it is: by the product, or by its method where that is a kind of it', () => {
    expect(begun('yogurt-coasting').plan.name).toBe('Yogurt');
    expect(begun('cultured-cream-kefir').plan.name).toBe('Cultured cream');
    expect(begun('brined').plan.name).toBe('Brined cheese');
    const { plan } = begun('yogurt');
    const own = SHIPPED_METHODS.find(({ id }) => id === 'yogurt')!;
    expect(planOfMethod({ ...own, name: 'Sunday’s' }, defaultKitchen('UTC'), AT).name).toBe('Sunday’s');
    expect(plan.method.name).toBe('Held hot, set warm');
  });

  test('what is drunk is not wanted as thick as what is eaten with a spoon', () => {
    for (const id of ['kefir', 'buttermilk', 'clabber', 'jar-of-two'])
      expect([id, begun(id).plan.wanted.thickness]).toEqual([id, 'pourable']);
    expect(begun('yogurt').plan.wanted.thickness).toBe('spoonable');
  });

  test('milk that is only warmed is rung as warm, not hot', () => {
    expect(stepOf('brined', 'heat').due?.text).toContain('warm enough');
    expect(stepOf('yogurt', 'heat').due?.text).toContain('hot enough');
  });

  test('a pot nobody named is the pot; others have their names', () => {
    expect(stepOf('yogurt', 'pour').doing).toBe('Pour the milk into the pot.');
    expect(potWords({ name: 'Enamel pot' })).toBe('Enamel pot');
  });
});

test('two litres by a shipped method set in the usual kitchen, nineteen times in twenty at least', () => {
  for (const { id } of SHIPPED_METHODS) {
    const state = begun(id);
    expect([id, bandForecast(state, Date.parse(AT), 3, 200).neverSets <= 0.05]).toEqual([id, true]);
  }
});

describe('what goes in and what comes out', () => {
  const flowOf = (id: string) => {
    const { plan } = begun(id);
    return { plan, ...massFlow(plan, { denatured: 0.5 }) };
  };

  test.each(SHIPPED_METHODS.map(({ id }) => id))('%s: all that went in is there, or was parted off', (id) => {
    const { wentIn, out, off, added } = flowOf(id);
    const sum = (parts: readonly { readonly massKg: number }[]): number =>
      parts.reduce((kg, { massKg }) => kg + massKg, 0);
    expect(out.massKg + sum(off)).toBeCloseTo(wentIn.massKg + sum(added), 6);
  });

  test('salt is a few hundredths of what is salted, though the whey was drawn off by hand', () => {
    for (const id of ['cheddared', 'fresh-rennet', 'cream-cheese']) {
      const { added, out } = flowOf(id);
      const salt = added.find(({ what }) => what === 'salt')!;
      expect(salt.massKg / out.massKg).toBeGreaterThan(0.005);
      expect(salt.massKg / out.massKg).toBeLessThan(0.035);
    }
  });

  test('grains come out of kefir as they went in', () => {
    const { plan, out, off } = flowOf('kefir');
    expect(off).toEqual([expect.objectContaining({ what: 'grains', massKg: plan.starter.massKg })]);
    expect(out.massKg).toBeCloseTo(batchOf(plan).massKg, 6);
    expect(flowOf('kefir-of-kefir').off).toEqual([]);
  });

  test('a starter belongs to a batch that is inoculated, and to no other', () => {
    for (const method of SHIPPED_METHODS) {
      const { plan } = begun(method.id);
      if (!methodSteps(plan).some(({ facts }) => facts.inoculates))
        expect([method.id, plan.starter.kind, plan.starter.massKg]).toEqual([method.id, 'none', null]);
    }
  });

  test('ingredients are called what they are', () => {
    const poured = (id: string): string => ingredientsOf(begun(id).plan, [])[0]!;
    expect(poured('yogurt-ewe')).toBe('2 L ewe’s milk');
    expect(poured('frozen-yogurt')).toBe('2 L yogurt');
    expect(poured('butter-curd')).toMatch(/^2 L whole soured milk, \d % fat$/);
    expect(poured('butter')).toMatch(/^2 L cream, \d\d % fat$/);
  });
});
