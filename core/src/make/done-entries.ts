import type { Said } from '../steps/index.ts';
import type { MakeState } from './state.ts';
import { withinOf } from './within.ts';

/** What is recorded of a batch past its safety clock: it is done with. */
export const DISCARDED = {
  type: 'finished',
  data: { verdict: 'discarded', reason: 'Too long warm before souring was confirmed' },
} as const satisfies Said;

/**
 * What is recorded by calling the present step done: pouring and inoculating say what was planned as what went in, a step of
 * several loads what happened to one of them. Empty when nothing is left to do.
 * @example doneEntries(state) // [{ type: 'step-done', data: { step: 'heat' } }]
 */
export function doneEntries(state: MakeState): readonly Said[] {
  const step = state.current?.step;
  if (!step) return [];
  if (step.facts.endedBy === 'fed')
    return [{ type: 'fed', data: { step: step.id, massKg: null, typed: null } }];
  if (step.facts.inoculates && state.plan.starter.kind !== 'none') {
    const { massKg, statedRatio, typed } = state.plan.starter;
    return [{ type: 'starter-added', data: { massKg, statedRatio, typed } }];
  }
  const { lots } = state.plan.milk;
  if (step.facts.endedBy === 'milk-poured' && lots) {
    const from = lots.map(({ lotId, massKg }) => ({
      lotId,
      massKg,
      typed: { value: Math.round(massKg * 1000), unit: 'g' as const },
    }));
    return [{ type: 'milk-poured', data: { from } }];
  }
  const within = withinOf(state);
  return [
    ...(within?.says ?? []),
    ...(within && !within.ends ? [] : [{ type: 'step-done', data: { step: step.id } } as const]),
  ];
}
