import type { CavitiesPlan, FlawPlan } from './cavities';
import type { PhotoPlan } from './draw-photo';

/** A photo of the scenario: of what, and what was written to it. */
export interface DemoPhoto {
  readonly plan: PhotoPlan;
  /** What it belongs to: an area by its name, a door test by its place in the list; the house itself where left out. */
  readonly of?:
    | { readonly kind: 'area'; readonly name: string }
    | { readonly kind: 'airtightnessTest'; readonly index: number };
  readonly day: string;
  readonly caption: string;
  /** What is written at the first flaw; it is ringed in any case. */
  readonly words?: string;
  /** Place in this list of the photo that shows the same before. */
  readonly before?: number;
}

const wall = (
  batt: CavitiesPlan['batt'],
  flaws: readonly FlawPlan[],
  more: Partial<CavitiesPlan> = {},
): CavitiesPlan => ({
  kind: 'cavities',
  spacingM: 0.6,
  bays: 2,
  depthM: 0.14,
  heightM: 1.1,
  batt,
  flaws,
  ...more,
});

const cornerVoid: FlawPlan = { what: 'void', bay: 0, x: -0.16, y: 0.32, width: 0.2, height: 0.3 };
const cableVoid: FlawPlan = { what: 'void', bay: 1, x: -0.1, y: 0.12, width: 0.22, height: 0.42 };
const pushedIn: FlawPlan = { what: 'compressed', bay: 1, x: 0.05, y: -0.22, width: 0.34, height: 0.3 };

/** Photos of the scenario's houses, by the key of the house. */
export const photoPlans: Readonly<Record<string, readonly DemoPhoto[]>> = {
  wrenfold: [
    {
      plan: { scene: wall('wood', []), seed: 0.111, distanceM: 1.25, yaw: 0.16, daylight: 0.15 },
      of: { kind: 'area', name: 'Ground floor, north wall' },
      day: '2026-08-05',
      caption: 'Living room, north wall: full and even',
    },
    {
      plan: {
        scene: wall('wood', [cornerVoid], { tape: { bay: 0, y: 0.1 } }),
        seed: 0.112,
        distanceM: 1.2,
        yaw: -0.2,
        pitch: 0.06,
        daylight: 0.08,
      },
      of: { kind: 'area', name: 'Upper floor, west wall' },
      day: '2026-08-06',
      caption: 'Bedroom 2, west wall, behind the door',
      words: 'empty',
    },
    {
      plan: { scene: wall('wood', []), seed: 0.113, distanceM: 1.2, yaw: -0.2, pitch: 0.06, daylight: 0.25 },
      of: { kind: 'area', name: 'Upper floor, west wall' },
      day: '2026-08-07',
      caption: 'Bedroom 2, west wall, filled again',
      before: 1,
    },
    {
      plan: {
        scene: { kind: 'sill', gaps: [[-0.14, 0.12]] },
        seed: 0.114,
        distanceM: 0.8,
        yaw: -0.22,
        pitch: -0.16,
        daylight: 0.4,
      },
      of: { kind: 'area', name: 'Upper floor, rim under north wall' },
      day: '2026-07-14',
      caption: 'Sill, north-east corner, from inside',
      words: 'no seal',
    },
    {
      plan: {
        scene: { kind: 'sill', gaps: [] },
        seed: 0.115,
        distanceM: 0.8,
        yaw: -0.22,
        pitch: -0.16,
        daylight: 0.5,
      },
      of: { kind: 'area', name: 'Upper floor, rim under north wall' },
      day: '2026-07-15',
      caption: 'Sill, north-east corner, sealed',
      before: 3,
    },
    {
      plan: {
        scene: { kind: 'seam', gaps: [[0.06, 0.24]] },
        seed: 0.116,
        distanceM: 0.85,
        yaw: 0.18,
        daylight: 0.35,
      },
      of: { kind: 'area', name: 'Main roof, slopes' },
      day: '2026-07-13',
      caption: 'Membrane seam under the ridge',
      words: 'tape ends',
    },
    {
      plan: { scene: { kind: 'fan' }, seed: 0.117, distanceM: 3, yaw: 0.12, daylight: 0.8, isUpright: true },
      of: { kind: 'airtightnessTest', index: 1 },
      day: '2026-09-22',
      caption: 'Fan in the back door',
    },
  ],
  tamsel: [
    {
      plan: {
        scene: wall('glass', [cableVoid, pushedIn], { boxes: [{ bay: 1, y: -0.16 }] }),
        seed: 0.221,
        distanceM: 1.2,
        yaw: 0.17,
        pitch: 0.04,
        daylight: 0.07,
      },
      of: { kind: 'area', name: 'Ground floor, street wall' },
      day: '2026-10-01',
      caption: 'Hall, street wall: torn around the cable, pushed in below it',
      words: 'no filling',
    },
    {
      plan: {
        scene: wall('glass', [{ ...pushedIn, bay: 0 }], { pipes: [{ bay: 0, x: 0.12 }] }),
        seed: 0.222,
        distanceM: 1.25,
        yaw: -0.12,
        daylight: 0.1,
      },
      of: { kind: 'area', name: 'Ground floor, garden wall' },
      day: '2026-10-01',
      caption: 'Kitchen, garden wall: batt pressed in behind the pipe',
    },
    {
      plan: {
        scene: { kind: 'penetration', isSealed: false },
        seed: 0.223,
        distanceM: 0.6,
        yaw: 0.1,
        pitch: 0.18,
        daylight: 0.12,
      },
      of: { kind: 'area', name: 'Attic, ceiling' },
      day: '2026-10-02',
      caption: 'Vent pipe through the top plate, seen from the attic',
      words: 'open all round',
    },
  ],
  nettle: [
    {
      plan: { scene: wall('stone', []), seed: 0.331, distanceM: 1.3, yaw: -0.14, daylight: 0.3 },
      of: { kind: 'area', name: 'Cabin, south wall' },
      day: '2026-08-20',
      caption: 'Inner frame, south wall',
    },
    {
      plan: {
        scene: { kind: 'penetration', isSealed: true },
        seed: 0.332,
        distanceM: 0.6,
        yaw: -0.08,
        pitch: 0.16,
        daylight: 0.3,
      },
      day: '2026-09-02',
      caption: 'Supply pipe, sealed on both sides of the barrier',
    },
  ],
};
