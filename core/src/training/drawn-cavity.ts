import { project, type Pixel } from '../drawing/camera';
import { finishedPicture, torchLight } from '../drawing/finished-picture';
import {
  BOX_M,
  drawBehind,
  drawBox,
  drawFill,
  drawFrame,
  drawPipe,
  STUD_M,
  type FillColours,
  type Flat,
} from '../drawing/framed-wall';
import { openInk, pathOf, type Ink } from '../drawing/ink';
import type { Point } from '../geometry/point';
import { gradeByShares, type GradeOfWork } from '../insulation/grade';
import { settledShares } from '../photo/settled-shares';
import { seededRandom, type RandomSource } from '../random/distributions';
import { Refusal } from '../refusal';
import { drawFlaws, drawPlan, type CavityPlan, type FillKind, type LightKind } from './cavity-plan';
import type { CavityInSight, FlawCause, ScaledFlaw } from './flaw';

/** The picture that a seed stands for changes with it: what somebody was shown can be drawn again. */
export const GENERATOR_VERSION = 1;
export const SEED_MAX = 2 ** 31 - 1;

export interface DrawnCavityInput {
  readonly version: number;
  /** A whole number from 1 to 2³¹ − 1. */
  readonly seed: number;
}

/** Something wrong, where it is in the picture. */
export interface DrawnRegion {
  readonly outlinePx: readonly Point[];
  /** What is left of the thickness there; 0 where it is empty. */
  readonly fill: number;
  readonly cause: FlawCause;
}

/** What is so of a cavity that is drawn, not photographed. */
export interface CavityTruth {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Top left, top right, bottom right, bottom left. */
  readonly cornersPx: readonly Point[];
  readonly cavityWidthM: number;
  readonly cavityHeightM: number;
  readonly regions: readonly DrawnRegion[];
  readonly truth: {
    readonly voidFraction: number;
    readonly compressedFraction: number;
    readonly grade: GradeOfWork;
  };
}

/** The same, with its picture. */
export interface DrawnCavity extends CavityTruth {
  readonly svg: string;
}

const DEPTH_M = 0.14;
const COLOURS: Readonly<Record<FillKind, FillColours>> = {
  lightGlass: { fill: '#e6d9a8', dark: '#a8945a', fibre: '#f6edca' },
  denseGlass: { fill: '#cfae52', dark: '#7d642a', fibre: '#e6cc82' },
  stone: { fill: '#a89a74', dark: '#6b6147', fibre: '#c6ba95' },
  plant: { fill: '#b7a36a', dark: '#6a5a2e', fibre: '#d9caa0' },
  wood: { fill: '#a47f56', dark: '#65492c', fibre: '#c4a37a' },
  blownBehindNet: { fill: '#a7a7a2', dark: '#62625e', fibre: '#c9c9c3' },
};

/** A share that is drawn may be off what it is to be by half of what it is held to, 0.02 points. */
const NEAR = 1e-4;
const TRIES = 24;
const DRAWS_OF_FLAWS = 500;

/** A place of a cavity in units of it, across and down. */
const inUnits = ([x, y]: Flat, { widthM, heightM }: CavityInSight): Point => ({
  x: x / widthM + 0.5,
  y: 0.5 - y / heightM,
});

interface Laid {
  readonly flaw: ScaledFlaw;
  readonly outline: readonly Flat[];
}

interface Shares {
  readonly empty: number;
  readonly pressed: number;
}

function sharesOf(laid: readonly Laid[], cavity: CavityInSight): Shares {
  const shares = settledShares(
    laid.map(({ outline }) => outline.map((place) => inUnits(place, cavity))),
    laid.map(({ flaw }) => flaw.fill),
  );
  const sum = (isEmpty: boolean): number =>
    shares.reduce((total, share, i) => total + ((laid[i]?.flaw.fill === 0) === isEmpty ? share : 0), 0);
  return { empty: sum(true), pressed: sum(false) };
}

const laidAt = (flaws: readonly ScaledFlaw[], scale: number): readonly Laid[] =>
  flaws.map((flaw) => ({ flaw, outline: flaw.outlineAt(scale) }));

/** Flaws scaled together until they come to a share, beside others that stay; null where they cannot. */
function scaledTo(
  share: number,
  flaws: readonly ScaledFlaw[],
  others: readonly Laid[],
  cavity: CavityInSight,
  of: keyof Shares,
): readonly Laid[] | null {
  if (flaws.length === 0) return [];
  let scale = 1;
  for (let i = 0; i < TRIES; i++) {
    const laid = laidAt(flaws, scale);
    const found = sharesOf([...others, ...laid], cavity)[of];
    if (Math.abs(found - share) <= NEAR) return laid;
    if (!(found > 0)) return null;
    // Their area grows about as their scale does.
    scale *= share / found;
  }
  return null;
}

