import { planSizesOperation } from '@calvet/core/plan/sizes';
import { drawingOf, sampleOpening, sampleRoof, sampleStorey, shaped } from '../../test/sample-drawing';
import { sampleFeature, sampleWork } from '../../test/sample-plan';
import { readChange } from '../changes/read-change';
import { copiedDrawing, copiedKey, type CopiedDrawing } from './copied-drawing';
import { UnreadableFile } from '../json-file';
import { DRAWING_FILE_BYTES_MAX, readDrawingFile, writeDrawingFile } from './drawing-file';
import { fittingWings } from './fit-wings';
import { itemKey, planToBe } from './item-key';
import { layOutline } from './lay-outline';
import { planInputOf, type Drawing, type Planned } from './plan-input';
import { NO_SCHOOLS } from './schools';
import type { Wall } from './storey';

const HOUSE = '01a1f000-0000-7000-8000-000000000001';
const OTHER = '01a1f000-0000-7000-8000-000000000002';
const idOf = (number: number) => `01a1f000-0000-7000-8000-1000000000${String(number).padStart(2, '0')}`;

const stored = { ledgerId: OTHER, revision: 0, updatedAt: '', updatedBy: '', deletedAt: null };

const outline = shaped('L').map((wall, i) => ({
  ...wall,
  groundStartM: i === 0 ? 0 : null,
  groundEndM: i === 0 ? 1 : null,
  stretches:
    i === 0
      ? [
          { id: idOf(50), room: 'Hall', lengthM: 4 },
          { id: idOf(51), room: 'Bath', lengthM: null },
        ]
      : [],
}));
const corners = layOutline({ start: { xM: 0, yM: 0 }, outline }).map(({ from }) => from);
const wallAt = (i: number): Wall => {
  const wall = outline[i];
  if (wall === undefined) throw new Error('no such wall');
  return wall;
};

const drawing: Planned = {
  ...drawingOf(sampleStorey(idOf(1), { name: 'Ground floor', outline })),
  plans: [
    {
      ...planToBe(HOUSE),
      schoolsAt: [{ ...NO_SCHOOLS, id: wallAt(1).id, insulation: ['fillFoam'] }],
      checkpointsAdded: [
        {
          id: idOf(60),
          title: 'Strip behind the meter',
          at: itemKey.wall(wallAt(1).id),
          phase: 'beforeFill',
          trade: 'airSealer',
          coverEvent: 'lining',
        },
      ],
      checkpointsOff: [
        { name: 'batt-fills-cavity' },
        { name: itemKey.checkpoint('batt-fills-cavity', itemKey.wall(wallAt(0).id)) },
      ],
    },
  ],
  zones: [
    {
      ...stored,
      ledgerId: HOUSE,
      id: idOf(2),
      name: 'Garage',
      storeyId: idOf(1),
      use: 'garage',
      outline: [
        { xM: 10, yM: 0 },
        { xM: 13, yM: 0 },
        { xM: 13, yM: -5 },
      ],
    },
  ],
  roofs: [
    sampleRoof(idOf(1), {
      id: idOf(3),
      name: 'Roof',
      form: 'slope',
      pitch: 0.8,
      wings: fittingWings({ corners, covers: [] }, 'hip') ?? [],
    }),
  ],
  openings: [
    sampleOpening(idOf(4), wallAt(0).id, { alongM: 3 }),
    sampleOpening(idOf(5), idOf(3), { use: 'roofWindow' }),
  ],
  features: [
    sampleFeature(idOf(6), 'tubOnOuterWall', wallAt(0).id, { alongM: 2 }),
    sampleFeature(idOf(7), 'radonStack', HOUSE),
  ],
  works: [
    sampleWork(idOf(8), 'wallStood', HOUSE, {
      pinnedStart: '2027-03-29',
      begunOn: '2027-03-30',
      doneOn: '2027-04-02',
    }),
    sampleWork(idOf(9), 'lining', wallAt(0).id, {
      on: [{ id: wallAt(0).id }, { id: idOf(6) }],
      after: [{ id: idOf(8), lagDays: 2 }],
      pinnedStart: '2027-05-03',
    }),
  ],
};

