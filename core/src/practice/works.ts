import type { StepInstance } from '../contract/index.ts';
import {
  butterBalance,
  gheeForecast,
  leftBehind,
  minutesAtStart,
  roomPull,
  wateredC,
  warmsAt,
  HAND_WORKED_FAT,
  type Churning,
} from '../science/butter/index.ts';
import { denaturedByDose, FLAME_SHARE } from '../science/heat/index.ts';
import { drainedAfter, minutesToCleanBreak, mostWheyFraction } from '../science/curd/index.ts';
import { batchOf } from '../setup/index.ts';
import {
  creamIn,
  drainingOf,
  NOTHING_SEEN,
  panStep,
  rennetOf,
  type Curd,
  type Goods,
} from '../steps/index.ts';
import { burns, roomC, type Crock } from './crock.ts';
import type { PracticeWorld } from './world.ts';

/** A step as its work asks for it. */
export interface WorkStep {
  readonly instance: StepInstance;
  readonly goods: Goods;
}

/** The cream of a world as it truly is, at a heat. */
function trueCream(world: PracticeWorld, step: WorkStep, celsius: number, atMs: number): Churning {
  const { plan, truth } = world;
  const cream = creamIn(plan, { step: step.instance }, celsius, atMs);
  return {
    ...cream,
    fatFraction: cream.fatFraction * truth.fat,
    roomC: roomC(world, atMs),
    own: { slower: truth.churn, lnSigma: 0 },
  };
}

/** By the rougher model the minutes fall in a straight line with the heat, by so much a kelvin, from this heat on. */
const ROUGH_FROM_C = 13;
const ROUGH_PER_K = 0.12;
const ROUGH_LEAST = 0.15;

function minutesToBreak(world: PracticeWorld, cream: Churning): number {
  if (!world.truth.rough) return minutesAtStart(cream);
  const from = minutesAtStart({ ...cream, startC: ROUGH_FROM_C });
  const warmer = cream.startC - ROUGH_FROM_C;
  return from * Math.max(ROUGH_LEAST, warmer > 0 ? 1 - ROUGH_PER_K * warmer : 1 - 2 * ROUGH_PER_K * warmer);
}

/** Cream in the churn: it warms by the work and the room, and comes nearer to its break; after that it is churned too far. */
export function churns(
  world: PracticeWorld,
  crock: Crock,
  step: WorkStep,
  atMs: number,
  dtS: number,
  bathed: () => void,
): void {
  const dtMin = dtS / 60;
  const cream = trueCream(world, step, crock.celsius, atMs);
  if (crock.bath !== 'none') bathed();
  if (!crock.churning) {
    if (crock.bath === 'none') crock.celsius += roomPull(cream, crock.celsius) * dtMin;
    return;
  }
  crock.celsius += warmsAt(cream, crock.celsius) * dtMin;
  if (crock.breakC !== null) {
    crock.overMin += dtMin;
    return;
  }
  crock.churned += dtMin / minutesToBreak(world, { ...cream, litres: cream.litres + crock.waterKg });
  if (crock.churned >= 1) crock.breakC = crock.celsius;
}

/** Water poured into the churn. */
export function pourWater(
  { plan }: PracticeWorld,
  crock: Crock,
  water: { readonly massKg: number; readonly celsius: number },
): void {
  const { massKg, composition } = batchOf(plan);
  crock.celsius = wateredC({
    creamKg: massKg + crock.waterKg,
    composition,
    creamC: crock.celsius,
    waterKg: water.massKg,
    waterC: water.celsius,
  });
  crock.waterKg += water.massKg;
}

/** Each minute churned on after the break works so much buttermilk into the butter, share of what it carries. */
const TRAPS_PER_MIN = 0.12;

/** Butter of a world's cream, if it was taken out as it stands; fat that stayed behind. `null` before it broke. */
export function butterOf(
  world: PracticeWorld,
  crock: Pick<Crock, 'breakC' | 'overMin'>,
  step: WorkStep,
  atMs: number,
): { readonly butterKg: number; readonly buttermilkFatFraction: number; readonly trapped: number } | null {
  const { breakC } = crock;
  if (breakC === null) return null;
  const cream = trueCream(world, step, breakC, atMs);
  const { massKg } = batchOf(world.plan);
  const buttermilkFatFraction = leftBehind(cream, breakC);
  const { butterKg } = butterBalance({
    creamKg: massKg,
    creamFatFraction: cream.fatFraction,
    buttermilkFatFraction,
    butterFatFraction: HAND_WORKED_FAT,
  });
  return { butterKg, buttermilkFatFraction, trapped: Math.min(1, TRAPS_PER_MIN * crock.overMin) };
}

