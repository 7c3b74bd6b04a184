import { HOUR_MS, type Alarm, type NextHands } from '@morning-crock/core';
import type { Knot, MakePicture } from '../workers/make-picture.ts';

/** What is under way and asks for hands. */
export interface Attended {
  readonly id: string;
  readonly name: string;
  readonly alarms: readonly Alarm[];
  readonly next: NextHands | null;
  /** Within the next hours. */
  readonly knots: readonly Knot[];
}

export const THREAD_H = 24;

/** Which of two wants hands first at an instant: what rings, then what is due sooner. */
export function soonerAt(nowMs: number) {
  const rings = ({ alarms }: Pick<Attended, 'alarms'>): boolean =>
    alarms.some(({ dueAtMs }) => dueAtMs <= nowMs);
  type Due = Pick<Attended, 'alarms'> & { readonly next: NextHands };
  return (a: Due, b: Due): number => Number(rings(b)) - Number(rings(a)) || a.next.atMs - b.next.atMs;
}

/** A make with the hands it asks for within the next day. */
export const attendedMake = ({ id, name, alarms, next, knots }: MakePicture, nowMs: number): Attended => ({
  id,
  name,
  alarms,
  next,
  knots: knots.filter(({ atMs }) => atMs >= nowMs && atMs <= nowMs + THREAD_H * HOUR_MS),
});