/** What was copied, as a drawing again. */
function drawn({ records }: CopiedDrawing): Planned {
  const of = (kind: string) =>
    records.flatMap((record) => (record.kind === kind ? [{ ...record.body, ...stored, id: record.id }] : []));
  return {
    plans: of('plan'),
    storeys: of('storey'),
    zones: of('zone'),
    roofs: of('roof'),
    openings: of('opening'),
    features: of('feature'),
    works: of('work'),
  } as unknown as Planned;
}

function sizesOf(of: Drawing) {
  const input = planInputOf(of);
  if (input === null) throw new Error('nothing drawn');
  return planSizesOperation.run(input);
}

const numbers = (value: unknown): readonly number[] =>
  typeof value === 'number' ? [value] : Object.values(value as object).flatMap(numbers);

test.each([false, true])('a copy, mirrored: %s, comes to the same sizes', (isMirrored) => {
  const [before, now] = [sizesOf(drawing), sizesOf(drawn(copiedDrawing(drawing, OTHER, { isMirrored })))];
  const after = numbers(now);
  numbers(before).forEach((figure, i) => expect(after[i]).toBeCloseTo(figure, 6));
});

test('nothing in a copy has an id of what it was copied from, and each id is there once', () => {
  const text = JSON.stringify(copiedDrawing(drawing, OTHER).records);
  for (const id of JSON.stringify(drawing).match(/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g) ?? [])
    expect(text).not.toContain(id);
  const ids = drawn(copiedDrawing(drawing, OTHER)).storeys.flatMap((storey) =>
    storey.outline.map(({ id }) => id),
  );
  expect(new Set(ids).size).toBe(outline.length);
});

test('every record of a copy is one that the server takes', () => {
  for (const { kind, id, body } of copiedDrawing(drawing, OTHER, { isMirrored: true }).records) {
    const change = { changeId: id, kind, id, baseRevision: 0, op: 'create', body };
    expect(readChange(JSON.parse(JSON.stringify(change)), 0)).toMatchObject({ ok: true });
  }
});

test('in a mirror what lay along a wall lies as far from its other end', () => {
  const copy = copiedDrawing(drawing, OTHER, { isMirrored: true });
  const mirror = drawn(copy);
  const [window] = mirror.openings;
  expect(window).toMatchObject({ on: copy.idOf.get(wallAt(0).id), alongM: 7 });
  const wall = mirror.storeys[0]?.outline.find(({ id }) => id === window?.on);
  expect(wall).toMatchObject({ groundStartM: 1, groundEndM: 0 });
  expect(wall?.stretches.map(({ room }) => room)).toEqual(['Bath', 'Hall']);
  expect(mirror.zones[0]?.outline.map(({ xM }) => xM)).toEqual([-13, -13, -10]);
});

test('what was put into a house, and how its parts are built, is of the copy now', () => {
  const copy = copiedDrawing(drawing, OTHER, { isMirrored: true });
  const [tub, radon] = drawn(copy).features;
  expect(tub).toMatchObject({ on: copy.idOf.get(wallAt(0).id), alongM: 8 });
  expect(radon?.on).toBe(OTHER);
  const [plan] = drawn(copy).plans;
  const wall = copy.idOf.get(wallAt(1).id) ?? '';
  expect(plan?.schoolsAt).toEqual([expect.objectContaining({ id: wall, insulation: ['fillFoam'] })]);
  expect(plan?.checkpointsAdded.map(({ at }) => at)).toEqual([itemKey.wall(wall)]);
  expect(plan?.checkpointsOff.map(({ name }) => name)).toEqual([
    'batt-fills-cavity',
    `batt-fills-cavity@${itemKey.wall(copy.idOf.get(wallAt(0).id) ?? '')}`,
  ]);
});

