import { isHeated } from '../method/index.ts';
import { HEAT } from './heat.ts';
import type { StepType } from './step-type.ts';

/** Cream is heated first: only when it is asked for. */
export const SCALD: StepType = {
  ...HEAT,
  kind: 'scald',
  applies: isHeated,
  words: () => ({
    title: 'Scald',
    doneWords: 'It is hot enough',
    doing: 'Warm the cream slowly, stirring, to the heat below; it must not boil.',
    why: 'Heat clears out what came in since it was opened, and makes it thicken better.',
    endWords: 'hot at',
    due: { title: 'Hot enough', text: 'The cream should be at its heat: measure, then let it cool.' },
  }),
};
