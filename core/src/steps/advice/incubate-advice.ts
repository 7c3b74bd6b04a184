import type { Advise } from '../step-type.ts';
import { boundsOfDose } from './dose-advice.ts';

export const adviseIncubate: Advise = (plan) => [
  boundsOfDose(plan, { most: 0.15, least: 0.004, usual: '1–3 % is usual', of: 'milk' }),
];
