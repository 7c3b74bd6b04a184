import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makePlan, method, PRODUCT_IDS, stepInstance, STEP_KINDS, type Method } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import {
  differences,
  duplicated,
  fieldsOfStep,
  foldMethods,
  freshStep,
  isoDuration,
  kgOf,
  measureMethod,
  methodFaults,
  methodJson,
  minutesInText,
  minutesOfIso,
  MOST_FILE_CHARS,
  movedStep,
  nextVersion,
  readMethodFile,
  recipeOf,
  withField,
  withoutStep,
  withStep,
} from './index.ts';

const ID = '01HMMMMMMMMMMMMMMMMMMMMMMM';
const AT = '2026-03-05T08:00:00.000Z';
const KITCHEN = defaultKitchen('UTC');
const shipped = (id: string): Method => SHIPPED_METHODS.find((m) => m.id === id)!;
const SKYR = shipped('skyr');

test('no shipped method is at fault', () => {
  for (const own of SHIPPED_METHODS) expect([own.id, methodFaults(own)]).toEqual([own.id, []]);
});

describe('changing a method', () => {
  test('a copy is one’s own, says what it came from, and stays whole through every change', () => {
    const own = duplicated(SKYR, ID, 'Ours');
    expect(own).toMatchObject({ id: ID, version: 1, name: 'Ours', basedOn: { id: 'skyr', version: 1 } });
    const rested = withStep(own, freshStep(own.steps, 'rest'), own.steps.length);
    expect(methodFaults(rested)).toEqual([]);
    expect(freshStep(rested.steps, 'rest').id).toBe('rest-2');
    const up = movedStep(rested, rested.steps.length - 1, -1);
    expect(up.steps.at(-2)!.kind).toBe('rest');
    expect(movedStep(own, 0, -1)).toBe(own);
    expect(withoutStep(rested, rested.steps.length - 1).steps).toEqual(own.steps);
  });

  test.each([
    ['no steps at all', (m: Method) => ({ ...m, steps: [] }), /has no steps/],
    [
      'a step without its parameters',
      (m: Method) => ({ ...m, steps: [{ id: 'press', kind: 'press' }] as never }),
      /weightKg/,
    ],
    [
      'a wait for a set without rennet',
      (m: Method) => ({
        ...m,
        steps: m.steps.filter((s) => s.kind !== 'add-rennet').concat({ id: 'coagulate', kind: 'coagulate' }),
      }),
      /no rennet/,
    ],
    [
      'a souring that nothing began',
      (m: Method) => ({ ...m, steps: m.steps.filter((s) => s.kind !== 'inoculate') }),
      /no starter goes in before it/,
    ],
    [
      'rennet of absurd strength',
      (m: Method) => ({
        ...m,
        steps: m.steps.map((s) => (s.kind === 'add-rennet' ? { ...s, strengthImcu: 90_000 } : s)),
      }),
      /stronger than any rennet/,
    ],
    [
      'inoculating after the souring',
      (m: Method) => {
        const at = m.steps.findIndex((s) => s.kind === 'inoculate');
        const i = m.steps.findIndex((s) => s.kind === 'incubate');
        const steps = [...m.steps];
        [steps[at], steps[i]] = [steps[i]!, steps[at]!];
        return { ...m, steps };
      },
      /comes after the souring/,
    ],
    [
      'churning what sours in the same batch',
      (m: Method) =>
        withStep(m, freshStep(m.steps, 'churn'), m.steps.findIndex(({ kind }) => kind === 'incubate') + 1),
      /comes after the souring step, so its time cannot be worked out/,
    ],
    ['no name', (m: Method) => ({ ...m, name: '  ' }), /name/],
  ])('%s is told with its place', (_what, change, words) => {
    const faults = methodFaults(change(SKYR));
    expect(faults.map(({ path, message }) => `${path} ${message}`).join('\n')).toMatch(words);
  });

  test('the fields of every kind of step are those its schema wants, and what they hold can be changed', () => {
    for (const kind of STEP_KINDS) {
      const step = freshStep([], kind);
      expect(stepInstance.safeParse(kind === 'own' ? { ...step, doing: 'Wait.' } : step).success).toBe(true);
      const keys = Object.keys(step).filter((key) => key !== 'id' && key !== 'kind');
      const shown = fieldsOfStep(kind);
      for (const key of keys) expect(shown.map((f) => f.key)).toContain(key);
      for (const field of shown) expect(field.label).not.toBe('');
    }
    expect(fieldsOfStep('stir').find(({ key }) => key === 'toC')).toMatchObject({
      unit: 'celsius',
      nullable: true,
    });
    expect(withField(freshStep([], 'cut'), 'sizeCm', 2)).toMatchObject({ sizeCm: 2 });
  });

  test('two methods are told apart line by line; the same one has none', () => {
    const strained = shipped('yogurt-strained');
    expect(differences(strained, strained)).toEqual([]);
    const lines = differences(shipped('yogurt'), strained);
    expect(lines).toMatchObject([{ is: 'with', step: { kind: 'strain' } }]);
    const tart = { ...SKYR, aims: { ...SKYR.aims, sourness: 'tart' as const } };
    expect(differences(SKYR, tart)).toEqual([
      { is: 'changed', step: null, label: 'Sourness', from: { words: 'classic' }, to: { words: 'tart' } },
    ]);
    // Every number has its unit, so that each kitchen reads it in its own.
    const warmer = { ...SKYR, aims: { ...SKYR.aims, inoculateC: 39 } };
    expect(differences(SKYR, warmer)).toMatchObject([
      { label: 'Inoculation temperature', to: { value: 39, unit: 'celsius' } },
    ]);
    const thicker = {
      ...SKYR,
      steps: SKYR.steps.map((step) => (step.kind === 'strain' ? { ...step, fraction: 0.1 } : step)),
    };
    expect(differences(SKYR, thicker)).toMatchObject([
      { is: 'changed', step: { kind: 'strain' }, to: { value: 0.1, unit: 'percent' } },
    ]);
    const turned = { ...SKYR, steps: [SKYR.steps[1]!, SKYR.steps[0]!, ...SKYR.steps.slice(2)] };
    expect(differences(SKYR, turned)).toEqual([{ is: 'order' }]);
    expect(differences(strained, shipped('yogurt'))).toMatchObject([{ is: 'without' }]);
  });
});

