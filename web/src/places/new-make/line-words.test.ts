import { describe, expect, test } from '@jest/globals';
import { beginPlan, defaultKitchen, PRODUCTS, withMixedIn } from '@morning-crock/core';
import type { Culture, MakePlan, ProductId } from '@morning-crock/core/contract';
import { unitsOf } from '../../data/units-of.ts';
import {
  churnWords,
  finishWords,
  freezeWords,
  heatWords,
  panWords,
  placeWords,
  pourWords,
  resultWords,
  shortWords,
  startWords,
  starterWords,
  timesWords,
} from './line-words.ts';
import { withStep } from '../../parts/words/method-step.ts';

const kitchen = defaultKitchen('UTC');
const units = unitsOf(kitchen);
const us = unitsOf({ ...kitchen, units: { ...kitchen.units, temperature: 'F', measures: 'us' } });
const START = '2026-03-02T10:00:00.000Z';
const NOW = Date.parse(START);
const planned = (id: ProductId): MakePlan => beginPlan(id, kitchen, START);
const yogurt = planned('yogurt');
const butter = planned('butter');

test('frozen by hand or by machine; what is not frozen says nothing of it', () => {
  const frozen = planned('frozen-yogurt');
  expect(freezeWords(frozen)).toBe('in the freezer 3.5 h, stirred every 40 min');
  const machine = {
    ...frozen,
    method: withStep(frozen, 'freeze', { machine: 'frozen-bowl', hours: 2.5, stirEveryMin: null }),
  };
  expect(freezeWords(machine)).toBe('churned in a bowl frozen beforehand, hardened 2.5 h');
  expect(freezeWords(yogurt)).toBeNull();
});

test('what is stirred in is part of how it shall come out', () => {
  const steps = withMixedIn(yogurt.method.steps, 'honey', 0.06);
  expect(resultWords({ ...yogurt, method: { ...yogurt.method, steps } })).toBe(
    'classic, spoonable, with 6 % honey',
  );
});

describe('what goes in', () => {
  test('milk by its kind, treatment and fat', () => {
    expect(pourWords(yogurt, [], units)).toBe('2 L shop milk, whole, pasteurised, about 3.5 % fat');
    const known = { ...yogurt, milk: { ...yogurt.milk, fatFraction: 0.041 } };
    expect(pourWords(known, [], units)).toContain(', 4.1 % fat');
    expect(pourWords(yogurt, [], us)).toMatch(/^2.11 qt \(US\) shop milk/);
  });

  test('yogurt that is frozen is called yogurt, and by the goods it comes from', () => {
    const frozen = planned('frozen-yogurt');
    expect(pourWords(frozen, [], units)).toMatch(/^2 L yogurt of shop milk, whole, pasteurised/);
    const goods = [
      {
        goodId: '01HGGGGGGGGGGGGGGGGGGGGG01',
        name: 'Stall yogurt',
        place: 'cold' as const,
        size: 0,
        massKg: 2,
      },
    ];
    expect(pourWords({ ...frozen, milk: { ...frozen.milk, goods } }, [], units)).toMatch(
      /^2 L yogurt from Stall yogurt, /,
    );
  });

  test('told by level it is about so much; cream that is added is called cream', () => {
    expect(pourWords({ ...yogurt, milk: { ...yogurt.milk, byLevel: true } }, [], units)).toMatch(
      /^about 2 L /,
    );
    const second = {
      litres: 0.2,
      typed: { value: 0.2, unit: 'L' as const },
      kind: yogurt.milk.kind,
      fatFraction: 0.35,
    };
    expect(pourWords({ ...yogurt, milk: { ...yogurt.milk, second } }, [], units)).toMatch(
      /with 200 mL cream$/,
    );
  });

  test('with what is added', () => {
    const richer = {
      ...yogurt,
      milk: {
        ...yogurt.milk,
        powder: { kind: 'skim' as const, massKg: 0.04, typed: { value: 40, unit: 'g' as const } },
      },
    };
    expect(pourWords(richer, [], units)).toMatch(/fat, with 40 g milk powder$/);
  });

  test('cream by how it is, butter by how wet', () => {
    expect(pourWords(butter, [], units)).toMatch(/^1 L pasteurised sweet cream, .*% fat, at 5\.0 °C$/);
    const curd = { ...butter, milk: { ...butter.milk, soured: true, wholeCurd: true } };
    expect(pourWords(curd, [], units)).toContain('whole soured milk');
    expect(pourWords(planned('ghee'), [], units)).toMatch(/ butter, washed and worked$/);
  });
});

describe('heat, read on from its label', () => {
  const heated = (heat: MakePlan['heat'], part: Partial<MakePlan> = {}): string =>
    heatWords({ ...yogurt, inoculateC: 44, ...part, heat }, units);
  test('held, touched, boiled, or only warmed', () => {
    expect(heated({ kind: 'hold', targetC: 85, holdMin: 10 })).toBe('to 85 °C, hold 10 min, cool to 44.0 °C');
    expect(heated({ kind: 'touch', targetC: 82, holdMin: 0 })).toBe('to 82 °C, cool to 44.0 °C');
    expect(heated({ kind: 'boil', targetC: 99.7, holdMin: 2 })).toBe(
      'to the boil, hold 2 min, cool to 44.0 °C',
    );
    expect(heated({ kind: 'none', targetC: 44, holdMin: 0 })).toBe('only to 44.0 °C');
  });

  test('the water it cools in is said', () => {
    const cooling = { kind: 'iced-bath', waterLitres: 6, waterC: 12, iceKg: 1, stirred: true } as const;
    expect(heated({ kind: 'touch', targetC: 82, holdMin: 0 }, { cooling })).toBe(
      'to 82 °C, cool in iced water to 44.0 °C',
    );
  });

  test('in °F, and for cream that is not scalded', () => {
    expect(heatWords({ ...yogurt, inoculateC: 44 }, us)).toMatch(/^to 185 °F, .*cool to 111 °F$/);
    const cream = planned('cultured-cream');
    expect(heatWords({ ...cream, heat: { kind: 'none', targetC: 20, holdMin: 0 } }, units)).toBe(
      'not at all',
    );
  });
});

