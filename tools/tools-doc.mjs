// `npm run tools-doc`: docs/TOOLS.md, the command-line door with every tool, its fields and their ranges, written from the
// schemas themselves. `--check` says when it no longer fits them.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import prettier from 'prettier';
import { buildSums } from './build.mjs';
import { ensurePackages, ROOT } from './install.mjs';

/** What goes in and what comes out, in words. @type {Record<string, readonly [string, string]>} */
const PURPOSE = {
  ferment: [
    'temperature course, counts, lags, starting acid, plasma solids',
    'hours to pH 5.2 … 4.2, pH at 2 … 24 h, acid',
  ],
  denature: ['`[second, °C]` points', 'whey protein unfolded, pasteurisation-equivalent minutes'],
  cool: ['composition, litres, pan or its width, start, air, target, lid', 'minutes'],
  heat: [
    'composition, litres, pan or its width, start, air, target, burner, its setting, lid',
    'minutes; as warm as it gets; when a plate is switched off',
  ],
  composition: ['fat, protein, lactose, ash (fractions)', 'density, specific heat'],
  boil: ['altitude', 'boiling point'],
  butter: ['cream and its fat, fat of butter and buttermilk', 'butter and buttermilk'],
  temper: ['composition of cream, litres, start, air, churning temperature', 'minutes'],
  churn: [
    'churn, speed or setting, temperature, fat, fill, litres, room, ripened or its pH, thick, treated, aged',
    'minutes, temperature at the break, fat left in the buttermilk',
  ],
  wash: ['serum carried, water, how well it mixes, washes', 'serum left, washes until it keeps'],
  ghee: [
    'butter, its water and fat, burner, flame, altitude, when it is done',
    'water to boil off, minutes, ghee',
  ],
  yield: [
    'cream and its fat; butter, its water and buttermilk as weighed',
    'possible, likely, where the fat went, overrun',
  ],
  pays: [
    "bought cream, its fat and price; the shop's butter",
    'butter, its cost, what is saved, the highest price at which it pays',
  ],
  salt: ['butter, its moisture, salt', 'salt of the whole and of its brine'],
  thickness: ['fat of soured cream, its pH, hours in the fridge, treatment', 'thickness index, in a word'],
  drain: [
    'curd in its cloth, hours, a thickness',
    'whey, protein, hours to the thickness, whey to stir back',
  ],
  rennet: [
    'IMCU per litre, temperature, pH, whey protein unfolded (milk, label)',
    'minutes to a clean break, how much rennet',
  ],
  press: ['weight, mould, wheel, brine', 'kPa, height, hours of brining, salt'],
  swap: ['curd and whey, share drawn off, temperatures', 'how hot the water must be'],
  ripen: [
    'cream, its starter, the room’s temperature hour by hour',
    "when it is thick, how thick, the clock's limit, or why not",
  ],
  method: ['a method, a kitchen', 'step times, hands, what comes out, cautions'],
  day: [
    'methods with litres and wishes, a kitchen, days, hours kept free',
    'who does what when, the bound, prices, simulated days, or the clash',
  ],
  forecast: [
    'as `ferment`, with members, seed, spread and readings',
    'P10–P50–P90 hours to each pH, and whether a reading contradicts',
  ],
  mix: ['milks or creams with their masses (and prices)', 'composition, mass, litres, cost'],
  powder: ['a milk, a powder, a protein goal or grams', 'powder needed, what the milk becomes'],
  bath: ['pot of milk, water, ice, stirred or not', 'minutes, ice to have ready'],
  box: ['milk, box, room, temperature of the bottles, hours', 'litres of hot water, coolest and warmest'],
  thermometer: ['readings in ice and boiling water, altitude', 'offset, slope, corrected readings'],
  plan: [
    'a plan, the kitchen, when it should be ready, what may change',
    'up to three ways with their price, or the reason',
  ],
  skim: [
    'a milk, its kind and treatment, hours undisturbed, depth of the ladle',
    'cream, its fat, what is left, height of the line',
  ],
  standardise: ['two milks, a fat, a mass', 'how much of each'],
  dose: [
    "a culture's kind and keeping, its pace, a fresh dose, a temperature course",
    'living share, the dose that sets as the fresh one',
  ],
  thaw: ['a frozen piece, where it thaws', 'hours until it pours, until it is thawed, give or take'],
  lactation: ['days in milk with litres', "Wood's curve, its peak, litres on days to come"],
  why: [
    'a batch (as the daybook exports it) or its plan, a complaint, answers, the time',
    'causes with their shares and evidence, the best question, rescues',
  ],
  learn: [
    'finished batches (as the daybook exports them), the kitchen',
    'factors with their history, in words',
  ],
};

