import {
  incubationOf,
  walkThermal,
  type Incubation,
  type MakeState,
  type ThermalWalk,
} from '../make/index.ts';
import type { CauseId } from '../science/causes/index.ts';
import {
  createEnsembleRun,
  createKernel,
  crossingH,
  STARTER_FACTS,
  warmCulture,
  type CourseGrid,
  type Ensemble,
  type EnsembleSpec,
} from '../science/souring/index.ts';

/** A world that one cause may have made of a souring: how likely it is among those of its cause, and what differs in it. */
interface WorldPlan {
  readonly cause: CauseId;
  readonly share: number;
  /** Its place is so much warmer than planned, K; below 0 colder. */
  readonly placeOffC?: number;
  /** ln of the living cells, against what was planned. */
  readonly lnCells?: number;
  /** Times the pace. */
  readonly rate?: number;
  /** The milk was so hot when the starter went in, °C. */
  readonly inoculatedC?: number;
  /** Nothing works any more below this pH. */
  readonly stallsAtPh?: number;
  /** The thermometer shows so much more than there is, K. */
  readonly readsHighC?: number;
}

/** A world with the members that were run in it. */
export interface SouringWorld extends WorldPlan {
  /** The make as it is in this world, and how it was inoculated there. */
  readonly state: MakeState;
  readonly walk: ThermalWalk;
  readonly incubation: Incubation;
  /** The course it would take if nobody read a temperature. */
  readonly unread: Incubation;
  readonly ensemble: Ensemble;
}

/** Each amount as likely as the others. */
const evenly = <T>(amounts: readonly T[], of: (amount: T) => Omit<WorldPlan, 'share'>): WorldPlan[] =>
  amounts.map((amount) => ({ ...of(amount), share: 1 / amounts.length }));

/** Places are a little off more often than much: how fast that falls, K. What is not switched on at all is far off, and not so rare. */
const OFF_FADES_K = 6;
const FAR_OFF = 0.25;
function places(cause: 'place-cold' | 'place-hot', offs: readonly number[]): WorldPlan[] {
  const weights = offs.map((off) => Math.exp(-Math.abs(off) / OFF_FADES_K) + FAR_OFF);
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return offs.map((placeOffC, i) => ({ cause, placeOffC, share: weights[i]! / all }));
}

/** Where heat does harm, °C: a yogurt culture, and one of room temperature. */
const TOO_HOT_C = { warm: [48, 50, 52, 54, 57, 60], cool: [39, 41, 44, 47, 51] } as const;

/** What may have happened to a souring, each cause on a coarse grid. Source: docs/SCIENCE.md, causes [judgement]. */
function plansFor(state: MakeState): WorldPlan[] {
  const { kind } = state.plan.starter;
  const { dosing } = STARTER_FACTS[kind];
  const started: WorldPlan[] =
    dosing === 'none'
      ? []
      : [
          ...evenly([-1.2, -2.4, -3.6, -4.8, -6, -7.2, -10, -16], (lnCells) => ({
            cause: 'starter-weak',
            lnCells,
          })),
          ...evenly([-0.8, -1.3, -1.8, -2.3], (lnCells) => ({ cause: 'under-dosed', lnCells })),
          ...evenly(TOO_HOT_C[warmCulture(kind) ? 'warm' : 'cool'], (inoculatedC) => ({
            cause: 'too-hot',
            inoculatedC,
          })),
        ];
  return [
    { cause: 'not-yet', share: 1 },
    ...places('place-cold', [-2.5, -4, -6, -8, -10, -12, -16, -20]),
    ...started,
    ...evenly([0.02, 0.1, 0.2, 0.3], (rate) => ({ cause: 'inhibited', rate })),
    ...evenly([6.1, 5.7, 5.3, 5], (stallsAtPh) => ({ cause: 'phage', stallsAtPh })),
    ...(state.temperatures.length > 0
      ? evenly([-6, -4, 4, 6], (readsHighC) => ({ cause: 'thermometer-off', readsHighC }))
      : []),
  ];
}

/** How far a place that is as planned may be off, one σ, K; each step of the grid covers as much. */
const PLACE_SIGMA_C = 0.9;
/** A course that works no more stands as cold as this, °C. */
const STALLED_C = 1;

/** A make as it is in a world. */
function stateIn(state: MakeState, { placeOffC = 0, readsHighC = 0 }: WorldPlan): MakeState {
  const { factors = {} } = state.plan;
  return {
    ...state,
    plan: {
      ...state.plan,
      factors: {
        ...factors,
        placeHeat: {
          value: (factors.placeHeat?.value ?? 0) + placeOffC,
          sigma: PLACE_SIGMA_C,
          makes: factors.placeHeat?.makes ?? 0,
        },
      },
    },
    temperatures:
      readsHighC === 0
        ? state.temperatures
        : state.temperatures.map((read) => ({ ...read, celsius: read.celsius - readsHighC })),
  };
}

