import type { MakePlan, StepId } from '../contract/index.ts';
import type { CautionId } from './cautions.ts';

/** One step of a method for one batch. */
export interface MethodStep {
  readonly id: StepId;
  readonly title: string;
  /** What to do, in one sentence. */
  readonly doing: string;
  /** What a cook says when it is done; the label of the one large button. */
  readonly doneWords: string;
  /** Minutes that need the cook, at its end unless it is all hands. */
  readonly handsMin: number;
  /** How long its end may wait before the milk suffers, minutes. */
  readonly slackMin: number;
  /** Must act when due, rather than may wait. */
  readonly mustAct: boolean;
  readonly cautions: readonly CautionId[];
  readonly why: string;
}

type StepType = (plan: MakePlan) => MethodStep | null;

/** Whether milk gets a heat treatment that counts as one. */
export const isHeated = (plan: MakePlan): boolean => plan.heat.kind !== 'none';

const inWater = (plan: MakePlan): boolean => plan.cooling !== undefined && plan.cooling.kind !== 'counter';
const bathCautions = (plan: MakePlan): readonly CautionId[] => (inWater(plan) ? ['hot-milk'] : []);

function coolingWords(plan: MakePlan): string {
  if (!inWater(plan)) return 'Let it cool to inoculating heat; skim the skin.';
  return plan.cooling?.kind === 'iced-bath'
    ? 'Stand the pot in the iced water and stir; take it out at inoculating heat, it falls fast.'
    : 'Stand the pot in the cold water; take it out at inoculating heat.';
}

/** One entry a step type: it looks at the plan and answers with the step, or `null` when the plan has none. */
const STEP_TYPES: readonly StepType[] = [
  (plan) => ({
    id: 'pour',
    title: 'Pour the milk',
    doneWords: 'The milk is in',
    doing: plan.milk.powder
      ? `Pour the milk into ${plan.pot.name} and whisk the powder in while it is cold.`
      : `Pour the milk into ${plan.pot.name}.`,
    handsMin: 4,
    slackMin: 120,
    mustAct: false,
    cautions: plan.milk.treatment === 'raw' ? ['raw-milk'] : [],
    why: 'How much is in the pot decides how fast it warms and cools.',
  }),
  (plan) => ({
    id: 'heat',
    title: isHeated(plan) ? 'Heat' : 'Warm',
    doneWords: isHeated(plan) ? 'It is hot enough' : 'It is warm enough',
    doing: isHeated(plan)
      ? 'Warm it up, stirring, to the heat below.'
      : 'Warm it gently to inoculating heat.',
    handsMin: 3,
    slackMin: 5,
    mustAct: true,
    cautions: isHeated(plan) ? ['hot-milk', 'probe-not-surface', 'not-a-certificate'] : ['probe-not-surface'],
    why: isHeated(plan)
      ? 'Heat unfolds the whey proteins: they join the curd and make it firmer.'
      : 'Unheated milk sets late and soft.',
  }),
  (plan) =>
    plan.heat.kind === 'hold' || (plan.heat.kind === 'boil' && plan.heat.holdMin > 0)
      ? {
          id: 'hold',
          title: 'Hold hot',
          doneWords: 'Held long enough',
          doing: 'Keep it at this heat, stirring now and then.',
          handsMin: 2,
          slackMin: 10,
          mustAct: false,
          cautions: ['hot-milk'],
          why: 'Time at heat goes on unfolding the whey proteins; the meter shows how far.',
        }
      : null,
  (plan) =>
    isHeated(plan)
      ? {
          id: 'cool',
          title: 'Cool',
          doneWords: 'Cool enough',
          doing: coolingWords(plan),
          handsMin: plan.cooling && plan.cooling.kind !== 'counter' ? 6 : 2,
          slackMin: 20,
          mustAct: true,
          cautions: ['probe-not-surface', 'glass-shock', ...bathCautions(plan)],
          why: 'Too hot kills the culture; too cool is slow.',
        }
      : null,
  (plan) => ({
    id: 'inoculate',
    title: 'Inoculate',
    doneWords: plan.starter.kind === 'none' ? 'Covered' : 'The starter is in',
    doing:
      plan.starter.kind === 'none'
        ? 'No starter: cover it and leave it to sour.'
        : 'Whisk the starter smooth in a little milk, then stir it in.',
    handsMin: 6,
    slackMin: 20,
    mustAct: true,
    cautions: plan.starter.kind === 'none' ? ['raw-milk', 'treated-needs-starter'] : ['too-hot-kills'],
    why: 'The dose and its age set the clock.',
  }),
  () => ({
    id: 'incubate',
    title: 'Incubate',
    doneWords: 'Into the cold',
    doing: 'Keep it warm and still. Look without stirring: tilt the jar.',
    handsMin: 3,
    slackMin: 60,
    mustAct: false,
    cautions: ['clean-smell-first', 'discard'],
    why: 'The culture turns milk sugar into acid; the curd sets on the way down.',
  }),
  () => ({
    id: 'chill',
    title: 'Chill',
    doneWords: 'Chilled through',
    doing: 'Into the cold at once; judge it after 4 to 24 hours.',
    handsMin: 4,
    slackMin: 30,
    mustAct: true,
    cautions: ['cold-store', 'allergen'],
    why: 'Cold stops the souring and firms the curd.',
  }),
  () => ({
    id: 'weigh',
    title: 'Weigh',
    doneWords: 'Go on without weighing',
    doing: 'Weigh what came out.',
    handsMin: 2,
    slackMin: 2880,
    mustAct: false,
    cautions: [],
    why: 'Mass in against mass out shows what was lost.',
  }),
  () => ({
    id: 'taste',
    title: 'Taste',
    doneWords: 'Go on without tasting',
    doing: 'Smell, look, then taste.',
    handsMin: 2,
    slackMin: 2880,
    mustAct: false,
    cautions: ['clean-smell-first', 'discard'],
    why: 'Your own judgement beside the forecast teaches the kitchen.',
  }),
  (plan) => ({
    id: 'reserve',
    title: 'Keep a spoonful',
    doneWords: 'Keep none',
    doing: 'Put some aside for the next make before it is all eaten.',
    handsMin: 2,
    slackMin: 2880,
    mustAct: false,
    cautions: plan.milk.treatment === 'raw' && !isHeated(plan) ? ['starter-raw'] : [],
    why: 'The next make starts from this one.',
  }),
];

/** The steps of a plan, in order. @example methodSteps(plan).map((s) => s.id) // ['pour', 'heat', …] */
export function methodSteps(plan: MakePlan): MethodStep[] {
  return STEP_TYPES.flatMap((type) => type(plan) ?? []);
}
