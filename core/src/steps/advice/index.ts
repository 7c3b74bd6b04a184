import type { StepKind } from '../../contract/index.ts';
import type { Advise } from '../step-type.ts';
import { adviseChurn } from './churn-advice.ts';
import { adviseHeat } from './heat-advice.ts';
import { adviseIncubate } from './incubate-advice.ts';
import { adviseRipen } from './ripen-advice.ts';
import { adviseTemper } from './temper-advice.ts';

/** What speaks against a plan because of one of its steps. Apart from the steps: only who plans needs it. */
export const STEP_ADVICE: Readonly<Partial<Record<StepKind, Advise>>> = {
  heat: adviseHeat,
  scald: adviseHeat,
  incubate: adviseIncubate,
  ripen: adviseRipen,
  temper: adviseTemper,
  churn: adviseChurn,
};
