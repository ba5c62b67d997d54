const nodeModulesInModules = ['uuid', 'd3-', 'internmap', 'idb', '@hookform', '@tus', 'srvx'].join('|');
const plainNode = (name, extra = {}) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${name}`],
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  transform: { '\\.(mjs|[jt]sx?)$': ['babel-jest', { presets: ['babel-preset-expo'] }] },
  moduleNameMapper: { '^fast-check$': '<rootDir>/core/test/seeded-fast-check.js' },
  transformIgnorePatterns: [`/node_modules/(?!(${nodeModulesInModules}))`],
  ...extra,
});

export default {
  projects: [
    plainNode('core'),
    plainNode('contract'),
    plainNode('demo'),
    plainNode('bin'),
    plainNode('server', { setupFilesAfterEnv: ['<rootDir>/server/test/patience.ts'] }),
    '<rootDir>/app/jest.config.js',
  ],
};
