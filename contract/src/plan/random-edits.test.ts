import fc from 'fast-check';
import { drawingOf, sampleOpening, sampleStorey, shaped } from '../../test/sample-drawing';
import { sampleHouse } from '../../test/sample-house';
import type { House } from '../house/house';
import type { KeptArea } from '../installation/area';
import { areaToBe, asDrawn } from './as-drawn';
import { itemId } from './item-key';
import {
  withCut,
  withJoin,
  withLength,
  withoutWall,
  withWall,
  withWallAfter,
  withWallMoved,
} from './outline-edits';
import type { Drawing } from './plan-input';
import type { Storey } from './storey';

const HOUSE_ID = '01a1f000-0000-7000-8000-000000000001';
const house = {
  ...sampleHouse,
  ...{ volumeM3: null, floorAreaM2: null, envelopeAreaM2: null, heightM: null, storeys: null },
  ...{ id: HOUSE_ID, ledgerId: HOUSE_ID, revision: 1, updatedAt: '', updatedBy: '', deletedAt: null },
} satisfies House;

const upper = { level: 1, floorDepthM: 0.3, under: 'outdoors' } as const;
const ground = sampleStorey('ground', { outline: shaped('L') });
const begun: Drawing = {
  ...drawingOf(ground, sampleStorey('upper', { ...upper, outline: shaped('L') })),
  openings: [sampleOpening('window', ground.outline[0]?.id ?? '')],
};

const keysOf = (drawing: Drawing): readonly string[] =>
  [...asDrawn({ ...drawing, house, areas: [] }).drawn.keys()].sort();

/** Something was entered of every area that was drawn. */
const kept: readonly KeptArea[] = [...asDrawn({ ...begun, house, areas: [] }).drawn.values()].map(
  ({ key, name }, i) => ({ ...areaToBe(HOUSE_ID, itemId(HOUSE_ID, key), key, name), voidFraction: i / 1000 }),
);

type Outline = Pick<Storey, 'start' | 'outline'>;
type Edit = (drawn: Outline, at: number, share: number) => Partial<Outline> | null;

const within = (outline: Storey['outline'], at: number) => outline[at];
const EDITS: readonly Edit[] = [
  (drawn, at, share) => ({ outline: withLength(drawn, at, 1 + 14 * share) }),
  ({ outline }, at, share) => withCut(outline, at, (within(outline, at)?.lengthM ?? 0) * share),
  ({ outline }, at) => withJoin(outline, at),
  (drawn, at, share) => withWallMoved(drawn, at, 4 * share - 2),
  ({ outline }, at, share) =>
    outline.length > 20 ? null : { outline: withWallAfter(outline, at, 1 + share) },
  ({ outline }, at) => ({ outline: withoutWall(outline, at) }),
  ({ outline }, at, share) => ({
    outline: withWall(outline, within(outline, at)?.id ?? '', { turnDeg: Math.round(share * 340 - 170) }),
  }),
  ({ outline }, at) => ({ outline: withWall(outline, within(outline, at)?.id ?? '', { name: 'renamed' }) }),
];

function edited(drawing: Drawing, n: number, at: number, share: number): Drawing {
  const { storeys } = drawing;
  const storey = storeys[at % Math.max(1, storeys.length)];
  if (storey === undefined) return drawing;
  // One edit in a while takes the storey away, or moves it up.
  if (n === EDITS.length) return { ...drawing, storeys: storeys.filter((each) => each !== storey) };
  if (n === EDITS.length + 1)
    return { ...drawing, storeys: storeys.map((each) => (each === storey ? { ...each, level: 3 } : each)) };
  const change = EDITS[n]?.(storey, at % storey.outline.length, share) ?? {};
  return { ...drawing, storeys: storeys.map((each) => (each === storey ? { ...each, ...change } : each)) };
}

const anyEdit = fc.tuple(
  // Deleting a storey is one edit in fifty, or there would soon be nothing to edit.
  fc.oneof(
    { weight: 49, arbitrary: fc.nat(EDITS.length - 1) },
    { weight: 1, arbitrary: fc.constantFrom(8, 9) },
  ),
  fc.nat(200),
  fc.double({ min: 0.02, max: 0.98, noNaN: true }),
);

test('over a thousand edits whatever was entered is there, once, under the name that it had or was given', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 100, maxLength: 100 }), (edits) => {
      const stages = [begun];
      for (const edit of edits) stages.push(edited(stages.at(-1) ?? begun, ...edit));
      for (const drawing of stages) {
        const { areas, drawn } = asDrawn({ ...drawing, house, areas: kept });
        const ids = areas.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        for (const { id, item, itemName, voidFraction } of kept) {
          const area = areas.find((each) => each.id === id);
          expect(area?.voidFraction).toBe(voidFraction);
          if (!drawn.has(item ?? '')) expect(area?.name).toBe(itemName);
        }
      }
    }),
    { numRuns: 10 },
  );
});

test('what an edit did is undone by putting back what it changed: all keys return', () => {
  const first = keysOf(begun);
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 20, maxLength: 20 }), (edits) => {
      const undo: ((drawing: Drawing) => Drawing)[] = [];
      let drawing = begun;
      for (const edit of edits) {
        const before = drawing;
        drawing = edited(before, ...edit);
        // As the screens do it: records that changed are given their former fields, those that went are restored.
        undo.push((now) => ({
          ...now,
          storeys: before.storeys.map((storey) => {
            const { start, outline, level } = storey;
            return { ...(now.storeys.find(({ id }) => id === storey.id) ?? storey), start, outline, level };
          }),
        }));
      }
      for (const back of undo.reverse()) drawing = back(drawing);
      expect(keysOf(drawing)).toEqual(first);
    }),
    { numRuns: 20 },
  );
});
