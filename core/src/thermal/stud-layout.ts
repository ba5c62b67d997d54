import { OPENINGS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  number,
  option,
  optional,
  outcome,
  part,
  positive,
  share,
} from '../schema';

/** A window or door in a framed wall. */
export interface FramedOpening {
  readonly widthM: number;
  readonly heightM: number;
  /** Depth of the header above it; 0 where none is needed. */
  readonly headerDepthM: number;
  /** Share of the header's face that is timber right through: 1 solid, less in a box or layered header with insulation. */
  readonly headerTimberShare?: number;
  /** True for a window, which has a sill plate. */
  readonly hasSill?: boolean;
}

/** `solid`: studs side by side with no insulation behind; `open`: fill reaches in. */
export type JointKind = 'solid' | 'open';

export interface StudLayoutInput {
  readonly lengthM: number;
  readonly heightM: number;
  readonly spacingM: number;
  readonly studWidthM: number;
  readonly bottomPlates?: number;
  readonly topPlates?: number;
  readonly corners?: number;
  readonly cornerKind?: JointKind;
  /** Partitions that run into the wall. */
  readonly intersections?: number;
  readonly intersectionKind?: JointKind;
  readonly openings?: readonly FramedOpening[];
  /** Cavity and frame of the layer, and all else of the build-up, to see what the layout is worth. */
  readonly cavityRsi?: number;
  readonly frameRsi?: number;
  readonly restRsi?: number;
}

/** Timber on the face of the wall, m². */
export interface MemberAreas {
  readonly platesM2: number;
  readonly studsM2: number;
  readonly openingsM2: number;
  readonly headersM2: number;
  readonly cornersM2: number;
  readonly intersectionsM2: number;
}

export interface StudLayout {
  readonly netAreaM2: number;
  readonly members: MemberAreas;
  readonly framingAreaM2: number;
  readonly framingFraction: number;
  /** With open corners and intersections and insulated headers. */
  readonly leanFramingFraction: number;
  /** Effective R of the wall as drawn and lean; null without the resistances. */
  readonly effectiveRsi: number | null;
  readonly leanEffectiveRsi: number | null;
}

/** Studs beyond the wall's own that a corner or an intersection takes. */
const EXTRA_STUDS: Readonly<Record<'corner' | 'intersection', Readonly<Record<JointKind, number>>>> = {
  corner: { solid: 2, open: 1 },
  intersection: { solid: 2, open: 0 },
};
/** Share of an insulated header's face that stays timber: its edges. */
const LEAN_HEADER_TIMBER = 0.25;
/** Full studs and shorter ones at each side of an opening. */
const SIDES = 2;

interface Joints {
  readonly corner: JointKind;
  readonly intersection: JointKind;
  readonly headerTimberShare: (opening: FramedOpening) => number;
}

function membersOf(input: StudLayoutInput, joints: Joints): MemberAreas {
  const { lengthM, heightM, spacingM, studWidthM, bottomPlates = 1, topPlates = 2, openings = [] } = input;
  const platesM2 = (bottomPlates + topPlates) * studWidthM * lengthM;
  const studHeightM = heightM - (bottomPlates + topPlates) * studWidthM;
  const studCount = Math.ceil(lengthM / spacingM - 1e-9) + 1;
  // A stud on the grid that falls into an opening is cut down to what stands above and below it.
  const missingM2 = openings.reduce(
    (sum, { widthM, heightM: openingHeight, headerDepthM }) =>
      sum + Math.floor(widthM / spacingM) * studWidthM * Math.min(studHeightM, openingHeight + headerDepthM),
    0,
  );
  const openingsM2 = openings.reduce((sum, { widthM, heightM: openingHeight, hasSill = true }) => {
    const full = SIDES * studWidthM * studHeightM;
    const short = SIDES * studWidthM * Math.min(openingHeight, studHeightM);
    return sum + full + short + (hasSill ? studWidthM * widthM : 0);
  }, 0);
  const headersM2 = openings.reduce(
    (sum, opening) =>
      sum + opening.headerDepthM * (opening.widthM + SIDES * studWidthM) * joints.headerTimberShare(opening),
    0,
  );
  const joint = (what: 'corner' | 'intersection', count: number): number =>
    count * EXTRA_STUDS[what][joints[what]] * studWidthM * studHeightM;
  return {
    platesM2,
    studsM2: Math.max(0, studCount * studWidthM * studHeightM - missingM2),
    openingsM2,
    headersM2,
    cornersM2: joint('corner', input.corners ?? 0),
    intersectionsM2: joint('intersection', input.intersections ?? 0),
  };
}

const total = (members: MemberAreas): number =>
  Object.values(members).reduce<number>((sum, areaM2: number) => sum + areaM2, 0);

