import { assembly } from '@calvet/core/thermal/assembly';
import { v7 } from 'uuid';
import { sampleArea } from '../test/sample-area';
import { sampleHouse } from '../test/sample-house';
import { yearOf } from '../src/house/indoor-air';
import { designAirOf } from '../src/house/design-air';
import { CLIMATES } from '../src/house/climates';
import { areaFigures, envelopeFigures } from '../src/installation/area-figures';
import { buildUpAssembly } from '../src/installation/build-up-assembly';
import { USUAL_MEMBERS } from '../src/installation/frame-members';
import { comparedBuildUp } from '../src/installation/compared-build-up';
import type { BuildUpLayer } from '../src/installation/layer';
import { fillOfMaterial, layerOfMaterial, MATERIALS } from '../src/installation/material-library';
import { moistureOf } from '../src/installation/moisture-of-build-up';
import { framedLayer, materialLayer } from '../src/installation/plain-layer';
import { sectionOf } from '../src/installation/section';

const LAYERS = 24;
const AREAS = 300;
const ROUNDS = 60;

const surroundings = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const [climate] = CLIMATES;
const house = { ...sampleHouse, climateId: climate?.id ?? null };
const months = yearOf(house) ?? [];

const known = (id: string) => {
  const found = MATERIALS.find((each) => each.id === id);
  if (found === undefined) throw new Error(`The library has no ${id}.`);
  return found;
};

const studs: BuildUpLayer = {
  id: 'studs',
  ...framedLayer('Studs', { cavityRsi: 3.7, frameRsi: 1.2, framingFraction: 0.2, thicknessM: 0.14 }),
  fills: [
    fillOfMaterial(known('foam-closed-mild'), 'foam', 0.04),
    fillOfMaterial(known('glass-batt-dense'), 'batt', 0.14),
  ],
  members: {
    ...USUAL_MEMBERS,
    openings: [{ id: 'o', count: 3, widthM: 1.2, heightM: 1.2, headerDepthM: 0.2, hasSill: true }],
  },
};

/** As many layers as there can be, in the middle of them a frame with two fills that is counted from its studs. */
const deep = {
  ...sampleArea,
  buildUp: {
    ...sampleArea.buildUp,
    layers: Array.from({ length: LAYERS }, (_, i): BuildUpLayer =>
      i === LAYERS / 2
        ? studs
        : layerOfMaterial(known(i % 2 === 0 ? 'wood-fibre-board' : 'plasterboard'), {
            id: v7(),
            ...materialLayer('', 0.02, 0.04),
          }),
    ),
    gradedLayer: 'studs',
  },
  grade: 'II',
} as const;

/** Middle of several rounds, ms. */
function middleOf(work: () => unknown): number {
  for (let i = 0; i < 10; i++) work();
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(ROUNDS / 2)] ?? NaN;
}

const { layers, films } = buildUpAssembly(deep.buildUp, surroundings);
const bare = middleOf(() => assembly({ layers, ...films, method: 'iso6946' }));
const line = (what: string, ms: number, aim?: string): void =>
  console.log(
    `${what.padEnd(56)}${`${(ms / bare).toFixed(1)} ×`.padStart(9)} one U of it  (${ms.toFixed(2)} ms${aim === undefined ? '' : `, aim ${aim}`})`,
  );
console.log(`Build-up of ${LAYERS} layers, one counted from its studs with two fills:`);
line(
  '  what it is worth, said, framed and built',
  middleOf(() => areaFigures(house, deep)),
  '50 ms on a phone 4 × as slow',
);
line(
  '  its section',
  middleOf(() => sectionOf(deep.buildUp, surroundings, designAirOf(house))),
  '100 ms there',
);
line(
  '  its year dry and damp',
  middleOf(() => moistureOf(deep.buildUp, surroundings, months)),
  '150 ms there',
);
line(
  '  all that it is compared by',
  middleOf(() => comparedBuildUp(house, deep, MATERIALS)),
);

const plain = Array.from({ length: AREAS }, (_, i) => ({
  ...sampleArea,
  areaM2: 1 + i,
  grade: 'II' as const,
}));
const counted = plain.map((area) => ({
  ...area,
  buildUp: {
    ...area.buildUp,
    layers: area.buildUp.layers.map((layer): BuildUpLayer =>
      layer.kind === 'framed' ? { ...studs, id: layer.id } : layer,
    ),
  },
}));
const [before, after] = [plain, counted].map((areas) => middleOf(() => envelopeFigures(house, areas)));
console.log(
  `House of ${AREAS} areas, fills and studs against figures as entered:  ${((after ?? NaN) / (before ?? NaN)).toFixed(2)} × (${(after ?? NaN).toFixed(1)} ms against ${(before ?? NaN).toFixed(1)}, aim 2 ×)`,
);
