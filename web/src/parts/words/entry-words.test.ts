import { expect, test } from '@jest/globals';
import { defaultKitchen, type LoggedEvent } from '@morning-crock/core';
import { STEP_KINDS, type EventType } from '@morning-crock/core/contract';
import { unitsOf } from '../../data/units-of.ts';
import { entryWords } from './entry-words.ts';

const metric = unitsOf(defaultKitchen('UTC'));
const ofType = (type: EventType, data: unknown): LoggedEvent =>
  ({ id: 'E', streamId: 'S', at: '2026-03-02T10:00:00.000Z', type, data }) as LoggedEvent;

test.each<[EventType, unknown, string]>([
  ['make-started', {}, 'started'],
  ['step-done', { step: 'cool' }, 'cooling done'],
  ['step-skipped', { step: 'reserve' }, 'saving starter skipped'],
  ['temperature-read', { celsius: 43, instrument: 'hand' }, '43.0 °C'],
  ['temperature-read', { celsius: 43, instrument: 'Shelf' }, '43.0 °C (Shelf)'],
  [
    'temperature-read',
    { celsius: 43, instrument: 'Shelf', rawC: 44.5 },
    '43.0 °C (Shelf, thermometer read 44.5 °C)',
  ],
  ['ph-read', { ph: 4.617, instrument: 'meter' }, 'pH 4.62 (meter)'],
  ['ph-read', { ph: 4.6, instrument: 'strip' }, 'pH 4.6 (strip)'],
  ['titrated', { percent: 0.9, naohMl: 9, sampleG: 9 }, 'titratable acidity 0.90 % (9 mL lye on 9 g)'],
  [
    'trace-imported',
    { rows: 120, instrument: 'Shelf', fileName: 'a.csv' },
    '120 readings from Shelf (a.csv)',
  ],
  ['replanned', { why: 'a bath' }, 'replanned: a bath'],
  ['replanned', { why: '' }, 'replanned'],
  ['jar-chilled', {}, 'moved a jar to the fridge'],
  ['milk-poured', { from: [{ massKg: 1.2 }, { massKg: 0.8 }] }, 'poured 2.00 kg from the milk room'],
  ['starter-added', { massKg: null }, 'starter added'],
  ['starter-added', { massKg: 0.04 }, 'starter added, 40 g'],
  ['weighed', { massKg: 1.5 }, 'weighed 1.50 kg'],
  ['tasted', { sourness: 'tart', texture: 'firm', text: '' }, 'tasted: tart, firm'],
  [
    'tasted',
    { sourness: 'tart', texture: 'firm', text: 'like last week' },
    'tasted: tart, firm. like last week',
  ],
  ['noted', { text: 'the lid was off' }, 'the lid was off'],
  ['reserved', { massKg: 0.06 }, 'saved 60 g as starter'],
  ['fed', { step: 'feed-2', massKg: 0.18, typed: null }, 'fed 2, 180 g'],
  ['fed', { step: 'feed', massKg: null, typed: null }, 'fed'],
  ['step-done', { step: 'stand-2' }, 'standing 2 done'],
  ['finished', { verdict: 'kept', reason: '' }, 'finished'],
  ['finished', { verdict: 'discarded', reason: 'never set' }, 'discarded. never set'],
])('%s %j is “%s”', (type, data, words) => {
  expect(entryWords(ofType(type, data), metric)).toBe(words);
});

test('every step has its words', () => {
  for (const step of STEP_KINDS)
    expect(entryWords(ofType('step-done', { step }), metric)).toMatch(/^[a-z ]+ done$/);
});

test.each<EventType>(['voided', 'corrected', 'planned', 'alarm-acknowledged'])('%s needs no line', (type) => {
  expect(entryWords(ofType(type, {}), metric)).toBeNull();
});
