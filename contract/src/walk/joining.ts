import { barrierFace, thicknessOf, TIGHT_BY_WORDS, type TightBy } from '../continuity/barrier-place';
import type { JoiningSide } from '../continuity/joint-drawing';
import { WAY_WORDS, type JunctionBody, type JunctionWay } from './junction';
import type { Judged } from './penetration';

/** How well a way of joining holds on one kind of air barrier: why not for sure, and what instead. */
type Hold =
  'fits' | { readonly held: Exclude<Judged, 'fits'>; readonly reason: string; readonly instead: string };

const doubtful = (reason: string, instead: string): Hold => ({ held: 'doubtful', reason, instead });
const wrong = (reason: string, instead: string): Hold => ({ held: 'wrong', reason, instead });

const TAPE_OR_SEALANT = 'Tape, or sealant that stays soft';
const LAP = doubtful('Air runs between sheets that only lap', 'Tape or sealant along the lap');
const FOAM_ON_BOARD = doubtful('Foam lets go where timber moves', `${TAPE_OR_SEALANT}, over it`);
const PLASTER_ON_BOARD = wrong('Plaster cracks on boards that move', TAPE_OR_SEALANT);
const BEHIND_LINING = 'Gasket, or sealant that stays soft';

/** Of sheathing, outside or inside: boards on timber. */
const ON_BOARDS: Readonly<Record<JunctionWay, Hold>> = {
  gasket: 'fits',
  sealant: 'fits',
  tape: 'fits',
  strip: 'fits',
  lap: LAP,
  foam: FOAM_ON_BOARD,
  board: 'fits',
  plaster: PLASTER_ON_BOARD,
  coat: 'fits',
};

/** How each way holds on what a barrier is made of. */
const HOLDS: Readonly<Record<TightBy, Readonly<Record<JunctionWay, Hold>>>> = {
  barrierOuterSheathing: ON_BOARDS,
  barrierInnerSheathing: ON_BOARDS,
  barrierInnerMembrane: {
    gasket: doubtful(
      'A gasket holds on a sheet only while something presses it',
      'Batten over it, or sealant',
    ),
    sealant: 'fits',
    tape: 'fits',
    strip: 'fits',
    lap: LAP,
    foam: wrong('Foam pushes a sheet away and does not hold on it', TAPE_OR_SEALANT),
    board: doubtful('A board holds the sheet, its edge does not seal it', 'Tape from sheet to board'),
    plaster: doubtful(
      'Plaster holds on a sheet only where a fleece or mesh is bedded in it',
      'Strip to be bedded, taped to the sheet',
    ),
    coat: doubtful('Most coats do not hold on a sheet', 'Tape from the sheet to what is coated'),
  },
  barrierGasketedLining: {
    gasket: 'fits',
    sealant: 'fits',
    tape: doubtful('Tape tears where the lining moves against its frame', BEHIND_LINING),
    strip: 'fits',
    lap: LAP,
    foam: FOAM_ON_BOARD,
    board: doubtful('A board behind the lining joins nothing by itself', BEHIND_LINING),
    plaster: doubtful('A filled edge cracks', BEHIND_LINING),
    coat: doubtful('Paint and coats crack at the edge of a lining', BEHIND_LINING),
  },
  barrierMasonryCoat: {
    gasket: doubtful('Rough masonry leaves channels beside a gasket', 'Sealant that stays soft beside it'),
    sealant: 'fits',
    tape: doubtful(
      'Tape holds on masonry only where that is smooth and primed',
      'Strip bedded in the plaster',
    ),
    strip: 'fits',
    lap: LAP,
    foam: doubtful('Foam shrinks away from masonry', 'Plaster or coat over it, or a strip'),
    board: doubtful('The edge of a board follows no rough masonry', 'Sealant along its edge'),
    plaster: 'fits',
    coat: 'fits',
  },
  frameAndLeaf: {
    gasket: doubtful(
      'A gasket round a frame holds only while something presses it',
      'Tape, or backer and sealant',
    ),
    sealant: 'fits',
    tape: 'fits',
    strip: 'fits',
    lap: LAP,
    foam: 'fits',
    board: doubtful('A board beside a frame leaves its edge open', 'Sealant along its edge'),
    plaster: doubtful('Plaster cracks along a frame that moves', TAPE_OR_SEALANT),
    coat: 'fits',
  },
};

/** Ways that reach from one face of a build-up to the other; the rest joins what lies in one face. */
const ACROSS: ReadonlySet<JunctionWay> = new Set(['strip', 'board', 'coat', 'lap', 'plaster']);

/** On which side of what insulates a barrier lies; a coat on masonry and a window lie on either. */
const SIDE_OF: Readonly<Record<TightBy, 'outside' | 'inside' | null>> = {
  barrierOuterSheathing: 'outside',
  barrierInnerMembrane: 'inside',
  barrierInnerSheathing: 'inside',
  barrierGasketedLining: 'inside',
  barrierMasonryCoat: null,
  frameAndLeaf: null,
};

/** Something said of how a junction is joined. */
export interface JoiningSaid {
  readonly held: Judged;
  /** Where it holds or does not; null: all over. */
  readonly where: string | null;
  /** Empty where it fits. */
  readonly reason: string;
  readonly instead: string;
}

