// `npm run bench`: how fast and how exact the heavy parts are on this machine. Timing belongs here, never in a test.
import { Worker } from 'node:worker_threads';
import { benchPage } from './bench-page.mjs';
import { buildBench } from './build.mjs';
import { BROWSER_PROGRAMS, DATABASE_PROGRAMS, ensureInstalled } from './install.mjs';

/** @param {string} line */
const say = (line) => void process.stderr.write(`· ${line}\n`);
await ensureInstalled([...DATABASE_PROGRAMS, ...BROWSER_PROGRAMS], say);
await buildBench(say);
const bundle = new URL('../core/dist/core.mjs', import.meta.url).href;

/** What runs in the worker, as a browser's page would have it. */
const source = `
import { parentPort } from 'node:worker_threads';
import { cpus } from 'node:os';
const core = await import(${JSON.stringify(bundle)});
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const times = (count, work) => Array.from({ length: count }, (_, i) => { const at = performance.now(); work(i); return performance.now() - at; });

const inoculum = core.inoculumOf({ kind: 'fresh-yogurt', massRatio: 0.02 });
const course = { kind: 'points', hoursAndCelsius: Array.from({ length: 97 }, (_, i) => [i / 2, 40 + 3 * Math.sin(i / 7)]) };
const spec = (stepH, course_ = course) => ({
  grid: core.sampleCourse(course_, 48, stepH),
  starts: core.groupStarts(inoculum),
  startAcidMmolPerKg: inoculum.startAcidMmolPerKg,
  plasmaSnfPercent: 9,
  rate: 1,
  spread: core.spreadOf({ wild: false, biasSigmaC: 1 }),
});
const ensembleMs = median(times(7, (i) => core.runEnsemble(spec(0.1), 1000, i)));
const prior = core.runEnsemble(spec(0.1), 1000, 1);
const reading = { kind: 'ph', hour: 3, ph: 5.3, sigma: 0.1, instrument: 'meter' };
const reweightMs = median(times(21, () => core.reweighted(prior, [reading], 0.9)));
const sharp = [1, 2, 3, 4].map((hour) => ({ kind: 'ph', hour, ph: core.memberPh(prior, 3, hour), sigma: 0.02, instrument: 'meter' }));
let rounds = 0;
const redrawMs = median(times(5, (i) => { rounds = core.assimilate(spec(0.1), prior, sharp, 0.9, i).stats.rounds; }));

// The error of the step: the same members at a tenth of it, a hot start included.
let worst = 0;
const hot = { kind: 'points', hoursAndCelsius: [[0, 53], [0.7, 52], [1.5, 44], [48, 38]] };
for (const c of [course, hot]) {
  const coarse = core.runEnsemble(spec(0.1, c), 50, 5);
  const fine = core.runEnsemble(spec(0.01, c), 50, 5);
  for (let m = 0; m < 50; m++) for (let h = 0; h <= 48; h += 0.5) worst = Math.max(worst, Math.abs(core.memberPh(coarse, m, h) - core.memberPh(fine, m, h)));
}

const plan = core.defaultPlan(core.defaultKitchen('UTC'), '2026-03-02T06:00:00.000Z', 4);
const startMs = Date.parse(plan.startAt);
const pointMs = median(times(101, (i) => core.pointForecast(core.stateOfPlan({ ...plan, inoculateC: 42 + (i % 5) / 2 }), startMs)));
const bandMs = median(times(5, (i) => core.bandForecast(core.stateOfPlan(plan), startMs, i)));
const dayOf = (ids, days) => {
  const makes = ids.map((id, i) => ({ id: String(i), name: id + ' ' + i, method: core.SHIPPED_METHODS.find((m) => m.id === id), litres: 2 }));
  let laid;
  const ms = median(times(5, (i) => { laid = core.layDay({ kitchen: core.defaultKitchen('UTC'), zeroMs: startMs, days, makes, seed: i + 1 }); }));
  if (!laid.fits) throw new Error(laid.why);
  return { ms, hands: laid.hands.length, clash: laid.robustness.clashing };
};
const anewOf = (ids, days) => {
  const kitchen = core.defaultKitchen('UTC');
  const methods = ids.map((id) => core.SHIPPED_METHODS.find((m) => m.id === id));
  const laid = core.layDay({ kitchen, zeroMs: startMs, days, makes: methods.map((method, i) => ({ id: String(i), name: method.name + i, method, litres: 2 })) });
  const states = methods.map((method) => core.stateOfPlan({ ...core.planOfMethod(method, kitchen, new Date(startMs).toISOString(), 2) }));
  const slots = laid.hands.map((h) => ({ make: h.make, task: h.step, cook: h.cookId, from: h.from, to: h.to }));
  const makes = states.map((state, i) => ({ id: String(i), state, by: null, fixed: {}, who: {} }));
  return median(times(9, (i) => core.goOn({ kitchen, zeroMs: startMs, days, keptFree: [], makes, slots, nowMs: startMs + (20 + 7 * i) * 60000 })));
};
const SEVEN = ['yogurt', 'buttermilk', 'cultured-cream', 'cream-cheese', 'kefir', 'clabber', 'skyr'];
const day = dayOf(SEVEN, 2);
const anewMs = anewOf(SEVEN, 2);
const three = dayOf([...SEVEN, ...SEVEN.slice(1, 6), 'washed-curd'], 3);
parentPort.postMessage({
  machine: cpus().length + ' × ' + (cpus()[0]?.model ?? 'unknown'),
  rows: [
    ['1,000 members over 48 h, time-varying temperature', ensembleMs.toFixed(0) + ' ms', '≤ 1000 (aim 300)'],
    ['members per second', Math.round(1e6 / ensembleMs).toLocaleString('en'), ''],
    ['worst pH error against a 10× finer step', worst.toFixed(5), '≤ 0.005'],
    ['reweighting 1,000 members by a reading', reweightMs.toFixed(1) + ' ms', '≤ 20'],
    ['drawing anew after four sharp readings (' + rounds + ' rounds)', redrawMs.toFixed(0) + ' ms', '≤ 1000'],
    ['middle line of a plan while a control is turned', pointMs.toFixed(1) + ' ms', '≤ 32'],
    ['a day of seven makes, ' + day.hands + ' times hands (' + day.clash + ' of 200 simulated days clash)', day.ms.toFixed(0) + ' ms', '≤ 1000'],
    ['three days of thirteen makes, ' + three.hands + ' times hands (' + three.clash + ' clash)', three.ms.toFixed(0) + ' ms', '≤ 5000'],
    ['what is left of that day of seven laid out anew', anewMs.toFixed(0) + ' ms', '≤ 300'],
    ['whole band of a plan', bandMs.toFixed(0) + ' ms', '≤ 1000'],
  ],
});
`;
/** @param {string[][]} rows */
const print = (rows) => {
  for (const [what = '', value = '', goal = ''] of rows)
    process.stdout.write(`${what.padEnd(72)} ${value.padStart(18)}   ${goal}\n`);
};
async function years() {
  const { benchYears } = await import('./bench-years.mjs');
  const found = await benchYears(await import(bundle), say);
  process.stdout.write('Measured over HTTP on a kitchen of ten years.\n');
  print(found);
}
async function frames() {
  const { benchFrames } = await import('./bench-frames.mjs');
  const found = await benchFrames(say);
  process.stdout.write('Measured in Chromium without a screen.\n');
  print(found);
}
async function daybook() {
  const { benchDaybook } = await import('./bench-daybook.mjs');
  const found = await benchDaybook(await import(bundle), say);
  process.stdout.write('Measured over HTTP and in Chromium on a kitchen of ten thousand makes.\n');
  print(found);
}
async function hostile() {
  const { benchHostile } = await import('./bench-hostile.mjs');
  const found = await benchHostile(say);
  process.stdout.write('Measured over HTTP while strangers try.\n');
  print(found);
}
async function strangers() {
  const { benchStrangers } = await import('./bench-strangers.mjs');
  const found = await benchStrangers(say);
  process.stdout.write('Measured at the plain and the secure address of a kitchen on its network.\n');
  print(found);
}
// `npm run bench -- years`, `-- daybook`, `-- hostile`, `-- strangers`, `-- why` and `-- frames` measure that part alone.
if (process.argv.includes('strangers')) {
  await strangers();
  process.exit();
}
if (process.argv.includes('daybook')) {
  await daybook();
  process.exit();
}
if (process.argv.includes('hostile')) {
  await hostile();
  process.exit();
}
if (process.argv.includes('frames')) {
  await frames();
  process.exit();
}
if (process.argv.includes('why')) {
  const { benchWhy } = await import('./bench-why.mjs');
  for (const row of await benchWhy(say)) process.stdout.write(`${row}\n`);
  process.exit(0);
}
if (process.argv.includes('late')) {
  const { benchLate } = await import('./bench-late.mjs');
  for (const row of await benchLate(say)) process.stdout.write(`${row}\n`);
  process.exit(0);
}
if (process.argv.includes('years')) {
  await years();
  process.exit();
}
const worker = new Worker(new URL(`data:text/javascript,${encodeURIComponent(source)}`));
worker.once('error', (error) => {
  process.stderr.write(`${error.stack}\n`);
  process.exitCode = 1;
});
worker.once('message', ({ machine, rows }) => {
  process.stdout.write(`Measured in a worker, Node ${process.version}, ${machine}; medians.\n`);
  print(rows);
  void (async () => {
    const page = await benchPage(await import(bundle), say);
    process.stdout.write('Measured in Chromium on a kitchen of its own.\n');
    print(page);
    await frames();
    await years();
    await hostile();
    await strangers();
  })();
});
