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
    begins: 'Earliest possible start.',
    fed: 'Starts once the batch it is made from is done.',
    wait: 'Starts as soon as the step before ends.',
    hands: `Everyone is busy until then: ${before}.`,
    away: 'Nobody is available earlier.',
    thing: `The ${thing} is in use until then: ${before}.`,
    others: 'Placed here so that the other steps fit.',
    'put-off': 'Begins later so that someone is free when the later steps need hands.',
  }[why.notEarlier];
  return why.latest === null ? earlier : `${earlier} Can wait until ${timeOf(why.latest)}.`;
}
