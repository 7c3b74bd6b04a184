import { heldSpans, lanesOf, type DayHands, capital } from '@morning-crock/core';

/** One row of the picture. */
export interface Lane {
  readonly id: string;
  readonly title: string;
  /** Things somebody does; the others are only taken. */
  readonly hands: readonly DayHands[];
  readonly taken: readonly { readonly from: number; readonly to: number; readonly title: string }[];
  readonly thread: boolean;
}

/** What the makes hold, each thing of which there are several by itself. */
export function thingLanes(
  hands: readonly DayHands[],
  nameOf: (make: string) => string,
  placeOf: (id: string) => string,
): Lane[] {
  const things = [...new Set(hands.flatMap(({ holds }) => holds))].sort();
  return things.flatMap((thing) => {
    const spans = lanesOf(heldSpans(hands, thing));
    const many = 1 + Math.max(-1, ...spans.map(({ lane }) => lane));
    const title = thing.startsWith('place ') ? placeOf(thing.slice(6)) : capital(thing);
    return Array.from({ length: many }, (_, lane) => ({
      id: `${thing} ${lane}`,
      title: many > 1 ? `${title} ${lane + 1}` : title,
      hands: [],
      thread: false,
      taken: spans
        .filter((s) => s.lane === lane)
        .map((s) => ({ from: s.from, to: s.to, title: nameOf(s.make) })),
    }));
  });
}
