import { planSizesOperation } from '@calvet/core/plan/sizes';
import { drawingOf, sampleOpening, sampleRoof, sampleStorey, shaped } from '../../test/sample-drawing';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';
import type { House } from '../house/house';
import type { KeptArea } from '../installation/area';
import { bodySchemas } from '../schemas';
import { ownFields } from '../record';
import { areaToBe, asDrawn } from './as-drawn';
import { itemId, itemKey, planId, planToBe } from './item-key';
import { withWall } from './outline-edits';
import { planInputOf, type Drawing } from './plan-input';
import type { Storey } from './storey';
import { withoutDrawn } from './undrawn';

const HOUSE_ID = '01a1f000-0000-7000-8000-000000000001';
const carried = { ledgerId: HOUSE_ID, revision: 1, updatedAt: '', updatedBy: '', deletedAt: null };
const AS_DRAWN = { volumeM3: null, floorAreaM2: null, envelopeAreaM2: null, heightM: null, storeys: null };

const house = (more: Partial<House> = {}): House => ({ ...sampleHouse, ...carried, id: HOUSE_ID, ...more });
const viewOf = (drawing: Drawing, areas: readonly KeptArea[] = [], of: House = house(AS_DRAWN)) =>
  asDrawn({ ...drawing, house: of, areas });

const ground = sampleStorey('ground', { name: 'Ground floor' });
const upper = sampleStorey('upper', { name: 'Upper floor', level: 1, floorDepthM: 0.3, under: 'outdoors' });
const two = drawingOf(ground, upper);
const wallIn = ({ outline }: Storey, at: number) => outline[at]?.id ?? '';

test('a house that leaves its sizes to the drawing has those of core', () => {
  const { house: drawn } = viewOf(two);
  const input = planInputOf(two);
  if (input === null) throw new Error('nothing drawn');
  const sizes = planSizesOperation.run(input);
  expect(drawn).toMatchObject({ volumeM3: sizes.volumeM3, envelopeAreaM2: sizes.envelopeAreaM2, storeys: 2 });
  // Inside of 0.3 m walls: 9.4 m by 7.4 m, twice 2.5 m clear.
  expect(drawn.volumeM3).toBeCloseTo(9.4 * 7.4 * 5, 9);
});

test('a size that somebody entered stays, and is taken back by saying nothing', () => {
  expect(viewOf(two, [], house({ ...AS_DRAWN, volumeM3: 400 })).house.volumeM3).toBe(400);
  const { house: drawn } = viewOf(two);
  expect(withoutDrawn(drawn).volumeM3).toBeNull();
});

test('every part of the envelope is an area under an id that each device derives alike', () => {
  const { areas, house: drawn } = viewOf(two);
  const walls = [...ground.outline, ...upper.outline];
  expect(areas.filter(({ kind }) => kind === 'wall')).toHaveLength(8);
  expect(areas.filter(({ kind }) => kind === 'rim')).toHaveLength(4);
  expect(areas.map(({ item }) => item)).toEqual(
    expect.arrayContaining(walls.map(({ id }) => itemKey.wall(id))),
  );
  for (const area of areas) expect(area.id).toBe(itemId(HOUSE_ID, area.item ?? ''));
  const sum = areas.reduce((total, { areaM2 }) => total + (areaM2 ?? NaN), 0);
  expect(sum).toBeCloseTo(drawn.envelopeAreaM2 ?? NaN, 9);
});

test('openings are areas of their own, and not in their wall', () => {
  const on = wallIn(ground, 2);
  const openings = [
    sampleOpening('w', on, { count: 2 }),
    sampleOpening('d', on, { use: 'entrance', totalM2: 2, widthM: null, heightM: null }),
  ];
  const without = viewOf(two).areas.find(({ item }) => item === itemKey.wall(on));
  const { areas } = viewOf({ ...two, openings });
  expect(areas.filter(({ kind }) => kind === 'opening').map(({ name, areaM2 }) => [name, areaM2])).toEqual([
    ['Windows, Ground floor, front wall', expect.closeTo(3.36, 9)],
    ['Entrance door, Ground floor, front wall', 2],
  ]);
  const wall = areas.find(({ item }) => item === itemKey.wall(on));
  expect(wall?.areaM2).toBeCloseTo((without?.areaM2 ?? NaN) - 5.36, 9);
});

test('a wall that is concrete below is two areas; one that is all concrete is one', () => {
  const [low, whole] = [wallIn(ground, 0), wallIn(ground, 1)];
  const outline = withWall(withWall(ground.outline, low, { concreteM: 1 }), whole, { concreteM: 3 });
  const { areas } = viewOf(drawingOf({ ...ground, outline }));
  const sizeOf = (key: string) => areas.find(({ item }) => item === key)?.areaM2;
  expect([sizeOf(itemKey.wall(low)), sizeOf(itemKey.concrete(low))]).toEqual([
    expect.closeTo(9.4 * 1.5, 9),
    expect.closeTo(9.4, 9),
  ]);
  expect([sizeOf(itemKey.wall(whole)), sizeOf(itemKey.concrete(whole))]).toEqual([
    undefined,
    expect.closeTo(7.4 * 2.5, 9),
  ]);
});

test('what was entered of a drawn area stays with it: renamed, moved, measured anew, re-ordered', () => {
  const key = itemKey.wall(wallIn(ground, 0));
  const graded: KeptArea = {
    ...areaToBe(HOUSE_ID, itemId(HOUSE_ID, key), key, ''),
    revision: 1,
    grade: 'III',
    areaM2: 20,
  };
  const longer = ground.outline.map((wall) => ({ ...wall, name: 'Renamed', lengthM: wall.lengthM + 1 }));
  const moved = { ...ground, name: 'Plinth', level: 7, start: { xM: 5, yM: 5 }, outline: longer };
  for (const drawing of [two, drawingOf(moved)]) {
    const area = viewOf(drawing, [graded]).areas.find(({ item }) => item === key);
    expect(area).toMatchObject({ grade: 'III', areaM2: 20, kind: 'wall' });
  }
});

