import {
  CAUSES,
  COMPLAINTS,
  PRODUCTS,
  TELLS_AFTER,
  type Argument,
  type Differs,
  type SettledBy,
  type SinceFault,
  capital,
} from '@morning-crock/core';
import { NO_CAUSE } from '../../parts/words/fault-words.ts';

const QUESTION: Readonly<Record<SettledBy, string>> = {
  hours: 'which sets sooner?',
  texture: 'which comes out thicker?',
  lost: 'which loses more fat?',
  yield: 'which gives more?',
};
const TEXTURES = ['thin', 'pourable', 'spoonable', 'firm'];
/** What more of it means, in a sentence: "Hay: 1.2 h later". */
const MORE: Readonly<Record<SettledBy, string>> = {
  hours: 'sets later',
  texture: 'comes out thicker',
  lost: 'loses more fat',
  yield: 'gives more',
};
const WHAT: Readonly<Record<Differs, string>> = {
  method: '',
  feed: 'Fed on ',
  generation: 'Culture ',
  way: '',
};

/** A middle, in its unit. */
function shown(by: SettledBy, value: number): string {
  switch (by) {
    case 'hours':
      return `${value.toFixed(1)} h`;
    case 'texture':
      return TEXTURES[Math.round(value)]!;
    case 'lost':
      return `${(100 * value).toFixed(1)} % of the fat`;
    case 'yield':
      return `${(100 * value).toFixed(0)} % of what went in`;
  }
}

/** How far two middles are apart, in its unit. */
function apart(by: SettledBy, value: number): string {
  switch (by) {
    case 'hours':
      return `${value.toFixed(1)} h`;
    case 'texture':
      return value.toFixed(1);
    case 'lost':
    case 'yield':
      return `${(100 * value).toFixed(1)} points`;
  }
}

/** The question, as two makers would argue about it. */
export function argumentQuestion({ differs, product, sides, by }: Argument): string {
  const [first, second] = sides.map((side) => (differs === 'method' ? `“${side}”` : side));
  return `${PRODUCTS[product].label}: ${WHAT[differs].toLowerCase()}${first} or ${second}, ${QUESTION[by]}`;
}

/** What this kitchen's batches show of it. */
export function argumentWords(argument: Argument): string {
  const { sides, by, middles, batches, between, verdict, moreOfEach, differs } = argument;
  const side = (n: 0 | 1): string => `${capital(sides[n])}: ${shown(by, middles[n])} (${batches[n]})`;
  const both = `${side(0)}. ${side(1)}.`;
  const enough = Math.min(...batches) + moreOfEach;
  const short = sides.filter((_, n) => batches[n]! < enough);
  const ofWhich = short.length === 1 ? `of “${short[0]}”` : 'of each';
  const more = `${moreOfEach === 1 ? 'One' : moreOfEach} more ${ofWhich} would tell.`;
  if (verdict === 'too-few') return `Too few to tell. ${both} ${more}`;
  if (verdict === 'no-difference') return `No difference that matters. ${both}`;
  const [low, high] = [Math.min(...between.map(Math.abs)), Math.max(...between.map(Math.abs))];
  const winner = sides[verdict === 'second-more' ? 1 : 0];
  return `${capital(`${WHAT[differs].toLowerCase()}${winner}`)} ${MORE[by]}, by ${apart(by, low)} to ${apart(by, high)}. ${both}`;
}

/** Whether what was changed after a fault has helped. */
export function sinceWords({ complaint, cause, since, again }: SinceFault): string {
  const what = `${COMPLAINTS[complaint].label}: ${cause === null ? NO_CAUSE : CAUSES[cause].title}.`;
  const many = `${since} ${since === 1 ? 'batch' : 'batches'} since`;
  if (since < TELLS_AFTER) return `${what} ${many}. It shows after ${TELLS_AFTER} whether the change helped.`;
  if (again === 0) return `${what} ${many}, none with the same fault. The change helped.`;
  return `${what} ${many}, ${again} with the same fault. The change did not help enough.`;
}
