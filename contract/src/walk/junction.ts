import { figure, filled, group, list, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { ITEM_KEY_MAX, JUNCTION_WAYS_MAX, NAME_MAX, SAID_MAX } from '../limits';
import type { Stored } from '../record';

/** How two parts of an air barrier are joined, in words. */
export const WAY_WORDS = {
  gasket: 'Gasket',
  sealant: 'Sealant lines',
  tape: 'Tape',
  strip: 'Strip laid ahead',
  lap: 'Lap of sheets',
  foam: 'Foam',
  board: 'Board, edges sealed',
  plaster: 'Plaster or mortar',
  coat: 'Liquid coat',
} as const;

export type JunctionWay = keyof typeof WAY_WORDS;

/** Whether insulation goes on across a junction, in words. */
export const CARRIED_WORDS = {
  carried: 'Carried through',
  thinned: 'Thinned',
  interrupted: 'Interrupted',
} as const;

export type Carried = keyof typeof CARRIED_WORDS;

/** Whether something is as it should be, in words; null where nobody said it. */
export const DONE_WORDS = { yes: 'Yes', no: 'No' } as const;

/** One way of joining, of several at one junction. */
export interface JunctionWayHere {
  readonly name: JunctionWay;
}

/** How a junction is made. Its id follows from its key, so that two who record it write the same record. */
export interface JunctionBody {
  /** Key of the junction. */
  readonly item: string;
  /** What it was called then. */
  readonly placeName: string;
  readonly ways: readonly JunctionWayHere[];
  /** By which sheets lie over each other. */
  readonly lapMm: number | null;
  readonly tapeMm: number | null;
  /** Tape was pressed with a roller. */
  readonly pressed: keyof typeof DONE_WORDS | null;
  /** Corners lie tight. */
  readonly cornersTight: keyof typeof DONE_WORDS | null;
  /** Length of fixings that go through sheets. */
  readonly fixingMm: number | null;
  readonly insulation: Carried | null;
  /** Linear thermal transmittance, W/(m·K). */
  readonly psiWMK: number | null;
  readonly note: string | null;
}

export type JunctionRecord = Stored<JunctionBody>;

const WIDTH_MAX_MM = 2000;
const PSI_MAX = 10;

const widthOf = (label: string) => orNull(figure(label, 'gap', { min: 0, max: WIDTH_MAX_MM }));

export const junction = kindOf<JunctionBody>()({
  word: 'Junction',
  ledger: 'house',
  list: 'junctions',
  title: ['placeName'],
  order: 'as made',
  page: 'walk',
  isShown: true,
  fields: {
    item: filled('Item', ITEM_KEY_MAX),
    placeName: filled('Place', NAME_MAX * 2),
    ways: list<JunctionWayHere>(
      'How it is joined',
      'A way',
      group<JunctionWayHere>('', { name: option('', WAY_WORDS) }),
      { key: 'name', most: JUNCTION_WAYS_MAX },
    ),
    lapMm: widthOf('Sheets lap by'),
    tapeMm: widthOf('Width of the tape'),
    pressed: orNull(option('Tape pressed with a roller', DONE_WORDS)),
    cornersTight: orNull(option('Corners tight', DONE_WORDS)),
    fixingMm: widthOf('Length of fixings'),
    insulation: orNull(option('Insulation', CARRIED_WORDS)),
    psiWMK: orNull(figure('ψ of the junction', 'linearTransmittance', { min: -PSI_MAX, max: PSI_MAX })),
    note: said('Note', SAID_MAX),
  },
});

/** A junction of which nothing is said yet. */
export const newJunction = (item: string, placeName: string): JunctionBody => ({
  item,
  placeName,
  ways: [],
  lapMm: null,
  tapeMm: null,
  pressed: null,
  cornersTight: null,
  fixingMm: null,
  insulation: null,
  psiWMK: null,
  note: null,
});
