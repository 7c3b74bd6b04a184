import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '@morning-crock/core';
import type { Lot, MilkMovement } from '@morning-crock/core/contract';
import { MILKING } from '@morning-crock/core/fixtures';
import { carriedOut, culturesAfter } from './register-pictures.ts';

const AT = Date.parse('2026-03-02T06:00:00.000Z');
const id = (letter: string): string => `0${letter.repeat(25)}`;
let seq = 0;
const entry = (streamId: string, type: LoggedEvent['type'], data: unknown, n = ++seq): LoggedEvent =>
  ({
    id: `01ARZ3NDEKTSV4RRFFQ69G${String(n).padStart(4, '0')}`,
    streamId,
    at: new Date(AT + n * 60_000).toISOString(),
    cookId: null,
    deviceId: 'tablet',
    version: 1,
    type,
    data,
  }) as LoggedEvent;
const moved = (lot: string, data: MilkMovement) => entry(lot, 'milk-moved', data);
const intake = (lot: string, litres: number) =>
  moved(lot, {
    kind: 'intake',
    lot: { ...MILKING, fatFraction: null, feed: null, costPerLitre: null, placeC: null },
    litres,
    typed: { value: litres, unit: 'L' },
    forRecord: false,
  });
const give = (lot: string, massKg: number) =>
  moved(lot, { kind: 'give', to: 'used', massKg, typed: { value: massKg, unit: 'kg' }, note: '' });
const undo = (target: LoggedEvent) => entry(target.streamId, 'voided', { target: target.id });

describe('lots with what is not stored yet', () => {
  test('an intake shows at once, and what is taken from it', () => {
    const [lot] = carriedOut([], [intake(id('A'), 4), give(id('A'), 1)]) as [Lot];
    expect(lot).toMatchObject({ id: id('A'), role: 'milk' });
    expect(lot.has.massKg).toBeCloseTo(4 * 1.03 - 1, 1);
  });

  test('an undo that is not sent yet takes its entry back, and an undo of the undo gives it again', () => {
    const came = intake(id('A'), 4);
    const gave = give(id('A'), 1);
    const first = undo(gave);
    const kg = (events: LoggedEvent[]): number => carriedOut([], events)[0]!.has.massKg;
    expect(kg([came, gave, first])).toBeCloseTo(kg([came]), 9);
    expect(kg([came, gave, first, undo(first)])).toBeCloseTo(kg([came, gave]), 9);
  });

  test('a correction that is not sent yet counts', () => {
    const came = intake(id('A'), 4);
    const more = entry(id('A'), 'corrected', {
      target: came.id,
      at: null,
      data: { ...came.data, litres: 8 },
    });
    const [lot] = carriedOut([], [came, more]) as [Lot];
    expect(lot.has.massKg).toBeCloseTo(8 * 1.03, 1);
  });

  test('the picture itself is not changed', () => {
    const lots = carriedOut([], [intake(id('A'), 4)]);
    const before = structuredClone(lots);
    carriedOut(lots, [give(id('A'), 2)]);
    expect(lots).toEqual(before);
  });
});

describe('cultures with what is not stored yet', () => {
  const takenIn = entry(id('C'), 'culture-changed', {
    kind: 'taken-in',
    culture: {
      name: 'Old line',
      kind: 'fresh-yogurt',
      heirloom: true,
      source: null,
      place: 'cold',
      massKg: 0.2,
      packet: null,
      rawMilk: false,
    },
  });
  const rename = entry(id('C'), 'culture-changed', { kind: 'rename', name: 'New name' });

  test('entries and undos alike', () => {
    expect(culturesAfter([], [takenIn, rename])).toMatchObject([{ name: 'New name', massKg: 0.2 }]);
    expect(culturesAfter([], [takenIn, rename, undo(rename)])).toMatchObject([{ name: 'Old line' }]);
    expect(culturesAfter([], [takenIn, undo(takenIn)])).toEqual([]);
  });

  test('an entry about a culture nobody knows changes nothing', () => {
    expect(culturesAfter([], [rename])).toEqual([]);
  });
});
