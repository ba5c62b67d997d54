import { join } from 'node:path';
import { docExamples, troubleWith } from '../test/doc-examples';
import * as core from '.';
import { multiPoint } from './airtightness/multi-point';
import { examples } from './examples';

const found = docExamples(__dirname);

test('there are examples to run', () => expect(found.length).toBeGreaterThan(25));

test.each(found.map((each) => [each.code, each] as const))(
  '%s gives what its comment says',
  (_code, example) => {
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    const own = require(join(__dirname, example.file)) as Readonly<Record<string, unknown>>;
    expect(troubleWith(example, { ...core, examples, multiPoint, ...own })).toBeNull();
  },
);
