import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { MilkMovement } from '../../contract/index.ts';
import { brokenBy, faultsOf, type LoggedEvent } from '../../log/index.ts';
import { createLedger, lotId, MILKING, ZERO_MS } from '../../fixtures/index.ts';
import { foldMilkRoom, milkReplay, takesOut } from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const [A, CREAM, REST, POT] = ['A', 'CREAM', 'REST', 'POT'].map(lotId) as [string, string, string, string];
const SKIM: MilkMovement = {
  kind: 'skim',
  cream: { lotId: CREAM, name: 'cream' },
  rest: { lotId: REST, name: 'rest' },
  creamKg: 0.8,
  fatFraction: 0.25,
  weighed: true,
  typed: null,
};
const POOL: MilkMovement = {
  kind: 'pool',
  into: { lotId: POT, name: 'pot', place: 'cold' },
  massKg: 0.8,
  soured: false,
  typed: null,
};
const give = (massKg: number): MilkMovement => ({
  kind: 'give',
  to: 'used',
  massKg,
  typed: { value: massKg, unit: 'kg' },
  note: '',
});

/** Eight litres, skimmed after twelve hours, the cream put into a pot an hour later. */
function skimmed() {
  const ledger = createLedger();
  const intake = ledger.intake(A, 0, 8);
  const skim = ledger.move(A, 12, SKIM);
  const pool = ledger.move(CREAM, 13, POOL);
  return { ledger, intake, skim, pool };
}
/** An entry that is not in the log yet. */
function late(event: Pick<LoggedEvent, 'type' | 'data'>, streamId: string, hour: number): LoggedEvent {
  return {
    ...event,
    id: lotId('LATE'),
    streamId,
    at: new Date(ZERO_MS + hour * HOUR_MS).toISOString(),
    cookId: null,
    deviceId: 'test',
    version: 1,
  } as LoggedEvent;
}
const undo = (target: string) => late({ type: 'voided', data: { target } }, A, 20);
const corrected = (target: string, data: object, hour: number | null = null) =>
  late(
    {
      type: 'corrected',
      data: {
        target,
        at: hour === null ? null : new Date(ZERO_MS + hour * HOUR_MS).toISOString(),
        data: data as Record<string, unknown>,
      },
    },
    A,
    20,
  );
const intakeOf = (litres: number) => ({
  kind: 'intake',
  lot: MILKING,
  litres,
  typed: { value: litres, unit: 'L' },
  forRecord: false,
});

describe('a log gone through again', () => {
  const replay = milkReplay();

  test('a log that was checked entry by entry has nothing in it that cannot have been', () => {
    expect(faultsOf(replay, skimmed().ledger.events).size).toBe(0);
  });

  test('the last entry can be undone, one that others are built on cannot, and the first of those is told', () => {
    const { ledger, intake, skim, pool } = skimmed();
    expect(brokenBy(replay, ledger.events, undo(pool))).toEqual([]);
    expect(brokenBy(replay, ledger.events, undo(skim))[0]?.event.id).toBe(pool);
    expect(brokenBy(replay, ledger.events, undo(intake))[0]?.event.id).toBe(skim);
  });

  test('a milking corrected upwards stands; below its own cream, or to after its skimming, it does not', () => {
    const { ledger, intake, skim } = skimmed();
    expect(brokenBy(replay, ledger.events, corrected(intake, intakeOf(9)))).toEqual([]);
    const [little] = brokenBy(replay, ledger.events, corrected(intake, intakeOf(0.5)));
    expect(little).toMatchObject({ event: { id: skim }, fault: { path: 'data.creamKg' } });
    expect(little?.fault.message).toMatch(/more than the 514 g/);
    expect(brokenBy(replay, ledger.events, corrected(intake, intakeOf(8), 14))[0]?.event.id).toBe(skim);
    expect(brokenBy(replay, ledger.events, corrected(intake, intakeOf(8), -3))).toEqual([]);
  });

  test('a skimming entered late counts at its own time, and is refused when the milk was skimmed since', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 8);
    ledger.move(A, 20, give(8 * 1.03));
    // By now the jar is empty; at the tenth hour it was not.
    expect(brokenBy(replay, ledger.events, late({ type: 'milk-moved', data: SKIM }, A, 10))).toEqual([]);
    const twice = skimmed().ledger;
    const again = {
      ...SKIM,
      cream: { lotId: lotId('C2'), name: 'c' },
      rest: { lotId: lotId('R2'), name: 'r' },
    };
    const [broken] = brokenBy(replay, twice.events, late({ type: 'milk-moved', data: again }, A, 10));
    expect(broken?.event.type).toBe('milk-moved');
    expect(broken?.fault.message).toMatch(/is empty/);
  });

  test('what was poured or taken out is stored whatever it makes of the rest; what makes lots is not', () => {
    const of = (data: MilkMovement) => takesOut(late({ type: 'milk-moved', data }, A, 1));
    expect(of(give(1))).toBe(true);
    expect(of({ kind: 'recount', massKg: 1, typed: { value: 1, unit: 'kg' } })).toBe(true);
    expect(of(SKIM)).toBe(false);
    expect(of(POOL)).toBe(false);
  });

  test('undoing the latest entry never breaks anything, whatever was done', () => {
    const step = fc.oneof(
      fc.constant(SKIM),
      fc.constant(POOL),
      fc.double({ min: 0.05, max: 4, noNaN: true }).map(give),
      fc.constant<MilkMovement>({ kind: 'freeze' }),
      fc.constant<MilkMovement>({ kind: 'move', place: 'counter', placeC: null, container: null }),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(A, CREAM, POT), step), { maxLength: 12 }), (steps) => {
        const ledger = createLedger();
        let last = ledger.intake(A, 0, 6);
        for (const [lot, data] of steps) {
          const at = ledger.events.length;
          const fault = replay.fault(
            foldMilkRoom(ledger.events),
            late({ type: 'milk-moved', data }, lot, at),
          );
          if (fault === null) last = ledger.move(lot, at, data);
        }
        expect(faultsOf(replay, ledger.events).size).toBe(0);
        expect(brokenBy(replay, ledger.events, undo(last))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});
