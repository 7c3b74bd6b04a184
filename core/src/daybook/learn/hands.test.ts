import { describe, expect, test } from '@jest/globals';
import type { StepKind } from '../../contract/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { stateOfPlan, type MakeState } from '../../make/index.ts';
import { planOfMethod } from '../../products/index.ts';
import { SHIPPED_METHODS } from '../../products/methods/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { layDay } from '../../timetable/index.ts';
import { factorsFor, learnFactors } from './factors.ts';
import { handsPaces, handsSaid } from './hands.ts';
import { factorWords } from './learned-words.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T07:00:00.000Z';
const START = Date.parse(AT);
const METHOD = SHIPPED_METHODS.find(({ id }) => id === 'cream-cheese')!;
const PLAN = planOfMethod(METHOD, KITCHEN, AT, 2);
const ID = '01HGGGGGGGGGGGGGGGGGGGGG0';

/** A finished batch of which every step took so many minutes after the one before. */
function batch(n: number, minutesOf: (kind: StepKind, handsMin: number) => number): MakeState {
  const state = stateOfPlan({ ...PLAN, name: `Batch ${n}` });
  let endMs = START;
  const steps = state.steps.map((own) => {
    const startedAtMs = endMs;
    endMs += minutesOf(own.step.kind, own.step.handsMin) * MINUTE_MS;
    return { ...own, status: 'done' as const, startedAtMs, endedAtMs: endMs };
  });
  return {
    ...state,
    id: `${ID}${n}`,
    steps,
    finished: { atMs: endMs, verdict: 'kept', reason: '' },
  };
}
const asTheBook = (_kind: StepKind, handsMin: number): number => handsMin;
const slowToSalt = (kind: StepKind, handsMin: number): number => (kind === 'salt' ? 2 * handsMin : handsMin);

describe('how long hands take here', () => {
  test('is told by steps that are hands alone, from the end of the step before', () => {
    const said = handsSaid(batch(1, slowToSalt));
    expect(said.find(({ kind }) => kind === 'salt')!.value).toBeCloseTo(Math.log(2), 6);
    // The first has nothing before it; what heats, cools, sours or drains is not hands alone.
    for (const kind of ['pour', 'heat', 'cool', 'incubate', 'strain'])
      expect(said.some((one) => one.kind === kind)).toBe(false);
  });

  test('what was tapped at once, or an hour later, tells nothing of hands', () => {
    const tapped = (_kind: StepKind, handsMin: number): number => handsMin / 10;
    const away = (_kind: StepKind, handsMin: number): number => handsMin * 10;
    expect(handsSaid(batch(1, tapped))).toEqual([]);
    expect(handsSaid(batch(1, away))).toEqual([]);
  });

  test('a day is laid out by it from the third batch on, longer by as much; a plan has none of its own', () => {
    const learned = (count: number) =>
      learnFactors(
        Array.from({ length: count }, (_, n) => batch(n, slowToSalt)),
        KITCHEN,
      );
    expect(handsPaces(learned(2))).toEqual({});
    const factors = learned(6);
    const paces = handsPaces(factors);
    // Shrunk towards the book, and further from it with every batch.
    expect(paces.salt).toBeGreaterThan(1.6);
    expect(paces.salt).toBeLessThan(2);
    expect(paces.weigh).toBeCloseTo(1, 6);
    const salt = factors.find(({ kind, thing }) => kind === 'hands' && thing === 'salt')!;
    expect(salt.name).toBe('Salting');
    expect(factorWords(salt, 'C')).toMatch(/^\d+ % more time than usual \(6 batches, ± \d+ %\)$/);
    expect(
      factorsFor(
        PLAN,
        factors.filter(({ kind }) => kind === 'hands'),
      ),
    ).toEqual({});
    const minutesOf = (over: Parameters<typeof layDay>[0]['paces']): number => {
      const day = layDay({
        kitchen: KITCHEN,
        zeroMs: START,
        days: 3,
        makes: [{ id: 'c', name: 'Cream cheese', method: METHOD, litres: 2 }],
        ...(over ? { paces: over } : {}),
      });
      if (!day.fits) throw new Error(day.why);
      const own = day.hands.find(({ step }) => step.startsWith('salt'))!;
      return own.to - own.from;
    };
    // Washing up, which stands in the same block, takes as long as ever.
    const book = minutesOf(undefined);
    const { handsMin } = stateOfPlan(PLAN).steps.find(({ step }) => step.kind === 'salt')!.step;
    expect(minutesOf({ salt: 2 }) - book).toBe(handsMin);
    expect(book - minutesOf({ salt: 0.5 })).toBe(Math.floor(handsMin / 2));
  });

  test('who works as the book says changes nothing', () => {
    const factors = learnFactors(
      [0, 1, 2].map((n) => batch(n, asTheBook)),
      KITCHEN,
    );
    for (const pace of Object.values(handsPaces(factors))) expect(pace).toBeCloseTo(1, 6);
  });
});
