import { EVENT_VERSION, type InstantBand, type MakePlan, type StepId } from '../contract/index.ts';
import {
  crossingSigmaH,
  createKernel,
  crossingH,
  gelPh,
  phBand,
  quantilesOfCrossing,
  sournessOfPh,
  SAFE_PH,
  SET_PH,
  crossings,
  weightsOf,
  type BandPoint,
  type Contradiction,
  type Sourness,
} from '../science/souring/index.ts';
import { interpolateLinear, Z90 } from '../science/numerics/index.ts';
import { batchOf } from '../setup/index.ts';
import { STEP_TYPES, type AcidMark, type MarkMoment, type MarkRole } from '../steps/index.ts';
import { productOf } from '../products/index.ts';
import { incubationOf, type Incubation } from './incubation.ts';
import { KeptEnsembles } from './kept-ensembles.ts';
import { markBand, markMs, NOWHERE, type ForeseenMark } from './marks.ts';
import { acidityReadings, foldMake, souringOf, souringPlan, souringStep, type MakeState } from './state.ts';
import { tailSteps, type TailFrom, type TailStep } from './tail.ts';
import type { StepTime } from './step-time.ts';
import { walkThermal, type ThermalWalk } from './thermal.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

export const ENSEMBLE_MEMBERS = 1000;

/** The single middle line: cheap enough to redraw while a slider turns. */
export interface PointForecast {
  readonly steps: readonly StepTime[];
  /** [ms, °C] from the first milk to the horizon. */
  readonly temperature: readonly (readonly [number, number])[];
  /** [ms, pH] from inoculation on. */
  readonly ph: readonly (readonly [number, number])[];
  readonly inoculationMs: number;
  /** What it passes on its way, in order. */
  readonly marks: readonly MarkMoment[];
  /** The pH it is taken out at, or was. */
  readonly pickUpPh: number;
  readonly sourness: Sourness;
  readonly firmness: number;
  readonly denatured: number;
  readonly denaturedNow: number;
  readonly pasteurisationMinutes: number;
  readonly pasteurisationMinutesNow: number;
  readonly ambientC: number;
}

/** The whole forecast with its bands. */
export interface BandForecast {
  readonly point: PointForecast;
  readonly steps: readonly { readonly step: StepId; readonly end: InstantBand }[];
  readonly marks: readonly ForeseenMark[];
  /** pH band, hours since inoculation. */
  readonly band: readonly BandPoint[];
  /** Share of members that never set within the horizon. */
  readonly neverSets: number;
  readonly contradiction: Contradiction | null;
  readonly ambientC: number;
  readonly ambientSigmaC: number;
  readonly stats: {
    readonly members: number;
    readonly effectiveMembers: number;
    readonly rounds: number;
    readonly seed: number;
  };
}

/** The state of a plan nobody has begun. */
export function stateOfPlan(plan: MakePlan): MakeState {
  const state = foldMake('00000000000000000000000000', [
    {
      id: '00000000000000000000000000',
      streamId: '00000000000000000000000000',
      at: plan.startAt,
      cookId: null,
      deviceId: 'forecast',
      version: EVENT_VERSION,
      type: 'make-started',
      data: { plan },
    },
  ]);
  if (!state) throw new Error('a started make always folds');
  return state;
}

/** pH of fresh milk: what a make is told to end at in which nothing sours. */
const NOTHING_SOURS_PH = 6.65;

interface Prepared {
  readonly walk: ThermalWalk;
  /** What goes on from the souring goes on from this. */
  readonly from: TailFrom;
  /** The souring is over by the clock: then, ms since 1970. */
  readonly timedMs: number | null;
  readonly tail: readonly TailStep[];
  readonly incubation: Incubation | null;
  readonly point: PointForecast;
  /** The marks of the souring, in the order they are passed. */
  readonly acid: readonly (AcidMark & { readonly step: StepId })[];
}

/** The marks of what sours: those of every curd, and the step's own. */
function acidMarks(state: MakeState, denatured: number): Prepared['acid'] {
  const souring = souringOf(state);
  const step = souringStep(state.steps)?.step.id;
  if (!souring || step === undefined) return [];
  return [
    { id: 'gel', role: 'gel' as const, words: 'Gels', ph: gelPh(denatured), step },
    { id: 'safe', role: 'safe' as const, words: 'Reaches pH 5.3', ph: SAFE_PH, step },
    ...souring.marks(state.plan).map((mark) => ({ ...mark, step })),
  ].sort((a, b) => b.ph - a.ph);
}

