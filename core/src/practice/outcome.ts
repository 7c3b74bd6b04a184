import type { MakePlan } from '../contract/index.ts';
import { SAFE_PH, safetyLimit, warmSpell } from '../science/souring/index.ts';
import { drainedBy } from '../science/curd/index.ts';
import { makeFlow, souringOf, type MakeState } from '../make/index.ts';
import { productOf } from '../products/index.ts';
import { heatTargetC, panStep, thicknessOf, workOf, type Work } from '../steps/index.ts';
import { batchOf, isHeated, souringKindOf } from '../setup/index.ts';
import { gheeYieldKg, likelyBalance } from '../science/butter/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import { butterOf } from './works.ts';
import { momentAt, type Moment, type PracticeWalk } from './walk.ts';
import type { PracticeWorld } from './world.ts';

/** What truly came of a practice up to an instant; `null` where it does not apply, or was not reached. */
export interface Outcome {
  /** The step a lesson ends with is done. */
  readonly ended: boolean;
  readonly minutes: number;
  readonly energyKwh: number;
  /** Milk: how long it was as hot as planned, min; what its heat unfolded; caught and lost of it, 0..1. */
  readonly heldMin: number | null;
  readonly denatured: number;
  readonly scorched: number;
  readonly spilt: number;
  /** How warm it was when the starter went in, °C. */
  readonly starterC: number | null;
  /** Acid at its end; how firm or thick, 0..100; hours from the starter to pH 5.3, and how long it might have stood warm. */
  readonly ph: number | null;
  readonly body: number | null;
  /** Milk: how firm it sets when all that follows goes as usual, 0..100; milk powder in it, kg. */
  readonly firm: number | null;
  readonly powderKg: number;
  readonly safeH: number | null;
  /** It was acid before its safety clock ran out. */
  readonly safe: boolean | null;
  /** Churning: minutes, how warm at the break, minutes churned on, fat left in the buttermilk, butter. */
  readonly churnMin: number | null;
  readonly breakC: number | null;
  readonly overMin: number | null;
  readonly fatLeft: number | null;
  readonly butterKg: number | null;
  /** Buttermilk left in the butter, washes and salt, shares. */
  readonly serum: number | null;
  readonly rinses: number;
  readonly salt: number | null;
  /** Ghee: water left of what there was, how far it browned (1 as wanted), ghee. */
  readonly waterLeft: number | null;
  readonly browned: number | null;
  readonly gheeKg: number | null;
  /** Curd: its protein or fat over what was wanted, and its weight; how ripe for cutting (1 breaks clean). */
  readonly thick: number | null;
  readonly curdKg: number | null;
  readonly cutAt: number | null;
}

/** What milk is judged at that has not soured yet: the pH it is usually taken up at, and how warm it sets, °C. */
const USUAL_PH = 4.5;
const USUAL_GEL_C = 42;

/**
 * How firm milk sets by its protein and by what its heat unfolded, 0..100, when all that follows goes as usual; `null` where
 * nothing sours.
 * @param plan with the powder that is in it @param denatured share of its whey protein that is unfolded, 0..1
 */
export function firmnessAhead(state: MakeState, plan: MakePlan, denatured: number): number | null {
  const body = souringOf(state)?.body;
  return body ? body({ plan, batch: batchOf(plan), denatured, ph: USUAL_PH, gelC: USUAL_GEL_C }) : null;
}

/** So near to the temperature wanted counts as there, K. */
const NEAR_C = 1;

function heldMinutes(world: PracticeWorld, moments: readonly Moment[]): number | null {
  const { plan } = world;
  if (plan.heat.kind === 'none') return null;
  const wantedC = heatTargetC(plan) - NEAR_C;
  let ms = 0;
  for (let i = 1; i < moments.length; i++)
    if (moments[i]!.work === 'stove' && moments[i]!.celsius >= wantedC)
      ms += moments[i]!.atMs - moments[i - 1]!.atMs;
  return ms / MINUTE_MS;
}

/**
 * What came of a practice by an instant.
 * @param ends the step it ends with; left out, its last
 */
