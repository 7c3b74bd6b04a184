import { makeAt, type MakeState } from '../make/index.ts';
import { faultyKindsOf } from '../products/index.ts';
import type { CauseId, ClueId, ComplaintId, LogClue } from '../science/causes/index.ts';
import { STARTER_FACTS, warmCulture } from '../science/souring/index.ts';
import { placeUnchecked } from '../setup/index.ts';
import { churningClues, churningLog, curdClues, ruledOut } from '../steps/index.ts';
import { kefirLogClues, milkLogClues } from './milk-log-clues.ts';
import { OF_SOURING } from './walked.ts';

/** A place nobody checked is to blame more often; one that many batches taught, less. */
const UNCHECKED_TIMES = 1.9;
const TAUGHT_TIMES = 0.8;
const TAUGHT_BATCHES = 4;

/** What moves the priors: whether the place was ever checked, and what cannot be at all. */
export function movesOf(state: MakeState): Partial<Record<CauseId, number>> {
  const { plan } = state;
  const taught = (plan.factors?.placeHeat?.makes ?? 0) >= TAUGHT_BATCHES;
  const place = placeUnchecked(plan) ? UNCHECKED_TIMES : taught ? TAUGHT_TIMES : 1;
  const none = STARTER_FACTS[plan.starter.kind].dosing === 'none';
  return {
    'place-cold': place,
    'place-hot': place,
    // Heated, milk that sours by itself would not sour.
    ...(none ? { 'starter-weak': 0, 'under-dosed': 0, 'too-hot': 0, unheated: 0 } : {}),
    ...ruledOut(state),
    ...(state.temperatures.length === 0 ? { 'thermometer-off': 0 } : {}),
  };
}

/** Clues that say nothing of this batch, whoever answers: their words fit another one, or the log says it better. */
export function notAsked(state: MakeState, complaint: ComplaintId, nowMs: number): ReadonlySet<ClueId> {
  const { inoculatedAtMs, temperatures, chilledAtMs, finished } = state;
  const readWhileSouring = temperatures.some(({ atMs }) => atMs > (inoculatedAtMs ?? Infinity));
  // A thermometer says more than a hand, or than somebody remembers.
  const walked = OF_SOURING.has(complaint) && readWhileSouring;
  const over = chilledAtMs !== null || finished !== null;
  return new Set<ClueId>([
    ...(!warmCulture(state.plan.starter.kind) || walked || (OF_SOURING.has(complaint) && !over)
      ? (['stood'] as const)
      : []),
    ...(walked || over ? (['place-checked'] as const) : []),
    ...(temperatures.length === 0 ? (['ice-check'] as const) : []),
    // The log's own hours tell it.
    ...(inoculatedAtMs === null ? [] : (['stood-for'] as const)),
    ...(churningLog(makeAt(state, nowMs)) ? (['churned-for', 'broke-in'] as const) : []),
  ]);
}

/** What the log itself says of a complaint's clues. */
export function logClues(state: MakeState, nowMs: number): LogClue[] {
  const kinds = new Set(faultyKindsOf(state.plan));
  const at = makeAt(state, nowMs);
  return [
    ...(kinds.has('milk') || kinds.has('curd') || kinds.has('cream') || kinds.has('kefir')
      ? milkLogClues(state, nowMs)
      : []),
    ...(kinds.has('kefir') || kinds.has('cream') ? kefirLogClues(state, nowMs) : []),
    ...(kinds.has('butter') ? churningClues(at) : []),
    ...(kinds.has('curd') ? curdClues(at) : []),
  ];
}
