import { expect, test } from '@jest/globals';
import { defaultKitchen, type Lever } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import { helpWords, leverWords } from './lever-words.ts';

const lever = (over: Partial<Lever>): Lever => ({
  kind: 'pot',
  make: null,
  aims: null,
  iceKg: null,
  litres: null,
  beginsMs: null,
  soonerMin: 0,
  lessLateMin: 0,
  lessOutsideMin: 0,
  makesItFit: false,
  ...over,
});
const kitchen = defaultKitchen('UTC');
const metric = unitsOf(kitchen);
const us = unitsOf({ ...kitchen, units: { ...kitchen.units, measures: 'us', temperature: 'F' } });

test('what would help is said in the kitchen’s measures', () => {
  expect(leverWords(lever({ kind: 'iced-bath', make: 'a', iceKg: 1.5 }), 'Yogurt', metric)).toBe(
    'Yogurt: cool in an iced bath, with 1.50 kg of ice',
  );
  expect(leverWords(lever({ kind: 'iced-bath', make: 'a', iceKg: 1.5 }), 'Yogurt', us)).toMatch(
    /\d lb of ice$/,
  );
  expect(
    leverWords(lever({ kind: 'place', make: 'a', aims: { place: { kind: 'towel' } } }), 'Skyr', metric),
  ).toBe('Skyr: keep warm in a towel instead of the warm place');
  const starter = { kind: 'fresh-yogurt', share: 0.04, statedRatio: null } as const;
  expect(leverWords(lever({ kind: 'starter', make: 'a', aims: { starter } }), 'Yogurt', metric)).toBe(
    'Yogurt: use 4 % starter',
  );
  const beginsMs = Date.parse('2026-03-02T20:15:00.000Z');
  expect(leverWords(lever({ kind: 'early', make: 'a', beginsMs }), 'Kefir', metric)).toBe(
    'Kefir: start it before the rest, on Mon 2 Mar at 20:15',
  );
  expect(leverWords(lever({ kind: 'less', make: 'a', litres: 3 }), 'Yogurt', metric)).toMatch(
    /^Yogurt: make 3(\.00)? L instead$/,
  );
  expect(leverWords(lever({ litres: 5 }), '', metric)).toMatch(/^Another pot of 5(\.00)? L$/);
  expect(leverWords(lever({ kind: 'burner' }), '', metric)).toBe('Another burner');
});

test('by how much is said with the most important first; nothing where it is nothing', () => {
  expect(helpWords(lever({ soonerMin: 75 }))).toBe('Each batch ready 1 h 15 min sooner on average.');
  expect(helpWords(lever({ lessLateMin: 20, lessOutsideMin: 5, soonerMin: -3 }))).toBe(
    '20 min less late, 5 min less outside your hours.',
  );
  expect(helpWords(lever({ lessOutsideMin: 25, soonerMin: -90 }))).toBe(
    '25 min less outside your hours, but each batch ready 1 h 30 min later on average.',
  );
  expect(helpWords(lever({ makesItFit: true }))).toBe('With this, everything fits.');
  expect(helpWords(lever({}))).toBe('');
});
