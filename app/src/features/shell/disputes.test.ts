import { fieldsOf, KINDS, type Kind, type KindedRecord } from '@calvet/contract/kinds';
import type { Troubled } from '../../data/outbox-rules';
import { disputesIn } from './disputes';

const dispute = (body: object, theirs: object, kind: Kind = 'house'): Troubled => ({
  ledgerId: 'h',
  isSealed: true,
  change: { changeId: 'c', kind, id: 'h', baseRevision: 1, op: 'update', body },
  trouble: {
    kind: 'conflict',
    current: {
      kind,
      record: { revision: 2, deletedAt: null, ...theirs },
    } as unknown as KindedRecord,
    fields: Object.keys(body).map((field) => ({ field, by: 'Ada', at: '2026-11-03T10:20:00.000Z' })),
  },
});

test('both values are shown in the units of the person, with who and when', () => {
  const [volume, place] = disputesIn(
    dispute({ volumeM3: 400, place: '' }, { volumeM3: 410, place: 'Northby' }),
    'imperial',
  );
  expect(volume).toMatchObject({
    label: 'Volume',
    mine: '14126\u00A0ft³',
    theirs: '14479\u00A0ft³',
    by: 'Ada',
  });
  expect(volume?.at).toMatch(/^3 Nov, \d{2}:\d{2}$/);
  expect(place).toMatchObject({ label: 'Location', mine: 'nothing', theirs: '“Northby”' });
});

test.each(KINDS)('every field of %s has a name of its own', (kind) => {
  for (const field of fieldsOf(kind)) {
    const [found] = disputesIn(dispute({ [field]: null }, {}, kind), 'metric');
    expect(found?.label).not.toBe(field);
  }
});
