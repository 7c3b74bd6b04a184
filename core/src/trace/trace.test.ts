import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { thinIndices } from '../science/numerics/index.ts';
import { buildTrace, createRowReader, detectTable, splitLine, type TableFormat } from './index.ts';

const START = Date.parse('2026-03-14T06:00:00.000Z');
const UTC = { zone: 'UTC', startMs: START };

function first(lines: string[], context = UTC) {
  const found = detectTable(lines)!;
  const read = createRowReader(found.format, context);
  return { ...found, row: read(splitLine(lines[found.format.headLines]!, found.format.delimiter)) };
}

describe('finding out how a logger writes', () => {
  test.each([
    [
      'comma, point, ISO',
      ['time,Temp (°C)', '2026-03-14T06:10:00Z,43.1', '2026-03-14T06:11:00Z,43.0'],
      '2026-03-14T06:10:00Z',
      43.1,
      'C',
    ],
    [
      'semicolon, decimal comma, day first',
      ['Zeit;Temperatur °C', '14.03.2026 06:10;43,1', '14.03.2026 06:11;43,0'],
      '2026-03-14T06:10:00Z',
      43.1,
      'C',
    ],
    [
      'tab, month first, half days, °F',
      ['Date/Time\tTemperature (°F)', '03/14/2026 6:10 PM\t109.6', '03/14/2026 6:11 PM\t109.4'],
      '2026-03-14T18:10:00Z',
      109.6,
      'F',
    ],
    [
      'date and clock apart',
      ['date,time,probe °C', '2026-03-14,06:10:30,43.1', '2026-03-14,06:11:30,43'],
      '2026-03-14T06:10:30Z',
      43.1,
      'C',
    ],
    [
      'seconds since 1970',
      ['stamp,celsius', '1773468600,43.1', '1773468660,43'],
      '2026-03-14T06:10:00Z',
      43.1,
      'C',
    ],
    [
      'a word that begins with F',
      ['Zeit;Fühler °C', '14.03.2026 06:10:00;43,1', '14.03.2026 06:11:00;43,1'],
      '2026-03-14T06:10:00Z',
      43.1,
      'C',
    ],
    ['minutes since the start', ['minutes;°C', '10;43,1', '11;43,0'], '2026-03-14T06:10:00Z', 43.1, 'C'],
    ['only the clock', ['time,temp C', '06:10,43.1', '06:11,43.0'], '2026-03-14T06:10:00Z', 43.1, 'C'],
    ['pH', ['time;pH', '14.03.2026 06:10;6,41', '14.03.2026 06:20;6,40'], '2026-03-14T06:10:00Z', 6.41, 'pH'],
    [
      'lines above the head',
      ['Logger 4', 'serial 77', 'time,Temp (°C)', '2026-03-14 06:10,43.1', '2026-03-14 06:11,43.0'],
      '2026-03-14T06:10:00Z',
      43.1,
      'C',
    ],
    ['no head at all', ['2026-03-14 06:10;43,1', '2026-03-14 06:11;43,0'], '2026-03-14T06:10:00Z', 43.1, 'C'],
    [
      '°F nobody says',
      ['t,v', '2026-03-14 06:10,109.6', '2026-03-14 06:11,109.3'],
      '2026-03-14T06:10:00Z',
      109.6,
      'F',
    ],
  ])('%s', (_name, lines, iso, value, unit) => {
    const found = first(lines);
    expect(found.row).toEqual({ ok: true, atMs: Date.parse(iso), value });
    expect(found.format.unit).toBe(unit);
  });

  test('what it cannot know it says', () => {
    expect(first(['time,Temp (°C)', '03/04/2026 06:10,43.1', '03/04/2026 06:11,43']).doubts.join()).toContain(
      'either way round',
    );
    expect(first(['t,v', '2026-03-14 06:10,43', '2026-03-14 06:11,43']).doubts.join()).toContain('°C or °F');
  });

  test.each([[['just words here', 'and more words']], [['a,b', 'c,d']], [['']]])(
    '%j is no table of readings',
    (lines) => {
      expect(detectTable(lines)).toBeNull();
    },
  );

  test('local times are the kitchen’s, in summer as in winter', () => {
    const lines = ['time,°C', '2026-07-14 06:10,43.1', '2026-07-14 06:11,43.1'];
    const { row } = first(lines, { zone: 'Etc/GMT-2', startMs: START });
    expect(row).toMatchObject({ atMs: Date.parse('2026-07-14T04:10:00Z') });
  });

  test('a clock alone goes on over midnight', () => {
    const { format } = detectTable(['time,°C', '23:50,43.1', '23:59,43.0'])!;
    const read = createRowReader(format, UTC);
    const at = ['23:50', '23:59', '00:05'].map((t) => read([t, '43']));
    expect(at[2]).toMatchObject({ ok: true, atMs: Date.parse('2026-03-15T00:05:00Z') });
  });
});

