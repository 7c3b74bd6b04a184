import type { DayHands } from './hands.ts';
import { heldSpans } from './evening.ts';

/** Washing up a pot, min. */
const EACH_MIN = 5;
/** It is put off no longer than this; then it is left to the evening. */
const LATEST_MIN = 4 * 60;

/** A stretch between two things to do, in which something is washed up. */
export interface WashingUp {
  readonly from: number;
  readonly to: number;
  readonly cook: string;
  /** Makes whose pot it is. */
  readonly of: readonly string[];
}

/** Fits the washing up of pots and churns into waits of whoever used them. @param hands in order of time */
export function washingUp(hands: readonly DayHands[]): WashingUp[] {
  const soiled = ['pot', 'churn'].flatMap((thing) => heldSpans(hands, thing)).sort((a, b) => a.to - b.to);
  const washed: WashingUp[] = [];
  for (const { make, to } of soiled) {
    const cook = hands.findLast((h) => h.make === make && h.to <= to)?.cook;
    if (cook === undefined) continue;
    const own = [...hands.filter((h) => h.cook === cook), ...washed.filter((w) => w.cook === cook)].sort(
      (a, b) => a.from - b.from,
    );
    let at = to;
    for (const { from, to: end } of own) {
      if (end <= at) continue;
      if (from >= at + EACH_MIN) break;
      at = end;
    }
    const last = own.at(-1)?.to ?? 0;
    if (at - to > LATEST_MIN || at >= last) continue;
    const before = washed.find((w) => w.cook === cook && w.to === at);
    if (before)
      washed.splice(washed.indexOf(before), 1, { ...before, to: at + EACH_MIN, of: [...before.of, make] });
    else washed.push({ from: at, to: at + EACH_MIN, cook, of: [make] });
  }
  return washed.sort((a, b) => a.from - b.from);
}
