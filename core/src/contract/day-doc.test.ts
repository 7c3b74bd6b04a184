import { describe, expect, test } from '@jest/globals';
import { dayLike } from '../fixtures/index.ts';
import { dayDoc } from './index.ts';

const id = (letter: string): string => `0${letter.repeat(25)}`;
const make = (letter: string, fedBy?: string) => ({
  id: id(letter),
  name: letter,
  methodId: 'butter',
  litres: 1,
  by: null,
  fixed: {},
  who: {},
  ...(fedBy === undefined ? {} : { fedBy: id(fedBy) }),
  makeId: null,
});
const fits = (...makes: ReturnType<typeof make>[]): boolean => dayDoc.safeParse(dayLike({ makes })).success;

describe('batches of a day that are made from each other', () => {
  test('one from another, and a third from that', () => {
    expect(fits(make('A'))).toBe(true);
    expect(fits(make('B', 'A'), make('A'), make('C', 'B'))).toBe(true);
  });

  test('none from one that is not there, two from one, or one from itself at however many removes', () => {
    expect(fits(make('B', 'A'))).toBe(false);
    expect(fits(make('A'), make('B', 'A'), make('C', 'A'))).toBe(false);
    expect(fits(make('A', 'A'))).toBe(false);
    expect(fits(make('A', 'C'), make('B', 'A'), make('C', 'B'), make('D'))).toBe(false);
  });
});