/** How a junction is joined, against how its areas are built. It proposes; the inspector decides. */
export interface Joining {
  /** The worst of all that is said; null: nobody said how it is joined, or where a barrier is. */
  readonly held: Judged | null;
  readonly said: readonly JoiningSaid[];
}

const BEST_FIRST: readonly Judged[] = ['fits', 'doubtful', 'wrong'];
const heldOf = (hold: Hold): Judged => (hold === 'fits' ? 'fits' : hold.held);
const rank = (held: Judged): number => BEST_FIRST.indexOf(held);

const isWay = (name: string): name is JunctionWay => Object.hasOwn(WAY_WORDS, name);

/** Fixings that end so near before a sheet may hold in it. */
const MARGIN_MM = 5;
const MM = 1000;

/** How deep a sheet lies behind what is fixed in front of it, mm; null: not all layers before it are known by their thickness. */
function depthOfSheet({ buildUp, barrier }: JoiningSide): number | null {
  if (barrier !== 'barrierInnerMembrane' || buildUp.layers.length === 0) return null;
  const before = buildUp.layers.slice(0, barrierFace(buildUp, barrier)).map(thicknessOf);
  if (before.length === 0 || before.includes(null)) return null;
  return before.reduce<number>((depth, each) => depth + (each ?? 0), 0) * MM;
}

/** How deep the sheet lies that is nearest to the room; null: there is none, or it is not known. */
export function sheetDepthMm(sides: readonly JoiningSide[]): number | null {
  const depths = sides.flatMap((side) => depthOfSheet(side) ?? []);
  return depths.length === 0 ? null : Math.min(...depths);
}

/** What was written of sheets and tapes. */
function ofSheets(
  { ways, tapeMm, lapMm, pressed, cornersTight, fixingMm }: JunctionBody,
  sides: readonly JoiningSide[],
): readonly JoiningSaid[] {
  const said: JoiningSaid[] = [];
  const add = (reason: string, instead: string, held: Judged = 'doubtful'): void => {
    said.push({ held, where: null, reason, instead });
  };
  const isTaped = ways.some(({ name }) => name === 'tape');
  if (pressed === 'no') add('Tape that is not pressed lifts again', 'Press it with a roller, end to end');
  if (cornersTight === 'no') add('Air comes through corners that are not tight', 'Fold and tape each corner');
  if (isTaped && tapeMm === 0) add('There is no tape on it', 'Tape it, centred on the edge', 'wrong');
  if (ways.some(({ name }) => name === 'lap') && lapMm === 0)
    add('The sheets do not lap', 'A strip between them, taped to both', 'wrong');
  const depthMm = sheetDepthMm(sides);
  if (fixingMm !== null && depthMm !== null && fixingMm > depthMm - MARGIN_MM)
    add('Fixings of this length reach the sheet', 'Shorter ones; patch each that went through');
  return said;
}

/**
 * How a junction is joined, held against the air barriers that meet in it: on each the best of the ways counts, since air has
 * to pass all of them, and together the worst. A barrier that changes sides needs something that reaches across.
 */
export function joiningOf(record: JunctionBody, sides: readonly JoiningSide[]): Joining {
  const ways = record.ways.map(({ name }) => name).filter(isWay);
  const barriers = [...new Set(sides.flatMap(({ barrier }) => barrier ?? []))];
  const onEach =
    ways.length === 0
      ? []
      : barriers.map((barrier): JoiningSaid => {
          const holds = ways
            .map((way) => HOLDS[barrier][way])
            .sort((a, b) => rank(heldOf(a)) - rank(heldOf(b)));
          const [best] = holds;
          const where = TIGHT_BY_WORDS[barrier];
          return best === undefined || best === 'fits'
            ? { held: 'fits', where, reason: '', instead: '' }
            : { ...best, where };
        });
  const lies = new Set(barriers.flatMap((barrier) => SIDE_OF[barrier] ?? []));
  const isLeftAtTurn = lies.size > 1 && ways.length > 0 && !ways.some((way) => ACROSS.has(way));
  const turn: readonly JoiningSaid[] = isLeftAtTurn
    ? [
        {
          held: 'doubtful',
          where: null,
          reason: 'The air barrier changes sides here, and nothing reaches across',
          instead: 'A strip, board or coat from one face to the other, sealed to both',
        },
      ]
    : [];
  const said = [...onEach, ...turn, ...ofSheets(record, sides)];
  const held =
    said.length === 0 ? null : (BEST_FIRST[Math.max(...said.map((each) => rank(each.held)))] ?? null);
  return { held, said };
}

/** Ways of joining, those first that hold on every barrier that meets here. */
export function waysFor(sides: readonly Pick<JoiningSide, 'barrier'>[]): readonly JunctionWay[] {
  const barriers = sides.flatMap(({ barrier }) => barrier ?? []);
  const worst = (way: JunctionWay): number =>
    Math.max(0, ...barriers.map((barrier) => rank(heldOf(HOLDS[barrier][way]))));
  return (Object.keys(WAY_WORDS) as readonly JunctionWay[])
    .map((way) => ({ way, worst: worst(way) }))
    .sort((a, b) => a.worst - b.worst)
    .map(({ way }) => way);
}
