import { as, boolean, fields, optional } from '../schema';

/** The best grade that requirements leave open; `I` is no cap. */
export type GradeCap = 'I' | 'II' | 'III';

/** What must be so for a grade; left out where it does not apply. */
export interface Requirements {
  readonly touchesAirBarrier?: boolean;
  readonly enclosedSixSides?: boolean;
  readonly splitAroundServices?: boolean;
  readonly behindBoxes?: boolean;
  readonly pipesOnWarmSide?: boolean;
  readonly heldInPlace?: boolean;
  /** At the thickness of its label, or of its cavity, not flattened. */
  readonly fullThickness?: boolean;
  /** A matter of moisture, not of heat: it caps no grade. */
  readonly facingOnWarmSide?: boolean;
}

/** What a finding says of a requirement that is not met. */
export type RequirementRule =
  | 'no-air-barrier-contact'
  | 'not-enclosed'
  | 'not-split-around-services'
  | 'nothing-behind-boxes'
  | 'pipe-on-cold-side'
  | 'not-held-in-place'
  | 'not-full-thickness'
  | 'facing-on-cold-side';

/** What each requirement that is not met caps, and says. */
export const REQUIREMENTS: readonly {
  readonly name: keyof Requirements;
  readonly cap: GradeCap;
  readonly rule: RequirementRule;
  readonly message: string;
}[] = [
  {
    name: 'touchesAirBarrier',
    cap: 'II',
    rule: 'no-air-barrier-contact',
    message: 'The insulation does not touch the air barrier that it should lie against.',
  },
  {
    name: 'enclosedSixSides',
    cap: 'II',
    rule: 'not-enclosed',
    message: 'The insulation is not enclosed on all six sides.',
  },
  {
    name: 'splitAroundServices',
    cap: 'II',
    rule: 'not-split-around-services',
    message: 'The insulation is not split around wires or pipes.',
  },
  {
    name: 'behindBoxes',
    cap: 'II',
    rule: 'nothing-behind-boxes',
    message: 'There is no insulation behind the boxes.',
  },
  {
    name: 'pipesOnWarmSide',
    cap: 'III',
    rule: 'pipe-on-cold-side',
    message: 'A pipe that holds water lies on the cold side of the insulation.',
  },
  {
    name: 'heldInPlace',
    cap: 'III',
    rule: 'not-held-in-place',
    message: 'The insulation is not held in place and can fall out.',
  },
  {
    name: 'fullThickness',
    cap: 'II',
    rule: 'not-full-thickness',
    message: 'The insulation is not at its full thickness.',
  },
  {
    name: 'facingOnWarmSide',
    cap: 'I',
    rule: 'facing-on-cold-side',
    message: 'The facing that keeps vapour out lies on the cold side: moisture is caught behind it.',
  },
];

export const requirements = fields<Requirements>({
  touchesAirBarrier: as('Touches the air barrier', optional(boolean())),
  enclosedSixSides: as('Enclosed on all six sides', optional(boolean())),
  splitAroundServices: as('Split around wires and pipes', optional(boolean())),
  behindBoxes: as('Filled behind boxes', optional(boolean())),
  pipesOnWarmSide: as('Water pipes on the warm side', optional(boolean())),
  heldInPlace: optional(boolean()),
  fullThickness: as('At its full thickness', optional(boolean())),
  facingOnWarmSide: as('Facing on the warm side', optional(boolean())),
});
