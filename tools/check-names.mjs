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
  /^core\/src\/(steps|products|contract|demo|recipes)\/|^web\/src\/places\/([^/]+\/panels|methods)\/|^server\/src\/(demo|testing)\/|\/fixtures\/|\.test\.tsx?$/;
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

let found = 0;
for (const file of whole.getSourceFiles()) {
  const name = relative(ROOT, file.fileName);
  if (!LOOKED_AT.test(name) || KNOWS.test(name)) continue;
  /** @param {ts.Node} node */
  const visit = (node) => {
    if (ts.isStringLiteral(node) && WORDS.has(node.text)) {
      const type = heldAgainst(node);
      if (type && isName(type)) {
        found++;
        const { line } = file.getLineAndCharacterOfPosition(node.getStart());
        console.error(
          `${name}:${line + 1}  '${node.text}': ask for a fact of the step or the product, not for its name`,
        );
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
}
process.exitCode = found > 0 ? 1 : 0;
