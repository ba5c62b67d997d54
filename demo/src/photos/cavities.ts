import { areaOf, type Pixel } from './camera';
import { pathOf, type Ink } from './ink';
import type { Flaw, PhotoTruth } from './truth';

type Flat = readonly [x: number, y: number];

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

const STUD_M = 0.045;
const BATTS = {
  stone: { fill: '#a89a74', dark: '#6b6147', fibre: '#c6ba95' },
  glass: { fill: '#d8bd62', dark: '#8a7433', fibre: '#eedb97' },
  wood: { fill: '#a47f56', dark: '#65492c', fibre: '#c4a37a' },
} as const;

interface Bay {
  readonly left: number;
  readonly right: number;
}

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

function drawFrame(ink: Ink, plan: CavitiesPlan, half: number): void {
  const edges = [...baysOf(plan), { left: (plan.bays * plan.spacingM) / 2 + STUD_M / 2, right: 9 }];
  edges.forEach((bay, i) => {
    const right = bay.left;
    const box = { left: right - STUD_M, right, bottom: -half, top: half, z: 0 };
    const shade = i % 2 === 0 ? '#b98f5c' : '#c29a66';
    ink.face(
      [
        [box.left, -half, 0],
        [right, -half, 0],
        [right, half, 0],
        [box.left, half, 0],
      ],
      shade,
    );
    ink.grain(box, 'y', 40, 'rgba(90,60,28,0.35)', 1.1);
  });
  const wide = (plan.bays * plan.spacingM) / 2 + 0.5;
  for (const [bottom, top] of [
    [half, half + STUD_M],
    [-half - STUD_M, -half],
  ] as const) {
    ink.face(
      [
        [-wide, bottom, 0],
        [wide, bottom, 0],
        [wide, top, 0],
        [-wide, top, 0],
      ],
      '#ad8452',
    );
    ink.grain({ left: -wide, right: wide, bottom, top, z: 0 }, 'x', 60, 'rgba(80,52,22,0.4)', 1.1);
  }
}

function drawBehind(ink: Ink, plan: CavitiesPlan, half: number): void {
  const z = -plan.depthM;
  const wide = (plan.bays * plan.spacingM) / 2 + 1;
  ink.face(
    [
      [-wide, -half - 0.6, z],
      [wide, -half - 0.6, z],
      [wide, half + 0.6, z],
      [-wide, half + 0.6, z],
    ],
    '#57442f',
  );
  ink.grain({ left: -wide, right: wide, bottom: -half, top: half, z }, 'x', 260, 'rgba(150,118,78,0.35)', 3);
  for (const { left, right } of baysOf(plan)) {
    for (const x of [left, right]) {
      ink.face(
        [
          [x, -half, 0],
          [x, -half, z],
          [x, half, z],
          [x, half, 0],
        ],
        '#7d5f3a',
      );
    }
  }
}

interface DrawnFlaw {
  readonly plan: FlawPlan;
  readonly outline: readonly Flat[];
}

