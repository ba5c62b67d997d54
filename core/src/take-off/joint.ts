import { exceeds, type Finding } from '../finding';
import { JOINTS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, option, optional, outcome, part, positive } from '../schema';
import { wasteShare } from './packs';
import { wholeUp } from './whole-packs';

/** `sealant` fills a gap, `foam` too, `line` is a round bead under something that presses it. */
export type JointFill = 'sealant' | 'foam' | 'line';

export interface JointInput {
  readonly kind: JointFill;
  readonly lengthM: number;
  /** Of a line: its diameter. */
  readonly gapM: number;
  /** Foam has it always; of sealant it follows from the gap. */
  readonly depthM?: number;
}

export interface JointsInput {
  readonly joints: readonly JointInput[];
  /** 0.15 where left out. */
  readonly wasteShare?: number;
  readonly cartridgeLitres?: number;
  /** Foam that one can yields. */
  readonly canLitres?: number;
}

/** What one joint takes, net. */
export interface JointTake {
  readonly litres: number;
  readonly depthM: number | null;
  readonly backerM: number | null;
  readonly backerDiameterM: number | null;
}

export interface Joints {
  readonly joints: readonly JointTake[];
  /** Of sealant and lines, net. */
  readonly sealantLitres: number;
  readonly cartridges: number;
  readonly foamLitres: number;
  readonly cans: number;
  readonly backerM: number;
  readonly findings: readonly Finding<'gap-too-wide-for-foam'>[];
}

const LITRES_PER_M3 = 1000;
/** Of joints, where nobody says another: waste, litres in a cartridge, litres that a can of foam yields. */
export const JOINT_WASTE = 0.15;
export const CARTRIDGE_L = 0.31;
export const CAN_L = 25;
const GAP_TO_M: Readonly<Record<JointFill, number>> = { sealant: 0.025, foam: 0.075, line: 0.075 };
const FOAM_GAP_TO_M = 0.025;
/** Half the gap, but no thinner than it holds and no thicker than it moves. */
const [SHALLOWEST_M, DEEPEST_M] = [0.006, 0.012];
/** Wider gaps have a rod behind the sealant. */
const BACKED_FROM_M = 0.006;
const BACKER_PER_GAP = 1.25;

function takeOf({ kind, lengthM, gapM, depthM }: JointInput, at: number): JointTake {
  if (gapM > GAP_TO_M[kind])
    throw new Refusal('out-of-range', `joints[${at}].gapM`, 'This gap is too wide to be filled so.', {
      value: gapM,
      bound: GAP_TO_M[kind],
    });
  const nothing = { backerM: null, backerDiameterM: null };
  if (kind === 'line')
    return { litres: (Math.PI / 4) * gapM ** 2 * lengthM * LITRES_PER_M3, depthM: null, ...nothing };
  if (kind === 'foam') {
    if (depthM === undefined)
      throw new Refusal('required', `joints[${at}].depthM`, 'Say how deep the foam is.');
    return { litres: lengthM * gapM * depthM * LITRES_PER_M3, depthM, ...nothing };
  }
  const deep = depthM ?? Math.min(DEEPEST_M, Math.max(SHALLOWEST_M, gapM / 2));
  const isBacked = exceeds(gapM, BACKED_FROM_M);
  return {
    litres: lengthM * gapM * deep * LITRES_PER_M3,
    depthM: deep,
    backerM: isBacked ? lengthM : null,
    backerDiameterM: isBacked ? BACKER_PER_GAP * gapM : null,
  };
}

/**
 * Sealant, foam and backer rod for joints, litres and metres net, cartridges and cans with what is wasted.
 * @example joints({ joints: [{ kind: 'sealant', lengthM: 60, gapM: 0.004 }] }).cartridges // 6
 * @throws {Refusal} `out-of-range`, `required`
 */
export function joints(input: JointsInput): Joints {
  const { wasteShare: waste = JOINT_WASTE, cartridgeLitres = CARTRIDGE_L, canLitres = CAN_L } = input;
  const takes = input.joints.map(takeOf);
  const litresOf = (isFoam: boolean): number =>
    takes.reduce(
      (sum, { litres }, i) => sum + ((input.joints[i]?.kind === 'foam') === isFoam ? litres : 0),
      0,
    );
  const [sealantLitres, foamLitres] = [litresOf(false), litresOf(true)];
  return {
    joints: takes,
    sealantLitres,
    cartridges: wholeUp((sealantLitres * (1 + waste)) / cartridgeLitres),
    foamLitres,
    cans: wholeUp((foamLitres * (1 + waste)) / canLitres),
    backerM: takes.reduce((sum, { backerM }) => sum + (backerM ?? 0), 0),
    findings: input.joints.flatMap(({ kind, gapM }): Joints['findings'] =>
      kind === 'foam' && exceeds(gapM, FOAM_GAP_TO_M)
        ? [
            {
              rule: 'gap-too-wide-for-foam',
              severity: 'warn',
              message: 'So wide a gap is not for foam alone: back it, or fill it with a strip first.',
              value: gapM,
              limit: FOAM_GAP_TO_M,
            },
          ]
        : [],
    ),
  };
}

export const jointsOperation: Operation<JointsInput, Joints> = {
  words: {
    shelf: 'insulation',
    title: 'Sealant and foam for joints',
    tells: 'Cartridges, cans and backer rod for joints of several widths.',
    alsoCalled: 'take-off, order list, caulk, sealant, gun foam, backer rod, bead',
    mainFigures: ['cartridges', 'cans', 'backerM', 'sealantLitres'],
  },
  schema: fields<JointsInput>({
    joints: list(
      fields<JointInput>({
        kind: option('sealant', 'foam', 'line'),
        lengthM: positive('length'),
        gapM: positive('thickness'),
        depthM: optional(positive('thickness')),
      }),
      1,
      JOINTS_MAX,
    ),
    wasteShare,
    cartridgeLitres: as('In a cartridge, litres', optional(positive('plain'))),
    canLitres: as('Foam from a can, litres', optional(positive('plain'))),
  }),
  run: joints,
  output: outcome<Joints>({
    joints: list(
      part({
        litres: figure('plain'),
        depthM: optional(figure('thickness')),
        backerM: as('Backer rod', optional(figure('length'))),
        backerDiameterM: as('Its diameter', optional(figure('thickness'))),
      }),
      1,
      JOINTS_MAX,
    ),
    sealantLitres: as('Sealant, litres', figure('plain')),
    cartridges: figure('count'),
    foamLitres: as('Foam, litres', figure('plain')),
    cans: figure('count'),
    backerM: as('Backer rod', figure('length')),
  }),
};
