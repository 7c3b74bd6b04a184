import {
  BETWEEN_LOADS_MIN,
  brokeAfter,
  churnAlong,
  creamSourness,
  loadsFor,
  RIPENED_PH,
  wateredC,
  type ChurnAlong,
  type Churning,
  type ChurnWay,
} from '../../science/butter/index.ts';
import { thicknessIndex } from '../../science/souring/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import type { MakePlan } from '../../contract/index.ts';
import { batchOf, roomAtC } from '../../setup/index.ts';
import type { LegRun } from '../leg.ts';
import type { StepOf } from '../step-of.ts';
import { paramsOf } from '../step-type.ts';
import { THICKENS_H } from '../thicken.ts';
import { CHURN_TOLD } from './churn-told.ts';

/** From this thickness on a spoon of ripened cream stands, 0..100. */
const DOLLOP = 50;
/** Cream this cold has been aged: its fat is firm, °C. */
const AGED_BELOW_C = 8;
const own = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'churn');

/** In how many loads it is churned, and what one of them holds. */
function oneLoad(plan: MakePlan, of: Pick<StepOf, 'step'>) {
  const { litres, massKg, composition } = batchOf(plan);
  const loads = own(of).loads ?? 1;
  return { loads, litres: litres / loads, massKg: massKg / loads, composition };
}

/** One load of a plan's cream as it goes into the churn at a heat. */
export function creamIn(plan: MakePlan, of: Pick<StepOf, 'step'>, startC: number, atMs: number): Churning {
  const { churn, speed, setting, litres: holds } = own(of);
  const { litres, composition } = oneLoad(plan, of);
  const { ph, soured, treatment, homogenised } = plan.milk;
  const learned = plan.factors?.churn;
  return {
    churn,
    speed,
    ...(setting ? { setting } : {}),
    startC,
    fatFraction: composition.fatFraction,
    fillFraction: litres / holds,
    litres,
    roomC: roomAtC(plan, atMs),
    ripened: ph === undefined ? soured === true : ph <= RIPENED_PH,
    // How thick it stands is told of cream whose acidity is known.
    ...(ph === undefined
      ? {}
      : {
          sourness: creamSourness({ ph }),
          thick:
            plan.milk.wholeCurd !== true &&
            thicknessIndex({
              fatFraction: composition.fatFraction,
              ph,
              coldH: THICKENS_H,
              treatment,
              homogenised: homogenised === true,
            }) >= DOLLOP,
        }),
    wholeCurd: plan.milk.wholeCurd === true,
    treatment,
    agedCold: plan.milk.startC <= AGED_BELOW_C,
    feed: plan.milk.feed,
    ...(learned ? { own: { slower: Math.exp(learned.value), lnSigma: learned.sigma } } : {}),
  };
}

/** A plan with as many loads as fill its churn to half at the most, where nobody chose how many. */
export const withLoads = (plan: MakePlan): MakePlan =>
  plan.method.steps.some((step) => step.kind === 'churn' && step.loads === undefined)
    ? {
        ...plan,
        method: {
          ...plan.method,
          steps: plan.method.steps.map((step) =>
            step.kind === 'churn' && step.loads === undefined
              ? { ...step, loads: loadsFor(batchOf(plan).litres, step.litres) }
              : step,
          ),
        },
      }
    : plan;

/** Another amount of cream makes other loads, whatever was chosen before. */
export const withLoadsAnew = (plan: MakePlan): MakePlan =>
  withLoads({
    ...plan,
    method: {
      ...plan.method,
      steps: plan.method.steps.map((step) => {
        if (step.kind !== 'churn') return step;
        const { loads: _loads, ...rest } = step;
        return rest;
      }),
    },
  });

/** A plan of which a share was parted off, with the loads that are left of its churning. */
export const withLoadsLeft = (plan: MakePlan, keeps: number): MakePlan => ({
  ...plan,
  method: {
    ...plan.method,
    steps: plan.method.steps.map((step) =>
      step.kind === 'churn' && step.loads !== undefined
        ? { ...step, loads: Math.max(1, Math.round(step.loads * keeps)) }
        : step,
    ),
  },
});

/** A churn and its speed, as what is learned of it is called; empty for a plan that churns nothing. @example churnName(plan) // 'medium Barrel churn' */
export const churnName = ({ method }: MakePlan): string => {
  const step = method.steps.find((s) => s.kind === 'churn');
  if (!step) return '';
  const at = step.setting ? `${step.setting.at}/${step.setting.of}` : step.speed;
  return `${at} ${step.name}`.slice(0, 40);
};

