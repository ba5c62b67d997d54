import { project, type Camera } from '../drawing/camera';
import type { Ink } from '../drawing/ink';
import type { GradeOfWork } from '../insulation/grade';
import type { RandomSource } from '../random/distributions';
import {
  CAUSES_OF_PRESSED,
  CAUSES_OF_VOID,
  drawFlaw,
  type CavityInSight,
  type FlawCause,
  type ScaledFlaw,
} from './flaw';

export const FILLS = ['lightGlass', 'denseGlass', 'stone', 'plant', 'wood', 'blownBehindNet'] as const;
export type FillKind = (typeof FILLS)[number];
export const LIGHTS = ['torch', 'sideLight', 'daylight', 'dim'] as const;
export type LightKind = (typeof LIGHTS)[number];

/** What a picture is to show. */
export interface CavityPlan {
  readonly cavity: CavityInSight;
  readonly voidShare: number;
  readonly pressedShare: number;
  readonly fill: FillKind;
  readonly light: LightKind;
  readonly camera: Camera;
}

type Range = readonly [low: number, high: number];
/** Shares of a grade, in per cent: what is empty, what is pressed; a grade of two ranges is drawn from either. */
const SHARES: Readonly<Record<GradeOfWork, readonly { readonly empty: Range; readonly pressed: Range }[]>> = {
  I: [{ empty: [0, 0.5], pressed: [0, 2] }],
  II: [
    { empty: [0.6, 2], pressed: [0, 10] },
    { empty: [0, 0.5], pressed: [2.1, 10] },
  ],
  III: [
    { empty: [2.1, 5], pressed: [0, 15] },
    { empty: [0, 2], pressed: [10.1, 18] },
  ],
  none: [{ empty: [5.1, 15], pressed: [0, 15] }],
};
const GRADES = ['I', 'II', 'III', 'none'] as const satisfies readonly GradeOfWork[];

const WIDTH_PX = 1080;
const HEIGHT_PX = 1440;
/** How much of a picture a cavity takes, across or up, whichever is more. */
const TAKES = 0.88;
const DEGREE = Math.PI / 180;
const FLAWS_MAX = 4;

const pick = <T>(random: RandomSource, all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

/** Turned at random; near enough that the cavity takes most of the picture and is wholly in it. */
function drawCamera(between: Ink['between'], { widthM, heightM }: CavityInSight): Camera {
  const [yaw, pitch] = [between(-25, 25) * DEGREE, between(-10, 10) * DEGREE];
  const awayM = between(1, 1.8);
  // It looks at the middle of the cavity from wherever it is turned.
  const from = [
    -awayM * Math.sin(yaw) * Math.cos(pitch),
    -awayM * Math.sin(pitch),
    awayM * Math.cos(yaw) * Math.cos(pitch),
  ] as const;
  const unit = { from, yaw, pitch, focalPx: 1, widthPx: 0, heightPx: 0 };
  const reach = [-1, 1].flatMap((right) =>
    [-1, 1].flatMap((up) => {
      const [x, y] = project(unit, [(right * widthM) / 2, (up * heightM) / 2, 0]);
      return [Math.abs(x) / (WIDTH_PX / 2), Math.abs(y) / (HEIGHT_PX / 2)];
    }),
  );
  return { ...unit, focalPx: TAKES / Math.max(...reach), widthPx: WIDTH_PX, heightPx: HEIGHT_PX };
}

/**
 * What a picture is to show, by the numbers of a source, in one fixed order: grade and shares, the cavity, its fill, its
 * light, where it is seen from.
 * @example drawPlan(() => 0.5).fill // 'plant'
 */
export function drawPlan(random: RandomSource): CavityPlan {
  const between = (low: number, high: number): number => low + (high - low) * random();
  const shares = pick(random, SHARES[pick(random, GRADES)]);
  const cavity = { widthM: between(0.3, 0.6), heightM: between(0.8, 1.3) };
  return {
    cavity,
    voidShare: between(...shares.empty) / 100,
    pressedShare: between(...shares.pressed) / 100,
    fill: pick(random, FILLS),
    light: pick(random, LIGHTS),
    camera: drawCamera(between, cavity),
  };
}

/** A share under this is drawn as nothing. */
const NOTHING = 1e-4;

/**
 * One to four flaws, so many empty and so many pressed as the shares ask for.
 * @example drawFlaws(() => 0.5, { ...drawPlan(() => 0.5), voidShare: 0.01, pressedShare: 0 }).map(({ fill }) => fill) // [0, 0, 0]
 */
export function drawFlaws(
  random: RandomSource,
  { cavity, voidShare, pressedShare }: CavityPlan,
): readonly ScaledFlaw[] {
  const between = (low: number, high: number): number => low + (high - low) * random();
  const isEmpty = voidShare > NOTHING;
  const isPressed = pressedShare > NOTHING;
  const least = (isEmpty ? 1 : 0) + (isPressed ? 1 : 0);
  const count = Math.max(least, 1 + Math.floor(random() * FLAWS_MAX));
  const empty = !isEmpty ? 0 : !isPressed ? count : 1 + Math.floor(random() * (count - 1));
  const pressed = isPressed ? count - empty : 0;
  const draw = (causes: readonly FlawCause[], fill: () => number): ScaledFlaw =>
    drawFlaw(pick(random, causes), fill(), between, cavity);
  return [
    ...Array.from({ length: empty }, () => draw(CAUSES_OF_VOID, () => 0)),
    ...Array.from({ length: pressed }, () => draw(CAUSES_OF_PRESSED, () => between(0.72, 0.95))),
  ];
}
