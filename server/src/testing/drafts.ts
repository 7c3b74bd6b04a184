import { defaultKitchen, defaultPlan } from '@morning-crock/core';
import {
  EVENT_VERSION,
  type CultureFacts,
  type DraftEvent,
  type EventOf,
  type EventType,
  type LotFacts,
} from '@morning-crock/core/contract';
import { cultureLike, MILKING } from '@morning-crock/core/fixtures';
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

/** A milking taken into stock. */
export function intakeDraft(
  lotId: string,
  litres: number,
  atMs: number,
  facts: Partial<LotFacts> = {},
): DraftEvent {
  return draft(lotId, atMs, 'milk-moved', {
    kind: 'intake',
    lot: { ...MILKING, ...facts },
    litres,
    typed: { value: litres, unit: 'L' },
    forRecord: false,
  });
}

/** A culture taken in. */
export function cultureDraft(cultureId: string, atMs: number, facts: Partial<CultureFacts> = {}): DraftEvent {
  return draft(cultureId, atMs, 'culture-changed', {
    kind: 'taken-in',
    culture: cultureLike(facts),
  });
}
