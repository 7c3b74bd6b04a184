import { USUAL_BUTTERMILK_FAT } from '../../science/butter/index.ts';
import type { ByProduct, Lot, MakePlan, StepId } from '../../contract/index.ts';
import { batchOf, isHeated } from '../../setup/index.ts';
import { withFat } from '../../science/milk/index.ts';
import { besidesOf, massFlow, methodSteps, productOf, type Gives } from '../../products/index.ts';
import { amountOf } from './amount.ts';
import { lotFrom, lotOf, placeC } from './lot.ts';
import { put, takeFrom, type GivingMake, type Moment, type Part, type RoomDraft } from './movements.ts';
import { milkCost } from './poured-lots.ts';

const partOf = (of: ByProduct | undefined): Part => of ?? 'out';

/** Whether a product has to be followed: something of it comes back, or it teaches the fat of its cream. */
export const givesBack = (plan: MakePlan): boolean => productOf(plan).gives !== undefined;

/** What a part is made of. */
const compositionOf = (plan: MakePlan, part: Part) => {
  const { composition } = batchOf(plan);
  const { out, off } = massFlow(plan);
  const parted =
    part === 'out' ? (off.length > 0 ? out : null) : (off.find(({ what }) => what === part) ?? null);
  // What a step of it parts off has its own fat and protein; milk sugar and salts are in the water of both.
  if (parted)
    return {
      ...composition,
      fatFraction: parted.fatFraction,
      proteinFraction: parted.proteinFraction,
    };
  return part === 'out' ? composition : withFat(composition, USUAL_BUTTERMILK_FAT);
};

/** Mass of a part that nobody weighed, by what went in. */
function computedKg(plan: MakePlan, part: Part): number {
  const { out, off } = massFlow(plan);
  if (off.length > 0)
    return part === 'out'
      ? out.massKg
      : off.filter(({ what }) => what === part).reduce((sum, { massKg: kg }) => sum + kg, 0);
  if (part === 'out') return batchOf(plan).massKg + (plan.starter.massKg ?? 0);
  return besidesOf(plan)?.massKg ?? 0;
}

function lotOfPart(
  room: RoomDraft,
  plan: MakePlan,
  part: Part,
  gives: Gives,
  massKg: number,
  moment: Moment,
): Lot {
  const { milk } = plan;
  const of = compositionOf(plan, part);
  const main = [...(milk.lots ?? [])].sort((a, b) => b.massKg - a.massKg)[0];
  const parent = main && room.lots.get(main.lotId);
  const cost = milkCost(milk);
  const own = {
    id: moment.eventId,
    name: gives.name(plan),
    role: gives.role,
    soured: part === 'out' || milk.soured === true || plan.starter.kind !== 'none' || gives.role === 'whey',
    treatment: isHeated(plan) && milk.treatment === 'raw' ? ('pasteurised' as const) : milk.treatment,
    place: 'cold' as const,
    spells: [{ fromMs: moment.atMs, celsius: placeC('cold', null) }],
    oldestMs: moment.atMs,
    container: null,
    of,
    costPerKg: part === 'out' && cost !== null ? cost / massKg : null,
  };
  const has = amountOf(massKg, of);
  if (parent) return lotFrom(parent, own, has, moment.atMs);
  const facts = {
    name: own.name,
    source: 'bought',
    what: 'cream' as const,
    kind: milk.kind,
    treatment: own.treatment,
    homogenised: milk.homogenised === true,
    fatFraction: of.fatFraction,
    feed: null,
    costPerLitre: null,
    place: own.place,
    placeC: null,
    container: null,
  };
  return { ...lotOf(own.id, facts, has, of, moment.atMs), ...own, parents: [] };
}

