import type { Treatment } from './settling.ts';
import { DAY_H, HOUR_MS } from '../units/index.ts';

/** The cold the table is for, °C. */
const COLD_C = 5;
/** Unacidified milk lasts half as long for each of these kelvins more. */
const HALVES_PER_C = 4;
/** Longer than this above the cold is said. */
const WARM_FLAG_H = 2;
/** Below this it is frozen, °C. */
const FROZEN_C = -8;

/** What decides how long a milk or cream keeps. */
export interface Keeping {
  readonly treatment: Treatment;
  readonly soured: boolean;
  /** Was frozen once. */
  readonly thawed: boolean;
  /** What it is, where that tells more than how it was treated. */
  readonly role?: string;
  /** Where it has stood: from when, and how warm; the last one goes on. */
  readonly spells: readonly { readonly fromMs: number; readonly celsius: number }[];
}

/** Until when, as a range, and why. */
export interface KeepBy {
  readonly fromMs: number;
  readonly toMs: number;
  readonly reason: string;
  /** Hours it stood warmer than it should. */
  readonly warmH: number;
  readonly stoodWarm: boolean;
  /** Raw cream that is to sour anyway keeps longer than to drink; `null` for all else. */
  readonly toChurn: { readonly fromMs: number; readonly toMs: number } | null;
}

interface Table {
  readonly days: readonly [number, number];
  readonly reason: string;
}

/** Days at or below 5 °C [judgement]; source: docs/SCIENCE.md, keeping. */
function tableOf({ treatment, soured, thawed, role }: Keeping): Table {
  if (thawed) return { days: [1, 2], reason: 'thawed: use within a day or two' };
  if (soured) return { days: [10, 14], reason: 'soured: the acid preserves it' };
  if (role === 'buttermilk') return { days: [3, 5], reason: 'sweet buttermilk' };
  if (treatment === 'raw') return { days: [2, 4], reason: 'raw' };
  return {
    days: [4, 7],
    reason: treatment === 'pasteurised' ? 'pasteurised, opened' : 'ultra-heated, opened',
  };
}
/** Raw cream to churn or ripen: it sours meanwhile, which it is to [judgement]. */
const TO_CHURN_DAYS: readonly [number, number] = [7, 10];
const mayChurn = ({ treatment, soured, thawed, role }: Keeping): boolean =>
  role === 'cream' && treatment === 'raw' && !soured && !thawed;
const FROZEN_DAYS: readonly [number, number] = [60, 120];

/** How much of its life each hour at a heat takes, 1/h, for the short and the long end. */
function wear(keeping: Keeping, celsius: number): readonly [number, number] {
  if (celsius <= FROZEN_C) return [1 / (FROZEN_DAYS[0] * DAY_H), 1 / (FROZEN_DAYS[1] * DAY_H)];
  const { days } = tableOf(keeping);
  // Acid slows what warmth speeds: soured milk is not halved, only kept to its table.
  const faster = keeping.soured ? 1 : 2 ** (Math.max(0, celsius - COLD_C) / HALVES_PER_C);
  return [faster / (days[0] * DAY_H), faster / (days[1] * DAY_H)];
}

/** Shares of its life used up till an instant, for the short and the long end. */
export function lifeUsed(keeping: Keeping, untilMs: number): readonly [number, number] {
  let short = 0;
  let long = 0;
  for (const [i, spell] of keeping.spells.entries()) {
    const endMs = Math.min(untilMs, keeping.spells[i + 1]?.fromMs ?? untilMs);
    const hours = Math.max(0, (endMs - spell.fromMs) / HOUR_MS);
    const [s, l] = wear(keeping, spell.celsius);
    short += hours * s;
    long += hours * l;
  }
  return [short, long];
}

/**
 * How long it keeps from here on if it stays where it is: a judgement, shown as a range with its reason.
 * @example keepBy({ treatment: 'raw', soured: false, thawed: false, spells: [{ fromMs, celsius: 4 }] }, nowMs)
 */
export function keepBy(keeping: Keeping, nowMs: number): KeepBy {
  const last = keeping.spells.at(-1);
  const celsius = last?.celsius ?? COLD_C;
  const used = lifeUsed(keeping, nowMs);
  const rates = wear(keeping, celsius);
  const ends = used.map((u, i) => nowMs + ((1 - u) / rates[i]!) * HOUR_MS);
  const warmH = keeping.spells.reduce((sum, spell, i) => {
    const endMs = Math.min(nowMs, keeping.spells[i + 1]?.fromMs ?? nowMs);
    return spell.celsius > COLD_C ? sum + Math.max(0, (endMs - spell.fromMs) / HOUR_MS) : sum;
  }, 0);
  const frozen = celsius <= FROZEN_C;
  const { days, reason } = tableOf(keeping);
  // What it used up of its time to drink, it used up of its time to churn by as many hours.
  const churnEnd = (i: 0 | 1): number => {
    const longer = TO_CHURN_DAYS[i] / days[i];
    return nowMs + ((1 - used[i] / longer) / (rates[i] / longer)) * HOUR_MS;
  };
  return {
    fromMs: ends[0]!,
    toMs: ends[1]!,
    reason: frozen
      ? `${reason.split(':')[0]!}, frozen`
      : celsius > COLD_C
        ? `${reason}, kept too warm`
        : reason,
    warmH,
    stoodWarm: !keeping.soured && warmH > WARM_FLAG_H,
    toChurn: mayChurn(keeping) && !frozen ? { fromMs: churnEnd(0), toMs: churnEnd(1) } : null,
  };
}