/** From an hour on nothing works: as if it stood near freezing, measured. */
function stalledFrom(grid: CourseGrid, hour: number): CourseGrid {
  const from = Math.round((2 * hour) / grid.stepH);
  return {
    ...grid,
    halfStepC: grid.halfStepC.map((c, i) => (i < from ? c : STALLED_C)),
    looseness: grid.looseness.map((loose, i) => (i < from ? loose : 0)),
  };
}

/** Hours to a pH on the middle line; the horizon where it is not reached. */
function middleHours({ spec, stepH, horizonH }: Incubation, ph: number): number {
  const kernel = createKernel(spec.grid, spec.starts, spec.startAcidMmolPerKg, spec.joinings);
  const row = new Float64Array(kernel.steps + 1);
  kernel.run(
    { rate: spec.rate, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: spec.plasmaSnfPercent },
    row,
    0,
  );
  return Math.min(horizonH, crossingH(row, 0, kernel.steps, stepH, ph));
}

/** Steps as long as these are near enough for telling worlds apart, h. */
const COARSE_STEP_H = 0.2;

/** The same course in longer steps, for as long as every second sample still is one. */
function coarsened(grid: CourseGrid): CourseGrid {
  if (grid.stepH * 2 > COARSE_STEP_H + 1e-9 || grid.steps % 2 !== 0) return grid;
  return {
    stepH: 2 * grid.stepH,
    steps: grid.steps / 2,
    halfStepC: grid.halfStepC.filter((_, i) => i % 2 === 0),
    looseness: grid.looseness.filter((_, i) => i % 2 === 0),
  };
}

/** Where something is wrong the model may be too: its pace is trusted less than in a batch that goes well, one σ of ln. */
const PACE_LN_SIGMA = 0.3;

/** What the kernel runs in a world. */
function specIn(incubation: Incubation, { lnCells = 0, rate = 1, stallsAtPh }: WorldPlan): EnsembleSpec {
  const { spec } = incubation;
  return {
    ...spec,
    rate: spec.rate * rate,
    spread: { ...spec.spread, lnRate: Math.max(spec.spread.lnRate, PACE_LN_SIGMA) },
    starts: spec.starts.map((start) => ({
      ...start,
      log10CfuPerMl: start.log10CfuPerMl + lnCells / Math.LN10,
    })),
    grid: coarsened(
      stallsAtPh === undefined ? spec.grid : stalledFrom(spec.grid, middleHours(incubation, stallsAtPh)),
    ),
  };
}

function walkIn(walk: ThermalWalk, { inoculatedC }: WorldPlan): ThermalWalk {
  return inoculatedC === undefined
    ? walk
    : { ...walk, inoculation: { ...walk.inoculation, celsius: inoculatedC } };
}

/** How the members of a world go on where something else is done with it from now on; `null` where that says not enough. */
export function goingOn(world: SouringWorld, changed: MakeState): Ensemble | null {
  const incubation = incubationOf(changed, world.walk);
  if (!incubation) return null;
  const run = createEnsembleRun(specIn(incubation, world), world.ensemble.z);
  run.advance(Number.POSITIVE_INFINITY);
  return run.ensemble;
}

/**
 * Runs a souring in every world that may have made it what it is, with the same members in each.
 * A generator: each `yield` tells how far it is, 0..1.
 * @param z the members' draws
 * @returns nothing where nothing sours, or the dose does not say enough
 */
export function* souringWorlds(
  state: MakeState,
  nowMs: number,
  z: Float64Array,
): Generator<number, SouringWorld[]> {
  const walk = walkThermal(state, nowMs);
  const plans = plansFor(state);
  const worlds: SouringWorld[] = [];
  for (const [i, plan] of plans.entries()) {
    const own = stateIn(state, plan);
    const ownWalk = walkIn(walk, plan);
    const incubation = incubationOf(own, ownWalk);
    const unread = incubationOf({ ...own, temperatures: [] }, ownWalk);
    if (!incubation || !unread) return [];
    const run = createEnsembleRun(specIn(incubation, plan), z);
    run.advance(Number.POSITIVE_INFINITY);
    worlds.push({ ...plan, state: own, walk: ownWalk, incubation, unread, ensemble: run.ensemble });
    yield (i + 1) / plans.length;
  }
  return worlds;
}
