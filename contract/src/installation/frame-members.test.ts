import { assembly } from '@calvet/core/thermal/assembly';
import { iSection } from '@calvet/core/thermal/i-section';
import { mixedFrame } from '@calvet/core/thermal/mixed-frame';
import { studLayout } from '@calvet/core/thermal/stud-layout';
import fc from 'fast-check';
import { buildUpAssembly } from './build-up-assembly';
import { frameOf, USUAL_MEMBERS, type FrameMembers } from './frame-members';
import type { BuildUpLayer } from './layer';
import { framedLayer, resistanceLayer } from './plain-layer';

const FILMS = { insideRsi: 0.13, outsideRsi: 0.04 };
const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const depthM = 0.14;
const around = { depthM, cavityRsi: 3.7, restRsi: 0.6 };
const window = { id: 'w', count: 2, widthM: 1.2, heightM: 1.2, headerDepthM: 0.235, hasSill: true };
const wall: FrameMembers = { ...USUAL_MEMBERS, corners: 2, intersections: 2, openings: [window] };

const wallOf = (members: FrameMembers | null): readonly BuildUpLayer[] => [
  { id: 'board', ...resistanceLayer('Board', 0.08) },
  {
    id: 'studs',
    ...framedLayer('Studs', { cavityRsi: 3.7, frameRsi: 1.2, framingFraction: 0.25, thicknessM: depthM }),
    members,
  },
  { id: 'sheathing', ...resistanceLayer('Sheathing', 0.1) },
];

/** U by parallel paths, worked out from the pieces themselves. */
function effectiveRsiOf(members: FrameMembers): number {
  const { layers, films } = buildUpAssembly({ layers: wallOf(members), gradedLayer: null }, surroundings);
  return assembly({ layers, ...films, method: 'parallelPath' }).effectiveRsi;
}

test('a frame of solid timber has the share of its layout and the R of timber', () => {
  const { framingFraction, frameRsi, layout } = frameOf(wall, around);
  const { openings, stud: _stud, header: _header, timberWmK: _timber, ...sizes } = wall;
  const counted = studLayout({
    ...sizes,
    openings: openings.flatMap(({ count, ...opening }) => Array.from({ length: count }, () => opening)),
  });
  expect(framingFraction).toBe(counted.framingFraction);
  expect(layout.members).toEqual(counted.members);
  expect(frameRsi).toBeCloseTo(depthM / 0.12, 12);
});

test('open corners, straps and boxed headers move the framed R by what the layout says', () => {
  const solid = effectiveRsiOf(wall);
  const lean = effectiveRsiOf({
    ...wall,
    cornerKind: 'open',
    intersectionKind: 'open',
    header: { kind: 'boxed', timberShare: 0.25 },
  });
  const restRsi = 0.08 + 0.1 + FILMS.insideRsi + FILMS.outsideRsi;
  const said = frameOf(wall, { ...around, restRsi }).layout;
  expect(solid).toBeCloseTo(said.effectiveRsi ?? 0, 12);
  expect(lean).toBeCloseTo(said.leanEffectiveRsi ?? 0, 12);
  expect(lean).toBeGreaterThan(solid);
});

test('a layered header counts whole, with the sum of its layers', () => {
  const layered = frameOf({ ...wall, header: { kind: 'layered', boardM: 0.05, boardWmK: 0.035 } }, around);
  const solid = frameOf(wall, around);
  expect(layered.framingFraction).toBe(solid.framingFraction);
  const headerRsi = (depthM - 0.05) / 0.12 + 0.05 / 0.035;
  const { headersM2 } = solid.layout.members;
  const others = solid.layout.framingAreaM2 - headersM2;
  const { frameRsi } = mixedFrame({
    restRsi: around.restRsi,
    members: [
      { areaM2: headersM2, rsi: headerRsi },
      { areaM2: others, rsi: depthM / 0.12 },
    ],
  });
  expect(layered.frameRsi).toBeCloseTo(frameRsi, 12);
});

test('studs with a core have their own R; plates stay timber', () => {
  const cored = {
    ...USUAL_MEMBERS,
    bottomPlates: 0,
    topPlates: 0,
    stud: { kind: 'cored', coreM: 0.05, coreWmK: 0.035 },
  } as const;
  expect(frameOf(cored, around).frameRsi).toBeCloseTo(0.09 / 0.12 + 0.05 / 0.035, 12);
  expect(frameOf({ ...cored, topPlates: 2 }, around).frameRsi).toBeLessThan(frameOf(cored, around).frameRsi);
});

