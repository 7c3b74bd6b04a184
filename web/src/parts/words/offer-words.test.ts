import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, type NoPlanReason, type Offer, type Price } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import { noWayWords, offerWords } from './offer-words.ts';

const units = unitsOf(defaultKitchen('UTC'));
const NOW = Date.parse('2026-03-02T10:00:00.000Z');
const offer = (prices: readonly Price[]): Offer => ({ prices }) as unknown as Offer;

describe('what an offer asks', () => {
  test('nothing but the start: as planned', () => {
    expect(offerWords(offer([{ kind: 'start', atMs: NOW }]), units, NOW)).toBe('as planned');
  });

  test.each<[Price, string]>([
    [{ kind: 'dose', deltaKg: 0.02, massKg: 0.06 }, '20 g more starter (60 g)'],
    [{ kind: 'dose', deltaKg: -0.02, massKg: 0.02 }, '20 g less starter (20 g)'],
    [{ kind: 'place', name: 'The box' }, 'in The box'],
    [{ kind: 'heat', fromC: 43, toC: 40 }, 'set the dial to 40.0 °C instead of 43.0 °C'],
    [
      { kind: 'bath', waterLitres: 8, savesMin: 75 },
      'cool in 8 L of cold water, which saves about 1 h 15 min',
    ],
    [{ kind: 'sourer', sourness: 'tart' }, 'sourer: tart'],
  ])('%j is told in words', (price, words) => {
    expect(offerWords(offer([price]), units, NOW)).toBe(words);
  });

  test('several are told in one line', () => {
    const words = offerWords(
      offer([
        { kind: 'place', name: 'The box' },
        { kind: 'sourer', sourness: 'sharp' },
      ]),
      units,
      NOW,
    );
    expect(words).toBe('in The box; sourer: sharp');
  });
});

describe('why there is no way', () => {
  const REASONS: readonly NoPlanReason[] = [
    'past',
    'too-late',
    'nobody-there',
    'too-sour',
    'unsafe',
    'never-sets',
  ];
  test.each(REASONS)('%s is a sentence of its own', (reason) => {
    const words = noWayWords(reason, null, units, NOW);
    expect(words).toMatch(/^[A-Z].*\.$/);
    const others = REASONS.filter((r) => r !== reason).map((r) => noWayWords(r, null, units, NOW));
    expect(others).not.toContain(words);
  });

  test('too late says the earliest it could be', () => {
    const earliest = NOW + 26 * 3_600_000;
    expect(noWayWords('too-late', earliest, units, NOW)).toMatch(/The earliest time is about Tue 12:00\.$/);
  });
});
