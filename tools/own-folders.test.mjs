import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { tmpdir } from 'node:os';
import { clearLeftFolders, ownFolder } from './own-folders.mjs';

/** @type {string} */
let where;
beforeEach(() => {
  where = mkdtempSync(join(tmpdir(), 'folders-'));
});
afterEach(() => rmSync(where, { recursive: true, force: true }));

/** A process that has ended. */
function goneProcess() {
  const { pid } = spawnSync(process.execPath, ['-e', '']);
  return pid;
}

test('what a process that is gone left behind is cleared, with all that is in it', () => {
  const left = join(where, `mc-test-${goneProcess()}-1-abcdef`);
  mkdirSync(join(left, 'data'), { recursive: true });
  writeFileSync(join(left, 'data', 'page'), 'milk');
  expect(clearLeftFolders(where)).toBe(1);
  expect(readdirSync(where)).toEqual([]);
});

test('a folder of a process that lives stays, and so does all that is not ours', () => {
  const own = ownFolder('test');
  try {
    const mine = basename(own);
    for (const name of [mine, 'mc-old', 'mc-prof-1', 'somebody-1-1-a']) mkdirSync(join(where, name));
    expect(clearLeftFolders(where)).toBe(0);
    expect(readdirSync(where)).toHaveLength(4);
    expect(existsSync(own)).toBe(true);
  } finally {
    rmSync(own, { recursive: true, force: true });
  }
});

test('a number that went to another process since is none of ours', () => {
  mkdirSync(join(where, `mc-test-${process.pid}-1-abcdef`));
  expect(clearLeftFolders(where)).toBe(1);
});
