import { fallsBelow, type Finding } from '../finding';
import { BATT_GROUPS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, number, optional, outcome, part, positive } from '../schema';
import { USUAL_WASTE, wasteShare } from './packs';
import { wholeDown, wholeUp } from './whole-packs';

/** Cavities of one size. */
export interface BattCavities {
  readonly widthM: number;
  readonly heightM: number;
  readonly count: number;
}

export interface BattsInput {
  readonly cavities: readonly BattCavities[];
  readonly batt: { readonly widthM: number; readonly lengthM: number; readonly perPack: number };
  /** A batt is cut wider than its cavity by this, so that it holds; 10 mm where left out. */
  readonly frictionM?: number;
  readonly layers?: number;
  readonly wasteShare?: number;
}

/** What cavities of one size take. */
export interface BattGroup {
  /** Batts side by side in one cavity. */
  readonly across: number;
  /** Strips that one batt gives. */
  readonly stripsPerBatt: number;
  /** Height above whole batts that a cut piece fills. */
  readonly restM: number;
  readonly batts: number;
  /** Joints between pieces, one above the other: each is looked at. */
  readonly joints: number;
}

export interface Batts {
  readonly groups: readonly BattGroup[];
  readonly batts: number;
  readonly withWaste: number;
  readonly packs: number;
  readonly joints: number;
  readonly findings: readonly Finding<'batt-too-narrow' | 'short-piece'>[];
}

const USUAL_FRICTION_M = 0.01;
/** A shorter piece above full batts falls out, or is pressed to fit. */
const SHORT_M = 0.15;
/** Left of a height, it is rounding. */
const NO_REST_M = 1e-9;

interface Cut {
  readonly lengthM: number;
  readonly frictionM: number;
  readonly battM: number;
  readonly layers: number;
}

function groupOf(
  { widthM, heightM, count }: BattCavities,
  { lengthM, frictionM, battM, layers }: Cut,
): BattGroup {
  const isNarrow = fallsBelow(battM, widthM);
  const across = isNarrow ? wholeUp(widthM / battM) : 1;
  const stripsPerBatt = isNarrow ? 1 : Math.max(1, wholeDown(battM / (widthM + frictionM)));
  const columns = count * across * layers;
  const whole = wholeDown(heightM / lengthM);
  const left = heightM - whole * lengthM;
  const restM = left > NO_REST_M ? left : 0;
  const cut = restM === 0 ? 0 : wholeUp(columns / Math.max(1, wholeDown(lengthM / restM)));
  return {
    across,
    stripsPerBatt,
    restM,
    batts: wholeUp((columns * whole + cut) / stripsPerBatt),
    joints: columns * (whole + (restM === 0 ? 0 : 1) - 1),
  };
}

function findingsOf(input: BattsInput, groups: readonly BattGroup[]): Batts['findings'] {
  const { cavities, batt } = input;
  return groups.flatMap(({ across, restM }, i): readonly Batts['findings'][number][] => {
    const { widthM = 0, heightM = 0 } = cavities[i] ?? {};
    const isShort = restM > 0 && fallsBelow(restM, SHORT_M) && !fallsBelow(heightM, batt.lengthM);
    return [
      ...(across > 1
        ? [
            {
              rule: 'batt-too-narrow' as const,
              severity: 'warn' as const,
              message: 'Such batts are narrower than the cavity: a joint runs up its middle.',
              value: batt.widthM,
              limit: widthM,
            },
          ]
        : []),
      ...(isShort
        ? [
            {
              rule: 'short-piece' as const,
              severity: 'warn' as const,
              message: 'So short a piece on top does not hold: cut the one below it shorter.',
              value: restM,
              limit: SHORT_M,
            },
          ]
        : []),
    ];
  });
}

/**
 * Batts for cavities of several sizes: strips as wide as the cavity and a little, whole lengths and cut ones, and the joints
 * between them. Offcuts do not pass from one size to another.
 * @example batts({ cavities: [{ widthM: 0.555, heightM: 2.4, count: 24 }], batt: { widthM: 0.58, lengthM: 1.2, perPack: 8 } }).packs // 7
 */
export function batts(input: BattsInput): Batts {
  const { cavities, batt, frictionM = USUAL_FRICTION_M, layers = 1 } = input;
  const cut = { lengthM: batt.lengthM, frictionM, battM: batt.widthM, layers };
  const groups = cavities.map((each) => groupOf(each, cut));
  const sum = (of: (group: BattGroup) => number): number =>
    groups.reduce((total, group) => total + of(group), 0);
  const count = sum((group) => group.batts);
  const withWaste = wholeUp(count * (1 + (input.wasteShare ?? USUAL_WASTE)));
  return {
    groups,
    batts: count,
    withWaste,
    packs: wholeUp(withWaste / batt.perPack),
    joints: sum((group) => group.joints),
    findings: findingsOf(input, groups),
  };
}

const whole = (min: number, max: number) => number({ quantity: 'count', min, max, whole: true });

export const battsOperation: Operation<BattsInput, Batts> = {
  words: {
    shelf: 'insulation',
    title: 'Batts for cavities',
    tells: 'Batts and packs for bays of several sizes, their cut pieces and the joints between.',
    alsoCalled: 'take-off, order list, stud bays, pieces, offcuts, packs of batts',
    mainFigures: ['packs', 'batts', 'joints'],
  },
  schema: fields<BattsInput>({
    cavities: list(
      fields<BattCavities>({
        widthM: positive('thickness'),
        heightM: positive('length'),
        count: as('How many', number({ quantity: 'count', above: 0, max: 1e5, whole: true })),
      }),
      1,
      BATT_GROUPS_MAX,
    ),
    batt: fields<BattsInput['batt']>({
      widthM: positive('thickness'),
      lengthM: positive('length'),
      perPack: as('In a pack', whole(1, 1000)),
    }),
    frictionM: as('Wider than the cavity by', optional(number({ quantity: 'thickness', min: 0, max: 0.05 }))),
    layers: optional(whole(1, 4)),
    wasteShare,
  }),
  run: batts,
  output: outcome<Batts>({
    groups: list(
      part({
        across: as('Side by side', figure('count')),
        stripsPerBatt: as('Strips from a batt', figure('count')),
        restM: as('Cut piece on top', figure('thickness')),
        batts: figure('count'),
        joints: figure('count'),
      }),
      1,
      BATT_GROUPS_MAX,
    ),
    batts: figure('count'),
    withWaste: as('Batts with waste', figure('count')),
    packs: figure('count'),
    joints: as('Joints to look at', figure('count')),
  }),
};