export function outcomeOf(world: PracticeWorld, walk: PracticeWalk, untilMs: number, ends?: string): Outcome {
  const { plan } = world;
  const { state } = walk;
  const last = state.steps.find(({ step }) => step.id === ends) ?? state.steps.at(-1)!;
  const ended = last.endedAtMs !== null && last.endedAtMs <= untilMs;
  const endMs = ended ? last.endedAtMs : untilMs;
  const moments = walk.moments.filter(({ atMs }) => atMs <= endMs);
  const now = momentAt(walk, endMs);
  const stepOf = (work: Work) => state.steps.find(({ step }) => workOf(step.kind) === work);
  const endOf = (work: Work): Moment | null => {
    const step = stepOf(work);
    return step?.endedAtMs != null && step.endedAtMs <= endMs ? momentAt(walk, step.endedAtMs) : null;
  };
  const { goods } = productOf(plan);
  const { massKg, composition } = batchOf(plan);

  const zeroMs = state.inoculatedAtMs !== null && state.inoculatedAtMs <= endMs ? state.inoculatedAtMs : null;
  const acid =
    zeroMs === null
      ? undefined
      : moments.find(({ ph, atMs }) => atMs >= zeroMs && ph !== null && ph <= SAFE_PH);
  const course = moments.map(({ atMs, celsius }): readonly [number, number] => [
    (atMs - world.startMs) / HOUR_MS,
    celsius,
  ]);
  let safe: boolean | null = null;
  if (zeroMs !== null) {
    const until = acid?.atMs ?? endMs;
    const spell = warmSpell(course, (until - world.startMs) / HOUR_MS);
    const { limitH } = safetyLimit(souringKindOf(plan), spell.warmH > 0 ? spell.meanC : plan.inoculateC);
    safe = acid !== undefined && limitH !== null && spell.warmH < limitH;
  }
  const souring = souringOf(state);
  const soured = endOf('place') ?? (zeroMs === null ? null : now);
  const body =
    souring && soured && soured.ph !== null
      ? souring.body({
          plan,
          batch: batchOf(plan),
          denatured: now.denatured,
          ph: soured.ph,
          gelC: momentAt(walk, acid?.atMs ?? endMs).celsius,
        })
      : null;

  const churn = stepOf('churn');
  const churned = endOf('churn') ?? (churn?.status === 'current' ? now : null);
  const butter =
    churn && churned ? butterOf(world, churned, { instance: churn.step.instance, goods }, endMs) : null;

  const pan = stepOf('pan');
  const panned = pan ? now : null;
  const clarified = pan ? panStep({ step: pan.step.instance }) : null;

  const cloth = stepOf('cloth');
  let thick: number | null = null;
  let curdKg: number | null = null;
  if (cloth && now.clothH > 0) {
    const into = makeFlow(state, now.denatured).into.get(cloth.step.id)!;
    const drained = drainedBy({ ...into, heated: now.denatured > 0.3, tauAt6CH: 1, celsius: 6 }, now.wheyKg);
    const wanted = thicknessOf({ step: cloth.step.instance, goods });
    thick = (wanted.of === 'protein' ? drained.proteinFraction : drained.fatFraction) / wanted.fraction;
    curdKg = drained.curdKg;
  }
  return {
    ended,
    minutes: (endMs - world.startMs) / MINUTE_MS,
    energyKwh: now.energyKwh,
    heldMin: heldMinutes(world, moments),
    denatured: now.denatured,
    scorched: now.scorched,
    spilt: now.spiltKg / massKg,
    starterC: zeroMs === null ? null : momentAt(walk, zeroMs).celsius,
    ph: soured?.ph ?? null,
    body,
    firm: isHeated(plan) ? firmnessAhead(state, state.plan, now.denatured) : null,
    powderKg: state.plan.milk.powder?.massKg ?? 0,
    safeH: acid && zeroMs !== null ? (acid.atMs - zeroMs) / HOUR_MS : null,
    safe,
    churnMin:
      churn?.startedAtMs != null && churned
        ? (churned.atMs - churn.startedAtMs) / MINUTE_MS - churned.overMin
        : null,
    breakC: churned?.breakC ?? null,
    overMin: churned && churned.breakC !== null ? churned.overMin : null,
    fatLeft: butter?.buttermilkFatFraction ?? null,
    butterKg: butter?.butterKg ?? null,
    serum: stepOf('bowl') ? now.serum : null,
    rinses: now.rinses,
    salt: now.saltKg > 0 ? now.saltKg / likelyBalance(massKg, composition.fatFraction).butterKg : null,
    waterLeft: panned ? 1 - panned.dried : null,
    browned: panned ? panned.climbed : null,
    gheeKg: clarified
      ? gheeYieldKg(
          { butterKg: massKg - now.foamedKg, fatFraction: composition.fatFraction },
          clarified.school === 'skim',
        )
      : null,
    thick,
    curdKg,
    cutAt: stepOf('set') ? (endOf('set')?.set ?? now.set) : null,
  };
}
