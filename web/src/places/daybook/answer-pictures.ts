import {
  fromLitres,
  PRODUCTS,
  SOURNESS,
  SYSTEM_UNITS,
  UNIT_LABEL,
  type FatLostBy,
  type GroupValue,
  type HandsOf,
  type HonestAnswer,
  type MonthTally,
  type Thrown,
  type TurnsAnswer,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';
import type { AnswerPicture } from '../../charts/answer-option.ts';
import { priceWeight } from '../../parts/words/price-words.ts';
import { shortMonth } from './answer-words.ts';

export const NO_WHY = 'no reason given';
/** So many reasons are drawn; the table file has all. */
const MOST_REASONS = 8;
/** One thing alone is no picture: its sentence says it. */
const FEWEST = 2;

type Picture = AnswerPicture | null;
const pointsOf = (dots: HonestAnswer['dots']): (readonly [number, number])[] =>
  dots.map(({ x, y }) => [x, y]);
const rounded = (value: number, digits = 1): number => Math.round(value * 10 ** digits) / 10 ** digits;

export const pacePicture = ({ hours }: TurnsAnswer): Picture =>
  hours.length < FEWEST
    ? null
    : {
        kind: 'dots',
        dots: pointsOf(hours),
        x: { name: 'generation of the culture' },
        y: { name: 'hours to set' },
      };

export const sournessPicture = ({ tasted }: TurnsAnswer): Picture =>
  tasted.length < FEWEST
    ? null
    : {
        kind: 'dots',
        dots: pointsOf(tasted),
        x: { name: 'generation of the culture' },
        y: { name: 'tasted', word: (v) => SOURNESS[v] ?? '', step: 1 },
      };

export const honestPicture = ({ dots }: HonestAnswer): Picture =>
  dots.length < FEWEST
    ? null
    : {
        kind: 'dots',
        even: true,
        dots: pointsOf(dots),
        x: { name: 'forecast hours to set' },
        y: { name: 'seen' },
      };

export const seasonPicture = (months: readonly GroupValue<number>[]): Picture =>
  months.length < FEWEST
    ? null
    : {
        kind: 'bars',
        bars: months.map(({ group, middle }) => ({ label: shortMonth(group), value: rounded(middle * 100) })),
        y: { name: '% of what went in' },
      };

export const fatPicture = (lost: readonly GroupValue<string | number>[], by: FatLostBy): Picture =>
  lost.length === 0
    ? null
    : {
        kind: 'bars',
        lying: by === 'churn',
        bars: lost.map(({ group, middle }) => ({
          label: typeof group === 'number' ? shortMonth(group) : group,
          value: rounded(middle * 100),
        })),
        y: { name: '% of fat lost' },
      };

type InOut = Pick<MonthTally, 'month' | 'litres' | 'kgOut'>;

const monthAfter = (month: string): string => {
  const [year = 0, m = 1] = month.split('-').map(Number);
  return m === 12 ? `${year + 1}-01` : `${year}-${String(m + 1).padStart(2, '0')}`;
};

/** Months in which nothing was made are drawn as what they are. @param months in order of time */
const withGaps = (months: readonly InOut[]): InOut[] =>
  months.flatMap((month, i) => {
    const next = months[i + 1]?.month;
    const empty: InOut[] = [];
    for (let m = monthAfter(month.month); next !== undefined && m < next; m = monthAfter(m))
      empty.push({ month: m, litres: 0, kgOut: 0 });
    return [month, ...empty];
  });

/** @param months in order of time */
export function inOutPicture(months: readonly InOut[], units: Units): Picture {
  const drawn = withGaps(months);
  if (drawn.length < FEWEST) return null;
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const [weight, kg] = priceWeight(units);
  return {
    kind: 'lines',
    labels: drawn.map(({ month }) => `${shortMonth(Number(month.slice(5)) - 1)} ${month.slice(2, 4)}`),
    lines: [
      {
        name: `${UNIT_LABEL[unit]} in`,
        values: drawn.map(({ litres }) => rounded(fromLitres(litres, unit))),
      },
      { name: `${weight} out`, values: drawn.map(({ kgOut }) => rounded(kgOut / kg)) },
    ],
    y: { name: 'per month' },
  };
}

export function thrownPicture(thrown: readonly Thrown[], units: Units): Picture {
  const [weight, kg] = priceWeight(units);
  return thrown.length === 0
    ? null
    : {
        kind: 'bars',
        lying: true,
        bars: thrown
          .slice(0, MOST_REASONS)
          .map(({ why, massKg }) => ({ label: why || NO_WHY, value: rounded(massKg / kg, 2) })),
        y: { name: weight },
      };
}

export const handsPicture = (hands: readonly HandsOf[]): Picture =>
  hands.length < FEWEST
    ? null
    : {
        kind: 'bars',
        lying: true,
        bars: hands.map(({ product, handsMin }) => ({
          label: PRODUCTS[product].label,
          value: rounded(handsMin / 60),
        })),
        y: { name: 'hands-on hours' },
      };
