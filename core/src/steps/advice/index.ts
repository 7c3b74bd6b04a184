import type { StepKind } from '../../contract/index.ts';
import type { Advise } from '../step-type.ts';
import { adviseChurn } from './churn.ts';
import { adviseHeat } from './heat.ts';
import { adviseIncubate } from './incubate.ts';
import { adviseRipen } from './ripen.ts';
import { adviseTemper } from './temper.ts';

/** What speaks against a plan because of one of its steps. Apart from the steps: only who plans needs it. */
export const STEP_ADVICE: Readonly<Partial<Record<StepKind, Advise>>> = {
  heat: adviseHeat,
  scald: adviseHeat,
  incubate: adviseIncubate,
  ripen: adviseRipen,
  temper: adviseTemper,
  churn: adviseChurn,
};
