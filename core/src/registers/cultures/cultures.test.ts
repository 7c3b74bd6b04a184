import { describe, expect, test } from '@jest/globals';
import type { CultureChange } from '../../contract/index.ts';
import {
  agedBy,
  doseLikeFresh,
  ferment,
  hoursToPh,
  inoculumOf,
  livingShare,
} from '../../science/souring/index.ts';
import { brokenBy, faultsOf, type LoggedEvent } from '../../log/index.ts';
import { cultureLike, lotId, planWith, register, ZERO_MS } from '../../fixtures/index.ts';
import {
  layTree,
  makesUnderWay,
  type Cultures,
  cultureFault,
  cultureReplay,
  dueOf,
  foldCultures,
  growthPerDay,
  isLive,
  paceOverTurns,
  storageOf,
  vigourOf,
} from './index.ts';
import { SHIPPED_METHODS } from '../../products/methods/index.ts';
import { DAY_H, DAY_MS } from '../../science/units/index.ts';

const [PACKET, GRAINS, FORK, BACKUP] = ['PACKET', 'GRAINS', 'FORK', 'BACKUP'].map(lotId) as [
  string,
  string,
  string,
  string,
];
const due = (all: Cultures, nowMs: number) => dueOf([...all.cultures.values()], makesUnderWay(all), nowMs);