describe('whatever a maker puts together', () => {
  test('is either told to be wrong, with its place, or it can be followed, foreseen and begun', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHIPPED_METHODS),
        fc.constantFrom(...PRODUCT_IDS),
        fc.array(fc.tuple(fc.constantFrom(...STEP_KINDS), fc.nat(20)), { minLength: 1, maxLength: 6 }),
        fc.boolean(),
        (of, product, put, whole) => {
          let made: Method = { ...of, product, steps: whole ? of.steps : [] };
          for (const [kind, at] of put) {
            const step = freshStep(made.steps, kind);
            const own = kind === 'own' ? withField(step, 'doing', 'Wait.') : step;
            made = withStep(made, own, at % (made.steps.length + 1));
          }
          if (methodFaults(made).length > 0) return;
          const plan = planOfMethod(made, KITCHEN, AT, 2);
          expect(makePlan.safeParse(plan).error?.issues).toBeUndefined();
          const measured = measureMethod(made, KITCHEN, AT, 2);
          expect(Number.isFinite(measured.hours) && Number.isFinite(measured.outKg)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });

  test.each([
    [
      'a stand without a feed',
      { steps: [{ id: 'stand', kind: 'stand' as const }] },
      /no feed before this step/,
    ],
    [
      'cheese of cream',
      { product: 'cheese' as const, aims: { milk: { fatFraction: 0.4 } } },
      /is cream, not milk/,
    ],
    ['a packet', { product: 'waking' as const }, /has no method/],
  ])('%s is told', (_what, part, words) => {
    const faults = methodFaults({ ...SKYR, ...part });
    expect(faults.map(({ message }) => message).join()).toMatch(words);
  });
});

