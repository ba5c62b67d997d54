import { exceeds, fallsBelow, LIMIT_SLACK, type Finding } from '../finding';
import { FILLS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, option, optional, outcome, part, positive } from '../schema';
import { airLayerByTable } from '../thermal/air-space';
import type { HeatFlow } from '../thermal/films';
import { battCompression, CRUSHED_SHARE } from './batt-compression';

/**
 * What a fill does in a cavity thinner than itself: `rigid` boards and foam keep their thickness, `fibreLaw` (glass,
 * stone) is pressed by the law of fibres, `constant` (plant, wood, wool) is pressed and keeps its conductivity,
 * `takesRest` (blown, sprayed full) takes what the others leave.
 */
export type Pressing = 'rigid' | 'fibreLaw' | 'constant' | 'takesRest';

export interface Fill {
  readonly pressing: Pressing;
  readonly conductivityWmK: number;
  /** As labelled; what takes the rest has none. */
  readonly thicknessM?: number;
}

export interface CavityFillInput {
  readonly depthM: number;
  /** Across a gap that is left; horizontal where left out. */
  readonly heatFlow?: HeatFlow;
  readonly fills: readonly Fill[];
}

export interface FillInPlace {
  readonly thicknessM: number;
  readonly rsi: number;
}

export interface CavityFill {
  /** Of all fills, and of the gap. */
  readonly cavityRsi: number;
  readonly gapM: number;
  readonly gapRsi: number;
  /** Share of their thickness that batts have left; 1 where nothing is pressed. */
  readonly pressedTo: number;
  /** In the order of the input. */
  readonly fills: readonly FillInPlace[];
  readonly findings: readonly Finding<'does-not-fill-cavity' | 'fibre-crushed'>[];
}

/**
 * True for a fill that is pressed where the room is too thin for it.
 * @example isBatt({ pressing: 'rigid', conductivityWmK: 0.03 }) // false
 */
export const isBatt = ({ pressing }: Fill): boolean => pressing === 'fibreLaw' || pressing === 'constant';

function labelled({ thicknessM }: Fill, i: number): number {
  if (thicknessM !== undefined) return thicknessM;
  throw new Refusal('required', `fills[${i}].thicknessM`, 'Give the thickness on its label.');
}

function refuseSaidTwice(fills: readonly Fill[]): void {
  let rest = -1;
  fills.forEach(({ pressing, thicknessM }, i) => {
    if (pressing !== 'takesRest') return;
    if (rest >= 0) {
      throw new Refusal('conflict', `fills[${i}].pressing`, 'Only one fill can take what the others leave.');
    }
    if (thicknessM !== undefined) {
      throw new Refusal(
        'conflict',
        `fills[${i}].thicknessM`,
        'What takes the rest of the cavity has no thickness of its own.',
      );
    }
    rest = i;
  });
}

/** Resistance of a fill at the thickness that it has in the cavity. */
function resistanceOf(fill: Fill, i: number, thicknessM: number): number {
  const { pressing, conductivityWmK } = fill;
  if (pressing !== 'fibreLaw') return thicknessM / conductivityWmK;
  const labelThicknessM = labelled(fill, i);
  const labelRsi = labelThicknessM / conductivityWmK;
  return battCompression({ labelRsi, labelThicknessM, thicknessM }, `fills[${i}].conductivityWmK`).rsi;
}

/** What boards leave for the rest, and to what share of their thickness batts are pressed in it. */
function roomOf(
  fills: readonly Fill[],
  depthM: number,
): { readonly roomM: number; readonly pressedTo: number } {
  const sum = (of: (fill: Fill) => boolean): number =>
    fills.reduce((total, fill, i) => (of(fill) ? total + labelled(fill, i) : total), 0);
  const boardsM = sum(({ pressing }) => pressing === 'rigid');
  const battsM = sum(isBatt);
  const roomM = Math.max(0, depthM - boardsM);
  if (exceeds(boardsM, depthM) || (battsM > 0 && !exceeds(roomM, 0))) {
    throw new Refusal(
      'fills-exceed-cavity',
      'fills',
      battsM > 0 && !exceeds(boardsM, depthM)
        ? 'The boards leave no room for a batt in this cavity.'
        : 'The boards are thicker than the cavity.',
      { value: boardsM, bound: depthM },
    );
  }
  return { roomM, pressedTo: exceeds(battsM, roomM) ? roomM / battsM : 1 };
}

