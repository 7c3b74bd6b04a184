import type { Plugin } from 'vite';

const UNUSED = /\/zod\/v4\/core\/(json-schema-processors|to-json-schema)\.js$/;

/**
 * Leaves out of the page how a schema is written as a JSON Schema: the server does that, the page never does, and it would be
 * four kilobytes of everybody's first view. What is exported stays, and does nothing.
 */
export const withoutJsonSchema = (): Plugin => ({
  name: 'without-json-schema',
  transform(code, id) {
    if (!UNUSED.test(id)) return null;
    const names = [...code.matchAll(/^export (?:const|function) (\w+)/gm)].map(([, name]) => name);
    const also = /^export \{ (\w+) as (\w+) \}/m.exec(code);
    return {
      code: [
        'const nothing = () => undefined;',
        ...names.map((name) => `export const ${name} = nothing;`),
        ...(also ? [`export { ${also[1]} as ${also[2]} };`] : []),
      ].join('\n'),
      map: null,
    };
  },
});