/** One load as it was, is or will be churned. */
export interface LoadRun {
  /** The first is 1. */
  readonly no: number;
  readonly begun: boolean;
  /** Minutes since churning began: when it goes in, and when it breaks. */
  readonly startMin: number;
  readonly endMin: number;
  /** It was seen to break, or the next one went in. */
  readonly broke: boolean;
  readonly churning: Churning;
  /** Minutes since this load went in. */
  readonly way: ChurnWay;
  readonly along: ChurnAlong;
}

/** A reading so long before a load goes in still says how warm it does, and so soon after it, minutes. */
const BEFORE_MIN = 15;
const AFTER_MIN = 2;

/** What happened from when to when, in minutes since then. What happened as a load went in is the one's before it. */
const within = <T extends { readonly minutes: number }>(items: readonly T[], from: number, to: number): T[] =>
  items
    .filter(({ minutes }) => (minutes > from || from === 0) && minutes <= to)
    .map((item) => ({ ...item, minutes: item.minutes - from }));

/** Where the cream waits, it is tempered anew for each load. */
function temperedC({ plan, startC }: LegRun): number {
  const temper = plan.method.steps.find((s) => s.kind === 'temper');
  return temper?.toC ?? startC;
}

/**
 * The loads of a churning, one after another: those that were churned as they were, the present one along what was read and
 * seen of it, coming ones by the book, with hands between them.
 * @example loadRuns(run).map(({ no, endMin }) => [no, endMin]) // [[1, 21], [2, 46], [3, 71]]
 */
export function loadRuns(run: LegRun): LoadRun[] {
  const { plan, of, readings, startMs } = run;
  const told = run.told(CHURN_TOLD);
  const minutesOf = (atMs: number): number => (atMs - startMs) / MINUTE_MS;
  const loadsMin = told.loadsAtMs.map(minutesOf);
  const stages = told.stages.map(({ stage, atMs }) => ({ stage, minutes: minutesOf(atMs) }));
  const poured = told.poured.map(({ atMs, ...water }) => ({ ...water, minutes: minutesOf(atMs) }));
  const { loads, massKg, composition } = oneLoad(plan, of);
  const nowMin = (run.nowMs - startMs) / MINUTE_MS;
  const runs: LoadRun[] = [];
  for (let no = 1; no <= Math.max(loads, loadsMin.length + 1); no++) {
    const before = runs.at(-1);
    const began = no === 1 ? 0 : (loadsMin[no - 2] ?? null);
    const startMin = began ?? Math.max(before!.endMin + BETWEEN_LOADS_MIN, before!.broke ? nowMin : 0);
    const toMin = loadsMin[no - 1] ?? Infinity;
    const read = readings.findLast(
      (r) =>
        r.minutes <= startMin + AFTER_MIN &&
        r.minutes >= (before ? Math.max(before.endMin, startMin - BEFORE_MIN) : 0),
    );
    const churning = creamIn(
      plan,
      of,
      began === null ? temperedC(run) : (read?.temperatureC ?? (no === 1 ? run.startC : temperedC(run))),
      startMs + startMin * MINUTE_MS,
    );
    const seen = began === null ? [] : within(stages, startMin, toMin);
    const broken = brokeAfter(seen);
    // Once it broke, it is churned no more: what is read or poured after that says nothing of it.
    const overMin = broken === null ? toMin : startMin + broken;
    const way: ChurnWay =
      began === null
        ? { heats: [], seen }
        : {
            heats: within(readings, startMin, overMin)
              .filter((r) => r.minutes > AFTER_MIN)
              .map((r) => ({ minutes: r.minutes, celsius: r.temperatureC })),
            seen,
            jumps: within(poured, startMin, overMin).map((water) => ({
              minutes: water.minutes,
              litres: water.massKg,
              to: (creamC) =>
                wateredC({
                  creamKg: massKg,
                  composition,
                  creamC,
                  waterKg: water.massKg,
                  waterC: water.celsius,
                }),
            })),
            rests: told.rests
              .map(({ fromMs, toMs }) => ({
                fromMin: minutesOf(fromMs),
                toMin: toMs === null ? null : minutesOf(toMs),
              }))
              .filter(({ fromMin }) => fromMin >= startMin && fromMin <= overMin)
              .map(({ fromMin, toMin: until }) => ({
                fromMin: fromMin - startMin,
                toMin: until === null ? null : until - startMin,
              })),
          };
    const along = churnAlong(churning, way, began === null ? 0 : Math.min(nowMin, toMin) - startMin);
    const broke = broken !== null || toMin < Infinity;
    runs.push({
      no,
      begun: began !== null,
      startMin,
      endMin: broken !== null || !broke ? startMin + along.minutes : toMin,
      broke,
      churning,
      way,
      along,
    });
  }
  return runs;
}
