import type { MakePlan, Method } from '../contract/index.ts';
import type { CauseId } from '../science/causes/index.ts';
import { warmCulture } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { stepFacts } from '../steps/index.ts';

/** Milk unfolds its whey protein at this heat in this time. */
const WELL_HEATED = { targetC: 85, holdMin: 20 } as const;
/** A yogurt culture bears this well; others this. */
const GOES_IN_AT_C = { warm: 43, cool: 26 } as const;
const COOLER_BY_K = 3;
/** Ropy strains pull no threads at this, °C. */
const NOT_ROPY_C = 42;
const POWDER_SHARE = 0.03;

type Change = (plan: MakePlan) => Partial<MakePlan> | null;

const setTo =
  (celsius: (now: number) => number): Change =>
  ({ place }) =>
    place.kind === 'appliance' &&
    place.setPointC !== undefined &&
    celsius(place.setPointC) !== place.setPointC
      ? { place: { ...place, setPointC: celsius(place.setPointC) } }
      : null;

/** What of a plan would be otherwise the next time, by what was wrong. */
const CHANGES: Readonly<Partial<Record<CauseId, Change>>> = {
  unheated: ({ heat }) =>
    heat.kind === 'hold' && heat.targetC >= WELL_HEATED.targetC && heat.holdMin >= WELL_HEATED.holdMin
      ? null
      : { heat: { ...heat, kind: 'hold', ...WELL_HEATED } },
  'too-hot': ({ inoculateC, starter }) => {
    const goesIn = GOES_IN_AT_C[warmCulture(starter.kind) ? 'warm' : 'cool'];
    return inoculateC > goesIn ? { inoculateC: goesIn } : null;
  },
  'place-hot': setTo((now) => now - COOLER_BY_K),
  ropy: setTo((now) => Math.max(now, NOT_ROPY_C)),
  lean: (plan) => {
    if (plan.milk.powder) return null;
    const massKg = Math.round(batchOf(plan).massKg * POWDER_SHARE * 1000) / 1000;
    return {
      milk: {
        ...plan.milk,
        powder: { kind: 'skim', massKg, typed: { value: Math.round(massKg * 1000), unit: 'g' } },
      },
    };
  },
};

/**
 * A plan with the one thing changed that a cause asks for; `null` where nothing of a plan would change it.
 * @example changedFor(plan, 'unheated')?.heat.targetC // 85
 */
export function changedFor(plan: MakePlan, cause: CauseId): MakePlan | null {
  const change = CHANGES[cause]?.(plan);
  return change ? { ...plan, ...change } : null;
}

type MethodChange = (method: Method, plan: MakePlan) => Partial<Method['aims']> | null;

/** A dial turned, in a method: from where the plan had it. */
const dialTo =
  (cause: CauseId): MethodChange =>
  ({ aims }, plan) => {
    const setPointC = changedFor(plan, cause)?.place.setPointC;
    return setPointC === undefined
      ? null
      : { place: { ...(aims.place ?? { kind: 'appliance' }), setPointC } };
  };

/** The same change in a method, so that everybody who follows it makes it. */
const METHOD_CHANGES: Readonly<Partial<Record<CauseId, MethodChange>>> = {
  unheated: ({ aims, steps }, plan) => {
    const changed = changedFor(plan, 'unheated');
    // What is never heated is another way of making it.
    return changed && steps.some(({ kind }) => stepFacts(kind).moves === 'up')
      ? { heat: { ...(aims.heat ?? changed.heat), kind: 'hold', ...WELL_HEATED } }
      : null;
  },
  'too-hot': (_method, plan) => {
    const changed = changedFor(plan, 'too-hot');
    return changed && { inoculateC: changed.inoculateC };
  },
  'place-hot': dialTo('place-hot'),
  ropy: dialTo('ropy'),
  lean: ({ aims }, plan) =>
    changedFor(plan, 'lean') && aims.powderShare === undefined ? { powderShare: POWDER_SHARE } : null,
};

/**
 * A method with the one thing changed that a cause asks for; its version stays as it is. `null` where nothing of a method would
 * change it.
 * @param plan the batch it went wrong with
 */
export function methodChangedFor(method: Method, plan: MakePlan, cause: CauseId): Method | null {
  const aims = METHOD_CHANGES[cause]?.(method, plan);
  return aims ? { ...method, aims: { ...method.aims, ...aims } } : null;
}
