import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ulid } from 'ulid';
import { draft, startDraft } from '@morning-crock/server/testing';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
let dataDir: string;
const started: ChildProcess[] = [];

/** Starts a kitchen of one's own in a directory of its own, as `npm start` does. */
async function start(): Promise<{ child: ChildProcess; address: string; ended: Promise<number | null> }> {
  const child = spawn(process.execPath, ['tools/up.mjs', 'own'], {
    cwd: ROOT,
    env: { ...process.env, MC_DATA: dataDir },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started.push(child);
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  let said = '';
  const address = await new Promise<string>((resolve, reject) => {
    const listen = (chunk: Buffer): void => {
      said += String(chunk);
      const found = /Morning Crock: (\S+)/.exec(said)?.[1];
      if (found) resolve(found);
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    void ended.then((code) => reject(new Error(`ended with ${String(code)}:\n${said}`)));
  });
  return { child, address, ended };
}

/** Processes that still hold the directory. */
const leftOver = (): string => spawnSync('pgrep', ['-f', dataDir], { encoding: 'utf8' }).stdout.trim();
async function nothingLeft(): Promise<void> {
  for (let i = 0; i < 100 && leftOver() !== ''; i++) await new Promise((resolve) => setTimeout(resolve, 100));
  expect(leftOver()).toBe('');
}
const makesAt = async (address: string): Promise<number> =>
  ((await (await fetch(`${address}/api/makes`)).json()) as { makes: unknown[] }).makes.length;

beforeAll(() => {
  dataDir = mkdtempSync(join(tmpdir(), 'mc-start-'));
});
afterAll(() => {
  for (const child of started) child.kill('SIGKILL');
  rmSync(dataDir, { recursive: true, force: true });
});

test('starts, is found by a second start, survives kill -9 with everything stored, and stops cleanly', async () => {
  const first = await start();
  expect(await makesAt(first.address)).toBe(0);
  const id = ulid();
  const stored = await fetch(`${first.address}/api/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      events: [startDraft(id, Date.now()), draft(id, Date.now(), 'noted', { text: 'before the fall' })],
    }),
  });
  expect(stored.status).toBe(200);

  const second = await start();
  expect(second.address).toBe(first.address);
  expect(await second.ended).toBe(0);

  // The starter is killed without a word: its children must not stay behind.
  first.child.kill('SIGKILL');
  await nothingLeft();
  const again = await start();
  expect(await makesAt(again.address)).toBe(1);

  // The database is killed under it: it is started again, at the same address, with everything in it.
  process.kill(Number(readFileSync(join(dataDir, 'own', 'db.pid'), 'utf8')), 'SIGKILL');
  let answer = '';
  for (let i = 0; i < 100 && !answer.includes('before the fall'); i++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    answer = await fetch(`${again.address}/api/makes/${id}`)
      .then((response) => response.text())
      .catch(() => '');
  }
  expect(answer).toContain('before the fall');

  again.child.kill('SIGTERM');
  expect(await again.ended).toBe(0);
  await nothingLeft();
}, 300_000);
