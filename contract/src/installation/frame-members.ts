import { Refusal } from '@calvet/core/refusal';
import { mixedFrame, type FrameMember } from '@calvet/core/thermal/mixed-frame';
import {
  studLayout,
  type FramedOpening,
  type JointKind,
  type StudLayout,
} from '@calvet/core/thermal/stud-layout';
import { figure, flag, group, id, list, option, shape } from '../kind/field';
import { FRAME_OPENINGS_MAX } from '../limits';

/** What a stud is made of, through the depth of its layer. */
export type StudMake =
  | { readonly kind: 'solid' }
  /** Timber on both sides of an insulating core. */
  | { readonly kind: 'cored'; readonly coreM: number; readonly coreWmK: number }
  /** Two flanges as wide as the stud with a thin web between, and a batten on the inner one; beside the web lies the fill. */
  | {
      readonly kind: 'iSection';
      readonly flangeM: number;
      readonly webM: number;
      readonly webWmK: number;
      /** Depth of the batten; 0: there is none. */
      readonly battenM: number;
    };

/** What stands above an opening. */
export type HeaderMake =
  | { readonly kind: 'solid' }
  /** Timber with a board of insulation in it, over the whole face. */
  | { readonly kind: 'layered'; readonly boardM: number; readonly boardWmK: number }
  /** A box filled like the cavities: only a share of its face is timber right through. */
  | { readonly kind: 'boxed'; readonly timberShare: number };

/** Openings of one size in a framed wall. */
export interface FrameOpening {
  readonly id: string;
  readonly count: number;
  readonly widthM: number;
  readonly heightM: number;
  /** Depth of the header above; 0: none is needed. */
  readonly headerDepthM: number;
  readonly hasSill: boolean;
}

/** How a frame is built; its share of the face and its R follow. */
export interface FrameMembers {
  readonly lengthM: number;
  readonly heightM: number;
  readonly spacingM: number;
  readonly studWidthM: number;
  /** Conductivity of the timber. */
  readonly timberWmK: number;
  readonly bottomPlates: number;
  readonly topPlates: number;
  readonly corners: number;
  readonly cornerKind: JointKind;
  readonly intersections: number;
  readonly intersectionKind: JointKind;
  readonly openings: readonly FrameOpening[];
  readonly stud: StudMake;
  readonly header: HeaderMake;
}

export const STUD_WORDS = {
  solid: 'Solid',
  cored: 'With an insulating core',
  iSection: 'I-section',
} as const satisfies Readonly<Record<StudMake['kind'], string>>;

export const HEADER_WORDS = {
  solid: 'Solid',
  layered: 'Timber and board',
  boxed: 'Box, filled like the cavities',
} as const satisfies Readonly<Record<HeaderMake['kind'], string>>;

export const CORNER_WORDS = {
  solid: 'Solid',
  open: 'Open: the fill reaches in',
} as const satisfies Readonly<Record<JointKind, string>>;

export const INTERSECTION_WORDS = {
  solid: 'On studs in the outer wall',
  open: 'Fixed to straps',
} as const satisfies Readonly<Record<JointKind, string>>;

const size = (label: string) => figure(label, 'length', { above: 0, max: 100 });
const depth = (label: string) => figure(label, 'thickness', { above: 0, max: 1 });
const conductivity = (label: string) => figure(label, 'conductivity', { above: 0, max: 500 });
const count = (label: string, min: number, max: number) => figure(label, 'count', { min, max, whole: true });

export const openingFields = {
  id: id(''),
  count: count('openings', 1, 20),
  widthM: size('wide'),
  heightM: size('high'),
  headerDepthM: figure('header', 'length', { min: 0, max: 5 }),
  hasSill: flag('sill'),
};

export const studFields = shape<StudMake>(STUD_WORDS, {
  solid: {},
  cored: { coreM: depth('core'), coreWmK: conductivity('core') },
  iSection: {
    flangeM: depth('flange'),
    webM: depth('web'),
    webWmK: conductivity('web'),
    battenM: figure('batten', 'thickness', { min: 0, max: 1 }),
  },
});

export const headerFields = shape<HeaderMake>(HEADER_WORDS, {
  solid: {},
  layered: { boardM: depth('board'), boardWmK: conductivity('board') },
  boxed: { timberShare: figure('timber', 'share', { min: 0, max: 1 }) },
});

/** What the members of a frame are given by. */
export const memberFields = group<FrameMembers>('members', {
  lengthM: size('long'),
  heightM: size('high'),
  spacingM: figure('spacing', 'thickness', { above: 0, max: 5 }),
  studWidthM: depth('stud'),
  timberWmK: conductivity('timber'),
  bottomPlates: count('bottom plates', 0, 10),
  topPlates: count('top plates', 0, 10),
  corners: count('corners', 0, 100),
  cornerKind: option('corners', CORNER_WORDS),
  intersections: count('partitions', 0, 100),
  intersectionKind: option('partitions', INTERSECTION_WORDS),
  openings: list<FrameOpening>(
    'openings',
    'An opening',
    { type: 'group', label: '', members: openingFields },
    { most: FRAME_OPENINGS_MAX },
  ),
  stud: studFields,
  header: headerFields,
});

/** A wall of usual studs without openings, from which the entry begins. */
export const USUAL_MEMBERS: FrameMembers = {
  lengthM: 6,
  heightM: 2.5,
  spacingM: 0.4,
  studWidthM: 0.04,
  timberWmK: 0.12,
  bottomPlates: 1,
  topPlates: 2,
  corners: 1,
  cornerKind: 'solid',
  intersections: 1,
  intersectionKind: 'solid',
  openings: [],
  stud: { kind: 'solid' },
  header: { kind: 'solid' },
};

