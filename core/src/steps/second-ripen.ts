import { factsOf, paramsOf, type StepOf, type StepType } from './step-type.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'second-ripen');

/** Without its grains it sours on and turns fizzy. */
export const SECOND_RIPEN: StepType = {
  kind: 'second-ripen',
  facts: factsOf({ inThePot: 'souring', waits: true, pad: 'ph' }),
  words: () => ({
    title: 'Ripen once more',
    doneWords: 'Into the cold',
    doing: 'Fill bottles four fifths full, close them loosely, and vent them at least once a day.',
    why: 'It goes on souring and makes gas; a little milk sugar goes, a little alcohol comes.',
    endWords: 'into the cold',
    due: { title: 'Into the cold, and vent it', text: 'Open the bottle slowly, cold.' },
  }),
  aim: (_plan, of) => ({ to: 'time', minutes: own(of).hours * 60 }),
  hands: () => ({ handsMin: 3, slackMin: 240, mustAct: false }),
  cautions: () => ['bottle-pressure'],
  stands: (_plan, of) => own(of).stands,
  later: ({ of }) => ({ minutes: own(of).hours * 60 }),
};
