import type { Culture, CultureFacts } from '../../contract/index.ts';
import { agedBy, type Aged, type Storage } from '../../science/souring/index.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** Nothing known of its growth yet. */
const NOT_GROWN: Culture['grown'] = { ln: 0, days: 0 };
const weighedAt = (atMs: number, massKg: number | null): Culture['weighings'] =>
  massKg === null ? [] : [[atMs, massKg]];

/** A culture as it is taken in. */
export function cultureOf(id: string, facts: CultureFacts, atMs: number): Culture {
  return {
    id,
    name: facts.name,
    kind: facts.kind,
    heirloom: facts.heirloom,
    source: facts.source,
    rawMilk: facts.rawMilk,
    turn: 0,
    lineId: id,
    parents: [],
    bornOf: null,
    bornMs: atMs,
    stays: [{ fromMs: atMs, place: facts.place }],
    massKg: facts.massKg,
    packet: facts.packet && {
      lot: facts.packet.lot,
      useByMs: facts.packet.useBy === null ? null : Date.parse(facts.packet.useBy),
      statedLitres: facts.packet.statedLitres,
      packetsLeft: facts.packet.packets - (facts.packet.openedLeft > 0 ? 1 - facts.packet.openedLeft : 0),
      opened: facts.packet.openedLeft > 0,
    },
    fedMs: null,
    weighings: weighedAt(atMs, facts.massKg),
    grown: NOT_GROWN,
    makes: [],
    signs: [],
    backUp: false,
    gone: null,
  };
}

/** A culture that goes on from another. */
export function childOf(
  parent: Culture,
  own: Pick<Culture, 'id' | 'name' | 'bornMs'> &
    Partial<Culture> & { readonly place: Culture['stays'][0]['place'] },
): Culture {
  const { place, ...rest } = own;
  return {
    ...parent,
    source: null,
    parents: [parent.id],
    bornOf: null,
    packet: null,
    fedMs: null,
    weighings: weighedAt(own.bornMs, own.massKg ?? null),
    grown: NOT_GROWN,
    makes: [],
    signs: [],
    backUp: false,
    gone: null,
    massKg: null,
    stays: [{ fromMs: own.bornMs, place }],
    ...rest,
  };
}

export const placeOf = (culture: Culture): Culture['stays'][0]['place'] => culture.stays.at(-1)!.place;

/** Where it has been since it was last fresh, in days. */
export function storageOf(culture: Culture, nowMs: number): Storage {
  const days = { cold: 0, room: 0, freezer: 0 };
  let freezings = 0;
  for (const [i, stay] of culture.stays.entries()) {
    const endMs = Math.min(nowMs, culture.stays[i + 1]?.fromMs ?? nowMs);
    days[stay.place] += Math.max(0, endMs - stay.fromMs) / DAY_MS;
    if (stay.place === 'freezer') freezings++;
  }
  return { coldD: days.cold, roomD: days.room, frozenD: days.freezer, freezings };
}

/** What its keeping comes to at an instant. Grains that are fed stay as they are. */
export function agedNow(culture: Culture, nowMs: number): Aged {
  return agedBy(culture.kind, storageOf(culture, nowMs), culture.packet?.opened ?? false);
}

/** Days since it was fresh: kept, taken in or fed. */
export const daysOld = (culture: Culture, nowMs: number): number =>
  Math.max(0, nowMs - (culture.fedMs ?? culture.bornMs)) / DAY_MS;

/** Whether there is any of it to use. */
export const isLive = (culture: Culture): boolean => {
  if (culture.gone) return false;
  if (culture.packet) return culture.packet.packetsLeft > 0.01;
  return culture.massKg === null || culture.massKg > 0.002;
};

/** Growth over the weighings since something was last taken of it, and before. */
export function grownSoFar({ weighings, grown }: Pick<Culture, 'weighings' | 'grown'>): Culture['grown'] {
  const [first] = weighings;
  const last = weighings.at(-1);
  if (!first || !last || last[0] <= first[0]) return grown;
  return { ln: grown.ln + Math.log(last[1] / first[1]), days: grown.days + (last[0] - first[0]) / DAY_MS };
}

/** A culture with something taken of it: what it grew stays known, and is weighed anew from here. */
export function withLess(culture: Culture, takenKg: number | null): Culture {
  const grown = grownSoFar(culture);
  if (takenKg === null || culture.massKg === null) return { ...culture, grown, weighings: [] };
  return { ...culture, grown, weighings: [], massKg: Math.max(0, culture.massKg - takenKg) };
}
