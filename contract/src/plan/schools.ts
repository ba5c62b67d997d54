import { flag, list, mergedGroup, option, orNull } from '../kind/field';

/** Where the air barrier is, in words. */
export const AIR_BARRIER_WORDS = {
  barrierOuterSheathing: 'Outer sheathing',
  barrierInnerMembrane: 'Inner membrane',
  barrierInnerSheathing: 'Inner sheathing',
  barrierGasketedLining: 'Gasketed lining',
  barrierMasonryCoat: 'Coat on masonry',
} as const;

/** How vapour is kept in check, in words. */
export const VAPOUR_WORDS = {
  vapourInsideSheet: 'Inside sheet',
  vapourVariableMembrane: 'Variable membrane',
  vapourInnerSheathing: 'Inner sheathing, open outwards',
  vapourFoamFirst: 'Foam first',
} as const;

/** What insulates, in words. */
export const INSULATION_WORDS = {
  fillBatt: 'Batts',
  fillNetted: 'Blown behind a net',
  fillDampSprayed: 'Damp-sprayed fibre',
  fillDensePacked: 'Dense-packed',
  fillLoose: 'Loose fill',
  fillFoam: 'Sprayed foam',
  fillOutsideBoard: 'Boards outside',
  fillHybrid: 'Foam, fibre inside it',
} as const;

/** What stands, in words. */
export const FRAMING_WORDS = {
  frameSingle: 'Single frame',
  frameDouble: 'Double frame',
  frameOutrigger: 'Deep outer frame',
  frameMasonry: 'Masonry',
} as const;

export type AirBarrier = keyof typeof AIR_BARRIER_WORDS;
export type VapourControl = keyof typeof VAPOUR_WORDS;
export type Insulation = keyof typeof INSULATION_WORDS;
export type Framing = keyof typeof FRAMING_WORDS;

/** How a house, or a part of it, is built. What is null is as the house has it; of the house, nobody has said it. */
export interface Schools {
  readonly airBarrier: AirBarrier | null;
  readonly vapour: VapourControl | null;
  readonly framing: Framing | null;
  readonly insulation: readonly Insulation[] | null;
  /** Extra framing seams are sealed. */
  readonly sealsSeams: boolean | null;
  readonly hasServiceSpace: boolean | null;
  /** Inner walls are to keep sound out. */
  readonly isForSound: boolean | null;
}

/** How a storey, a wall or a roof is built, where that is not as the rest of the house. */
export interface SchoolsAt extends Schools {
  /** Of the storey, the wall or the roof. */
  readonly id: string;
}

/** Nothing said. */
export const NO_SCHOOLS: Schools = {
  airBarrier: null,
  vapour: null,
  framing: null,
  insulation: null,
  sealsSeams: null,
  hasServiceSpace: null,
  isForSound: null,
};

const INSULATIONS = Object.keys(INSULATION_WORDS).length;

/** Several ways to insulate that are met in one part. */
export const insulationField = (label: string) =>
  orNull(
    list<Insulation>(label, 'A way to insulate', option('', INSULATION_WORDS), {
      least: 1,
      most: INSULATIONS,
    }),
  );

/** What a way to build is given by. */
export const schoolFields = {
  airBarrier: orNull(option('Air barrier', AIR_BARRIER_WORDS)),
  vapour: orNull(option('Vapour control', VAPOUR_WORDS)),
  framing: orNull(option('What stands', FRAMING_WORDS)),
  insulation: insulationField('Insulation'),
  sealsSeams: orNull(flag('Extra framing seams sealed')),
  hasServiceSpace: orNull(flag('Service space inside the barrier')),
  isForSound: orNull(flag('Inner walls against sound')),
} as const;

export const schoolsGroup = mergedGroup<Schools>('How it is built', schoolFields);

/** A way to build over another: what it leaves open is as the other has it. */
export const schoolsOver = (over: Partial<Schools> | undefined, under: Schools): Schools =>
  over === undefined
    ? under
    : {
        airBarrier: over.airBarrier ?? under.airBarrier,
        vapour: over.vapour ?? under.vapour,
        framing: over.framing ?? under.framing,
        insulation: over.insulation ?? under.insulation,
        sealsSeams: over.sealsSeams ?? under.sealsSeams,
        hasServiceSpace: over.hasServiceSpace ?? under.hasServiceSpace,
        isForSound: over.isForSound ?? under.isForSound,
      };
