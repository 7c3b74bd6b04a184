import {
  widthMOf,
  type MakePlan,
  type PracticeBath,
  type PracticeFlame,
  type PracticePlace,
  type StepInstance,
} from '../contract/index.ts';
import {
  balanceOf,
  boilingPointC,
  denaturationRatePerS,
  FLAME_SHARE,
  FRIDGE_C,
  PLACE_FACTS,
  placeAmbientC,
  placeTauH,
  potOfMilk,
} from '../science/heat/index.ts';
import { warmCulture } from '../science/souring/index.ts';
import { batchOf, burnerLagS, roomAtC } from '../setup/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { tempersCold } from '../steps/index.ts';
import type { PracticeWorld } from './world.ts';

/** What is in the vessel and how hands left it, at an instant; the walk moves it on. */
export interface Crock {
  celsius: number;
  /** Boiled or steamed off, and run over the rim, kg. */
  evaporatedKg: number;
  spiltKg: number;
  /** Whey protein unfolded: the integral of its rate. */
  heatDose: number;
  /** Seconds since it was stirred; a skin on top and what caught on the bottom, 0..1. */
  unstirredS: number;
  skin: number;
  scorched: number;
  flame: PracticeFlame;
  /** What the burner gives by now, share of its power: a plate follows slowly. */
  burning: number;
  lidded: boolean;
  bath: PracticeBath;
  bathC: number;
  bathIceKg: number;
  place: PracticePlace;
  placedMs: number;
  energyKwh: number;
  /** Work of the churn in shares of what it takes to break; minutes churned after that; how warm it was then. */
  churned: number;
  overMin: number;
  breakC: number | null;
  churning: boolean;
  waterKg: number;
  /** Buttermilk left in the butter, share of what it carried. */
  serum: number;
  rinses: number;
  saltKg: number;
  /** The pan of ghee: to the boil, its water, the climb after that; each 0..1, the climb may go on. */
  toBoil: number;
  dried: number;
  climbed: number;
  foamedKg: number;
  /** Hours in the cloth, and whey that ran off, kg. */
  clothH: number;
  wheyKg: number;
  /** Share of the time to a clean break. */
  set: number;
}

/** The water of a bath by what stands in it, and its ice, kg per kg. */
const BATH_WATER = 3;
const BATH_ICE = 0.6;
const COLD_WATER_C = 10;
const BATH_W_PER_M2_K = 200;
const WATER_J_PER_KG_K = 4180;
const ICE_J_PER_KG = 334_000;
/** A warm bath is kept warm: for a yogurt culture, for one of room temperature, for cream to be churned, °C. */
const WARM_WATER_C = { warm: 45, cool: 28, cream: 18 } as const;
/** A cupboard over the stove stands so much above the room, K, and is followed as the room is [judgement]. */
const CUPBOARD_ABOVE_C = 8;
const COUNTER_TAU_H = PLACE_FACTS.room.tauH;
const FRIDGE_TAU_H = 2;

/** Unstirred for so long, what lies on the bottom begins to catch, s [judgement]. */
const CATCHES_AFTER_S = 240;
const CATCHES_ABOVE_C = 65;
/** Share that catches in a minute on full. */
const CATCHES_PER_MIN = 0.05;
/** A skin of unstirred milk: from how warm, and how long it takes, s. */
const SKIN_ABOVE_C = 55;
const SKIN_S = 600;
/** On the boil with more than so much left over, it rises over the rim: share of it in a minute [judgement]. */
const RISES_W_PER_KG = 60;
const RISES_PER_MIN = 0.12;

const MOST_GONE = 0.97;

/** A practice as it stands before its first hand. */
export function crockOf({ plan, startMs, begins }: PracticeWorld): Crock {
  const { denatured = 0 } = begins;
  return {
    celsius: begins.celsius ?? plan.milk.startC,
    evaporatedKg: 0,
    spiltKg: 0,
    heatDose: 2 * ((1 - denatured) ** -0.5 - 1),
    unstirredS: 0,
    skin: 0,
    scorched: 0,
    flame: 'off',
    burning: 0,
    lidded: false,
    bath: 'none',
    bathC: 0,
    bathIceKg: 0,
    place: 'planned',
    placedMs: startMs,
    energyKwh: 0,
    churned: 0,
    overMin: 0,
    breakC: null,
    churning: true,
    waterKg: 0,
    serum: 1,
    rinses: 0,
    saltKg: 0,
    toBoil: 0,
    dried: 0,
    climbed: 0,
    foamedKg: 0,
    clothH: 0,
    wheyKg: 0,
    set: 0,
  };
}

