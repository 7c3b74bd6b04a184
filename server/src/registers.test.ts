import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  creamFactors,
  createRandom,
  foldCultures,
  foldMilkRoom,
  openLots,
  HOUR_MS,
} from '@morning-crock/core';
import type {
  CulturesResponse,
  DraftEvent,
  Lot,
  MilkMovement,
  MilkRoomResponse,
  StoredEvent,
} from '@morning-crock/core/contract';
import { ulid } from 'ulid';
import { createTestKitchen, draft, intakeDraft, type TestKitchen } from './testing/index.ts';

const START = Date.parse('2026-03-02T06:00:00.000Z');
let kitchen: TestKitchen;
beforeAll(async () => {
  kitchen = await createTestKitchen({ startMs: START });
});
afterAll(() => kitchen.close());

const send = (events: readonly DraftEvent[], to = kitchen) =>
  to.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
const room = async (of = kitchen): Promise<MilkRoomResponse> => (await of.app.inject('/api/milk')).json();
const lotIn = async (id: string, of = kitchen): Promise<Lot | undefined> =>
  (await room(of)).lots.find((lot) => lot.id === id);
const log = async (of = kitchen): Promise<StoredEvent[]> =>
  (await of.app.inject('/api/events?limit=5000')).json<{ events: StoredEvent[] }>().events;
const give = (lot: string, massKg: number, atMs = START): DraftEvent =>
  draft(lot, atMs, 'milk-moved', {
    kind: 'give',
    to: 'used',
    massKg,
    typed: { value: massKg, unit: 'kg' },
    note: '',
  });
const skim = (lot: string, creamKg: number, atMs = START): DraftEvent =>
  draft(lot, atMs, 'milk-moved', {
    kind: 'skim',
    cream: { lotId: ulid(), name: 'Cream' },
    rest: { lotId: ulid(), name: 'Rest' },
    creamKg,
    fatFraction: 0.25,
    weighed: true,
    typed: null,
  });