test('an I-section is worth what three framed layers one behind the other are by parallel paths', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.02, max: 0.06, noNaN: true }),
      fc.double({ min: 0.005, max: 0.03, noNaN: true }),
      fc.double({ min: 0.03, max: 0.05, noNaN: true }),
      (flangeM, webM, fillWmK) => {
        const deepM = 0.3;
        const studWidthM = 0.045;
        const members: FrameMembers = {
          ...USUAL_MEMBERS,
          studWidthM,
          // So long that the stud at the end of the row makes no difference.
          lengthM: 80,
          spacingM: 0.5,
          bottomPlates: 0,
          topPlates: 0,
          corners: 0,
          intersections: 0,
          stud: { kind: 'iSection', flangeM, webM, webWmK: 0.14, battenM: 0 },
        };
        const cavityRsi = deepM / fillWmK;
        const restRsi = FILMS.insideRsi + FILMS.outsideRsi;
        const { frameRsi, framingFraction } = frameOf(members, { depthM: deepM, cavityRsi, restRsi });
        const { effectiveRsi } = iSection({
          spacingM: studWidthM / framingFraction,
          depthM: deepM,
          flangeWidthM: studWidthM,
          flangeDepthM: flangeM,
          flangeConductivityWmK: 0.12,
          webThicknessM: webM,
          webConductivityWmK: 0.14,
          fillConductivityWmK: fillWmK,
          method: 'parallelPath',
          filmConvention: 'iso',
          heatFlow: 'horizontal',
        });
        const u = framingFraction / (restRsi + frameRsi) + (1 - framingFraction) / (restRsi + cavityRsi);
        expect(1 / u).toBeCloseTo(effectiveRsi, 9);
      },
    ),
  );
});

test('a batten on an I-section takes depth from its web', () => {
  const stud = { kind: 'iSection', flangeM: 0.04, webM: 0.01, webWmK: 0.14 } as const;
  const rsiWith = (battenM: number) =>
    frameOf({ ...wall, stud: { ...stud, battenM } }, { ...around, depthM: 0.3, cavityRsi: 8 }).frameRsi;
  expect(rsiWith(0.045)).toBeLessThan(rsiWith(0));
});

test.each([
  ['a core as deep as the stud', { stud: { kind: 'cored', coreM: 0.14, coreWmK: 0.03 } }, 'stud.coreM'],
  [
    'flanges that leave no web',
    { stud: { kind: 'iSection', flangeM: 0.07, webM: 0.01, webWmK: 0.14, battenM: 0 } },
    'stud.flangeM',
  ],
  [
    'a web wider than its flanges',
    { stud: { kind: 'iSection', flangeM: 0.03, webM: 0.05, webWmK: 0.14, battenM: 0 } },
    'stud.webM',
  ],
  [
    'a board as deep as the header',
    { header: { kind: 'layered', boardM: 0.14, boardWmK: 0.03 } },
    'header.boardM',
  ],
] as const)('%s is refused at its place', (_, change, field) => {
  const layers = wallOf({ ...wall, ...change });
  expect(() => buildUpAssembly({ layers, gradedLayer: null }, surroundings)).toThrow(
    expect.objectContaining({ code: 'out-of-range', field: `layers[1].members.${field}` }),
  );
});

test('more frame than wall is refused, not cut off', () => {
  const layers = wallOf({ ...wall, spacingM: 0.05, studWidthM: 0.05 });
  expect(() => buildUpAssembly({ layers, gradedLayer: null }, surroundings)).toThrow(/would cover more than/);
});

test('a frame whose members are known has a depth', () => {
  const layers = wallOf(wall).map((layer) => ({ ...layer, thicknessM: null }) as BuildUpLayer);
  expect(() => buildUpAssembly({ layers, gradedLayer: null }, surroundings)).toThrow(/how deep the frame is/);
});

test('without members a frame is what was entered, and by its labels a layer has none', () => {
  expect(buildUpAssembly({ layers: wallOf(null), gradedLayer: null }, surroundings).layers[1]).toMatchObject({
    frameRsi: 1.2,
    framingFraction: 0.25,
  });
  const labelled = buildUpAssembly({ layers: wallOf(wall), gradedLayer: null }, surroundings, {
    labelled: true,
  });
  expect(labelled.layers[1]?.framingFraction).toBe(0);
  expect(labelled.frames.size).toBe(0);
});