/** As much of a schema as is written down. @typedef {{ type?: string, enum?: unknown[], const?: unknown, minimum?: number, maximum?: number, exclusiveMinimum?: number, exclusiveMaximum?: number, anyOf?: Shape[], items?: Shape, properties?: Record<string, Shape>, required?: string[] }} Shape */

/** @param {Shape} shape @returns {string} */
function kindOf(shape) {
  if (shape.const !== undefined) return JSON.stringify(shape.const);
  if (shape.enum) return shape.enum.map((one) => JSON.stringify(one)).join(', ');
  if (shape.anyOf) return [...new Set(shape.anyOf.map(kindOf))].join(' or ');
  if (shape.type === 'array') return `list of ${shape.items ? kindOf(shape.items) : 'values'}`;
  const low = shape.minimum ?? shape.exclusiveMinimum;
  const high = shape.maximum ?? shape.exclusiveMaximum;
  if (low !== undefined && high !== undefined && Math.abs(high) < 1e9) return `${low} to ${high}`;
  if (low !== undefined && Math.abs(low) < 1e9)
    return `${shape.minimum === undefined ? 'above' : 'from'} ${low}`;
  return shape.type ?? 'object';
}
/** @param {Shape} shape */
const fieldsOf = (shape) =>
  Object.entries(shape.properties ?? {})
    .map(
      ([name, field]) =>
        `\`${name}\`${shape.required?.includes(name) ? '' : ' (optional)'}: ${kindOf(field)}`,
    )
    .join('; ') || kindOf(shape);

await ensurePackages((line) => console.error(`· ${line}`));
await buildSums((line) => console.error(`· ${line}`));
const { listFaults, listSums } = await import(new URL('../core/dist/sums.mjs', import.meta.url).href);
/** @type {{ complaints: { id: string, label: string, causes: string[] }[], causes: { id: string, title: string }[] }} */
const faults = listFaults();
const tools = /** @type {{ name: string, in: Shape, out: Shape }[]} */ (listSums());
const sorted = [...tools].sort((a, b) => (a.name < b.name ? -1 : 1));
const unnamed = sorted.filter(({ name }) => !PURPOSE[name]).map(({ name }) => name);
if (unnamed.length > 0) throw new Error(`say in tools/tools-doc.mjs what these do: ${unnamed.join(', ')}`);
const text = [
  '# Tools on the command line',
  '',
  'The same calculations as on the page, for scripts: JSON in, JSON out. This page is generated from the schemas (`npm run tools-doc`).',
  '',
  '```sh',
  `echo '{"altitudeM": 1800}' | npm run -s sums -- boil          # {"celsius":94.0000603}`,
  'npm run -s sums -- list                                        # every tool with its JSON Schema',
  '```',
  '',
  'An array in gives an array out. A whole case `{ name, in, out }` gives the case back with what was computed. Bad input exits with 2 and names the path of the wrong field. Numbers are in the units their names carry. `null` means "not reached".',
  '',
  '| tool | from | to |',
  '| --- | --- | --- |',
  ...sorted.map(({ name }) => `| [\`${name}\`](#${name}) | ${PURPOSE[name]?.[0]} | ${PURPOSE[name]?.[1]} |`),
  ...sorted.flatMap(({ name, in: input, out }) => [
    '',
    `## ${name}`,
    '',
    `In: ${fieldsOf(input)}.`,
    '',
    `Out: ${fieldsOf(out)}.`,
  ]),
  '',
  '## Complaints and causes',
  '',
  'What `why` takes and gives. The ids are stable: logs and scripts keep them.',
  '',
  '| complaint | in words | causes |',
  '| --- | --- | --- |',
  ...faults.complaints.map(
    ({ id, label, causes }) =>
      `| \`${id}\` | ${label} | ${causes.map((cause) => `\`${cause}\``).join(', ')} |`,
  ),
  '',
  '| cause | in words |',
  '| --- | --- |',
  ...faults.causes.map(({ id, title }) => `| \`${id}\` | ${title} |`),
  '',
].join('\n');
const file = join(ROOT, 'docs', 'TOOLS.md');
const page = await prettier.format(text, { parser: 'markdown', printWidth: 110 });
if (process.argv.includes('--check')) {
  if (readFileSync(file, 'utf8') !== page) {
    console.error('docs/TOOLS.md does not fit the tools: run "npm run tools-doc".');
    process.exitCode = 1;
  }
} else writeFileSync(file, page);
