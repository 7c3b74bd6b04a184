import type { Group } from './groups.ts';

/** Starters a maker may use. */
export const STARTER_KINDS = [
  'fresh-yogurt',
  'dried-yogurt',
  'cultured-buttermilk',
  'milk-kefir',
  'kefir-grains',
  'yogurt-whey',
  'sour-milk-whey',
  'dried-mesophilic',
  'none',
] as const;
export type StarterKind = (typeof STARTER_KINDS)[number];

interface StarterFacts {
  readonly label: string;
  /** How the dose is told: by mass, as a share of a packet's stated dose, or not at all. */
  readonly dosing: 'mass' | 'stated' | 'none';
  /** log10 CFU/g at day 0 (mass), or per mL of milk at the stated dose (stated, none). */
  readonly log10: Readonly<Partial<Record<Group, number>>>;
  readonly lossPerDay: Readonly<Partial<Record<Group, number>>>;
  readonly lagH: Readonly<Partial<Record<Group, number>>>;
  readonly acidMmolPerKg: number;
}

/** Counts, cold losses, lags and carried acid [F to published counts of fresh products]. */
export const STARTER_FACTS: Readonly<Record<StarterKind, StarterFacts>> = {
  'fresh-yogurt': {
    label: 'Live plain yogurt',
    dosing: 'mass',
    log10: { st: 8.9, lb: 8.4 },
    lossPerDay: { st: 0.02, lb: 0.05 },
    lagH: { st: 0.3, lb: 0.5 },
    acidMmolPerKg: 95,
  },
  'dried-yogurt': {
    label: 'Dried yogurt culture',
    dosing: 'stated',
    log10: { st: 6.7, lb: 5.5 },
    lossPerDay: {},
    lagH: { st: 1.0, lb: 1.5 },
    acidMmolPerKg: 0,
  },
  'cultured-buttermilk': {
    label: 'Cultured buttermilk or sour cream',
    dosing: 'mass',
    log10: { lc: 9.0 },
    lossPerDay: { lc: 0.04 },
    lagH: { lc: 0.5 },
    acidMmolPerKg: 85,
  },
  'milk-kefir': {
    label: 'Milk kefir, grains removed',
    dosing: 'mass',
    log10: { lc: 8.7 },
    lossPerDay: { lc: 0.04 },
    lagH: { lc: 0.7 },
    acidMmolPerKg: 90,
  },
  'kefir-grains': {
    label: 'Kefir grains',
    dosing: 'mass',
    log10: { lc: 8.3 },
    lossPerDay: {},
    lagH: { lc: 2 },
    acidMmolPerKg: 0,
  },
  'yogurt-whey': {
    label: 'Whey from yogurt',
    dosing: 'mass',
    log10: { st: 7.6, lb: 7.2 },
    lossPerDay: {},
    lagH: { st: 0.5, lb: 0.5 },
    acidMmolPerKg: 90,
  },
  'sour-milk-whey': {
    label: 'Whey from soured milk',
    dosing: 'mass',
    log10: { lc: 7.6 },
    lossPerDay: {},
    lagH: { lc: 0.5 },
    acidMmolPerKg: 90,
  },
  'dried-mesophilic': {
    label: 'Dried mesophilic culture',
    dosing: 'stated',
    log10: { lc: 6.6 },
    lossPerDay: {},
    lagH: { lc: 1.5 },
    acidMmolPerKg: 0,
  },
  none: {
    label: 'None (raw milk sours by itself)',
    dosing: 'none',
    log10: { lc: 2.7 },
    lossPerDay: {},
    lagH: { lc: 3 },
    acidMmolPerKg: 0,
  },
};

/** Age taken for a starter when nobody knows, days. */
export const DEFAULT_STARTER_AGE_D = 3;

