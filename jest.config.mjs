const nodeModulesInModules = [
  'uuid',
  'p-queue',
  'p-timeout',
  'eventemitter3',
  'fake-indexeddb',
  'd3-',
  'internmap',
  'idb',
  '@hookform',
  '@tus',
  'srvx',
].join('|');
const plainNode = (name, extra = {}) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${name}`],
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  transform: { '\\.(mjs|[jt]sx?)$': ['babel-jest', { presets: ['babel-preset-expo'] }] },
  moduleNameMapper: { '^fast-check$': '<rootDir>/core/test/seeded-fast-check.js' },
  transformIgnorePatterns: [`/node_modules/(?!(${nodeModulesInModules}))`],
  setupFilesAfterEnv: ['<rootDir>/core/test/patience.ts'],
  ...extra,
});

export default {
  projects: [
    plainNode('core'),
    plainNode('contract'),
    plainNode('demo'),
    plainNode('bin'),
    plainNode('server'),
    // The app's own store against the real server.
    plainNode('crowd', { roots: ['<rootDir>/e2e/crowd'] }),
    '<rootDir>/app/jest.config.js',
  ],
};
