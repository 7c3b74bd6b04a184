import { expect, test } from '@jest/globals';
import { MOST_TAG, tagCode, tagOfCode, tagsOf } from './tag-code.ts';

test('what is printed on a tag is read off it again, and nothing else is', () => {
  for (const tag of [1, 7, 42, MOST_TAG]) {
    for (const address of ['http://127.0.0.1:4620', 'https://kitchen.local'])
      expect(tagOfCode(tagCode(tag, address))).toBe(tag);
    // As tags were printed earlier.
    expect(tagOfCode(`jar tag ${tag}`)).toBe(tag);
  }
  for (const other of [
    '',
    '7',
    'jar tag 0',
    'jar tag 1000',
    'jar tag 7 8',
    'http://127.0.0.1/join#1',
    'http://127.0.0.1/larder/7',
    'http://127.0.0.1/tag/1000',
  ])
    expect(tagOfCode(other)).toBeNull();
});

test('typed tags are numbers, each once, in order; anything else is told', () => {
  expect(tagsOf('7, 4;4 12')).toEqual([4, 7, 12]);
  expect(tagsOf('')).toEqual([]);
  expect(tagsOf('4, x')).toBe('“x” is not a tag number. Use 1 to 999.');
  expect(tagsOf('0')).toMatch(/not a tag number/);
  expect(tagsOf('1.5')).toMatch(/not a tag number/);
});
