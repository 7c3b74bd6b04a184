import { expect, test } from '@jest/globals';
import { foldLarder } from '@morning-crock/core';
import { createLedger, lotId, putUpLike } from '@morning-crock/core/fixtures';
import Papa from 'papaparse';
import { leftCsv } from './left-csv.ts';

test('what left is a table that is read again, a note that looks like a sum included', () => {
  const ledger = createLedger();
  const id = lotId('BUTTER');
  ledger.say(id, 0, { type: 'larder-moved', data: putUpLike() });
  ledger.say(id, 2, {
    type: 'larder-moved',
    data: {
      kind: 'take',
      from: { place: 'cold', size: 0 },
      for: 'sold',
      massKg: 0.5,
      count: 2,
      typed: null,
      price: 11,
      into: null,
      note: '=stall, "early"',
    },
  });
  const { goods, lines } = foldLarder(ledger.events);
  const text = leftCsv(
    lines.filter(({ kind }) => kind === 'sold'),
    [...goods.values()],
    'UTC',
  );
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(errors).toEqual([]);
  expect(data).toEqual([
    {
      day: '2026-03-02',
      time: '14:00',
      goods: 'Butter of the week',
      lot: '4F7K2Q',
      made: '2026-03-02',
      pieces: '2',
      mass_kg: '0.5',
      left_as: 'sold',
      paid: '11',
      note: '\'=stall, "early"',
    },
  ]);
});
