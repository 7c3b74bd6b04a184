import { firmnessIndex, firmnessWord, MILK_CUES } from '../science/souring/index.ts';
import type { Souring } from './step-type.ts';

/** How milk that sours comes out, and how that is told: the same in a warmer and in a waking's jar. */
export const MILK_CURD: Pick<Souring, 'body' | 'bodyWord' | 'cues' | 'smellCounts'> = {
  body: ({ batch, denatured, ph, gelC }) =>
    firmnessIndex({
      proteinFraction: batch.composition.proteinFraction,
      denatured,
      ph,
      gelC,
      bodyFactor: batch.bodyFactor,
    }),
  bodyWord: firmnessWord,
  cues: MILK_CUES,
  smellCounts: false,
};
