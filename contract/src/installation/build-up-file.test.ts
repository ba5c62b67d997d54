import { readChange } from '../changes/read-change';
import { UnreadableFile } from '../json-file';
import { PRACTICE_ID } from '../ledger';
import { notStored } from '../record';
import type { BuildUp } from './area';
import { readBuildUpsFile, readMaterialsFile, writeBuildUpsFile, writeMaterialsFile } from './build-up-file';
import { BUILD_UP_LIBRARY, buildUpOf } from './build-up-library';
import { USUAL_MEMBERS } from './frame-members';
import type { Material } from './material';
import { troubleOf, twoResistances } from './material-doubts';

const ID = '01a1f000-0000-7000-8000-000000000007';

const hemp: Material = {
  ...notStored(ID, PRACTICE_ID),
  name: 'Hemp batt',
  group: 'plantFibre',
  alters: null,
  basis: 'Label of the pack',
  conductivityWmK: 0.039,
  rsi: null,
  thicknessM: null,
  muDry: 2,
  muDamp: 1,
  sdDryM: null,
  sdDampM: null,
  densityKgM3: 38,
  carbonKgM3: 20,
  storedKgM3: 60,
  agent: null,
  pressing: 'constant',
  vapourKind: 'other',
  isAirtight: false,
  traits: null,
};

const all = BUILD_UP_LIBRARY.map((entry) => buildUpOf(entry));

/** A build-up of the library with its first framed layer counted from its studs. */
const counted: BuildUp = (() => {
  const framed = all.find(({ layers }) => layers.some(({ kind }) => kind === 'framed'));
  if (framed === undefined) throw new Error('There is a framed build-up in the library.');
  return {
    ...framed,
    layers: framed.layers.map((layer) =>
      layer.kind === 'framed'
        ? { ...layer, members: { ...USUAL_MEMBERS, stud: { kind: 'cored', coreM: 0.03, coreWmK: 0.03 } } }
        : layer,
    ),
  };
})();

test('every build-up of the library comes back as it was written, members too', () => {
  const { buildUps, unknown } = readBuildUpsFile(writeBuildUpsFile([...all, counted]), [], readChange);
  expect(buildUps).toEqual([...all, counted]);
  expect(unknown).toEqual([]);
});

test('what nobody here knows keeps its figures, and is named once', () => {
  const [wall] = all;
  if (wall === undefined) throw new Error('There is a build-up in the library.');
  const strange = {
    ...wall,
    layers: wall.layers.map((layer) => ({ ...layer, materialId: 'moon-dust', name: 'Moon dust' })),
  };
  const { buildUps, unknown } = readBuildUpsFile(writeBuildUpsFile([strange]), [], readChange);
  expect(unknown).toEqual(['Moon dust']);
  expect(buildUps[0]?.layers).toEqual(strange.layers);
  const known = readBuildUpsFile(
    writeBuildUpsFile([{ ...wall, layers: wall.layers.map((layer) => ({ ...layer, materialId: ID })) }]),
    [hemp],
    readChange,
  );
  expect(known.unknown).toEqual([]);
});

test('what an app did not know yet may be missing in a layer', () => {
  const file = JSON.parse(writeBuildUpsFile([counted])) as {
    buildUps: { layers: Record<string, unknown>[] }[];
  };
  for (const layer of file.buildUps[0]?.layers ?? []) {
    delete layer.members;
    delete layer.fills;
    delete layer.carbonKgM3;
  }
  const { buildUps } = readBuildUpsFile(JSON.stringify(file), [], readChange);
  expect(buildUps[0]?.layers).toContainEqual(expect.objectContaining({ members: null, fills: [] }));
});

test.each([
  ['cut off', (text: string) => text.slice(0, -20), /its end is missing/],
  [
    'of another kind',
    (text: string) => text.replace('calvet-build-ups', 'calvet-drawing'),
    /no file of build-ups/,
  ],
  ['of a later version', (text: string) => text.replace('"version": 1', '"version": 2'), /of version 2/],
  ['without its list', (text: string) => text.replace('"buildUps"', '"walls"'), /“buildUps” is missing/],
  ['with nothing in it', () => writeBuildUpsFile([]), /no build-up in this file/],
  [
    'with a negative thickness',
    (text: string) => text.replace(/"thicknessM": 0\.\d+/, '"thicknessM": -1'),
    /buildUps\[0\].*thicknessM.*above 0.*Nothing was brought in/,
  ],
])('a file %s is refused in words', (_, spoil, words) => {
  const text = spoil(writeBuildUpsFile([counted]));
  expect(() => readBuildUpsFile(text, [], readChange)).toThrow(UnreadableFile);
  expect(() => readBuildUpsFile(text, [], readChange)).toThrow(words);
});

test('more layers than a build-up has is refused', () => {
  const [layer] = counted.layers;
  const many = {
    ...counted,
    layers: Array.from({ length: 25 }, (_, i) => ({ ...layer, id: ID.replace(/07$/, String(10 + i)) })),
  };
  expect(() => readBuildUpsFile(writeBuildUpsFile([many as BuildUp]), [], readChange)).toThrow(/at most 24/);
});

test('materials come back as they were written; a negative carbon brings nothing in', () => {
  const text = writeMaterialsFile([hemp]);
  const [read] = readMaterialsFile(text, readChange);
  const { id, ledgerId: _l, revision: _r, updatedAt: _t, updatedBy: _b, deletedAt: _d, ...body } = hemp;
  expect(read).toEqual({ id, body });
  const spoilt = text.replace('"carbonKgM3": 20', '"carbonKgM3": -20');
  expect(() => readMaterialsFile(spoilt, readChange)).toThrow(/materials\[0\], carbonKgM3: .*at least 0/);
});

test.each([
  [0.05, 0.035, 1.43, false],
  [0.05, 0.035, 1.41, false],
  [0.05, 0.035, 1.3, true],
  [0.05, 0.035, 2, true],
])('%p m of %p W/(m·K) and R %p disagree: %p', (thicknessM, conductivityWmK, rsi, isApart) => {
  const two = twoResistances({ thicknessM, conductivityWmK, rsi });
  expect(two !== null).toBe(isApart);
  if (two !== null) expect(two).toEqual({ byConductivityRsi: thicknessM / conductivityWmK, saidRsi: rsi });
});

test('a material says what it is called, where its figures are from, and lets no less vapour through damp than dry', () => {
  expect(troubleOf(hemp)).toBeNull();
  expect(troubleOf({ ...hemp, name: ' ' })).toMatch(/called/);
  expect(troubleOf({ ...hemp, basis: '' })).toMatch(/from/);
  expect(troubleOf({ ...hemp, conductivityWmK: null })).toMatch(/conductivity/);
  expect(troubleOf({ ...hemp, sdDryM: 1, sdDampM: 2 })).toMatch(/at most the dry one/);
  expect(troubleOf({ ...hemp, muDry: 1, muDamp: 2 })).toMatch(/at most the dry one/);
});