export interface Dose {
  readonly kind: StarterKind;
  /** Days kept cold; the default age when unknown. */
  readonly ageD?: number | undefined;
  /** Starter mass over milk mass; for starters dosed by mass. */
  readonly massRatio?: number;
  /** Share of the stated dose for this volume: 1 = exactly as the packet says. */
  readonly statedRatio?: number;
  /** log10 of the count besides what its age in the cold costs: freezing, drying. */
  readonly log10Off?: number | undefined;
}

export interface Inoculum {
  readonly log10CfuPerMl: Partial<Record<Group, number>>;
  readonly lagH: Readonly<Partial<Record<Group, number>>>;
  readonly startAcidMmolPerKg: number;
}

/**
 * What a dose brings into the milk.
 * @throws RangeError for a dose that is missing or not above 0
 * @example inoculumOf({ kind: 'fresh-yogurt', massRatio: 0.03 }).log10CfuPerMl.st // 7.317 at the default age
 */
export function inoculumOf(dose: Dose): Inoculum {
  const starter = STARTER_FACTS[dose.kind];
  const ratio =
    starter.dosing === 'mass' ? dose.massRatio : starter.dosing === 'stated' ? dose.statedRatio : 1;
  if (ratio === undefined || !(ratio > 0)) throw new RangeError('the dose must be above 0');
  const ageD = dose.ageD ?? DEFAULT_STARTER_AGE_D;
  const log10CfuPerMl: Partial<Record<Group, number>> = {};
  for (const [group, day0] of Object.entries(starter.log10) as [Group, number][]) {
    const loss = (starter.lossPerDay[group] ?? 0) * ageD;
    log10CfuPerMl[group] = day0 - loss + (dose.log10Off ?? 0) + Math.log10(ratio);
  }
  return {
    log10CfuPerMl,
    lagH: starter.lagH,
    startAcidMmolPerKg: starter.dosing === 'mass' ? ratio * starter.acidMmolPerKg : 0,
  };
}

/**
 * Two starters that go in together: counts and acid add up; a group both bring waits as long as the more numerous of it.
 * @example mixedInocula(buttermilk, yogurt).log10CfuPerMl // { lc: 7.6, st: 7.1, lb: 6.6 }
 */
export function mixedInocula(a: Inoculum, b: Inoculum): Inoculum {
  const log10CfuPerMl: Partial<Record<Group, number>> = { ...a.log10CfuPerMl };
  const lagH: Partial<Record<Group, number>> = { ...a.lagH };
  for (const [group, log10] of Object.entries(b.log10CfuPerMl) as [Group, number][]) {
    const has = log10CfuPerMl[group];
    log10CfuPerMl[group] = has === undefined ? log10 : Math.log10(10 ** has + 10 ** log10);
    if (has === undefined || log10 > has) lagH[group] = b.lagH[group]!;
  }
  return { log10CfuPerMl, lagH, startAcidMmolPerKg: a.startAcidMmolPerKg + b.startAcidMmolPerKg };
}

/** Whether a starter works at yogurt heat rather than at room heat. */
export function warmCulture(kind: StarterKind): boolean {
  return 'st' in STARTER_FACTS[kind].log10 || 'lb' in STARTER_FACTS[kind].log10;
}

/** What is kept of a make begun with a kind of starter. */
const KEEPS: Readonly<Record<StarterKind, Exclude<StarterKind, 'none'>>> = {
  'fresh-yogurt': 'fresh-yogurt',
  'dried-yogurt': 'fresh-yogurt',
  'yogurt-whey': 'fresh-yogurt',
  'cultured-buttermilk': 'cultured-buttermilk',
  'dried-mesophilic': 'cultured-buttermilk',
  'sour-milk-whey': 'cultured-buttermilk',
  'milk-kefir': 'milk-kefir',
  'kefir-grains': 'milk-kefir',
  none: 'cultured-buttermilk',
};

export const keptKind = (starter: StarterKind): Exclude<StarterKind, 'none'> => KEEPS[starter];
