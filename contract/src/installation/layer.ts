import type { Pressing } from '@calvet/core/insulation/cavity-fill';
import { figure, flag, id, list, option, orNull, shape, text, unsaid, type FieldsOf } from '../kind/field';
import { FILLS_MAX, FIXINGS_MAX, NAME_MAX } from '../limits';
import { memberFields, type FrameMembers } from './frame-members';
import { matterFields, type Matter } from './matter';

/** What a layer does beside insulating. */
export type LayerRole = 'airBarrier' | 'vapourControl' | 'airAndVapour';

export const ROLE_WORDS = {
  airBarrier: 'Air barrier',
  vapourControl: 'Vapour control',
  airAndVapour: 'Air barrier and vapour control',
} as const satisfies Readonly<Record<LayerRole, string>>;

/** What a fill does in a cavity thinner than itself, in words. */
export const PRESSING_WORDS = {
  rigid: 'Board or foam: keeps its thickness',
  fibreLaw: 'Glass or stone batt: presses',
  constant: 'Plant or wool batt: presses',
  takesRest: 'Blown or sprayed: takes the rest',
} as const satisfies Readonly<Record<Pressing, string>>;

/** One of several fills in one depth of frame, inside → outside. */
export interface LayerFill extends Matter {
  readonly id: string;
  readonly name: string;
  readonly pressing: Pressing;
  readonly conductivityWmK: number;
  /** As labelled; null of what takes the rest. */
  readonly thicknessM: number | null;
  /** Where it is thinnest, of foam that is uneven: there it is judged whether it stays warm. */
  readonly lowestM: number | null;
}

/** Metal or plastic through a layer: fixings of outside boards, ties of a cavity wall. */
export interface Fixing {
  readonly id: string;
  readonly name: string;
  readonly perM2: number;
  /** Beside those: ones that missed their stud and stay in. */
  readonly missedPerM2: number;
  /** Cross-section of one. */
  readonly areaM2: number;
  readonly conductivityWmK: number;
}

interface AnyLayer extends Matter {
  readonly id: string;
  readonly name: string;
  readonly role: LayerRole | null;
}

/** A layer whose R is known. */
export interface ResistanceLayer extends AnyLayer {
  readonly kind: 'resistance';
  readonly rsi: number;
  readonly thicknessM: number | null;
  readonly fixings: readonly Fixing[];
}

/** A layer whose material is known. */
export interface MaterialLayer extends AnyLayer {
  readonly kind: 'material';
  readonly thicknessM: number;
  readonly conductivityWmK: number;
  /** Where it is thinnest, of a layer that is uneven or tapered; the thickness is then its mean. */
  readonly lowestM: number | null;
  readonly fixings: readonly Fixing[];
}

/** Members with cavities between them. */
export interface FramedLayer extends AnyLayer {
  readonly kind: 'framed';
  readonly cavityRsi: number;
  readonly frameRsi: number;
  readonly framingFraction: number;
  readonly thicknessM: number | null;
  /** What lies in the cavity; empty: its R is as given. */
  readonly fills: readonly LayerFill[];
  /** How the frame is built; null: its share and its R are as given. */
  readonly members: FrameMembers | null;
}

/** A space with nothing in it but air. */
export interface AirSpaceLayer extends AnyLayer {
  readonly kind: 'airSpace';
  readonly thicknessM: number;
  /** Emissivities of its faces, where one of them is bright. */
  readonly emissivityInside: number | null;
  readonly emissivityOutside: number | null;
  /** Air from outside moves in it: neither it nor what is outside of it insulates. */
  readonly isOpen: boolean;
}

/** A layer of a build-up. */
export type BuildUpLayer = ResistanceLayer | MaterialLayer | FramedLayer | AirSpaceLayer;

/** What a layer is beside which one it is. */
export type LayerFigures = BuildUpLayer extends infer Each
  ? Each extends BuildUpLayer
    ? Omit<Each, 'id'>
    : never
  : never;

/** How a layer can be given, in words. */
export const LAYER_WORDS = {
  resistance: 'Known R',
  material: 'Material',
  framed: 'Framed',
  airSpace: 'Air space',
} as const satisfies Readonly<Record<BuildUpLayer['kind'], string>>;

const rsi = (label: string, above: boolean) =>
  figure(label, 'resistance', above ? { above: 0, max: 100 } : { min: 0, max: 100 });
const thickness = figure('', 'thickness', { above: 0, max: 5 });
const conductivity = figure('', 'conductivity', { above: 0, max: 500 });
const lowest = unsaid(orNull(figure('thinnest', 'thickness', { above: 0, max: 5 })), null);
const emissivity = (label: string) => orNull(figure(label, 'plain', { above: 0, max: 1 }));

const fillFields: FieldsOf<LayerFill> = {
  id: id(''),
  name: text('', NAME_MAX),
  pressing: option('', PRESSING_WORDS),
  conductivityWmK: conductivity,
  thicknessM: orNull(thickness),
  lowestM: lowest,
  ...matterFields,
};

const fixingFields: FieldsOf<Fixing> = {
  id: id(''),
  name: text('', NAME_MAX),
  perM2: figure('', 'perArea', { min: 0, max: 1000 }),
  missedPerM2: figure('missed', 'perArea', { min: 0, max: 1000 }),
  areaM2: figure('cross-section', 'smallArea', { above: 0, max: 0.01 }),
  conductivityWmK: conductivity,
};

const fixings = unsaid(
  list<Fixing>(
    'fixings',
    'A kind of fixing',
    { type: 'group', label: '', members: fixingFields },
    { most: FIXINGS_MAX },
  ),
  [],
);

const common = {
  id: id(''),
  name: text('', NAME_MAX),
  role: unsaid(orNull(option('', ROLE_WORDS)), null),
} as const;

/** What each shape of layer is given by. */
export const layerFields = shape<BuildUpLayer>(LAYER_WORDS, {
  resistance: {
    ...common,
    rsi: rsi('R', false),
    thicknessM: unsaid(orNull(thickness), null),
    fixings,
    ...matterFields,
  },
  material: {
    ...common,
    thicknessM: thickness,
    conductivityWmK: conductivity,
    lowestM: lowest,
    fixings,
    ...matterFields,
  },
  framed: {
    ...common,
    cavityRsi: rsi('cavity R', true),
    frameRsi: rsi('frame R', true),
    framingFraction: figure('framing', 'share', { min: 0, max: 1 }),
    thicknessM: orNull(thickness),
    fills: unsaid(
      list<LayerFill>(
        'in the cavity',
        'A fill',
        { type: 'group', label: '', members: fillFields },
        { most: FILLS_MAX },
      ),
      [],
    ),
    members: unsaid(orNull(memberFields), null),
    ...matterFields,
  },
  airSpace: {
    ...common,
    thicknessM: figure('', 'thickness', { above: 0, max: 0.3 }),
    emissivityInside: emissivity('inner face'),
    emissivityOutside: emissivity('outer face'),
    isOpen: flag('open to the outside'),
    ...matterFields,
  },
});
