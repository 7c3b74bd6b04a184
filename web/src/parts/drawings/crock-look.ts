import {
  batchOf,
  interpolateLinear,
  productOf,
  seenSetMs,
  SET_PH,
  markPh,
  markWords,
  souringOf,
  souringPlan,
  STAGE_SHARE,
  STEP_TYPES,
  type MakeState,
  type PointForecast,
  type SafetyState,
  type StepFacts,
} from '@morning-crock/core';
import type { CrockLook } from './CrockDrawing.tsx';

/** Nearer than this to its set it trembles, pH. */
const NEAR_SET = 0.6;

/** What stands in the pot where its step alone tells. */
const BY_STEP: Readonly<
  Partial<Record<StepFacts['inThePot'], readonly [CrockLook['surface'], (into: string) => string]>>
> = {
  milk: ['still', (into) => `${into} in the pot`],
  'hot-milk': ['hot', (into) => `hot ${into}`],
  'warm-milk': ['liquid', (into) => `warm ${into}`],
  cold: ['cold', () => 'in the fridge'],
  cream: ['cold', (into) => `${into} in the fridge`],
  tempering: ['still', (into) => `${into} coming to temperature`],
  grains: ['grains', () => 'butter grains'],
  butter: ['lump', () => 'butter'],
  ghee: ['gold', () => 'on the burner'],
  'hot-ghee': ['gold', () => 'hot, off the burner'],
  curd: ['set', () => 'curd'],
  cloth: ['cloth', () => 'draining'],
  wheel: ['wheel', () => 'cheese'],
};

/** The cream in a churn by the last stage that was seen, or by how much of the time is over. */
function churnSurface(state: MakeState, point: PointForecast | null, nowMs: number): CrockLook['surface'] {
  const step = state.current?.step;
  const time = point?.steps.find((s) => s.id === step?.id);
  const seen = step ? (STEP_TYPES[step.kind].shareSeen?.(state) ?? null) : null;
  const share = seen ?? (time ? (nowMs - time.startMs) / Math.max(1, time.endMs - time.startMs) : 0);
  if (seen === 1) return 'grains';
  if (share < STAGE_SHARE.froth) return 'liquid';
  return share < STAGE_SHARE.soft ? 'froth' : 'stiff';
}

/** How a make's crock looks now, from its step and what the model and the cues say. */
export function crockLook(
  state: MakeState,
  point: PointForecast | null,
  safety: SafetyState | null,
  nowMs: number,
): CrockLook {
  const { brush } = productOf(state.plan).drawn;
  const { into } = productOf(state.plan).goods;
  const fill = batchOf(souringPlan(state)).litres / state.plan.pot.litres;
  const look = (surface: CrockLook['surface'], words: string): CrockLook => ({
    fill,
    brush,
    surface,
    label: `${state.plan.name}: ${words}`,
  });
  if (safety?.verdict === 'over') return look('bad', 'do not taste');
  const inThePot = state.current?.step.facts.inThePot ?? 'milk';
  const current = state.current?.step.kind;
  if (current && STEP_TYPES[current].shareSeen)
    return look(churnSurface(state, point, nowMs), 'in the churn');
  const known = BY_STEP[inThePot];
  if (known) return look(known[0], known[1](into));
  const souring = souringOf(state);
  const mark = markWords(state, 'body').toLowerCase() || 'set';
  const asSet = souring?.smellCounts ? 'thick' : 'set';
  const seen = state.acidity.findLast((entry) => entry.reading.kind === 'cue')?.reading;
  if (seen?.kind === 'cue' && (seen.cue === 'whey-shows' || seen.cue === 'curdled'))
    return look('whey', seen.cue === 'curdled' ? 'curdled' : 'set, whey showing');
  if (seenSetMs(state) !== null) return look(asSet, mark);
  if (!point || point.ph.length === 0) return look('liquid', 'souring');
  const ph = interpolateLinear(
    point.ph.map(([ms]) => ms),
    point.ph.map(([, v]) => v),
    nowMs,
  );
  const setPh = (souring && markPh(souring, state.plan, 'body')) ?? SET_PH;
  if (ph <= setPh) return look(asSet, `probably ${mark}`);
  return ph <= setPh + NEAR_SET ? look('trembles', `nearly ${mark}`) : look('liquid', 'still liquid');
}
