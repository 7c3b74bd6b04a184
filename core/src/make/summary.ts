import { PRODUCT_TAKES, type MakeOutcome } from '../contract/index.ts';
import { DEFECT_FACTS, STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { MILK_FACTS } from '../science/milk/index.ts';
import { productOf } from '../products/index.ts';
import { STEP_TYPES, wheyOffKg } from '../steps/index.ts';
import { makeAt } from './make-at.ts';
import { makeFlow, starterKg } from './make-flow.ts';
import { pointForecast } from './forecast.ts';
import { safetyOf } from './safety.ts';
import { seenSetMs } from './seen.ts';
import { souringOf, type MakeState } from './state.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Where the milk went, by mass. */
export interface YieldBalance {
  readonly milkKg: number;
  readonly starterKg: number;
  /** `null` until it is weighed. */
  readonly outKg: number | null;
  /** Whey that was caught and not stirred back. */
  readonly wheyKg: number;
  /** In minus out: evaporated, skin, left on the pot. */
  readonly lostKg: number | null;
  readonly yieldFraction: number | null;
}

/** The mass balance of a make. */
export function yieldOf(state: MakeState): YieldBalance {
  const milkKg = batchOf(state.plan).massKg;
  const starterInKg = starterKg(state) ?? 0;
  const outKg = state.weighedKg;
  const { into } = makeFlow(state, 0);
  const wheyKg = state.steps.reduce(
    (sum, { step }) => sum + (wheyOffKg(state, step.id, into.get(step.id)?.massKg ?? 0) ?? 0),
    0,
  );
  return {
    milkKg,
    starterKg: starterInKg,
    outKg,
    wheyKg,
    lostKg:
      outKg === null ? null : milkKg + starterInKg - outKg - wheyKg - (state.byProductsKg.buttermilk ?? 0),
    yieldFraction: outKg === null ? null : outKg / (milkKg + starterInKg),
  };
}

/** How much is likely to come out of it, kg; `null` where no step says. @example likelyKg(ghee) // 0.31 of 400 g butter */
export function likelyKg({ plan, steps }: Pick<MakeState, 'plan' | 'steps'>): number | null {
  const { goods } = productOf(plan);
  for (const { step } of steps) {
    const kg = STEP_TYPES[step.kind].givesKg?.(plan, { step: step.instance, goods });
    if (kg !== undefined) return kg;
  }
  return null;
}

/** When somebody first saw it set, hours since inoculation. */
export function seenSetH(state: MakeState): number | null {
  const ms = seenSetMs(state);
  return ms === null || state.inoculatedAtMs === null ? null : (ms - state.inoculatedAtMs) / HOUR_MS;
}

/** Hours from the forecast inoculation to the forecast set. */
export function plannedSetH(state: MakeState): [number | null, number | null, number | null] {
  const { planned } = state;
  const inoculating = state.steps.find(({ step }) => step.facts.inoculates)?.step;
  const zero = planned?.steps.find(({ step }) => step === inoculating?.id)?.end.p50;
  if (!planned || zero === null || zero === undefined) return [null, null, null];
  const hours = (ms: number | null): number | null => (ms === null ? null : (ms - zero) / HOUR_MS);
  return [hours(planned.set.p10), hours(planned.set.p50), hours(planned.set.p90)];
}

/** Whether a finished make had passed the safety clock's limit. */
export function doNotEat(state: MakeState): boolean {
  if (!state.finished) return false;
  const endMs = state.finished.atMs;
  return safetyOf(state, pointForecast(state, endMs).temperature, endMs, null).verdict === 'over';
}

/** What went in, litres: of what is fed little by little, as much as was fed. */
function litresIn({ plan, fed, steps }: MakeState): number {
  const { litres, massKg } = batchOf(plan);
  if (fed.size === 0) return litres;
  const kg = steps.reduce(
    (sum, { step }) =>
      sum + (fed.get(step.id) ?? (fed.has(step.id) && 'massKg' in step.instance ? step.instance.massKg : 0)),
    0,
  );
  return (litres * kg) / massKg;
}

/** What a batch is remembered by: what was wrong with it, and the last note, or what was said when it was tasted. */
function noteOf({ notes, tasting }: MakeState): string | null {
  const said = notes.at(-1)?.text ?? (tasting?.text || null);
  const defects = (tasting?.defects ?? []).map((defect) => DEFECT_FACTS[defect].label).join(', ');
  return defects === '' ? said : said === null ? defects : `${defects}. ${said}`;
}

/** What its steps have to say of it in a line. */
function outcomeOf(state: MakeState): Pick<MakeOutcome, 'churned'> {
  const at = makeAt(state, state.finished?.atMs ?? state.startedAtMs);
  return state.steps.reduce<Pick<MakeOutcome, 'churned'>>(
    (said, { step }) => ({ ...said, ...STEP_TYPES[step.kind].outcome?.(at) }),
    { churned: null },
  );
}

/** How a make turned out, in a line. */
export function summaryOf(state: MakeState): MakeOutcome {
  return {
    id: state.id,
    name: state.plan.name,
    startedAt: new Date(state.startedAtMs).toISOString(),
    finishedAt: state.finished ? new Date(state.finished.atMs).toISOString() : null,
    status: state.finished ? state.finished.verdict : 'under-way',
    doNotEat: doNotEat(state),
    waking: PRODUCT_TAKES[state.plan.product] === 'packet',
    litres: litresIn(state),
    milk: MILK_FACTS[state.plan.milk.kind].label,
    starter: souringOf(state) ? STARTER_FACTS[state.plan.starter.kind].label : '',
    product: state.plan.product,
    methodId: state.plan.method.id,
    forecastSetH: plannedSetH(state),
    seenSetH: seenSetH(state),
    yieldKg: state.weighedKg,
    sourness: state.tasting?.sourness ?? null,
    texture: state.tasting?.texture ?? null,
    note: noteOf(state),
    ...outcomeOf(state),
  };
}
