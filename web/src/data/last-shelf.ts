import { EVENT_VERSION } from '@morning-crock/core/entry-version';
import { HOUR_MS } from '@morning-crock/core';
import type { MakePicture } from '../workers/make-picture.ts';

const KEY = 'shelf';
/** Older than this it says nothing of now. */
const USABLE_MS = 12 * HOUR_MS;
/** Pictures of another shape are not shown. */
const SHAPE = `1 of ${EVENT_VERSION}`;

export type Pictures = Readonly<Record<string, MakePicture>>;

/**
 * Keeps the shelf as it was last drawn, so that it stands there at once the next time. A browser that keeps nothing goes without.
 * Its age is told by the device's own clock: the server's is not known yet when it is asked for.
 */
export function keepShelf(pictures: Pictures): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ shape: SHAPE, atMs: Date.now(), pictures }));
  } catch {
    // Nothing is kept here, or there is no room.
  }
}

/** The shelf as it was last drawn on this device; empty when that says nothing of now. */
export function lastShelf(): Pictures {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as {
      readonly shape: string;
      readonly atMs: number;
      readonly pictures: Pictures;
    } | null;
    return kept?.shape === SHAPE && Math.abs(Date.now() - kept.atMs) < USABLE_MS ? kept.pictures : {};
  } catch {
    return {};
  }
}
