// What a full disk looks like from outside, and what is said of it. Only Node's own modules.
import { existsSync, statfsSync } from 'node:fs';
import { dirname } from 'node:path';
import { types } from 'node:util';

/** A database cannot be made, or brought up again, in less. */
const NEEDED_BYTES = 64 * 1024 * 1024;

export const FULL_WORDS =
  'the disk is full: make room (at least 64 MB) and start again. Nothing that was stored is lost';

/** A database says it in its own words. */
const SAID = /no space left|errcode:? 28|os error number 28|error 28|disk (is )?full|ENOSPC/i;

/** Whether something failed because the disk is full. @param {unknown} error */
export const isFull = (error) =>
  types.isNativeError(error) && (('code' in error && error.code === 'ENOSPC') || SAID.test(error.message));

/**
 * Whether there is room to start a kitchen in a folder that need not be there yet.
 * @param {string} folder
 * @param {number} [neededBytes]
 */
export function hasRoom(folder, neededBytes = NEEDED_BYTES) {
  let there = folder;
  while (!existsSync(there) && dirname(there) !== there) there = dirname(there);
  const { bavail, bsize } = statfsSync(there);
  return bavail * bsize >= neededBytes;
}
