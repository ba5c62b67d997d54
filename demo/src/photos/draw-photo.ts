import { createHash } from 'node:crypto';
import { randomLcg } from 'd3-random';
import sharp from 'sharp';
import type { Camera } from '@calvet/core/drawing/camera';
import { drawCavities, type CavitiesPlan } from './cavities';
import { finishedPicture, torchLight } from '@calvet/core/drawing/finished-picture';
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

/** The picture and its truth, without pixels. */
export function photoDrawing(plan: PhotoPlan): { readonly svg: string; readonly truth: PhotoTruth } {
  const ink = openInk(cameraOf(plan), randomLcg(plan.seed));
  const truth = drawScene(ink, plan.scene);
  return { svg: finishedPicture(ink, torchLight(ink, plan.daylight)), truth };
}

/** A made-up photo as a camera would have left it, with what it shows in truth. The same plan gives the same bytes. */
export async function drawPhoto(plan: PhotoPlan): Promise<DrawnPhoto> {
  const { svg, truth } = photoDrawing(plan);
  const jpeg = await sharp(Buffer.from(svg)).jpeg({ quality: 84 }).toBuffer();
  const { widthPx, heightPx } = truth;
  return { jpeg, sha256: createHash('sha256').update(jpeg).digest('hex'), widthPx, heightPx, truth };
}
