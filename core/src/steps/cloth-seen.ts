import type { StepId } from '../contract/index.ts';
import { CURD_TOLD, type CurdSeen } from './curd-run.ts';
import type { MakeView } from './make-view.ts';
import { told } from './told.ts';

/** What was seen of one cloth. */
export interface ClothSeen {
  /** Whey it let go by then, ms since 1970, in order; also what was stirred back since. */
  readonly whey: readonly { readonly atMs: number; readonly wheyKg: number }[];
  /** Weighings before any whey went back: only they lie on one curve of draining. */
  readonly onCurve: readonly { readonly atMs: number; readonly wheyKg: number }[];
  readonly returnedKg: number;
  /** Whey that is off by the last weighing, less what went back, kg; `null` when nothing was weighed. */
  readonly offKg: number | null;
}

/**
 * What a step's cloth let go, by bowl or bag. The bowl lacks what was stirred back before it was weighed, and the bag has it.
 * @param wholeKg what hung in the cloth at first, kg
 * @example clothSeen({ weighed: [{ step: 'strain', of: 'curd', massKg: 1.2, atMs }], … }, 'strain', 2).offKg // 0.8
 */
export function clothSeen(seen: CurdSeen, step: StepId, wholeKg: number): ClothSeen {
  const returned = seen.returned.filter((back) => back.step === step);
  const returnedBy = (atMs: number): number =>
    returned.reduce((sum, back) => sum + (back.atMs <= atMs ? back.massKg : 0), 0);
  const whey = seen.weighed
    .filter((weighing) => weighing.step === step)
    .map(({ of, massKg, atMs }) => ({
      atMs,
      wheyKg: (of === 'whey' ? massKg : Math.max(0, wholeKg - massKg)) + returnedBy(atMs),
    }));
  const returnedKg = returnedBy(Infinity);
  const last = whey.at(-1);
  return {
    whey,
    onCurve: whey.filter(({ atMs }) => returnedBy(atMs) === 0),
    returnedKg,
    offKg: last ? Math.max(0, last.wheyKg - returnedKg) : null,
  };
}

/** Whey that one step's cloth let go, kg, by what was weighed of it; `null` where nobody weighed. */
export const wheyOffKg = (make: Pick<MakeView, 'events'>, step: StepId, wholeKg: number): number | null =>
  clothSeen(told(make, CURD_TOLD), step, wholeKg).offKg;

/** Something of a curd stood on the scales already. */
export const wheyWeighed = (make: Pick<MakeView, 'events'>): boolean =>
  told(make, CURD_TOLD).weighed.length > 0;
