import type { MilkMovement } from '../contract/index.ts';
import { formatMass, type MeasureSystem } from '../units/index.ts';
import { isEmpty } from './lot.ts';
import type { MilkRoom } from './room.ts';

/** What is wrong with a movement, and where. */
export interface MovementFault {
  readonly path: string;
  readonly message: string;
}

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
): MovementFault | null {
  const lot = room.lots.get(lotId);
  if (data.kind === 'intake')
    return lot ? { path: 'streamId', message: 'this lot was taken in before' } : null;
  if (!lot) return { path: 'streamId', message: 'there is no such lot in the milk room' };
  if (atMs < lot.takenInMs) return { path: 'at', message: `is before ${lot.name} came in` };
  switch (data.kind) {
    case 'skim':
      if (isEmpty(lot)) return { path: 'data.creamKg', message: `${lot.name} is empty` };
      if (lot.role !== 'milk') return { path: 'data.kind', message: `${lot.name} was skimmed before` };
      if (data.creamKg > lot.has.massKg)
        return {
          path: 'data.creamKg',
          message: `is more than the ${formatMass(lot.has.massKg, system)} in ${lot.name}; recount it first if there is more`,
        };
      if (room.lots.has(data.cream.lotId) || room.lots.has(data.rest.lotId))
        return { path: 'data.cream.lotId', message: 'is a lot already' };
      return null;
    case 'pool': {
      const pot = room.lots.get(data.into.lotId);
      if (pot && pot.role !== 'pot')
        return { path: 'data.into.lotId', message: `${pot.name} is no cream pot` };
      if (lot.role === 'skimmed' || lot.role === 'milk')
        return { path: 'streamId', message: `${lot.name} is no cream` };
      return data.into.lotId === lotId ? { path: 'data.into.lotId', message: 'is the same pot' } : null;
    }
    case 'freeze':
      return lot.thawed ? { path: 'data.kind', message: `${lot.name} was frozen once: not again` } : null;
    case 'thaw':
      if (data.readyAt !== null && Date.parse(data.readyAt) < atMs)
        return { path: 'data.readyAt', message: 'is before it comes out of the freezer' };
      if (lot.place !== 'freezer') return { path: 'data.kind', message: `${lot.name} is not frozen` };
      return room.lots.has(data.into.lotId) ? { path: 'data.into.lotId', message: 'is a lot already' } : null;
    case 'churn':
      return data.butterKg + data.buttermilkKg > data.massKg * 1.1
        ? { path: 'data.butterKg', message: 'butter and buttermilk weigh more than the cream did' }
        : null;
    default:
      return null;
  }
}

/** Lots that began with an entry, for what must not be undone once they were used. */
export function begunBy(room: MilkRoom, lotId: string, data: MilkMovement, eventId: string): string[] {
  switch (data.kind) {
    case 'pool': {
      // The portion that a pot began with: without it the later ones would have no pot.
      const first = room.lines.find((line) => line.lotId === data.into.lotId);
      return first?.eventId === eventId ? [data.into.lotId] : [];
    }
    case 'intake':
      return [lotId];
    case 'skim':
      return [data.cream.lotId, data.rest.lotId];
    case 'thaw':
      return [data.into.lotId];
    default:
      return [];
  }
}
