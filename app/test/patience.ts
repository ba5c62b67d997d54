import { configure } from '@testing-library/react';

/** A busy machine makes no test red; one that hangs ends all the same. */
jest.setTimeout(90_000);
configure({ asyncUtilTimeout: 20_000 });
