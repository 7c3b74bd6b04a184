import { CREAM_DEGREE_PH, RIPENED_PH } from '../../science/butter/index.ts';
import type { Amount, Lot, LotFacts } from '../../contract/index.ts';
import {
  creamingOf,
  keepBy,
  KEPT_BY_MOVING,
  lifeUsed,
  litresOfMass,
  MILK_FACTS,
  mixMilks,
  withFat,
  type Composition,
  type Keeping,
  type KeepBy,
} from '../../science/milk/index.ts';
import { runVessel } from '../../science/heat/index.ts';
import { interpolateLinear } from '../../science/numerics/index.ts';
import { NOTHING, plus } from './amount.ts';
import { HOUR_MS } from '../../science/units/index.ts';

/** Heat of a place nobody measured, °C. */
const USUAL_PLACE_C = { cold: 4, counter: 19, freezer: -18 } as const;
/** Fat taken for bought cream nobody knows more about. */
const USUAL_CREAM_FAT = 0.3;
/** Less than this is an empty jar, kg. */
export const EMPTY_KG = 0.005;

export const placeC = (place: Lot['place'], measuredC: number | null): number =>
  measuredC ?? USUAL_PLACE_C[place];

/** Composition of a lot as it comes in. */
export function compositionOfFacts(facts: LotFacts): Composition {
  const usual = MILK_FACTS[facts.kind].composition;
  const fat = facts.fatFraction ?? (facts.what === 'cream' ? USUAL_CREAM_FAT : null);
  return fat === null ? usual : withFat(usual, fat);
}

/** A jar or can in a refrigerator loses heat as slowly as this, against the book's still vessel [F]. */
const JAR_LOSS = 7 / 12;
/** Nearer to its place than this it counts as cold, K. */
const NEAR_C = 1.5;
const LONGEST_H = 36;

/**
 * Where a lot's heat has been since it came in: put up warm it cools over hours, told by the hour; otherwise it is at its
 * place's heat at once.
 */
function coolingSpells(
  of: Composition,
  litres: number,
  cameInC: number | undefined,
  ambientC: number,
  atMs: number,
): Lot['spells'] {
  if (cameInC === undefined || cameInC <= ambientC + NEAR_C) return [{ fromMs: atMs, celsius: ambientC }];
  const { secondsAndCelsius } = runVessel(
    { composition: of, litres, startC: cameInC, airC: ambientC, lidded: true, lossFactor: JAR_LOSS },
    ambientC + NEAR_C,
  );
  const seconds = secondsAndCelsius.map(([s]) => s);
  const celsius = secondsAndCelsius.map(([, c]) => c);
  const hours = Math.min(LONGEST_H, Math.ceil(seconds.at(-1)! / 3600));
  return [
    // Each hour by its middle.
    ...Array.from({ length: hours }, (_, h) => ({
      fromMs: atMs + h * HOUR_MS,
      celsius: Math.round(interpolateLinear(seconds, celsius, (h + 0.5) * 3600) * 10) / 10,
    })),
    { fromMs: atMs + hours * HOUR_MS, celsius: ambientC },
  ];
}

/** A lot as an intake makes it. */
export function lotOf(id: string, facts: LotFacts, has: Amount, of: Composition, atMs: number): Lot {
  const settles = facts.what === 'milk' && facts.place !== 'freezer';
  const ambientC = placeC(facts.place, facts.placeC);
  const spells = coolingSpells(
    of,
    litresOfMass(Math.max(has.massKg, EMPTY_KG), of),
    facts.cameInC,
    ambientC,
    atMs,
  );
  return {
    id,
    name: facts.name,
    source: facts.source,
    role: facts.what,
    kind: facts.kind,
    treatment: facts.treatment,
    homogenised: facts.homogenised,
    feed: facts.feed,
    fatKnown: facts.fatFraction !== null,
    takenInMs: atMs,
    oldestMs: atMs,
    place: facts.place,
    container: facts.container,
    soured: facts.ph === undefined ? (facts.soured ?? false) : facts.ph <= RIPENED_PH,
    ...(facts.ph === undefined ? {} : { ph: facts.ph }),
    mixedSourSweet: false,
    thawed: false,
    spells,
    // Warm cream rises slowly: half of the time until it is cold counts.
    stillSinceMs: settles ? (atMs + spells.at(-1)!.fromMs) / 2 : null,
    settledH: 0,
    creamFactor: null,
    has,
    of,
    costPerKg: facts.costPerLitre === null ? null : facts.costPerLitre * litresOfMass(1, of),
    recount: false,
    parents: [],
    portions: [],
    readyAtMs: null,
    spokenForKg: 0,
  };
}

/** A lot that comes of another. */
export function lotFrom(
  parent: Lot,
  own: Pick<Lot, 'id' | 'name' | 'role'> & Partial<Lot>,
  has: Amount,
  atMs: number,
): Lot {
  return {
    // What comes of a lot is of its composition, unless it was parted by fat.
    ...parent,
    stillSinceMs: null,
    settledH: 0,
    creamFactor: null,
    recount: false,
    fatKnown: false,
    takenInMs: atMs,
    parents: [parent.id],
    portions: [],
    readyAtMs: null,
    spokenForKg: 0,
    has,
    ...own,
  };
}

