import { drawingOf, sampleRoof, sampleStorey, shaped } from '../../test/sample-drawing';
import { fittingWings } from './fit-wings';
import { measureDrawing } from './measured-drawing';
import { withLength, withWall } from './outline-edits';
import type { Drawing } from './plan-input';
import { partUnder, roofsAsLaid } from './roofs-as-laid';
import type { Roof } from './roof';
import type { Storey } from './storey';
import { withoutDrawn } from './undrawn';

const ground = sampleStorey('ground', { outline: shaped('L') });

/** A storey under hips, its wings laid when it stood as it does. */
function underHips(storey: Storey): Drawing {
  const drawing = drawingOf(storey);
  const roof = sampleRoof(storey.id, { form: 'slope', pitch: 1 });
  const part = partUnder({ ...drawing, roofs: [roof] }, roof);
  if (part === null) throw new Error('open');
  return { ...drawing, roofs: [{ ...roof, wings: fittingWings(part, 'hip') ?? [] }] };
}

const after = (drawing: Drawing, storey: Storey): Drawing => ({ ...drawing, storeys: [storey] });
const first = ({ roofs }: { readonly roofs: readonly Roof[] }): Roof => {
  const [roof] = roofs;
  if (roof === undefined) throw new Error('no roof');
  return roof;
};

test('slopes follow the walls: the same wings, ends and keys over another outline', () => {
  const drawing = underHips(ground);
  const longer = after(drawing, { ...ground, outline: withLength(ground, 0, 11) });
  expect(measureDrawing(longer)).toMatchObject({
    state: 'refused',
    refusal: { code: 'wings-do-not-tile' },
  });
  const roofs = roofsAsLaid(longer);
  expect(measureDrawing({ ...longer, roofs }).state).toBe('measured');
  const [was, is] = [first(drawing), first({ roofs })];
  expect(is.wings.map(({ id }) => id)).toEqual(was.wings.map(({ id }) => id));
  expect(is.wings.map(({ lower, higher }) => [lower, higher])).toEqual(
    was.wings.map(({ lower, higher }) => [lower, higher]),
  );
  // The record stays as it was until somebody changes it.
  expect(withoutDrawn(is)).toBe(was);
});

test('where more wings are needed, they have the same ids each time', () => {
  const drawing = underHips(sampleStorey('ground'));
  const wider = after(drawing, { ...ground, outline: shaped('T') });
  const [one, other] = [roofsAsLaid(wider), roofsAsLaid(wider)];
  expect(first({ roofs: one }).wings.length).toBeGreaterThan(first(drawing).wings.length);
  expect(one).toEqual(other);
  expect(measureDrawing({ ...wider, roofs: one }).state).toBe('measured');
});

test('slopes that still lie on the walls are those that are kept', () => {
  const drawing = underHips(ground);
  expect(roofsAsLaid(drawing)).toBe(drawing.roofs);
  const renamed = after(drawing, { ...ground, name: 'Other' });
  expect(roofsAsLaid(renamed)).toBe(drawing.roofs);
});

test('over an outline that is open, or that no slopes fit, they stay as they are kept', () => {
  const drawing = underHips(ground);
  const [wall] = ground.outline;
  const open = { ...ground, outline: withWall(ground.outline, wall?.id ?? '', { lengthM: 20 }) };
  expect(roofsAsLaid(after(drawing, open))).toBe(drawing.roofs);
  const askew = shaped('rectangle').map((each, i) => ({
    ...each,
    turnDeg: i % 2 === 0 ? 80 : 100,
    lengthM: 8,
  }));
  expect(roofsAsLaid(after(drawing, { ...ground, outline: askew }))).toBe(drawing.roofs);
});

test('a storey that comes to stand on a part takes the slopes off it', () => {
  const drawing = underHips(sampleStorey('ground'));
  const upper = sampleStorey('upper', { level: 1, outline: shaped('rectangle', { widthM: 6 }) });
  const [roof] = roofsAsLaid({ ...drawing, storeys: [...drawing.storeys, upper] });
  expect(roof?.wings.map(({ x0M, x1M }) => [x0M, x1M].map((m) => Number(m.toFixed(6))))).toEqual([[6, 10]]);
});
