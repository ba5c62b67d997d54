const { join } = require('node:path');
const web = require('jest-expo/web/jest-preset');

const modules = join(__dirname, '..', 'node_modules');
const transformed = [
  '(jest-)?react-native',
  '@react-native',
  'expo',
  '@expo',
  '@expo-google-fonts',
  'react-navigation',
  '@react-navigation',
  'd3-',
  'internmap',
  'uuid',
  '@hookform',
  'p-queue',
  'p-timeout',
  'eventemitter3',
];

/** Unit tests of the app run against the web target, as its users do. */
module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  rootDir: __dirname,
  moduleNameMapper: {
    ...web.moduleNameMapper,
    '^fast-check$': join(__dirname, '..', 'core', 'test', 'seeded-fast-check.js'),
  },
  setupFilesAfterEnv: [...(web.setupFilesAfterEnv ?? []), join(__dirname, 'test', 'patience.ts')],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: { ...web.transform, '\\.mjs$': web.transform['\\.[jt]sx?$'] },
  transformIgnorePatterns: [`${modules}/(?!(${transformed.join('|')}))`],
};
