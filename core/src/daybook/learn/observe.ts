import {
  COUNT_ONCE_H,
  createEnsembleRun,
  DIMENSIONS,
  lnLikelihoods,
  type EnsembleSpec,
} from '../../science/souring/index.ts';
import { ONE_LN_SIGMA } from '../../science/butter/index.ts';
import { widthMOf, type FactorKind, type FactorsUsed, type MakePlan } from '../../contract/index.ts';
import { heatOnPlate, placeTauH, READING_SIGMA_C, runVessel } from '../../science/heat/index.ts';
import {
  acidityReadings,
  makeAt,
  unreadCourse,
  incubationOf,
  walkThermal,
  type MakeState,
} from '../../make/index.ts';
import { DRAIN_SIGMA } from '../../science/curd/index.ts';
import { STEP_TYPES, type Fit } from '../../steps/index.ts';
import { handsSaid } from './hands.ts';
import { batchOf, burnerLagS, coolsCovered, heatingKw, roomAtC } from '../../setup/index.ts';
import { leastSquares } from '../../science/numerics/index.ts';
import { HOUR_MS, MINUTE_MS } from '../../science/units/index.ts';

/** A heating or cooling must span this much to say anything about its pace, K. */
const SPAN_C = 12;
/** How wide ln of a culture's pace is looked for. */
const RATE_REACH = 1;
const RATE_CELLS = 101;
/** How much ln of the pace one kelvin nobody measured is worth, 1/K [F: slope of the model near 43 °C]. */
const RATE_PER_C = 0.07;

/** Prior σ and the scatter of one make's say, ln (K for the heat of a place). Source: docs/SCIENCE.md, learning. */
export const FACTOR_SPREAD: Readonly<Record<FactorKind, { readonly prior: number; readonly make: number }>> =
  {
    rate: { prior: 0.15, make: 0.12 },
    'place-heat': { prior: 1.5, make: 0.5 },
    'place-tau': { prior: 0.3, make: 0.15 },
    cooling: { prior: 0.25, make: 0.1 },
    burner: { prior: 0.3, make: 0.1 },
    churn: { prior: 0.4, make: ONE_LN_SIGMA },
    cloth: { prior: DRAIN_SIGMA.cloth, make: DRAIN_SIGMA.batch },
    hands: { prior: 0.5, make: 0.4 },
  };

/** What one make says about one thing; `value` is absolute: ln of kW, of hours, of the loss; K above the dial or room. */
export interface Observation {
  readonly kind: FactorKind;
  readonly thing: string;
  readonly makeId: string;
  readonly makeName: string;
  readonly atMs: number;
  readonly value: number;
  readonly sigma: number;
  /** How little was known before the first of them, one σ; left out, as its kind has it. */
  readonly prior?: number;
}

/** The value of a thing as typed in a plan, on the same scale as an observation. */
export function typedValue(kind: FactorKind, plan: MakePlan): number {
  switch (kind) {
    case 'burner':
      return Math.log(heatingKw(plan, 0));
    case 'cooling':
      return Math.log(plan.pot.lossFactor);
    case 'place-heat':
      return plan.place.biasC ?? 0;
    case 'place-tau':
      return Math.log(plan.place.tauH);
    case 'rate':
    case 'churn':
    case 'cloth':
    case 'hands':
      return 0;
  }
}

/** A burner at its setting: turned up to full it bears its own name, as it did before settings were a choice. */
const burnerAt = ({ burner, heat: { flame = 'full' } }: MakePlan): string =>
  flame === 'full' ? burner.id : `${burner.id} ${flame}`;

/** Which thing a factor of a plan belongs to. */
export function thingOf(kind: FactorKind, plan: MakePlan): string {
  if (kind === 'burner') return burnerAt(plan);
  if (kind === 'cooling') return plan.pot.id;
  // Of many kinds of step at once: no plan has one of its own.
  if (kind === 'hands') return '';
  const { learns } =
    plan.method.steps.map((step) => STEP_TYPES[step.kind]).find((type) => type.learns?.factor === kind) ?? {};
  if (learns) return learns.thing(plan);
  // A culture of the register has a pace of its own, learned over all turns of its line.
  return kind === 'rate' ? (plan.starter.lineId ?? plan.starter.kind) : plan.place.id;
}

/**
 * The pace of a heating or cooling, ln against what was typed, from two or more readings that span enough.
 * @param lnLoss how its pot loses heat, ln against what was typed: what it loses while it is heated is no weakness of the burner
 */
