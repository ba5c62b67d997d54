import { areaOf } from '@calvet/core/drawing/camera';
import {
  drawBehind,
  drawBox,
  drawFill,
  drawFrame,
  drawPipe,
  STUD_M,
  type Bay,
  type Flat,
} from '@calvet/core/drawing/framed-wall';
import { pathOf, type Ink } from '@calvet/core/drawing/ink';
import type { Flaw, PhotoTruth } from './truth';

/** Where a flaw is in a bay: its middle, its width and its height, in metres. */
export interface FlawPlan {
  readonly what: 'void' | 'compressed';
  readonly bay: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A framed wall before it is covered, seen by torch light. */
export interface CavitiesPlan {
  readonly kind: 'cavities';
  readonly spacingM: number;
  readonly bays: number;
  readonly depthM: number;
  readonly heightM: number;
  readonly batt: 'stone' | 'glass' | 'wood';
  readonly flaws: readonly FlawPlan[];
  /** A box for a socket, on the stud to the left of a bay. */
  readonly boxes?: readonly { readonly bay: number; readonly y: number }[];
  /** A pipe that runs up a bay. */
  readonly pipes?: readonly { readonly bay: number; readonly x: number }[];
  /** A tape measure held across a bay. */
  readonly tape?: { readonly bay: number; readonly y: number };
}

/** Where the face of a batt lies, behind that of the studs. */
const FACE_M = -0.006;
const BATTS = {
  stone: { fill: '#a89a74', dark: '#6b6147', fibre: '#c6ba95' },
  glass: { fill: '#d8bd62', dark: '#8a7433', fibre: '#eedb97' },
  wood: { fill: '#a47f56', dark: '#65492c', fibre: '#c4a37a' },
} as const;

function baysOf({ bays, spacingM }: CavitiesPlan): readonly Bay[] {
  const first = (-bays * spacingM) / 2;
  return Array.from({ length: bays }, (_, i) => ({
    left: first + i * spacingM + STUD_M / 2,
    right: first + (i + 1) * spacingM - STUD_M / 2,
  }));
}

/** An outline as torn batts have it: an ellipse with an unsteady edge, kept within its bay. */
function tornOutline(ink: Ink, bay: Bay, plan: FlawPlan, half: number): readonly Flat[] {
  const middle = (bay.left + bay.right) / 2 + plan.x;
  return Array.from({ length: 28 }, (_, i) => {
    const turn = (i / 28) * 2 * Math.PI;
    const reach = ink.between(0.82, 1.08);
    // Nearer to a rectangle than an ellipse is: batts are cut straight and torn at the corners.
    const square = (part: number) => Math.sign(part) * Math.abs(part) ** 0.55;
    const x = middle + (plan.width / 2) * reach * square(Math.cos(turn));
    const y = plan.y + (plan.height / 2) * reach * square(Math.sin(turn));
    return [
      Math.min(bay.right - 0.002, Math.max(bay.left + 0.002, x)),
      Math.min(half - 0.002, Math.max(-half + 0.002, y)),
    ] as const;
  });
}

interface DrawnFlaw {
  readonly plan: FlawPlan;
  readonly outline: readonly Flat[];
}

function drawServices(ink: Ink, plan: CavitiesPlan, half: number): void {
  const bays = baysOf(plan);
  for (const { bay, x } of plan.pipes ?? [])
    drawPipe(ink, ((bays[bay]?.left ?? 0) + (bays[bay]?.right ?? 0)) / 2 + x, half);
  for (const { bay, y } of plan.boxes ?? []) drawBox(ink, bays[bay]?.left ?? 0, y, half);
}

/** A tape measure across a bay, a line each centimetre. */
function drawTape(ink: Ink, { left, right }: Bay, y: number): void {
  const h = 0.024;
  const z = 0.02;
  ink.face(
    [
      [left - 0.02, y, z],
      [right + 0.05, y, z],
      [right + 0.05, y + h, z],
      [left - 0.02, y + h, z],
    ],
    '#e6c81e',
  );
  for (let cm = 0; left + cm / 100 < right + 0.04; cm++) {
    const x = left + cm / 100;
    const long = cm % 10 === 0 ? 1 : cm % 5 === 0 ? 0.7 : 0.42;
    const line = pathOf([ink.at([x, y + h, z]), ink.at([x, y + h - h * long, z])], false);
    ink.add(`<path d="${line}" stroke="#1b1b1b" stroke-width="${cm % 10 === 0 ? 2.4 : 1.2}"/>`);
    if (cm % 10 !== 0 || cm === 0) continue;
    const [tx, ty] = ink.at([x + 0.003, y + 0.004, z]);
    const size = (ink.camera.focalPx * 0.011).toFixed(1);
    ink.add(
      `<text x="${tx.toFixed(1)}" y="${ty.toFixed(1)}" font-size="${size}" fill="#1b1b1b">${cm}</text>`,
    );
  }
}

export function drawCavities(ink: Ink, plan: CavitiesPlan): PhotoTruth {
  const half = plan.heightM / 2;
  const bays = baysOf(plan);
  const { widthPx, heightPx } = ink.camera;
  drawBehind(ink, bays, half, plan.depthM);
  const drawn = plan.flaws.map((flaw): DrawnFlaw => {
    const bay = bays[flaw.bay];
    if (bay === undefined) throw new Error(`There is no bay ${flaw.bay}.`);
    return { plan: flaw, outline: tornOutline(ink, bay, flaw, half) };
  });
  bays.forEach((bay, i) => {
    const here = drawn.filter((flaw) => flaw.plan.bay === i);
    drawFill(ink, {
      bay,
      half,
      depthM: plan.depthM,
      colours: BATTS[plan.batt],
      z: FACE_M,
      voids: here.filter((flaw) => flaw.plan.what === 'void').map(({ outline }) => outline),
      pressed: here
        .filter((flaw) => flaw.plan.what === 'compressed')
        .map(({ outline, plan: flaw }) => ({
          outline,
          middle: [(bay.left + bay.right) / 2 + flaw.x, flaw.y],
          shade: 0.2,
        })),
      id: `bay${i}`,
    });
  });
  drawFrame(ink, bays, half);
  drawServices(ink, plan, half);
  const tapeBay = plan.tape === undefined ? undefined : bays[plan.tape.bay];
  if (plan.tape !== undefined && tapeBay !== undefined) drawTape(ink, tapeBay, plan.tape.y);
  return {
    kind: 'cavities',
    widthPx,
    heightPx,
    cavitiesPx: bays.map(({ left, right }) => [
      ink.at([left, -half, 0]),
      ink.at([right, -half, 0]),
      ink.at([right, half, 0]),
      ink.at([left, half, 0]),
    ]),
    cavityAreaM2: bays.reduce((sum, { left, right }) => sum + (right - left) * plan.heightM, 0),
    flaws: drawn.map(({ plan: { what }, outline }): Flaw => ({
      what,
      outlinePx: outline.map(([x, y]) => ink.at([x, y, FACE_M])),
      areaM2: areaOf(outline),
    })),
  };
}
