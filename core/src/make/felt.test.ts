import { describe, expect, test } from '@jest/globals';
import type { MakePlan } from '../contract/index.ts';
import { HEAT_CUE_FACTS, HEAT_CUES, boilingPointC, feltHeat, type HeatCue } from '../science/heat/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { beginPlan } from '../products/index.ts';
import { createLog } from './fixtures/make-events.ts';
import { foldMake, levelKg, LEVELS, litresByRuler, walkThermal, type MakeState } from './index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

const AT = '2026-03-02T06:00:00.000Z';
const START = Date.parse(AT);
const plan: MakePlan = beginPlan('yogurt', defaultKitchen('UTC'), AT, 2);

/** The batch after its milk was poured, with what was felt so many minutes after. */
function felt(...cues: readonly (readonly [number, HeatCue])[]): MakeState {
  const log = createLog();
  return foldMake('01AAAAAAAAAAAAAAAAAAAAAAAA', [
    log(0, 'make-started', { plan }),
    log(1, 'step-done', { step: 'pour' }),
    ...cues.map(([minute, cue]) => log(minute, 'heat-felt', { cue })),
  ])!;
}
const heating = (state: MakeState, nowMin: number) => {
  const walk = walkThermal(state, START + nowMin * MINUTE_MS);
  const step = walk.steps.find(({ kind }) => kind === 'heat')!;
  return { endMin: (step.endMs - START) / MINUTE_MS, sigmaMin: step.sigmaMin, course: walk.course };
};

describe('how warm milk is by eye and finger', () => {
  test('each is a range, and they go from hot to cold', () => {
    const warm = HEAT_CUES.map((cue) => feltHeat(cue, 100).celsius);
    expect(warm).toEqual([...warm].sort((a, b) => b - a));
    for (const cue of HEAT_CUES) expect(HEAT_CUE_FACTS[cue].sigmaC).toBeGreaterThan(0.5);
    expect(feltHeat('boils', 2000).celsius).toBeCloseTo(boilingPointC(2000), 9);
  });

  test('milk that steams early is hot sooner, milk that is only lukewarm late is hot later; both stay wide', () => {
    const plain = heating(felt(), 12);
    const early = heating(felt([12, 'steams']), 12);
    const late = heating(felt([20, 'lukewarm']), 20);
    expect(early.endMin).toBeLessThan(plain.endMin - 3);
    expect(late.endMin).toBeGreaterThan(plain.endMin + 1);
    expect(early.sigmaMin).toBeGreaterThan(1);
  });

  test('a rough reading moves the curve only part of the way a thermometer would', () => {
    const log = createLog();
    const read = foldMake('01AAAAAAAAAAAAAAAAAAAAAAAA', [
      log(0, 'make-started', { plan }),
      log(1, 'step-done', { step: 'pour' }),
      log(12, 'temperature-read', { celsius: 66, instrument: 'hand', typed: { value: 66, unit: 'C' } }),
    ])!;
    const [none, rough, exact] = [felt(), felt([12, 'steams']), read].map((s) => heating(s, 12).endMin);
    expect(rough).toBeLessThan(none!);
    expect(rough).toBeGreaterThan(exact!);
  });

  test('bubbles at the rim do not end a heating to 85 °C: nobody measured it', () => {
    const state = felt([25, 'rim-bubbles']);
    expect(state.current?.step.kind).toBe('heat');
    expect(heating(state, 25).endMin).toBeGreaterThanOrEqual(25);
  });

  test('a finger that bears it ten seconds says when to inoculate', () => {
    const log = createLog();
    const state = foldMake('01AAAAAAAAAAAAAAAAAAAAAAAA', [
      log(0, 'make-started', { plan }),
      ...(['pour', 'heat', 'hold'] as const).map((step, i) => log(30 + i, 'step-done', { step })),
      log(60, 'heat-felt', { cue: 'ten-seconds' }),
    ])!;
    const cool = walkThermal(state, START + 60 * MINUTE_MS).steps.find(({ kind }) => kind === 'cool')!;
    expect((cool.endMs - START) / MINUTE_MS).toBeLessThan(80);
    expect(cool.sigmaMin).toBeGreaterThan(1);
  });
});

test('a skin seen while it is held does not make it cold', () => {
  const log = createLog();
  const state = foldMake('01AAAAAAAAAAAAAAAAAAAAAAAA', [
    log(0, 'make-started', { plan }),
    log(1, 'step-done', { step: 'pour' }),
    log(34, 'step-done', { step: 'heat' }),
    log(38, 'heat-felt', { cue: 'skin' }),
  ])!;
  expect(walkThermal(state, START + 40 * MINUTE_MS).course.at(-1)![1]).toBeLessThan(50);
  const held = walkThermal(state, START + 40 * MINUTE_MS).course.filter(
    ([ms]) => ms === START + 38 * MINUTE_MS,
  );
  expect(held[0]![1]).toBeGreaterThan(83);
});

describe('an amount by level', () => {
  test('by what the vessel holds and how full it looks', () => {
    expect(LEVELS.map(({ share }) => share)).toEqual([0.25, 0.5, 0.75, 0.9, 1]);
    expect(levelKg(felt(), 1)).toBeCloseTo(1.03, 2);
    expect(litresByRuler(20, 10)).toBeCloseTo(Math.PI, 3);
  });
});
