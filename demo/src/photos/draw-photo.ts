import { createHash } from 'node:crypto';
import { randomLcg } from 'd3-random';
import sharp from 'sharp';
import type { Camera } from '@calvet/core/drawing/camera';
import { drawCavities, type CavitiesPlan } from './cavities';
import { openInk, type Ink } from '@calvet/core/drawing/ink';
import {
  drawFan,
  drawPenetration,
  drawSeam,
  drawSill,
  type FanPlan,
  type PenetrationPlan,
  type SeamPlan,
  type SillPlan,
} from './joints';
import type { PhotoTruth } from './truth';

export type ScenePlan = CavitiesPlan | SillPlan | SeamPlan | PenetrationPlan | FanPlan;

/** A made-up photo: what stands before the camera, where the camera is, and how dark it is. */
export interface PhotoPlan {
  readonly scene: ScenePlan;
  readonly seed: number;
  /** Metres between camera and wall. */
  readonly distanceM: number;
  readonly yaw?: number;
  readonly pitch?: number;
  /** How much of the light there is but the torch's, 0…1. */
  readonly daylight: number;
  readonly isUpright?: boolean;
}

export interface DrawnPhoto {
  readonly jpeg: Buffer;
  readonly sha256: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly truth: PhotoTruth;
}

const LONG_PX = 1440;
const SHORT_PX = 1080;

function cameraOf({ distanceM, yaw = 0, pitch = 0, isUpright = false }: PhotoPlan): Camera {
  const [widthPx, heightPx] = isUpright ? [SHORT_PX, LONG_PX] : [LONG_PX, SHORT_PX];
  // It looks at the middle of the wall from wherever it is turned.
  const from = [-distanceM * Math.tan(yaw), -distanceM * Math.tan(pitch), distanceM] as const;
  return { from, yaw, pitch, focalPx: LONG_PX * 0.86, widthPx, heightPx };
}

function drawScene(ink: Ink, scene: ScenePlan): PhotoTruth {
  switch (scene.kind) {
    case 'cavities':
      return drawCavities(ink, scene);
    case 'sill':
      return drawSill(ink, scene);
    case 'seam':
      return drawSeam(ink, scene);
    case 'penetration':
      return drawPenetration(ink, scene);
    case 'fan':
      return drawFan(ink);
  }
}

/** The light of a torch, brightest a little off the middle, and the words that say what the picture is. */
function lightAndLabel({ between, camera: { widthPx, heightPx } }: Ink, daylight: number): string {
  const [cx, cy] = [between(0.44, 0.56), between(0.42, 0.54)];
  const dark = (1 - daylight).toFixed(2);
  return (
    `<radialGradient id="torch" cx="${cx.toFixed(3)}" cy="${cy.toFixed(3)}" r="0.62">` +
    '<stop offset="0" stop-color="#fff3d0" stop-opacity="0.16"/>' +
    '<stop offset="0.35" stop-color="#0a0d14" stop-opacity="0.04"/>' +
    `<stop offset="1" stop-color="#05070c" stop-opacity="${dark}"/></radialGradient>` +
    `<rect width="${widthPx}" height="${heightPx}" fill="url(#torch)"/>` +
    `<rect x="0" y="${heightPx - 44}" width="232" height="44" fill="#05070c" fill-opacity="0.6"/>` +
    `<text x="18" y="${heightPx - 14}" font-size="24" fill="#f4f1ea" letter-spacing="2">drawn sample</text>`
  );
}

/** The picture and its truth, without pixels. */
export function photoDrawing(plan: PhotoPlan): { readonly svg: string; readonly truth: PhotoTruth } {
  const ink = openInk(cameraOf(plan), randomLcg(plan.seed));
  const { widthPx, heightPx } = ink.camera;
  const truth = drawScene(ink, plan.scene);
  const { defs, body } = ink.drawn();
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" font-family="sans-serif">` +
    `<defs>${defs}</defs><rect width="${widthPx}" height="${heightPx}" fill="#1a1712"/>${body}` +
    `${lightAndLabel(ink, plan.daylight)}</svg>`;
  return { svg, truth };
}

/** A made-up photo as a camera would have left it, with what it shows in truth. The same plan gives the same bytes. */
export async function drawPhoto(plan: PhotoPlan): Promise<DrawnPhoto> {
  const { svg, truth } = photoDrawing(plan);
  const jpeg = await sharp(Buffer.from(svg)).jpeg({ quality: 84 }).toBuffer();
  const { widthPx, heightPx } = truth;
  return { jpeg, sha256: createHash('sha256').update(jpeg).digest('hex'), widthPx, heightPx, truth };
}
