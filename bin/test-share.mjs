import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './machine/checkout.mjs';

const CODE = /\.(ts|tsx|js|mjs|cjs)$/;
const GENERATED = /(^|\/)(node_modules|dist|migrations)\//;
const TEST = /(\.test\.tsx?$|\.spec\.tsx?$|(^|\/)(e2e|test)\/)/;

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], { cwd: root, encoding: 'utf8' })
  .split('\n')
  .filter((file) => CODE.test(file) && !GENERATED.test(file) && existsSync(join(root, file)));

const linesOf = (file) =>
  readFileSync(join(root, file), 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '').length;

const all = files.reduce((sum, file) => sum + linesOf(file), 0);
const tests = files.filter((file) => TEST.test(file)).reduce((sum, file) => sum + linesOf(file), 0);
console.log(`Tests are ${tests} of ${all} code lines: ${((100 * tests) / all).toFixed(1)} %`);