/** In what a frame stands: the depth of its layer, what lies between its members, and all else of the build-up, films in it. */
export interface FrameSurroundings {
  readonly depthM: number;
  readonly cavityRsi: number;
  readonly restRsi: number;
}

/** What a frame comes to. */
export interface FrameFigures {
  readonly layout: StudLayout;
  readonly framingFraction: number;
  /** One R for all of its members. */
  readonly frameRsi: number;
}

/** A piece of a stud by its share of the stud's face. */
interface StudPath {
  readonly share: number;
  readonly rsi: number;
}

function depthLeft(field: string, depthM: number, takenM: number, message: string): number {
  if (takenM < depthM) return depthM - takenM;
  throw new Refusal('out-of-range', `members.${field}`, message, { value: takenM, bound: depthM });
}

/** Ways of heat through a stud: one, or past the web of an I-section too. */
function studPaths(
  { stud, timberWmK, studWidthM }: FrameMembers,
  { depthM, cavityRsi }: FrameSurroundings,
): readonly StudPath[] {
  switch (stud.kind) {
    case 'solid':
      return [{ share: 1, rsi: depthM / timberWmK }];
    case 'cored': {
      const timberM = depthLeft('stud.coreM', depthM, stud.coreM, 'The core is as deep as the whole stud.');
      return [{ share: 1, rsi: timberM / timberWmK + stud.coreM / stud.coreWmK }];
    }
    case 'iSection': {
      const { flangeM, webM, webWmK, battenM } = stud;
      const timberM = 2 * flangeM + battenM;
      const between = depthLeft(
        'stud.flangeM',
        depthM,
        timberM,
        'Flanges and batten leave no depth for a web.',
      );
      if (webM > studWidthM) {
        throw new Refusal('out-of-range', 'members.stud.webM', 'The web is wider than its flanges.', {
          value: webM,
          bound: studWidthM,
        });
      }
      const web = webM / studWidthM;
      const timberRsi = timberM / timberWmK;
      return [
        { share: web, rsi: timberRsi + between / webWmK },
        { share: 1 - web, rsi: timberRsi + (between / depthM) * cavityRsi },
      ].filter(({ share }) => share > 0);
    }
  }
}

function headerRsi({ header, timberWmK }: FrameMembers, depthM: number): number {
  if (header.kind !== 'layered') return depthM / timberWmK;
  const { boardM, boardWmK } = header;
  const timberM = depthLeft('header.boardM', depthM, boardM, 'The board is as deep as the whole header.');
  return timberM / timberWmK + boardM / boardWmK;
}

/** Least share of a header's face that is timber right through: a layered one counts whole, with an R of its own. */
const timberShareOf = (header: HeaderMake): number => (header.kind === 'boxed' ? header.timberShare : 1);

function layoutOf(members: FrameMembers, surroundings: FrameSurroundings): StudLayout {
  const { lengthM, heightM, spacingM, studWidthM, bottomPlates, topPlates, timberWmK } = members;
  const { corners, cornerKind, intersections, intersectionKind } = members;
  const { depthM, cavityRsi, restRsi } = surroundings;
  const headerTimberShare = timberShareOf(members.header);
  const openings = members.openings.flatMap(
    ({ count: times, widthM, heightM: high, headerDepthM, hasSill }) =>
      new Array<FramedOpening>(times).fill({
        widthM,
        heightM: high,
        headerDepthM,
        hasSill,
        headerTimberShare,
      }),
  );
  return studLayout({
    lengthM,
    heightM,
    spacingM,
    studWidthM,
    bottomPlates,
    topPlates,
    corners,
    cornerKind,
    intersections,
    intersectionKind,
    openings,
    cavityRsi,
    frameRsi: depthM / timberWmK,
    restRsi,
  });
}

/**
 * Share of the face that a frame takes, and one R for its unlike members: `thermal.studLayout` and `thermal.mixedFrame` of core.
 * Plates are of solid timber. An I-section counts with two ways of heat, through its web and past it, which is what three
 * framed layers one behind the other come to by parallel paths; ISO 6946, 6.7.2.3.
 * @throws {Refusal} `out-of-range` where the members leave nothing of the wall, of their depth or of its face
 */
export function frameOf(members: FrameMembers, surroundings: FrameSurroundings): FrameFigures {
  const layout = layoutOf(members, surroundings);
  if (layout.framingAreaM2 > layout.netAreaM2) {
    throw new Refusal(
      'out-of-range',
      'members',
      'The members would cover more than the wall has: look at spacing, width and openings.',
      { value: layout.framingAreaM2, bound: layout.netAreaM2 },
    );
  }
  const { platesM2, studsM2, openingsM2, headersM2, cornersM2, intersectionsM2 } = layout.members;
  const { depthM, restRsi } = surroundings;
  const studLikeM2 = studsM2 + openingsM2 + cornersM2 + intersectionsM2;
  const pieces: readonly FrameMember[] = [
    { areaM2: platesM2, rsi: depthM / members.timberWmK },
    { areaM2: headersM2, rsi: headerRsi(members, depthM) },
    ...studPaths(members, surroundings).map(({ share, rsi }) => ({ areaM2: share * studLikeM2, rsi })),
  ].filter(({ areaM2 }) => areaM2 > 0);
  return {
    layout,
    framingFraction: layout.framingFraction,
    frameRsi:
      pieces.length === 0 ? depthM / members.timberWmK : mixedFrame({ restRsi, members: pieces }).frameRsi,
  };
}
