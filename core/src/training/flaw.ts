import { BOX_M, type Flat } from '../drawing/framed-wall';
import type { Ink } from '../drawing/ink';

/** Why a place is empty or pressed. */
export type FlawCause =
  | 'cutShort'
  | 'roundCable'
  | 'behindBox'
  | 'alongEdge'
  | 'slipped'
  | 'missingPiece'
  | 'crushedEdge'
  | 'behindPipe';

/** Size of the cavity in sight, about the middle of which places are counted. */
export interface CavityInSight {
  readonly widthM: number;
  readonly heightM: number;
}

/** Something wrong in a cavity, as large as it is scaled to. */
export interface ScaledFlaw {
  readonly cause: FlawCause;
  /** 0 where it is empty. */
  readonly fill: number;
  readonly middle: Flat;
  /** Its outline within the cavity; its area grows about as its scale does. */
  readonly outlineAt: (scale: number) => readonly Flat[];
}

/** What may leave a place empty, and what may press it. */
export const CAUSES_OF_VOID: readonly FlawCause[] = [
  'cutShort',
  'roundCable',
  'behindBox',
  'alongEdge',
  'slipped',
  'missingPiece',
];
export const CAUSES_OF_PRESSED: readonly FlawCause[] = [
  'crushedEdge',
  'behindPipe',
  'roundCable',
  'behindBox',
];

/** A shape before it is scaled: middle, half its size, and how its growth is shared between width and height. */
interface Shape {
  readonly middle: Flat;
  readonly half: readonly [width: number, height: number];
  /** Share of the growth that goes to the width, 0…1. */
  readonly widens: number;
  /** How much higher it is for each metre to the right. */
  readonly tilt: number;
}

const CORNERS = 28;

type Between = Ink['between'];
type ShapeOf = (between: Between, cavity: CavityInSight) => Shape;

const strip = (low: number, high: number, half: number): ShapeOf =>
  function (between, { widthM, heightM }) {
    return {
      middle: [between(low, high) * widthM, between(-0.2, 0.2) * heightM],
      half: [half, 0.3 * heightM],
      widens: 0.7,
      tilt: 0,
    };
  };

const edge = (half: number): ShapeOf =>
  function (between, { widthM, heightM }) {
    const side = between(0, 1) < 0.5 ? -1 : 1;
    return {
      middle: [(side * widthM) / 2, between(-0.2, 0.2) * heightM],
      half: [half, 0.35 * heightM],
      widens: 0.8,
      tilt: 0,
    };
  };

const SHAPES: Readonly<Record<FlawCause, ShapeOf>> = {
  cutShort: (between, { widthM, heightM }) => ({
    middle: [0, (between(0, 1) < 0.5 ? -heightM : heightM) / 2],
    half: [2 * widthM, 0.04],
    widens: 0,
    tilt: between(-0.02, 0.02),
  }),
  slipped: (between, { widthM, heightM }) => ({
    middle: [0, heightM / 2],
    half: [2 * widthM, 0.04],
    widens: 0,
    tilt: between(-0.25, 0.25),
  }),
  roundCable: strip(-0.3, 0.3, 0.02),
  behindPipe: strip(-0.2, 0.2, 0.05),
  alongEdge: edge(0.02),
  crushedEdge: edge(0.05),
  behindBox: (between, { widthM, heightM }) => ({
    middle: [-widthM / 2 + BOX_M.width / 2, between(-0.3, 0.2) * heightM + BOX_M.height / 2],
    half: [BOX_M.width, BOX_M.height],
    widens: 0.5,
    tilt: 0,
  }),
  missingPiece: (between, { widthM, heightM }) => ({
    middle: [between(-0.25, 0.25) * widthM, between(-0.3, 0.3) * heightM],
    half: [between(0.05, 0.1), between(0.05, 0.14)],
    widens: 0.5,
    tilt: 0,
  }),
};

const within = (value: number, reach: number): number => Math.min(reach, Math.max(-reach, value));

/**
 * A flaw of a cause, drawn at random: an outline as torn or crushed batts have it, nearer to a rectangle than an ellipse is.
 * @example drawFlaw('missingPiece', 0, (low, high) => (low + high) / 2, { widthM: 0.4, heightM: 1 }).middle // [0, 0]
 */
export function drawFlaw(
  cause: FlawCause,
  fill: number,
  between: Between,
  cavity: CavityInSight,
): ScaledFlaw {
  const { middle, half, widens, tilt } = SHAPES[cause](between, cavity);
  const square = (part: number): number => Math.sign(part) * Math.abs(part) ** 0.55;
  const unit = Array.from({ length: CORNERS }, (_, i): Flat => {
    const turn = (i / CORNERS) * 2 * Math.PI;
    const reach = between(0.82, 1.08);
    return [reach * square(Math.cos(turn)), reach * square(Math.sin(turn))];
  });
  return {
    cause,
    fill,
    middle,
    outlineAt: (scale) => {
      const [wide, high] = [half[0] * scale ** widens, half[1] * scale ** (1 - widens)];
      return unit.map(([x, y]): Flat => {
        const at = within(middle[0] + x * wide, cavity.widthM / 2);
        return [at, within(middle[1] + y * high + tilt * at, cavity.heightM / 2)];
      });
    },
  };
}
