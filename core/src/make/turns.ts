import { productOf } from '../products/index.ts';
import { CURD_TOLD, STEP_TYPES, told, whenThere } from '../steps/index.ts';
import type { StepId } from '../contract/index.ts';
import type { PointForecast } from './forecast.ts';
import { dueMs, isLate } from './moments.ts';
import type { MakeState } from './state.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** The next of the hands in between: turned, or stirred through. */
export interface Turn {
  readonly step: StepId;
  /** 1 for the first. */
  readonly no: number;
  readonly of: number;
  /** When, fitted to who is there. */
  readonly atMs: number;
  readonly words: string;
}

/**
 * The next turn of the present step; `null` when it has none, or its end comes first. A turn nobody is up for waits for the
 * morning, and the next is counted from when it was done.
 */
export function nextTurn(make: MakeState, point: Pick<PointForecast, 'steps'>): Turn | null {
  const { plan, current } = make;
  if (!current) return null;
  const { step, startedAtMs } = current;
  const { goods } = productOf(plan);
  const everyMin = STEP_TYPES[step.kind].everyMin?.({ step: step.instance, goods }) ?? null;
  const time = point.steps.find(({ id }) => id === step.id);
  if (everyMin === null || !time || startedAtMs === null) return null;
  const done = told(make, CURD_TOLD).turns.filter(
    (turn) => turn.step === step.id && turn.atMs >= startedAtMs,
  );
  // What should be over is no longer turned: it is to be taken out.
  const overMs = Math.min(dueMs(make, point) ?? time.endMs, time.endMs);
  const lastMs = done.at(-1)?.atMs ?? startedAtMs;
  const atMs = whenThere(plan, lastMs + everyMin * MINUTE_MS);
  const wholeMin = (overMs - startedAtMs) / MINUTE_MS;
  const of = Math.max(done.length + 1, Math.ceil(wholeMin / everyMin) - 1);
  // A turn just before it is over is not worth getting up for.
  if (atMs > overMs - 0.25 * everyMin * MINUTE_MS || isLate(overMs, time.endMs)) return null;
  return {
    step: step.id,
    no: done.length + 1,
    of,
    atMs,
    words: step.facts.inThePot === 'wheel' ? 'Turn the cheese' : 'Stir the mix',
  };
}