function fitVessel(state: MakeState, moves: 'up' | 'down', lnLoss: number): Fit | null {
  const step = state.steps.find((s) => s.step.facts.moves === moves);
  const cooling = moves === 'down';
  if (step?.status !== 'done' || step.startedAtMs === null || step.endedAtMs === null) return null;
  if (cooling && state.plan.cooling && state.plan.cooling.kind !== 'counter') return null;
  const readings = state.temperatures.filter((t) => t.atMs >= step.startedAtMs! && t.atMs <= step.endedAtMs!);
  const first = readings[0];
  const last = readings.at(-1);
  if (!first || !last || Math.abs(last.celsius - first.celsius) < SPAN_C) return null;
  const { plan } = state;
  const { composition, litres } = batchOf(plan);
  const airC = roomAtC(plan, step.startedAtMs);
  const rising = last.celsius > first.celsius;
  if (rising === cooling) return null;
  const lagS = burnerLagS(plan);
  const curveFor = (lnFactor: number, fromC: number) => {
    const run = {
      composition,
      litres,
      // What an older batch took is held against the pot as it is reckoned today, for the batches to come.
      widthM: widthMOf({ ...plan.pot, lidded: undefined }),
      airC,
      startC: fromC,
      lidded: cooling ? coolsCovered(plan) : (plan.heat.lidOn ?? false),
      lossFactor: plan.pot.lossFactor * Math.exp(cooling ? lnFactor : lnLoss),
      powerKw: cooling ? 0 : heatingKw(plan, lnFactor),
    };
    const untilC = last.celsius + (rising ? 3 : -3);
    return rising && lagS > 0
      ? heatOnPlate({ ...run, lagS, hot: first.celsius > plan.milk.startC + 3 }, last.celsius)
          .secondsAndCelsius
      : runVessel(run, untilC).secondsAndCelsius;
  };
  const prior = FACTOR_SPREAD[cooling ? 'cooling' : 'burner'].prior;
  const fit = leastSquares(
    ([lnFactor = 0, offC = 0]) => {
      const curve = curveFor(lnFactor, first.celsius + offC);
      return readings.map((r) => (at(curve, (r.atMs - first.atMs) / 1000) - r.celsius) / READING_SIGMA_C);
    },
    [0, 0],
    {
      priors: [
        { mean: 0, sigma: 4 * prior },
        { mean: 0, sigma: READING_SIGMA_C },
      ],
      steps: [1e-3, 1e-2],
    },
  );
  return fitted(fit.parameters[0], fit.covariance[0]?.[0], prior);
}

/** A curve at some seconds; beyond its end it goes on straight. */
function at(curve: readonly (readonly [number, number])[], seconds: number): number {
  let low = 0;
  let high = curve.length - 1;
  if (high < 1) return curve[0]?.[1] ?? 0;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (curve[middle]![0] <= seconds) low = middle;
    else high = middle;
  }
  const [s0, c0] = curve[low]!;
  const [s1, c1] = curve[high]!;
  return c0 + ((seconds - s0) / (s1 - s0)) * (c1 - c0);
}

/** A fit that says less than the prior already knew is no observation. */
function fitted(value: number | undefined, variance: number | undefined, prior: number): Fit | null {
  if (value === undefined || variance === undefined || !(variance > 0)) return null;
  const sigma = Math.sqrt(variance);
  return sigma < prior ? { value, sigma } : null;
}

/** Heat and slowness of the warm place, against what was typed, from readings during incubation. */
function fitPlace(state: MakeState): { heat: Fit | null; tau: Fit | null } | null {
  const { plan, inoculatedAtMs: zeroMs } = state;
  if (zeroMs === null || plan.bottles) return null;
  // Moved, parted or mixed under way, it tells of no one place.
  if (state.stays.some(({ fromMs }) => fromMs > zeroMs)) return null;
  const endMs = state.chilledAtMs ?? state.finished?.atMs ?? Number.POSITIVE_INFINITY;
  const readings: { hour: number; celsius: number }[] = [];
  let countedH = Number.NEGATIVE_INFINITY;
  for (const t of state.temperatures) {
    if (t.atMs < zeroMs || t.atMs > endMs) continue;
    const hour = (t.atMs - zeroMs) / HOUR_MS;
    if (hour - countedH < COUNT_ONCE_H) continue;
    countedH = hour;
    readings.push({ hour, celsius: t.celsius });
  }
  if (readings.length === 0) return null;
  const bare: MakePlan = { ...plan, factors: {} };
  const batch = batchOf(plan);
  const startC = walkThermal({ ...state, plan: bare }, endMs).inoculation.celsius;
  const bookTauH = placeTauH(plan.place, batch.litres);
  const horizonH = readings.at(-1)!.hour;
  const heatPrior = FACTOR_SPREAD['place-heat'].prior;
  const tauPrior = FACTOR_SPREAD['place-tau'].prior;
  const fit = leastSquares(
    ([biasC = 0, lnTau = 0, offC = 0]) => {
      const course = unreadCourse(bare, batch, {
        startC: startC + offC,
        tauH: bookTauH * Math.exp(lnTau),
        shiftC: biasC,
        horizonH,
        zeroMs,
      });
      return readings.map((r) => (course.at(r.hour) - r.celsius) / READING_SIGMA_C);
    },
    [0, 0, 0],
    {
      priors: [
        { mean: 0, sigma: 4 * heatPrior },
        { mean: 0, sigma: 3 * tauPrior },
        { mean: 0, sigma: 1 },
      ],
      steps: [1e-2, 1e-3, 1e-2],
    },
  );
  return {
    heat: fitted(fit.parameters[0], fit.covariance[0]?.[0], heatPrior),
    tau: fitted(fit.parameters[1], fit.covariance[1]?.[1], tauPrior),
  };
}

