import type { AirBarrier, Insulation, Schools } from './schools';

/** What a house begins with, by where its air barrier is; each field is changed by itself afterwards. */
export interface StartingSet {
  readonly schools: Schools;
  readonly insulationAbove: readonly Insulation[] | null;
  readonly insulationBelow: readonly Insulation[] | null;
}

const set = (
  schools: Omit<Schools, 'isForSound'>,
  insulationAbove: readonly Insulation[] | null,
): StartingSet => ({
  schools: { ...schools, isForSound: false },
  insulationAbove,
  insulationBelow: null,
});

/** A set to begin with for each place of the air barrier. */
export const STARTING_SETS: Readonly<Record<AirBarrier, StartingSet>> = {
  barrierOuterSheathing: set(
    {
      airBarrier: 'barrierOuterSheathing',
      vapour: 'vapourInsideSheet',
      framing: 'frameSingle',
      insulation: ['fillBatt'],
      sealsSeams: true,
      hasServiceSpace: false,
    },
    ['fillLoose'],
  ),
  barrierInnerMembrane: set(
    {
      airBarrier: 'barrierInnerMembrane',
      vapour: 'vapourVariableMembrane',
      framing: 'frameSingle',
      insulation: ['fillBatt'],
      sealsSeams: false,
      hasServiceSpace: true,
    },
    ['fillLoose'],
  ),
  barrierInnerSheathing: set(
    {
      airBarrier: 'barrierInnerSheathing',
      vapour: 'vapourInnerSheathing',
      framing: 'frameOutrigger',
      insulation: ['fillDensePacked'],
      sealsSeams: false,
      hasServiceSpace: true,
    },
    null,
  ),
  barrierGasketedLining: set(
    {
      airBarrier: 'barrierGasketedLining',
      vapour: null,
      framing: 'frameSingle',
      insulation: ['fillNetted'],
      sealsSeams: true,
      hasServiceSpace: false,
    },
    ['fillLoose'],
  ),
  barrierMasonryCoat: set(
    {
      airBarrier: 'barrierMasonryCoat',
      vapour: null,
      framing: 'frameMasonry',
      insulation: ['fillOutsideBoard'],
      sealsSeams: false,
      hasServiceSpace: false,
    },
    ['fillLoose'],
  ),
};
