import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import type { FrameAlignment } from '@calvet/core/thermal/heat-paths';
import type { HeatFlow } from '@calvet/core/thermal/films';
import type { InstallationGrade } from '@calvet/core/thermal/grade-adjustment';
import {
  figure,
  filled,
  formerly,
  group,
  id,
  list,
  mergedGroup,
  option,
  orNull,
  said,
  text,
  unsaid,
} from '../kind/field';
import { kindOf } from '../kind/kind';
import { ITEM_KEY_MAX, LAYERS_MAX, NAME_MAX } from '../limits';
import type { Stored } from '../record';
import { groundFields, type AreaGround } from './area-ground';
import { AREA_WORDS } from './area-words';
import { layersWithIds } from './former-build-up';
import { layerFields, type BuildUpLayer } from './layer';
import { openedSpots, type OpenedSpot } from './opened-spot';

/** Layers of an area, inside → outside. */
export interface BuildUp {
  readonly name: string;
  readonly layers: readonly BuildUpLayer[];
  /** How the frames of two or more framed layers stand to each other. */
  readonly frameAlignment: FrameAlignment | null;
  /** Id of the layer whose installation is graded; null where there is none, as in a window. */
  readonly gradedLayer: string | null;
  /** What a square metre of it costs, in the practice's money; null: nobody said. */
  readonly costPerM2: number | null;
}

/** Where a claimed R stands: on the label, in the drawing, in the contract, or in somebody's word. */
export type ClaimedBy = 'label' | 'drawing' | 'contract' | 'word';

export const CLAIMED_BY_WORDS = {
  label: 'Label',
  drawing: 'Drawing',
  contract: 'Contract',
  word: 'Somebody’s word',
} as const satisfies Readonly<Record<ClaimedBy, string>>;

/** A least R or a greatest U that is asked of one area, or what is asked of another kind: the rim “as the wall”. */
export interface OwnRequirement {
  readonly leastRsi: number | null;
  readonly greatestUValue: number | null;
  readonly asKind: EnvelopeKind | null;
}

/** An area of the envelope with its build-up and the grade of its insulation work. */
export interface AreaBody {
  /** Null: as the drawing names it. */
  readonly name: string | null;
  /** Null: as it was drawn. */
  readonly kind: EnvelopeKind | null;
  /** Null: as it was drawn; where it was not, until somebody gave it: the area is then in no sum. */
  readonly areaM2: number | null;
  /** Null: as planned. */
  readonly buildUp: BuildUp | null;
  /** Null until somebody graded it. */
  readonly grade: InstallationGrade | null;
  /** Share of void in the cavity, where that is more than any grade allows; it counts in place of a grade. Else null. */
  readonly voidFraction: number | null;
  /** R that somebody claims for it, and on whose word; null: nobody does. */
  readonly claimedRsi: number | null;
  readonly claimedBy: ClaimedBy | null;
  /** How it lies in the ground; null: it does not. */
  readonly ground: AreaGround | null;
  /** What is asked of it in place of what is asked of its kind. */
  readonly requirement: OwnRequirement | null;
  /** Where it was opened to see how damp it is within. */
  readonly openedSpots: readonly OpenedSpot[];
  /** Key of the part of the drawing that it is; null: made by hand. */
  readonly item: string | null;
  /** What that part was called when the area was last entered. */
  readonly itemName: string | null;
}

/** What an area that is no part of a drawing says of that. */
export const MADE_BY_HAND = { item: null, itemName: null } as const;

/** Of an area for which nobody claims anything, of which nothing more is asked, and that lies in no ground. */
export const PLAIN_AREA = {
  claimedRsi: null,
  claimedBy: null,
  ground: null,
  requirement: null,
  openedSpots: [],
} as const;

/** What of an area the drawing may say. */
export interface PlannedArea {
  readonly name: string;
  readonly kind: EnvelopeKind;
  readonly buildUp: BuildUp;
}

/** An area as it is worked with: what its record leaves open, as it was drawn. */
export type AreaInHand = Omit<AreaBody, keyof PlannedArea> & PlannedArea;

export type Area = Stored<AreaInHand>;

/** An area as its record says it. */
export type KeptArea = Stored<AreaBody>;

/** Up to this share of void the work has a grade; ANSI 301, appendix A. */
export const GRADED_VOID_MAX = 0.05;

/** True where somebody has judged the work: by a grade, or by a share of void that is too large for one. */
export const isJudged = ({ grade, voidFraction }: Pick<AreaBody, 'grade' | 'voidFraction'>): boolean =>
  grade !== null || voidFraction !== null;

const HEAT_FLOW: Readonly<Record<EnvelopeKind, HeatFlow>> = {
  wall: 'horizontal',
  atticWall: 'horizontal',
  foundationWall: 'horizontal',
  rim: 'horizontal',
  opening: 'horizontal',
  ceiling: 'up',
  roof: 'up',
  floor: 'down',
  slab: 'down',
};

/** Which way heat leaves through an area of this kind in winter. */
export function heatFlowOf(kind: EnvelopeKind): HeatFlow {
  return HEAT_FLOW[kind];
}

/** What a build-up is given by. */
export const buildUpFields = {
  name: text('Name of the build-up', NAME_MAX),
  layers: list<BuildUpLayer>('Layers', 'A layer', layerFields, {
    key: 'id',
    least: 1,
    most: LAYERS_MAX,
  }),
  frameAlignment: orNull(
    option('How the frames stand', { aligned: 'One behind the other', offset: 'Offset' }),
  ),
  gradedLayer: orNull(id('Graded layer')),
  costPerM2: unsaid(orNull(figure('Cost', 'perArea', { min: 0, max: 1e6 })), null),
} as const;

export const area = kindOf<AreaBody>()({
  word: 'Area',
  ledger: 'house',
  list: 'areas',
  title: ['name'],
  order: 'as made',
  page: 'areas',
  isShown: true,
  fields: {
    name: orNull(filled('Name', NAME_MAX)),
    kind: orNull(option('Kind', AREA_WORDS)),
    areaM2: orNull(figure('Area', 'area', { above: 0, max: 1e5 })),
    buildUp: formerly(orNull(mergedGroup<BuildUp>('Build-up', buildUpFields)), layersWithIds),
    grade: orNull(option('Grade', { I: 'I', II: 'II', III: 'III' })),
    voidFraction: unsaid(orNull(figure('Void', 'share', { above: GRADED_VOID_MAX, max: 1 })), null),
    claimedRsi: unsaid(orNull(figure('Claimed R', 'resistance', { above: 0, max: 100 })), null),
    claimedBy: unsaid(orNull(option('Claimed by', CLAIMED_BY_WORDS)), null),
    ground: unsaid(orNull(group<AreaGround>('In the ground', groundFields)), null),
    requirement: unsaid(
      orNull(
        group<OwnRequirement>('Asked of it', {
          leastRsi: orNull(figure('at least R', 'resistance', { above: 0, max: 100 })),
          greatestUValue: orNull(figure('at most U', 'transmittance', { above: 0, max: 20 })),
          asKind: orNull(option('as the', AREA_WORDS)),
        }),
      ),
      null,
    ),
    openedSpots,
    item: unsaid(said('Part of the drawing', ITEM_KEY_MAX), null),
    itemName: unsaid(said('What it was drawn as', NAME_MAX * 2), null),
  },
});