export const roomC = ({ plan, truth }: PracticeWorld, atMs: number): number =>
  roomAtC(plan, atMs) + truth.roomOffC;

/** How much is in the vessel now, L. */
const litresNow = (plan: MakePlan, crock: Crock): number => {
  const { litres, massKg } = batchOf(plan);
  return Math.max(0.05, litres * (1 - (crock.evaporatedKg + crock.spiltKg) / massKg));
};

const warmWaterC = ({ starter }: MakePlan): number =>
  starter.kind === 'none' ? WARM_WATER_C.cream : WARM_WATER_C[warmCulture(starter.kind) ? 'warm' : 'cool'];

/** Fresh water for a bath. */
export function fillBath(world: PracticeWorld, crock: Crock, bath: PracticeBath): void {
  crock.bath = bath;
  crock.bathC = bath === 'warm' ? warmWaterC(world.plan) : bath === 'cold' ? COLD_WATER_C : 0;
  crock.bathIceKg = bath === 'iced' ? BATH_ICE * batchOf(world.plan).massKg : 0;
}

/** What stands in water takes its heat; cold water warms meanwhile, ice melts first, warm water is topped up. */
function inBath(world: PracticeWorld, crock: Crock, dtS: number): void {
  const { composition } = batchOf(world.plan);
  const pot = potOfMilk(composition, litresNow(world.plan, crock), widthMOf(world.plan.pot));
  const heatJ = BATH_W_PER_M2_K * pot.sideM2 * (crock.celsius - crock.bathC) * dtS;
  crock.celsius -= heatJ / pot.heatJPerK(crock.celsius);
  if (crock.bath === 'warm') return;
  const melted = Math.min(crock.bathIceKg, Math.max(0, heatJ / ICE_J_PER_KG));
  crock.bathIceKg -= melted;
  const waterKg = BATH_WATER * batchOf(world.plan).massKg;
  crock.bathC += Math.max(0, heatJ - melted * ICE_J_PER_KG) / (waterKg * WATER_J_PER_KG_K);
}

/** It goes towards the heat of where it stands. */
function towards(crock: Crock, ambientC: number, tauH: number, dtS: number): void {
  crock.celsius += (ambientC - crock.celsius) * (1 - Math.exp(-dtS / 3600 / tauH));
}

/** Where it stands, unless it stands in water. */
export function stands(world: PracticeWorld, crock: Crock, atMs: number, dtS: number): void {
  if (crock.bath !== 'none') {
    inBath(world, crock, dtS);
    return;
  }
  const { plan, truth } = world;
  const litres = litresNow(plan, crock);
  const size = Math.cbrt(litres / 2);
  const airC = roomC(world, atMs);
  switch (crock.place) {
    case 'planned': {
      const { place } = plan;
      const hour = (atMs - crock.placedMs) / HOUR_MS;
      towards(crock, placeAmbientC(place, airC, hour) + truth.placeOffC, placeTauH(place, litres), dtS);
      return;
    }
    case 'counter':
      towards(crock, airC, COUNTER_TAU_H * size, dtS);
      return;
    case 'fridge':
      towards(crock, FRIDGE_C, FRIDGE_TAU_H * size, dtS);
      return;
    case 'cupboard':
      towards(crock, airC + CUPBOARD_ABOVE_C, COUNTER_TAU_H * size, dtS);
      return;
    case 'lamp-oven': {
      const { tauH, aboveRoomC } = PLACE_FACTS['oven-lamp'];
      towards(crock, airC + aboveRoomC, tauH * size, dtS);
    }
  }
}

