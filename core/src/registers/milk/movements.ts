import type {
  ByProduct,
  MakePlan,
  LedgerLine,
  Lot,
  LotPour,
  MovementKind,
  MovementOf,
  StepId,
} from '../../contract/index.ts';
import { factorOfHeight, litresOfMass, massOfLitresKg } from '../../science/milk/index.ts';
import { amountOf, compositionOf, dryKg, partByFat, plus } from './amount.ts';
import {
  carried,
  compositionOfFacts,
  emptied,
  EMPTY_KG,
  lotCreaming,
  lotFrom,
  lotOf,
  placeC,
  settledHours,
  withTaken,
} from './lot.ts';
import { isCream, pooled } from './pooling.ts';

/** What a weighed churning said of its cream. */
interface Churning {
  /** Set when a make said it: weighed again, it is said anew. */
  readonly makeId?: string;
  readonly source: string;
  readonly atMs: number;
  readonly creamKg: number;
  readonly estimatedFat: number;
  readonly butterKg: number;
  readonly buttermilkKg: number;
}

/** The product itself, or what comes out besides. */
export type Part = 'out' | ByProduct;

/** A make that gives something back to the milk room. */
export interface GivingMake {
  readonly plan: MakePlan;
  /** What was weighed, or computed, and the lot it is. */
  readonly gave: Readonly<Partial<Record<Part, { readonly lotId: string | null; readonly massKg: number }>>>;
  /** What the bowl under each of its cloths holds, kg. */
  readonly bowls: Readonly<Record<StepId, number>>;
}

/** One day's milk that came in, as far as the months need it. */
export interface Milking {
  readonly atMs: number;
  readonly source: string;
  readonly kind: Lot['kind'];
  readonly litres: number;
  readonly forRecord: boolean;
  readonly fatFraction: number | null;
  readonly note: string;
  readonly eventId: string;
}

/** What a fold of the ledger works on; grows from movement to movement. */
export interface RoomDraft {
  readonly lots: Map<string, Lot>;
  readonly lines: LedgerLine[];
  readonly milkings: Milking[];
  readonly churnings: Churning[];
  /** What makes asked for and have not poured, by make. */
  readonly asked: Map<string, readonly LotPour[]>;
  readonly poured: Set<string>;
  /** Makes that give something back, or teach the fat of their cream. */
  readonly making: Map<string, GivingMake>;
  /** The step by which a make that asked for milk pours it. */
  readonly pourSteps: Map<string, StepId>;
  /** What was taken to be eaten, in makes or as it is. */
  readonly pours: { readonly atMs: number; readonly litres: number }[];
}

/** When and by which entry something happened. */
export interface Moment {
  readonly eventId: string;
  /** The lot or the make whose entry it is. */
  readonly streamId: string;
  readonly seq: number;
  readonly atMs: number;
}

type Handler<K extends MovementKind> = (
  room: RoomDraft,
  lotId: string,
  data: MovementOf<K>,
  moment: Moment,
) => void;

/** Writes a line into the ledger, and the lot as it leaves it. */
export function put(
  room: RoomDraft,
  moment: Moment,
  lot: Lot,
  kind: LedgerLine['kind'],
  massKg: number,
  otherId: string | null = null,
  note = '',
): void {
  room.lots.set(lot.id, lot);
  room.lines.push({
    ...moment,
    lotId: lot.id,
    lotName: lot.name,
    kind,
    role: lot.role,
    massKg,
    litres: litresOfMass(massKg, lot.of),
    leavesKg: lot.has.massKg,
    leavesLitres: litresOfMass(lot.has.massKg, lot.of),
    otherId,
    note,
  });
}

/** Portions of a pot less what was taken: the oldest goes first. */
function portionsLess(portions: Lot['portions'], massKg: number): Lot['portions'] {
  let left = massKg;
  return [...portions]
    .sort((a, b) => a.oldestMs - b.oldestMs)
    .flatMap((portion) => {
      const taken = Math.min(left, portion.massKg);
      left -= taken;
      return portion.massKg - taken > EMPTY_KG ? [{ ...portion, massKg: portion.massKg - taken }] : [];
    });
}

