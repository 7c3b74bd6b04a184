import { expect, test } from '@jest/globals';
import { pathOf, scannedOf } from './scanned.ts';

test.each([
  ['https://192.168.7.5:4621/tag/7', '/tag/7'],
  ['http://127.0.0.1:4620/tag/42 ', '/tag/42'],
  ['jar tag 3', '/tag/3'],
  ['http://dairy.local:4620/larder/4F7K2Q', '/larder/4F7K2Q'],
  ['https://elsewhere.local/larder/4F7K2Q', '/larder/4F7K2Q'],
])('%s leads to %s, whatever address stands before it', (text, path) => {
  expect(pathOf(scannedOf(text)!)).toBe(path);
});

test.each(['', 'http://192.168.7.5:4620/join#K7QD-M3XP', 'https://dairy.local/larder', 'tag 7', '/tag/1000'])(
  '“%s” is none of ours',
  (text) => {
    expect(scannedOf(text)).toBeNull();
  },
);
