import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { LotFacts, MilkMovement } from '../../contract/index.ts';
import { TREATMENTS } from '../../science/milk/index.ts';
import type { LoggedEvent } from '../../log/index.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/index.ts';
import {
  allocate,
  applyToRoom,
  copyRoom,
  EMPTY_KG,
  foldMilkRoom,
  freeKg,
  isEmpty,
  keepOf,
  litresIn,
  lotsFor,
  milkReplay,
  openLots,
  openRoom,
  skimOffer,
  withWeight,
  weightOf,
  type MilkRoom,
  type Want,
} from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const SOURCES = ['Fern', 'Dot', 'The ewes'];
const LOTS = ['A', 'B', 'C', 'CREAM', 'REST', 'POT', 'CAN', 'THAWED'].map(lotId);
const typed = { value: 1, unit: 'kg' as const };
const mass = fc.double({ min: 0.01, max: 4, noNaN: true });

const facts: fc.Arbitrary<Partial<LotFacts>> = fc.record({
  source: fc.constantFrom(...SOURCES),
  what: fc.constantFrom('milk' as const, 'cream' as const),
  treatment: fc.constantFrom(...TREATMENTS),
  fatFraction: fc.double({ min: 0.1, max: 0.2, noNaN: true }),
  place: fc.constantFrom('cold' as const, 'counter' as const, 'freezer' as const),
  placeC: fc.constant(null),
  costPerLitre: fc.option(fc.double({ min: 0, max: 3, noNaN: true }), { nil: null }),
});
const movement: fc.Arbitrary<MilkMovement> = fc.oneof(
  mass.map((massKg): MilkMovement => ({ kind: 'give', to: 'used', massKg, typed, note: '' })),
  fc.record({
    kind: fc.constant('skim' as const),
    cream: fc.constant({ lotId: lotId('CREAM'), name: 'cream' }),
    rest: fc.constant({ lotId: lotId('REST'), name: 'rest' }),
    creamKg: mass,
    fatFraction: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
    weighed: fc.boolean(),
    typed: fc.constant(null),
  }),
  fc.record({
    kind: fc.constant('pool' as const),
    // Cream into a pot, milk into a can or onto other milk.
    into: fc.record({
      lotId: fc.constantFrom('POT', 'CAN', 'A', 'B').map(lotId),
      name: fc.constant('poured together'),
      place: fc.constantFrom('cold' as const, 'counter' as const),
    }),
    massKg: mass,
    soured: fc.boolean(),
    typed: fc.constant(null),
  }),
  fc.record({
    kind: fc.constant('thaw' as const),
    into: fc.constant({ lotId: lotId('THAWED'), name: 'thawed' }),
    massKg: mass,
    readyAt: fc.constant(null),
    typed: fc.constant(null),
  }),
  fc.constant<MilkMovement>({ kind: 'freeze' }),
  fc.constantFrom('cold' as const, 'counter' as const).map((place): MilkMovement => ({
    kind: 'move',
    place,
    placeC: null,
    container: null,
  })),
  mass.map((massKg): MilkMovement => ({ kind: 'recount', massKg, typed })),
  mass.map((massKg): MilkMovement => ({
    kind: 'churn',
    massKg,
    butterKg: massKg * 0.4,
    buttermilkKg: massKg * 0.55,
    typed: null,
  })),
);
/** Some milkings, then whatever may happen to any lot, as the checks let it through. */
const history = fc
  .tuple(
    fc.array(fc.tuple(facts, fc.double({ min: 0.5, max: 12, noNaN: true })), { minLength: 1, maxLength: 3 }),
    fc.array(fc.tuple(fc.constantFrom(...LOTS), movement), { maxLength: 14 }),
  )
  .map(([intakes, moves]) => {
    const ledger = createLedger();
    const replay = milkReplay();
    for (const [i, [lot, litres]] of intakes.entries()) ledger.intake(LOTS[i]!, i, litres, lot);
    for (const [lot, data] of moves) {
      const hour = ledger.events.length * 3;
      const tried = createLedger();
      tried.move(lot, hour, data);
      if (replay.fault(foldMilkRoom(ledger.events), tried.events[0]!) === null) ledger.move(lot, hour, data);
    }
    return ledger.events;
  });
