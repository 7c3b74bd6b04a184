// What the compiler has to say, told by the linter: both need the same program, and to work it out twice would double
// the longest of the checks.
import ts from 'typescript';

/** @type {import('eslint').Rule.RuleModule} */
const compiler = {
  meta: { type: 'problem', schema: [] },
  create: (context) => ({
    Program() {
      const { program } = context.sourceCode.parserServices;
      const file = program.getSourceFile(context.filename);
      for (const { start, length, messageText } of [
        ...program.getSyntacticDiagnostics(file),
        ...program.getSemanticDiagnostics(file),
      ]) {
        context.report({
          message: ts.flattenDiagnosticMessageText(messageText, ' ').replaceAll('{{', '{ {'),
          loc: {
            start: context.sourceCode.getLocFromIndex(start ?? 0),
            end: context.sourceCode.getLocFromIndex((start ?? 0) + (length ?? 0)),
          },
        });
      }
    },
  }),
};

export default { rules: { compiler } };
