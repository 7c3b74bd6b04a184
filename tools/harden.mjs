// `npm run harden -- [rounds]`: a kitchen of its own, interrupted at random moments of its start, its work and its stop,
// while clients post to its plain and its secure address. Afterwards every acknowledged entry must be there exactly once,
// `seq` without gaps, nothing left running, the next start quick, and whoever trusted the kitchen must trust it still.
import { spawn } from 'node:child_process';
import { createHash, randomInt } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildBench, buildPage, buildServer } from './build.mjs';
import { cleanEnvironment, DATABASE_PROGRAMS, ensureInstalled, ROOT } from './install.mjs';
import { databasesOf, identify, tiedToUs } from './process.mjs';
import { askSecurely, trustedAt } from './trusted.mjs';

/** @param {string} line */
const say = (line) => void process.stdout.write(`${line}\n`);
const rounds = Number(process.argv[2] ?? 200);
if (!Number.isInteger(rounds) || rounds < 1) {
  say('How many rounds? A whole number from 1, for example: npm run harden -- 50');
  process.exit(2);
}
await ensureInstalled(DATABASE_PROGRAMS, say);
await buildServer(say);
await buildPage(say);

const START_LIMIT_MS = 5000;
const CLIENTS = 4;
const wait = (/** @type {number} */ ms) => new Promise((resolve) => setTimeout(resolve, ms));
const parent = mkdtempSync(join(tmpdir(), 'mc-harden-'));
const dataDir = join(parent, 'own');
/** @type {Set<string>} */
const acknowledged = new Set();
/** @type {number[]} */
const startsMs = [];
let makeId = '';
/** Of the entries that the server takes. */
let entryVersion = 1;
let count = 0;
/** Entries that were acknowledged over the secure address. */
let securely = 0;
/** Whom the first start had devices trust. */
let trusted = '';

/** @param {string} text @returns {string} an identity that follows from a text */
function idOf(text) {
  const bytes = createHash('sha256').update(`${parent} ${text}`).digest();
  const letters = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
  return Array.from({ length: 26 }, (_, i) => letters[(bytes[i] ?? 0) % (i === 0 ? 8 : 32)]).join('');
}

/** @returns a starter with its address to come, and when it was begun */
function start() {
  const began = performance.now();
  const [program, args] = tiedToUs([process.execPath, join(ROOT, 'tools/up.mjs'), 'own', '--lan']);
  const child = spawn(program, args, {
    cwd: ROOT,
    env: { ...cleanEnvironment(), MC_DATA: parent },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  const ended = new Promise((resolve) => child.once('exit', resolve));
  /** @type {Promise<string | null>} */
  const address = new Promise((resolve) => {
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        said += String(chunk);
        const found = /Morning Crock: (\S+)/.exec(said)?.[1];
        if (found) resolve(found);
      });
    void ended.then(() => resolve(null));
  });
  return { child, ended, address, began, said: () => said };
}

/** @param {import('./trusted.mjs').Trusted} to @param {string} body */
const postSecurely = ({ address, ca }, body) =>
  askSecurely(`${address}/api/events`, ca, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });

