import type { Lot, MakePlan } from '../../contract/index.ts';
import { STARTER_FACTS, type StarterKind } from '../../science/souring/index.ts';
import { productOf } from '../../products/index.ts';
import { EMPTY_KG, freeKg } from './lot.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** A starter nobody dosed yet, kg. */
const USUAL_KG = 0.04;

/** As which starters a lot may serve, by what it is; whey is of yogurt or of soured milk, and its maker knows which. */
const AS: Readonly<Partial<Record<Lot['role'], readonly StarterKind[]>>> = {
  buttermilk: ['cultured-buttermilk'],
  whey: ['sour-milk-whey', 'yogurt-whey'],
  cream: ['cultured-buttermilk'],
  pot: ['cultured-buttermilk'],
};

/** A lot of the milk room as a starter. */
export interface LotStarter {
  readonly lot: Lot;
  readonly kind: StarterKind;
  /** "Whey from yogurt" */
  readonly label: string;
}

/**
 * The soured lots of the milk room that a plan can be soured with, the freshest first.
 * @example lotsAsStarter(buttermilk, room.lots).map(({ lot }) => lot.name) // ['Cultured buttermilk']
 */
export const lotsAsStarter = (plan: MakePlan, lots: readonly Lot[]): LotStarter[] =>
  lots
    .filter((lot) => lot.soured && lot.place !== 'freezer' && freeKg(lot) > EMPTY_KG)
    .flatMap((lot) =>
      (AS[lot.role] ?? [])
        .filter((kind) => productOf(plan).starters.includes(kind))
        .map((kind) => ({ lot, kind, label: STARTER_FACTS[kind].label })),
    )
    .sort((a, b) => b.lot.oldestMs - a.lot.oldestMs);

/** The starter of a plan taken from the milk room: its kind, its age at the start, as much as the plan wants of it. */
export function starterFromLot(plan: MakePlan, { lot, kind }: LotStarter): MakePlan['starter'] {
  const massKg = Math.min(freeKg(lot), plan.starter.massKg ?? USUAL_KG);
  return {
    kind,
    ageD: Math.max(0, Math.round((Date.parse(plan.startAt) - lot.oldestMs) / DAY_MS)),
    massKg,
    statedRatio: null,
    typed: { value: Math.round(massKg * 1000), unit: 'g' },
    lot: { lotId: lot.id, name: lot.name, massKg, costPerKg: lot.costPerKg },
  };
}
