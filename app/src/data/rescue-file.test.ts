/** @jest-environment node */
import { createHash } from 'node:crypto';
import { v7 } from 'uuid';
import { readRescueFile } from './rescue-file';

const ledgerId = v7();
const change = {
  changeId: v7(),
  kind: 'area',
  id: v7(),
  baseRevision: 2,
  op: 'update',
  body: { name: 'Wall' },
};
const waiting = { ledgerId, change, isSealed: false, times: { name: '2026-11-02T10:00:00.000Z' } };
const entry = {
  entryId: v7(),
  ledgerId,
  kind: 'area',
  id: change.id,
  op: 'update',
  change: { body: { name: 'North wall' }, parts: [] },
  seenRevision: 3,
  enteredAt: '2026-11-02T10:00:01.000Z',
};
const bytes = Buffer.from('as if this were a picture');
const picture = {
  sha256: createHash('sha256').update(bytes).digest('hex'),
  houseId: ledgerId,
  picture: `data:image/jpeg;base64,${bytes.toString('base64')}`,
};
const file = {
  format: 'calvet-unsent',
  version: 1,
  savedAt: '2026-11-02T10:02:00.000Z',
  changes: [waiting],
  entries: [entry],
  pictures: [picture],
};
const read = (parts: object) => readRescueFile(JSON.stringify({ ...file, ...parts }));

test('what was saved comes back under its own ids, in its order, and nothing joins it', async () => {
  const { changes, pictures } = await read({});
  expect(changes).toEqual([
    { ...waiting, isSealed: true },
    {
      ledgerId,
      isSealed: true,
      change: {
        changeId: entry.entryId,
        kind: 'area',
        id: change.id,
        baseRevision: 3,
        op: 'update',
        body: { name: 'North wall' },
        enteredAt: entry.enteredAt,
      },
    },
  ]);
  expect(pictures).toEqual([{ sha256: picture.sha256, houseId: ledgerId, full: expect.any(Blob) as Blob }]);
  expect(pictures[0]?.full.type).toBe('image/jpeg');
  expect(pictures[0]?.full.size).toBe(bytes.length);
});

test('a file of a version that knew houses alone is read like any other', async () => {
  const formerly = <T extends { readonly ledgerId: string }>({ ledgerId: houseId, ...others }: T) => ({
    ...others,
    houseId,
  });
  const { changes } = await read({ changes: [formerly(waiting)], entries: [formerly(entry)] });
  expect(changes).toEqual((await read({})).changes);
});

test('what waited for a decision comes back as it was entered, and is asked about anew', async () => {
  const trouble = { kind: 'refused', message: 'The name is too long.', field: 'name' };
  const { changes } = await read({ changes: [{ ...waiting, trouble }] });
  expect(changes[0]).toEqual({ ...waiting, isSealed: true });
});

test.each([
  ['no JSON at all', 'pressure;flow\n50;900', /is no file of unsent entries/],
  ['some other JSON', '[1, 2]', /is no file of unsent entries/],
  ['nothing', '', /is no file of unsent entries/],
  ['a newer form', JSON.stringify({ ...file, version: 2 }), /newer version/],
  ['a list that is gone', JSON.stringify({ ...file, entries: undefined }), /“entries” cannot be read/],
  ['a list of something else', JSON.stringify({ ...file, changes: [null] }), /“changes” cannot be read/],
  ['a change without a house', JSON.stringify({ ...file, changes: [{ change }] }), /entry 1 .* house/],
  [
    'a kind that nobody knows',
    JSON.stringify({ ...file, changes: [{ ...waiting, change: { ...change, kind: 'gutter' } }] }),
    /entry 1 .* Known kinds/,
  ],
  [
    'a value out of bounds',
    JSON.stringify({ ...file, changes: [{ ...waiting, change: { ...change, body: { areaM2: -4 } } }] }),
    /entry 1/,
  ],
  ['an entry without a change', JSON.stringify({ ...file, entries: [{ ...entry, change: 1 }] }), /entry 2/],
  [
    'a picture with another content',
    JSON.stringify({ ...file, pictures: [{ ...picture, picture: 'data:image/jpeg;base64,AAAA' }] }),
    /picture 1 .* damaged/,
  ],
  [
    'a page in place of a picture',
    JSON.stringify({ ...file, pictures: [{ ...picture, picture: 'data:text/html;base64,AAAA' }] }),
    /picture 1 .* damaged/,
  ],
  [
    'a picture that was cut off',
    JSON.stringify({ ...file, pictures: [{ ...picture, picture: 'data:image/jpeg;base64,%%' }] }),
    /picture 1 .* damaged/,
  ],
])('%s is refused as a whole, in words that say why', async (_what, text, message) => {
  await expect(readRescueFile(text)).rejects.toThrow(message);
});
