import { configure } from '@testing-library/react';

/** A busy machine makes no test red; one that hangs ends all the same. */
jest.setTimeout(90_000);
configure({ asyncUtilTimeout: 20_000 });

/** The tests' browser knows dialogs, and not how to open one; the real one is asked in the journeys. */
if (typeof HTMLDialogElement !== 'undefined' && !('showModal' in HTMLDialogElement.prototype)) {
  Object.assign(HTMLDialogElement.prototype, {
    showModal(this: HTMLDialogElement) {
      this.open = true;
    },
    close(this: HTMLDialogElement) {
      this.open = false;
    },
  });
}
