import { likelyBalance } from '../../science/butter/index.ts';
import { batchOf } from '../../setup/index.ts';
import type { MakePlan } from '../../contract/index.ts';
import { loadsOf, temperBath, type TemperBath } from '../temper.ts';

/** What a churning wants to find ready. Estimates. */
export interface Preparation {
  /** Cold drinking water for all washes, L, and the ice that brings it from the tap's heat to that of the cold, kg. */
  readonly washLitres: number;
  readonly iceKg: number;
  /** A bowl that holds the butter with one wash, and the buttermilk's, L. */
  readonly bowlLitres: number;
  readonly buttermilkLitres: number;
  /** The bath it is tempered in, for one load; `null` without one. */
  readonly bath: TemperBath | null;
  readonly loads: number;
  readonly pieces: number;
}

/** Tap water, and the water that firms butter, °C. */
const TAP_C = 15;
const COLD_C = 5;
/** Ice for a kilogram of water from the one to the other, kg: heat of melting and of warming. */
const ICE_PER_KG = (4.18 * (TAP_C - COLD_C)) / (334 + 4.18 * COLD_C);
/** A bowl that is worked in has this much room over what is in it. */
const BOWL_ROOM = 1.5;
const BUTTER_KG_PER_LITRE = 0.92;
/** Butter is put by in pieces that thaw quickly, kg. */
const PIECE_KG = 0.25;

/** What a churning wants to find ready; `null` for a make that churns nothing. */
export function preparationOf(plan: MakePlan): Preparation | null {
  const { steps } = plan.method;
  if (!steps.some(({ kind }) => kind === 'churn')) return null;
  const wash = steps.find((s) => s.kind === 'wash');
  const { massKg, litres, composition } = batchOf(plan);
  const { butterKg, buttermilkKg } = likelyBalance(massKg, composition.fatFraction);
  const oneWashKg = (wash?.waterKgPerKg ?? 0) * butterKg;
  const washLitres = oneWashKg * (wash?.washes ?? 0);
  return {
    washLitres,
    iceKg: washLitres * ICE_PER_KG,
    bowlLitres: BOWL_ROOM * (butterKg / BUTTER_KG_PER_LITRE + oneWashKg),
    buttermilkLitres: Math.min(litres, buttermilkKg),
    bath: temperBath(plan),
    loads: loadsOf(plan),
    pieces: Math.max(1, Math.round(butterKg / PIECE_KG)),
  };
}
