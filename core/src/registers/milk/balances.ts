import { HAND_WORKED_FAT, USUAL_BUTTERMILK_FAT } from '../../science/butter/index.ts';
import type { EventOf, LedgerLine, Lot, LotPour, MilkRoomResponse } from '../../contract/index.ts';
import { effectiveEvents, feeding, instantOf, today, type LoggedEvent } from '../../log/index.ts';
import { methodSteps } from '../../products/index.ts';
import { updateBelief } from '../../science/numerics/index.ts';
import { planWithout } from '../../setup/index.ts';
import { litresOfMass } from '../../science/milk/index.ts';
import { formatVolume, type MeasureSystem } from '../../science/units/index.ts';
import { give, givesBack, giveUnweighed, giveWhey, takeBack } from './given.ts';
import { isEmpty } from './lot.ts';
import { putUp } from './put-up.ts';
import { moveMilk, takeFrom, type Milking, type Moment, type RoomDraft } from './movements.ts';

/** The events a milk room is folded from; those of makes tell what was asked for and poured. */
export const MILK_EVENTS = feeding('milk');

/** Prior σ of a source's cream fat and the scatter of one churning, ln. Source: docs/SCIENCE.md, learning. */
const CREAM_FAT_SPREAD = { prior: 0.15, churning: 0.05 };

/** Everything the ledger says. */
export type MilkRoom = Readonly<{
  [K in keyof RoomDraft]: RoomDraft[K] extends Map<string, infer V>
    ? ReadonlyMap<string, V>
    : RoomDraft[K] extends Set<string>
      ? ReadonlySet<string>
      : Readonly<RoomDraft[K]>;
}>;

/** A room nothing has come into yet, or one that goes on from the lots of a picture. */
export function openRoom(lots: readonly Lot[] = []): RoomDraft {
  return {
    lots: new Map(lots.map((lot) => [lot.id, lot])),
    lines: [],
    milkings: [],
    churnings: [],
    asked: new Map(),
    poured: new Set(),
    making: new Map(),
    pourSteps: new Map(),
    pours: [],
  };
}

function pour(
  room: RoomDraft,
  makeId: string,
  from: readonly Pick<LotPour, 'lotId' | 'massKg'>[],
  moment: Moment,
) {
  if (room.poured.has(makeId)) return;
  room.poured.add(makeId);
  room.asked.delete(makeId);
  for (const { lotId, massKg } of from) takeFrom(room, moment, lotId, massKg, 'pour', makeId);
}

/** Carries one effective event out; others than those of `MILK_EVENTS` change nothing. */
export function applyToRoom(room: RoomDraft, sent: LoggedEvent): void {
  const event = today(sent);
  const moment: Moment = {
    eventId: event.id,
    streamId: event.streamId,
    seq: event.seq ?? Number.MAX_SAFE_INTEGER,
    atMs: instantOf(event),
  };
  const pours = ({ streamId, data }: EventOf<'step-done' | 'step-skipped'>): boolean =>
    room.pourSteps.get(streamId) === data.step;
  switch (event.type) {
    case 'milk-moved':
      moveMilk(room, event.streamId, event.data, moment);
      return;
    case 'make-started': {
      const { plan } = event.data;
      const { milk, startAt } = plan;
      if (givesBack(plan)) room.making.set(event.streamId, { plan, gave: {}, bowls: {} });
      if (plan.splitFrom !== undefined) {
        // What was parted off another make was poured with that one.
        room.poured.add(event.streamId);
        return;
      }
      if (milk.lots) {
        room.asked.set(event.streamId, milk.lots);
        const pouring = methodSteps(plan).find(({ facts }) => facts.endedBy === 'milk-poured');
        if (pouring) room.pourSteps.set(event.streamId, pouring.id);
      }
      room.pours.push({ atMs: Date.parse(startAt), litres: milk.litres });
      return;
    }
    case 'larder-moved':
      if (event.data.kind === 'put-up') putUp(room, event.data, moment);
      return;
    case 'milk-poured':
      pour(room, event.streamId, event.data.from, moment);
      return;
    case 'step-done': {
      // Whoever says it is poured and nothing else poured what was planned.
      const asked = room.asked.get(event.streamId);
      if (pours(event) && asked) pour(room, event.streamId, asked, moment);
      giveUnweighed(room, event.streamId, event.data.step, moment);
      return;
    }
    case 'step-skipped':
      if (pours(event)) room.asked.delete(event.streamId);
      giveUnweighed(room, event.streamId, event.data.step, moment);
      return;
    case 'weighed':
      give(room, event.streamId, event.data.of, event.data.massKg, moment);
      return;
    case 'drain-weighed':
      if (event.data.of === 'whey')
        giveWhey(room, event.streamId, event.data.step, () => event.data.massKg, moment);
      return;
    case 'whey-returned':
      // Of a bowl that nobody weighed there is no lot that could have less.
      giveWhey(
        room,
        event.streamId,
        event.data.step,
        (before) => (before === null ? null : Math.max(0, before - event.data.massKg)),
        moment,
      );
      return;
    case 'split-off': {
      const make = room.making.get(event.streamId);
      if (make)
        room.making.set(event.streamId, {
          ...make,
          plan: planWithout(make.plan, event.data.share, event.data.jars),
        });
      return;
    }
    case 'finished':
      room.asked.delete(event.streamId);
      if (event.data.verdict === 'discarded') takeBack(room, event.streamId, moment);
      return;
    default:
  }
}