test('an area whose part went is still there, called what it was, with what was entered', () => {
  const key = itemKey.wall('a wall that went');
  const orphan: KeptArea = {
    ...areaToBe(HOUSE_ID, 'o', key, 'Ground floor, wall 9'),
    revision: 2,
    grade: 'II',
  };
  const { areas } = viewOf(two, [orphan]);
  expect(areas.at(-1)).toMatchObject({ id: 'o', name: 'Ground floor, wall 9', grade: 'II', areaM2: null });
});

test('while an outline is open its areas are there without sizes, and sizes that were entered count', () => {
  const open = drawingOf({
    ...ground,
    outline: ground.outline.map((wall, i) => (i === 0 ? { ...wall, lengthM: 3 } : wall)),
  });
  const { areas, house: drawn, drawing } = viewOf(open);
  expect(drawing).toMatchObject({
    state: 'refused',
    refusal: { code: 'does-not-close' },
    at: { kind: 'storey', id: 'ground' },
  });
  expect(areas.length).toBe(6);
  expect(areas.every(({ areaM2 }) => areaM2 === null)).toBe(true);
  expect(drawn.volumeM3).toBeNull();
  expect(viewOf(open, [], house()).house.volumeM3).toBe(sampleHouse.volumeM3);
});

test('what is at fault is named by what was drawn', () => {
  const thick = withWall(ground.outline, wallIn(ground, 1), { thicknessM: 2 });
  const narrow = thick.map((wall) => ({ ...wall, lengthM: wall.lengthM / 5, thicknessM: 2 }));
  expect(viewOf(drawingOf({ ...ground, outline: narrow })).drawing).toMatchObject({
    state: 'refused',
    at: { kind: 'wall', id: wallIn(ground, 0) },
  });
  const large = sampleOpening('w', wallIn(ground, 0), { widthM: 11 });
  expect(viewOf({ ...two, openings: [large] }).drawing).toMatchObject({ at: { kind: 'opening', id: 'w' } });
  const roofs = [sampleRoof('upper', { form: 'slope', pitch: 1 }), sampleRoof('ground')];
  expect(viewOf({ ...two, roofs }).drawing).toMatchObject({ at: { kind: 'roof', id: 'roof of upper' } });
  expect(viewOf({ ...two, roofs: [sampleRoof('ground')] }).drawing).toMatchObject({
    at: { kind: 'storey', id: 'upper' },
  });
});

test('what belongs to a storey that was deleted is passed over, and back with it', () => {
  const openings = [sampleOpening('w', wallIn(upper, 0))];
  const gone = viewOf({ ...two, storeys: [ground], openings });
  expect(gone.drawing.state).toBe('measured');
  expect(gone.areas.some(({ kind }) => kind === 'opening')).toBe(false);
  expect(viewOf({ ...two, openings }).areas.some(({ kind }) => kind === 'opening')).toBe(true);
});

test('without a drawing a house is as its records say, area by area', () => {
  const made: KeptArea = { ...sampleArea, ...carried, id: 'a' };
  const empty = { ...drawingOf(), roofs: [] };
  const view = viewOf(empty, [made], house());
  expect(view).toMatchObject({ drawing: { state: 'none' }, house: house(), areas: [made] });
  expect(view.areas[0]).toBe(made);
  const bare: KeptArea = { ...made, name: null, kind: null, buildUp: null };
  expect(viewOf(empty, [bare], house()).areas[0]).toMatchObject({ name: 'Area', kind: 'wall' });
});

test('a drawn area and a drawing can be kept as they are before anything is entered', () => {
  const [area] = viewOf(two).areas;
  if (area === undefined) throw new Error('no area');
  const kept = ownFields(withoutDrawn(area));
  expect(kept).toMatchObject({ name: null, kind: null, areaM2: null, buildUp: null, itemName: area.name });
  expect(bodySchemas.area.validate(kept, { convert: false }).error).toBeUndefined();
  expect(bodySchemas.plan.validate(ownFields(planToBe(HOUSE_ID)), { convert: false }).error).toBeUndefined();
  expect(planToBe(HOUSE_ID).id).toBe(planId(HOUSE_ID));
});

test('a storey of every shape fits the schema, and hostile ones do not', () => {
  const ids = (storey: Storey) => ({
    ...ownFields(storey),
    outline: storey.outline.map((wall) => ({
      ...wall,
      stretches: [{ id: wall.id, room: 'Bath', lengthM: null }],
    })),
  });
  const fits = (body: object) => bodySchemas.storey.validate(body, { convert: false }).error === undefined;
  for (const shape of ['rectangle', 'L', 'T', 'U'] as const)
    expect(fits(ids({ ...ground, outline: shaped(shape) }))).toBe(true);
  const wrong = (more: object) =>
    fits({ ...ids(ground), outline: ground.outline.map((wall) => ({ ...wall, ...more })) });
  expect(wrong({})).toBe(true);
  for (const more of [
    { lengthM: 0 },
    { lengthM: 900 },
    { turnDeg: 180 },
    { thicknessM: -1 },
    { throughFloor: 'yes' },
    { boundary: 'sea' },
    { stretches: [{ id: 'x', room: '', lengthM: null }] },
  ])
    expect(wrong(more)).toBe(false);
  expect(fits({ ...ids(ground), outline: ground.outline.slice(0, 2) })).toBe(false);
});