describe('starter', () => {
  const withStarter = (starter: Partial<MakePlan['starter']>): string =>
    starterWords({ ...yogurt, starter: { ...yogurt.starter, ...starter } }, [], units);
  test('by its dose, and as a share', () => {
    expect(withStarter({ kind: 'fresh-yogurt', massKg: 0.041 })).toBe('live plain yogurt, 41 g (2.0 %)');
    expect(withStarter({ kind: 'dried-yogurt', massKg: null, statedRatio: 0.5 })).toBe(
      'dried yogurt culture, 0.5 × the packet dose',
    );
  });

  test('a dose that is not known is said, and no starter at all', () => {
    expect(withStarter({ kind: 'fresh-yogurt', massKg: null })).toMatch(/dose not entered$/);
    expect(withStarter({ kind: 'dried-yogurt', statedRatio: null })).toMatch(/dose not entered$/);
    expect(withStarter({ kind: 'none' })).toBe('none; raw milk sours by itself');
  });
});

test('more starter than the register has is said, with what to do', () => {
  const starter = { ...yogurt.starter, cultureId: '00000000000000000000000002', massKg: 0.041 };
  const culture = {
    id: starter.cultureId,
    kind: 'fresh-yogurt',
    name: 'Hearth',
    packet: null,
    massKg: 0.015,
  };
  const known = [culture as unknown as Culture];
  expect(shortWords({ ...yogurt, starter }, known, units)).toBe(
    'Only 15 g of this culture is on record. This batch needs 41 g. Weigh what you have, or use a smaller dose.',
  );
  expect(shortWords({ ...yogurt, starter: { ...starter, massKg: 0.01 } }, known, units)).toBeNull();
  expect(shortWords(yogurt, known, units)).toBeNull();
});

test('the warm place with its setting, and what it stands in', () => {
  const place = { ...yogurt.place, kind: 'appliance' as const, name: 'Shelf warmer', setPointC: 43 };
  expect(placeWords({ ...yogurt, place }, units)).toBe('Shelf warmer at 43.0 °C, in the pot');
  const jar = { id: '00000000000000000000000001', name: 'Jar', litres: 0.5 };
  expect(placeWords({ ...yogurt, place, jars: [jar] }, units)).toMatch(/, in one jar$/);
  expect(placeWords({ ...yogurt, place, jars: [jar, jar, jar] }, units)).toMatch(/, in 3 jars$/);
});

test('the result: cream has no thickness to choose', () => {
  expect(resultWords(yogurt)).toBe('classic, spoonable');
  expect(resultWords(planned('cultured-cream'))).not.toContain(',');
});

test('churning, washing and salting are told where there are any', () => {
  expect(churnWords(butter, units)).toMatch(/ at \d+\.\d °C$/);
  expect(churnWords({ ...butter, method: withStep(butter, 'churn', { loads: 3 }) }, units)).toMatch(
    /, in 3 loads$/,
  );
  expect(churnWords(yogurt, units)).toBeNull();
  const finished = (washes: number, saltFraction: number): string => {
    const washed = { ...butter, method: withStep(butter, 'wash', { washes }) };
    return finishWords({ ...washed, method: withStep(washed, 'work', { saltFraction }) });
  };
  expect(finished(0, 0)).toBe('not washed, no salt');
  expect(finished(1, 0.012)).toBe('one wash, 1.2 % salt');
  expect(finished(3, 0.012)).toBe('3 washes, 1.2 % salt');
  expect(panWords(planned('ghee'), units)).toMatch(/^\w+ heat, off at \d+ °C, cooled /);
  expect(panWords(butter, units)).toBeNull();
});

describe('the start', () => {
  const now = { time: '', offeredMs: null };
  test('now, at a time, or when an offer had it', () => {
    expect(startWords(yogurt, now, units, NOW)).toBe('now');
    expect(startWords(yogurt, { ...now, time: '10:00' }, units, NOW)).toBe('at 10:00');
    expect(startWords(yogurt, { ...now, offeredMs: NOW + 86_400_000 }, units, NOW)).toBe('at Tue 10:00');
  });

  test('its name only where it is one of its own', () => {
    expect(startWords({ ...yogurt, name: PRODUCTS.yogurt.label }, now, units, NOW)).toBe('now');
    expect(startWords({ ...yogurt, name: 'Sunday yogurt' }, now, units, NOW)).toBe('now, as Sunday yogurt');
  });
});

test('a few times are told each, many by their first and last', () => {
  expect(timesWords(['22:34'])).toBe('about 22:34');
  expect(timesWords(['22:34', '22:43'])).toBe('about 22:34 and 22:43');
  expect(timesWords(['22:34', '22:43', '22:49'])).toBe('about 22:34, 22:43 and 22:49');
  expect(timesWords(['22:45', '23:18', '23:28', 'Wed 00:17'])).toBe('4 times between 22:45 and Wed 00:17');
});
