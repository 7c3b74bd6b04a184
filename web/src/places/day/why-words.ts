import type { DayHands, WhyHere } from '@morning-crock/core';

/** Why hands are where they are, and how long they may wait, in a sentence or two. */
export function whyWords(
  why: WhyHere,
  hands: readonly DayHands[],
  nameOf: (make: string) => string,
  timeOf: (minute: number) => string,
): string {
  const { after } = why;
  const other = after && hands.find((h) => h.make === after.make && h.step === after.task);
  const before = other ? `${other.title.toLowerCase()}, ${nameOf(other.make)}` : '';
  const thing = why.thing?.startsWith('place ') ? 'warm place' : (why.thing ?? '');
  const earlier = {
    begins: 'As early as it may begin.',
    wait: 'As soon as what is before it is over.',
    hands: `Hands were at something else until then: ${before}.`,
    away: 'Nobody is there before.',
    thing: `The ${thing} was taken until then: ${before}.`,
    others: 'It waits so that the others fit.',
  }[why.notEarlier];
  return why.latest === null ? earlier : `${earlier} It may wait until ${timeOf(why.latest)}.`;
}