/** The pan gives on what its ground holds, s. */
const PAN_LAG_S = 45;
/** Below this share of the burner it cools, towards the room so slowly, s. */
const LEAST_FIRE = 0.05;
const PAN_COOLS_S = 1500;
/** Foam of the first water rises over on full: share of the fat in a minute [judgement]. */
const FOAMS_OVER_PER_MIN = 0.015;
const FOAM_UNTIL = 0.6;

/** Butter of a world in its pan over some share of the fire. */
function panOn({ plan, truth }: PracticeWorld, step: StepInstance, share: number) {
  const own = panStep({ step });
  const { composition, massKg } = batchOf(plan);
  const moistureFraction = Math.min(0.4, own.moistureFraction * truth.moisture);
  return gheeForecast({
    butterKg: massKg,
    moistureFraction,
    fatFraction: Math.min(composition.fatFraction, 0.99 - moistureFraction),
    startC: plan.milk.startC,
    burnerKw: 2 * plan.burner.powerKw * plan.burner.efficiency * truth.burner,
    flameFraction: share,
    doneC: own.doneC,
    altitudeM: plan.altitudeM,
  });
}

/** Butter on the fire: it melts, boils off its water, climbs and browns, and goes on for a little when the fire is out. */
export function clarifies(
  world: PracticeWorld,
  crock: Crock,
  step: StepInstance,
  atMs: number,
  dtS: number,
): void {
  const wanted = crock.flame === 'off' ? 0 : FLAME_SHARE[crock.flame];
  const before = crock.burning;
  burns(world, crock, dtS);
  crock.burning = wanted + (before - wanted) * Math.exp(-dtS / PAN_LAG_S);
  const share = crock.burning;
  if (share < LEAST_FIRE) {
    crock.celsius += (roomC(world, atMs) - crock.celsius) * (1 - Math.exp(-dtS / PAN_COOLS_S));
    return;
  }
  const pan = panOn(world, step, share);
  const dtMin = dtS / 60;
  const { startC } = world.plan.milk;
  if (crock.toBoil < 1) {
    crock.toBoil = Math.min(1, crock.toBoil + dtMin / pan.toBoilMin);
    crock.celsius = startC + (pan.boilC - startC) * crock.toBoil;
  } else if (crock.dried < 1) {
    crock.dried = Math.min(1, crock.dried + dtMin / (pan.toDryMin - pan.toBoilMin));
    crock.celsius = pan.boilC;
    if (share > 0.8 && crock.dried < FOAM_UNTIL)
      crock.foamedKg += (FOAMS_OVER_PER_MIN * batchOf(world.plan).massKg * dtS) / 60;
  } else {
    crock.climbed += dtMin / (pan.minutes - pan.toDryMin);
    crock.celsius = pan.boilC + crock.climbed * (panStep({ step }).doneC - pan.boilC);
  }
}

/** Curd in its cloth. */
export function drains(
  world: PracticeWorld,
  crock: Crock,
  step: WorkStep,
  curd: Curd,
  startMs: number,
  dtS: number,
): void {
  crock.clothH += dtS / 3600;
  const denatured = denaturedByDose(crock.heatDose);
  const { draining } = drainingOf(
    world.plan,
    { step: step.instance, goods: step.goods },
    { curd, denatured, startMs, seen: NOTHING_SEEN },
  );
  const own = { ...draining, tauAt6CH: draining.tauAt6CH * world.truth.cloth };
  crock.wheyKg = world.truth.rough
    ? curd.massKg * mostWheyFraction(own) * (1 - Math.exp(-crock.clothH / (own.tauAt6CH * 0.8)))
    : drainedAfter(own, crock.clothH).wheyKg;
}

/** Milk that has ripened for a little when its rennet goes in. */
const RENNETED_PH = 6.5;

/** Renneted milk comes nearer to a clean break. */
export function sets(world: PracticeWorld, crock: Crock, dtS: number): void {
  const rennet = rennetOf(world.plan);
  if (!rennet) return;
  crock.set +=
    dtS /
    60 /
    minutesToCleanBreak({
      imcuPerLitre: rennet.imcuPerLitre * world.truth.rennet,
      celsius: Math.max(4, crock.celsius),
      ph: RENNETED_PH,
      denaturedFraction: denaturedByDose(crock.heatDose),
    });
}
