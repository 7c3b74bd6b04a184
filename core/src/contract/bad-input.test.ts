import { describe, expect, test } from '@jest/globals';
import {
  cultureChange,
  detailsOf,
  lotFacts,
  milkingRow,
  milkMovement,
  wakingDone,
  wakingPlan,
} from './index.ts';

const id = (letter: string): string => `0${letter.repeat(25)}`;
const kg = { value: 1, unit: 'kg' };

/** Entries as good as they come, by name. */
const GOOD = {
  lot: {
    name: 'Evening milk',
    source: 'Fern',
    what: 'milk',
    kind: 'cow-lean',
    treatment: 'raw',
    homogenised: false,
    fatFraction: 0.04,
    feed: 'grass',
    costPerLitre: 0.5,
    place: 'cold',
    placeC: 4,
    container: null,
  },
  skim: {
    kind: 'skim',
    cream: { lotId: id('C'), name: 'Cream' },
    rest: { lotId: id('R'), name: 'Rest' },
    creamKg: 0.8,
    fatFraction: 0.25,
    weighed: true,
    typed: kg,
  },
  pool: {
    kind: 'pool',
    into: { lotId: id('P'), name: 'Pot', place: 'cold' },
    massKg: 0.8,
    soured: false,
    typed: null,
  },
  thaw: {
    kind: 'thaw',
    into: { lotId: id('T'), name: 'For Friday' },
    massKg: 0.4,
    readyAt: '2026-03-02T09:00:00.000Z',
    typed: null,
  },
  give: { kind: 'give', to: 'animals', massKg: 1, typed: kg, note: '' },
  recount: { kind: 'recount', massKg: 0, typed: kg },
  move: { kind: 'move', place: 'counter', placeC: 19, container: 'the wide pan' },
  measure: {
    kind: 'measure',
    creamHeight: 0.1,
    typed: { value: 10, unit: '%' },
    heights: { cream: 2, all: 20, unit: 'cm' },
  },
  churn: {
    kind: 'churn',
    massKg: 1,
    butterKg: 0.3,
    buttermilkKg: 0.7,
    typed: null,
    typedCream: kg,
    typedButtermilk: kg,
  },
  row: {
    line: 2,
    at: '2026-03-02T06:00:00.000Z',
    source: 'Fern',
    kind: 'cow-lean',
    litres: 6,
    fatFraction: null,
    note: '',
  },
  takenIn: {
    kind: 'taken-in',
    culture: {
      name: 'Old line',
      kind: 'fresh-yogurt',
      heirloom: true,
      source: null,
      place: 'cold',
      massKg: 0.2,
      packet: { lot: '7', useBy: null, statedLitres: 1, packets: 2, openedLeft: 0.5 },
      rawMilk: false,
    },
  },
  split: {
    kind: 'split',
    into: { cultureId: id('F'), name: 'Fork', place: 'freezer' },
    massKg: 0.03,
    backUp: true,
  },
  merge: {
    kind: 'merge',
    into: { cultureId: id('M'), name: 'Both', place: 'cold' },
    with: [id('A')],
    massKg: null,
  },
  feed: { kind: 'feed', milkKg: 0.5, massKg: null, typed: kg },
  sign: { kind: 'sign', sign: 'pink', note: '' },
  discard: { kind: 'discard', reason: 'eaten', note: '' },
  rename: { kind: 'rename', name: 'New name' },
  waking: {
    name: 'Waking',
    cultureId: id('W'),
    kind: 'dried-mesophilic',
    treatment: 'pasteurised',
    cartonLitres: 1,
    firstFeedKg: 0.06,
    growth: 3,
    feeds: 4,
    celsius: 22,
    restBetween: 'cold',
    startAt: '2026-03-02T06:00:00.000Z',
  },
  done: { feed: 1, did: 'fed', massKg: 0.06, typed: { value: 60, unit: 'g' } },
} as const;

/** The schema each of them must pass. */
const SCHEMA = {
  lot: lotFacts,
  skim: milkMovement,
  pool: milkMovement,
  thaw: milkMovement,
  give: milkMovement,
  recount: milkMovement,
  move: milkMovement,
  measure: milkMovement,
  churn: milkMovement,
  row: milkingRow,
  takenIn: cultureChange,
  split: cultureChange,
  merge: cultureChange,
  feed: cultureChange,
  sign: cultureChange,
  discard: cultureChange,
  rename: cultureChange,
  waking: wakingPlan,
  done: wakingDone,
} as const;
type Name = keyof typeof GOOD;

/** An entry with one field, told by its path, changed. */
function withField(entry: unknown, path: string, value: unknown): unknown {
  const copy = structuredClone(entry) as Record<string, unknown>;
  const keys = path.split('.');
  let at = copy;
  for (const key of keys.slice(0, -1)) at = at[key] as Record<string, unknown>;
  at[keys.at(-1)!] = value;
  return copy;
}