function drawBatt(
  ink: Ink,
  plan: CavitiesPlan,
  bay: Bay,
  half: number,
  flaws: readonly DrawnFlaw[],
  id: string,
): void {
  const colours = BATTS[plan.batt];
  const z = -0.006;
  const on = (outline: readonly Flat[], depth: number): readonly Pixel[] =>
    outline.map(([x, y]) => ink.at([x, y, depth]));
  const whole: readonly Flat[] = [
    [bay.left, -half],
    [bay.right, -half],
    [bay.right, half],
    [bay.left, half],
  ];
  const voids = flaws.filter((flaw) => flaw.plan.what === 'void');
  const cut = [whole, ...voids.map(({ outline }) => outline)]
    .map((outline) => pathOf(on(outline, z)))
    .join('');
  // The torn edge of the batt, and through it the sheathing behind.
  voids.forEach(({ outline }, i) => {
    const clip = `${id}v${i}`;
    ink.define(`<clipPath id="${clip}"><path d="${pathOf(on(outline, z))}"/></clipPath>`);
    ink.add(
      `<g clip-path="url(#${clip})"><path d="${pathOf(on(outline, z))}" fill="${colours.dark}" fill-opacity="0.9"/>` +
        `<path d="${pathOf(on(outline, -plan.depthM))}" fill="#2c2117"/></g>`,
    );
  });
  ink.define(`<clipPath id="${id}"><path d="${cut}" clip-rule="evenodd"/></clipPath>`);
  ink.add(`<path d="${cut}" fill-rule="evenodd" fill="${colours.fill}"/><g clip-path="url(#${id})">`);
  const box = { left: bay.left, right: bay.right, bottom: -half, top: half, z };
  ink.grain(box, 'x', 420, colours.dark, 1.2);
  ink.grain(box, 'x', 520, colours.fibre, 1.3);
  // A batt bulges: its edges lie in the shade.
  for (const [edge, towards] of [
    [bay.left, 0.03],
    [bay.right, -0.03],
  ] as const) {
    ink.face(
      [
        [edge, -half, z],
        [edge + towards, -half, z],
        [edge + towards, half, z],
        [edge, half, z],
      ],
      'rgba(40,28,10,0.28)',
    );
  }
  flaws
    .filter((flaw) => flaw.plan.what === 'compressed')
    .forEach(({ outline, plan: flaw }) => {
      const middle = (bay.left + bay.right) / 2 + flaw.x;
      for (const part of [1, 0.8, 0.6, 0.4]) {
        const ring = outline.map(([x, y]): Flat => [
          middle + (x - middle) * part,
          flaw.y + (y - flaw.y) * part,
        ]);
        ink.add(`<path d="${pathOf(on(ring, z))}" fill="#2a1f0c" fill-opacity="0.2"/>`);
      }
    });
  ink.add('</g>');
}

function drawServices(ink: Ink, plan: CavitiesPlan, half: number): void {
  const bays = baysOf(plan);
  for (const { bay, x } of plan.pipes ?? []) {
    const middle = ((bays[bay]?.left ?? 0) + (bays[bay]?.right ?? 0)) / 2 + x;
    const [a, b] = [ink.at([middle, -half, 0.01]), ink.at([middle, half, 0.01])];
    const width = ink.camera.focalPx * 0.022;
    for (const [stroke, share, shift] of [
      ['#5d6a70', 1, 0],
      ['#8d9ca3', 0.62, -0.12],
      ['#cfd9dd', 0.16, -0.22],
    ] as const) {
      const off = shift * width;
      ink.add(
        `<path d="${pathOf(
          [
            [a[0] + off, a[1]],
            [b[0] + off, b[1]],
          ],
          false,
        )}" stroke="${stroke}" stroke-width="${(width * share).toFixed(1)}"/>`,
      );
    }
  }
  for (const { bay, y } of plan.boxes ?? []) {
    const left = bays[bay]?.left ?? 0;
    const [w, h] = [0.075, 0.1];
    const corners = (z: number) =>
      [
        [left, y, z],
        [left + w, y, z],
        [left + w, y + h, z],
        [left, y + h, z],
      ] as const;
    ink.face(corners(0.012), '#33475c');
    const inner = corners(0.012).map(
      ([cx, cy, z]) =>
        [left + w / 2 + (cx - left - w / 2) * 0.82, y + h / 2 + (cy - y - h / 2) * 0.86, z] as const,
    );
    ink.face(inner, '#121a22');
    const cable = [0, 0.25, 0.5, 0.75, 1].map((t) =>
      ink.at([left + w / 2 + 0.03 * Math.sin(t * 5), y + h + t * (half - y - h), 0.01]),
    );
    ink.add(
      `<path d="${pathOf(cable, false)}" fill="none" stroke="#e4e2da" stroke-width="${(ink.camera.focalPx * 0.009).toFixed(1)}"/>`,
    );
  }
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
  drawBehind(ink, plan, half);
  const drawn = plan.flaws.map((flaw): DrawnFlaw => {
    const bay = bays[flaw.bay];
    if (bay === undefined) throw new Error(`There is no bay ${flaw.bay}.`);
    return { plan: flaw, outline: tornOutline(ink, bay, flaw, half) };
  });
  bays.forEach((bay, i) => {
    drawBatt(
      ink,
      plan,
      bay,
      half,
      drawn.filter((flaw) => flaw.plan.bay === i),
      `bay${i}`,
    );
  });
  drawFrame(ink, plan, half);
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
      outlinePx: outline.map(([x, y]) => ink.at([x, y, -0.006])),
      areaM2: areaOf(outline),
    })),
  };
}
