import { factsOf, paramsOf, type StepType } from './step-type.ts';
import type { StepOf } from './step-of.ts';

const own = ({ step }: StepOf) => paramsOf(step, 'own');

/** A step of the maker's own: as it was written. */
export const OWN: StepType = {
  kind: 'own',
  gerund: 'your own step',
  usual: { title: 'Your own step', doing: '', handsMin: 5, waitMin: 0, stands: 'as-it-is' },
  facts: factsOf({ inThePot: 'curd', waits: true, overnight: true }),
  words: (_plan, of) => ({
    title: own(of).title,
    doneWords: 'Done',
    doing: own(of).doing,
    why: '',
    due: { title: own(of).title, text: own(of).doing },
  }),
  aim: (_plan, of) =>
    own(of).waitMin > 0
      ? { to: 'time', minutes: own(of).handsMin + own(of).waitMin }
      : { to: 'words', words: '' },
  hands: (_plan, of) => ({ handsMin: own(of).handsMin, slackMin: 60, mustAct: false }),
  cautions: () => [],
  stands: (_plan, of) => own(of).stands,
  later: ({ of }) => ({ minutes: own(of).waitMin + own(of).handsMin }),
};