/** The marks of what goes by itself, by shares of its time, with how far off they may be. */
function shareMarks(
  { plan, steps: own }: MakeState,
  steps: readonly StepTime[],
): { readonly moment: MarkMoment; readonly sigmaMin: number }[] {
  const { goods } = productOf(plan);
  return steps.flatMap(({ id, kind, status, startMs, endMs, sigmaMin }) => {
    const step = own.find((s) => s.step.id === id)?.step.instance;
    const marks = step ? (STEP_TYPES[kind].marks?.(plan, { step, goods }) ?? []) : [];
    return status === 'skipped'
      ? []
      : marks.map(({ share, ...name }) => ({
          moment: { ...name, step: id, atMs: startMs + share * (endMs - startMs) },
          sigmaMin: share * sigmaMin,
        }));
  });
}

/** After how long a souring is over by the clock, minutes; `null` where its acid ends it. */
function timedMinutes(state: MakeState): number | null {
  const step = souringStep(state.steps)?.step;
  const timed = step && STEP_TYPES[step.kind].souring?.timedMin;
  return timed ? timed({ step: step.instance, goods: productOf(state.plan).goods }) : null;
}

/** What is to stay warm for some hours at least is not ready before, however sour it is; `null` where it never is. */
const notBefore = (
  { wanted: { leastH = 0 } }: Pick<MakePlan, 'wanted'>,
  zeroMs: number,
  atMs: number | null,
): number | null => (atMs === null ? null : Math.max(atMs, leastH === 0 ? atMs : zeroMs + leastH * HOUR_MS));

function prepare(state: MakeState, nowMs: number): Prepared {
  const { plan } = state;
  const walk = walkThermal(state, nowMs);
  const incubation = incubationOf(state, walk, nowMs);
  const zero = walk.inoculation.atMs;
  const toMs = (hour: number): number | null => (Number.isFinite(hour) ? zero + hour * HOUR_MS : null);
  const souring = souringOf(state);
  const acid = acidMarks(state, walk.denatured);
  const phAt = (role: MarkRole): number | null => acid.find((mark) => mark.role === role)?.ph ?? null;
  const pickUpPh = phAt('ready') ?? NOTHING_SOURS_PH;
  let row = new Float64Array(0);
  let hours: (ph: number) => number = () => Number.POSITIVE_INFINITY;
  if (incubation) {
    const { spec, stepH } = incubation;
    const kernel = createKernel(spec.grid, spec.starts, spec.startAcidMmolPerKg, spec.joinings);
    row = new Float64Array(kernel.steps + 1);
    kernel.run(
      { rate: spec.rate, log10Offset: 0, biasC: 0, lagFactor: 1, plasmaSnfPercent: spec.plasmaSnfPercent },
      row,
      0,
    );
    hours = (ph) => crossingH(row, 0, kernel.steps, stepH, ph);
  }
  const gelH = hours(gelPh(walk.denatured));
  const timedMin = timedMinutes(state);
  const timedMs = timedMin === null ? null : zero + timedMin * MINUTE_MS;
  const pickUpMs = timedMs ?? notBefore(plan, zero, toMs(hours(pickUpPh)));
  const batch = batchOf(souringPlan(state));
  const courseMs = (incubation?.course ?? []).map(([h, c]): readonly [number, number] => [
    zero + h * HOUR_MS,
    c,
  ]);
  const gelC =
    Number.isFinite(gelH) && courseMs.length > 0
      ? interpolateLinear(
          incubation!.course.map(([h]) => h),
          incubation!.course.map(([, c]) => c),
          gelH,
        )
      : plan.inoculateC;
  // Picked up already: judge by the pH it had when it went into the cold.
  // Never coming to what is wanted, it is judged by where it ends, not by where it began.
  const horizonMs = zero + (incubation?.horizonH ?? 0) * HOUR_MS;
  const endMs = state.chilledAtMs ?? pickUpMs ?? Math.max(nowMs, horizonMs);
  const endH = (endMs - zero) / HOUR_MS;
  const endPh =
    row.length > 0 && incubation
      ? interpolateLinear(
          Float64Array.from(row, (_, i) => i * incubation.stepH),
          row,
          endH,
        )
      : pickUpPh;
  const phHours = Float64Array.from(row, (_, i) => i * (incubation?.stepH ?? 0.1));
  const from: TailFrom = {
    sigmaMin: walk.inoculation.sigmaMin,
    nowMs,
    denatured: walk.denatured,
    phAt: (ms) =>
      row.length === 0 ? NOTHING_SOURS_PH : interpolateLinear(phHours, row, (ms - zero) / HOUR_MS),
    gelH: Number.isFinite(gelH) ? gelH : null,
    celsius: incubation?.course.findLast(([h]) => h <= endH)?.[1] ?? walk.inoculation.celsius,
  };
  const tail = tailSteps(state, pickUpMs ?? zero + (incubation?.horizonH ?? 24) * HOUR_MS, from);
  return {
    walk,
    incubation,
    from,
    timedMs,
    tail,
    acid,
    point: {
      steps: [...walk.steps, ...tail],
      temperature: [...walk.course.filter(([ms]) => ms <= zero), ...courseMs],
      ph: [...row].map((ph, i): readonly [number, number] => [
        zero + i * (incubation?.stepH ?? 0.1) * HOUR_MS,
        ph,
      ]),
      inoculationMs: zero,
      marks: [
        ...shareMarks(state, walk.steps).map(({ moment }) => moment),
        ...acid.map(({ ph, ...mark }) => ({
          ...mark,
          atMs: mark.role === 'ready' ? notBefore(plan, zero, toMs(hours(ph))) : toMs(hours(ph)),
        })),
      ],
      pickUpPh: endPh,
      sourness: sournessOfPh(endPh),
      firmness: souring?.body({ plan, batch, denatured: walk.denatured, ph: endPh, gelC }) ?? 0,
      denatured: walk.denatured,
      denaturedNow: walk.denaturedNow,
      pasteurisationMinutes: walk.pasteurisationMinutes,
      pasteurisationMinutesNow: walk.pasteurisationMinutesNow,
      ambientC: incubation?.ambientC ?? plan.inoculateC,
    },
  };
}

