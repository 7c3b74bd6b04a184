import {
  applyToRoom,
  copyRoom,
  openRoom,
  MILK_EVENTS,
  shortage,
  type MeasureSystem,
  type MilkRoom,
  type RoomDraft,
} from '@morning-crock/core';
import type { DraftEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { createRegister, type RegisterFold } from '../events/register.ts';

/** Every kitchen's milk room, folded from its log. */
export const MILK_FOLD: RegisterFold<RoomDraft> = {
  types: MILK_EVENTS,
  open: openRoom,
  apply: applyToRoom,
  copy: copyRoom,
  kept: 'milk',
};
export const milkRegister = createRegister(MILK_FOLD);

/**
 * Refuses a plan that asks for more than there is.
 * @throws AppError
 */
export function checkPlannedMilk(room: MilkRoom, draft: DraftEvent, system: MeasureSystem): void {
  if (draft.type !== 'make-started' || !draft.data.plan.milk.lots) return;
  // What was parted off another make was poured with that one.
  if (draft.data.plan.splitFrom !== undefined) return;
  const short = shortage(room, draft.streamId, draft.data.plan.milk.lots, system);
  if (short)
    throw new AppError('not-enough', [
      { path: `data.plan.milk.lots.${short.index}.massKg`, message: short.message },
    ]);
}
