import { expect, test } from '@jest/globals';
import { defaultKitchen, foldCultures, DAY_MS } from '@morning-crock/core';
import type { Culture, CultureChange, CultureFacts } from '@morning-crock/core/contract';
import { cultureLike, lotId, register, ZERO_MS as NOON } from '@morning-crock/core/fixtures';
import { unitsOf } from '../../data/units-of.ts';
import { cultureWords, factsOf, packetWords } from './culture-words.ts';

const units = unitsOf(defaultKitchen('UTC'));
const SACHETS: Partial<CultureFacts> = {
  kind: 'dried-yogurt',
  heirloom: false,
  massKg: null,
  source: 'the mill',
  packet: { lot: '7B', useBy: '2026-06-01T12:00:00.000Z', statedLitres: 1, packets: 2, openedLeft: 0.5 },
};

const ID = lotId('JAR');
function cultureOf(facts: Partial<CultureFacts>, hour = 0, change: CultureChange | null = null): Culture {
  const r = register();
  r.change(ID, 0, { kind: 'taken-in', culture: cultureLike({ source: null, ...facts }) });
  if (change) r.change(ID, hour, change);
  return foldCultures(r.events).cultures.get(ID)!;
}

test.each<[string, Culture, number, string]>([
  ['a jar of today', cultureOf({}), 0.3, 'generation 0, made today, in the fridge'],
  ['of yesterday', cultureOf({ place: 'room' }), 1.2, 'generation 0, 1 day old, at room temperature'],
  ['of last week', cultureOf({ place: 'freezer' }), 7.5, 'generation 0, 7 days old, in the freezer'],
  [
    'used up',
    cultureOf({}, 24, { kind: 'discard', reason: 'eaten', note: '' }),
    3,
    'generation 0, 3 days old, none left',
  ],
])('%s', (_, culture, days, words) => {
  expect(cultureWords(culture, NOON + days * DAY_MS)).toBe(words);
});

test('a packet has no turn and no age: its kind and its place', () => {
  expect(cultureWords(cultureOf(SACHETS), NOON)).toMatch(/^dried .*, in the fridge$/);
});

test('everything that is known of it, and nothing that is not', () => {
  expect(factsOf(cultureOf({ massKg: null }), units)).toEqual(['Live plain yogurt', 'heirloom']);
  expect(factsOf(cultureOf(SACHETS), units).slice(1)).toEqual([
    '1.5 packets, each for 1 L',
    'one opened',
    'lot 7B',
    'use by Mon 1 Jun',
    'from the mill',
  ]);
  const grown = cultureOf({ kind: 'kefir-grains', massKg: 0.04 }, 48, {
    kind: 'weigh',
    massKg: 0.0441,
    typed: { value: 44.1, unit: 'g' },
  });
  expect(factsOf(grown, units).slice(2)).toEqual(['44 g left', 'grows 5.0 % a day']);
});

test.each([
  [1, '1 packet'],
  [1.002, '1 packet'],
  [0.25, '0.25 packets'],
  [3, '3 packets'],
])('%d: %s', (count, words) => {
  expect(packetWords(count)).toBe(words);
});
