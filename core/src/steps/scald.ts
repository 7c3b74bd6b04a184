import { isHeated } from '../setup/index.ts';
import { HEAT } from './heat.ts';
import type { StepType } from './step-type.ts';

/** Cream is heated first: only when it is asked for. */
export const SCALD: StepType = {
  ...HEAT,
  kind: 'scald',
  gerund: 'scalding',
  ways: () => ['scalded'],
  applies: isHeated,
  words: () => ({
    title: 'Scald',
    doneWords: 'Hot enough',
    doing: 'Warm the cream slowly. Keep stirring and do not let it boil.',
    why: 'Scalding clears out what got in since the carton was opened. Scalded cream also thickens better.',
    endWords: 'hot at',
    due: {
      title: 'Hot enough',
      text: 'The cream should be hot enough. Check the temperature, then let the cream cool.',
    },
  }),
};
