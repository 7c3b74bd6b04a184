import type { EventOf, EventType } from '@morning-crock/core/contract';

/** Takes an entry of a practice. @returns its identity there */
export type PracticeDoor = <T extends EventType>(type: T, data: EventOf<T>['data']) => string;

const doors = new Map<string, PracticeDoor>();

/** Entries of a practice batch stay in the practice: they go through this door, and never to the kitchen. @returns how to close it */
export function openPracticeDoor(streamId: string, door: PracticeDoor): () => void {
  doors.set(streamId, door);
  return () => {
    if (doors.get(streamId) === door) doors.delete(streamId);
  };
}

/** The door of a practice batch; `undefined` for a batch of the kitchen. */
export const practising = (streamId: string): PracticeDoor | undefined => doors.get(streamId);
