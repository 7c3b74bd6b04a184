import { describe, expect, test } from '@jest/globals';
import { createLog, MAKE_ID, START, testPlan } from '../make/fixtures/make-events.ts';
import { alarmsOf, bandForecast, foldMake, safetyOf, walkThermal, type MakeState } from '../make/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { stoodOn, tooFarMin } from './stood-on.ts';
import type { Leg } from './leg.ts';

const vessel = {
  composition: { fatFraction: 0.035, proteinFraction: 0.033, lactoseFraction: 0.047, ashFraction: 0.007 },
  litres: 2,
  widthM: undefined,
  airC: 20,
  lossFactor: 1,
};
const cooling: Leg = {
  minutes: 40,
  sigmaMin: 10,
  endC: 44,
  endless: false,
  curve: [
    [0, 85],
    [40, 44],
  ],
};
const after = (minutes: number): Leg => stoodOn(cooling, minutes, { vessel, lidded: false });

describe('milk that is left to stand after it was cool enough', () => {
  test('is taken to be so until it surely was, then goes on towards the room and never below it', () => {
    expect(after(70)).toBe(cooling);
    const heats = [80, 120, 240, 720].map((minutes) => after(minutes).endC);
    expect(heats).toEqual([...heats].sort((a, b) => b - a));
    expect(heats[0]).toBeLessThan(44);
    expect(heats[3]).toBeGreaterThan(20);
    expect(heats[3]).toBeLessThan(22);
  });

  test('its curve goes on without a jump and ends where it stands', () => {
    const { curve, minutes, endC } = after(200);
    expect(curve.at(-1)).toEqual([minutes, endC]);
    for (const [i, [minute, celsius]] of curve.entries()) {
      if (i < 2) continue;
      expect(minute).toBeGreaterThanOrEqual(curve[i - 1]![0]);
      expect(Math.abs(celsius - curve[i - 1]![1])).toBeLessThan(2);
    }
  });

  test('a lid keeps it warm for longer; what never gets there is not too cool', () => {
    const open = tooFarMin(cooling, { vessel, lidded: false }, 3)!;
    expect(open).toBeGreaterThan(70);
    expect(tooFarMin(cooling, { vessel, lidded: true }, 3)!).toBeGreaterThan(open);
    expect(tooFarMin({ ...cooling, endC: 21 }, { vessel, lidded: false }, 3)).toBeNull();
    expect(tooFarMin({ ...cooling, endless: true }, { vessel, lidded: false }, 3)).toBeNull();
  });
});

test('cream that was left out warms to the room, and no further', () => {
  const tempered: Leg = {
    ...cooling,
    minutes: 70,
    sigmaMin: 15,
    endC: 12,
    curve: [
      [0, 5],
      [70, 12],
    ],
  };
  const heats = [100, 150, 240, 900].map(
    (minutes) => stoodOn(tempered, minutes, { vessel, lidded: true }).endC,
  );
  expect(heats[0]).toBe(12);
  expect(heats).toEqual([...heats].sort((a, b) => a - b));
  expect(heats[3]).toBeGreaterThan(19);
  expect(heats[3]).toBeLessThanOrEqual(20);
  // In a room as warm as it is to be it is never too warm.
  expect(tooFarMin(tempered, { vessel: { ...vessel, airC: 12.2 }, lidded: true }, 2)).toBeNull();
});

describe('a make whose milk was forgotten while it cooled', () => {
  const log = createLog();
  const begun = [
    log(0, 'make-started', { plan: testPlan() }),
    ...(['pour', 'heat', 'hold'] as const).map((step, i) => log(10 + 30 * i, 'step-done', { step })),
  ];
  const state = foldMake(MAKE_ID, begun)!;
  const heatAt = (of: MakeState, minute: number): number =>
    walkThermal(of, START + minute * MINUTE_MS).inoculation.celsius;

  test('is told once it may be too cool, and inoculated at what it is by then', () => {
    const { inoculateC } = state.plan;
    expect(heatAt(state, 100)).toBe(inoculateC);
    expect(heatAt(state, 70 + 6 * 60)).toBeLessThan(inoculateC - 10);
    const nowMs = START + 100 * MINUTE_MS;
    const forecast = bandForecast(state, nowMs, 1, 40);
    const safety = safetyOf(state, forecast.point.temperature, nowMs, null);
    const bell = alarmsOf(state, forecast, safety).find(({ id }) => id === 'too-cool')!;
    expect(heatAt(state, (bell.dueAtMs - START) / MINUTE_MS)).toBeCloseTo(inoculateC - 3, 0);
  });

  test('held for hours it is off the fire by then, and its warm hours count', () => {
    const holding = foldMake(MAKE_ID, begun.slice(0, 3))!;
    const hour = (h: number) => {
      const nowMs = START + (40 + 60 * h) * MINUTE_MS;
      const { course } = walkThermal(holding, nowMs);
      return {
        celsius: course.findLast(([ms]) => ms <= nowMs)![1],
        verdict: safetyOf(holding, course, nowMs, null).verdict,
      };
    };
    expect(hour(1).celsius).toBe(holding.plan.heat.targetC);
    expect(hour(6).celsius).toBeLessThan(40);
    expect(hour(6).verdict).toBe('running');
    expect(hour(40).verdict).toBe('over');
  });

  test('heated for hours it is off the fire, too; whoever calls it hot enough even then says that it is hot', () => {
    const heating = foldMake(MAKE_ID, begun.slice(0, 2))!;
    const celsiusAt = (of: MakeState, minute: number): number => {
      const nowMs = START + minute * MINUTE_MS;
      return walkThermal(of, nowMs).course.findLast(([ms]) => ms <= nowMs)![1];
    };
    const { targetC } = heating.plan.heat;
    expect(celsiusAt(heating, 110)).toBe(targetC);
    expect(celsiusAt(heating, 500)).toBeLessThan(40);
    const hot = foldMake(MAKE_ID, [...begun.slice(0, 2), log(500, 'step-done', { step: 'heat' })])!;
    expect(celsiusAt(hot, 501)).toBeCloseTo(targetC, 0);
  });

  test('whoever ends it in time says that it is as warm as wanted; who reads it is believed', () => {
    const { inoculateC } = state.plan;
    const ended = (minute: number, ...more: typeof begun) =>
      foldMake(MAKE_ID, [...begun, ...more, log(minute, 'step-done', { step: 'cool' })])!;
    expect(heatAt(ended(130), 140)).toBe(inoculateC);
    const read = log(460, 'temperature-read', {
      celsius: 30,
      instrument: 'probe',
      typed: { value: 30, unit: 'C' },
    });
    expect(heatAt(ended(461, read), 470)).toBeCloseTo(30, 0);
  });
});
