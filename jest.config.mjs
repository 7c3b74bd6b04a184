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

export default {
  projects: ['core', 'server', 'web', 'e2e'].map(project),
  testTimeout: 120_000,
  testSequencer: '<rootDir>/tools/jest-sequencer.cjs',
};
