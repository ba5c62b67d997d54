import type { Pixel, Place } from '@calvet/core/drawing/camera';
import { pathOf, type Ink } from '@calvet/core/drawing/ink';
import type { Flaw, PhotoTruth } from './truth';

/** A stretch along a joint, in metres from the middle of the picture. */
export type Stretch = readonly [from: number, to: number];

/** The sill on its foundation, with a seal between, or without one over some stretches. */
export interface SillPlan {
  readonly kind: 'sill';
  readonly gaps: readonly Stretch[];
}

/** A seam of the air barrier under its tape, or without tape over some stretches. */
export interface SeamPlan {
  readonly kind: 'seam';
  readonly gaps: readonly Stretch[];
}

/** A pipe through a top plate, sealed around or not. */
export interface PenetrationPlan {
  readonly kind: 'penetration';
  readonly isSealed: boolean;
}

/** The fan in a door, before a test. */
export interface FanPlan {
  readonly kind: 'fan';
}

const flat = (left: number, right: number, bottom: number, top: number, z: number): readonly Place[] => [
  [left, bottom, z],
  [right, bottom, z],
  [right, top, z],
  [left, top, z],
];

function truthOf(ink: Ink, kind: PhotoTruth['kind'], flaws: readonly Flaw[]): PhotoTruth {
  const { widthPx, heightPx } = ink.camera;
  return { kind, widthPx, heightPx, cavitiesPx: [], cavityAreaM2: 0, flaws };
}

const WIDE = 1.6;

export function drawSill(ink: Ink, { gaps }: SillPlan): PhotoTruth {
  const joint = 0.012;
  ink.face(flat(-WIDE, WIDE, -1.5, 0, 0.02), '#8c8d88');
  ink.grain({ left: -WIDE, right: WIDE, bottom: -1, top: 0, z: 0.02 }, 'x', 500, 'rgba(60,60,56,0.25)', 2);
  ink.face(flat(-WIDE, WIDE, 0, joint, -0.02), '#0b0c0d');
  const seal: number[] = [-WIDE, ...gaps.flat(), WIDE];
  for (let i = 0; i < seal.length; i += 2) {
    const [from = 0, to = 0] = [seal[i], seal[i + 1]];
    ink.face(flat(from, to, 0.001, joint, 0), '#3f6f8f');
  }
  ink.face(flat(-WIDE, WIDE, joint, joint + 0.12, 0), '#b78d5a');
  ink.grain(
    { left: -WIDE, right: WIDE, bottom: joint, top: joint + 0.12, z: 0 },
    'x',
    160,
    'rgba(80,52,22,0.4)',
    1.4,
  );
  ink.face(flat(-WIDE, WIDE, joint + 0.12, 1.5, -0.01), '#c9b48c');
  ink.grain(
    { left: -WIDE, right: WIDE, bottom: joint + 0.12, top: 1, z: -0.01 },
    'x',
    700,
    'rgba(120,92,52,0.4)',
    3,
  );
  for (const x of [-0.62, 0, 0.62]) {
    ink.face(flat(x - 0.0225, x + 0.0225, joint + 0.12, 1.5, 0.001), '#a9804e');
    ink.grain(
      { left: x - 0.0225, right: x + 0.0225, bottom: joint + 0.12, top: 1, z: 0.002 },
      'y',
      30,
      'rgba(80,52,22,0.4)',
      1.2,
    );
  }
  return truthOf(
    ink,
    'sill',
    gaps.map(([from, to]): Flaw => ({
      what: 'gap',
      lengthM: to - from,
      outlinePx: flat(from, to, -0.004, joint + 0.004, 0).map(ink.at),
    })),
  );
}

export function drawSeam(ink: Ink, { gaps }: SeamPlan): PhotoTruth {
  ink.face(flat(-WIDE, WIDE, -1.5, 0.015, 0), '#c7cdd1');
  ink.face(flat(-WIDE, WIDE, -0.03, 1.5, 0.002), '#d3d9dc');
  ink.grain({ left: -WIDE, right: WIDE, bottom: -1, top: 1, z: 0.003 }, 'y', 260, 'rgba(90,104,112,0.18)', 2);
  ink.add(
    `<path d="${pathOf([ink.at([-WIDE, -0.03, 0.002]), ink.at([WIDE, -0.03, 0.002])], false)}" stroke="#6c767c" stroke-width="3"/>`,
  );
  const taped: number[] = [-WIDE, ...gaps.flat(), WIDE];
  for (let i = 0; i < taped.length; i += 2) {
    const [from = 0, to = 0] = [taped[i], taped[i + 1]];
    ink.face(flat(from, to, -0.065, 0.005, 0.004), '#41566b');
    ink.grain(
      { left: from, right: to, bottom: -0.065, top: 0.005, z: 0.005 },
      'x',
      40,
      'rgba(160,182,200,0.35)',
      1.4,
    );
  }
  for (const [from, to] of gaps) {
    const sag = [0, 0.25, 0.5, 0.75, 1].map((t): Place => [
      from + t * (to - from),
      -0.03 + 0.014 * Math.sin(Math.PI * t),
      0.004,
    ]);
    const back = [...sag].reverse().map(([x]): Place => [x, -0.032, 0.004]);
    ink.face([...sag, ...back], '#15191c');
  }
  return truthOf(
    ink,
    'seam',
    gaps.map(([from, to]): Flaw => ({
      what: 'gap',
      lengthM: to - from,
      outlinePx: flat(from, to, -0.045, -0.005, 0.004).map(ink.at),
    })),
  );
}