/**
 * The pace of the culture from what was seen and measured of its acidity: the likelihood of all readings along ln of
 * the rate, everything else at its middle. What a place nobody measured may be off widens it.
 */
function fitRate(state: MakeState, factors: FactorsUsed): Fit | null {
  if (state.finished?.verdict === 'discarded' || state.plan.starter.kind === 'none') return null;
  const readings = acidityReadings(state);
  if (readings.length === 0) return null;
  const { rate: _rate, ...thermal } = factors;
  const known: MakeState = { ...state, plan: { ...state.plan, factors: thermal } };
  const walk = walkThermal(known, state.finished?.atMs ?? Number.POSITIVE_INFINITY);
  const incubation = incubationOf(known, walk);
  if (!incubation) return null;
  const spec: EnsembleSpec = {
    ...incubation.spec,
    rate: 1,
    spread: { lnRate: RATE_REACH, log10Count: 0, biasC: 0, lnLag: 0, snf: 0 },
  };
  const z = new Float64Array(RATE_CELLS * DIMENSIONS);
  for (let i = 0; i < RATE_CELLS; i++) z[i * DIMENSIONS] = (2 * i) / (RATE_CELLS - 1) - 1;
  const run = createEnsembleRun(spec, z);
  run.advance(RATE_CELLS);
  const lnLikelihood = lnLikelihoods(run.ensemble, readings, walk.denatured);
  const top = Math.max(...lnLikelihood);
  const weights = lnLikelihood.map((value) => Math.exp(value - top));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const moment = (of: (lnRate: number) => number): number =>
    weights.reduce((sum, w, i) => sum + w * of(RATE_REACH * z[i * DIMENSIONS]!), 0) / total;
  const value = moment((x) => x);
  const unmeasured = state.temperatures.some((t) => t.atMs >= (state.inoculatedAtMs ?? 0))
    ? 0
    : RATE_PER_C * incubation.ambientSigmaC;
  const sigma = Math.hypot(Math.sqrt(moment((x) => (x - value) ** 2)), unmeasured);
  return sigma < 0.5 ? { value, sigma } : null;
}

/**
 * What a finished make says about the kitchen's things.
 * @param factors what is known of them otherwise; only the culture's pace needs it
 */
export function observeThings(state: MakeState): Observation[] {
  const place = fitPlace(state);
  const cooling = fitVessel(state, 'down', 0);
  return [
    observation(state, 'burner', fitVessel(state, 'up', cooling?.value ?? 0)),
    observation(state, 'cooling', cooling),
    observation(state, 'place-heat', place?.heat ?? null),
    observation(state, 'place-tau', place?.tau ?? null),
    // What a kind of step teaches it says itself; each once.
    ...[...new Set(state.steps.flatMap(({ step }) => STEP_TYPES[step.kind].learns ?? []))].map((learns) =>
      observation(state, learns.factor, learns.fit(makeAt(state, state.finished?.atMs ?? state.startedAtMs))),
    ),
    handsSaid(state).map(({ kind, value }) => ({
      kind: 'hands' as const,
      thing: kind,
      makeId: state.id,
      makeName: state.plan.name,
      atMs: state.startedAtMs,
      value,
      sigma: FACTOR_SPREAD.hands.make,
    })),
  ].flat();
}

/** What a finished make says about its culture's pace, once the kitchen's things are known as well as they are. */
export function observeRate(state: MakeState, factors: FactorsUsed): Observation[] {
  return observation(state, 'rate', fitRate(state, factors));
}

function observation(state: MakeState, kind: FactorKind, fit: Fit | null): Observation[] {
  if (!fit) return [];
  return [
    {
      kind,
      thing: thingOf(kind, state.plan),
      makeId: state.id,
      makeName: state.plan.name,
      atMs: state.inoculatedAtMs ?? state.startedAtMs + 60 * MINUTE_MS,
      value: typedValue(kind, state.plan) + fit.value,
      sigma: Math.hypot(fit.sigma, FACTOR_SPREAD[kind].make),
      ...(fit.prior === undefined ? {} : { prior: fit.prior }),
    },
  ];
}
