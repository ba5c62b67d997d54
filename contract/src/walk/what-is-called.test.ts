import {
  everyFeature,
  oddHouse,
  ON_ROOF,
  overCrawl,
  plannedOf,
  sampleFeature,
  slab,
  tee,
  USES,
  FRAMED,
} from '../../test/sample-plan';
import { built, called, keys, walked } from '../../test/sample-walk';
import { CHECKPOINTS } from '../catalogue/catalogue';
import type { PlanBody } from '../plan/plan';
import type { Planned } from '../plan/plan-input';
import {
  AIR_BARRIER_WORDS,
  FRAMING_WORDS,
  INSULATION_WORDS,
  VAPOUR_WORDS,
  type Schools,
} from '../plan/schools';
import { STARTING_SETS } from '../plan/starting-sets';
import { AT_JUNCTIONS } from './junction-calls';

describe('the catalogue', () => {
  const houses = (plan: Partial<PlanBody>): readonly Planned[] => [
    plannedOf(oddHouse(), { plan, features: everyFeature('g3', 'attic') }),
    plannedOf(oddHouse(), { plan, features: everyFeature('u3', 'slopes') }),
    plannedOf(slab(), { plan, features: everyFeature('s', 'roof of s') }),
    plannedOf(overCrawl(true), { plan }),
    plannedOf(overCrawl(false), { plan }),
  ];
  const ways: readonly Partial<PlanBody>[] = [
    ...Object.values(STARTING_SETS).map(({ schools, insulationAbove }) => ({ schools, insulationAbove })),
    ...(Object.keys(INSULATION_WORDS) as readonly (keyof typeof INSULATION_WORDS)[]).map((fill) =>
      built({
        framing: 'frameDouble',
        airBarrier: 'barrierInnerMembrane',
        vapour: 'vapourFoamFirst',
        insulation: [fill],
        sealsSeams: true,
        hasServiceSpace: true,
      }),
    ),
  ];

  test('has nothing that no house calls for', () => {
    const reached = new Set(
      ways.flatMap((plan) => houses(plan).flatMap((house) => [...called(walked(house))])),
    );
    expect(CHECKPOINTS.map(({ id }) => id).filter((id) => !reached.has(id))).toEqual([]);
  });

  test('every junction of its table is in it', () => {
    const ids = CHECKPOINTS.filter(({ at: put }) => put === 'perJunction').map(({ id }) => id);
    expect([...AT_JUNCTIONS].sort()).toEqual([...ids].sort());
  });

  test.each(USES)('a house with the feature “%s” has more to look at', (use) => {
    const house = slab();
    const on = ON_ROOF.has(use) ? 'roof of s' : (house.storeys[0]?.outline[0]?.id ?? '');
    const plan = STARTING_SETS.barrierMasonryCoat;
    const without = new Set(keys(walked(plannedOf(house, { plan }))));
    const withIt = keys(walked(plannedOf(house, { plan, features: [sampleFeature('f', use, on)] })));
    expect(withIt.filter((key) => !without.has(key)).length).toBeGreaterThan(0);
  });

  const base: Schools = {
    airBarrier: null,
    vapour: null,
    framing: null,
    insulation: null,
    sealsSeams: false,
    hasServiceSpace: false,
    isForSound: false,
  };
  const words = (list: object) => Object.keys(list);
  test.each([
    ...words(AIR_BARRIER_WORDS).map((word) => [word, { airBarrier: word }] as const),
    ...words(VAPOUR_WORDS).map((word) => [word, { vapour: word }] as const),
    ...words(FRAMING_WORDS).map((word) => [word, { framing: word }] as const),
    ...words(INSULATION_WORDS).map((word) => [word, { insulation: [word] }] as const),
    ['sealed seams', { sealsSeams: true }] as const,
    ['a service space', { hasServiceSpace: true }] as const,
    ['sound', { isForSound: true }] as const,
  ])('a house of the school “%s” has more to look at', (_, more) => {
    const house = slab();
    const features = [
      sampleFeature('inner', 'partitionsMeetingEnvelope', house.storeys[0]?.outline[0]?.id ?? ''),
    ];
    const of = (schools: Schools) => called(walked(plannedOf(house, { plan: { schools }, features })));
    const without = of(base);
    const withIt = of({ ...base, ...(more as Partial<Schools>) });
    expect([...withIt].filter((id) => !without.has(id)).length).toBeGreaterThan(0);
    expect([...without].filter((id) => !withIt.has(id))).toEqual([]);
  });
});

describe('holes to come', () => {
  test('a planned service stands with what comes through, how many and how wide', () => {
    const { drawing } = tee();
    const planned = sampleFeature('p', 'plannedService', 'g5', { what: 'wastePipe', count: 2, widthM: 0.11 });
    const { holes } = walked(plannedOf(drawing, { plan: FRAMED, features: [planned] }));
    expect(holes).toEqual([
      expect.objectContaining({
        key: 'feature/p',
        what: 'wastePipe',
        name: 'Waste pipe',
        count: 2,
        widthM: 0.11,
      }),
    ]);
  });

  test('hangers that are built in are two for each spacing', () => {
    const hangers = sampleFeature('h', 'joistHangersInMasonry', 'u3', { spacingM: 0.6 });
    const { holes } = walked(plannedOf(tee().drawing, { features: [hangers] }));
    // 12 m of wall, 0.6 m apart.
    expect(holes.map(({ what, count }) => [what, count])).toEqual([['hanger', 40]]);
  });
});
