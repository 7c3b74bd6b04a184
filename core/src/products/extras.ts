import type { MakePlan, StepInstance } from '../contract/index.ts';
import { DOSED, freeName, stepFacts, STEP_TYPES, type DoseStep } from '../steps/index.ts';

type Steps = readonly StepInstance[];
export type MixStep = Extract<StepInstance, { kind: 'mix-in' }>;

const putIn = (steps: Steps, step: StepInstance, at: number): StepInstance[] => [
  ...steps.slice(0, at),
  step,
  ...steps.slice(at),
];

/** Everything that may be dosed by its label. */
export const DOSED_KINDS = Object.keys(DOSED) as readonly DoseStep['what'][];

/** What is dosed by its label in a plan. */
export const dosesOf = ({ method }: Pick<MakePlan, 'method'>): DoseStep[] =>
  method.steps.filter((step): step is DoseStep => step.kind === 'add-dose');

/** What is stirred in. */
export const mixedIn = ({ method }: Pick<MakePlan, 'method'>): MixStep[] =>
  method.steps.filter((step): step is MixStep => step.kind === 'mix-in');

/** Steps with something dosed by its label, just before the rennet; `null` where no rennet goes in. */
export function withDose(steps: Steps, what: DoseStep['what']): StepInstance[] | null {
  const at = steps.findIndex(({ kind }) => STEP_TYPES[kind].setProvesNothing !== undefined);
  const { unit, perLitre } = DOSED[what];
  return at < 0
    ? null
    : putIn(steps, { id: freeName(steps, 'add-dose'), kind: 'add-dose', what, unit, perLitre }, at);
}

/**
 * Steps with something stirred in once it has soured and is cold: the culture neither suffers nor eats it.
 * @param fraction of the whole, 0..1
 */
export function withMixedIn(steps: Steps, what: string, fraction: number): StepInstance[] {
  const soured = steps.findLastIndex(({ kind }) => stepFacts(kind).sours);
  const weighed = steps.findIndex(({ kind }, i) => i > soured && stepFacts(kind).whenever);
  return putIn(
    steps,
    {
      id: freeName(steps, 'mix-in'),
      kind: 'mix-in',
      what,
      fraction,
      keepsD: null,
      alcohol: false,
    },
    weighed < 0 ? steps.length : weighed,
  );
}
