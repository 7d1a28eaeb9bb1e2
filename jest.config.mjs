import path from 'node:path';

const common = {
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  setupFiles: ['fake-indexeddb/auto'],
  transform: {
    '\\.ts$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
    ],
  },
  injectGlobals: false,
  moduleNameMapper: { '^fast-check$': path.join(import.meta.dirname, 'scripts/fast-check.mjs') },
};

export default {
  projects: ['core', 'cli', 'server', 'web', 'docs'].map((room) => ({
    ...common,
    displayName: room,
    roots: [`<rootDir>/${room}`],
    testMatch: ['**/*.test.ts'],
  })),
};