const byId = <T extends { readonly id: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('a register kept folded', () => {
  test('a batch with one entry that cannot be leaves nothing of it behind, and the good one may come again', async () => {
    const lot = ulid();
    const came = intakeDraft(lot, 4, START - 12 * HOUR_MS);
    const refused = await send([came, skim(lot, 40)]);
    expect(refused.statusCode).toBe(400);
    expect(await lotIn(lot)).toBeUndefined();
    expect((await log()).some((e) => e.streamId === lot)).toBe(false);
    expect((await send([came, skim(lot, 0.4)])).statusCode).toBe(200);
    expect((await room()).lots.filter((l) => l.parents.includes(lot))).toHaveLength(2);
  });

  test('ten tablets take of one jar at once: all of it is stored, and the sum is exact', async () => {
    const lot = ulid();
    await send([intakeDraft(lot, 10, START - 12 * HOUR_MS)]);
    const before = (await lotIn(lot))!.has.massKg;
    const answers = await Promise.all(Array.from({ length: 10 }, (_, i) => send([give(lot, 0.1 * (i + 1))])));
    expect(answers.map((a) => a.statusCode)).toEqual(Array.from({ length: 10 }, () => 200));
    expect((await lotIn(lot))!.has.massKg).toBeCloseTo(before - 5.5, 9);
  });

  test('the same entry sent twice, at once and later, counts once', async () => {
    const lot = ulid();
    await send([intakeDraft(lot, 5, START - 12 * HOUR_MS)]);
    const before = (await lotIn(lot))!.has.massKg;
    const once = give(lot, 1);
    await Promise.all([send([once]), send([once])]);
    await send([once]);
    expect((await lotIn(lot))!.has.massKg).toBeCloseTo(before - 1, 9);
  });

  test('two tablets correct the same entry: both are stored, the later one counts', async () => {
    const lot = ulid();
    const came = intakeDraft(lot, 2, START - 12 * HOUR_MS);
    await send([came]);
    const correct = (litres: number) =>
      draft(lot, START, 'corrected', {
        target: came.id,
        at: null,
        data: { ...came.data, litres, typed: { value: litres, unit: 'L' } },
      });
    const answers = await Promise.all([send([correct(20)]), send([correct(12)])]);
    expect(answers.map((a) => a.statusCode)).toEqual([200, 200]);
    const last = (await log()).findLast((e) => e.type === 'corrected' && e.streamId === lot)!;
    const litres = (last as Extract<StoredEvent, { type: 'corrected' }>).data.data['litres'] as number;
    expect((await lotIn(lot))!.has.massKg).toBeCloseTo(litres * 1.03, 1);
    // Taken back, the one before counts again.
    await send([draft(lot, START, 'voided', { target: last.id })]);
    expect((await lotIn(lot))!.has.massKg).toBeCloseTo((litres === 20 ? 12 : 20) * 1.03, 1);
  });

  test('kitchens do not see each other’s lots, not even one of the same identity', async () => {
    const other = await createTestKitchen({ startMs: START });
    try {
      const lot = ulid();
      const came = intakeDraft(lot, 3, START - HOUR_MS);
      await send([came]);
      expect(await lotIn(lot, other)).toBeUndefined();
      expect((await send([give(lot, 1)], other)).statusCode).toBe(400);
      expect((await send([intakeDraft(lot, 7, START - HOUR_MS)], other)).statusCode).toBe(200);
      expect((await lotIn(lot))!.has.massKg).toBeLessThan((await lotIn(lot, other))!.has.massKg);
    } finally {
      await other.close();
    }
  });

  test('whatever was entered, in whatever order and batches: it is the log folded, before and after a restart', async () => {
    let own = await createTestKitchen({ startMs: START });
    try {
      const random = createRandom(20260302);
      const pick = <T>(list: readonly T[]): T => list[Math.floor(random.uniform() * list.length)]!;
      const ids = Array.from({ length: 4 }, () => ulid());
      const pot = ulid();
      const known: string[] = [];
      let stored = 0;
      let refused = 0;
      let undone = 0;
      for (let round = 0; round < 60; round++) {
        // Some entries come late by up to two days.
        const atMs = START - Math.floor(random.uniform() * 48) * HOUR_MS;
        const lots = byId((await room(own)).lots);
        const lot = lots.length > 0 ? pick(lots).id : pick(ids);
        const entries = known.length > 0 ? await log(own) : [];
        // An entry and its stream are drawn together: an undo of another stream's entry would only be refused.
        const target = entries.length > 0 ? pick(entries) : null;
        const movement = (data: MilkMovement): DraftEvent => draft(lot, atMs, 'milk-moved', data);
        const what = Math.floor(random.uniform() * 8);
        const next: DraftEvent =
          what <= 1
            ? intakeDraft(pick(ids), 1 + 9 * random.uniform(), START - 60 * HOUR_MS)
            : what === 2
              ? skim(lot, 0.3, atMs)
              : what === 3
                ? movement({
                    kind: 'pool',
                    into: { lotId: pot, name: 'Pot', place: 'cold' },
                    massKg: 0.2,
                    soured: false,
                    typed: null,
                  })
                : what === 4
                  ? movement({ kind: 'move', place: 'counter', placeC: null, container: null })
                  : what === 5 && target
                    ? draft(target.streamId, START, 'voided', { target: target.id })
                    : give(lot, 0.5 + random.uniform(), atMs);
        const answer = await send([next], own);
        if (answer.statusCode === 200) {
          stored++;
          if (next.type === 'voided') undone++;
          known.push(next.id);
        } else refused++;
      }
      // All of it must have happened, or this shows nothing.
      expect(stored).toBeGreaterThan(12);
      expect(refused).toBeGreaterThan(2);
      expect(undone).toBeGreaterThan(2);
      const folded = foldMilkRoom(await log(own));
      const shown = await room(own);
      expect(byId(shown.lots)).toEqual(byId(openLots(folded)));
      expect(shown.lines).toBe(folded.lines.length);
      expect(shown.creamFactors).toEqual(creamFactors(folded));
      own = await own.reopen();
      const again = await room(own);
      expect({ ...again, now: '' }).toEqual({ ...shown, now: '' });
      const { cultures } = (await own.app.inject('/api/cultures')).json<CulturesResponse>();
      expect(cultures).toEqual([...foldCultures(await log(own)).cultures.values()]);
    } finally {
      await own.close();
    }
  });
});