function round(ink: Ink, middle: Place, radius: number, wobble: number): readonly Pixel[] {
  return Array.from({ length: 36 }, (_, i) => {
    const turn = (i / 36) * 2 * Math.PI;
    const reach = radius * (1 + ink.between(-wobble, wobble));
    return ink.at([middle[0] + reach * Math.cos(turn), middle[1] + reach * Math.sin(turn), middle[2]]);
  });
}

export function drawPenetration(ink: Ink, { isSealed }: PenetrationPlan): PhotoTruth {
  ink.face(flat(-WIDE, WIDE, -1.5, 1.5, 0), '#b18857');
  ink.grain({ left: -0.9, right: 0.9, bottom: -0.7, top: 0.7, z: 0 }, 'x', 520, 'rgba(78,50,20,0.4)', 1.6);
  const [hole, pipe] = [0.068, 0.05];
  const ring = round(ink, [0, 0, 0], hole, 0.03);
  ink.add(`<path d="${pathOf(ring)}" fill="#090a0b"/>`);
  if (isSealed) {
    ink.add(`<path d="${pathOf(round(ink, [0, 0, 0.004], hole * 1.22, 0.09))}" fill="#d9c48f"/>`);
    for (let i = 0; i < 60; i++) {
      const turn = ink.between(0, 2 * Math.PI);
      const reach = ink.between(pipe, hole * 1.2);
      const blob = round(
        ink,
        [reach * Math.cos(turn), reach * Math.sin(turn), 0.006],
        ink.between(0.004, 0.012),
        0.2,
      );
      ink.add(`<path d="${pathOf(blob)}" fill="${i % 2 === 0 ? '#e6d6a8' : '#c6ae74'}" fill-opacity="0.7"/>`);
    }
  }
  for (let step = 0; step <= 30; step++) {
    const shade = Math.round(120 + 90 * Math.sin((step / 30) * Math.PI));
    const outline = round(ink, [0.002 * step, 0.0035 * step, 0.008 * step], pipe, 0);
    ink.add(`<path d="${pathOf(outline)}" fill="rgb(${shade},${shade + 6},${shade + 10})"/>`);
  }
  ink.add(`<path d="${pathOf(round(ink, [0.06, 0.105, 0.241], pipe * 0.88, 0))}" fill="#20262a"/>`);
  return truthOf(
    ink,
    'penetration',
    isSealed ? [] : [{ what: 'gap', lengthM: 2 * Math.PI * hole, outlinePx: ring }],
  );
}

export function drawFan(ink: Ink): PhotoTruth {
  ink.face(flat(-3, 3, -2, 3, -0.1), '#cfc8ba');
  ink.face(flat(-0.56, 0.56, -1.3, 1.2, 0), '#8f6d45');
  ink.face(flat(-0.5, 0.5, -1.3, 1.12, 0.01), '#35424c');
  ink.grain(
    { left: -0.5, right: 0.5, bottom: -1.3, top: 1.12, z: 0.011 },
    'y',
    140,
    'rgba(140,160,174,0.16)',
    3,
  );
  for (const y of [-0.35, 0.62]) ink.face(flat(-0.5, 0.5, y, y + 0.035, 0.02), '#9aa5ab');
  const middle: Place = [0, -0.82, 0.03];
  for (const [radius, fill] of [
    [0.3, '#1a2127'],
    [0.27, '#d9dedf'],
    [0.235, '#10161b'],
  ] as const) {
    ink.add(`<path d="${pathOf(round(ink, middle, radius, 0))}" fill="${fill}"/>`);
  }
  for (let blade = 0; blade < 5; blade++) {
    const turn = (blade / 5) * 2 * Math.PI + 0.3;
    const tip = (wide: number): Place => [
      0.22 * Math.cos(turn + wide),
      -0.82 + 0.22 * Math.sin(turn + wide),
      0.032,
    ];
    ink.face([[0, -0.82, 0.032], tip(-0.25), tip(0.25)], '#5b676f');
  }
  ink.add(`<path d="${pathOf(round(ink, [0, -0.82, 0.034], 0.06, 0))}" fill="#aeb8bd"/>`);
  ink.face(flat(-3, 3, -2, -1.3, 0.02), '#6f675b');
  return truthOf(ink, 'fan', []);
}
