// What dresses one component stands beside it, in one file: a class that two files dress, that nothing wears, or a style
// written into an element that could be a class, is said.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';

const ROOT = join(import.meta.dirname, '..', 'web', 'src');
const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).map((name) => join(ROOT, name));
/** @param {string} ending */
const texts = (ending) =>
  files
    .filter((file) => file.endsWith(ending))
    .map((file) => ({ name: relative(ROOT, file), text: readFileSync(file, 'utf8') }));
const styles = texts('.css').map(({ name, text }) => ({ name, text: text.replace(/\/\*.*?\*\//gs, '') }));
const code = [...texts('.tsx'), ...texts('.ts')].filter(({ name }) => !/\.test\.tsx?$/.test(name));

/** The class a selector is about: the first it names. */
const owners = new Map();
const named = new Set();
for (const { name, text } of styles)
  for (const [, selectors = ''] of text.matchAll(/([^{}]+)\{/g)) {
    if (selectors.trim().startsWith('@')) continue;
    for (const selector of selectors.split(',')) {
      const classes = [...selector.matchAll(/\.([a-z][\w-]*)/g)].map(([, one]) => one);
      for (const one of classes) named.add(one);
      const [first] = classes;
      // A class of another file may be dressed otherwise within one's own: then one's own comes first.
      if (first !== undefined) owners.set(first, (owners.get(first) ?? new Set()).add(name));
    }
  }

const faults = [];
for (const [one, names] of owners)
  if (names.size > 1) faults.push(`.${one} is dressed in ${[...names].join(' and ')}`);
const worn = code.map(({ text }) => text).join('\n');
for (const one of named)
  if (!one.startsWith('mantine-') && !new RegExp(`\\b${one}\\b`).test(worn))
    faults.push(`nothing wears .${one}`);
for (const { name, text } of code)
  for (const [, body = ''] of text.matchAll(/\bstyle=\{\{([^{}]*)\}\}/g))
    if (
      body
        .split(/,\s*/)
        .filter(Boolean)
        .every((part) => /:\s*('[^']*'|[\d.]+)\s*$/.test(part))
    )
      faults.push(`${name}: style={{${body}}} could be a class`);

for (const fault of faults) console.error(fault);
process.exitCode = faults.length > 0 ? 1 : 0;
