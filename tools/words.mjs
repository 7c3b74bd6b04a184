// `npm run words`: every text a person may meet, with its file and line, to be read like a proof: found by walking the syntax
// trees, not by a list kept by hand. `--check` fails on words that the product does not use (docs/ARCHITECTURE.md, words).
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './install.mjs';

const PLACES = ['web/src', 'core/src', 'server/src'];
const PASSED_OVER = /\.test\.tsx?$|\/fixtures\/|\/testing\/|\/migrations\.ts$|\/in-page\/|\.d\.ts$/;
/** Attributes, properties and calls whose texts are for the program. */
const NOT_SHOWN =
  /^(className|class|style|d|transform|viewBox|to|href|path|key|type|name|id|rel|role|points|fill|stroke|gridTemplateColumns|font|url|method|variant|size|pattern|event|kind)$/;
const NOT_SAID =
  /^(querySelector|querySelectorAll|addEventListener|matchMedia|where|andWhere|query|createIndex|import|useIndex|addSelect|select|orderBy|RegExp|Error|TypeError|RangeError|getPropertyValue|setHeader|header|log|error|warn)$/;

/** What is not said any more, and what is said instead. @type {readonly (readonly [RegExp, string])[]} */
const BANNED = [
  [
    /\b(a|the|this|that|new|each|every|of|last|another|no|its|your|these|those|other|earlier|past) makes?\b(?! (a|an|the|it|up|for|sure|room|about|enough))/i,
    'batch',
  ],
  [/\bby the book\b|\bthe book\b/i, 'typical, the usual figure'],
  [/\bas the sums have it\b|\bby the sums\b|\breckoned\b/i, 'estimated'],
  [/\bhands needed\b|\bno hands\b|\bminutes of hands\b|\bof hands\b/i, 'hands-on, "needs you at"'],
  [/\bnobody knows\b|\bunknown of\b|\bnobody has shown\b/i, 'not known, not confirmed yet'],
  [/\bturn \$?\{|\bturn \d|\bturns of (a|the|its) culture/i, 'generation'],
  [/\bin the cold\b|\binto the cold\b|\bout of the cold\b/i, 'fridge'],
  [/\banew\b/i, 'replanned, again'],
  [/\blaid out\b|\btimetable\b/i, 'plan, schedule'],
  [/\broom heat\b|\bits heat\b|\bat heat\b/i, 'temperature'],
  [/\bput up\b/i, 'add to larder, in stock'],
  [/\btable file\b/i, 'download CSV'],
  [/\bit is in\b(?! the| stock)/i, 'Mark as added'],
  [/\bgo there\b|^heard$/i, 'Open, Got it'],
  [/\bmoney is called\b/i, 'currency'],
  [/\bmishap\b|\bthereof\b|\bbe it\b/i, 'what went wrong; plain words'],
  [/\boff the fire\b|\bon the fire\b/i, 'off the heat, on the burner'],
  [/\bhardly any\b/i, 'too little'],
  [/\bneeds a (word|name)\b|\bmay stay empty\b/i, 'Enter a name, (optional)'],
];

/** @typedef {{ file: string, line: number, text: string }} Said */

/** Whether a text is one that people read: words, not a class, a query or a name of the program. @param {string} text */
const isWords = (text) =>
  /\p{L}{2}/u.test(text) &&
  (/\p{L} \p{L}|\{…\} \p{L}|\p{L} \{…\}/u.test(text) || /^\p{Lu}\p{Ll}+[.:?]?$/u.test(text.trim()));

/** @param {ts.Node} node @returns {boolean} */
function forProgram(node) {
  const { parent } = node;
  if (!parent) return false;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isLiteralTypeNode(parent))
    return true;
  if (ts.isJsxAttribute(parent)) return NOT_SHOWN.test(parent.name.getText());
  if (ts.isPropertyAssignment(parent) && parent.initializer === node)
    return NOT_SHOWN.test(parent.name.getText());
  if (ts.isCallExpression(parent) || ts.isNewExpression(parent)) {
    const callee = parent.expression;
    const name = ts.isPropertyAccessExpression(callee) ? callee.name.text : callee.getText();
    return NOT_SAID.test(name);
  }
  if (
    ts.isJsxExpression(parent) ||
    ts.isConditionalExpression(parent) ||
    ts.isParenthesizedExpression(parent) ||
    ts.isTemplateSpan(parent) ||
    ts.isTemplateExpression(parent) ||
    ts.isBinaryExpression(parent)
  )
    return forProgram(parent);
  return false;
}

/** @param {string} name @returns {Said[]} */
function saidIn(name) {
  const source = readFileSync(join(ROOT, name), 'utf8');
  const file = ts.createSourceFile(
    name,
    source,
    ts.ScriptTarget.Latest,
    true,
    name.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  /** @type {Said[]} */
  const said = [];
  /** @param {ts.Node} node @param {string} text */
  const say = (node, text) => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (isWords(plain) && !forProgram(node))
      said.push({
        file: name,
        line: file.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        text: plain,
      });
  };
  /** @param {ts.Node} node */
  const visit = (node) => {
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) say(node, node.text);
    else if (ts.isTemplateExpression(node))
      say(node, node.head.text + node.templateSpans.map(({ literal }) => `{…}${literal.text}`).join(''));
    else if (ts.isJsxText(node) && node.text.trim() !== '') {
      const plain = node.text.replace(/\s+/g, ' ').trim();
      if (/\p{L}{2}/u.test(plain))
        said.push({
          file: name,
          line: file.getLineAndCharacterOfPosition(node.getStart()).line + 1,
          text: plain,
        });
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return said;
}

const files = PLACES.flatMap((place) =>
  readdirSync(join(ROOT, place), { recursive: true })
    .map((name) => `${place}/${String(name)}`)
    .filter((name) => /\.tsx?$/.test(name) && !PASSED_OVER.test(name))
    .sort(),
);
const said = files.flatMap(saidIn);
if (process.argv.includes('--check')) {
  let found = 0;
  for (const { file, line, text } of said)
    for (const [banned, instead] of BANNED)
      if (banned.test(text)) {
        found++;
        console.error(`${file}:${line}  “${text}”: say ${instead}`);
      }
  process.exitCode = found > 0 ? 1 : 0;
} else {
  let place = '';
  for (const { file, line, text } of said) {
    const here = file
      .split('/')
      .slice(0, 4)
      .join('/')
      .replace(/\/[^/]+\.tsx?$/, '');
    if (here !== place) process.stdout.write(`\n# ${here}\n`);
    place = here;
    process.stdout.write(`${file.slice(here.length + 1)}:${line}\t${text}\n`);
  }
  process.stdout.write(`\n${said.length} texts\n`);
}