/** The middle line of a make, planned or under way. @param nowMs the present, ms since 1970 */
export function pointForecast(state: MakeState, nowMs: number): PointForecast {
  return prepare(state, nowMs).point;
}

/**
 * One σ of how long a souring that was not measured yet takes, min: pace, count, temperature, lag and milk together, to first
 * order. 0 where nothing sours or it is ended by the clock.
 */
export function souringSigmaMin(state: MakeState, nowMs: number): number {
  const { incubation, timedMs, acid } = prepare(state, nowMs);
  const ready = acid.find(({ role }) => role === 'ready')?.ph;
  if (!incubation || timedMs !== null || ready === undefined) return 0;
  return (crossingSigmaH(incubation.spec, ready) * HOUR_MS) / MINUTE_MS;
}

/** Widens a band by an uncertain start: half-widths add in quadrature. */
function widen(band: InstantBand, sigmaMin: number): InstantBand {
  const { p10, p50, p90 } = band;
  const extra = Z90 * sigmaMin * MINUTE_MS;
  if (p50 === null) return { p10: p10 === null ? null : p10 - extra, p50, p90 };
  return {
    p10: p10 === null ? null : p50 - Math.hypot(p50 - p10, extra),
    p50,
    p90: p90 === null ? null : p50 + Math.hypot(p90 - p50, extra),
  };
}

/**
 * The whole forecast of a make. A generator, so that a worker may stop between slices.
 * @param seed the hash of the make's id: every tablet then draws the same members
 * @param kept where what was drawn is found again; left out, everything is drawn anew
 */
