import { areaFigures } from '@calvet/contract';
import { viewOfDemo } from './changes';
import { demoHouses } from './scenario';

/** U by labels, framed and built, of every build-up of the scenario by the grade of its work: as they are known, W/(m²·K). */
const KNOWN = [
  ['floor', 'I', 'Slab on board 150', 0.2199874292897549, 0.2199874292897549, 0.2199874292897549],
  [
    'wall',
    'I',
    'Framed wall 140, batts, outside board 50',
    0.1824419148604397,
    0.22661857726588824,
    0.22661857726588824,
  ],
  ['opening', null, 'Triple glazing in timber', 0.8928571428571429, 0.8928571428571429, 0.8928571428571429],
  ['rim', 'II', 'Rim, cut board sealed in', 0.28921023359288095, 0.34921697692531045, 0.3679850624240862],
  [
    'wall',
    'II',
    'Framed wall 140, batts, outside board 50',
    0.1824419148604397,
    0.22661857726588824,
    0.23166132077032606,
  ],
  [
    'ceiling',
    'I',
    'Ceiling, loose fill 400 over joists',
    0.09813542688910697,
    0.10254956298125566,
    0.10254956298125566,
  ],
  [
    'roof',
    'I',
    'Roof slope 220, dense-packed',
    0.14077897700610043,
    0.16212808996009673,
    0.16212808996009673,
  ],
  ['floor', 'III', 'Joisted floor 220, batts', 0.16183244118013196, 0.19863032850203646, 0.2701892059044161],
  ['rim', null, 'Rim, cut board sealed in', 0.28921023359288095, 0.34921697692531045, 0.34921697692531045],
  ['wall', 'II', 'Framed wall 140, fibre batts', 0.24436090225563906, 0.3425334216203563, 0.3656788658761571],
  ['opening', null, 'Double glazing in timber', 1.2987012987012987, 1.2987012987012987, 1.2987012987012987],
  ['wall', null, 'Framed wall 140, fibre batts', 0.24436090225563906, 0.3425334216203563, 0.3425334216203563],
  [
    'wall',
    'III',
    'Framed wall 140, fibre batts',
    0.24436090225563906,
    0.3425334216203563,
    0.4003970322598583,
  ],
  [
    'ceiling',
    null,
    'Ceiling, loose fill 400 over joists',
    0.09813542688910697,
    0.10254956298125566,
    0.10254956298125566,
  ],
  ['wall', 'II', 'Masonry, cavity batts 150', 0.18880616775148346, 0.18880616775148346, 0.2038151648462124],
  ['opening', null, 'Double glazing, warm edge', 1.1235955056179776, 1.1235955056179776, 1.1235955056179776],
  [
    'wall',
    'I',
    'Double frame 300, dense-packed',
    0.1267056530214425,
    0.14461068703713878,
    0.14461068703713878,
  ],
  [
    'opening',
    null,
    'Triple glazing, insulated frame',
    0.7575757575757577,
    0.7575757575757577,
    0.7575757575757577,
  ],
] as const;

const shown = demoHouses.flatMap((demo) => {
  const { house, areas } = viewOfDemo(demo);
  return areas.map((area) => ({ area, figures: areaFigures(house, area) }));
});

test.each(KNOWN)('%s, grade %s: %s', (kind, grade, name, labelled, framed, built) => {
  const alike = shown.filter(
    ({ area }) => area.kind === kind && area.grade === grade && area.buildUp.name === name,
  );
  expect(alike.length).toBeGreaterThan(0);
  for (const { figures } of alike) {
    if (figures.state !== 'figures') throw new Error(figures.refusal.message);
    expect(figures.labelled.uValue).toBeCloseTo(labelled, 12);
    expect(figures.framed.uValue).toBeCloseTo(framed, 12);
    expect(figures.built.uValue).toBeCloseTo(built, 12);
  }
});

test('no build-up of the scenario is unknown here', () => {
  const known = new Set(KNOWN.map(([kind, grade, name]) => `${kind} ${grade} ${name}`));
  expect(shown.filter(({ area }) => !known.has(`${area.kind} ${area.grade} ${area.buildUp.name}`))).toEqual(
    [],
  );
});