/** Cream in its covered jar where its method has it stand, or where somebody put it. */
export function tempers(
  world: PracticeWorld,
  crock: Crock,
  step: StepInstance,
  atMs: number,
  dtS: number,
): void {
  const { plan, truth } = world;
  if (crock.bath !== 'none' || !['planned', 'counter', 'fridge'].includes(crock.place)) {
    stands(world, crock, atMs, dtS);
    return;
  }
  const cold = crock.place === 'fridge' || (crock.place === 'planned' && tempersCold({ step }));
  const { rate } = balanceOf({
    composition: batchOf(plan).composition,
    litres: litresNow(plan, crock),
    widthM: widthMOf(plan.pot),
    startC: crock.celsius,
    airC: cold ? FRIDGE_C : roomC(world, atMs),
    lidded: true,
    lossFactor: plan.pot.lossFactor * truth.loss,
  })(crock.celsius, 0);
  crock.celsius += rate * dtS;
}

/** In the fridge, wherever it stood before. */
export const chills = (world: PracticeWorld, crock: Crock, dtS: number): void =>
  towards(crock, FRIDGE_C, FRIDGE_TAU_H * Math.cbrt(litresNow(world.plan, crock) / 2), dtS);

/** In its vessel in the room, covered. */
export const waits = (world: PracticeWorld, crock: Crock, atMs: number, dtS: number): void =>
  towards(crock, roomC(world, atMs), COUNTER_TAU_H * Math.cbrt(litresNow(world.plan, crock) / 2), dtS);

/** What the burner gives follows its switch. @returns share of its power */
export function burns(world: PracticeWorld, crock: Crock, dtS: number): number {
  const wanted = crock.flame === 'off' ? 0 : FLAME_SHARE[crock.flame];
  const lagS = burnerLagS(world.plan);
  crock.burning = lagS === 0 ? wanted : wanted + (crock.burning - wanted) * Math.exp(-dtS / lagS);
  crock.energyKwh += (world.plan.burner.powerKw * wanted * dtS) / 3600;
  return crock.burning;
}

/** Milk on the stove, hot or cooling: it warms, steams, grows a skin, catches, rises. */
export function onStove(world: PracticeWorld, crock: Crock, atMs: number, dtS: number): void {
  const { plan, truth } = world;
  const share = burns(world, crock, dtS);
  crock.unstirredS += dtS;
  if (crock.bath !== 'none') {
    inBath(world, crock, dtS);
  } else {
    const { composition } = batchOf(plan);
    const litres = litresNow(plan, crock);
    const kw = plan.burner.powerKw * plan.burner.efficiency * truth.burner * share;
    const widthM = widthMOf(plan.pot);
    const balance = balanceOf({
      composition,
      litres,
      widthM,
      startC: crock.celsius,
      airC: roomC(world, atMs),
      lidded: crock.lidded,
      lossFactor: plan.pot.lossFactor * truth.loss,
    });
    const { rate, evaporation } = balance(crock.celsius, kw);
    const boilC = boilingPointC(plan.altitudeM);
    const next = crock.celsius + rate * dtS;
    crock.evaporatedKg += evaporation * dtS;
    if (next >= boilC) {
      // What it cannot take up any more steams off; with much of that it rises.
      const overW = (rate * dtS - Math.max(0, boilC - crock.celsius)) / dtS;
      const pot = potOfMilk(composition, litres, widthM);
      if (overW * pot.heatJPerK(boilC) > RISES_W_PER_KG * pot.massKg)
        crock.spiltKg += (RISES_PER_MIN * pot.massKg * dtS) / 60;
      crock.evaporatedKg += Math.max(0, (overW * dtS * pot.heatJPerK(boilC)) / 2_257_000);
    }
    // A little is left that neither steams off nor runs over.
    crock.evaporatedKg = Math.min(crock.evaporatedKg, MOST_GONE * batchOf(plan).massKg - crock.spiltKg);
    crock.celsius = Math.min(boilC, next);
    if (share > 0.02 && crock.celsius > CATCHES_ABOVE_C && crock.unstirredS > CATCHES_AFTER_S)
      crock.scorched = Math.min(1, crock.scorched + (CATCHES_PER_MIN * share * dtS) / 60);
  }
  const grows = crock.celsius > SKIN_ABOVE_C && !crock.lidded && crock.unstirredS > 60;
  crock.skin = Math.min(1, crock.skin + (grows ? dtS / SKIN_S : 0));
  crock.heatDose += denaturationRatePerS(crock.celsius) * dtS;
}