export function* forecasting(
  state: MakeState,
  nowMs: number,
  seed: number,
  members = ENSEMBLE_MEMBERS,
  kept = new KeptEnsembles(0),
): Generator<number, BandForecast> {
  const { walk, incubation, point, acid, from, timedMs, tail: foreseenTail } = prepare(state, nowMs);
  // Nothing that is not over yet was over before now, however uncertain it is.
  const notOver = (band: InstantBand): InstantBand => ({
    ...band,
    p10: band.p10 === null ? null : Math.max(band.p10, Math.min(nowMs, band.p50 ?? nowMs)),
  });
  const startBand = (s: StepTime): InstantBand =>
    s.status === 'done' || s.status === 'skipped'
      ? { p10: s.endMs, p50: s.endMs, p90: s.endMs }
      : notOver({
          p10: s.endMs - Z90 * s.sigmaMin * MINUTE_MS,
          p50: s.endMs,
          p90: s.endMs + Z90 * s.sigmaMin * MINUTE_MS,
        });
  const early = walk.steps.map((s) => ({ step: s.id, end: startBand(s) }));
  const passing = shareMarks(state, walk.steps).map(
    ({ moment: { atMs, ...mark }, sigmaMin }): ForeseenMark => ({
      ...mark,
      band: atMs === null ? NOWHERE : widen({ p10: atMs, p50: atMs, p90: atMs }, sigmaMin),
    }),
  );
  const souring = souringOf(state);
  if (!incubation || !souring) {
    return {
      point,
      steps: early,
      marks: [...passing, ...acid.map(({ ph: _ph, ...mark }) => ({ ...mark, band: NOWHERE }))],
      band: [],
      neverSets: souring ? 1 : 0,
      contradiction: null,
      ambientC: point.ambientC,
      ambientSigmaC: 0,
      stats: { members: 0, effectiveMembers: 0, rounds: 0, seed },
    };
  }
  const { ensemble, stats, contradiction } = yield* kept.judged(
    { spec: incubation.spec, seed, members },
    acidityReadings(state),
    walk.denatured,
  );
  const zero = point.inoculationMs;
  const toMs = (hour: number): number | null => (Number.isFinite(hour) ? zero + hour * HOUR_MS : null);
  const startSigmaMin = state.inoculatedAtMs === null ? walk.inoculation.sigmaMin : 0;
  const bandOf = (ph: number): InstantBand => {
    const [p10, p50, p90] = quantilesOfCrossing(ensemble, ph, [0.1, 0.5, 0.9]);
    return widen({ p10: toMs(p10!), p50: toMs(p50!), p90: toMs(p90!) }, startSigmaMin);
  };
  const weights = weightsOf(ensemble);
  const body = acid.find((mark) => mark.role === 'body');
  const sets = crossings(ensemble, body?.ph ?? SET_PH);
  const band = phBand(ensemble, 0.2);
  const { plan } = state;
  const foreseen = acid.map(({ ph: markPh, ...mark }): ForeseenMark => {
    const own = bandOf(markPh);
    if (mark.role !== 'ready') return { ...mark, band: own };
    const { p10, p50, p90 } = own;
    return {
      ...mark,
      band: {
        p10: notBefore(plan, zero, p10),
        p50: notBefore(plan, zero, p50),
        p90: notBefore(plan, zero, p90),
      },
    };
  });
  const pickUp =
    timedMs === null
      ? markBand({ marks: foreseen }, 'ready')
      : widen({ p10: timedMs, p50: timedMs, p90: timedMs }, startSigmaMin);
  const pickUpMs = timedMs ?? markMs(point, 'ready');
  const horizonMs = zero + incubation.horizonH * HOUR_MS;
  const tail = (ms: number | null, z = 0): TailStep[] => tailSteps(state, ms ?? horizonMs, { ...from, z });
  const middle = tail(pickUp.p50);
  // What sours again after this has a scatter of its own.
  const again =
    state.steps.filter((s) => s.step.facts.sours).length > 1
      ? { early: tail(pickUp.p10, -Z90), late: tail(pickUp.p90, Z90) }
      : null;
  const later = foreseenTail.map((s, i) => {
    if (s.status === 'done' || s.status === 'skipped') return { step: s.id, end: startBand(s) };
    if (state.chilledAtMs !== null) return { step: s.id, end: startBand({ ...s, sigmaMin: s.ownSigmaMin }) };
    if (again)
      return {
        step: s.id,
        end: { p10: again.early[i]!.endMs, p50: middle[i]!.endMs, p90: again.late[i]!.endMs },
      };
    // Everything after the pick-up moves with it; what is overdue is picked up now.
    const shift = s.endMs - Math.max(pickUpMs ?? s.endMs, nowMs);
    const move = (ms: number | null): number | null => (ms === null ? null : Math.max(ms, nowMs) + shift);
    return {
      step: s.id,
      end: notOver(
        widen({ p10: move(pickUp.p10), p50: move(pickUp.p50), p90: move(pickUp.p90) }, s.ownSigmaMin),
      ),
    };
  });
  // The middle line of the answer is the middle of the band: readings have moved it from the book's.
  const ph = band.map((b): readonly [number, number] => [zero + b.hour * HOUR_MS, b.p50]);
  return {
    point: {
      ...point,
      ph,
      marks: [
        ...point.marks.slice(0, passing.length),
        ...foreseen.map(({ band: { p50 }, ...mark }) => ({ ...mark, atMs: p50 })),
      ],
      steps: [...walk.steps, ...middle],
    },
    steps: [...early, ...later],
    marks: [...passing, ...foreseen],
    band,
    neverSets: body ? sets.reduce((sum, h, i) => sum + (Number.isFinite(h) ? 0 : weights[i]!), 0) : 0,
    contradiction,
    ambientC: incubation.ambientC,
    ambientSigmaC: incubation.ambientSigmaC,
    stats: { members, effectiveMembers: stats.effectiveMembers, rounds: stats.rounds, seed },
  };
}

/** `forecasting` run to its end. */
export function bandForecast(
  state: MakeState,
  nowMs: number,
  seed: number,
  members = ENSEMBLE_MEMBERS,
): BandForecast {
  const work = forecasting(state, nowMs, seed, members);
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}
