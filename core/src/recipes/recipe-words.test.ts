import { describe, expect, test } from '@jest/globals';
import { defaultKitchen } from '../kitchen/index.ts';
import type { Method } from '../contract/index.ts';
import type { WarmPlaceKind } from '../science/heat/index.ts';
import { methodSteps, planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { planInstructions } from './instructions.ts';
import { measureMethod } from './measure.ts';
import { recipeOf } from './recipe.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T08:00:00.000Z';
const methodOf = (id: string): Method => SHIPPED_METHODS.find((m) => m.id === id)!;
const recipe = (id: string, litres: number) => {
  const method = methodOf(id);
  return recipeOf(
    method,
    measureMethod(method, KITCHEN, AT, litres),
    planOfMethod(method, KITCHEN, AT, litres),
  );
};
const texts = (id: string, litres: number): string[] =>
  recipe(id, litres).recipeInstructions.map(({ text }) => text);

describe('a recipe stands by itself', () => {
  test('yogurt: every temperature in both units, the minutes, the dose and the cue', () => {
    const all = texts('yogurt', 2).join('\n');
    expect(all).toMatch(/Stop at 85 °C \(185 °F\), after about \d+ min\./);
    expect(all).toMatch(/For 10 min\./);
    // Hours are no matter of minutes.
    expect(all).toMatch(/sour enough \(classic\), after about \d+ h(?: \d0 min)?\./);
    expect(all).toMatch(/Stop at 44\.0 °C \(111 °F\)/);
    expect(all).toMatch(/Starter: \d+ g live plain yogurt\./);
    expect(all).toMatch(
      /Stop when it smells clean and is sour enough \(classic\), after about \d+ h(?: \d0 min)?\. Keep it at 43\.0 °C \(109 °F\)\./,
    );
    expect(recipe('yogurt', 2).recipeIngredient).toEqual([
      '2 L shop milk, whole',
      expect.stringMatching(/^\d+ g live plain yogurt$/),
    ]);
  });

  test('where it sours is told as it is: a steady place by its temperature, the room by its own, a wrapped pot by its wrapping', () => {
    const method = methodOf('yogurt');
    const of = (kind: WarmPlaceKind): string => {
      const plan = planOfMethod(method, KITCHEN, AT, 2);
      const { setPointC: _none, ...place } = plan.place;
      const own = { ...plan, roomC: 17, place: { ...place, kind } };
      return [...planInstructions(own).values()].join('\n');
    };
    expect(of('towel')).toContain('Place: wrapped in two thick towels.');
    expect(of('thermos')).toContain('Place: thermos.');
    expect(of('oven-lamp')).toContain('Keep it at 32.0 °C (90 °F).');
    expect(of('room')).toContain('Keep it at room temperature, about 17.0 °C (63 °F).');
    for (const kind of ['towel', 'thermos', 'oven-lamp', 'insulated-box'] as const)
      expect(of(kind)).not.toContain('17.0 °C');
  });

  test('nothing is told twice: how long it chills stands there already', () => {
    const all = [...planInstructions(planOfMethod(methodOf('yogurt'), KITCHEN, AT, 2)).values()].join('\n');
    expect(all).toContain('Judge it after 4–24 h.');
    expect(all).not.toContain('Four hours or more');
  });

  const told = (id: string): string =>
    [...planInstructions(planOfMethod(methodOf(id), KITCHEN, AT, 2)).values()].join('\n');

  test('each starter goes in as it should: grains are not whisked, a packet is sprinkled, two are told as two', () => {
    expect(told('kefir')).toContain('Put the grains into the milk and stir gently.');
    expect(told('kefir')).not.toContain('Whisk');
    expect(told('yogurt-packet')).toContain('Sprinkle the culture on the milk');
    expect(told('yogurt-packet')).toContain('dried yogurt culture, the packet’s dose for this much milk.');
    expect(told('cultured-cream-whey')).toContain('Stir the whey into the cream.');
    expect(told('cultured-cream-mixed')).toMatch(
      /Starter: \d+ g cultured buttermilk or sour cream and \d+ g live plain yogurt\./,
    );
    // What is not kept warm is not told to be.
    expect(told('buttermilk')).not.toContain('Keep the jar warm');
  });

  test('what is done says what comes next: into the fridge, or into the cloth and through the sieve', () => {
    const done = (id: string): string =>
      methodSteps(planOfMethod(methodOf(id), KITCHEN, AT, 2)).find(({ facts }) => facts.sours)!.doneWords;
    expect(['yogurt', 'buttermilk', 'cultured-cream'].map(done)).toEqual(Array(3).fill('Move to fridge'));
    expect(['skyr', 'kefir', 'cream-cheese'].map(done)).toEqual(Array(3).fill('Sour enough'));
    // Cream that a kitchen hangs in a cloth right after it ripened, too.
    const cream = methodOf('cultured-cream');
    const strain = methodOf('cream-cheese').steps.filter(({ kind }) => kind === 'strain');
    const hung = {
      ...cream,
      steps: cream.steps.flatMap((step) => (step.kind === 'thicken' ? strain : [step])),
    };
    expect(methodSteps(planOfMethod(hung, KITCHEN, AT, 1)).find(({ facts }) => facts.sours)!.doneWords).toBe(
      'Sour enough',
    );
  });

  test('no amount and no time is told twice', () => {
    expect(told('skyr').match(/0\.\d mL/g)).toHaveLength(1);
    expect(told('ghee')).not.toMatch(/10–15 min\. For 12 min/);
    for (const { id } of SHIPPED_METHODS) {
      const sentences = told(id).split(/(?<=[.!?])\s/);
      for (const [n, sentence] of sentences.entries())
        if (n > 0) expect([id, sentence === sentences[n - 1]]).toEqual([id, false]);
    }
  });

  test('rennet and salt are among the ingredients, and in the step that puts them in', () => {
    const { recipeIngredient } = recipe('brined', 4);
    expect(recipeIngredient.some((line) => /^rennet, about .*(drops|mL|tablet)/.test(line))).toBe(true);
    expect(texts('brined', 4).join('\n')).toMatch(/Rennet, about /);
  });

  test('each step carries its cautions: raw milk, hot milk, rennet', () => {
    expect(texts('clabber', 2).join('\n')).toContain('Raw milk from any farm can carry germs.');
    expect(texts('yogurt', 2).join('\n')).toContain('Hot milk and steam burn.');
    expect(texts('brined', 2).join('\n')).toContain('a set does not prove acid');
  });

  test('what ages is told in days, and no time twice', () => {
    const all = texts('brined', 2).join('\n');
    expect(all).toMatch(/7 days, turned every 2 days\./);
    expect(all).not.toContain('about 168 h');
  });

  test.each(SHIPPED_METHODS.map(({ id }) => [id] as const))(
    '%s: no step points elsewhere, and each is a whole sentence',
    (id) => {
      for (const text of texts(id, 3)) {
        expect(text).not.toMatch(/temperature below|as shown|undefined|NaN|null/);
        expect(text).toMatch(/^[A-Z].*[.!?]$/s);
      }
    },
  );
});

describe('what hands do in a plan of a day, each time they come', () => {
  test('at the end of what goes by itself what to look for, and before it how it is set going', () => {
    const told = planInstructions(planOfMethod(methodOf('yogurt'), KITCHEN, AT, 2));
    expect(told.get('pour')).toMatch(
      /^Pour the milk .*\. Then: Heat the milk on medium heat\. Keep stirring\. Stop at 85 °C \(185 °F\), after about \d+ min\.$/,
    );
    expect(told.get('heat')).toMatch(/^The milk should be hot enough\. .* Then: Hold .*For 10 min\.$/);
    expect(told.get('inoculate')).toMatch(/Then: .*43\.0 °C/);
    expect(told.get('incubate')).not.toMatch(/43\.0 °C/);
    expect([...told.values()].every((text) => text === '' || /^[A-Z].*[.!?]$/s.test(text))).toBe(true);
  });

  test('what hands are at all along is told where it begins', () => {
    const ghee = methodOf('ghee');
    const told = planInstructions(planOfMethod(ghee, KITCHEN, AT, 0.5));
    expect(told.get('clarify')).toMatch(/^Stir all the time/);
  });
});
