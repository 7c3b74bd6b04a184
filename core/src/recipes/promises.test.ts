import { describe, expect, test } from '@jest/globals';
import { safetyLimit, warmSpell } from '../science/souring/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { markMs, pointForecast, reachesOf, souringOf, soursToTheEnd, stateOfPlan } from '../make/index.ts';
import { souringKindOf } from '../setup/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { measureMethod } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const AT = '2026-03-02T06:00:00.000Z';
const START = Date.parse(AT);
const inRoom = (roomC: number) => {
  const kitchen = defaultKitchen('UTC');
  return { ...kitchen, site: { ...kitchen.site, roomC } };
};
const SOURS = SHIPPED_METHODS.filter((method) =>
  soursToTheEnd(stateOfPlan(planOfMethod(method, inRoom(20), AT, 2))),
);

describe('what a method promises, it reaches in a kitchen nobody changed', () => {
  test.each(SOURS.map((method) => [method.id, method] as const))(
    '%s: 1 to 6 L, room 18 to 24 °C, before its clock runs out',
    (_id, method) => {
      for (const litres of [1, 2, 4, 6])
        for (const roomC of [18, 21, 24]) {
          const plan = planOfMethod(method, inRoom(roomC), AT, litres);
          const point = pointForecast(stateOfPlan(plan), START);
          const zero = point.inoculationMs;
          const readyMs = markMs(point, 'ready');
          const about = `${litres} L at ${roomC} °C`;
          expect([about, readyMs === null ? 'never' : 'reached']).toEqual([about, 'reached']);
          const readyH = (readyMs! - zero) / HOUR_MS;
          const { meanC } = warmSpell(
            point.temperature
              .filter(([ms]) => ms >= zero)
              .map(([ms, c]): readonly [number, number] => [(ms - zero) / HOUR_MS, c]),
            readyH,
          );
          const { limitH } = safetyLimit(souringKindOf(plan), meanC);
          expect([about, readyH <= (limitH ?? 0)]).toEqual([about, true]);
          // No way of cooling takes the morning.
          for (const { kind, endMs, startMs, endless } of point.steps)
            if (kind === 'cool' || kind === 'heat') {
              expect([about, kind, endless]).toEqual([about, kind, false]);
              expect((endMs - startMs) / HOUR_MS).toBeLessThan(litres > 4 ? 3 : 2);
            }
        }
    },
  );

  test('its words agree with its numbers', () => {
    for (const method of SHIPPED_METHODS) {
      const said = /\b(mild|tart|sharp)\b/i.exec(method.goodFor)?.[1]?.toLowerCase();
      if (said)
        expect([method.id, method.aims.sourness]).toEqual([
          method.id,
          said === 'mild' ? method.aims.sourness : said,
        ]);
    }
  });
});

describe('what is not reached is said with what is', () => {
  const coasting = SHIPPED_METHODS.find(({ id }) => id === 'yogurt-coasting')!;
  const tart = { ...coasting, aims: { ...coasting.aims, sourness: 'sharp' as const } };

  test('what, when, and where it would be; with the pH of the end', () => {
    const measured = measureMethod(tart, inRoom(18), AT, 1);
    expect(measured.never).toBe(true);
    expect(measured.ph!).toBeLessThan(4.7);
    expect(measured.reaches.map(({ what }) => what).slice(0, 2)).toEqual(['body', 'mild']);
    expect(measured.reachWords).toMatch(
      /^Set after about \d+ h, mild after about \d+ h.*\. Never sharp in “Pot wrapped in towels”\./,
    );
  });

  test('in order of time, and nothing where nothing is missing', () => {
    const plan = planOfMethod(tart, inRoom(18), AT, 1);
    const state = stateOfPlan(plan);
    const times = reachesOf(state, pointForecast(state, START)).map(({ atMs }) => atMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(souringOf(state)).not.toBeNull();
    const reached = measureMethod(coasting, inRoom(20), AT, 2);
    expect(reached).toMatchObject({ never: false, reaches: [], instead: null, reachWords: null });
  });
});
