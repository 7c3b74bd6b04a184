import { BY_PART, type LarderMovement } from '../../contract/index.ts';
import { takeFrom, type Moment, type RoomDraft } from './movements.ts';

/**
 * What a make gave to the milk room and is put up into jars leaves it: it stands in the larder from then on. Of what never
 * stood in the milk room nothing leaves it.
 */
export function putUp(
  room: RoomDraft,
  { good, pieces }: Extract<LarderMovement, { kind: 'put-up' }>,
  moment: Moment,
): void {
  const make = good.makeId === null ? undefined : room.making.get(good.makeId);
  if (!make) return;
  const besides = Object.entries(BY_PART).find(([what]) => what === good.what);
  const part = besides ? besides[1] : good.what === make.plan.product ? 'out' : null;
  const lotId = part === null ? null : (make.gave[part]?.lotId ?? null);
  if (lotId === null) return;
  const massKg = pieces.reduce((sum, { count, eachKg }) => sum + count * eachKg, 0);
  takeFrom(room, moment, lotId, massKg, 'put-up', moment.streamId);
}
