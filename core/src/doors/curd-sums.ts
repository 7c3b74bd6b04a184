import {
  brineSaltKg,
  briningHours,
  drainedAfter,
  hoursToThickness,
  minutesToCleanBreak,
  pressureKpa,
  rennetUnits,
  swapWaterC,
  UNKNOWN_STRENGTH,
  WEAK_BRINE,
  wheelHeightCm,
  wheyBackKg,
} from '../science/curd/index.ts';
import { safetyLimit, STARTER_FACTS, thicknessWord } from '../science/souring/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { bandForecast, markBand, stateOfPlan } from '../make/index.ts';
import { batchOf, CAUTIONS, souringKindOf } from '../setup/index.ts';
import { measureMethod } from '../recipes/index.ts';
import { MILK_FACTS } from '../science/milk/index.ts';
import { adviseOn, beginPlan, CULTURED_CREAM } from '../products/index.ts';
import type { CurdSums } from './curd-schemas.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const round = (value: number): number => Number(value.toPrecision(6));
/** A morning of no special day: only its hours count. */
const SOME_DAY = Date.UTC(2026, 2, 3);

export const CURD_SUMS: CurdSums = {
  drain: ({ hours, targetProteinFraction, ...draining }) => {
    const target = { of: 'protein', fraction: targetProteinFraction } as const;
    const curd = drainedAfter(draining, hours);
    const toTarget = hoursToThickness(draining, target);
    return {
      wheyKg: round(curd.wheyKg),
      proteinFraction: round(curd.proteinFraction),
      fatFraction: round(curd.fatFraction),
      hoursToTarget: toTarget === null ? null : round(toTarget),
      wheyBackKg: round(wheyBackKg(curd, target)),
    };
  },
  rennet: ({ litres, unit, strengthImcu, ...milk }) => {
    const [weak, strong] = unit === undefined ? [1, 1] : UNKNOWN_STRENGTH[unit];
    const amount = (imcu: number): number => round(rennetUnits(litres ?? 1, milk.imcuPerLitre, imcu));
    return {
      minutesToCleanBreak: round(minutesToCleanBreak(milk)),
      units:
        litres === undefined || unit === undefined
          ? null
          : [amount(strengthImcu ?? strong), amount(strengthImcu ?? weak)],
    };
  },
  press: ({ weightKg, diameterCm, wheelKg, brineFraction, brineWaterKg }) => {
    const heightCm = wheelHeightCm(wheelKg, diameterCm);
    const [from, to] = briningHours(wheelKg, heightCm);
    return {
      kpa: round(pressureKpa(weightKg, diameterCm)),
      heightCm: round(heightCm),
      briningHours: [round(from), round(to)],
      saltKg: round(brineSaltKg(brineWaterKg, brineFraction)),
      weakBrine: brineFraction < WEAK_BRINE,
    };
  },
  swap: ({ massKg, celsius, drawFraction, toC }) => {
    const { composition } = MILK_FACTS['shop-whole'];
    const waterC = swapWaterC({ composition, massKg, celsius, drawFraction }, toC);
    return { waterC: waterC === null ? null : round(waterC), waterKg: round(massKg * drawFraction) };
  },
  ripen: ({ litres, dose, starter, ageD, roomByHour, startHour, sourness, members, seed, ...cream }) => {
    const startMs = SOME_DAY + startHour * HOUR_MS;
    const begun = beginPlan(
      CULTURED_CREAM.id,
      defaultKitchen('UTC'),
      new Date(startMs).toISOString(),
      litres,
    );
    const { dosing } = STARTER_FACTS[starter];
    const plan = {
      ...begun,
      milk: { ...begun.milk, ...cream, litres },
      pot: { ...begun.pot, litres: Math.max(begun.pot.litres, 2 * litres) },
      wanted: { ...begun.wanted, sourness },
      roomC: roomByHour.reduce((sum, c) => sum + c, 0) / 24,
      roomByUtcHour: roomByHour,
      inoculateC: Math.max(5, cream.startC),
    };
    const withDose = {
      ...plan,
      starter: {
        kind: starter,
        ageD,
        massKg: dosing === 'mass' ? (dose ?? 0) * batchOf(plan).massKg : null,
        statedRatio: dosing === 'stated' ? dose : null,
        typed: null,
      },
    };
    const stop = adviseOn(withDose).find(({ severity }) => severity === 'stop');
    const nothing = { p10: null, p50: null, p90: null };
    const limit = safetyLimit(souringKindOf(withDose), plan.roomC).limitH;
    if (stop)
      return {
        refused: stop.text,
        thickH: nothing,
        readyH: nothing,
        neverFraction: 1,
        thickness: 0,
        thicknessWord: '',
        safeLimitH: limit,
      };
    const forecast = bandForecast(stateOfPlan(withDose), startMs, seed, members);
    const hours = (role: 'body' | 'ready') => {
      const { p10, p50, p90 } = markBand(forecast, role);
      const of = (ms: number | null): number | null => (ms === null ? null : round((ms - startMs) / HOUR_MS));
      return { p10: of(p10), p50: of(p50), p90: of(p90) };
    };
    return {
      refused: null,
      thickH: hours('body'),
      readyH: hours('ready'),
      neverFraction: round(forecast.neverSets),
      thickness: round(forecast.point.firmness),
      thicknessWord: thicknessWord(forecast.point.firmness),
      safeLimitH: limit,
    };
  },
  method: ({ method, kitchen, litres, startAt }) => {
    const measured = measureMethod(method, kitchen ?? defaultKitchen('UTC'), startAt, litres);
    const zero = Date.parse(startAt);
    const minutes = (ms: number): number => round((ms - zero) / MINUTE_MS);
    return {
      steps: measured.steps.map(({ startMs, endMs, ...step }) => ({
        ...step,
        startMin: minutes(startMs),
        endMin: minutes(endMs),
      })),
      hours: round(measured.hours),
      handsMin: round(measured.handsMin),
      ph: measured.ph === null ? null : round(measured.ph),
      reaches: measured.reaches.map(({ what, hours }) => ({ what, hours: round(hours) })),
      instead: measured.instead && { ...measured.instead, hours: round(measured.instead.hours) },
      outKg: round(measured.outKg),
      wheyKg: round(measured.wheyKg),
      things: [...measured.things],
      cautions: measured.cautions.map((id) => ({ id, text: CAUTIONS[id] })),
      advice: measured.advice.map(({ severity, field, text }) => ({ severity, field, text })),
    };
  },
};
