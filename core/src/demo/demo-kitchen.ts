import type { KitchenSettings } from '../contract/index.ts';
import { instantOfLocal, localDate } from '../kitchen/index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const id = (n: number): string => `01GANTERNF0D0000000000${String(n).padStart(4, '0')}`;

/** Lantern Fold: a made-up smallholding with two lean-milk cows, a few ewes and a stone dairy. */
export const LANTERN_FOLD_NAME = 'Lantern Fold';

/** Nobody of the fold is up before, or begins a night's work after, these hours of the day. */
const UP_FROM_H = 5;
const UP_TO_H = 14;
/** Begun at another hour, they go to bed so much later, h: what is under way can be followed whenever somebody looks. */
const AWAKE_H = 15.5;
const ASLEEP_H = 7;

/** Midnight before an instant, where the fold is. */
export const demoToday = (nowMs: number, zone: string): number =>
  instantOfLocal(zone, localDate(zone, nowMs), '00:00');

/** "HH:MM" of an hour of the day, to the half hour. */
function halfHour(hour: number): string {
  const minutes = (Math.round(hour * 2) * 30) % 1440;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

/**
 * The fold as it is at an hour of the day somebody opens it: by day it sleeps at night; opened at night it is a week of
 * night work.
 */
export function lanternFoldAt(nowMs: number, zone: string): KitchenSettings {
  const hour = (nowMs - demoToday(nowMs, zone)) / HOUR_MS;
  const site = { ...LANTERN_FOLD.site, zone };
  if (hour >= UP_FROM_H && hour < UP_TO_H) return { ...LANTERN_FOLD, site };
  const cooks = LANTERN_FOLD.cooks.map((cook, n) => ({
    ...cook,
    sleepFrom: halfHour(hour + AWAKE_H + n),
    sleepTo: halfHour(hour + AWAKE_H + n + ASLEEP_H),
  }));
  return { ...LANTERN_FOLD, site, cooks };
}

export const LANTERN_FOLD: KitchenSettings = {
  units: { temperature: 'C', measures: 'metric', money: 'groats' },
  site: { zone: 'UTC', altitudeM: 310, roomC: 17, shortcuts: true },
  pots: [
    { id: id(1), name: 'the speckled pot', litres: 6.5, lossFactor: 1 },
    { id: id(2), name: 'the tall can', litres: 11, lossFactor: 1 },
    { id: id(3), name: 'the little pan', litres: 2.8, lossFactor: 1 },
  ],
  burners: [
    { id: id(4), name: 'Left ring', powerKw: 2.1, efficiency: 0.5 },
    { id: id(5), name: 'Hot plate', powerKw: 1.4, efficiency: 0.5 },
  ],
  places: [
    { id: id(6), name: 'Shelf warmer', kind: 'appliance', setPointC: 43, biasC: 0, tauH: 0.75 },
    { id: id(7), name: 'Straw box', kind: 'insulated-box', tauH: 10 },
    { id: id(8), name: 'Bread oven, lamp on', kind: 'oven-lamp', tauH: 3 },
    { id: id(9), name: 'Wool wraps', kind: 'towel', tauH: 4 },
    { id: id(10), name: 'Steel flask', kind: 'thermos', tauH: 25 },
    { id: id(11), name: 'Dairy shelf', kind: 'room', tauH: 1.8 },
  ],
  cooks: [
    { id: id(12), name: 'Tamsel', sleepFrom: '22:00', sleepTo: '05:00' },
    { id: id(13), name: 'Orrick', sleepFrom: '23:00', sleepTo: '06:30' },
  ],
  jars: [
    { id: id(14), name: 'Tall glass', litres: 0.72, count: 9 },
    { id: id(15), name: 'Squat crock', litres: 0.37, count: 12 },
  ],
  thermometers: [
    { id: id(16), name: 'Brass stem', iceC: 0.9, boilingC: 99.6, altitudeM: 310, checkedAt: null },
    { id: id(17), name: 'Shelf logger', iceC: -0.3, boilingC: null, altitudeM: 310, checkedAt: null },
  ],
  // Days in milk are set when the demo begins.
  herd: [
    { id: id(20), name: 'Marrow', kind: 'cow-lean', freshSince: null },
    { id: id(21), name: 'Quillet', kind: 'cow-lean', freshSince: null },
    { id: id(22), name: 'The ewes', kind: 'ewe', freshSince: null },
  ],
  churns: [
    { id: id(23), name: 'the barrel churn', litres: 5.2, kind: 'crank' },
    { id: id(24), name: 'the glass jar', litres: 1.9, kind: 'jar' },
  ],
  prices: {
    energyPerKwh: 0.34,
    saltPerKg: 1.1,
    powderPerKg: null,
    starterPerKg: null,
    packetEach: 2.6,
    handsPerHour: null,
    shop: [
      { product: 'yogurt', perKg: 3.9 },
      { product: 'butter', perKg: 14.6 },
      { product: 'cultured-cream', perKg: 8.3 },
      { product: 'kefir', perKg: 3.4 },
      { product: 'ghee', perKg: 23.5 },
      { product: 'fresh-cheese', perKg: 9.4 },
    ],
  },
  wanted: [
    { id: id(25), product: 'yogurt', massKg: 3.4, on: null },
    { id: id(26), product: 'butter', massKg: 0.85, on: null },
    { id: id(27), product: 'yogurt', massKg: 5.5, on: 4 },
    { id: id(28), product: 'cultured-cream', massKg: 1.3, on: 4 },
    { id: id(29), product: 'fresh-cheese', massKg: 1.1, on: 4 },
  ],
  absences: [{ id: id(18), cookId: id(12), name: 'Stall', days: [4], from: '07:30', to: '13:00' }],
};
