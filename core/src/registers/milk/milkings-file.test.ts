import { describe, expect, test } from '@jest/globals';
import { readMilkings, type MilkingsRead } from './index.ts';

const NOW = Date.parse('2026-03-10T12:00:00.000Z');
const HERD = [{ name: 'Moss', kind: 'ewe' as const }];

function read(text: string): MilkingsRead {
  const table = text
    .trim()
    .split('\n')
    .map((line, i) => ({ line: i + 1, cells: line.trim().split(';') }));
  const found = readMilkings(table, { zone: 'UTC', nowMs: NOW, herd: HERD });
  if ('fault' in found) throw new Error(found.fault);
  return found;
}

describe('a file of milkings', () => {
  test('reads dates, clocks, units, decimal commas and kinds', () => {
    const { rows, bad } = read(`date;time;source;kind;amount;unit;fat_percent;note
      2026-03-01;06:30;Fern;cow-rich;8,4;L;4.1;calm
      02.03.2026;;Moss;;2;pint-imp;;
      03.03.2026 18:05;;Fern;;8.9;kg;;`);
    expect(bad).toEqual([]);
    expect(rows).toMatchObject([
      {
        line: 2,
        at: '2026-03-01T06:30:00.000Z',
        kind: 'cow-rich',
        litres: 8.4,
        fatFraction: 0.041,
        note: 'calm',
      },
      { line: 3, at: '2026-03-02T12:00:00.000Z', kind: 'ewe' },
      { line: 4, at: '2026-03-03T18:05:00.000Z', kind: 'cow-rich' },
    ]);
    expect(rows[1]!.litres).toBeCloseTo(2 * 0.568261, 6);
    expect(rows[2]!.litres).toBeGreaterThan(8.5);
    expect(rows[2]!.litres).toBeLessThan(8.9);
  });

  test('bad rows are told with their line and why; the others stay', () => {
    const { rows, bad, doubts } = read(`day;animal;quantity;unit;fat
      04/03/2026;Fern;8;L;
      04/03/2026;Fern;-2;L;
      04/03/2026;Fern;some;L;
      31/02/2026;Fern;8;L;
      2026-03-11;Fern;8;L;
      04/03/2026;;8;L;
      04/03/2026;Fern;8;bucket;
      04/03/2026;Fern;9000;L;
      04/03/2026;Fern;8;L;55

      04/03/2026;Fern;7;L;`);
    expect(rows).toHaveLength(2);
    expect(bad.map((b) => [b.line, b.why])).toEqual([
      [3, '-2 is not an amount of milk'],
      [4, '“some” is not a number'],
      [5, '“31/02/2026 12:00” is not a date and time'],
      [6, '“2026-03-11 12:00” is in the future'],
      [7, 'has no animal, herd or shop'],
      [8, '“bucket” is not a known unit'],
      [9, 'litres is more than 300 L in one lot'],
      [10, 'fatFraction is cream, not milk (20 %)'],
    ]);
    expect(doubts).toEqual([]);
  });

  test('a date that may be read two ways is doubted; a head without the needed columns is refused', () => {
    expect(read('date;source;litres\n04/03/2026;Fern;8').doubts[0]).toMatch(/day, month, year/);
    expect(() => read('when;who;how much\n1;2;3')).toThrow(/Missing: date, source, amount/);
    expect(() => read('')).toThrow(/Missing/);
  });
});