/**
 * Takes some of a lot. What happened is stored: more than there is leaves the balance below nothing and asks for a
 * recount.
 */
export function takeFrom(
  room: RoomDraft,
  moment: Moment,
  lotId: string,
  massKg: number,
  kind: LedgerLine['kind'],
  otherId: string | null = null,
  note = '',
): { readonly lot: Lot; readonly amount: ReturnType<typeof amountOf> } | null {
  const lot = room.lots.get(lotId);
  if (!lot) return null;
  const whole = Math.abs(massKg - lot.has.massKg) < EMPTY_KG;
  const amount = whole ? lot.has : amountOf(massKg, lot.of);
  const less = withTaken(lot, amount);
  const over = less.has.massKg < -EMPTY_KG;
  put(
    room,
    moment,
    { ...less, recount: lot.recount || over, portions: portionsLess(lot.portions, massKg) },
    kind,
    -amount.massKg,
    otherId,
    note,
  );
  return { lot, amount };
}

/** One entry a kind of movement. A movement of a lot that is not there changes nothing. */
const HANDLERS: { readonly [K in MovementKind]: Handler<K> } = {
  intake: (room, lotId, { lot: facts, litres, forRecord, note = '' }, moment) => {
    const of = compositionOfFacts(facts);
    const massKg = massOfLitresKg(litres, of);
    const lot = lotOf(lotId, facts, amountOf(forRecord ? 0 : massKg, of), of, moment.atMs);
    put(
      room,
      moment,
      lot,
      'intake',
      massKg,
      null,
      [forRecord ? 'record only' : '', note].filter(Boolean).join(': '),
    );
    // What is only on record is in no jar.
    if (forRecord) room.lots.delete(lotId);
    if (facts.what === 'milk')
      room.milkings.push({
        atMs: moment.atMs,
        eventId: moment.eventId,
        source: facts.source,
        kind: facts.kind,
        litres,
        forRecord,
        fatFraction: facts.fatFraction,
        note,
      });
  },
  skim: (room, lotId, { cream, rest, creamKg, fatFraction, weighed }, moment) => {
    const lot = room.lots.get(lotId);
    if (!lot || lot.has.massKg < EMPTY_KG) return;
    const [creamAmount, restAmount] = partByFat(lot.has, creamKg, fatFraction);
    // What it cost is shared out by what is dry in it.
    const perDryKg =
      lot.costPerKg === null ? null : (lot.costPerKg * lot.has.massKg) / Math.max(1e-9, dryKg(lot.has));
    const parted = (amount: typeof creamAmount): Pick<Lot, 'of' | 'costPerKg'> =>
      amount.massKg < EMPTY_KG
        ? { of: lot.of, costPerKg: null }
        : {
            of: compositionOf(amount),
            costPerKg: perDryKg === null ? null : (perDryKg * dryKg(amount)) / amount.massKg,
          };
    put(
      room,
      moment,
      { ...lot, has: plus(lot.has, creamAmount, -1) },
      'skimmed-off',
      -creamAmount.massKg,
      cream.lotId,
    );
    put(room, moment, emptied(lot), 'left-under', -restAmount.massKg, rest.lotId);
    const creamLot = lotFrom(
      lot,
      { id: cream.lotId, name: cream.name, role: 'cream', ...parted(creamAmount) },
      creamAmount,
      moment.atMs,
    );
    put(room, moment, creamLot, 'skimmed-from', creamAmount.massKg, lotId, weighed ? 'weighed' : 'estimated');
    const restLot = lotFrom(
      lot,
      { id: rest.lotId, name: rest.name, role: 'skimmed', ...parted(restAmount) },
      restAmount,
      moment.atMs,
    );
    put(room, moment, restLot, 'skimmed-from', restAmount.massKg, lotId);
  },
  pool: (room, lotId, { into, massKg, soured }, moment) => {
    const from = takeFrom(room, moment, lotId, massKg, 'pooled-out', into.lotId);
    if (!from) return;
    const lot = pooled(room.lots.get(into.lotId), from, { into, soured }, moment);
    put(room, moment, lot, 'pooled-in', from.amount.massKg, lotId);
  },
  move: (room, lotId, { place, placeC: measuredC, container, soured = false, ph }, moment) => {
    const lot = room.lots.get(lotId);
    if (!lot) return;
    const moved = carried(lot, place, placeC(place, measuredC), moment.atMs);
    put(
      room,
      moment,
      {
        ...moved,
        container: container ?? lot.container,
        soured: lot.soured || soured,
        ...(ph === undefined ? {} : { ph }),
      },
      'move',
      0,
      null,
      soured ? 'soured' : '',
    );
  },
  freeze: (room, lotId, _data, moment) => {
    const lot = room.lots.get(lotId);
    if (lot) put(room, moment, carried(lot, 'freezer', placeC('freezer', null), moment.atMs), 'freeze', 0);
  },
  thaw: (room, lotId, { into, massKg, readyAt }, moment) => {
    const from = takeFrom(room, moment, lotId, massKg, 'thawed-out', into.lotId);
    if (!from) return;
    const { lot, amount } = from;
    const thawed = lotFrom(
      lot,
      { id: into.lotId, name: into.name, role: lot.role === 'pot' ? 'cream' : lot.role },
      amount,
      moment.atMs,
    );
    put(
      room,
      moment,
      {
        ...thawed,
        thawed: true,
        place: 'cold',
        spells: [{ fromMs: moment.atMs, celsius: placeC('cold', null) }],
        readyAtMs: readyAt === null ? null : Date.parse(readyAt),
      },
      'thawed-in',
      amount.massKg,
      lotId,
    );
  },
  give: (room, lotId, { to, massKg, note, into = null }, moment) => {
    const from = takeFrom(room, moment, lotId, massKg, to, into, note);
    if (from && (to === 'used' || to === 'away') && !isCream(from.lot))
      room.pours.push({ atMs: moment.atMs, litres: litresOfMass(massKg, from.lot.of) });
  },
  recount: (room, lotId, { massKg }, moment) => {
    const lot = room.lots.get(lotId);
    if (!lot) return;
    const change = amountOf(massKg - lot.has.massKg, lot.of);
    put(room, moment, { ...lot, has: amountOf(massKg, lot.of), recount: false }, 'recount', change.massKg);
  },
  measure: (room, lotId, { creamHeight, heights }, moment) => {
    const lot = room.lots.get(lotId);
    if (!lot) return;
    const jar = {
      composition: lot.of,
      massKg: Math.max(EMPTY_KG, lot.has.massKg),
      creaming: lotCreaming(lot),
      hours: settledHours(lot, moment.atMs),
    };
    put(
      room,
      moment,
      { ...lot, creamFactor: factorOfHeight(jar, creamHeight) },
      'measure',
      0,
      null,
      heights
        ? `${heights.cream} of ${heights.all} ${heights.unit}`
        : `${(creamHeight * 100).toFixed(1)} % of the height`,
    );
  },
  churn: (room, lotId, { massKg, butterKg, buttermilkKg }, moment) => {
    const from = takeFrom(room, moment, lotId, massKg, 'churn');
    if (!from) return;
    room.churnings.push({
      source: from.lot.source,
      atMs: moment.atMs,
      creamKg: massKg,
      estimatedFat: from.lot.of.fatFraction,
      butterKg,
      buttermilkKg,
    });
  },
};

/** Carries one movement out. */
export function moveMilk<K extends MovementKind>(
  room: RoomDraft,
  lotId: string,
  data: MovementOf<K>,
  moment: Moment,
): void {
  const handler = HANDLERS[data.kind] as Handler<K>;
  handler(room, lotId, data, moment);
}
