import { judgePenetration, type PenetrationJudgement } from '@calvet/core/penetrations/judge';
import {
  FLAG_WORDS,
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
  type Seal,
} from '@calvet/core/penetrations/penetration-words';
import { PHASE_WORDS, type Phase } from '../plan/own-checkpoint';
import type { AirBarrier } from '../plan/schools';
import { RULES_AS_GIVEN, type RulesHere } from './rules-here';
import type { Judged, Penetration, PenetrationBody, Plane } from './penetration';

/** How a hole is closed in one layer. */
export interface JudgedPlane extends PenetrationJudgement {
  readonly plane: Plane;
  /** The rule that decided says something else in this house; the reason is that of the house, where somebody told it. */
  readonly isOwn: boolean;
}

/** A seal that a hole still needs, and when it is made. */
export interface SealAsked {
  readonly plane: Plane;
  readonly phase: Phase;
  /** In words, what it is. */
  readonly what: string;
}

/** How holes are closed: what the rules propose, what the inspector decided, and what is to be closed later. */
export interface JudgedPenetration {
  /** What counts: as decided, else the worst of all layers. */
  readonly verdict: Judged;
  /** What the rules say, layer by layer; the worst first. */
  readonly planes: readonly JudgedPlane[];
  readonly asked: readonly SealAsked[];
  /** Nothing closes it yet. */
  readonly isOpen: boolean;
  readonly cautions: readonly string[];
  /** It holds a word that only a newer version of the app knows: its rules could not be tried. */
  readonly isUnknown: boolean;
}

const WORST_FIRST: readonly Judged[] = ['wrong', 'doubtful', 'fits'];
const PHASES = Object.keys(PHASE_WORDS) as readonly Phase[];
const PLANES: readonly Plane[] = ['outer', 'barrier', 'lining'];

/** When the air barrier of an area is made, and with it what closes a hole in it. */
const BARRIER_PHASE: Readonly<Record<AirBarrier, Phase>> = {
  barrierOuterSheathing: 'beforeFill',
  barrierMasonryCoat: 'beforeFill',
  barrierInnerMembrane: 'vapourControl',
  barrierInnerSheathing: 'vapourControl',
  barrierGasketedLining: 'finished',
};

/** When the barrier of an area is made; of one of which nobody said how it is built, before fill. */
export const barrierPhase = (barrier: AirBarrier | null): Phase =>
  barrier === null ? 'beforeFill' : BARRIER_PHASE[barrier];

/** What closes a hole in one layer: two devices may have said both that nothing does and what does. */
function inPlane({ seals }: Pick<PenetrationBody, 'seals'>, plane: Plane): readonly Seal[] {
  const there = [...new Set(seals.filter((each) => each.plane === plane).map(({ seal }) => seal))];
  const closing = there.filter((seal) => seal !== 'none');
  return closing.length > 0 ? closing : there;
}

/** Seals that a hole needs beside those that it has, in the order in which they are made. */
function sealsAsked(
  hole: Pick<PenetrationBody, 'what' | 'seals' | 'flags'>,
  barrier: AirBarrier | null,
): readonly SealAsked[] {
  const all = new Set(PLANES.flatMap((plane) => inPlane(hole, plane)));
  const asked: SealAsked[] = [];
  if (hole.what === 'box') {
    if (all.has('gasketedBox')) return [];
    if (!all.has('boxFilled'))
      asked.push({ plane: 'barrier', phase: 'beforeFill', what: 'Cable entries of the box' });
    if (!all.has('faceSealed'))
      asked.push({ plane: 'barrier', phase: 'finished', what: 'Face of the box to the lining' });
    return asked;
  }
  const isSleeve = hole.what === 'sleeve';
  if (isSleeve && inPlane(hole, 'outer').length === 0)
    asked.push({ plane: 'outer', phase: 'beforeFill', what: 'The sleeve in its outer layer' });
  const isLoose = hole.flags.some(({ name }) => name === 'linesLoose');
  if (inPlane(hole, 'barrier').length === 0 || (isSleeve && isLoose))
    asked.push({
      plane: 'barrier',
      phase: barrierPhase(barrier),
      what: isSleeve ? 'Each line of the sleeve at the barrier' : 'At the air barrier',
    });
  return asked.sort((a, b) => PHASES.indexOf(a.phase) - PHASES.indexOf(b.phase));
}