test('works go over with their days shifted, and nothing that was recorded of them', () => {
  const copy = copiedDrawing(drawing, OTHER, { startsOn: '2028-02-28' });
  const [walls, lining] = drawn(copy).works;
  expect(walls).toMatchObject({
    on: [{ id: OTHER }],
    pinnedStart: '2028-02-28',
    begunOn: null,
    doneOn: null,
  });
  expect(lining).toMatchObject({
    on: [{ id: copy.idOf.get(wallAt(0).id) }, { id: copy.idOf.get(idOf(6)) }],
    after: [{ id: walls?.id, lagDays: 2 }],
    // 35 days after the first, over the last day of February of a leap year.
    pinnedStart: '2028-04-03',
  });
  expect(drawn(copiedDrawing(drawing, OTHER)).works.map(({ pinnedStart }) => pinnedStart)).toEqual([
    null,
    null,
  ]);
});

test('keys of items go over to the copy', () => {
  const copy = copiedDrawing(drawing, OTHER);
  const wall = wallAt(1).id;
  expect(copiedKey(itemKey.concrete(wall), copy)).toBe(itemKey.concrete(copy.idOf.get(wall) ?? ''));
  expect(copiedKey(itemKey.floor(idOf(1), idOf(2)), copy)).toBe(
    itemKey.floor(copy.idOf.get(idOf(1)) ?? '', copy.idOf.get(idOf(2)) ?? ''),
  );
  expect(copiedKey(itemKey.wall(idOf(99)), copy)).toBeNull();
});

describe('a file of a drawing', () => {
  const text = writeDrawingFile(drawing);
  const file = JSON.parse(text) as Record<string, unknown>;
  const reading = (changed: unknown) => () => readDrawingFile(JSON.stringify(changed), readChange);

  test('comes back as it went', () => {
    expect(writeDrawingFile(readDrawingFile(text, readChange))).toBe(text);
    expect(sizesOf(readDrawingFile(text, readChange))).toEqual(sizesOf(drawing));
    expect(text.length).toBeLessThan(DRAWING_FILE_BYTES_MAX / 100);
  });

  test('of the first version is read too: nothing had been put into a house, and corners had no ids', () => {
    const { features: _, works: __, storeys, ...former } = file;
    const [storey] = storeys as readonly { readonly outline: readonly { readonly id: string }[] }[];
    const bare = storey?.outline.map((wall) =>
      Object.fromEntries(Object.entries(wall).filter(([name]) => name !== 'corner')),
    );
    const read = readDrawingFile(
      JSON.stringify({ ...former, version: 1, storeys: [{ ...storey, outline: bare }] }),
      readChange,
    );
    expect([read.features, read.works]).toEqual([[], []]);
    expect(read.storeys[0]?.outline.map(({ corner }) => corner)).toEqual(outline.map(({ id }) => id));
  });

  test.each<[string, () => unknown, RegExp]>([
    ['cut off', () => readDrawingFile(text.slice(0, -40), readChange), /its end is missing/],
    ['of something else', reading({ ...file, format: 'calvet-unsent' }), /no file of a drawing/],
    ['a list', reading([file]), /no file of a drawing/],
    ['of another version', reading({ ...file, version: 3 }), /version 3; this page reads version 2/],
    ['without its roofs', reading({ ...file, roofs: undefined }), /“roofs” is missing/],
    ['with a wall of 900 m', reading(withWall({ lengthM: 900 })), /storeys\[0\], outline\[0\]\.lengthM: /],
    [
      'with a field nobody knows',
      reading(withWall({ colour: 'red' })),
      /storeys\[0\], outline\[0\]\.colour: /,
    ],
    ['with a record that is none', reading({ ...file, storeys: ['x'] }), /storeys\[0\]/],
    [
      'with an id twice',
      reading({ ...file, openings: [...(file.openings as []), ...(file.openings as [])] }),
      /has its id already/,
    ],
  ])('%s is refused as a whole, at its place', (_what, read, message) => {
    expect(read).toThrow(UnreadableFile);
    expect(read).toThrow(message);
  });

  function withWall(more: object): unknown {
    const [storey] = file.storeys as readonly { readonly outline: readonly object[] }[];
    const walls = storey?.outline.map((wall, i) => (i === 0 ? { ...wall, ...more } : wall));
    return { ...file, storeys: [{ ...storey, outline: walls }] };
  }
});