describe('the family tree', () => {
  test('draws itself from what makes keep: turns, line, parents, what is left', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    const first = r.turn('1', PACKET, 5);
    const second = r.turn('2', first, 60);
    const { cultures } = foldCultures(r.events);
    expect(cultures.get(second)).toMatchObject({
      turn: 2,
      lineId: PACKET,
      parents: [first],
      heirloom: true,
      massKg: 0.06,
      bornOf: lotId('MAKE2'),
    });
    expect(cultures.get(PACKET)!.massKg).toBeCloseTo(0.15, 9);
    expect(cultures.get(PACKET)!.makes).toMatchObject([{ makeId: lotId('MAKE1') }]);
    expect(cultures.get(first)!.massKg).toBeCloseTo(0.01, 9);
  });

  test('what a make kept without a known starter begins a line of its own', () => {
    const r = register();
    const make = lotId('MAKEX');
    const { cultureId: _c, lineId: _l, ...starter } = planWith(PACKET).starter;
    r.say(make, 0, { type: 'make-started', data: { plan: { ...planWith(PACKET), starter } } });
    const kept = r.say(make, 9, {
      type: 'reserved',
      data: { massKg: 0.05, typed: { value: 50, unit: 'g' }, name: 'From the shop tub', place: 'freezer' },
    });
    expect(foldCultures(r.events).cultures.get(kept)).toMatchObject({
      name: 'From the shop tub',
      turn: 1,
      lineId: kept,
      stays: [{ place: 'freezer' }],
    });
  });

  test('split, freeze, revive, merge and discard', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    r.change(PACKET, 24, {
      kind: 'split',
      into: { cultureId: BACKUP, name: 'Back-up', place: 'freezer' },
      massKg: 0.03,
      backUp: true,
    });
    r.change(PACKET, 30, {
      kind: 'split',
      into: { cultureId: FORK, name: 'Fork', place: 'cold' },
      massKg: 0.05,
      backUp: false,
    });
    r.change(BACKUP, 24 * 11, { kind: 'revive', place: 'cold' });
    r.change(PACKET, 24 * 12, { kind: 'discard', reason: 'mould', note: '' });
    const { cultures } = foldCultures(r.events);
    expect(cultures.get(PACKET)).toMatchObject({ massKg: expect.closeTo(0.12, 9) as unknown });
    expect(isLive(cultures.get(PACKET)!)).toBe(false);
    expect(storageOf(cultures.get(BACKUP)!, ZERO_MS + 24 * 12 * 3_600_000)).toMatchObject({
      coldD: expect.closeTo(2, 9) as unknown,
      frozenD: expect.closeTo(10, 9) as unknown,
      freezings: 1,
    });
    const merged = lotId('MERGED');
    r.change(FORK, 24 * 13, {
      kind: 'merge',
      into: { cultureId: merged, name: 'Both', place: 'cold' },
      with: [BACKUP],
      massKg: 0.06,
    });
    expect(foldCultures(r.events).cultures.get(merged)).toMatchObject({
      parents: [FORK, BACKUP],
      lineId: merged,
    });
  });

  test('a packet is opened by its share; grains grow between weighings', () => {
    const r = register();
    r.change(PACKET, 0, {
      kind: 'taken-in',
      culture: cultureLike({
        kind: 'dried-yogurt',
        heirloom: false,
        massKg: null,
        packet: { lot: 'L7', useBy: null, statedLitres: 4, packets: 3, openedLeft: 0 },
      }),
    });
    const make = lotId('MAKEP');
    const plan = planWith(PACKET, { kind: 'dried-yogurt', massKg: null, statedRatio: 1 });
    r.say(make, 1, { type: 'make-started', data: { plan } });
    r.say(make, 2, { type: 'starter-added', data: { massKg: null, statedRatio: 1, typed: null } });
    expect(foldCultures(r.events).cultures.get(PACKET)!.packet).toMatchObject({
      packetsLeft: 2.5,
      opened: true,
    });
    r.change(GRAINS, 0, { kind: 'taken-in', culture: cultureLike({ kind: 'kefir-grains', massKg: 0.04 }) });
    r.change(GRAINS, 48, {
      kind: 'feed',
      milkKg: 0.5,
      massKg: 0.0441,
      typed: { value: 44.1, unit: 'g' },
    });
    expect(growthPerDay(foldCultures(r.events).cultures.get(GRAINS)!)).toBeCloseTo(0.05, 3);
  });

  test('what is given away of grains is no shrinking, and a make is a feed that leaves them whole', () => {
    const r = register();
    const grams = (value: number) => ({ massKg: value / 1000, typed: { value, unit: 'g' as const } });
    const grains = () => foldCultures(r.events).cultures.get(GRAINS)!;
    r.change(GRAINS, 0, { kind: 'taken-in', culture: cultureLike({ kind: 'kefir-grains', massKg: 0.04 }) });
    r.change(GRAINS, 48, { kind: 'weigh', ...grams(44.1) });
    r.change(GRAINS, 48, {
      kind: 'split',
      into: { cultureId: FORK, name: 'For the neighbour', place: 'cold' },
      massKg: 0.0241,
      backUp: false,
    });
    expect(grains().massKg).toBeCloseTo(0.02, 9);
    expect(growthPerDay(grains())).toBeCloseTo(0.05, 3);
    r.change(GRAINS, 60, { kind: 'weigh', ...grams(20) });
    r.change(GRAINS, 108, { kind: 'weigh', ...grams(22.05) });
    // Two times two days at 5 % a day; the half day nobody weighed over counts for nothing.
    expect(grains().grown.days).toBeCloseTo(2, 9);
    expect(growthPerDay(grains())).toBeCloseTo(0.05, 3);
    const fork = foldCultures(r.events).cultures.get(FORK)!;
    expect(fork).toMatchObject({ massKg: 0.0241, grown: { ln: 0, days: 0 } });

    const make = lotId('MAKEK');
    r.say(make, 120, {
      type: 'make-started',
      data: { plan: planWith(GRAINS, { kind: 'kefir-grains', massKg: 0.02, statedRatio: null }) },
    });
    r.say(make, 121, { type: 'starter-added', data: { massKg: 0.02, statedRatio: null, typed: null } });
    expect(grains()).toMatchObject({ massKg: 0.02205, fedMs: ZERO_MS + 121 * 3_600_000 });
    expect(grains().makes).toHaveLength(1);
  });

  test('a yogurt that is weighed does not grow, whatever was eaten of it', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike({ massKg: 0.4 }) });
    r.change(PACKET, 48, { kind: 'weigh', massKg: 0.1, typed: { value: 100, unit: 'g' } });
    expect(growthPerDay(foldCultures(r.events).cultures.get(PACKET)!)).toBeNull();
  });
});