function refuseImpossibleWall(input: StudLayoutInput, netAreaM2: number): void {
  const { heightM, studWidthM, bottomPlates = 1, topPlates = 2, openings = [] } = input;
  if ((bottomPlates + topPlates) * studWidthM >= heightM) {
    throw new Refusal('out-of-range', 'heightM', 'The plates leave no height for studs.', {
      value: heightM,
      bound: (bottomPlates + topPlates) * studWidthM,
    });
  }
  if (!(netAreaM2 > 0)) {
    throw new Refusal('out-of-range', 'openings', 'The openings leave nothing of the wall.', {
      value: openings.length,
      bound: netAreaM2,
    });
  }
}

/** Effective R by parallel paths, all else of the build-up in series. */
function effectiveRsi(input: StudLayoutInput, fraction: number): number | null {
  const { cavityRsi, frameRsi, restRsi } = input;
  if (cavityRsi === undefined || frameRsi === undefined || restRsi === undefined) return null;
  return 1 / (fraction / (restRsi + frameRsi) + (1 - fraction) / (restRsi + cavityRsi));
}

/**
 * Framing fraction of a wall from its layout: studs on their grid, plates, headers, corners and intersections; and what
 * it would be with open corners and insulated headers. Areas in m² of the wall's face, openings left out.
 * Counted by area: a stud is its width times its length. Parallel paths by ISO 6946, 6.7.2.3.
 * @example studLayout(examples['thermal.studLayout']).framingFraction // 0.2088
 * @throws {Refusal} `out-of-range`
 */
export function studLayout(input: StudLayoutInput): StudLayout {
  const { lengthM, heightM, openings = [], cornerKind = 'solid', intersectionKind = 'solid' } = input;
  const netAreaM2 =
    lengthM * heightM - openings.reduce((sum, opening) => sum + opening.widthM * opening.heightM, 0);
  refuseImpossibleWall(input, netAreaM2);
  const members = membersOf(input, {
    corner: cornerKind,
    intersection: intersectionKind,
    headerTimberShare: ({ headerTimberShare = 1 }) => headerTimberShare,
  });
  const lean = membersOf(input, {
    corner: 'open',
    intersection: 'open',
    headerTimberShare: ({ headerTimberShare = 1 }) => Math.min(headerTimberShare, LEAN_HEADER_TIMBER),
  });
  const fractionOf = (areas: MemberAreas): number => Math.min(1, total(areas) / netAreaM2);
  const [framingFraction, leanFramingFraction] = [fractionOf(members), fractionOf(lean)];
  return {
    netAreaM2,
    members,
    framingAreaM2: total(members),
    framingFraction,
    leanFramingFraction,
    effectiveRsi: effectiveRsi(input, framingFraction),
    leanEffectiveRsi: effectiveRsi(input, leanFramingFraction),
  };
}

const plates = number({ quantity: 'count', min: 0, max: 10, whole: true });
const count = number({ quantity: 'count', min: 0, max: 1000, whole: true });

export const studLayoutOperation: Operation<StudLayoutInput, StudLayout> = {
  words: {
    shelf: 'heat',
    title: 'Framing share of a wall',
    tells: 'Share of timber from studs, plates, corners and headers, and what leaner framing gains.',
    alsoCalled: 'framing factor, advanced framing, timber fraction, studs, lumber, 2x4, 2x6',
    mainFigures: ['framingFraction', 'leanFramingFraction', 'effectiveRsi', 'leanEffectiveRsi'],
    caution: 'Framing carries loads: a leaner layout is for the structural designer and local code to allow.',
  },
  schema: fields<StudLayoutInput>({
    lengthM: positive('length'),
    heightM: positive('length'),
    spacingM: positive('thickness'),
    studWidthM: positive('thickness'),
    bottomPlates: optional(plates),
    topPlates: optional(plates),
    corners: optional(count),
    cornerKind: optional(option('solid', 'open')),
    intersections: optional(count),
    intersectionKind: optional(option('solid', 'open')),
    openings: optional(
      list(
        fields<FramedOpening>({
          widthM: positive('length'),
          heightM: positive('length'),
          headerDepthM: nonNegative('thickness'),
          headerTimberShare: optional(share()),
          hasSill: as('With a sill plate', optional(boolean())),
        }),
        0,
        OPENINGS_MAX,
      ),
    ),
    cavityRsi: as('R of the cavity', optional(positive('resistance'))),
    frameRsi: as('R of the frame', optional(positive('resistance'))),
    restRsi: as('R of all the rest, with films', optional(positive('resistance'))),
  }),
  run: studLayout,
  output: outcome<StudLayout>({
    netAreaM2: figure('area'),
    members: part({
      platesM2: figure('area'),
      studsM2: figure('area'),
      openingsM2: figure('area'),
      headersM2: figure('area'),
      cornersM2: figure('area'),
      intersectionsM2: figure('area'),
    }),
    framingAreaM2: figure('area'),
    framingFraction: as('Framing share', figure('share')),
    leanFramingFraction: as('Framing share, lean framing', figure('share')),
    effectiveRsi: optional(as('Effective R', figure('resistance'))),
    leanEffectiveRsi: optional(as('Effective R, lean framing', figure('resistance'))),
  }),
};
