import { describe, expect, test } from '@jest/globals';
import { defaultKitchen, SHIPPED_METHODS, type ChosenBatch, type ProposedDay } from '@morning-crock/core';
import { unitsOf } from '../../data/units-of.ts';
import {
  aimWords,
  givesWords,
  leftOutWords,
  leftWords,
  sortsWords,
  whyBatch,
  workWords,
} from './proposal-words.ts';

const kitchen = defaultKitchen('UTC');
const units = unitsOf({ ...kitchen, units: { ...kitchen.units, money: 'crowns' } });
const us = unitsOf({ ...kitchen, units: { ...kitchen.units, measures: 'us', temperature: 'F' } });
const day = (over: Partial<ProposedDay> = {}): ProposedDay => ({
  aim: 'lacking',
  batches: [],
  skims: [],
  leftOut: [],
  gives: [{ product: 'yogurt', massKg: 4.2 }],
  besides: [],
  left: { milk: 0, skimmed: 0, cream: 0 },
  worth: null,
  unpriced: [],
  handsMin: 85,
  outsideMin: 0,
  lateMin: 0,
  finish: 600,
  ...over,
});
const batch = (over: Partial<ChosenBatch>): ChosenBatch => ({
  n: 0,
  fedBy: null,
  product: 'yogurt',
  method: SHIPPED_METHODS[0]!,
  sort: 'milk',
  shares: { milk: 1, skimmed: 0, cream: 0 },
  litres: 2,
  why: 'usual',
  byMs: null,
  ...over,
});
const work = (over: Partial<ProposedDay>, inHours = false): string =>
  workWords(day(over), { end: 'Tue 18:00', inHours, units });

describe('a proposed day in words', () => {
  test('why a batch is in it: what is missing and for when, a culture, milk that turns; nothing where it is usual', () => {
    const thursday = Date.parse('2026-03-12T06:00:00.000Z');
    const lacking = [{ product: 'yogurt' as const, massKg: 0.5, byMs: thursday }];
    expect(whyBatch(batch({ why: 'lacking' }), lacking, units)).toBe('500 g missing for Thu 12 Mar');
    expect(whyBatch(batch({ why: 'lacking' }), [{ ...lacking[0]!, byMs: null }], us)).toMatch(
      /^1\.10 lb missing$/,
    );
    expect(whyBatch(batch({ why: 'culture' }), lacking, units)).toBe('its culture should be used');
    expect(whyBatch(batch({ why: 'turning', sort: 'cream' }), lacking, units)).toBe('cream to use soon');
    expect(whyBatch(batch({}), lacking, units)).toBe('');
  });

  test('what it is for: least work is told only where nothing turns', () => {
    expect(aimWords(day())).toBe('Use everything up');
    expect(aimWords(day({ batches: [batch({ why: 'lacking' })] }))).toBe('Make what is missing');
    expect(aimWords(day({ aim: 'least-work', batches: [batch({})] }))).toBe('Least work');
    expect(aimWords(day({ aim: 'least-work', batches: [batch({ why: 'turning' })] }))).toBe(
      'Use what turns soon, with little work',
    );
  });

  test('what it is of, where it is not milk alone', () => {
    expect(sortsWords(batch({}))).toBe('');
    expect(sortsWords(batch({ shares: { milk: 0.7, skimmed: 0, cream: 0.3 } }))).toBe(' of milk and cream');
    expect(sortsWords(batch({ shares: { milk: 0, skimmed: 0, cream: 1 } }))).toBe(' of cream');
    const butter = batch({ product: 'butter', n: 2 });
    expect(sortsWords(batch({ product: 'ghee', fedBy: 2 }), butter)).toBe(
      ' of butter, made from the batch above',
    );
  });

  test('what comes out, one, two or three', () => {
    const butter = { product: 'butter' as const, massKg: 0.52 };
    const skyr = { product: 'skyr' as const, massKg: 1 };
    expect(givesWords(day(), units)).toBe('Gives about 4.20 kg of yogurt.');
    expect(givesWords(day({ gives: [...day().gives, butter] }), units)).toBe(
      'Gives about 4.20 kg of yogurt and 520 g of butter.',
    );
    expect(givesWords(day({ gives: [...day().gives, butter, skyr] }), units)).toMatch(
      /yogurt, 520 g of butter and /,
    );
  });

  test('what is left, and what comes out besides with what it is good for', () => {
    expect(leftWords(day(), units)).toBe('No milk or cream is left.');
    expect(leftWords(day({ left: { milk: 3, skimmed: 0.05, cream: 0.4 } }), units)).toMatch(
      /^Left: 3(\.00)? L of milk and 400 mL of cream\.$/,
    );
    const besides = [
      { what: 'buttermilk', massKg: 0.7 },
      { what: 'whey', massKg: 0.01 },
    ] as const;
    expect(leftWords(day({ besides }), units)).toMatch(
      /You also get about 700 g of buttermilk \(for [a-z ,;]+\)\.$/,
    );
  });

  test('the work, against the hours in the kitchen; lateness and worth only where there is any', () => {
    expect(work({})).toBe('About 1 h 25 min of work. Finished by Tue 18:00.');
    expect(work({}, true)).toContain('1 h 25 min of work, within your hours, apart from short jobs.');
    expect(work({ outsideMin: 14 }, true)).toContain('of work, 14 min of it outside your hours.');
    expect(work({ lateMin: 30 })).toContain('Ready 30 min later than needed.');
    expect(work({ worth: 12.5 })).toContain('Would cost about 12.50 crowns in the shop.');
    expect(work({ worth: 12.5, unpriced: ['skyr', 'kefir'] })).toContain(
      'in the shop (no price for skyr and kefir).',
    );
  });

  test('what there was no room for', () => {
    expect(leftOutWords(day())).toBe('');
    expect(leftOutWords(day({ leftOut: ['skyr', 'kefir'] }))).toBe(
      'No room in these hours for skyr and kefir.',
    );
  });
});
