import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, nonNegative, number, option, optional, outcome, positive } from '../schema';
import { wholeDown, wholeUp } from './whole-packs';

/** `along` the wall in runs, or `up` it in strips. */
export type SheetDirection = 'along' | 'up';

export interface SheetInput {
  readonly direction: SheetDirection;
  readonly lengthM: number;
  readonly heightM: number;
  readonly rollWidthM: number;
  readonly rollLengthM: number;
  readonly lapM: number;
  /** Turned onto the floor. */
  readonly floorLapM?: number;
  /** Turned down from the ceiling, or up under it. */
  readonly topLapM?: number;
  readonly corners?: number;
  /** A corner takes so much more; 50 mm where left out. */
  readonly cornerAllowanceM?: number;
}

export interface Sheet {
  /** Runs one above the other, or strips side by side. */
  readonly runs: number;
  /** Where the upper edge of the first run lies, so that it is turned onto the floor; null of strips. */
  readonly markHeightM: number | null;
  readonly sheetM: number;
  readonly rolls: number;
  readonly tapeM: number;
  /** Two lines under what is turned onto the floor. */
  readonly sealantM: number;
}

/** What a corner takes more, where nobody says another. */
export const CORNER_ALLOWANCE_M = 0.05;

function refuseImpossible(input: SheetInput, stripM: number): void {
  const { rollWidthM, rollLengthM, lapM, floorLapM = 0, direction } = input;
  for (const [field, lap] of [
    ['lapM', lapM],
    ['floorLapM', floorLapM],
  ] as const) {
    if (lap >= rollWidthM)
      throw new Refusal('out-of-range', field, 'A lap must be narrower than the roll is wide.', {
        value: lap,
        bound: rollWidthM,
      });
  }
  const least = direction === 'up' ? stripM : lapM;
  if (direction === 'up' ? rollLengthM < stripM : rollLengthM <= lapM)
    throw new Refusal(
      'roll-too-short',
      'rollLengthM',
      'One roll is shorter than one piece of it has to be.',
      {
        value: rollLengthM,
        bound: least,
      },
    );
}

/**
 * Sheet for a wall: runs along it or strips up it, rolls, tape on every lap and end, and the lines of sealant under what is
 * turned onto the floor. Openings are not taken off: what is cut out of them is waste.
 * @example sheet({ direction: 'along', lengthM: 38, heightM: 2.55, rollWidthM: 1.6, rollLengthM: 40, lapM: 0.12, floorLapM: 0.06, topLapM: 0.08, corners: 8 }).tapeM // 78.4
 * @throws {Refusal} `out-of-range`, `roll-too-short`
 */
export function sheet(input: SheetInput): Sheet {
  const { direction, lengthM, heightM, rollWidthM, rollLengthM, lapM } = input;
  const { floorLapM = 0, topLapM = 0, corners = 0, cornerAllowanceM = CORNER_ALLOWANCE_M } = input;
  const stripM = heightM + floorLapM + topLapM;
  refuseImpossible(input, stripM);
  const runM = lengthM + corners * cornerAllowanceM;
  const sealantM = floorLapM > 0 ? 2 * runM : 0;
  const covers = rollWidthM - lapM;
  if (direction === 'up') {
    const runs = Math.max(1, wholeUp((runM - lapM) / covers));
    return {
      runs,
      markHeightM: null,
      sheetM: runs * stripM,
      rolls: wholeUp(runs / wholeDown(rollLengthM / stripM)),
      tapeM: (runs - 1) * heightM + runM,
      sealantM,
    };
  }
  const markHeightM = rollWidthM - floorLapM;
  const runs = 1 + Math.max(0, wholeUp((heightM + topLapM - markHeightM) / covers));
  const sheetM = runs * runM;
  const rolls = 1 + Math.max(0, wholeUp((sheetM - rollLengthM) / (rollLengthM - lapM)));
  return { runs, markHeightM, sheetM, rolls, tapeM: sheetM + (rolls - 1) * rollWidthM, sealantM };
}

const lap = optional(nonNegative('thickness'));

export const sheetOperation: Operation<SheetInput, Sheet> = {
  words: {
    shelf: 'insulation',
    title: 'Sheet for a wall',
    tells: 'Rolls, tape and sealant for a membrane, and where its first run is marked.',
    alsoCalled: 'take-off, order list, membrane, vapour barrier, house wrap, rolls, tape, laps',
    mainFigures: ['rolls', 'sheetM', 'tapeM', 'sealantM'],
  },
  schema: fields<SheetInput>({
    direction: option('along', 'up'),
    lengthM: positive('length'),
    heightM: positive('length'),
    rollWidthM: positive('length'),
    rollLengthM: positive('length'),
    lapM: as('Lap', nonNegative('thickness')),
    floorLapM: as('Turned onto the floor', lap),
    topLapM: as('Turned at the top', lap),
    corners: optional(number({ quantity: 'count', min: 0, max: 1000, whole: true })),
    cornerAllowanceM: as('More at a corner', lap),
  }),
  run: sheet,
  output: outcome<Sheet>({
    runs: figure('count'),
    markHeightM: as('Mark of the first run', optional(figure('length'))),
    sheetM: as('Sheet', figure('length')),
    rolls: figure('count'),
    tapeM: as('Tape', figure('length')),
    sealantM: as('Lines of sealant', figure('length')),
  }),
};