describe('versions', () => {
  const saved = (seq: number, m: Method): LoggedEvent => ({
    id: `01HEEEEEEEEEEEEEEEEEEEEE${String(seq).padStart(2, '0')}`,
    streamId: ID,
    at: new Date(Date.parse(AT) + seq * 60_000).toISOString(),
    cookId: null,
    deviceId: 'tablet',
    version: 3,
    type: 'method-changed',
    data: { kind: 'saved', method: m },
    seq,
  });
  test('all are kept, the latest first; put away it can come back; an undo takes one back', () => {
    const first = duplicated(SKYR, ID, 'Ours');
    const second = { ...first, version: 2, name: 'Ours, tarter' };
    const events = [saved(1, first), saved(2, second)];
    const [kept] = foldMethods(events);
    expect(kept!.versions.map((v) => v.method.version)).toEqual([2, 1]);
    expect(nextVersion(kept!)).toBe(3);
    const dropped = { ...saved(3, first), data: { kind: 'dropped' } } as LoggedEvent;
    expect(foldMethods([...events, dropped])[0]!.dropped).toBe(true);
    expect(foldMethods([...events, dropped, saved(4, { ...second, version: 3 })])[0]!.dropped).toBe(false);
    const undo = { ...saved(5, first), type: 'voided', data: { target: events[1]!.id } } as LoggedEvent;
    expect(foldMethods([...events, undo])[0]!.versions.map((v) => v.method.name)).toEqual(['Ours']);
  });
});

describe('files', () => {
  test('a method goes out and comes back whole', () => {
    for (const own of SHIPPED_METHODS) {
      const read = readMethodFile(methodJson(own));
      expect(read.ok && method.parse({ ...read.method, id: own.id })).toEqual(own);
    }
  });

  test.each([
    ['x'.repeat(MOST_FILE_CHARS + 1), /too large for a method/],
    ['{"format"', /not a JSON file/],
    ['[]', /neither a Morning Crock method/],
    ['{"format":"morning-crock-method","version":1,"method":{"steps":[]}}', /method/],
    ['{"format":"morning-crock-method","version":7}', /newer/],
    [JSON.stringify({ '@type': 'Recipe', name: 'Empty' }), /without instructions/],
    [`{"@graph":${'['.repeat(300)}${']'.repeat(300)}}`, /neither a Morning Crock method/],
  ])('what is none is refused in words: %#', (text, words) => {
    const read = readMethodFile(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.message).toMatch(words);
  });

  test('whatever is in a file, it is a method, or words', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        const read = readMethodFile(text);
        if (read.ok) expect(method.safeParse({ ...read.method, id: ID }).success).toBe(true);
        else expect(read.message).not.toBe('');
      }),
      { numRuns: 60 },
    );
  });

  test('a recipe of another program: times, starter and steps are read, the rest is listed', () => {
    const read = readMethodFile(
      JSON.stringify({
        '@context': 'https://schema.org',
        '@graph': [
          { '@type': 'WebPage', name: 'A page' },
          {
            '@type': ['Recipe'],
            name: 'Farm kefir <script>alert(1)</script>',
            description: 'Sour.',
            totalTime: 'soon',
            recipeIngredient: ['2 litres milk', '60 g kefir', '1 pinch of hope'],
            recipeInstructions: [
              {
                '@type': 'HowToSection',
                itemListElement: [{ '@type': 'HowToStep', text: 'Stir the kefir in.', timeRequired: 'PT4M' }],
              },
              { '@type': 'HowToStep', name: 'Wait', text: 'Leave it for 18 to 24 hours, covered.' },
              'Chill it overnight in the fridge.',
              { '@type': 'HowToStep', image: 'x' },
            ],
          },
        ],
      }),
    );
    if (!read.ok) throw new Error(read.message);
    const { method: made, notUnderstood } = read;
    expect(made.name).toBe('Farm kefir alert(1)');
    expect(made.product).toBe('kefir');
    expect(made.steps.map((s) => s.kind === 'own' && [s.handsMin, s.waitMin, s.stands])).toEqual([
      [4, 0, 'as-it-is'],
      [5, 24 * 60, 'as-it-is'],
      [5, 600, 'cold'],
    ]);
    expect(made.aims.starter).toMatchObject({ kind: 'milk-kefir' });
    expect(made.aims.starter!.share).toBeCloseTo(0.06 / 2.06, 3);
    expect(notUnderstood.join('\n')).toMatch(/pinch of hope/);
    expect(notUnderstood.join('\n')).toMatch(/without text/);
    expect(notUnderstood.join('\n')).toMatch(/“soon”/);
    expect(method.safeParse({ ...made, id: ID }).success).toBe(true);
  });

  test('our own recipe is read again with as many steps and the same hours', () => {
    const own = shipped('washed-curd');
    const measured = measureMethod(own, KITCHEN, AT, 4);
    const recipe = recipeOf(own, measured, planOfMethod(own, KITCHEN, AT, 4));
    expect(recipe['@type']).toBe('Recipe');
    const read = readMethodFile(JSON.stringify(recipe));
    expect(read.ok && read.method.steps).toHaveLength(own.steps.length);
    expect(minutesOfIso(recipe.totalTime)! / 60).toBeCloseTo(measured.hours, 1);
  });

  test('durations and amounts as people write them', () => {
    expect([0, 45, 90, 1500, 2880].map(isoDuration)).toEqual(['PT0M', 'PT45M', 'PT1H30M', 'P1DT1H', 'P2D']);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), (min) =>
        expect(minutesOfIso(isoDuration(min))).toBe(min),
      ),
    );
    expect(minutesOfIso('P')).toBeNull();
    expect([minutesInText('for 2-3 hours'), minutesInText('45 min'), minutesInText('a while')]).toEqual([
      180,
      45,
      null,
    ]);
    expect(kgOf('1/2 cup cream')).toBeCloseTo(0.122, 3);
    expect(kgOf('a spoonful')).toBeNull();
  });
});