/** Flaws that come to the shares of a plan: the first draw of them that can be scaled so. */
function laidOut(random: RandomSource, plan: CavityPlan): readonly Laid[] {
  for (let i = 0; i < DRAWS_OF_FLAWS; i++) {
    const flaws = drawFlaws(random, plan);
    const empty = flaws.filter(({ fill }) => fill === 0);
    const pressed = flaws.filter(({ fill }) => fill > 0);
    const voids = scaledTo(plan.voidShare, empty, [], plan.cavity, 'empty');
    if (voids === null) continue;
    const others = scaledTo(plan.pressedShare, pressed, voids, plan.cavity, 'pressed');
    if (others !== null) return [...voids, ...others];
  }
  throw new Error('No flaws of this picture come to its shares.');
}

/** The net that holds what is blown, and how it bulges between its fastenings. */
function drawNet(ink: Ink, { widthM, heightM }: CavityInSight): void {
  const [right, top] = [widthM / 2, heightM / 2];
  const lines: string[] = [];
  for (let x = -right; x <= right; x += 0.018)
    lines.push(pathOf([ink.at([x, -top, 0.004]), ink.at([x, top, 0.004])], false));
  for (let y = -top; y <= top; y += 0.018)
    lines.push(pathOf([ink.at([-right, y, 0.004]), ink.at([right, y, 0.004])], false));
  ink.add(
    `<path d="${lines.join('')}" fill="none" stroke="#f2f2ee" stroke-opacity="0.45" stroke-width="1"/>`,
  );
  for (let y = -top + 0.1; y < top; y += 0.2) {
    const [cx, cy] = ink.at([ink.between(-0.02, 0.02), y, 0.01]);
    const [rx] = ink.at([widthM * 0.4, y, 0.01]);
    ink.add(
      `<ellipse cx="${cx.toFixed(1)}" cy="${cy.toFixed(1)}" rx="${Math.abs(rx - cx).toFixed(1)}" ry="${(ink.camera.focalPx * 0.05).toFixed(1)}" fill="#fff" fill-opacity="0.07"/>`,
    );
  }
}

function drawCable(ink: Ink, x: number, half: number): void {
  const cable = Array.from({ length: 9 }, (_, i) =>
    ink.at([x + 0.008 * Math.sin(i * 1.7), -half + (i / 8) * 2 * half, 0.006]),
  );
  ink.add(
    `<path d="${pathOf(cable, false)}" fill="none" stroke="#e4e2da" stroke-width="${(ink.camera.focalPx * 0.008).toFixed(1)}"/>`,
  );
}

/** What lies before the fill: cables, pipes and boxes that it was not fitted round. */
function drawServices(ink: Ink, laid: readonly Laid[], cavity: CavityInSight): void {
  const half = cavity.heightM / 2;
  for (const {
    flaw: { cause, middle },
  } of laid) {
    if (cause === 'roundCable') drawCable(ink, middle[0], half);
    if (cause === 'behindPipe') drawPipe(ink, middle[0], half);
    if (cause === 'behindBox') drawBox(ink, -cavity.widthM / 2, middle[1] - BOX_M.height / 2, half);
  }
}

/** The light of a picture, over all of it. */
function lightOf(ink: Ink, light: LightKind): string {
  const { widthPx, heightPx } = ink.camera;
  const whole = `width="${widthPx}" height="${heightPx}"`;
  if (light === 'torch') return torchLight(ink, 0.2);
  if (light === 'daylight') return `<rect ${whole} fill="#fffdf4" fill-opacity="0.06"/>`;
  if (light === 'dim') return `<rect ${whole} fill="#05070c" fill-opacity="0.45"/>`;
  const isFromLeft = ink.random() < 0.5;
  const [lit, dark] = isFromLeft ? [0, 1] : [1, 0];
  return (
    `<linearGradient id="side" x1="${lit}" x2="${dark}" y1="0" y2="0">` +
    '<stop offset="0" stop-color="#fff6de" stop-opacity="0.14"/>' +
    '<stop offset="1" stop-color="#05070c" stop-opacity="0.62"/></linearGradient>' +
    `<rect ${whole} fill="url(#side)"/>`
  );
}

