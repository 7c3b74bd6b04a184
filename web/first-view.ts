import { fileURLToPath } from 'node:url';
import { build as bundle, type Plugin } from 'esbuild';

const ROOT = fileURLToPath(new URL('.', import.meta.url));
const MAIN = `${ROOT}src/main.tsx`;

/** Styles and fonts are no modules of the page; what is fetched later is not part of its first view. */
const codeOfNow: Plugin = {
  name: 'code of now',
  setup: (build) => {
    build.onResolve({ filter: /\.css$|^@fontsource/ }, () => ({ path: 'none', namespace: 'none' }));
    build.onLoad({ filter: /.*/, namespace: 'none' }, () => ({ contents: '' }));
    build.onResolve({ filter: /.*/ }, ({ kind }) =>
      kind === 'dynamic-import' ? { external: true } : undefined,
    );
  },
};

/**
 * The modules that the page needs to stand there for the first time, and nothing else: they are packed together, so that no
 * shared piece carries what only a place needs along with them.
 * @returns absolute paths
 */
export async function firstView(): Promise<ReadonlySet<string>> {
  const { metafile } = await bundle({
    absWorkingDir: ROOT,
    entryPoints: [MAIN],
    bundle: true,
    write: false,
    metafile: true,
    format: 'esm',
    jsx: 'automatic',
    logLevel: 'error',
    define: { 'import.meta.env.PROD': 'true', 'process.env.NODE_ENV': '"production"' },
    plugins: [codeOfNow],
  });
  const used = Object.values(metafile.outputs).flatMap(({ inputs }) =>
    Object.entries(inputs).flatMap(([path, { bytesInOutput }]) => (bytesInOutput > 0 ? [path] : [])),
  );
  return new Set(used.map((path) => fileURLToPath(new URL(path, `file://${ROOT}`))));
}
