import { describe, expect, test } from '@jest/globals';
import { LANTERN_FOLD } from '../demo/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { playedEvents } from '../daybook/learn/fixtures/synthetic-kitchen.ts';
import { defaultPlan } from '../products/index.ts';
import { MILK_FACTS } from '../science/milk/index.ts';
import { createRandom } from '../science/numerics/index.ts';
import { answerSum, listSums } from './index.ts';

const milk = MILK_FACTS['cow-lean'].composition;
const skimmed = MILK_FACTS['shop-skimmed'].composition;

/** Every field an answer of these sums may have. */
interface Answer {
  readonly composition: { readonly fatFraction: number; readonly proteinFraction: number };
  readonly powderKg: number;
  readonly minutes: number;
  readonly bathEndC: number;
  readonly iceNeededKg: number;
  readonly outcome: string;
  readonly coolestC: number;
  readonly makes: number;
  readonly offers: readonly {
    readonly ready: string;
    readonly prices: readonly { readonly kind: string }[];
  }[];
  readonly factors: readonly { readonly kind: string; readonly mean: number; readonly words: string }[];
}

function ask(name: string, input: unknown): Answer {
  const answer = answerSum(name, JSON.stringify(input));
  if (!answer.ok) throw new Error(answer.message);
  return answer.json as Answer;
}
const fault = (name: string, input: unknown): string => {
  const answer = answerSum(name, JSON.stringify(input));
  return answer.ok ? '' : answer.message;
};

test('every sum is listed with what it takes and gives', () => {
  const names = (listSums() as { name: string; in: object; out: object }[]).map((s) => s.name);
  expect(names).toEqual(
    expect.arrayContaining(['mix', 'powder', 'bath', 'box', 'thermometer', 'plan', 'learn']),
  );
});

describe('mix and powder', () => {
  test('two milks: half-way fat, added masses, added cost', () => {
    const out = ask('mix', {
      parts: [
        { composition: milk, massKg: 2, costPerKg: 1 },
        { composition: skimmed, massKg: 2, costPerKg: 0.5 },
      ],
    });
    expect(out.composition.fatFraction).toBeCloseTo((0.037 + 0.001) / 2, 9);
    expect(out).toMatchObject({ massKg: 4, cost: 3 });
  });

  test('powder to a goal, powder given, and a goal this powder cannot reach', () => {
    const goal = ask('powder', {
      composition: milk,
      massKg: 2,
      powder: 'skim',
      proteinFraction: 0.045,
    });
    expect(goal.composition.proteinFraction).toBeCloseTo(0.045, 9);
    const given = ask('powder', {
      composition: milk,
      massKg: 2,
      powder: 'skim',
      powderKg: goal.powderKg,
    });
    expect(given.composition.proteinFraction).toBeCloseTo(0.045, 9);
    expect(
      ask('powder', { composition: milk, massKg: 2, powder: 'whole', proteinFraction: 0.3 }),
    ).toMatchObject({ powderKg: null });
    expect(fault('powder', { composition: milk, massKg: 2, powder: 'skim' })).toContain(
      'either proteinFraction or powderKg',
    );
  });
});

describe('heat', () => {
  const pot = { composition: milk, litres: 4, startC: 85, targetC: 44, airC: 20 };
  test('a bath with the ice it asks for gets there', () => {
    const dry = ask('bath', { ...pot, waterLitres: 3, waterC: 18 });
    const iced = ask('bath', {
      ...pot,
      waterLitres: 3,
      waterC: 18,
      iceKg: dry.iceNeededKg,
    });
    expect(iced.minutes).toBeGreaterThan(3);
    expect(iced.bathEndC).toBeLessThan(40);
    expect(ask('bath', { ...pot, waterLitres: 1, waterC: 30 })).toMatchObject({ minutes: null });
  });

  test('a box asks for bottles and stays warm with them', () => {
    const out = ask('box', {
      composition: milk,
      litres: 3,
      startC: 44,
      roomC: 18,
      tauH: 10,
      bottlesC: 60,
      hours: 8,
    });
    expect(out.outcome).toBe('bottles');
    expect(out.coolestC).toBeCloseTo(40, 1);
  });

  test('a thermometer’s check sets readings right', () => {
    expect(ask('thermometer', { iceC: 1, altitudeM: 0, readingsC: [44] })).toEqual({
      offsetC: -1,
      slope: 1,
      correctedC: [43],
    });
    expect(fault('thermometer', { altitudeM: 0 })).toContain('at least one');
    expect(fault('thermometer', { iceC: 20, altitudeM: 0 })).toContain('melting ice');
  });
});

describe('plan and learn', () => {
  test('backwards from tomorrow morning: offers with prices, or the reason', () => {
    const kitchen = defaultKitchen('UTC');
    const now = '2026-03-02T06:00:00.000Z';
    const input = { plan: defaultPlan(kitchen, now), kitchen, goal: 'eat', now };
    const out = ask('plan', {
      ...input,
      by: '2026-03-03T07:00:00.000Z',
    });
    expect(out.outcome).toBe('found');
    for (const offer of out.offers) {
      expect(offer.ready <= '2026-03-03T07:00:00.000Z').toBe(true);
      expect(offer.prices[0]!.kind).toBe('start');
    }
    expect(ask('plan', { ...input, by: '2026-03-02T09:00:00.000Z' })).toMatchObject({
      outcome: 'none',
      reason: 'too-late',
      offers: [],
    });
  });

  test('makes in, factors out, in words', () => {
    const hidden = { lnRate: 0.2, placeOffC: -1.5, lnBurner: -0.2, lnLoss: 0.1, batchSigma: 0.02 };
    const makes = playedEvents(hidden, 3, createRandom(4));
    const out = ask('learn', {
      kitchen: LANTERN_FOLD,
      makes,
    });
    expect(out.makes).toBe(3);
    const rate = out.factors.find((f) => f.kind === 'rate')!;
    expect(rate.mean).toBeGreaterThan(0.03);
    expect(rate.words).toContain('faster than usual (3 batches');
    expect(fault('learn', { kitchen: LANTERN_FOLD, makes: [{ id: makes[0]!.id, events: [] }] })).toContain(
      'makes.0.events',
    );
  });
});