describe('bad rows', () => {
  const { format } = detectTable(['time,°C', '2026-03-14 06:10,43.1', '2026-03-14 06:11,43.1'])!;
  const read = createRowReader(format, UTC);
  test.each([
    [['', '43'], 'no time'],
    [['2026-03-14 06:10', ''], 'no value'],
    [['2026-02-31 06:10', '43'], 'does not fit the time format'],
    [['2026-03-14 25:10', '43'], 'does not fit the time format'],
    [['2026-03-14 06:10', 'ERR'], 'not a number'],
    [['2026-03-14 06:10', '850'], 'is not possible for milk'],
    [['2026-03-14 06:10'], 'no value'],
  ])('%j', (cells, words) => {
    const row = read(cells);
    expect(row.ok).toBe(false);
    expect(row.ok ? '' : row.why).toContain(words);
  });
});

describe('what of an upload is taken', () => {
  const make = { fromMs: START, toMs: START + 8 * 3_600_000 };
  const rows = (n: number, fromMs = START) => ({
    unit: 'C' as const,
    at: Array.from({ length: n }, (_, i) => fromMs + i * 1000),
    values: Array.from({ length: n }, (_, i) => 40 + Math.sin(i / 50)),
  });

  test('rows of the make’s time, each instant once, in order; the sample keeps ends and peaks', () => {
    const upload = rows(5000, START - 60_000);
    upload.values[3000] = 55;
    const built = buildTrace(
      { ...upload, at: upload.at.toReversed(), values: upload.values.toReversed() },
      make,
      new Set(),
      null,
    );
    expect(built.outside).toBe(60);
    expect(built.at).toHaveLength(4940);
    expect(built.at.every((ms, i) => i === 0 || ms > built.at[i - 1]!)).toBe(true);
    expect(built.sample.length).toBeLessThanOrEqual(600);
    expect(built.sample.some(([, v]) => v === 55)).toBe(true);
    expect(built.sample[0]![0]).toBe(built.at[0]);
    expect(built.sample.at(-1)![0]).toBe(built.at.at(-1));
  });

  test('the same rows again add nothing; a longer download adds its tail', () => {
    const known = new Set(rows(100).at);
    expect(buildTrace(rows(100), make, known, null)).toMatchObject({ already: 100, at: [] });
    expect(buildTrace(rows(130), make, known, null).at).toHaveLength(30);
  });

  test('readings of a checked thermometer are set right in the sample, kept raw in the rows', () => {
    const built = buildTrace({ unit: 'F', at: [START], values: [110] }, make, new Set(), {
      offsetC: -1,
      slope: 1,
    });
    expect(built.values).toEqual([110]);
    expect(built.sample[0]![1]).toBeCloseTo(42.333, 3);
  });

  test('thinning never invents, reorders or drops an end', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 3, maxLength: 400 }),
        (ys) => {
          const xs = ys.map((_, i) => i);
          const kept = thinIndices(xs, ys, 40);
          expect(kept.length).toBe(Math.min(40, ys.length));
          expect(kept.every((v, i) => i === 0 || v > kept[i - 1]!)).toBe(true);
          expect([kept[0], kept.at(-1)]).toEqual([0, ys.length - 1]);
        },
      ),
    );
  });
});

test('a quoted cell keeps its delimiter', () => {
  expect(splitLine('"a,b",2', ',')).toEqual(['a,b', '2']);
  const format: TableFormat = detectTable([
    '"time","temp, °C"',
    '"2026-03-14 06:10","43.1"',
    '"2026-03-14 06:11","43.1"',
  ])!.format;
  expect(format.valueColumn).toBe(1);
});
