import { feedKg, type StepId, type WakingPlan } from '../contract/index.ts';
import { litresOfMass, MILK_FACTS } from '../science/milk/index.ts';
import type { Fed } from '../steps/index.ts';
import type { MethodStep } from '../steps/index.ts';
import { DAY_MS, MINUTE_MS } from '../science/units/index.ts';

/** One feed of a waking, planned or done, ms since 1970. */
export interface FeedRow {
  readonly n: number;
  readonly massKg: number;
  /** When to begin: scalding, or stirring in at once. */
  readonly beginMs: number;
  readonly feedMs: number;
  readonly setMs: number;
  /** How far it is: nothing yet, fed and standing, or set. */
  readonly is: 'coming' | 'standing' | 'set';
}

const LOOK_MS = 5 * MINUTE_MS;

interface StepAt {
  readonly id: StepId;
  readonly status: 'done' | 'skipped' | 'current' | 'coming';
  readonly endMs: number;
}

/**
 * The feeds of a waking with their times.
 * @param steps of the make, and when each ends
 */
export function feedRows(
  steps: readonly { readonly step: MethodStep }[],
  times: readonly StepAt[],
  fed: Fed,
): FeedRow[] {
  const at = (id: StepId): StepAt | undefined => times.find((time) => time.id === id);
  const over = (time: StepAt): boolean => time.status === 'done' || time.status === 'skipped';
  return steps.flatMap(({ step }, i): FeedRow[] => {
    const { instance } = step;
    if (instance.kind !== 'feed') return [];
    const [feeding, standing] = [at(step.id), at(steps[i + 1]?.step.id ?? '')];
    if (!feeding || !standing) return [];
    return [
      {
        n: steps.slice(0, i + 1).filter((s) => s.step.instance.kind === 'feed').length,
        massKg: fed.get(step.id) ?? instance.massKg,
        beginMs: feeding.endMs - (step.leadMin ?? 0) * MINUTE_MS,
        feedMs: feeding.endMs,
        // To five minutes until somebody saw it: nobody knows it better.
        setMs: over(standing) ? standing.endMs : Math.round(standing.endMs / LOOK_MS) * LOOK_MS,
        is: over(standing) ? 'set' : over(feeding) ? 'standing' : 'coming',
      },
    ];
  });
}

/** An opened carton keeps this many days. */
const CARTON_DAYS = 4;

/** Milk for a whole waking: how much, how many cartons, and what does not come out of one, or lasts longer than an open one. */
export function milkForWaking(
  choices: WakingPlan,
  readyMs: number,
): { readonly massKg: number; readonly cartons: number | null; readonly words: string | null } {
  const massKg = Array.from({ length: choices.feeds }, (_, i) => feedKg(choices, i + 1)).reduce(
    (sum, kg) => sum + kg,
    0,
  );
  const litres = litresOfMass(massKg, MILK_FACTS['shop-whole'].composition);
  const cartons = choices.cartonLitres === null ? null : Math.ceil(litres / choices.cartonLitres - 1e-9);
  const lastsD = (readyMs - Date.parse(choices.startAt)) / DAY_MS;
  const words = [
    cartons !== null && cartons > 1 ? `One carton is not enough. You need ${cartons}.` : null,
    lastsD > CARTON_DAYS
      ? `Waking takes about ${Math.round(lastsD)} days, longer than an opened carton keeps. Open a fresh carton after ${CARTON_DAYS} days.`
      : null,
  ].filter((w) => w !== null);
  return { massKg, cartons, words: words.length > 0 ? words.join(' ') : null };
}