/** What a churning said of its cream, once its butter is weighed; a later weighing takes the place of an earlier one. */
function teach(room: RoomDraft, makeId: string, { plan, gave }: GivingMake, moment: Moment): void {
  const { lots } = plan.milk;
  const main = lots && [...lots].sort((a, b) => b.massKg - a.massKg)[0];
  const lot = main && room.lots.get(main.lotId);
  if (!gave.out || !lot || besidesOf(plan) === null) return;
  const creamKg = lots.reduce((sum, l) => sum + l.massKg, 0);
  const said = {
    makeId,
    source: lot.source,
    atMs: moment.atMs,
    creamKg,
    estimatedFat: batchOf(plan).composition.fatFraction,
    butterKg: gave.out.massKg,
    buttermilkKg: gave.buttermilk?.massKg ?? Math.max(0, creamKg - gave.out.massKg),
  };
  const at = room.churnings.findIndex((c) => c.makeId === makeId);
  if (at < 0) room.churnings.push(said);
  else room.churnings[at] = said;
}

/**
 * Something of a make is there to be used: weighed, or as computed when nobody weighed it. Weighed again, its lot is set
 * right by the difference.
 */
export function give(
  room: RoomDraft,
  makeId: string,
  of: ByProduct | undefined,
  weighedKg: number | null,
  moment: Moment,
): void {
  const make = room.making.get(makeId);
  if (!make) return;
  const { plan } = make;
  const part = partOf(of);
  const before = make.gave[part];
  if (weighedKg === null && before) return;
  const massKg = weighedKg ?? computedKg(plan, part);
  const gives = productOf(plan).gives?.[part];
  const known = before?.lotId ? room.lots.get(before.lotId) : undefined;
  let lotId: string | null = before?.lotId ?? null;
  if (known && before) {
    const change = amountOf(massKg - before.massKg, known.of);
    const has = amountOf(known.has.massKg + change.massKg, known.of);
    put(room, moment, { ...known, has }, 'recount', change.massKg, makeId);
  } else if (gives && (weighedKg !== null || part === 'out')) {
    lotId = moment.eventId;
    const lot = lotOfPart(room, plan, part, gives, massKg, moment);
    put(room, moment, lot, 'made', massKg, makeId, weighedKg === null ? 'estimated' : 'weighed');
  }
  // What nobody weighed teaches nothing.
  if (weighedKg === null && !gives) return;
  const next = { ...make, gave: { ...make.gave, [part]: { lotId, massKg } } };
  room.making.set(makeId, next);
  if (weighedKg !== null) teach(room, makeId, next, moment);
}

/** A step that would have weighed something was called done, or left out: it is there all the same. */
export function giveUnweighed(room: RoomDraft, makeId: string, stepId: string, moment: Moment): void {
  const make = room.making.get(makeId);
  const step = make && methodSteps(make.plan).find((s) => s.id === stepId);
  if (step?.facts.endedBy === 'weighed') give(room, makeId, step.facts.weighs, null, moment);
}

/**
 * The bowl under a cloth holds so much whey now; the bowls of all cloths are one lot.
 * @param holdsKg from what was known of it before; nothing changes where that is `null`
 */
export function giveWhey(
  room: RoomDraft,
  makeId: string,
  step: StepId,
  holdsKg: (beforeKg: number | null) => number | null,
  moment: Moment,
): void {
  const make = room.making.get(makeId);
  const holds = make && holdsKg(make.bowls[step] ?? null);
  if (!make || holds == null) return;
  const bowls = { ...make.bowls, [step]: holds };
  room.making.set(makeId, { ...make, bowls });
  give(
    room,
    makeId,
    'whey',
    Object.values(bowls).reduce((sum, kg) => sum + kg, 0),
    moment,
  );
}

/** What was discarded is no food, whatever was weighed of it. */
export function takeBack(room: RoomDraft, makeId: string, moment: Moment): void {
  for (const given of Object.values(room.making.get(makeId)?.gave ?? {})) {
    const lot = given.lotId === null ? undefined : room.lots.get(given.lotId);
    if (lot && lot.has.massKg > 0)
      takeFrom(room, moment, lot.id, lot.has.massKg, 'spoiled', makeId, 'batch discarded');
  }
}