/** A lot with something taken out; what is left is what it was. */
export const withTaken = (lot: Lot, amount: Amount): Lot => ({ ...lot, has: plus(lot.has, amount, -1) });

/** pH of cream of several lots together, to a tenth: about by weight; `undefined` where nobody said how sour any is. */
export function phTogether(
  parts: readonly { readonly massKg: number; readonly lot: Pick<Lot, 'ph' | 'soured'> }[],
): number | undefined {
  if (parts.every(({ lot }) => lot.ph === undefined)) return undefined;
  const usual = ({ ph, soured }: Pick<Lot, 'ph' | 'soured'>): number =>
    ph ?? (soured ? CREAM_DEGREE_PH.sour : CREAM_DEGREE_PH.sweet);
  const wholeKg = parts.reduce((sum, { massKg }) => sum + massKg, 0);
  return (
    Math.round((10 * parts.reduce((sum, { massKg, lot }) => sum + massKg * usual(lot), 0)) / wholeKg) / 10
  );
}

/**
 * A lot with another poured in. The balance is a sum; composition and cost are those of what can be in the jar: one that
 * was overdrawn holds what is poured in now, however far below nothing its balance was.
 */
export function withPoured(lot: Lot, amount: Amount, from: Pick<Lot, 'of' | 'costPerKg'>): Lot {
  const thereKg = Math.max(0, lot.has.massKg);
  const whole = thereKg + amount.massKg;
  const cost = (part: number | null, massKg: number): number | null => (part === null ? null : part * massKg);
  const [own, poured] = [cost(lot.costPerKg, thereKg), cost(from.costPerKg, amount.massKg)];
  return {
    ...lot,
    has: plus(lot.has, amount),
    of: mixMilks([
      { composition: lot.of, massKg: thereKg },
      { composition: from.of, massKg: amount.massKg },
    ]).composition,
    costPerKg: own === null || poured === null ? null : (own + poured) / whole,
  };
}

/** How warm a lot is at an instant, °C, by where it stands and has stood. */
export const heatAt = ({ spells }: Pick<Lot, 'spells'>, atMs: number): number | undefined =>
  (spells.findLast((spell) => spell.fromMs <= atMs) ?? spells[0])?.celsius;

/** An emptied lot. */
export const emptied = (lot: Lot): Lot => ({ ...lot, has: NOTHING, stillSinceMs: null });

/** Hours a lot has settled: what a carrying left of the hours before, and those since. */
export function settledHours(lot: Lot, nowMs: number): number {
  return lot.settledH + (lot.stillSinceMs === null ? 0 : Math.max(0, (nowMs - lot.stillSinceMs) / HOUR_MS));
}

/** Whether cream can rise in it where it is put: frost breaks what would rise. */
export const maySettle = (lot: Pick<Lot, 'role' | 'thawed'>, place: Lot['place']): boolean =>
  lot.role === 'milk' && place !== 'freezer' && !lot.thawed;

/** A lot set down somewhere else: part of what had risen goes back, and out of the freezer it thaws. */
export function carried(lot: Lot, place: Lot['place'], celsius: number, atMs: number): Lot {
  const hours = settledHours(lot, atMs);
  const thawed = lot.thawed || (lot.place === 'freezer' && place !== 'freezer');
  return {
    ...lot,
    place,
    thawed,
    spells: [...lot.spells, { fromMs: atMs, celsius }],
    settledH: KEPT_BY_MOVING * hours,
    stillSinceMs: maySettle({ ...lot, thawed }, place) ? atMs : null,
  };
}

/** How a lot creams. */
export const lotCreaming = (lot: Lot) => creamingOf(lot.kind, lot.treatment, lot.homogenised);

/** Whether a cream line may show. */
export const settles = (lot: Lot): boolean =>
  lot.role === 'milk' && lot.stillSinceMs !== null && lotCreaming(lot).mostRisen > 0;

const keepingOf = (lot: Lot): Keeping => lot;

/** Until when a lot keeps, as a range with its reason. */
export function keepOf(lot: Lot, nowMs: number): KeepBy {
  return keepBy(keepingOf(lot), nowMs);
}

/** Of two lots the one nearer its end. */
export function older(a: Lot, b: Lot, atMs: number): Lot {
  return lifeUsed(keepingOf(a), atMs)[0] >= lifeUsed(keepingOf(b), atMs)[0] ? a : b;
}

export const isEmpty = (lot: Lot): boolean => Math.abs(lot.has.massKg) < EMPTY_KG;
export const litresIn = (lot: Lot): number => litresOfMass(lot.has.massKg, lot.of);
/** What a plan may still ask for, kg. */
export const freeKg = (lot: Lot): number => Math.max(0, lot.has.massKg - lot.spokenForKg);
