import type { Amount, Lot, MovementOf } from '../../contract/index.ts';
import { TREATMENTS } from '../../science/milk/index.ts';
import { isEmpty, lotFrom, maySettle, older, phTogether, placeC, withPoured } from './lot.ts';

type Into = MovementOf<'pool'>['into'];
/** What was taken, and what it was taken of as it stood before. */
interface Poured {
  readonly lot: Lot;
  readonly amount: Amount;
}

/** Cream and what is pooled of it are poured together by themselves, milk and skimmed milk by themselves. */
export const isCream = (lot: Pick<Lot, 'role'>): boolean => lot.role === 'cream' || lot.role === 'pot';

/** What the two together are called: cream makes a pot, and whole milk among skimmed lets a cream line rise again. */
function roleOf(lot: Lot, before: Lot | null): Lot['role'] {
  if (isCream(lot)) return 'pot';
  return lot.role === 'milk' || before?.role === 'milk' ? 'milk' : 'skimmed';
}

/** The treatment that keeps shortest is that of all of it, and what it is cautioned about. */
const weaker = (a: Lot['treatment'], b: Lot['treatment']): Lot['treatment'] =>
  TREATMENTS.indexOf(a) < TREATMENTS.indexOf(b) ? a : b;

/** Where it has stood: as the part nearest its end has, and from now on where it is. */
function spellsOf(lot: Lot, before: Lot | null, place: Lot['place'], atMs: number): Lot['spells'] {
  const age = before === null ? lot : older(before, lot, atMs);
  return age === before || lot.place === place
    ? age.spells
    : [...lot.spells, { fromMs: atMs, celsius: placeC(place, null) }];
}

/** What is the same in all of it, whichever lot it came from. */
function together(before: Lot, lot: Lot): Partial<Lot> {
  const most = before.has.massKg >= lot.has.massKg ? before : lot;
  const ph = phTogether([before, lot].map((part) => ({ massKg: Math.max(0, part.has.massKg), lot: part })));
  return {
    ...(ph === undefined ? {} : { ph }),
    source: before.source === lot.source ? before.source : 'several sources',
    kind: most.kind,
    treatment: weaker(before.treatment, lot.treatment),
    homogenised: before.homogenised && lot.homogenised,
    feed: before.feed === lot.feed ? before.feed : before.feed && lot.feed && 'mixed',
    fatKnown: before.fatKnown && lot.fatKnown,
    oldestMs: Math.min(before.oldestMs, lot.oldestMs),
    thawed: before.thawed || lot.thawed,
  };
}

/**
 * A pot or a can after something was poured into it; it begins with the first pouring. Mass and every part are sums, the
 * oldest governs, and what had risen is stirred in again.
 * @param before what was there; `undefined` or empty when it begins
 */
export function pooled(
  before: Lot | undefined,
  { lot, amount }: Poured,
  { into, soured }: { readonly into: Into; readonly soured: boolean },
  { eventId, atMs }: { readonly eventId: string; readonly atMs: number },
): Lot {
  const there = before && !isEmpty(before) ? before : null;
  const place = there?.place ?? into.place;
  const role = roleOf(lot, there);
  const portion = {
    eventId,
    name: lot.name,
    atMs,
    oldestMs: lot.oldestMs,
    massKg: amount.massKg,
    fatFraction: lot.of.fatFraction,
    soured,
  };
  const joined: Lot = there
    ? {
        ...withPoured(there, amount, lot),
        ...together(there, { ...lot, has: amount }),
        soured: there.soured && soured,
        mixedSourSweet: there.mixedSourSweet || there.soured !== soured,
      }
    : {
        ...lotFrom(
          lot,
          { id: into.lotId, name: into.name, role, soured, mixedSourSweet: false },
          amount,
          atMs,
        ),
        fatKnown: lot.fatKnown && role !== 'pot',
      };
  return {
    ...joined,
    role,
    place,
    spells: spellsOf(lot, there, place, atMs),
    settledH: 0,
    stillSinceMs: maySettle({ role, thawed: joined.thawed }, place) ? atMs : null,
    creamFactor: null,
    parents: [...new Set([...(there?.parents ?? []), lot.id])],
    // Milk is mixed through at once; portions of cream stay what they were as long as the pot is not churned.
    portions: role === 'pot' ? [...(there?.portions ?? []), portion] : [],
  };
}
