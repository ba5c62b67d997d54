import { join } from 'node:path';
import { docExamples, troubleWith } from '../../core/test/doc-examples';
import * as contract from '.';

const [entry] = contract.BUILD_UP_LIBRARY;

test.each(docExamples(__dirname).map((each) => [each.code, each] as const))(
  '%s gives what its comment says',
  (_code, example) => {
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    const own = require(join(__dirname, example.file)) as Readonly<Record<string, unknown>>;
    expect(troubleWith(example, { ...contract, entry, ...own })).toBeNull();
  },
);