/**
 * Folds a kitchen's milk: every lot with what is in it, every line of the ledger. Balances are sums, never edited.
 * @param events any order, of any stream; what is no event of the milk room is passed over
 */
export function foldMilkRoom(events: readonly LoggedEvent[]): RoomDraft {
  const room = openRoom();
  for (const event of effectiveEvents(events)) applyToRoom(room, event);
  return room;
}

/** A copy that may be carried on without touching the first. */
export function copyRoom(room: RoomDraft): RoomDraft {
  return {
    lots: new Map(room.lots),
    lines: [...room.lines],
    milkings: [...room.milkings],
    churnings: [...room.churnings],
    asked: new Map(room.asked),
    poured: new Set(room.poured),
    making: new Map(room.making),
    pourSteps: new Map(room.pourSteps),
    pours: [...room.pours],
  };
}

/** How much of each lot is spoken for, kg. */
export function spokenFor(room: MilkRoom): Map<string, number> {
  const sums = new Map<string, number>();
  for (const pours of room.asked.values())
    for (const { lotId, massKg } of pours) sums.set(lotId, (sums.get(lotId) ?? 0) + massKg);
  return sums;
}

/** The lots there is something in, or that want a recount; a room opened from a picture keeps what that says is spoken for. */
export function openLots(room: MilkRoom): Lot[] {
  const spoken = spokenFor(room);
  return [...room.lots.values()]
    .filter((lot) => !isEmpty(lot) || lot.recount)
    .map((lot) => ({ ...lot, spokenForKg: lot.spokenForKg + (spoken.get(lot.id) ?? 0) }));
}

/** What the weighed churnings taught of each source's cream: ln of its fat against the estimate. */
export function creamFactors(room: MilkRoom): MilkRoomResponse['creamFactors'] {
  const sources = [...new Set(room.churnings.map((c) => c.source))];
  return sources.map((source) => {
    const own = room.churnings.filter((c) => c.source === source).sort((a, b) => a.atMs - b.atMs);
    const belief = own.reduce(
      (before, c) =>
        updateBelief(
          before,
          Math.log(
            (c.butterKg * HAND_WORKED_FAT + c.buttermilkKg * USUAL_BUTTERMILK_FAT) /
              c.creamKg /
              c.estimatedFat,
          ),
          CREAM_FAT_SPREAD.churning,
        ),
      { mean: 0, sigma: CREAM_FAT_SPREAD.prior },
    );
    return { source, ...belief, churnings: own.length };
  });
}

/** A lot of a plan that cannot give what is asked of it, in the kitchen's measures; `null` when all can. */
export function shortage(
  room: MilkRoom,
  makeId: string,
  asked: readonly LotPour[],
  system: MeasureSystem = 'metric',
): { readonly index: number; readonly message: string } | null {
  const spoken = spokenFor(room);
  for (const own of room.asked.get(makeId) ?? [])
    spoken.set(own.lotId, (spoken.get(own.lotId) ?? 0) - own.massKg);
  for (const [index, { lotId, massKg, name }] of asked.entries()) {
    const lot = room.lots.get(lotId);
    if (!lot) return { index, message: `${name} is not in the milk room` };
    const taken = spoken.get(lotId) ?? 0;
    const free = lot.has.massKg - taken;
    if (massKg > free + SCALE_KG) {
      const litres = (kg: number): string => formatVolume(Math.max(0, litresOfMass(kg, lot.of)), system);
      const others = taken > SCALE_KG ? `, ${litres(taken)} of it set aside for other batches` : '';
      return {
        index,
        message: `${lot.name}: ${litres(massKg)} needed, ${litres(lot.has.massKg)} in stock${others}`,
      };
    }
    spoken.set(lotId, taken + massKg);
  }
  return null;
}
/** Nobody pours to less than this, kg. */
const SCALE_KG = 0.005;

/** The ledger, the latest first. */
export function ledgerPage(
  lines: readonly LedgerLine[],
  {
    offset,
    limit,
    lotId,
  }: { readonly offset: number; readonly limit: number; readonly lotId?: string | undefined },
): { lines: LedgerLine[]; more: boolean } {
  const wanted = lotId === undefined ? lines : lines.filter((line) => line.lotId === lotId);
  const end = Math.max(0, wanted.length - offset);
  return { lines: wanted.slice(Math.max(0, end - limit), end).reverse(), more: end > limit };
}

export type { Milking, RoomDraft };