/** True where a seal is to be made by a phase of the work. */
export const isDueIn = ({ phase }: SealAsked, now: Phase): boolean =>
  PHASES.indexOf(phase) <= PHASES.indexOf(now);

const worst = (verdicts: readonly Judged[]): Judged =>
  WORST_FIRST.find((each) => verdicts.includes(each)) ?? 'doubtful';

/** True of words that this version knows: one from a newer version may hold others. */
const isKnown = ({ what, through, seals, flags }: Judgeable): boolean =>
  Object.hasOwn(PENETRATION_WORDS, what) &&
  Object.hasOwn(THROUGH_WORDS, through) &&
  seals.every(({ seal, plane }) => Object.hasOwn(SEAL_WORDS, seal) && PLANES.includes(plane)) &&
  flags.every(({ name }) => Object.hasOwn(FLAG_WORDS, name));

type Judgeable = Pick<PenetrationBody, 'what' | 'through' | 'gapMm' | 'seals' | 'flags' | 'decided'>;

interface JudgedLast {
  readonly barrier: AirBarrier | null;
  readonly rules: RulesHere;
  readonly judged: JudgedPenetration;
}

/** What was said last of a record, which never changes: with each verdict all holes of a house are asked for again. */
const judgedLast = new WeakMap<Judgeable, JudgedLast>();

/**
 * How holes of one record are closed. It proposes; what the inspector decided counts, and cautions stand whatever that is.
 * @param barrier how the area is made airtight that they go through; null: nobody said it
 * @param rules as the house has them
 */
export function judgedPenetration(
  hole: Judgeable,
  barrier: AirBarrier | null,
  rules: RulesHere = RULES_AS_GIVEN,
): JudgedPenetration {
  const last = judgedLast.get(hole);
  if (last?.barrier === barrier && last.rules === rules) return last.judged;
  const judged = judge(hole, barrier, rules);
  judgedLast.set(hole, { barrier, rules, judged });
  return judged;
}

function judge(hole: Judgeable, barrier: AirBarrier | null, rules: RulesHere): JudgedPenetration {
  const asked = sealsAsked(hole, barrier);
  const there = PLANES.filter((plane) => inPlane(hole, plane).length > 0);
  const isOpen = there.every((plane) => inPlane(hole, plane).includes('none'));
  if (!isKnown(hole)) {
    return { verdict: hole.decided ?? 'doubtful', planes: [], asked, isOpen, cautions: [], isUnknown: true };
  }
  const inIt = (plane: Plane): JudgedPlane => {
    const seals = inPlane(hole, plane);
    const judgement = judgePenetration(
      {
        what: hole.what,
        through: hole.through,
        gapMm: hole.gapMm ?? undefined,
        seals: seals.length === 0 ? ['none'] : seals,
        flags: hole.flags.map(({ name }) => name),
      },
      rules.penetrations,
    );
    const own = rules.own.get(judgement.rule ?? '') ?? null;
    return { plane, ...judgement, reason: own?.why ?? judgement.reason, isOwn: own !== null };
  };
  const planes = (there.length === 0 ? (['barrier'] as const) : there)
    .map(inIt)
    .sort((a, b) => WORST_FIRST.indexOf(a.verdict) - WORST_FIRST.indexOf(b.verdict));
  return {
    verdict: hole.decided ?? worst(planes.map(({ verdict }) => verdict)),
    planes,
    asked,
    isOpen,
    cautions: [...new Set(planes.flatMap(({ cautions }) => cautions))],
    isUnknown: false,
  };
}

/** Words of things that were recorded before, the last first, each once. */
export function recentWhats(penetrations: readonly Penetration[]): readonly Penetration['what'][] {
  return [...new Set([...penetrations].reverse().map(({ what }) => what))];
}
