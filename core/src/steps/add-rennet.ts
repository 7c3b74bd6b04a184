import type { MakePlan, StepInstance } from '../contract/index.ts';
import { rennetStrength, rennetUnits } from '../science/curd/index.ts';
import { batchOf } from '../setup/index.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';

export type RennetStep = Extract<StepInstance, { kind: 'add-rennet' }>;

/** The rennet of a plan; `null` for one without. */
export const rennetOf = ({ method }: Pick<MakePlan, 'method'>): RennetStep | null =>
  method.steps.find((step): step is RennetStep => step.kind === 'add-rennet') ?? null;

/** How much of it goes in, in its own unit. @example rennetAmount(plan, step) // 0.9 mL */
export const rennetAmount = (plan: MakePlan, { unit, strengthImcu, imcuPerLitre }: RennetStep): number =>
  rennetUnits(batchOf(plan).litres, imcuPerLitre, rennetStrength(unit, strengthImcu).imcu);

/** "about 12 drops" */
export function rennetWords(plan: MakePlan, step: RennetStep): string {
  const amount = rennetAmount(plan, step);
  const about = step.strengthImcu === null ? 'about ' : '';
  if (step.unit === 'mL') return `${about}${amount < 10 ? amount.toFixed(1) : Math.round(amount)} mL`;
  if (step.unit === 'drop') return `${about}${Math.max(1, Math.round(amount))} drops`;
  // Tablets break into eighths at best.
  return `${about}${Math.max(0.125, Math.round(amount * 8) / 8)} tablet`;
}

/** Rennet goes in. */
export const ADD_RENNET: StepType = {
  kind: 'add-rennet',
  gerund: 'adding rennet',
  usual: { imcuPerLitre: 30, unit: 'mL', strengthImcu: null },
  asks: ['rennet'],
  facts: factsOf({ inThePot: 'warm-milk' }),
  setProvesNothing: 'A rennet set proves nothing.',
  words: (_plan, of) => ({
    title: 'Add rennet',
    doneWords: 'Rennet is in',
    doing:
      paramsOf(of.step, 'add-rennet').strengthImcu === null
        ? 'Dilute the rennet in cool, chlorine-free water. Stir it in gently for half a minute, then let the milk come to rest. Its strength is not known, so the setting time is a rough guess. This batch will show it.'
        : 'Dilute the rennet in cool, chlorine-free water. Stir it in gently for half a minute, then let the milk come to rest.',
    why: 'Rennet cuts the casein, so the milk sets while still sweet. Chlorine and hard stirring spoil the rennet.',
    endWords: 'rennet in',
  }),
  hands: () => ({ handsMin: 3, slackMin: 30, mustAct: false }),
  cautions: () => ['rennet-no-acid'],
  aim: (plan, of) => ({ to: 'words', words: rennetWords(plan, paramsOf(of.step, 'add-rennet')) }),
};
