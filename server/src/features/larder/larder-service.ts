import { applyToLarder, copyLarder, LARDER_EVENTS, openLarder, type LarderDraft } from '@morning-crock/core';
import { createRegister } from '../events/register.ts';

/** Every kitchen's larder, folded from its log. */
export const larderRegister = createRegister<LarderDraft>({
  types: LARDER_EVENTS,
  open: openLarder,
  apply: applyToLarder,
  copy: copyLarder,
  kept: 'larder',
});
