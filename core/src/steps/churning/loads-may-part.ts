import { SALT_TOLD, WORK_TOLD } from '../butter-told.ts';
import type { MakeView } from '../make-view.ts';
import { told } from '../told.ts';

/** Butter grains that are neither salted, cut nor weighed: each load may have an end of its own. */
export const loadsMayPart = (make: MakeView): boolean =>
  make.finished === null &&
  make.current !== null &&
  make.steps.some(({ step, status }) => step.kind === 'churn' && status === 'done') &&
  make.weighedKg === null &&
  told(make, SALT_TOLD) === null &&
  told(make, WORK_TOLD).pieces.length === 0;
