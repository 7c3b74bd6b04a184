import {
  bandForecast,
  foldMake,
  isOver,
  lessonOf,
  momentsOf,
  observeRate,
  type BandForecast,
  type HandsMoment,
  type Lesson,
  type TakenGoods,
  type Observation,
} from '@morning-crock/core';
import type { FactorsUsed, MakeSummary, StoredEvent } from '@morning-crock/core/contract';
import { summarise } from '../features/makes/summarise.ts';

interface OfMake {
  readonly makeId: string;
  readonly events: readonly StoredEvent[];
}

/** What a make under way still asks of hands. */
export interface MakeMoments {
  readonly name: string;
  readonly moments: readonly HandsMoment[];
}

/** The long work: each a function of what it is given, so that it may be done anywhere. `null` where there is no make, or none that can be read. */
export const TASKS = {
  /** Asked only so that a thread is there. */
  nothing: (_: null): null => null,
  summary: ({
    makeId,
    events,
    taken,
  }: OfMake & { readonly taken: readonly TakenGoods[] }): MakeSummary | null =>
    summarise(makeId, events, taken),
  lesson: ({ makeId, events }: OfMake): Lesson | null => {
    const state = foldMake(makeId, events);
    return state && lessonOf(state);
  },
  rate: ({ makeId, events, known }: OfMake & { readonly known: FactorsUsed }): Observation[] | null => {
    const state = foldMake(makeId, events);
    return state && observeRate(state, known);
  },
  moments: ({
    makeId,
    events,
    nowMs,
    seed,
  }: OfMake & { readonly nowMs: number; readonly seed: number }): MakeMoments | null => {
    const state = foldMake(makeId, events);
    if (!state || state.finished) return null;
    const forecast = bandForecast(state, nowMs, seed);
    // What is to be discarded asks for nothing more.
    const over = isOver(state, forecast.point, nowMs);
    return { name: state.plan.name, moments: over ? [] : momentsOf(state, forecast) };
  },
  forecast: ({
    makeId,
    events,
    nowMs,
    seed,
  }: OfMake & { readonly nowMs: number; readonly seed: number }): BandForecast | null => {
    const state = foldMake(makeId, events);
    return state && bandForecast(state, nowMs, seed);
  },
};

type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;
export type Input<T extends TaskName> = Parameters<Tasks[T]>[0];
export type Output<T extends TaskName> = ReturnType<Tasks[T]>;