/** The deeper it is pressed, the darker. */
const shadeOf = (fill: number): number => Number((0.16 + 0.8 * (1 - fill)).toFixed(2));

function drawPicture(ink: Ink, plan: CavityPlan, laid: readonly Laid[]): string {
  const { cavity } = plan;
  const half = cavity.heightM / 2;
  // It stands between two others that are sound.
  const bays = [-1, 0, 1].map((at) => {
    const middle = at * (cavity.widthM + STUD_M);
    return { left: middle - cavity.widthM / 2, right: middle + cavity.widthM / 2 };
  });
  drawBehind(ink, bays, half, DEPTH_M);
  bays.forEach((bay, i) => {
    const here = i === 1 ? laid : [];
    drawFill(ink, {
      bay,
      half,
      depthM: DEPTH_M,
      colours: COLOURS[plan.fill],
      z: 0,
      voids: here.filter(({ flaw }) => flaw.fill === 0).map(({ outline }) => outline),
      pressed: here
        .filter(({ flaw }) => flaw.fill > 0)
        .map(({ flaw, outline }) => ({ outline, middle: flaw.middle, shade: shadeOf(flaw.fill) })),
      id: `bay${i}`,
    });
  });
  if (plan.fill === 'blownBehindNet') drawNet(ink, cavity);
  drawFrame(ink, bays, half);
  drawServices(ink, laid, cavity);
  return finishedPicture(ink, lightOf(ink, plan.light));
}

const asPoint = ([x, y]: Pixel): Point => ({ x, y });

function refuseUnknown({ version, seed }: DrawnCavityInput): void {
  if (version !== GENERATOR_VERSION) {
    throw new Refusal('unknown-option', 'version', 'This version of the drawings is not known here.', {
      value: version,
      bound: GENERATOR_VERSION,
    });
  }
  if (!Number.isInteger(seed) || seed < 1 || seed > SEED_MAX) {
    throw new Refusal('out-of-range', 'seed', 'A seed is a whole number from 1 to 2 147 483 647.', {
      value: seed,
      bound: SEED_MAX,
    });
  }
}

/** All that is drawn of a seed but the picture itself, and the source that goes on with it. */
function laidCavity(input: DrawnCavityInput): {
  readonly plan: CavityPlan;
  readonly laid: readonly Laid[];
  readonly random: RandomSource;
} {
  refuseUnknown(input);
  const random = seededRandom(input.seed);
  const plan = drawPlan(random);
  return { plan, laid: laidOut(random, plan), random };
}

function truthOf({ cavity, camera }: CavityPlan, laid: readonly Laid[]): CavityTruth {
  const { empty, pressed } = sharesOf(laid, cavity);
  const pixel = ([x, y]: Flat): Point => asPoint(project(camera, [x, y, 0]));
  const [right, top] = [cavity.widthM / 2, cavity.heightM / 2];
  return {
    widthPx: camera.widthPx,
    heightPx: camera.heightPx,
    cornersPx: (
      [
        [-right, top],
        [right, top],
        [right, -top],
        [-right, -top],
      ] as const
    ).map(pixel),
    cavityWidthM: cavity.widthM,
    cavityHeightM: cavity.heightM,
    regions: laid.map(({ flaw: { fill, cause }, outline }) => ({
      outlinePx: outline.map(pixel),
      fill,
      cause,
    })),
    truth: { voidFraction: empty, compressedFraction: pressed, grade: gradeByShares(empty, pressed) },
  };
}

/**
 * What is so of the cavity that a seed stands for, without drawing it. Computed from what is drawn, overlaps settled as on a
 * photo; its grade by its shares (ANSI 301, appendix A).
 * @example cavityTruth({ version: 1, seed: 7 }).truth.grade // 'III'
 * @throws {Refusal} `unknown-option`, `out-of-range`
 */
export function cavityTruth(input: DrawnCavityInput): CavityTruth {
  const { plan, laid } = laidCavity(input);
  return truthOf(plan, laid);
}

/**
 * A cavity drawn from a seed, in perspective, with flaws of known size: the same picture and the same truth on every machine.
 * @example drawnCavity({ version: 1, seed: 7 }).widthPx // 1080
 * @throws {Refusal} `unknown-option`, `out-of-range`
 */
export function drawnCavity(input: DrawnCavityInput): DrawnCavity {
  const { plan, laid, random } = laidCavity(input);
  return { svg: drawPicture(openInk(plan.camera, random), plan, laid), ...truthOf(plan, laid) };
}
