import { createRandom, hashSeed } from '@morning-crock/core';

/** Letters of a ULID. */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** Its first ones are its time, the others chance. */
const OF_TIME = 10;
const OF_CHANCE = 16;

/**
 * The identity that a batch of a day begins with, the same on every tablet: two that begin it in the same second begin one.
 * @param day the day that is going on @param make the batch within it
 * @example fedId(day, make) === fedId(day, make) // true
 */
export function fedId(day: string, make: string): string {
  // Each seed is of 32 bits: two of them, half of the letters each.
  const chance = [`${day} ${make}`, `${make} ${day}`].map((text) => {
    const random = createRandom(hashSeed(text));
    return Array.from(
      { length: OF_CHANCE / 2 },
      () => LETTERS[Math.floor(random.uniform() * LETTERS.length)]!,
    ).join('');
  });
  return `${day.slice(0, OF_TIME)}${chance.join('')}`;
}
