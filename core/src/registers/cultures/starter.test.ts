import { describe, expect, test } from '@jest/globals';
import type { Culture, CultureFacts, MakePlan } from '../../contract/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { defaultPlan } from '../../products/index.ts';
import { cultureLike, lotId, planWith, register, ZERO_MS } from '../../fixtures/index.ts';
import { foldCultures, shortOfCulture, starterFromCulture, starterMovedTo, withoutCulture } from './index.ts';
import { DAY_H, DAY_MS } from '../../science/units/index.ts';

const PACKET = lotId('PACKET');
const kitchen = defaultKitchen('UTC');

test('a plan takes a culture as strong as its keeping leaves it, and lets go of it again', () => {
  const r = register();
  r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
  r.change(PACKET, DAY_H * 5, { kind: 'freeze' });
  r.change(PACKET, DAY_H * 25, { kind: 'revive', place: 'cold' });
  const culture = foldCultures(r.events).cultures.get(PACKET)!;
  const plan = defaultPlan(kitchen, new Date(ZERO_MS).toISOString());
  const starter = starterFromCulture(plan, culture, ZERO_MS + 26 * DAY_MS);
  expect(starter).toMatchObject({
    kind: 'fresh-yogurt',
    ageD: 6,
    cultureId: PACKET,
    lineId: PACKET,
    turn: 0,
  });
  expect(starter.log10Off).toBeCloseTo(-(0.4 + 20 * 0.003), 3);
  expect(withoutCulture({ ...plan, starter }).starter).not.toHaveProperty('cultureId');

  // Begun two days later it is two days older, with the dose as it was; an age set by hand stays.
  const later = starterMovedTo(starter, culture, ZERO_MS + 26 * DAY_MS, ZERO_MS + 28 * DAY_MS);
  expect(later).toEqual({ ...starter, ageD: 8, log10Off: later.log10Off });
  expect(later.log10Off).toBeCloseTo(starter.log10Off!, 9);
  const byHand = { ...starter, ageD: 2 };
  expect(starterMovedTo(byHand, culture, ZERO_MS + 26 * DAY_MS, ZERO_MS + 28 * DAY_MS)).toBe(byHand);
});

describe('is there enough of it?', () => {
  const cultureOf = (over: Partial<CultureFacts>): Culture => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike(over) });
    return foldCultures(r.events).cultures.get(PACKET)!;
  };
  const dose = (over: Partial<MakePlan['starter']>): MakePlan => planWith(PACKET, over);

  test.each([
    ['less than there is', 0.04, 0.05, null],
    ['all there is, as a spoon measures', 0.05, 0.0495, null],
    ['more than there is', 0.08, 0.05, { of: 'kg', wanted: 0.08, left: 0.05 }],
    ['of a jar nobody weighed', 0.08, null, null],
  ])('%s', (_, wanted, left, short) => {
    expect(shortOfCulture(dose({ massKg: wanted }), cultureOf({ massKg: left }))).toEqual(short);
  });

  test('packets count by what they are meant for and what is left of an open one', () => {
    const packet = { lot: null, useBy: null, statedLitres: 1, packets: 2, openedLeft: 0.5 };
    const sachets = cultureOf({ kind: 'dried-yogurt', massKg: null, packet });
    const plan = dose({ kind: 'dried-yogurt', massKg: null, statedRatio: 1 });
    const of = (litres: number): MakePlan => ({ ...plan, milk: { ...plan.milk, litres } });
    expect(shortOfCulture(of(1.5), sachets)).toBeNull();
    expect(shortOfCulture(of(2), sachets)).toEqual({ of: 'packets', wanted: 2, left: 1.5 });
  });
});
