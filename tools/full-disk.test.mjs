import { expect, test } from '@jest/globals';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hasRoom, isFull } from './full-disk.mjs';

/** What the system says when nothing more can be written: this device is always full. */
function fullError() {
  try {
    writeFileSync('/dev/full', 'milk');
  } catch (error) {
    return error;
  }
  throw new Error('it was written');
}

test('a full disk is known by what the system says', () => {
  expect(isFull(fullError())).toBe(true);
});

test.each([
  'InnoDB: Write to file ./ibtmp1 failed: OS error number 28',
  "Got error 28 'No space left on device' from InnoDB",
  'Error on close (Errcode: 28)',
])('and by what the database says: %s', (message) => {
  expect(isFull(new Error(message))).toBe(true);
});

test.each([[new Error('Connection refused')], ['no space left'], [undefined], [{ code: 'ENOSPC' }]])(
  'another failure is none: %p',
  (error) => {
    expect(isFull(error)).toBe(false);
  },
);

test('room is that of the folder, or of the one it will be made in', () => {
  expect(hasRoom(tmpdir(), 1)).toBe(true);
  expect(hasRoom(join(tmpdir(), 'not', 'there', 'yet'), 1)).toBe(true);
  expect(hasRoom(tmpdir(), Number.MAX_SAFE_INTEGER)).toBe(false);
});