const picture = (room: MilkRoom) => ({ lots: [...room.lots.values()], lines: room.lines });

describe('any history of a milk room', () => {
  test('gives the same room in whatever order its entries arrive', () => {
    fc.assert(
      fc.property(history, fc.array(fc.nat(), { minLength: 20, maxLength: 20 }), (events, keys) => {
        const shuffled = events
          .map((event, i) => ({ event, at: keys[i % keys.length]! }))
          .sort((a, b) => a.at - b.at)
          .map(({ event }) => event);
        const sorted = (room: MilkRoom) => picture(room).lots.sort((a, b) => (a.id < b.id ? -1 : 1));
        expect(sorted(foldMilkRoom(shuffled))).toEqual(sorted(foldMilkRoom(events)));
        expect(foldMilkRoom(shuffled).lines).toEqual(foldMilkRoom(events).lines);
      }),
      { numRuns: 40 },
    );
  });

  test('carried on entry by entry it is the room folded at once, and a copy leaves the first alone', () => {
    fc.assert(
      fc.property(history, fc.nat(20), (events, cut) => {
        const half = events.slice(0, cut);
        const first = foldMilkRoom(half);
        const before = structuredClone(picture(first));
        const carried = copyRoom(first);
        for (const event of events.slice(cut)) applyToRoom(carried, event);
        expect(picture(carried)).toEqual(picture(foldMilkRoom(events)));
        expect(picture(first)).toEqual(before);
      }),
      { numRuns: 40 },
    );
  });

  test('a page that goes on from a picture ends where the server does, as long as it is about lots of the picture', () => {
    fc.assert(
      fc.property(history, (events) => {
        const last = events.at(-1)!;
        const shown = openLots(foldMilkRoom(events.slice(0, -1)));
        const begins = last.type === 'milk-moved' && last.data.kind === 'intake';
        fc.pre(begins || shown.some((lot) => lot.id === last.streamId));
        const page = openRoom(shown);
        applyToRoom(page, last);
        const open = (room: MilkRoom) => openLots(room).sort((a, b) => (a.id < b.id ? -1 : 1));
        expect(open(page)).toEqual(open(foldMilkRoom(events)));
      }),
      { numRuns: 60 },
    );
  });

  test('no composition is impossible, no lot is older than its milk, every line names its entry', () => {
    fc.assert(
      fc.property(history, (events) => {
        const room = foldMilkRoom(events);
        for (const lot of room.lots.values()) {
          const { fatFraction, proteinFraction, lactoseFraction, ashFraction } = lot.of;
          for (const share of [fatFraction, proteinFraction, lactoseFraction, ashFraction]) {
            expect(share).toBeGreaterThanOrEqual(0);
            expect(share).toBeLessThan(0.95);
          }
          expect(lot.oldestMs).toBeLessThanOrEqual(lot.takenInMs);
          if (isEmpty(lot)) continue;
          const keep = keepOf(lot, ZERO_MS + 90 * HOUR_MS);
          expect(keep.fromMs).toBeLessThanOrEqual(keep.toMs);
          expect(keep.reason).not.toBe('');
        }
        const ids = new Map<string, LoggedEvent>(events.map((e) => [e.id, e]));
        for (const line of room.lines) expect(ids.get(line.eventId)?.streamId).toBe(line.streamId);
      }),
      { numRuns: 40 },
    );
  });

  test('what is offered for skimming is never more than there is, in mass or in fat, and waiting never offers less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.02, max: 0.08, noNaN: true }),
        fc.integer({ min: 40, max: 160 }),
        fc.double({ min: 0, max: 48, noNaN: true }),
        (litres, fatFraction, percent, hour) => {
          const ledger = createLedger();
          ledger.intake(LOTS[0]!, 0, litres, { fatFraction });
          const lot = foldMilkRoom(ledger.events).lots.get(LOTS[0]!)!;
          const at = (h: number) =>
            skimOffer(lot, ZERO_MS + h * HOUR_MS, { depth: percent / 100, learned: undefined });
          const offer = at(hour);
          expect(offer.creamKg).toBeGreaterThanOrEqual(0);
          expect(offer.creamKg + offer.restKg).toBeCloseTo(lot.has.massKg, 6);
          expect(offer.creamKg * offer.creamFatFraction + offer.restKg * offer.restFatFraction).toBeCloseTo(
            lot.has.fatKg,
            6,
          );
          const later = at(hour + 6);
          expect(later.creamKg * later.creamFatFraction).toBeGreaterThanOrEqual(
            offer.creamKg * offer.creamFatFraction - 1e-9,
          );
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('sharing out', () => {
  const wants: fc.Arbitrary<Want[]> = fc.array(
    fc.record({
      id: fc.uuid(),
      name: fc.constant('a make'),
      sort: fc.constantFrom('milk' as const, 'skimmed' as const, 'cream' as const),
      litres: fc.double({ min: 0.1, max: 9, noNaN: true }),
    }),
    { minLength: 1, maxLength: 4 },
  );

  test('what is poured, what is short and what is left are what was asked and what was there', () => {
    fc.assert(
      fc.property(history, wants, (events, asked) => {
        const lots = openLots(foldMilkRoom(events));
        const nowMs = ZERO_MS + 60 * HOUR_MS;
        const { wants: got, left, enough } = allocate(lots, asked, nowMs);
        const taken = new Map<string, number>();
        for (const { want, from, shortKg, cost } of got) {
          const litres = from.reduce((sum, { lotId: id, massKg }) => {
            taken.set(id, (taken.get(id) ?? 0) + massKg);
            const lot = lots.find((l) => l.id === id)!;
            return sum + (litresIn(lot) / lot.has.massKg) * massKg;
          }, 0);
          expect(litres).toBeLessThanOrEqual(want.litres + 1e-6);
          // A litre weighs between 0.9 kg (rich cream) and 1.05 kg (skimmed ewes' milk).
          const lackingL = want.litres - litres;
          if (shortKg === 0) expect(lackingL * 0.9).toBeLessThan(EMPTY_KG);
          else expect(lackingL * 1.05).toBeGreaterThan(EMPTY_KG);
          if (cost !== null) expect(cost).toBeGreaterThanOrEqual(0);
          // Nothing frozen, nothing of another sort.
          const may = new Set(lotsFor(lots, want.sort, nowMs).map((l) => l.id));
          expect(from.every((f) => may.has(f.lotId))).toBe(true);
        }
        for (const { lot, leftKg } of left) {
          expect(leftKg + (taken.get(lot.id) ?? 0)).toBeCloseTo(freeKg(lot), 9);
          if (freeKg(lot) >= 0) expect(leftKg).toBeGreaterThanOrEqual(-1e-9);
        }
        expect(enough).toBe(got.every((g) => g.shortKg === 0));
      }),
      { numRuns: 60 },
    );
  });

  test('what must be used first is poured first', () => {
    fc.assert(
      fc.property(history, (events) => {
        const nowMs = ZERO_MS + 60 * HOUR_MS;
        for (const sort of ['milk', 'skimmed', 'cream'] as const) {
          const ends = lotsFor(openLots(foldMilkRoom(events)), sort, nowMs).map(
            (l) => keepOf(l, nowMs).fromMs,
          );
          expect(ends).toEqual([...ends].sort((a, b) => a - b));
        }
      }),
      { numRuns: 40 },
    );
  });
});

test('an entry corrected to another amount is about that amount, and about nothing else', () => {
  fc.assert(
    fc.property(movement, mass, (data, massKg) => {
      const next = withWeight(data, massKg, { value: massKg, unit: 'kg' });
      expect(next.kind).toBe(data.kind);
      if (weightOf(data) === null) expect(next).toEqual(data);
      else {
        expect(weightOf(next)).toBeCloseTo(massKg, 9);
        // Back to the old amount it is the old entry, but for how it was typed.
        const back = withWeight(next, weightOf(data)!, typed);
        const untyped = { typed: null, typedCream: null, weighed: null };
        expect({ ...back, ...untyped }).toEqual({ ...data, ...untyped });
      }
    }),
    { numRuns: 60 },
  );
  const intake = createLedger();
  intake.intake(LOTS[0]!, 0, 3);
  const data = intake.events[0]!.data as MilkMovement;
  const more = withWeight(data, weightOf(data)! * 2, { value: 6, unit: 'L' });
  expect(more).toMatchObject({ kind: 'intake', litres: expect.closeTo(6, 9) as unknown });
});
