import type { MakePlan, StepKind } from '@morning-crock/core/contract';
import { ButterBack } from './ButterBack.tsx';

/** A kind of step whose plans are worked out from when they shall be over. */
const BY_KIND: Readonly<Partial<Record<StepKind, typeof ButterBack>>> = { churn: ButterBack };

/** How a plan is worked back from its end because of its steps; `null` where nothing of them decides it. */
export const backOf = ({ method }: MakePlan): typeof ButterBack | null =>
  method.steps.flatMap(({ kind }) => BY_KIND[kind] ?? [])[0] ?? null;