describe('what goes in', () => {
  const raw = (name: string, input: unknown): Record<string, unknown> => {
    const answer = answerSum(name, JSON.stringify(input));
    if (!answer.ok) throw new Error(answer.message);
    return answer.json as Record<string, unknown>;
  };

  test('skimming: what is lifted and what is left are the whole', () => {
    const out = raw('skim', { composition: milk, massKg: 8, kind: 'cow-lean', treatment: 'raw', hours: 14 });
    const creamKg = out['creamKg'] as number;
    const restKg = out['restKg'] as number;
    expect(creamKg + restKg).toBeCloseTo(8, 6);
    expect(
      creamKg * (out['creamFatFraction'] as number) + restKg * (out['restFatFraction'] as number),
    ).toBeCloseTo(8 * milk.fatFraction, 6);
    expect(
      raw('skim', {
        composition: milk,
        massKg: 8,
        kind: 'cow-lean',
        treatment: 'raw',
        homogenised: true,
        hours: 14,
      })['creamKg'],
    ).toBe(0);
    expect(
      fault('skim', { composition: milk, massKg: -1, kind: 'cow-lean', treatment: 'raw', hours: 1 }),
    ).toContain('massKg');
  });

  test('standardising meets the fat; what lies outside of both is null', () => {
    const out = raw('standardise', { a: milk, b: skimmed, fatFraction: 0.02, massKg: 5 });
    expect((out['aKg'] as number) + (out['bKg'] as number)).toBeCloseTo(5, 6);
    expect((out['composition'] as { fatFraction: number }).fatFraction).toBeCloseTo(0.02, 9);
    expect(raw('standardise', { a: milk, b: skimmed, fatFraction: 0.2, massKg: 5 })['aKg']).toBeNull();
  });

  test('a kept culture wants more; thawing takes longer when it is larger', () => {
    const question = {
      kind: 'fresh-yogurt',
      freshRatio: 0.02,
      temperature: { kind: 'constant', celsius: 43 },
      plasmaSnfPercent: 9,
    };
    expect(raw('dose', question)['ratio']).toBeCloseTo(0.02, 4);
    const old = raw('dose', { ...question, coldD: 10 });
    expect(old['ratio']).toBeGreaterThan(0.02);
    expect(old['living']).toBeLessThan(0.5);
    const hours = (pieceKg: number): number =>
      raw('thaw', { composition: milk, pieceKg, airC: 4 })['hours'] as number;
    expect(hours(1)).toBeGreaterThan(hours(0.5));
    expect(fault('thaw', { composition: milk, pieceKg: 1, airC: -2 })).toContain('airC');
  });

  test('days of milk in, a curve out', () => {
    const days = Array.from({ length: 40 }, (_, i) => [
      20 + i,
      9 * (20 + i) ** 0.2 * Math.exp(-0.0035 * (20 + i)),
    ]);
    const out = raw('lactation', { kind: 'cow-lean', daysAndLitres: days, askDays: [80] });
    const [then] = out['expected'] as { p10: number; p50: number; p90: number }[];
    expect(then!.p50).toBeCloseTo(9 * 80 ** 0.2 * Math.exp(-0.0035 * 80), 0);
    expect(then!.p10).toBeLessThan(then!.p50);
    expect(fault('lactation', { kind: 'cow-lean', daysAndLitres: [[1, 2]] })).toContain('daysAndLitres');
  });
});

test('yield: where the fat of a churning went, by what was weighed', () => {
  const sum = (over: object) =>
    answerSum(
      'yield',
      JSON.stringify({
        creamKg: 2,
        creamFatFraction: 0.35,
        butterKg: 0.82,
        moistureFraction: null,
        buttermilkKg: 1.1,
        buttermilkFatFraction: null,
        ...over,
      }),
    );
  const whole = sum({});
  expect(whole).toMatchObject({ ok: true, json: { fatKg: 0.7, inButterKg: 0.6642, inButtermilkKg: 0.0088 } });
  const tested = sum({ moistureFraction: 0.2 });
  expect(tested).toMatchObject({ ok: true, json: { inButterKg: 0.6396 } });
  expect(sum({ butterKg: null })).toMatchObject({
    ok: true,
    json: { inButterKg: null, overrunFraction: null },
  });
  expect(sum({ butterKg: 3 })).toMatchObject({ ok: false });
});

test('pays: what bought cream is worth as butter', () => {
  const sum = (over: object) =>
    answerSum(
      'pays',
      JSON.stringify({
        creamKg: 1,
        fatFraction: 0.36,
        creamCost: 4,
        butterCostPerKg: 11,
        buttermilkCostPerKg: 0,
        ...over,
      }),
    );
  // 0.36 of fat against 0.81 in the butter, 0.006 left behind: 0.4403 kg, worth 4.84.
  const pays = sum({});
  if (!pays.ok) throw new Error('it pays');
  const { butterKg, breakEvenCost } = pays.json as { butterKg: number; breakEvenCost: number };
  expect(butterKg).toBeCloseTo(0.4403, 4);
  expect(breakEvenCost).toBeCloseTo(4.8433, 4);
  expect(sum({ fatFraction: 0.04 })).toMatchObject({ ok: false });
});
