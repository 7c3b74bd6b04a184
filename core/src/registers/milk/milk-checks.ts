import type { Lot, MilkMovement } from '../../contract/index.ts';
import type { EntryFault, LoggedEvent, Replayed } from '../../log/index.ts';
import { formatMass, type MeasureSystem } from '../../science/units/index.ts';
import { isEmpty } from './lot.ts';
import { isCream } from './pooling.ts';
import type { RoomDraft } from './movements.ts';
import { applyToRoom, openRoom, type MilkRoom } from './balances.ts';

/** A page's sums and ours may differ in the last digits. */
const FAT_SLACK = 1e-4;
const frozen = (lot: Lot): string => `${lot.name} is frozen. Thaw it first`;
const NO_LOT = 'there is no such lot in the milk room';

/**
 * Whether a movement makes sense with what the ledger holds. Taking more than there is does: it happened, and the lot
 * is marked to be recounted. Only what cannot have happened is refused.
 */
export function movementFault(
  room: MilkRoom,
  lotId: string,
  data: MilkMovement,
  atMs: number,
  system: MeasureSystem = 'metric',
): EntryFault | null {
  const lot = room.lots.get(lotId);
  if (data.kind === 'intake')
    return lot ? { path: 'streamId', message: 'this lot has already been added' } : null;
  if (!lot) return { path: 'streamId', message: NO_LOT };
  if (atMs < lot.takenInMs) return { path: 'at', message: `is before ${lot.name} came in` };
  switch (data.kind) {
    case 'skim':
      if (isEmpty(lot)) return { path: 'data.creamKg', message: `${lot.name} is empty` };
      if (lot.place === 'freezer') return { path: 'data.kind', message: frozen(lot) };
      if (lot.role !== 'milk') return { path: 'data.kind', message: `${lot.name} has already been skimmed` };
      if (data.creamKg > lot.has.massKg)
        return {
          path: 'data.creamKg',
          message: `is more than the ${formatMass(lot.has.massKg, system)} in ${lot.name}. If there is more, recount the lot first`,
        };
      if (data.fatFraction < lot.of.fatFraction - FAT_SLACK)
        return {
          path: 'data.fatFraction',
          message: `is leaner than ${lot.name}, which has ${(lot.of.fatFraction * 100).toFixed(1)} %`,
        };
      if (room.lots.has(data.cream.lotId) || room.lots.has(data.rest.lotId))
        return { path: 'data.cream.lotId', message: 'is already a lot' };
      return null;
    case 'pool': {
      const into = room.lots.get(data.into.lotId);
      if (into && isCream(into) !== isCream(lot))
        return isCream(into)
          ? { path: 'data.into.lotId', message: `${into.name} is cream, but ${lot.name} is not` }
          : { path: 'data.into.lotId', message: `${into.name} is milk, but ${lot.name} is not` };
      if (!isCream(lot) && lot.place === 'freezer') return { path: 'streamId', message: frozen(lot) };
      return data.into.lotId === lotId
        ? { path: 'data.into.lotId', message: 'cannot be poured into itself' }
        : null;
    }
    case 'move':
    case 'freeze':
      return lot.thawed && (data.kind === 'freeze' || data.place === 'freezer')
        ? { path: 'data.kind', message: `${lot.name} has been frozen once. Do not freeze it again` }
        : null;
    case 'thaw':
      if (data.readyAt !== null && Date.parse(data.readyAt) < atMs)
        return { path: 'data.readyAt', message: 'is before the lot comes out of the freezer' };
      if (lot.place !== 'freezer') return { path: 'data.kind', message: `${lot.name} is not frozen` };
      return room.lots.has(data.into.lotId) ? { path: 'data.into.lotId', message: 'is already a lot' } : null;
    case 'churn':
      return data.butterKg + data.buttermilkKg > data.massKg * 1.1
        ? {
            path: 'data.butterKg',
            message: 'is too much: butter and buttermilk weigh more than the cream did',
          }
        : null;
    default:
      return null;
  }
}

/** The milk room as a log is gone through, for what a late entry, a correction or an undo would make impossible. */
export function milkReplay(system: MeasureSystem = 'metric'): Replayed<RoomDraft> {
  const missing = (room: RoomDraft, from: readonly { readonly lotId: string }[], at: string) => {
    const index = from.findIndex(({ lotId }) => !room.lots.has(lotId));
    return index < 0 ? null : { path: `${at}.${index}.lotId`, message: NO_LOT };
  };
  return {
    open: () => openRoom(),
    apply: applyToRoom,
    fault: (room, event) => {
      switch (event.type) {
        case 'milk-moved':
          return movementFault(room, event.streamId, event.data, Date.parse(event.at), system);
        case 'milk-poured':
          return missing(room, event.data.from, 'data.from');
        case 'make-started':
          return missing(room, event.data.plan.milk.lots ?? [], 'data.plan.milk.lots');
        default:
          return null;
      }
    },
  };
}

const TAKES_OUT = new Set<MilkMovement['kind']>(['give', 'churn', 'recount']);

/** Whether an entry says what happened and is stored whatever later entries then look like: the lot asks for a recount. */
export const takesOut = (event: LoggedEvent): boolean =>
  event.type === 'milk-poured' || (event.type === 'milk-moved' && TAKES_OUT.has(event.data.kind));
