import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toCelsius } from '../science/units/index.ts';
import { buildTrace, canonicalValue, createRowReader, detectTable, splitLine } from './index.ts';

const START = Date.parse('2026-05-04T05:00:00.000Z');
const two = (n: number): string => String(n).padStart(2, '0');

/** Ways a logger may write an instant. */
const WRITERS: Readonly<Record<string, (ms: number) => string>> = {
  iso: (ms) => new Date(ms).toISOString(),
  'iso without a zone': (ms) => new Date(ms).toISOString().slice(0, 19).replace('T', ' '),
  'with an offset': (ms) => `${new Date(ms + 2 * 3_600_000).toISOString().slice(0, 19)}+02:00`,
  'day first': (ms) => {
    const d = new Date(ms);
    return `${two(d.getUTCDate())}.${two(d.getUTCMonth() + 1)}.${d.getUTCFullYear()} ${new Date(ms).toISOString().slice(11, 19)}`;
  },
  'month first': (ms) => {
    const d = new Date(ms);
    const h = d.getUTCHours();
    return `${d.getUTCMonth() + 1}/${d.getUTCDate()}/${d.getUTCFullYear()} ${h % 12 === 0 ? 12 : h % 12}:${two(d.getUTCMinutes())}:${two(d.getUTCSeconds())} ${h < 12 ? 'AM' : 'PM'}`;
  },
  'seconds since 1970': (ms) => String(ms / 1000),
};

const files = fc.record({
  writer: fc.constantFrom(...Object.keys(WRITERS)),
  delimiter: fc.constantFrom(';', '\t'),
  comma: fc.boolean(),
  unit: fc.constantFrom('C', 'F'),
  rows: fc.array(fc.integer({ min: 300, max: 480 }), { minLength: 4, maxLength: 60 }),
  everyS: fc.integer({ min: 1, max: 900 }),
  head: fc.boolean(),
} as const);

describe('any logger', () => {
  test('what it wrote is what is read, whatever its habits', () => {
    fc.assert(
      fc.property(files, ({ writer, delimiter, comma, unit, rows, everyS, head }) => {
        const write = WRITERS[writer]!;
        const values = rows.map((tenths) =>
          unit === 'C' ? tenths / 10 : Math.round((tenths / 10) * 18 + 320) / 10,
        );
        const times = rows.map((_, i) => START + i * everyS * 1000);
        const lines = values.map(
          (v, i) => `${write(times[i]!)}${delimiter}${comma ? v.toFixed(1).replace('.', ',') : v.toFixed(1)}`,
        );
        const found = detectTable([...(head ? [`time${delimiter}milk °${unit}`] : []), ...lines])!;
        const format = head ? found.format : { ...found.format, unit };
        // Day and month cannot be told from a fourth of May alone; the maker says so.
        const settled =
          writer === 'day first' ? { ...format, timeFormat: 'day-month-year' as const } : format;
        const read = createRowReader(settled, { zone: 'UTC', startMs: START });
        for (const [i, line] of lines.entries()) {
          const row = read(splitLine(line, settled.delimiter));
          expect(row).toEqual({ ok: true, atMs: times[i], value: Number(values[i]!.toFixed(1)) });
        }
        expect(settled.unit).toBe(unit);
      }),
      { numRuns: 150 },
    );
  });

  test('rubbish is refused row by row and never taken for a reading', () => {
    const read = createRowReader(
      detectTable(['time;°C', '2026-05-04 05:00;43.0', '2026-05-04 05:01;43.0'])!.format,
      { zone: 'UTC', startMs: START },
    );
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 30 }), { maxLength: 4 }), (cells) => {
        const row = read(cells);
        if (row.ok) {
          expect(Number.isFinite(row.atMs)).toBe(true);
          expect(row.value).toBeGreaterThanOrEqual(-30);
          expect(row.value).toBeLessThanOrEqual(200);
        } else expect(row.why.length).toBeGreaterThan(3);
      }),
    );
  });

  test('in two parts or in one: the same rows are stored', () => {
    const make = { fromMs: START, toMs: START + 12 * 3_600_000 };
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 4000 }), { minLength: 1, maxLength: 80 }),
        fc.nat(80),
        (seconds, cut) => {
          const at = seconds.map((s) => START + s * 1000);
          const values = seconds.map((s) => 40 + (s % 50) / 10);
          const whole = buildTrace({ unit: 'C', at, values }, make, new Set(), null).at;
          const first = buildTrace(
            { unit: 'C', at: at.slice(0, cut), values: values.slice(0, cut) },
            make,
            new Set(),
            null,
          ).at;
          const rest = buildTrace({ unit: 'C', at, values }, make, new Set(first), null).at;
          expect([...first, ...rest].sort((a, b) => a - b)).toEqual(whole);
        },
      ),
    );
  });

  test('°F and °C of the same heat are the same heat, also set right', () => {
    fc.assert(
      fc.property(fc.double({ min: 50, max: 212, noNaN: true }), (f) => {
        const correction = { offsetC: -0.4, slope: 1.01 };
        expect(canonicalValue(f, 'F', correction)).toBeCloseTo(
          canonicalValue(toCelsius(f, 'F'), 'C', correction),
          9,
        );
      }),
    );
  });
});
