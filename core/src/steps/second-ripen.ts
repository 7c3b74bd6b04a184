import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'second-ripen');

/** Without its grains it sours on and turns fizzy. */
export const SECOND_RIPEN: StepType = {
  kind: 'second-ripen',
  gerund: 'second ripening',
  usual: { hours: 12, stands: 'room' },
  asks: ['bottles'],
  facts: factsOf({ inThePot: 'souring', waits: true, pad: 'ph' }),
  words: () => ({
    title: 'Second ripening',
    doneWords: 'Move to fridge',
    doing: 'Fill the bottles four-fifths full and close them loosely. Vent them at least once a day.',
    why: 'Kefir goes on souring and makes gas. A little milk sugar turns into alcohol.',
    endWords: 'into the fridge',
    due: { title: 'Chill and vent', text: 'Move the bottle to the fridge. Open it slowly, once cold.' },
  }),
  aim: (_plan, of) => ({ to: 'time', minutes: own(of).hours * 60 }),
  hands: () => ({ handsMin: 3, slackMin: 240, mustAct: false }),
  cautions: () => ['bottle-pressure'],
  stands: (_plan, of) => own(of).stands,
  later: ({ of }) => ({ minutes: own(of).hours * 60 }),
};
