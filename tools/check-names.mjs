// Outside of its own file no step and no product is known by its name: what others must know of it is a fact of its type.
// A name is found by what it is compared with, or given for: a value whose type is the union of all such names.
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { ROOT } from './install.mjs';

/** Names that only steps, or only products, have: a union with one is of their names, all of them or some. */
const TELLING = ['incubate', 'cultured-cream'];
/** Every word that may be such a name: only those are looked at, for asking for a type is dear. */
const WORDS = new Set(
  readFileSync(join(ROOT, 'core/src/contract/methods.ts'), 'utf8').match(/(?<=')[a-z-]+(?=')/g),
);
/** Where names are known: steps and products themselves, what is made of them, and what was made for one. */
const KNOWS =
  /^core\/src\/(steps|products|contract|demo)\/|^web\/src\/places\/([^/]+\/panels|methods)\/|^server\/src\/(demo|testing)\/|\/fixtures\/|\.test\.tsx?$/;
const LOOKED_AT = /^(core|server|web)\/src\/.*\.tsx?$/;

/** @returns {ts.Program} */
function program() {
  const file = join(ROOT, 'tsconfig.lint.json');
  const { config } = ts.readConfigFile(file, ts.sys.readFile);
  const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, ROOT);
  return ts.createProgram(fileNames, options);
}

const whole = program();
const checker = whole.getTypeChecker();

/** @param {ts.Type} type */
function isName(type) {
  const literals = new Set(
    (type.isUnion() ? type.types : [type]).flatMap((t) => (t.isStringLiteral() ? [t.value] : [])),
  );
  return literals.size > 1 && TELLING.some((name) => literals.has(name));
}

/**
 * What a name is held against: the other side of a comparison, what a `switch` goes by, what is looked for in a list of
 * names, or what a place takes that is given one.
 * @param {ts.StringLiteral} literal
 * @returns {ts.Type | undefined}
 */
function heldAgainst(literal) {
  const { parent } = literal;
  if (ts.isBinaryExpression(parent) && /^[!=]==?$/.test(parent.operatorToken.getText()))
    return checker.getTypeAtLocation(parent.left === literal ? parent.right : parent.left);
  if (ts.isCaseClause(parent)) return checker.getTypeAtLocation(parent.parent.parent.expression);
  if (ts.isArrayLiteralExpression(parent) && ts.isPropertyAccessExpression(parent.parent)) {
    const call = parent.parent.parent;
    const argument = ts.isCallExpression(call) ? call.arguments[0] : undefined;
    if (argument) return checker.getTypeAtLocation(argument);
  }
  return checker.getContextualType(literal);
}

/** Where what only one kind of step has may be asked: the step itself, and the panels drawn for it. */
const OWNS = /^core\/src\/(steps|demo)\/|^web\/src\/places\/[^/]+\/panels\/|\/fixtures\/|\.test\.tsx?$/;

/**
 * Facts that one kind of step alone has are its name in disguise: which they are is read off the steps themselves.
 * @returns {{ facts: Set<string>, pots: Set<string> }} names of facts, and what stands in the pot
 */
function fingerprints() {
  /** @type {Map<string, number>} */
  const facts = new Map();
  /** @type {Map<string, number>} */
  const pots = new Map();
  const count = (/** @type {Map<string, number>} */ of, /** @type {string} */ name) =>
    of.set(name, (of.get(name) ?? 0) + 1);
  for (const file of whole.getSourceFiles()) {
    if (!/core\/src\/steps\/.*(?<!test)\.ts$/.test(file.fileName)) continue;
    /** @param {ts.Node} node */
    const visit = (node) => {
      if (ts.isCallExpression(node) && node.expression.getText() === 'factsOf') {
        const [own] = node.arguments;
        if (own && ts.isObjectLiteralExpression(own))
          for (const property of own.properties)
            if (ts.isPropertyAssignment(property)) {
              count(facts, property.name.getText());
              if (property.name.getText() === 'inThePot' && ts.isStringLiteral(property.initializer))
                count(pots, property.initializer.text);
            }
      }
      ts.forEachChild(node, visit);
    };
    visit(file);
  }
  const single = (/** @type {Map<string, number>} */ of) =>
    new Set([...of].flatMap(([name, many]) => (many === 1 ? [name] : [])));
  return { facts: single(facts), pots: single(pots) };
}

const own = fingerprints();
/** @param {ts.Node} node */
const isFacts = (node) =>
  checker
    .getTypeAtLocation(node)
    .getProperties()
    .some(({ name }) => name === 'inThePot');

let found = 0;
for (const file of whole.getSourceFiles()) {
  const name = relative(ROOT, file.fileName);
  if (!LOOKED_AT.test(name)) continue;
  const knows = KNOWS.test(name);
  /** @param {ts.Node} node */
  const visit = (node) => {
    if (!knows && ts.isStringLiteral(node) && WORDS.has(node.text)) {
      const type = heldAgainst(node);
      if (type && isName(type)) {
        found++;
        const { line } = file.getLineAndCharacterOfPosition(node.getStart());
        console.error(
          `${name}:${line + 1}  '${node.text}': ask for a fact of the step or the product, not for its name`,
        );
      }
    }
    if (!OWNS.test(name)) {
      const asked =
        ts.isPropertyAccessExpression(node) && own.facts.has(node.name.text) && isFacts(node.expression)
          ? node.name.text
          : ts.isStringLiteral(node) &&
              own.pots.has(node.text) &&
              ts.isBinaryExpression(node.parent) &&
              /inThePot$/.test((node.parent.left === node ? node.parent.right : node.parent.left).getText())
            ? node.text
            : null;
      if (asked !== null) {
        found++;
        const { line } = file.getLineAndCharacterOfPosition(node.getStart());
        console.error(
          `${name}:${line + 1}  '${asked}': only one kind of step has it. Let the step do what follows from it`,
        );
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
}
process.exitCode = found > 0 ? 1 : 0;
