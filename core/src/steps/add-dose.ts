import type { MakePlan, StepInstance } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: Pick<StepOf, 'step'>) => paramsOf(step, 'add-dose');
export type DoseStep = Extract<StepInstance, { kind: 'add-dose' }>;
type Dosed = DoseStep['what'];

/** What is dosed by its label, and why it goes in; the doses are where labels usually lie, to begin with [judgement]. */
export const DOSED: Readonly<
  Record<
    Dosed,
    {
      readonly label: string;
      readonly unit: DoseStep['unit'];
      readonly perLitre: number;
      readonly why: string;
    }
  >
> = {
  'calcium-chloride': {
    label: 'calcium chloride',
    unit: 'mL',
    perLitre: 0.3,
    why: 'Heated or chilled milk sets softly. This makes the curd firmer.',
  },
  lipase: {
    label: 'lipase',
    unit: 'g',
    perLitre: 0.05,
    why: 'It splits fat as the cheese ages, for a sharper taste. Too much makes a soft curd.',
  },
};

/** "0.6 mL", "12 drops" @example doseWords(plan, step) // "0.6 mL" for 2 L at 0.3 mL a litre */
export function labelDoseWords(plan: MakePlan, { perLitre, unit }: DoseStep): string {
  const amount = perLitre * batchOf(plan).litres;
  if (unit === 'drops') {
    const drops = Math.max(1, Math.round(amount));
    return `${drops} ${drops === 1 ? 'drop' : 'drops'}`;
  }
  return `${amount < 10 ? Number(amount.toPrecision(2)) : Math.round(amount)} ${unit}`;
}

/** Something goes in by what its label says: so much for so much milk. */
export const ADD_DOSE: StepType = {
  kind: 'add-dose',
  gerund: 'adding a dose by label',
  usual: { what: 'calcium-chloride', perLitre: 0.3, unit: 'mL' },
  asks: ['calcium chloride or lipase, with its label'],
  facts: factsOf({ inThePot: 'warm-milk' }),
  words: (_plan, of) => {
    const { label, why } = DOSED[own(of).what];
    return {
      title: `Add ${label}`,
      doneWords: 'Stirred in',
      doing: `Dissolve the ${label} in half a cup of cool, boiled water. Stir it into the milk. Its own label overrides this dose.`,
      why,
    };
  },
  aim: (plan, of) => ({ to: 'added', words: labelDoseWords(plan, own(of)) }),
  hands: () => ({ handsMin: 2, slackMin: 30, mustAct: false }),
  cautions: () => [],
};
