import type { StepId } from '../contract/index.ts';

/** Yogurt: milk warmed, soured in the warm by its culture, and chilled. */
export const YOGURT = {
  id: 'yogurt',
  label: 'Yogurt',
  steps: [
    'pour',
    'heat',
    'hold',
    'cool',
    'inoculate',
    'incubate',
    'chill',
    'weigh',
    'taste',
    'reserve',
  ] satisfies StepId[],
} as const;
