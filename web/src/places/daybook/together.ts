import type { RecordFact } from './record-facts.ts';

const NOTHING = '–';

/** What is called alike twice is told apart by a number: a curd may be turned or warmed more than once. */
function numbered(facts: readonly RecordFact[]): RecordFact[] {
  const seen = new Map<string, number>();
  return facts.map(([label, value]) => {
    const many = (seen.get(label) ?? 0) + 1;
    seen.set(label, many);
    return [many === 1 ? label : `${label} ${many}`, value];
  });
}

/**
 * The facts of two makes under the same names, in the order of the first; what neither has is left out.
 * @example together([['Pot', 'the can']], [['Pot', 'the pan']]) // [['Pot', 'the can', 'the pan']]
 */
export function together(
  one: readonly RecordFact[],
  other: readonly RecordFact[],
): (readonly [label: string, one: string, other: string])[] {
  const [a, b] = [new Map(numbered(one)), new Map(numbered(other))];
  return [...new Set([...a.keys(), ...b.keys()])]
    .map((label) => [label, a.get(label) || NOTHING, b.get(label) || NOTHING] as const)
    .filter(([, x, y]) => x !== NOTHING || y !== NOTHING);
}
