import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { defaultKitchen, defaultPlan, HOUR_MS } from '@morning-crock/core';
import type { LotFacts, MakePlan, MilkMovement, MilkRoomResponse } from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, draft, intakeDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const send = (...events: unknown[]) =>
  kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const move = (lotId: string, atMs: number, data: MilkMovement) => draft(lotId, atMs, 'milk-moved', data);
const intake = (lotId: string, litres: number, facts: Partial<LotFacts> = {}, atMs = START - 14 * HOUR_MS) =>
  intakeDraft(lotId, litres, atMs, facts);
const room = async (): Promise<MilkRoomResponse> => (await kitchen.app.inject('/api/milk')).json();
const lotIn = async (id: string) => (await room()).lots.find((lot) => lot.id === id);

function planFor(lotId: string, massKg: number): MakePlan {
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(START).toISOString());
  return {
    ...plan,
    milk: { ...plan.milk, lots: [{ lotId, name: 'Evening milk', massKg, costPerKg: null }] },
  };
}

describe('lots and their ledger', () => {
  test('from intake to skimmed milk and a pot of cream; undo gives it back', async () => {
    const [lot, cream, rest, pot] = [ulid(), ulid(), ulid(), ulid()];
    expect((await send(intake(lot, 8))).statusCode).toBe(200);
    const skim = move(lot, START, {
      kind: 'skim',
      cream: { lotId: cream, name: 'Cream of Fern' },
      rest: { lotId: rest, name: 'Skimmed of Fern' },
      creamKg: 0.9,
      fatFraction: 0.25,
      weighed: true,
      typed: { value: 900, unit: 'g' },
    });
    expect((await send(skim)).statusCode).toBe(200);
    expect(await lotIn(lot)).toBeUndefined();
    expect((await lotIn(rest))?.role).toBe('skimmed');
    const pool = move(cream, START, {
      kind: 'pool',
      into: { lotId: pot, name: 'Cream pot', place: 'cold' },
      massKg: 0.9,
      soured: false,
      typed: null,
    });
    expect((await send(pool)).statusCode).toBe(200);
    expect(await lotIn(pot)).toMatchObject({ role: 'pot', portions: [{ name: 'Cream of Fern' }] });
    // What others built on cannot be undone; the last thing can.
    const undoSkim = await send(draft(lot, START, 'voided', { target: skim.id }));
    expect(undoSkim.json()).toMatchObject({ code: 'in-use' });
    expect((await send(draft(cream, START, 'voided', { target: pool.id }))).statusCode).toBe(200);
    expect((await send(draft(lot, START, 'voided', { target: skim.id }))).statusCode).toBe(200);
    expect((await lotIn(lot))?.has.massKg).toBeCloseTo(8.24, 1);
    expect(await lotIn(pot)).toBeUndefined();
  });

  test('an entry of a lot is corrected as far as the later ones bear it, and stays what it is', async () => {
    const [lot, cream, rest] = [ulid(), ulid(), ulid()];
    const milking = { ...intake(lot, 2), at: new Date(START - 12 * HOUR_MS).toISOString() };
    await send(milking);
    const skim = move(lot, START - HOUR_MS, {
      kind: 'skim',
      cream: { lotId: cream, name: 'Cream' },
      rest: { lotId: rest, name: 'Skimmed' },
      creamKg: 1.5,
      fatFraction: 0.1,
      weighed: true,
      typed: { value: 1500, unit: 'g' },
    });
    await send(skim);
    const correct = (target: { id: string; streamId: string }, data: object, at: number | null = null) =>
      send(
        draft(target.streamId, START, 'corrected', {
          target: target.id,
          at: at === null ? null : new Date(at).toISOString(),
          data: data as Record<string, unknown>,
        }),
      );
    const litres = (value: number) => ({ ...milking.data, litres: value, typed: { value, unit: 'L' } });
    // Twenty litres, not two: what is left under the cream grows with it.
    const before = (await lotIn(rest))!.has.massKg;
    expect((await correct(milking, litres(20))).statusCode).toBe(200);
    expect((await lotIn(rest))!.has.massKg - before).toBeCloseTo(18 * 1.03, 0);
    const stored = (await room()).lines;
    for (const [answer, code, path, message] of [
      [await correct(milking, litres(1)), 'in-use', 'data.target', /Skimmed, 2026-03-02 .*more than the/],
      [await correct(milking, litres(2), START), 'in-use', 'data.target', /no such lot/],
      [await correct(milking, litres(2), START + HOUR_MS), 'ahead-of-clock', 'events.0.data.at', /ahead/],
      [await correct(milking, litres(-1)), 'bad-input', 'data.data.litres', /less than/],
      [await correct(milking, { kind: 'freeze' }), 'bad-input', 'data.data.kind', /another kind/],
      [
        await correct(skim, { ...skim.data, rest: { lotId: ulid(), name: 'Skimmed' } }),
        'bad-input',
        'data.data',
        /the same lots/,
      ],
      [await correct(skim, { ...skim.data, creamKg: 30 }), 'bad-input', 'data.data.creamKg', /more than the/],
      [await correct(skim, skim.data, START - 13 * HOUR_MS), 'bad-input', 'data.at', /no such lot/],
    ] as const) {
      expect(answer.json()).toMatchObject({
        code,
        details: [{ path, message: expect.stringMatching(message) as unknown }],
      });
    }
    expect((await room()).lines).toBe(stored);
  });

  test('a skimming entered late counts at its own time; what was given away late is stored as it was', async () => {
    const [lot, cream, rest] = [ulid(), ulid(), ulid()];
    await send(intake(lot, 3));
    const early = START - HOUR_MS;
    const used = (massKg: number): MilkMovement => ({
      kind: 'give',
      to: 'used',
      massKg,
      typed: { value: massKg, unit: 'kg' },
      note: '',
    });
    await send(move(lot, START, used((await lotIn(lot))!.has.massKg)));
    expect(await lotIn(lot)).toBeUndefined();
    const skim = (id: string) =>
      move(lot, early, {
        kind: 'skim',
        cream: { lotId: id, name: 'Cream' },
        rest: { lotId: id === cream ? rest : ulid(), name: 'Skimmed' },
        creamKg: 0.3,
        fatFraction: 0.25,
        weighed: true,
        typed: null,
      });
    expect((await send(skim(cream))).statusCode).toBe(200);
    expect((await lotIn(cream))?.has.massKg).toBeCloseTo(0.3, 9);
    // Given away after all was skimmed off it: more than there was, so somebody should look.
    expect(await lotIn(lot)).toMatchObject({ recount: true });
    const again = await send({ ...skim(ulid()), at: new Date(early - HOUR_MS).toISOString() });
    expect(again.json()).toMatchObject({ code: 'in-use', details: [{ path: 'at' }] });
    expect((await send(move(lot, early - HOUR_MS, used(2.9)))).statusCode).toBe(200);
  });

  test('what cannot have happened is refused beside its field, and nothing is changed', async () => {
    const lot = ulid();
    await send(intake(lot, 4));
    const before = await room();
    const skim = (creamKg: number) =>
      move(lot, START, {
        kind: 'skim',
        cream: { lotId: ulid(), name: 'c' },
        rest: { lotId: ulid(), name: 'r' },
        creamKg,
        fatFraction: 0.25,
        weighed: true,
        typed: null,
      });
    const over = await send(skim(5));
    expect(over.statusCode).toBe(400);
    expect(over.json()).toMatchObject({
      details: [
        { path: 'data.creamKg', message: expect.stringMatching(/more than the 4\.11 kg/) as unknown },
      ],
    });
    const early = await send(move(lot, START - 20 * HOUR_MS, { kind: 'freeze' }));
    expect(early.json()).toMatchObject({ details: [{ path: 'at' }] });
    for (const bad of [
      { ...intake(ulid(), 4).data, litres: -2 },
      { ...intake(ulid(), 4).data, typed: { value: 4, unit: 'bucket' } },
    ]) {
      const refused = await send({ ...intake(ulid(), 4), data: bad });
      expect(refused.json()).toMatchObject({ code: 'bad-input' });
    }
    expect((await room()).lines).toBe(before.lines);
    // A lot is no make and a make is no lot.
    const noMake = await send(draft(lot, START, 'step-done', { step: 'pour' }));
    expect(noMake.json()).toMatchObject({ code: 'no-such-make' });
    expect((await send(draft(lot, START, 'make-started', { plan: planFor(lot, 1) }))).statusCode).toBe(400);
  });

  test('two tablets plan the last litre: one gets it, the other is told', async () => {
    const lot = ulid();
    await send(intake(lot, 4));
    const answers = await Promise.all(
      [ulid(), ulid()].map((id) => send(draft(id, START, 'make-started', { plan: planFor(lot, 3) }))),
    );
    expect(answers.map((a) => a.statusCode).sort()).toEqual([200, 422]);
    const told = answers.find((a) => a.statusCode === 422)!;
    expect(told.json()).toMatchObject({
      code: 'not-enough',
      details: [{ message: expect.stringMatching(/4 L in stock, 2\.9\d L of it set aside/) as unknown }],
    });
    expect((await lotIn(lot))?.spokenForKg).toBe(3);
  });

  test('a pour that happened is stored even beyond what is there: the lot asks to be recounted', async () => {
    const [lot, make] = [ulid(), ulid()];
    await send(intake(lot, 3));
    await send(draft(make, START, 'make-started', { plan: planFor(lot, 3) }));
    const poured = await send(
      draft(make, START, 'milk-poured', {
        from: [{ lotId: lot, massKg: 3.6, typed: { value: 3.6, unit: 'kg' } }],
      }),
    );
    expect(poured.statusCode).toBe(200);
    expect(await lotIn(lot)).toMatchObject({ recount: true, spokenForKg: 0 });
    await send(move(lot, START, { kind: 'recount', massKg: 0.2, typed: { value: 200, unit: 'g' } }));
    expect(await lotIn(lot)).toMatchObject({ recount: false, has: { massKg: 0.2 } });
    const page = (await kitchen.app.inject(`/api/milk/ledger?lot=${lot}`)).json<{
      lines: { kind: string; otherId: string | null }[];
    }>();
    expect(page.lines.map((l) => l.kind)).toEqual(['recount', 'pour', 'intake']);
    expect(page.lines[1]!.otherId).toBe(make);
  });

  test('nothing of a refused batch stays behind in what is remembered', async () => {
    const lot = ulid();
    const refused = await send(
      intake(lot, 5),
      move(lot, START, {
        kind: 'thaw',
        into: { lotId: ulid(), name: 'x' },
        massKg: 1,
        readyAt: null,
        typed: null,
      }),
    );
    expect(refused.statusCode).toBe(400);
    expect(await lotIn(lot)).toBeUndefined();
    expect((await send(intake(lot, 5))).statusCode).toBe(200);
  });
});

