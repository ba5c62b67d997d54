import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, list, optional, outcome, text } from '../schema';
import { penetrationSchema, type PenetrationInput } from './penetration-input';
import type { PenetrationCaution, PenetrationRule, RuleConditions, SealVerdict } from './penetration-rule';
import type { Seal } from './penetration-words';
import { ruleHolds } from './rule-holds';
import { SEAL_RULES } from './rules-of-seals';
import { PENETRATION_CAUTIONS, THING_RULES } from './rules-of-things';
import { BY_WIDTH, withSealByWidth } from './seal-by-width';

/** How a hole is closed, why, and what would be better. */
export interface PenetrationJudgement {
  readonly verdict: SealVerdict;
  /** Id of the rule that decided; null where none knows the hole. */
  readonly rule: string | null;
  readonly reason: string;
  readonly instead: string;
  readonly cautions: readonly string[];
}

/** Rules of what goes through, and those of each seal. */
export interface PenetrationRules {
  readonly thing: readonly PenetrationRule[];
  readonly seal: readonly PenetrationRule[];
}

/** As they are given. */
export const GIVEN_RULES: PenetrationRules = { thing: THING_RULES, seal: SEAL_RULES };

const WORSE: Readonly<Record<SealVerdict, number>> = { fits: 0, doubtful: 1, wrong: 2 };
const worstOf = (rules: readonly PenetrationRule[]): number =>
  Math.max(-1, ...rules.map(({ verdict }) => WORSE[verdict]));

/** Each of a box's two seals is half of one: they are looked at with all that there is. */
const HALVES: ReadonlySet<Seal> = new Set(['boxFilled', 'faceSealed']);

/**
 * The rules that decide on a hole, each in their own order. Each seal is as good as its worst rule, and of several in one plane
 * the best counts: air has to pass all of them. Seals that no rule knows say nothing.
 * @example rulesThatHold({ what: 'flue', through: 'board', seals: ['metalCollar'] }).seal[0].id // 'flue-metal'
 */
export function rulesThatHold(
  input: PenetrationInput,
  rules: PenetrationRules = GIVEN_RULES,
): PenetrationRules {
  const { seals } = input;
  const known = seals
    .map((seal) => {
      const tried = HALVES.has(seal) ? seals : [seal];
      const held = rules.seal.filter((rule) => ruleHolds(rule, input, tried));
      return { held, worst: worstOf(held) };
    })
    .filter(({ held }) => held.length > 0);
  const best = Math.min(...known.map(({ worst }) => worst));
  const ofBest = new Set(known.filter(({ worst }) => worst === best).flatMap(({ held }) => held));
  return {
    thing: rules.thing.filter((rule) => ruleHolds(rule, input, seals)),
    seal: rules.seal.filter((rule) => ofBest.has(rule)),
  };
}

const isSaidOf = ({ what, flags = [] }: PenetrationInput, caution: PenetrationCaution): boolean =>
  caution.what?.includes(what) === true || flags.some((flag) => caution.flags?.includes(flag) === true);

/** Where somebody can get hurt, rules stand as they are given: local code and licensed trades decide. */
const HAZARDS: Required<Pick<RuleConditions, 'what' | 'flags'>> = {
  what: ['flue', 'gasPipe', 'box', 'recessedLight', 'hotDuct', 'radonPipe'],
  flags: ['fireRated', 'amongConnections'],
};

const isHazard = ({ what, flags = [] }: Pick<PenetrationInput, 'what' | 'flags'>): boolean =>
  HAZARDS.what.includes(what) || flags.some((flag) => HAZARDS.flags.includes(flag));

/**
 * True of a rule that nobody changes: of flues, gas, wiring, hot ducts, soil gas and fire rating.
 * @example isRuleFixed({ when: { what: ['flue'], seal: ['metalCollar'] } }) // true
 */
export function isRuleFixed({ when: { what, flags } }: Pick<PenetrationRule, 'when'>): boolean {
  return (
    what?.every((each) => HAZARDS.what.includes(each)) === true ||
    flags?.some((flag) => HAZARDS.flags.includes(flag)) === true
  );
}

/**
 * The rules as one house has them: some say something else there. Those that nobody changes stand as they are given.
 * @param verdicts by the ids of rules; of ids that no rule has, nothing is done
 * @example editedRules(new Map([['rigid-patch', 'doubtful']])).seal.find(({ id }) => id === 'rigid-patch').verdict // 'doubtful'
 */
export function editedRules(verdicts: ReadonlyMap<string, SealVerdict>): PenetrationRules {
  const asEdited = (rule: PenetrationRule): PenetrationRule => {
    const verdict = verdicts.get(rule.id);
    return verdict === undefined || isRuleFixed(rule) ? rule : { ...rule, verdict };
  };
  return { thing: THING_RULES.map(asEdited), seal: SEAL_RULES.map(asEdited) };
}

/**
 * How a hole is closed: the worse of what holds for the thing and of its best seal. It proposes; the inspector decides, and
 * before both local code and licensed trades.
 * @example judgePenetration({ what: 'cable', through: 'board', gapMm: 4, seals: ['softSealant'] }).verdict // 'fits'
 * @param rules as a house has them; where somebody can get hurt those that are given decide, whatever it has
 * @throws {Refusal} `conflict` for nothing beside another seal
 */
export function judgePenetration(
  input: PenetrationInput,
  rules: PenetrationRules = GIVEN_RULES,
): PenetrationJudgement {
  const { through, gapMm, seals } = input;
  if (seals.includes('none') && seals.some((seal) => seal !== 'none'))
    throw new Refusal('conflict', 'seals', 'Nothing is no seal beside another: take one of them away.');
  const { thing, seal } = rulesThatHold(input, isHazard(input) ? GIVEN_RULES : rules);
  // Of the thing first: among equals they are told.
  const all = [...thing, ...seal];
  const worst = worstOf(all);
  const decides = all.find(({ verdict }) => WORSE[verdict] === worst);
  const cautions = PENETRATION_CAUTIONS.filter((caution) => isSaidOf(input, caution)).map(({ text }) => text);
  if (decides === undefined) {
    const reason = 'No rule knows this: look closer';
    return {
      verdict: 'doubtful',
      rule: null,
      reason,
      instead: withSealByWidth(BY_WIDTH, through, gapMm),
      cautions,
    };
  }
  const { id, verdict, reason } = decides;
  return { verdict, rule: id, reason, instead: withSealByWidth(decides.instead, through, gapMm), cautions };
}

/** `penetration.judge`: how a hole through the air barrier is closed. */
export const judgePenetrationOperation: Operation<PenetrationInput, PenetrationJudgement> = {
  schema: penetrationSchema,
  run: (input) => judgePenetration(input),
  words: {
    shelf: 'house',
    title: 'Penetration',
    tells: 'Whether a hole through the air barrier is closed as it should be, and what would be better.',
    alsoCalled:
      'hole, pipe, cable, duct, flue, box, seal, sealant, foam, tape, gap, putty, grommet, collar, fire stop, leak',
    mainFigures: ['verdict', 'reason', 'instead'],
    caution:
      'Flues, gas pipes, wiring and fire-rated parts are for local code and licensed trades: what is said here never stands before them.',
  },
  output: outcome<PenetrationJudgement>({
    verdict: text(),
    reason: as('Why', text()),
    instead: as('Better', text()),
    cautions: list(text()),
    rule: optional(text()),
  }),
};