/** @param {string} address @param {string} body @returns {Promise<{ status: number, text: string }>} */
async function postPlainly(address, body) {
  const answer = await fetch(`${address}/api/events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  });
  return { status: answer.status, text: await answer.text() };
}

/** @param {string | import('./trusted.mjs').Trusted} to @param {string} type @param {object} data @param {string} id */
async function post(to, type, data, id) {
  const body = JSON.stringify({
    events: [
      {
        id,
        streamId: makeId,
        at: new Date().toISOString(),
        cookId: null,
        deviceId: 'harden',
        version: entryVersion,
        type,
        data,
      },
    ],
  });
  const { status, text } = await (typeof to === 'string' ? postPlainly(to, body) : postSecurely(to, body));
  if (status !== 200) throw new Error(`${status} ${text}`);
}

/** Posts until told to stop; what was acknowledged is remembered. @param {string | import('./trusted.mjs').Trusted} to @param {{ stop: boolean }} until */
async function client(to, until) {
  while (!until.stop) {
    const id = idOf(`note ${count++}`);
    try {
      await post(to, 'noted', { text: `entry ${id}` }, id);
      acknowledged.add(id);
      if (typeof to !== 'string') securely++;
    } catch {
      await wait(5);
    }
  }
}

/** The key of the authority is its owner's alone, whatever interrupted it. */
function checkKey() {
  const folder = join(dataDir, 'authority');
  for (const path of [folder, join(folder, 'authority-key.pem')])
    if ((statSync(path).mode & 0o077) !== 0) throw new Error(`others can read ${path}`);
}

/** Processes of this kitchen. */
const ours = () => databasesOf(dataDir).map(({ pid }) => pid);

/** The server of this kitchen, by the directory it was told. */
function serverPid() {
  for (const name of readdirSync('/proc')) {
    try {
      const environment = readFileSync(`/proc/${name}/environ`, 'utf8').split('\0');
      const args = readFileSync(`/proc/${name}/cmdline`, 'utf8');
      if (environment.includes(`MC_DATA_DIR=${dataDir}`) && args.includes('main.mjs')) return Number(name);
    } catch {
      // Not a process of ours, or gone by now.
    }
  }
  return undefined;
}

/** @param {string} address what must hold of a kitchen that is up */
async function verify(address) {
  /** @type {Map<string, number>} */
  const found = new Map();
  let after = 0;
  for (;;) {
    const { events } = await (await fetch(`${address}/api/events?after=${after}&limit=5000`)).json();
    for (const { id, seq } of events) {
      if (seq !== after + 1) throw new Error(`a gap in the log: ${seq} after ${after}`);
      after = seq;
      found.set(id, (found.get(id) ?? 0) + 1);
    }
    if (events.length === 0) break;
  }
  const lost = [...acknowledged].filter((id) => !found.has(id)).length;
  const doubled = [...found.values()].filter((n) => n > 1).length;
  if (lost > 0 || doubled > 0) throw new Error(`${lost} acknowledged entries lost, ${doubled} doubled`);
}

/** @param {string} what @param {() => boolean} done @param {number} ms */
async function within(what, done, ms) {
  for (const untilMs = Date.now() + ms; !done(); await wait(20))
    if (Date.now() > untilMs) throw new Error(what);
}

const SIGNALS = /** @type {const} */ (['SIGINT', 'SIGHUP', 'SIGTERM', 'SIGKILL', 'SIGKILL']);
const MOMENTS = /** @type {const} */ ([
  'start',
  'start',
  'run',
  'run',
  'stop',
  'database',
  'server',
  'file',
  'first',
]);

/** @param {number} round */
async function one(round) {
  const moment = MOMENTS[randomInt(MOMENTS.length)] ?? 'run';
  const signal = SIGNALS[randomInt(SIGNALS.length)] ?? 'SIGKILL';
  const label = `round ${round}: ${moment}, ${signal}`;
  if (moment === 'file')
    writeFileSync(join(dataDir, 'run.json'), ['', '{', '[]', 'null'][randomInt(4)] ?? '');
  if (moment === 'first') {
    // The very first start of another kitchen is cut off, then must work; it leaves nothing behind.
    const other = mkdtempSync(join(tmpdir(), 'mc-first-'));
    const cut = spawn(process.execPath, [join(ROOT, 'tools/up.mjs'), 'own', '--lan'], {
      cwd: ROOT,
      env: { ...cleanEnvironment(), MC_DATA: other },
      stdio: 'ignore',
    });
    const gone = new Promise((resolve) => cut.once('exit', resolve));
    await wait(randomInt(1500));
    cut.kill(signal);
    await gone;
    const again = spawn(process.execPath, [join(ROOT, 'tools/up.mjs'), 'own', '--lan'], {
      cwd: ROOT,
      env: { ...cleanEnvironment(), MC_DATA: other },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = '';
    const up = await new Promise((resolve) => {
      again.stdout.on('data', (chunk) => /Morning Crock: \S+/.test((said += String(chunk))) && resolve(true));
      again.once('exit', () => resolve(false));
    });
    again.kill('SIGTERM');
    await new Promise((resolve) => (again.exitCode === null ? again.once('exit', resolve) : resolve(null)));
    rmSync(other, { recursive: true, force: true });
    if (!up) throw new Error(`${label}: a kitchen whose first start was cut off does not start\n${said}`);
    return label;
  }
  const run = start();
  if (moment === 'start') {
    await Promise.race([run.ended, wait(randomInt(1200))]);
    run.child.kill(signal);
    await run.ended;
    await within('a database was left over', () => ours().length === 0, 10_000);
    return label;
  }
  const address = await run.address;
  if (address === null) throw new Error(`${label}: did not start\n${run.said()}`);
  const tookMs = performance.now() - run.began;
  startsMs.push(tookMs);
  if (tookMs > START_LIMIT_MS) throw new Error(`${label}: the start took ${Math.round(tookMs)} ms`);
  await verify(address);
  if (makeId === '') {
    makeId = idOf('make');
    entryVersion = Number((await fetch(`${address}/api/kitchen`)).headers.get('x-entry-version'));
    const core = await import(new URL('../core/dist/core.mjs', import.meta.url).href);
    const plan = core.defaultPlan(core.defaultKitchen('UTC'), new Date().toISOString());
    await post(address, 'make-started', { plan }, idOf('started'));
    acknowledged.add(idOf('started'));
  }
  const until = { stop: false };
  const secure = await trustedAt(address);
  trusted ||= secure.fingerprint;
  if (secure.fingerprint !== trusted)
    throw new Error(`${label}: whoever trusted this kitchen trusts it no more`);
  checkKey();
  const clients = Array.from({ length: CLIENTS }, (_, i) => client(i % 2 === 0 ? address : secure, until));
  await wait(randomInt(1200));
  if (moment === 'database' || moment === 'server') {
    // Killed under the starter, it comes back by itself.
    const pid = moment === 'database' ? ours()[0] : serverPid();
    if (pid !== undefined) process.kill(pid, 'SIGKILL');
    const before = acknowledged.size;
    await within(`${label}: nothing is stored any more`, () => acknowledged.size > before + 20, 15_000);
  }
  run.child.kill(signal);
  if (moment === 'stop') {
    await wait(randomInt(150));
    run.child.kill(SIGNALS[randomInt(SIGNALS.length)]);
  }
  await within(
    `${label}: the starter does not end`,
    () => run.child.exitCode !== null || run.child.signalCode !== null,
    15_000,
  );
  until.stop = true;
  await Promise.all(clients);
  await within(`${label}: a database was left over`, () => ours().length === 0, 10_000);
  return label;
}

if (!identify(process.pid)) throw new Error('this machine has no /proc');
await buildBench(say);
let clean = 0;
try {
  // One ordinary start first: initialising is the work of the "first" rounds.
  const first = start();
  await first.address;
  first.child.kill('SIGTERM');
  await first.ended;
  for (let round = 1; round <= rounds; round++) {
    const label = await one(round);
    clean++;
    if (round % 20 === 0 || process.stdout.isTTY)
      say(`${label}: clean; ${acknowledged.size} entries acknowledged so far`);
  }
  const last = start();
  const address = await last.address;
  if (address === null) throw new Error('the last start failed');
  await verify(address);
  last.child.kill('SIGTERM');
  await last.ended;
} catch (error) {
  say(`FAILED after ${clean} clean rounds: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 1;
}
const sorted = [...startsMs].sort((a, b) => a - b);
say(
  `${clean} of ${rounds} rounds clean; ${acknowledged.size} entries acknowledged (${securely} over the secure address), each there exactly once, seq without gaps; ` +
    `starts: median ${Math.round(sorted[sorted.length >> 1] ?? 0)} ms, longest ${Math.round(sorted.at(-1) ?? 0)} ms`,
);
for (const who of databasesOf(dataDir)) process.kill(who.pid, 'SIGKILL');
rmSync(parent, { recursive: true, force: true });
// A failed round may leave its starter and its clients at work.
process.exit();
