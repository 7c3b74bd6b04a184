import { specificHeatKjPerKgK, type Composition } from '../milk/index.ts';
import { bisect } from '../numerics/index.ts';
import { potOfMilk } from './pot.ts';

const WATER_KJ_PER_KG_K = 4.18;
/** How fast bottles and milk share heat inside a closed box, W/K for two litres of milk [F: judgement]. */
const SHARING_W_PER_K = 3;
/** The most hot water a box is asked to take, as a multiple of the milk. */
const MOST_WATER_PER_MILK = 4;
/** Above this the culture suffers, °C. */
const CULTURE_SUFFERS_C = 47;

/** A closed box with milk and bottles of hot water in it. */
export interface WarmBox {
  readonly composition: Composition;
  readonly litres: number;
  readonly startC: number;
  readonly roomC: number;
  /** Time constant of the box with two litres in it, h. */
  readonly tauH: number;
  readonly bottlesC: number;
}

export interface BoxCourse {
  /** [hours, °C] of the milk. */
  readonly milk: readonly (readonly [number, number])[];
  readonly coolestC: number;
  readonly warmestC: number;
  readonly endC: number;
}

/**
 * Milk and bottles share heat and lose UA·(T − room); UA is the heat of two litres of milk over the box's time
 * constant, growing with the contents' surface (volume to the 2/3, so that the time constant goes with the cube
 * root). Each loses its share by volume. RK4 at three minutes. Source: docs/SCIENCE.md, warm places.
 * @example boxCourse(box, 2, 10).coolestC
 */
export function boxCourse(box: WarmBox, bottleLitres: number, hours: number): BoxCourse {
  const { massKg } = potOfMilk(box.composition, box.litres);
  const milkKjPerK = massKg * specificHeatKjPerKgK(box.composition, 40);
  const waterKjPerK = bottleLitres * WATER_KJ_PER_KG_K;
  const total = box.litres + bottleLitres;
  const twoLitresKjPerK = 2 * (milkKjPerK / box.litres);
  const lossKjPerHK = (twoLitresKjPerK / box.tauH) * (total / 2) ** (2 / 3);
  const shareKjPerHK = SHARING_W_PER_K * 3.6 * (box.litres / 2) ** (2 / 3);
  const rates = (milkC: number, waterC: number): [number, number] => {
    const across = bottleLitres > 0 ? shareKjPerHK * (waterC - milkC) : 0;
    const milkOut = lossKjPerHK * (box.litres / total) * (milkC - box.roomC);
    const waterOut = lossKjPerHK * (bottleLitres / total) * (waterC - box.roomC);
    return [(across - milkOut) / milkKjPerK, bottleLitres > 0 ? -(across + waterOut) / waterKjPerK : 0];
  };
  const stepH = 0.05;
  let milkC = box.startC;
  let waterC = box.bottlesC;
  const milk: (readonly [number, number])[] = [[0, milkC]];
  for (let i = 1; i <= Math.ceil(hours / stepH - 1e-9); i++) {
    const [a1, b1] = rates(milkC, waterC);
    const [a2, b2] = rates(milkC + (stepH / 2) * a1, waterC + (stepH / 2) * b1);
    const [a3, b3] = rates(milkC + (stepH / 2) * a2, waterC + (stepH / 2) * b2);
    const [a4, b4] = rates(milkC + stepH * a3, waterC + stepH * b3);
    milkC += (stepH / 6) * (a1 + 2 * a2 + 2 * a3 + a4);
    waterC += (stepH / 6) * (b1 + 2 * b2 + 2 * b3 + b4);
    milk.push([i * stepH, milkC]);
  }
  const all = milk.map(([, c]) => c);
  return { milk, coolestC: Math.min(...all), warmestC: Math.max(...all), endC: milkC };
}

export interface BoxAnswer {
  /** `no-bottles`: warm enough by itself; `cannot`: no amount of such bottles does it. */
  readonly outcome: 'no-bottles' | 'bottles' | 'cannot';
  readonly bottleLitres: number;
  readonly course: BoxCourse;
  /** The milk would get warmer than the culture likes (47 °C): cooler bottles, wrapped, or fewer at a time. */
  readonly tooWarm: boolean;
}

/**
 * The least hot water that keeps the milk at or above a heat for some hours.
 * @param floorC usually 40; below the milk's start
 * @example bottlesFor(box, 40, 8).bottleLitres
 */
export function bottlesFor(box: WarmBox, floorC: number, hours: number): BoxAnswer {
  const answer = (outcome: BoxAnswer['outcome'], bottleLitres: number): BoxAnswer => {
    const course = boxCourse(box, bottleLitres, hours);
    return { outcome, bottleLitres, course, tooWarm: course.warmestC > CULTURE_SUFFERS_C };
  };
  const short = (bottleLitres: number): number => boxCourse(box, bottleLitres, hours).coolestC - floorC;
  if (short(0) >= 0) return answer('no-bottles', 0);
  const most = box.litres * MOST_WATER_PER_MILK;
  if (box.startC < floorC || short(most) < 0) return answer('cannot', most);
  return answer('bottles', bisect(short, 0, most, 1e-4).x);
}