describe('milkings', () => {
  const row = (line: number, day: string, litres: number) => ({
    line,
    at: `${day}T06:30:00.000Z`,
    source: 'Fern',
    kind: 'cow-lean',
    litres,
    fatFraction: null,
    note: line === 2 ? 'restless' : '',
  });
  const upload = (rows: unknown[]) =>
    kitchen.app.inject({
      method: 'POST',
      url: '/api/milk/milkings',
      payload: { rows, deviceId: 'test-page' },
    });

  test('come in once, count for the months and not for the stock, and go out again', async () => {
    const stock = (await room()).lots.length;
    const rows = [row(2, '2026-02-10', 8.4), row(3, '2026-02-11', 8.1)];
    expect((await upload(rows)).json()).toEqual({ added: 2, already: 0 });
    expect((await upload([...rows, row(4, '2026-02-12', 7.9)])).json()).toEqual({ added: 1, already: 2 });
    expect((await room()).lots).toHaveLength(stock);
    const { days } = (await kitchen.app.inject('/api/milk/days')).json<{
      days: { day: string; source: string; litres: number }[];
    }>();
    expect(days.filter((d) => d.day < '2026-03')).toMatchObject([
      { day: '2026-02-10', source: 'Fern', litres: 8.4 },
      { day: '2026-02-11', litres: 8.1 },
      { day: '2026-02-12', litres: 7.9 },
    ]);
    const csv = (await kitchen.app.inject('/api/milk/milkings.csv')).body;
    expect(csv.split('\n').slice(0, 2)).toEqual([
      'date,time,source,kind,amount,unit,fat_percent,note',
      '2026-02-10,06:30,Fern,cow-lean,8.4,L,,restless',
    ]);
  });

  test('what was taken in by hand and comes back in a file is the same milking', async () => {
    await send(intake(ulid(), 6.5, {}, Date.parse('2026-02-20T06:30:20.000Z')));
    expect((await upload([row(2, '2026-02-20', 6.5)])).json()).toEqual({ added: 0, already: 1 });
  });

  test('a bad row is refused with its place, and nothing is stored', async () => {
    const answer = await upload([row(2, '2026-02-13', 8), row(3, '2026-02-14', -1)]);
    expect(answer.statusCode).toBe(400);
    expect(answer.json()).toMatchObject({ details: [{ path: 'rows.1.litres' }] });
    const future = await upload([row(2, '2026-05-13', 8)]);
    expect(future.json()).toMatchObject({ code: 'ahead-of-clock' });
  });
});

test('a whole kitchen goes into a back-up with its milk and comes back', async () => {
  const file = (await kitchen.app.inject('/api/backup')).body;
  const other = await createTestKitchen({ startMs: START });
  try {
    const restored = await other.app.inject({
      method: 'POST',
      url: '/api/restore',
      headers: { 'content-type': 'application/json' },
      payload: file,
    });
    expect(restored.statusCode).toBe(200);
    const [here, there] = [await room(), (await other.app.inject('/api/milk')).json<MilkRoomResponse>()];
    expect(there.lots).toEqual(here.lots);
    expect(there.lines).toBe(here.lines);
    // The Daybook and its file know makes only.
    const makes = (await other.app.inject('/api/makes')).json<{ makes: unknown[] }>();
    expect(makes.makes).toHaveLength(2);
    const daybook = (await other.app.inject('/api/export')).json<{ makes: unknown[] }>();
    expect(daybook.makes).toHaveLength(2);
    const third = await createTestKitchen({ startMs: START });
    const imported = await third.app.inject({ method: 'POST', url: '/api/import', payload: daybook });
    expect(imported.json()).toMatchObject({ makes: 2 });
    await third.close();
  } finally {
    await other.close();
  }
});
