import type { DayCook } from './problem.ts';

/** Hours somebody wishes to have for themselves: nothing is laid into them. */
export interface KeptFree {
  readonly id: string;
  /** As it is called when it cannot be kept. */
  readonly title: string;
  /** Minutes from the day's zero. */
  readonly from: number;
  readonly to: number;
  /** Whose; `null` everybody's. */
  readonly cook: string | null;
}

/** Cooks without the hours that are kept free. @example withoutKept([{ …, free: [[0, 600]] }], [{ …, from: 100, to: 160 }])[0].free // [[0, 100], [160, 600]] */
export function withoutKept(cooks: readonly DayCook[], kept: readonly KeptFree[]): DayCook[] {
  return cooks.map((cook) => ({
    ...cook,
    free: kept
      .filter((spell) => spell.cook === null || spell.cook === cook.id)
      .reduce<readonly (readonly [number, number])[]>(
        (free, { from, to }) =>
          free.flatMap(([a, b]): (readonly [number, number])[] =>
            b <= from || a >= to
              ? [[a, b]]
              : [...(a < from ? [[a, from] as const] : []), ...(b > to ? [[to, b] as const] : [])],
          ),
        cook.free,
      ),
  }));
}