function findingsOf(gapM: number, pressedTo: number): CavityFill['findings'] {
  const findings: CavityFill['findings'][number][] = [];
  if (gapM > 0) {
    findings.push({
      rule: 'does-not-fill-cavity',
      severity: 'warn',
      message: 'The fills are thinner than the cavity and leave a gap: air can move in it.',
      value: gapM,
    });
  }
  if (fallsBelow(pressedTo, CRUSHED_SHARE)) {
    findings.push({
      rule: 'fibre-crushed',
      severity: 'warn',
      message: 'Batts are pressed to less than half of their thickness: their R is an estimate here.',
      value: pressedTo,
      limit: CRUSHED_SHARE,
    });
  }
  return findings;
}

/**
 * What several fills make of one cavity, m²·K/W: boards keep their thickness, batts that are too thick together are all
 * pressed to the same share of it, one fill may take the rest, and what is left open counts as an air layer
 * (ISO 6946:2017, table 8). Pressed glass and stone by the law of fibres, as {@link battCompression}.
 * @example cavityFill({ depthM: 0.14, fills: [{ pressing: 'fibreLaw', thicknessM: 0.09, conductivityWmK: 0.04 }] }).cavityRsi // 2.43
 * @throws {Refusal} `fills-exceed-cavity`, `conflict`, `required`, `no-density-root`
 */
export function cavityFill({ depthM, heatFlow = 'horizontal', fills }: CavityFillInput): CavityFill {
  refuseSaidTwice(fills);
  const { roomM, pressedTo } = roomOf(fills, depthM);
  const thicknesses = fills.map((fill, i) => {
    if (fill.pressing === 'takesRest') return null;
    return isBatt(fill) ? pressedTo * labelled(fill, i) : labelled(fill, i);
  });
  const battsM = thicknesses.reduce<number>((sum, thicknessM, i) => {
    const fill = fills[i];
    return fill !== undefined && isBatt(fill) ? sum + (thicknessM ?? 0) : sum;
  }, 0);
  const restM = Math.max(0, roomM - battsM);
  const inPlace = fills.map((fill, i): FillInPlace => {
    const thicknessM = thicknesses[i] ?? restM;
    return { thicknessM, rsi: resistanceOf(fill, i, thicknessM) };
  });
  const gapM = thicknesses.includes(null) || restM <= LIMIT_SLACK ? 0 : restM;
  const gapRsi = airLayerByTable(gapM, heatFlow);
  return {
    cavityRsi: inPlace.reduce((sum, { rsi }) => sum + rsi, gapRsi),
    gapM,
    gapRsi,
    pressedTo,
    fills: inPlace,
    findings: findingsOf(gapM, pressedTo),
  };
}

export const cavityFillOperation: Operation<CavityFillInput, CavityFill> = {
  words: {
    shelf: 'insulation',
    title: 'Fills stacked in a cavity',
    tells: 'R of batts, boards, foam and blown fill in one cavity: what is pressed, what leaves a gap.',
    alsoCalled: 'double batt, flash and batt, hybrid, compression, blown, stacked, gap',
    mainFigures: ['cavityRsi', 'pressedTo', 'gapM'],
  },
  schema: fields<CavityFillInput>({
    depthM: as('Depth of the cavity', positive('thickness')),
    heatFlow: optional(option('horizontal', 'up', 'down')),
    fills: list(
      fields<Fill>({
        pressing: option('rigid', 'fibreLaw', 'constant', 'takesRest'),
        conductivityWmK: positive('conductivity'),
        thicknessM: as('Thickness on the label', optional(positive('thickness'))),
      }),
      1,
      FILLS_MAX,
    ),
  }),
  run: cavityFill,
  output: outcome<CavityFill>({
    cavityRsi: as('R of the cavity', figure('resistance')),
    gapM: as('Gap', figure('thickness')),
    gapRsi: as('R of the gap', figure('resistance')),
    pressedTo: as('Pressed to', figure('share')),
    fills: list(part({ thicknessM: figure('thickness'), rsi: as('R', figure('resistance')) })),
  }),
};
