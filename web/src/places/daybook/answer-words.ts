import {
  formatMinutes,
  HONEST_SHARE,
  PRODUCTS,
  SOURNESS,
  type GroupValue,
  type HandsOf,
  type HonestAnswer,
  type Tally,
  type Thrown,
  type Trend,
  type TurnsAnswer,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import { priceWeight } from '../../parts/words/price-words.ts';

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** @param month 0 January */
export const monthName = (month: number): string => MONTHS[month] ?? '';
export const shortMonth = (month: number): string => monthName(month).slice(0, 3);
/** "March 2026" of "2026-03". */
export const monthWords = (month: string): string =>
  `${monthName(Number(month.slice(5, 7)) - 1)} ${month.slice(0, 4)}`;

const TOO_FEW = 'Too few to tell yet';
const percent = (share: number): string => `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
type Counted = 'batch' | 'tasting' | 'churning' | 'month';
const MANY: Readonly<Record<Counted, string>> = {
  batch: 'batches',
  tasting: 'tastings',
  churning: 'churnings',
  month: 'months',
};
/** "1 batch", "9 batches" */
const times = (n: number, one: Counted): string => `${n} ${n === 1 ? one : MANY[one]}`;

/** Minutes without a sign, rounded to what a clock tells. */
const minutesOf = (hours: number): string => `${Math.round(Math.abs(hours) * 60)} min`;

export function paceWords({ outcome, slope, middle, points }: Trend): string {
  const usual = Number.isNaN(middle)
    ? ''
    : ` Typical time over ${times(points, 'batch')}: ${middle.toFixed(1)} h.`;
  switch (outcome) {
    case 'too-few':
      return `${TOO_FEW}. ${times(points, 'batch')} so far with a generation and a recorded set.${points > 0 ? usual : ''}`;
    case 'steady':
      return `No sign of that. Batches set as fast as before.${usual}`;
    case 'up':
      return `Yes. Each generation sets about ${minutesOf(slope)} slower.${usual}`;
    case 'down':
      return `No. Each generation sets about ${minutesOf(slope)} faster.${usual}`;
  }
}

export function sournessWords({ sourness: { outcome, middle, points } }: TurnsAnswer): string {
  const usual = SOURNESS[Math.round(middle)];
  const mostly = usual === undefined ? '' : ` Usual taste: ${usual}.`;
  switch (outcome) {
    case 'too-few':
      return `${TOO_FEW}. ${times(points, 'tasting')} so far with a generation.${mostly}`;
    case 'steady':
      return `No sign of that. Batches taste the same as before.${mostly}`;
    case 'up':
      return `Yes. Later generations taste sourer.${mostly}`;
    case 'down':
      return `No. Later generations taste milder.${mostly}`;
  }
}

/** So far from the share it should be, by chance alone, in σ. */
const CHANCE_SIGMA = 1.96;

export function honestWords({ within, judged, laterH }: HonestAnswer): string {
  if (judged === 0 || laterH === null) return 'No batch has both a forecast and a recorded set yet.';
  const share = within / judged;
  const sigma = Math.sqrt((HONEST_SHARE * (1 - HONEST_SHARE)) / judged);
  const off =
    Math.abs(laterH) * 60 < 3
      ? 'on time'
      : `${minutesOf(laterH)} ${laterH > 0 ? 'later' : 'earlier'} than forecast`;
  const judgement =
    Math.abs(share - HONEST_SHARE) <= CHANCE_SIGMA * sigma
      ? 'The forecast range is about right'
      : share < HONEST_SHARE
        ? 'The forecast range is too narrow'
        : 'The forecast range is wider than it need be';
  return `${within} of ${judged} batches set within the forecast range; about ${Math.round(HONEST_SHARE * judged)} should. ${judgement}. Typically they set ${off}.`;
}

/** The best and the worst month of a yield. */
export function seasonWords(months: readonly GroupValue<number>[], product: string): string {
  const makes = months.reduce((sum, { makes: n }) => sum + n, 0);
  const sorted = [...months].sort((a, b) => b.middle - a.middle);
  const [most, least] = [sorted[0], sorted.at(-1)];
  if (!most || !least) return `No ${product.toLowerCase()} has been weighed yet.`;
  const all = `${product} (${times(makes, 'batch')} weighed): `;
  return percent(most.middle) === percent(least.middle)
    ? `${all}yield ${percent(most.middle)} of what went in${most === least ? '' : ', the same every month'}.`
    : `${all}best yield in ${monthName(most.group)} (${percent(most.middle)} of what went in), lowest in ${monthName(least.group)} (${percent(least.middle)}).`;
}

export function fatWords(groups: readonly GroupValue<string | number>[]): string {
  const churnings = groups.reduce((sum, { makes }) => sum + makes, 0);
  const sorted = [...groups].sort((a, b) => a.middle - b.middle);
  const where = ({ group, middle, makes }: GroupValue<string | number>): string =>
    `${typeof group === 'number' ? `in ${monthName(group)}` : `with ${group}`} (${percent(middle)}, ${times(makes, 'churning')})`;
  const [least, most] = [sorted[0], sorted.at(-1)];
  if (!least || !most) return 'No churning with a known fat loss yet.';
  return least === most
    ? `${times(churnings, 'churning')}: ${percent(least.middle)} of the fat was lost.`
    : `${times(churnings, 'churning')}: least fat was lost ${where(least)}, most ${where(most)}.`;
}

export function inOutWords(whole: Tally, months: number, units: Units): string {
  return whole.makes === 0
    ? 'Nothing has been made yet.'
    : `${units.volume(whole.litres)} in, ${units.mass(whole.kgOut)} out: ${times(whole.makes, 'batch')} in ${times(months, 'month')}.`;
}

export function thrownWords(thrown: readonly Thrown[], litresAll: number, units: Units): string {
  const kg = thrown.reduce((sum, { massKg }) => sum + massKg, 0);
  const most = thrown[0];
  if (!most) return litresAll === 0 ? 'Nothing has been made yet.' : 'Nothing was thrown away.';
  const why = most.why === '' ? 'no reason given' : `“${most.why.replace(/[.!]+$/, '')}”`;
  const often = thrown.reduce((sum, t) => sum + t.times, 0);
  return `${units.mass(kg)}, ${often === 1 ? 'once' : `${often} times`}. Main reason: ${why} (${units.mass(most.massKg)}).`;
}

export function savedWords(whole: Tally, units: Units): string {
  if (whole.costed === 0) return 'The milk cost is not known for any batch yet.';
  const cost = `${units.cost(whole.cost)} for ${times(whole.costed, 'batch')} with a milk price`;
  return whole.saved === null
    ? `${cost}.`
    : whole.saved >= 0
      ? `${cost}. ${units.cost(whole.saved)} less than at shop prices.`
      : `${cost}. ${units.cost(-whole.saved)} more than at shop prices.`;
}

/** So many products are told how many minutes a kilogram of them takes. */
const MOST_PRODUCTS = 3;

export function handsWords(hands: readonly HandsOf[], whole: Tally, units: Units): string {
  if (hands.length === 0) return 'Nothing has been made yet.';
  const [weight, kg] = priceWeight(units);
  const each = hands
    .slice(0, MOST_PRODUCTS)
    .flatMap(({ product, minPerKg }) =>
      minPerKg === null
        ? []
        : [`${PRODUCTS[product].label.toLowerCase()} ${formatMinutes(minPerKg * kg)} a ${weight}`],
    );
  const all = `About ${formatMinutes(whole.handsMin)} hands-on in total, estimated from the steps`;
  return each.length === 0 ? `${all}.` : `${all}; ${each.join(', ')}.`;
}
