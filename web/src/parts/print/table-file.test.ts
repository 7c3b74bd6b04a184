import { expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { inTable, tableCsv } from './table-file.ts';

test('a table is read again as it was: commas, quotes, lines, nothing, and what looks like a sum', () => {
  const rows = [
    ['Plain, "thick"', 1.5, null],
    ['two\nlines', 0, 'x'],
    ['=1+1', -3, '@home'],
  ];
  const text = tableCsv(['make', 'kg', 'note'], rows);
  const read = Papa.parse<string[]>(text.trimEnd()).data;
  expect(read[0]).toEqual(['make', 'kg', 'note']);
  expect(read[1]).toEqual(['Plain, "thick"', '1.5', '']);
  expect(read[2]).toEqual(['two\nlines', '0', 'x']);
  // A program of tables does not reckon with what a maker wrote.
  expect(read[3]![0]).toBe("'=1+1");
  expect(read[3]![2]).toBe("'@home");
});

test('numbers are no finer than anybody weighs', () => {
  expect(inTable(1.23456789)).toBe(1.2346);
  expect(inTable(null)).toBeNull();
});
