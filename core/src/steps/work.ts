import type { MakePlan } from '../contract/index.ts';
import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'work');

/** Salt that the butter of a plan is to have, 0..1. */
export const saltShareOf = ({ method }: MakePlan): number =>
  method.steps.reduce((share, step) => (step.kind === 'work' ? step.saltFraction : share), 0);

/** The water is pressed out, and salt goes in. */
export const WORK: StepType = {
  kind: 'work',
  gerund: 'working',
  usual: { saltFraction: 0 },
  facts: factsOf({
    inThePot: 'butter',
    pad: 'mass',
    tells: true,
  }),
  words: (_plan, of) => ({
    title: own(of).saltFraction > 0 ? 'Work and salt' : 'Work',
    doneWords: 'Butter is worked',
    doing:
      own(of).saltFraction > 0
        ? 'Press and fold until no drops show. Weigh the butter, then work in the salt.'
        : 'Press and fold until no drops show.',
    why: 'Water left in butter shortens its keeping time. Salt helps because it turns that water into brine.',
  }),
  hands: () => ({ handsMin: 10, slackMin: 60, mustAct: false }),
  cautions: () => ['clean-hands', 'cold-store'],
};
