import type { Pixel } from './camera';
import { pathOf, type Ink } from './ink';

/** A place on the face of a wall, in metres: to the right, and up. */
export type Flat = readonly [x: number, y: number];

/** What lies between two studs. */
export interface Bay {
  readonly left: number;
  readonly right: number;
}

/** Colours of what fills a cavity. */
export interface FillColours {
  readonly fill: string;
  readonly dark: string;
  readonly fibre: string;
}

/** Width of a stud. */
export const STUD_M = 0.045;
/** Size of a socket's box. */
export const BOX_M = { width: 0.075, height: 0.1 } as const;

/** Studs on the left of each bay and beyond the last, and plates above and below. */
export function drawFrame(ink: Ink, bays: readonly Bay[], half: number): void {
  const last = bays.at(-1)?.right ?? 0;
  [...bays.map(({ left }) => left), last + STUD_M].forEach((right, i) => {
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
  const wide = last + STUD_M / 2 + 0.5;
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

/** The sheathing behind, and the sides of the studs towards it. */
export function drawBehind(ink: Ink, bays: readonly Bay[], half: number, depthM: number): void {
  const z = -depthM;
  const wide = (bays.at(-1)?.right ?? 0) + STUD_M / 2 + 1;
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
  for (const { left, right } of bays) {
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

/** A pressed place, and how dark each of its rings is, 0…1. */
export interface PressedPlace {
  readonly outline: readonly Flat[];
  readonly middle: Flat;
  readonly shade: number;
}

/** What fills a cavity, and what is wrong with it, on its face. */
export interface DrawnFill {
  readonly bay: Bay;
  /** Half of its height, which lies evenly about the middle. */
  readonly half: number;
  readonly depthM: number;
  readonly colours: FillColours;
  /** Where its face lies, towards who looks. */
  readonly z: number;
  readonly voids: readonly (readonly Flat[])[];
  /** Pressed places, each darkening towards a place within. */
  readonly pressed: readonly PressedPlace[];
  /** Names it within the picture. */
  readonly id: string;
}

/** A filled cavity: through its voids one sees the dark behind. */
export function drawFill(ink: Ink, drawn: DrawnFill): void {
  const { bay, half, depthM, colours, z, voids, pressed, id } = drawn;
  const on = (outline: readonly Flat[], depth: number): readonly Pixel[] =>
    outline.map(([x, y]) => ink.at([x, y, depth]));
  const whole: readonly Flat[] = [
    [bay.left, -half],
    [bay.right, -half],
    [bay.right, half],
    [bay.left, half],
  ];
  const cut = [whole, ...voids].map((outline) => pathOf(on(outline, z))).join('');
  // The torn edge of the batt, and through it the sheathing behind.
  voids.forEach((outline, i) => {
    const clip = `${id}v${i}`;
    ink.define(`<clipPath id="${clip}"><path d="${pathOf(on(outline, z))}"/></clipPath>`);
    ink.add(
      `<g clip-path="url(#${clip})"><path d="${pathOf(on(outline, z))}" fill="${colours.dark}" fill-opacity="0.9"/>` +
        `<path d="${pathOf(on(outline, -depthM))}" fill="#2c2117"/></g>`,
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
  for (const { outline, middle, shade } of pressed) {
    for (const part of [1, 0.8, 0.6, 0.4]) {
      const ring = outline.map(([x, y]): Flat => [
        middle[0] + (x - middle[0]) * part,
        middle[1] + (y - middle[1]) * part,
      ]);
      ink.add(`<path d="${pathOf(on(ring, z))}" fill="#2a1f0c" fill-opacity="${shade}"/>`);
    }
  }
  ink.add('</g>');
}

/** A pipe that runs up a cavity. */
export function drawPipe(ink: Ink, middle: number, half: number): void {
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

/** A box for a socket beside a stud, and the cable that comes down to it. */
export function drawBox(ink: Ink, left: number, y: number, half: number): void {
  const { width: w, height: h } = BOX_M;
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
