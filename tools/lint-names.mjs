// Outside of its own file no step and no product is known by its name: what others must know of it is a fact of its type.
// A name is found by what it is compared with: a value whose type is the union of all such names.
/** Names that only steps, or only products, have: a union with one is of their names, all of them or some. */
const TELLING = ['incubate', 'cultured-cream'];

/** @param {import('typescript').Type} type @returns {boolean} */
const isStepName = (type) => {
  const literals = new Set(
    (type.isUnion() ? type.types : [type]).flatMap((t) => (t.isStringLiteral() ? [t.value] : [])),
  );
  return literals.size > 1 && TELLING.some((name) => literals.has(name));
};

/** @type {import('eslint').Rule.RuleModule} */
const stepsByName = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { named: 'Ask for a fact of the step or the product, not for its name.' },
  },
  create: (context) => {
    const { program, esTreeNodeToTSNodeMap } = context.sourceCode.parserServices;
    const checker = program.getTypeChecker();
    /** @param {object} node */
    const typeOf = (node) => checker.getTypeAtLocation(esTreeNodeToTSNodeMap.get(node));
    /** @param {{ type: string, value?: unknown }} node */
    const isText = (node) => node.type === 'Literal' && typeof node.value === 'string';
    return {
      BinaryExpression(node) {
        if (!/^[!=]==?$/.test(node.operator)) return;
        const [text, other] = isText(node.left) ? [node.left, node.right] : [node.right, node.left];
        if (isText(text) && isStepName(typeOf(other))) context.report({ node, messageId: 'named' });
      },
      SwitchStatement(node) {
        if (isStepName(typeOf(node.discriminant))) context.report({ node, messageId: 'named' });
      },
      CallExpression({ callee, arguments: [argument] }) {
        if (callee.type !== 'MemberExpression' || callee.object.type !== 'ArrayExpression') return;
        if (argument && isStepName(typeOf(argument)))
          context.report({ node: callee.object, messageId: 'named' });
      },
      Literal(node) {
        if (!isText(node)) return;
        const expected = checker.getContextualType(esTreeNodeToTSNodeMap.get(node));
        if (expected && isStepName(expected)) context.report({ node, messageId: 'named' });
      },
    };
  },
};

export default { rules: { 'steps-by-name': stepsByName } };