describe('what goes in', () => {
  test.each(Object.keys(GOOD) as Name[])('a good %s passes as it is', (name) => {
    expect(SCHEMA[name].parse(GOOD[name])).toEqual(GOOD[name]);
  });

  test.each(Object.keys(GOOD) as Name[])('%s takes nothing it does not know', (name) => {
    const told = SCHEMA[name].safeParse({ ...GOOD[name], smuggled: 1 });
    expect(told.success).toBe(false);
  });

  test.each<[Name, string, unknown, RegExp]>([
    ['lot', 'source', '  ', /Enter a name/],
    ['lot', 'name', 'x'.repeat(81), /longer than 80/],
    ['lot', 'fatFraction', 0.3, /is cream, not milk/],
    ['lot', 'fatFraction', -0.01, /0|negative/],
    ['lot', 'fatFraction', 0.7, /richer than any cream/],
    ['lot', 'costPerLitre', -1, /cannot be negative/],
    ['lot', 'costPerLitre', 5000, /too high/],
    ['lot', 'placeC', 60, /warmer than any room/],
    ['lot', 'kind', 'unicorn', /./],
    ['lot', 'treatment', 'boiled twice', /./],
    ['skim', 'creamKg', 0, /above 0/],
    ['skim', 'creamKg', -2, /above 0/],
    ['skim', 'fatFraction', 0.01, /is too lean for cream/],
    ['skim', 'fatFraction', 0.8, /richer than any cream/],
    ['skim', 'cream.lotId', 'not an id', /./],
    ['pool', 'massKg', 900, /more than 200 kg/],
    ['pool', 'into.name', '', /Enter a name/],
    ['thaw', 'readyAt', 'tomorrow', /./],
    ['thaw', 'massKg', Number.NaN, /not a weight/],
    ['give', 'to', 'the neighbours', /./],
    ['give', 'typed', { value: 1, unit: 'bucket' }, /./],
    ['give', 'note', 'x'.repeat(2001), /longer than 2000/],
    ['recount', 'massKg', -0.1, /cannot be negative/],
    ['recount', 'massKg', 301, /more than 300 kg/],
    ['move', 'place', 'the cellar', /./],
    ['move', 'container', '', /Enter a name/],
    ['measure', 'creamHeight', 0, /too thin to be a layer/],
    ['measure', 'creamHeight', 0.7, /more than half cream/],
    ['measure', 'heights.cream', 0, /above 0/],
    ['measure', 'heights.all', 1.5, /more than the height of the cream/],
    ['measure', 'heights.unit', 'thumbs', /./],
    ['churn', 'butterKg', 0, /above 0/],
    ['churn', 'typedCream', { value: 1, unit: 'churnful' }, /./],
    ['row', 'litres', 0.01, /less than 50 mL/],
    ['row', 'litres', 400, /more than 300 L/],
    ['row', 'litres', 'six', /not an amount/],
    ['row', 'fatFraction', 0.25, /is cream, not milk/],
    ['row', 'at', '2026-13-40', /./],
    ['takenIn', 'culture.massKg', 60, /more than 50 kg/],
    ['takenIn', 'culture.kind', 'none', /./],
    ['takenIn', 'culture.packet.packets', 1.5, /whole number/],
    ['takenIn', 'culture.packet.packets', 0, /at least one/],
    ['takenIn', 'culture.packet.packets', 900, /more than 500/],
    ['takenIn', 'culture.packet.openedLeft', 2, /./],
    ['takenIn', 'culture.packet.lot', 'x'.repeat(41), /longer than 40/],
    ['takenIn', 'culture.packet.statedLitres', 0, /./],
    ['split', 'into.place', 'pantry', /./],
    ['split', 'massKg', 51, /./],
    ['merge', 'with', [], /needs at least one other culture/],
    ['merge', 'with', Array.from({ length: 9 }, () => id('A')), /./],
    ['feed', 'milkKg', 0, /above 0/],
    ['sign', 'sign', 'green', /./],
    ['discard', 'reason', 'bored', /./],
    ['rename', 'name', '   ', /Enter a name/],
    ['waking', 'firstFeedKg', 0.01, /less than 20 g/],
    ['waking', 'firstFeedKg', 3, /more than 2 kg/],
    ['waking', 'growth', 0.5, /is too small: each feed must be at least as large as the last/],
    ['waking', 'growth', 7, /more than six times/],
    ['waking', 'feeds', 0, /at least one feed/],
    ['waking', 'feeds', 13, /more than twelve/],
    ['waking', 'celsius', 5, /too cold to wake/],
    ['waking', 'celsius', 60, /too hot: it kills/],
    ['waking', 'kind', 'kefir-grains', /./],
    ['done', 'feed', 0, /./],
    ['done', 'did', 'forgotten', /./],
    ['done', 'massKg', -1, /above 0/],
  ])('%s: %s = %j is told at its field', (name, path, value, words) => {
    const told = SCHEMA[name].safeParse(withField(GOOD[name], path, value));
    expect(told.success).toBe(false);
    if (told.success) return;
    const details = detailsOf(told.error);
    const here = details.filter((d) => d.path === path || d.path.startsWith(`${path}.`));
    expect(here).not.toEqual([]);
    expect(here.map((d) => d.message).join('; ')).toMatch(words);
    // What is wrong elsewhere would send the maker to the wrong field.
    expect(details).toHaveLength(here.length);
  });

  test('cream is not taken for milk, nor milk for cream', () => {
    const cream = { ...GOOD.lot, what: 'cream' };
    expect(lotFacts.safeParse({ ...cream, fatFraction: 0.3 }).success).toBe(true);
    expect(lotFacts.safeParse({ ...cream, fatFraction: null }).success).toBe(true);
    const told = lotFacts.safeParse({ ...cream, fatFraction: 0.05 });
    expect(told.success ? [] : detailsOf(told.error)).toEqual([
      { path: 'fatFraction', message: 'is milk, not cream. Cream has at least 10 %' },
    ]);
  });

  test('names are stored without the blanks around them', () => {
    expect(lotFacts.parse({ ...GOOD.lot, source: '  Fern ' }).source).toBe('Fern');
    expect(cultureChange.parse({ kind: 'rename', name: ' New ' })).toEqual({ kind: 'rename', name: 'New' });
  });
});
