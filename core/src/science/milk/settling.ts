import { withFat, type Composition, type MilkKind } from './composition.ts';
import { litresOfMass } from './density.ts';

/** How milk was treated before it came in. */
export const TREATMENTS = ['raw', 'pasteurised', 'ultra-heated'] as const;
export type Treatment = (typeof TREATMENTS)[number];

/** How far and how fast the fat of a milk rises, still and cold. */
export interface Creaming {
  /** Share of the fat that rises in the end, 0..1. */
  readonly mostRisen: number;
  /** Time constant, h. */
  readonly tauH: number;
}

const NO_CREAM: Creaming = { mostRisen: 0, tauH: 1 };
const COW: Creaming = { mostRisen: 0.88, tauH: 7.5 };
const COW_PASTEURISED: Creaming = { mostRisen: 0.6, tauH: 14 };
/** By species [F]; goat's fat does not cluster in the cold. Source: docs/SCIENCE.md, settling. */
const OTHER: Readonly<Partial<Record<MilkKind, Creaming>>> = {
  ewe: { mostRisen: 0.5, tauH: 16 },
  buffalo: { mostRisen: 0.5, tauH: 14 },
  goat: { mostRisen: 0.25, tauH: 30 },
};

/** Milk colder than this settles as computed; warmer it sours before it is done. */
export const SETTLING_MAX_C = 7;
/** Share of what has risen that stays up when a jar is carried [F: judgement]. */
export const KEPT_BY_MOVING = 0.5;
/** One standard deviation of the cream mass before anything of it was weighed: the range shown is twenty per cent. */
export const CREAM_SPREAD = 0.2;

/** How a milk creams; homogenised and ultra-heated milk does not. */
export function creamingOf(kind: MilkKind, treatment: Treatment, homogenised: boolean): Creaming {
  if (homogenised || treatment === 'ultra-heated') return NO_CREAM;
  return OTHER[kind] ?? (treatment === 'pasteurised' ? COW_PASTEURISED : COW);
}

/** Share of the fat that has risen after some still, cold hours. @example risenShare(creaming, 12) // 0.70 of raw cow milk */
export function risenShare({ mostRisen, tauH }: Creaming, hours: number): number {
  return mostRisen * (1 - Math.exp(-Math.max(0, hours) / tauH));
}

/** Fat of the cream layer after some hours, mass fraction [F]: it packs as it stands. */
export function layerFatFraction(hours: number): number {
  return 0.18 + 0.16 * (1 - Math.exp(-Math.max(0, hours) / 30));
}

/** A jar and how it stands. */
export interface Settling {
  readonly composition: Composition;
  readonly massKg: number;
  readonly creaming: Creaming;
  /** Still, cold hours. */
  readonly hours: number;
  /** What a measured cream line says of this milk, against the book: more or less has risen. */
  readonly factor?: number;
  /** What weighed churnings say of this source's cream, against the book: its fat is higher or lower. */
  readonly fatFactor?: number;
}

/** The layer and what is under it. */
export interface Layers {
  readonly creamKg: number;
  readonly creamFatFraction: number;
  readonly milkKg: number;
  readonly milkFatFraction: number;
  /** Height of the layer over the height of all, 0..1. */
  readonly creamHeight: number;
}

/**
 * Where the fat stands after some hours: fat risen over the layer's fat is the layer; what stays is balanced, so mass
 * and fat are those of the whole. Source: docs/SCIENCE.md, settling.
 * @example settle({ composition, massKg: 10, creaming: creamingOf('cow-lean', 'raw', false), hours: 12 }).creamKg
 */
export function settle(jar: Settling): Layers {
  const { composition, massKg, creaming, hours, factor = 1, fatFactor = 1 } = jar;
  const fatKg = massKg * composition.fatFraction;
  // More than all but a trace of the fat cannot rise whatever was measured.
  const risenKg = Math.min(0.97 * fatKg, factor * risenShare(creaming, hours) * fatKg);
  const creamFatFraction = Math.max(
    Math.min(0.6, fatFactor * layerFatFraction(hours)),
    composition.fatFraction,
  );
  const creamKg = Math.min(massKg, risenKg / creamFatFraction);
  const milkKg = massKg - creamKg;
  const milkFatFraction = milkKg > 0 ? Math.max(0, (fatKg - creamKg * creamFatFraction) / milkKg) : 0;
  const creamLitres = litresOfMass(creamKg, withFat(composition, creamFatFraction));
  const milkLitres = litresOfMass(milkKg, withFat(composition, milkFatFraction));
  const all = creamLitres + milkLitres;
  return {
    creamKg,
    creamFatFraction,
    milkKg,
    milkFatFraction,
    creamHeight: all > 0 ? creamLitres / all : 0,
  };
}

/** How much richer the very top of a layer is than the whole of it [F: judgement]. */
const TOP_RICHER = 0.25;

/**
 * What a ladle lifts: `depth` 1 takes the layer, less leaves some of it (and takes the richest), more takes milk along.
 * @param depth share of the layer, 0.1..2
 */
export function ladle(layers: Layers, depth: number): { massKg: number; fatFraction: number } {
  const { creamKg, creamFatFraction, milkKg, milkFatFraction } = layers;
  if (depth <= 1) {
    return {
      massKg: depth * creamKg,
      fatFraction: Math.min(0.6, creamFatFraction * (1 + TOP_RICHER * (1 - depth))),
    };
  }
  const alongKg = Math.min(milkKg, (depth - 1) * creamKg);
  const massKg = creamKg + alongKg;
  if (massKg === 0) return { massKg, fatFraction: creamFatFraction };
  return { massKg, fatFraction: (creamKg * creamFatFraction + alongKg * milkFatFraction) / massKg };
}

/**
 * What a measured cream line says against the book's: the factor that makes the computed layer as high.
 * @param creamHeight layer over the whole, 0..1
 * @returns `null` when nothing should have risen yet
 */
export function factorOfHeight(jar: Settling, creamHeight: number): number | null {
  const book = settle({ ...jar, factor: 1 }).creamHeight;
  return book > 0.002 ? Math.min(4, Math.max(0.1, creamHeight / book)) : null;
}
