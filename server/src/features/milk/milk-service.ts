import {
  applyToRoom,
  begunBy,
  copyRoom,
  foldMilkRoom,
  MILK_EVENTS,
  movementFault,
  shortage,
  type MeasureSystem,
  type MilkRoom,
  type RoomDraft,
} from '@morning-crock/core';
import type { DraftEvent, StoredEvent } from '@morning-crock/core/contract';
import { AppError } from '../../plugins/errors.ts';
import { createRegister } from '../events/register.ts';

/** Every kitchen's milk room, folded from its log. */
export const milkRegister = createRegister<RoomDraft>({
  types: MILK_EVENTS,
  fold: foldMilkRoom,
  apply: applyToRoom,
  copy: copyRoom,
});

/**
 * Refuses what cannot have happened to a lot, and a plan that asks for more than there is. What happened is stored.
 * @throws AppError
 */
export function checkMilk(room: MilkRoom, draft: DraftEvent, system: MeasureSystem): void {
  if (draft.type === 'milk-moved') {
    const fault = movementFault(room, draft.streamId, draft.data, Date.parse(draft.at), system);
    if (fault) throw new AppError('bad-input', [fault]);
  }
  if (draft.type === 'make-started' && draft.data.plan.milk.lots) {
    const short = shortage(room, draft.streamId, draft.data.plan.milk.lots, system);
    if (short)
      throw new AppError('not-enough', [
        { path: `data.plan.milk.lots.${short.index}.massKg`, message: short.message },
      ]);
  }
  if (draft.type === 'milk-poured') {
    for (const [i, { lotId }] of draft.data.from.entries())
      if (!room.lots.has(lotId))
        throw new AppError('bad-input', [
          { path: `data.from.${i}.lotId`, message: 'there is no such lot in the milk room' },
        ]);
  }
}

/**
 * Refuses to undo what others have built on.
 * @throws AppError when a lot that began with the entry was used since
 */
export function checkMilkUndo(room: MilkRoom, aim: StoredEvent): void {
  if (aim.type !== 'milk-moved') return;
  const begun = new Set(begunBy(room, aim.streamId, aim.data, aim.id));
  const used =
    room.lines.some((line) => begun.has(line.lotId) && line.eventId !== aim.id) ||
    [...room.asked.values()].some((pours) => pours.some((pour) => begun.has(pour.lotId)));
  if (used) throw new AppError('in-use');
}
