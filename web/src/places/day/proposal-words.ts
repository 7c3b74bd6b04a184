import {
  formatMinutes,
  listed,
  PRODUCTS,
  usesOfLot,
  type BySort,
  type ChosenBatch,
  type Lacking,
  type ProposedDay,
} from '@morning-crock/core';
import type { Units } from '../../data/units-of.ts';

/** What a proposed day is for: saving what turns may be more work than making what is missing. */
export function aimWords({ aim, batches }: Pick<ProposedDay, 'aim' | 'batches'>): string {
  const isFor = (...whys: readonly ChosenBatch['why'][]): boolean =>
    batches.some(({ why }) => whys.includes(why));
  switch (aim) {
    case 'everything':
      return 'Use everything up';
    case 'lacking':
      // Where nothing is missing it comes to the same.
      return isFor('lacking', 'culture') ? 'Make what is missing' : 'Use everything up';
    case 'least-work':
      return isFor('turning') ? 'Use what turns soon, with little work' : 'Least work';
  }
}

export const SORT_WORD = { milk: 'milk', skimmed: 'skimmed milk', cream: 'cream' } as const;

/** What a batch is of, where it is not milk alone. @example sortsWords(creamCheese) // ' of milk and cream' */
export const sortsWords = ({ shares }: Pick<ChosenBatch, 'shares'>, feeder?: ChosenBatch): string => {
  if (feeder) return ` of ${PRODUCTS[feeder.product].label.toLowerCase()}, made from the batch above`;
  const sorts = (Object.keys(SORT_WORD) as (keyof BySort)[]).filter((sort) => shares[sort] > 0);
  return sorts.join() === 'milk' ? '' : ` of ${listed(sorts.map((sort) => SORT_WORD[sort]))}`;
};

/** Less is not worth telling: a jug keeps as much, L; and of what comes out besides, kg. */
const WORTH_LITRES = 0.1;
const WORTH_KG = 0.05;

/** Why a batch is proposed; empty where there is no more to it. @example '0.50 kg missing for Thu 12 Mar' */
export function whyBatch(
  { product, why, sort }: ChosenBatch,
  lacking: readonly Lacking[],
  units: Units,
): string {
  if (why === 'culture') return 'its culture should be used';
  if (why === 'turning' && sort !== null) return `${SORT_WORD[sort]} to use soon`;
  const lacks = lacking.find((one) => one.product === product);
  if (why === 'usual' || !lacks) return '';
  return `${units.mass(lacks.massKg)} missing${lacks.byMs === null ? '' : ` for ${units.day(lacks.byMs)}`}`;
}

/** What comes out, an estimate. @example 'Gives about 4.20 kg of yogurt and 520 g of butter.' */
export const givesWords = ({ gives }: Pick<ProposedDay, 'gives'>, units: Units): string =>
  `Gives about ${listed(
    gives.map(({ product, massKg }) => `${units.mass(massKg)} of ${PRODUCTS[product].label.toLowerCase()}`),
  )}.`;

/** What stays of the milk and cream, and what comes out besides, with what that is good for. */
export function leftWords({ left, besides }: Pick<ProposedDay, 'left' | 'besides'>, units: Units): string {
  const stays = (Object.keys(left) as (keyof BySort)[])
    .filter((sort) => left[sort] >= WORTH_LITRES)
    .map((sort) => `${units.volume(left[sort])} of ${SORT_WORD[sort]}`);
  const comes = besides
    .filter(({ massKg }) => massKg >= WORTH_KG)
    .map(({ what, massKg }) => {
      const [use] = usesOfLot({ role: what, soured: what === 'whey' });
      return `${units.mass(massKg)} of ${what}${use === undefined ? '' : ` (for ${use})`}`;
    });
  return [
    stays.length === 0 ? 'No milk or cream is left.' : `Left: ${listed(stays)}.`,
    comes.length === 0 ? '' : `You also get about ${listed(comes)}.`,
  ]
    .filter((words) => words !== '')
    .join(' ');
}

/** Work, end and worth. @param end of the last hands, in words @param inHours hours in the kitchen were given */
export function workWords(
  { handsMin, outsideMin, lateMin, worth, unpriced }: ProposedDay,
  { end, inHours, units }: { readonly end: string; readonly inHours: boolean; readonly units: Units },
): string {
  const outside =
    outsideMin > 0
      ? `, ${formatMinutes(outsideMin)} of it outside your hours`
      : inHours
        ? ', within your hours, apart from short jobs'
        : '';
  const said = [
    `About ${formatMinutes(handsMin)} of work${outside}.`,
    `Finished by ${end}.`,
    lateMin > 0 ? `Ready ${formatMinutes(lateMin)} later than needed.` : '',
  ];
  if (worth !== null) {
    const without = unpriced.map((product) => PRODUCTS[product].label.toLowerCase());
    said.push(
      `Would cost about ${units.cost(worth)} in the shop${without.length === 0 ? '' : ` (no price for ${listed(without)})`}.`,
    );
  }
  return said.filter((words) => words !== '').join(' ');
}

/** What there was no room for; empty where everything found its place. */
export const leftOutWords = ({ leftOut }: Pick<ProposedDay, 'leftOut'>): string =>
  leftOut.length === 0
    ? ''
    : `No room in these hours for ${listed(leftOut.map((product) => PRODUCTS[product].label.toLowerCase()))}.`;
