/** One configuration for all parts; `npm test` names the parts it wants. */
const common = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
  testEnvironment: '<rootDir>/tools/jest-environment.cjs',
};

const project = (name) => ({
  ...common,
  displayName: name,
  rootDir: new URL('.', import.meta.url).pathname,
  testMatch: [`<rootDir>/${name}/src/**/*.test.ts`],
  ...(name === 'core' && { setupFiles: ['<rootDir>/core/jest-seed.mjs'] }),
});

/** Parts of the page on their own, in a page without a browser. */
const page = {
  ...project('web'),
  displayName: 'page',
  testMatch: ['<rootDir>/web/src/**/*.test.tsx'],
  testEnvironment: '<rootDir>/tools/jest-page-environment.cjs',
  testEnvironmentOptions: { url: 'http://127.0.0.1/' },
  setupFiles: ['<rootDir>/web/jest-page.mjs'],
  moduleNameMapper: { '\\.css$': '<rootDir>/web/jest-no-style.mjs' },
};

/** What starts, checks and measures the rest: plain Node. */
const tools = { ...project('tools'), testMatch: ['<rootDir>/tools/*.test.mjs'] };

export default {
  projects: [...['core', 'server', 'web', 'e2e'].map(project), page, tools],
  testTimeout: 300_000,
  testSequencer: '<rootDir>/tools/jest-sequencer.cjs',
};
