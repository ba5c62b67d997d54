/** @jest-environment node */
import { createApi, Unreachable } from './api';

const answering = (status: number, headers: Readonly<Record<string, string>>) =>
  createApi({
    fetch: () =>
      Promise.resolve(
        new Response(
          JSON.stringify({
            type: 'urn:calvet:problem:too-many',
            title: 'Too much',
            status,
            detail: 'Too many.',
            code: 'too-many',
            field: '',
          }),
          { status, headers: { 'content-type': 'application/problem+json', ...headers } },
        ),
      ),
    author: () => 'Ada',
    device: 'a',
    now: () => 0,
  });

test.each([429, 503])(
  'a server that asks to be left alone (%i) is away for as long as it says',
  async (status) => {
    const asked = answering(status, { 'retry-after': '7' }).sendChanges('house', []);
    const error: unknown = await asked.catch((reason: unknown) => reason);
    if (!(error instanceof Unreachable)) throw new Error('It was taken for something else.');
    expect([error.status, error.retryAfterMs, error.message]).toEqual([status, 7000, 'Too many.']);
  },
);
