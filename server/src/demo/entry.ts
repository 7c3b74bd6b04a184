import { EVENT_VERSION, type DraftEvent, type EventOf, type EventType } from '@morning-crock/core/contract';
import { ulid } from 'ulid';

const DEVICE = 'dairy-tablet';
/** What the kitchen is furnished with, before anybody enters anything. */
export const SEED_DEVICE = 'seed';

/** An entry of the demo as the log takes it. */
export function entry<T extends EventType>(
  streamId: string,
  atMs: number,
  type: T,
  data: EventOf<T>['data'],
  deviceId = DEVICE,
): DraftEvent {
  const ms = Math.round(atMs);
  return {
    id: ulid(ms),
    streamId,
    at: new Date(ms).toISOString(),
    cookId: null,
    deviceId,
    version: EVENT_VERSION,
    type,
    data,
  } as DraftEvent;
}