describe('what is due', () => {
  const kinds = (r: ReturnType<typeof register>, day: number): string[] =>
    due(foldCultures(r.events), ZERO_MS + day * DAY_MS).map((d) => d.kind);

  test('an heirloom: use within a week, a back-up once, and then quiet', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    const told = due(foldCultures(r.events), ZERO_MS + DAY_MS);
    expect(told.find((d) => d.kind === 'use-within')!.atMs).toBe(ZERO_MS + 7 * DAY_MS);
    expect(kinds(r, 1)).toContain('back-up');
    r.change(PACKET, DAY_H, {
      kind: 'split',
      into: { cultureId: BACKUP, name: 'Back-up', place: 'freezer' },
      massKg: 0.03,
      backUp: true,
    });
    expect(kinds(r, 2)).not.toContain('back-up');
    expect(kinds(r, 120)).toContain('back-up');
  });

  test('a make is reminded of its reserve before it is eaten, and only the youngest of a line is told of', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike({ heirloom: false }) });
    const make = lotId('MAKE9');
    r.say(make, 24, { type: 'make-started', data: { plan: planWith(PACKET) } });
    const plan = planWith(PACKET);
    expect(plan.name).toBe('Yogurt');
    expect(kinds(r, 2)).toContain('reserve');
    // A wheel of cheese that ages for weeks is nobody's starter.
    const wheel = lotId('MAKE8');
    const cheese = SHIPPED_METHODS.find(({ id }) => id === 'washed-curd')!;
    r.say(wheel, 24, { type: 'make-started', data: { plan: { ...planWith(PACKET), method: cheese } } });
    const told = due(foldCultures(r.events), ZERO_MS + 2 * DAY_MS).filter((d) => d.kind === 'reserve');
    expect(told.map(({ id }) => id)).toEqual([make]);
    r.say(make, 40, { type: 'reserved', data: { massKg: 0.06, typed: { value: 60, unit: 'g' } } });
    expect(kinds(r, 2)).not.toContain('reserve');
    const lines = due(foldCultures(r.events), ZERO_MS + 2 * DAY_MS).filter((d) => d.kind === 'use-within');
    expect(lines).toHaveLength(1);
  });

  test('a fifth turn suggests a fresh one, an heirloom never; grains want milk; a packet’s day is told', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike({ heirloom: false }) });
    let id = PACKET;
    for (let n = 1; n <= 5; n++) id = r.turn(String(n), id, 24 * n);
    expect(kinds(r, 6)).toContain('refresh');
    const h = register();
    h.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    id = PACKET;
    for (let n = 1; n <= 7; n++) id = h.turn(String(n), id, 24 * n);
    expect(kinds(h, 8)).not.toContain('refresh');
    h.change(GRAINS, 0, { kind: 'taken-in', culture: cultureLike({ kind: 'kefir-grains', place: 'room' }) });
    expect(due(foldCultures(h.events), ZERO_MS).find((d) => d.kind === 'feed')!.atMs).toBe(
      ZERO_MS + 1.5 * DAY_MS,
    );
    const useBy = new Date(ZERO_MS + 10 * DAY_MS).toISOString();
    const p = register();
    p.change(PACKET, 0, {
      kind: 'taken-in',
      culture: cultureLike({
        kind: 'dried-yogurt',
        heirloom: false,
        packet: { lot: null, useBy, statedLitres: 2, packets: 1, openedLeft: 0 },
      }),
    });
    expect(kinds(p, 1)).toContain('use-by');
    expect(due(foldCultures(p.events), ZERO_MS + 11 * DAY_MS)[0]!.text).toMatch(/Past its use-by/);
  });

  test('a sign of contamination comes first', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    r.change(PACKET, 1, { kind: 'sign', sign: 'pink', note: '' });
    expect(kinds(r, 1)[0]).toBe('sign');
  });
});

describe('vigour', () => {
  test('age in the cold thins it as published: the rods lose a twentieth of a decade a day', () => {
    expect(livingShare('fresh-yogurt', { ageD: 10, log10Off: 0 })).toBeCloseTo(10 ** -0.5, 9);
    const week = agedBy('fresh-yogurt', { coldD: 7, roomD: 0, frozenD: 0, freezings: 0 });
    const room = agedBy('fresh-yogurt', { coldD: 0, roomD: 7, frozenD: 0, freezings: 0 });
    const frozen = agedBy('fresh-yogurt', { coldD: 0, roomD: 0, frozenD: 60, freezings: 1 });
    expect(room.ageD).toBeGreaterThan(week.ageD);
    expect(frozen).toMatchObject({ ageD: 0 });
    expect(livingShare('fresh-yogurt', frozen)).toBeLessThan(0.4);
    expect(livingShare('kefir-grains', { ageD: 0, log10Off: 0 })).toBe(1);
  });

  test('the dose like fresh sets when the fresh one would', () => {
    const question = {
      kind: 'fresh-yogurt',
      aged: { ageD: 8, log10Off: -0.2 },
      rate: 0.97,
      freshRatio: 0.02,
      temperature: { kind: 'constant', celsius: 43 },
      plasmaSnfPercent: 9,
      ph: 4.6,
    } as const;
    const { freshH, ratio } = doseLikeFresh(question);
    expect(ratio).toBeGreaterThan(0.02);
    const again = ferment(
      {
        ...inoculumOf({ kind: 'fresh-yogurt', ageD: 8, log10Off: -0.2, massRatio: ratio! }),
        temperature: question.temperature,
        plasmaSnfPercent: 9,
        rate: 0.97,
      },
      48,
    );
    expect(hoursToPh(again, 4.6)).toBeCloseTo(freshH, 2);
    expect(doseLikeFresh({ ...question, rate: 0.4 }).ratio).toBeNull();
    expect(doseLikeFresh({ ...question, aged: { ageD: 0, log10Off: 0 }, rate: 1 }).ratio).toBeCloseTo(
      0.02,
      4,
    );
  });

  test('measured pace is told by turn', () => {
    const r = register();
    r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
    const first = r.turn('1', PACKET, 5);
    r.turn('2', first, 60);
    const { cultures } = foldCultures(r.events);
    const step = (name: string, observed: number) => ({
      makeId: lotId(`MAKE${name}`),
      name: 'Yogurt',
      at: new Date(ZERO_MS).toISOString(),
      observed,
      sigma: 0.13,
      mean: observed / 2,
      meanSigma: 0.1,
    });
    const factor = {
      kind: 'rate' as const,
      thing: PACKET,
      name: 'Old line',
      mean: 0.05,
      sigma: 0.08,
      makes: 2,
      history: [step('1', 0.1), step('2', 0.02)],
    };
    expect(paceOverTurns(PACKET, cultures, [factor]).map((p) => [p.turn, p.observed])).toEqual([
      [0, 0.1],
      [1, 0.02],
    ]);
    expect(vigourOf(cultures.get(first)!, [factor], ZERO_MS)).toMatchObject({ lnPace: 0.05, makes: 2 });
  });
});

