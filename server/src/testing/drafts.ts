import { defaultKitchen, defaultPlan } from '@morning-crock/core';
import { EVENT_VERSION, type DraftEvent, type EventOf, type EventType } from '@morning-crock/core/contract';
import { ulid } from 'ulid';

/** An event as a page would send it. */
export function draft<T extends EventType>(
  streamId: string,
  atMs: number,
  type: T,
  data: EventOf<T>['data'],
  deviceId = 'test-page',
): DraftEvent {
  return {
    id: ulid(),
    streamId,
    at: new Date(atMs).toISOString(),
    cookId: null,
    deviceId,
    version: EVENT_VERSION,
    type,
    data,
  } as DraftEvent;
}

/** The start of an ordinary make of two litres. */
export function startDraft(makeId: string, atMs: number): DraftEvent {
  const at = new Date(atMs).toISOString();
  return draft(makeId, atMs, 'make-started', { plan: defaultPlan(defaultKitchen('UTC'), at) });
}
