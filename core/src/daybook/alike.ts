import type { MakeSummary, Way } from '../contract/index.ts';
import { WAY_WORDS } from './way-words.ts';

/** What two batches may differ in. */
export type Unlike = 'method' | 'way' | 'place' | 'starter' | 'milk' | 'feed' | 'pot' | 'amount';

/** A batch that came out well and differed from another in one thing. */
export interface AlikeBut {
  readonly make: MakeSummary;
  readonly unlike: Unlike;
  /** How it was here, and how there; empty where that way was not gone. Litres of an amount. */
  readonly here: string;
  readonly there: string;
}

/** Amounts that differ by no more than so many times are alike. */
const SAME_AMOUNT = 1.3;
/** So many batches back it is looked for one. */
const LOOKED_AT = 200;

const wordsOf = (way: Way | undefined): string => (way === undefined ? '' : WAY_WORDS[way]);

type Difference = Pick<AlikeBut, 'unlike' | 'here' | 'there'>;

/** What differs, as far as the lines tell; a thing that one of them does not tell is taken to be alike. */
function differences(a: MakeSummary, b: MakeSummary): Difference[] {
  const found: Difference[] = [];
  const unlike = (what: Unlike, here: string | null, there: string | null): void => {
    if (here !== null && there !== null && here !== there) found.push({ unlike: what, here, there });
  };
  unlike('method', a.methodId, b.methodId);
  unlike('place', a.place ?? null, b.place ?? null);
  unlike('starter', a.starter, b.starter);
  unlike('milk', a.milk, b.milk);
  unlike('feed', a.feed, b.feed);
  unlike('pot', a.pot, b.pot);
  const [less, more] = [a.litres, b.litres].sort((x, y) => x - y);
  if (more! > less! * SAME_AMOUNT) unlike('amount', String(a.litres), String(b.litres));
  // Another method goes about it in its own way.
  if (a.methodId === b.methodId) {
    const [here, there] = [a.ways ?? [], b.ways ?? []];
    const only = here.filter((way) => !there.includes(way));
    const others = there.filter((way) => !here.includes(way));
    // One way against another is one thing; two of them are two.
    for (let i = 0; i < Math.max(only.length, others.length); i++)
      found.push({ unlike: 'way', here: wordsOf(only[i]), there: wordsOf(others[i]) });
  }
  return found;
}

/** It came out well, as far as anybody said. */
const cameOutWell = ({ status, doNotEat, faults = [] }: MakeSummary): boolean =>
  status === 'kept' && !doNotEat && faults.length === 0;

/**
 * The latest batch of the same product that came out well and differed from one in a single thing; `null` where there is none.
 * @param makes lines, the latest first
 * @example alikeBut(thin, makes) // { make: …, unlike: 'way', here: 'only brought to temperature', there: 'held hot' }
 */
export function alikeBut(make: MakeSummary, makes: readonly MakeSummary[]): AlikeBut | null {
  const others = makes
    .filter((other) => other.id !== make.id && other.product === make.product && cameOutWell(other))
    .slice(0, LOOKED_AT);
  for (const other of others) {
    const [first, ...more] = differences(make, other);
    if (first && more.length === 0) return { make: other, ...first };
  }
  return null;
}