describe('what a method comes to', () => {
  test('skyr gives whey and a thick third; a richer target takes longer and gives less', () => {
    const kitchen = { ...KITCHEN, site: { ...KITCHEN.site, roomC: 20 } };
    const skyr = measureMethod(SKYR, kitchen, AT, 3);
    expect(skyr.outKg + skyr.wheyKg).toBeCloseTo(3 * 1.036 * 1.02, 1);
    expect(skyr.things).toContain('rennet');
    expect(skyr.cautions).toContain('rennet-no-acid');
    const thicker = {
      ...SKYR,
      steps: SKYR.steps.map((s) => (s.kind === 'strain' ? { ...s, fraction: 0.09 } : s)),
    };
    const more = measureMethod(thicker, kitchen, AT, 3);
    expect(more.outKg).toBeLessThan(skyr.outKg);
    expect(more.hours).toBeGreaterThan(skyr.hours);
  });

  test('a step of one’s own takes the time it says; what never sours in this kitchen is said', () => {
    const own = shipped('cheddared');
    const slow = {
      ...own,
      steps: own.steps.map((s) => (s.kind === 'own' ? { ...s, waitMin: s.waitMin + 60 } : s)),
    };
    const hours = (m: Method): number => measureMethod(m, KITCHEN, AT, 5).hours;
    expect(hours(slow) - hours(own)).toBeCloseTo(1, 1);
    const cold = { ...KITCHEN, site: { ...KITCHEN.site, roomC: 9 } };
    expect(measureMethod(shipped('buttermilk'), cold, AT, 2).never).toBe(true);
    expect(measureMethod(shipped('buttermilk'), KITCHEN, AT, 2).never).toBe(false);
  });
});