test('what cannot have happened is refused', () => {
  const r = register();
  r.change(PACKET, 10, { kind: 'taken-in', culture: cultureLike() });
  r.turn('1', PACKET, 12);
  r.change(PACKET, 40, { kind: 'discard', reason: 'eaten', note: '' });
  const all = foldCultures(r.events);
  const fault = (id: string, data: CultureChange, hour = 50) =>
    cultureFault(all, id, data, ZERO_MS + hour * 3_600_000)?.message;
  expect(fault(FORK, { kind: 'freeze' })).toMatch(/no such culture/);
  expect(fault(PACKET, { kind: 'freeze' }, 1)).toMatch(/before Old line existed/);
  expect(fault(PACKET, { kind: 'freeze' })).toMatch(/was discarded/);
  expect(fault(PACKET, { kind: 'taken-in', culture: cultureLike() })).toMatch(/already been added/);
});

test('a turn that was used cannot be taken back, nor can it have been kept after its own make began', () => {
  const r = register();
  r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
  const first = r.turn('1', PACKET, 5);
  const second = r.turn('2', first, 60);
  expect(faultsOf(cultureReplay, r.events).size).toBe(0);
  const change = (type: 'voided' | 'corrected', target: string, hour: number | null = null) => {
    const [aim] = r.events.filter((e) => e.id === target);
    const at = hour === null ? null : new Date(ZERO_MS + hour * 3_600_000).toISOString();
    const data = type === 'voided' ? { target } : { target, at, data: { ...aim!.data } };
    const more = { ...aim!, id: lotId('CHANGE'), type, data, seq: undefined } as LoggedEvent;
    return brokenBy(cultureReplay, r.events, more)[0] ?? null;
  };
  expect(change('voided', second)).toBeNull();
  expect(change('voided', first)).toMatchObject({
    event: { type: 'make-started', streamId: lotId('MAKE2') },
    fault: { path: 'data.plan.starter.cultureId', message: 'there is no such culture' },
  });
  expect(change('corrected', first, 30)).toBeNull();
  expect(change('corrected', first, 61)?.event.streamId).toBe(lotId('MAKE2'));
});

test('the picture of a family: turns in columns, forks on rows of their own', () => {
  const r = register();
  r.change(PACKET, 0, { kind: 'taken-in', culture: cultureLike() });
  const first = r.turn('1', PACKET, 5);
  const second = r.turn('2', first, 60);
  r.change(first, 70, {
    kind: 'split',
    into: { cultureId: FORK, name: 'Fork', place: 'cold' },
    massKg: 0.01,
    backUp: false,
  });
  r.change(GRAINS, 0, { kind: 'taken-in', culture: cultureLike({ kind: 'kefir-grains' }) });
  const nodes = layTree([...foldCultures(r.events).cultures.values()]);
  const at = (id: string) => {
    const node = nodes.find((n) => n.culture.id === id)!;
    return [node.column, node.row];
  };
  expect([PACKET, first].map(at)).toEqual([
    [0, 0],
    [1, 0],
  ]);
  expect(at(second)[0]).toBe(2);
  expect(at(FORK)[0]).toBe(2);
  expect(at(FORK)[1]).not.toBe(at(second)[1]);
  expect(at(GRAINS)[1]).toBeGreaterThan(0);
  const cells = nodes.map((n) => `${n.column} ${n.row}`);
  expect(new Set(cells).size).toBe(cells.length);
});
