import { AREAS_MAX, REQUIREMENTS_MAX } from '../limits';
import { envelopeKind, type EnvelopeKind } from '../envelope-kind';
import { exceeds, type Finding } from '../finding';
import { isAsGoodAs, type GradeOfWork } from '../insulation/grade';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  fields,
  figure,
  list,
  nonNegative,
  option,
  optional,
  outcome,
  part,
  positive,
  text,
} from '../schema';
import { installationGrade, type InstallationGrade } from './grade-adjustment';

/** An area as it was planned and as it was built. */
export interface JudgedArea {
  readonly id: string;
  readonly kind: EnvelopeKind;
  readonly areaM2: number;
  readonly plannedUValue: number;
  /** With the grade of the work; left out before it is graded. */
  readonly asBuiltUValue?: number;
  readonly grade?: GradeOfWork;
}

/** What a kind of area must reach: a least R or a greatest U. */
export interface KindRequirement {
  readonly kind: EnvelopeKind;
  readonly leastRsi?: number;
  readonly greatestUValue?: number;
}

export interface ThermalRequirementsInput {
  readonly areas: readonly JudgedArea[];
  readonly requirements?: readonly KindRequirement[];
  /** Greatest UA of the house. */
  readonly greatestTransmissionWK?: number;
  /** Thermal bridges, already summed; below 0 where outside dimensions count more than is lost. */
  readonly junctionsWK?: number;
  /** Grade that every area must reach. */
  readonly leastGrade?: InstallationGrade;
}

/** `open`: cannot be said yet, because something was not graded. */
export type Judgement = 'meets' | 'fails' | 'open' | 'not-asked';

export interface AreaJudgement {
  readonly id: string;
  readonly greatestUValue: number | null;
  readonly planned: Judgement;
  readonly asBuilt: Judgement;
  readonly grade: Judgement;
}

export interface ThermalRequirements {
  readonly areas: readonly AreaJudgement[];
  readonly house: {
    readonly plannedWK: number;
    /** Null until every area is graded. */
    readonly asBuiltWK: number | null;
    readonly planned: Judgement;
    readonly asBuilt: Judgement;
  };
  readonly findings: readonly Finding<
    | 'planned-below-requirement'
    | 'as-built-below-requirement'
    | 'grade-below-requirement'
    | 'house-over-limit'
  >[];
}

function greatestU({ leastRsi, greatestUValue }: KindRequirement, field: string): number {
  if (leastRsi !== undefined) {
    if (greatestUValue === undefined) return 1 / leastRsi;
    throw new Refusal('conflict', `${field}.leastRsi`, 'Give a least R or a greatest U, not both.');
  }
  if (greatestUValue !== undefined) return greatestUValue;
  throw new Refusal('required', `${field}.leastRsi`, 'Give a least R or a greatest U.');
}

function limitsByKind(requirements: readonly KindRequirement[]): ReadonlyMap<EnvelopeKind, number> {
  const limits = new Map<EnvelopeKind, number>();
  requirements.forEach((requirement, i) => {
    const field = `requirements[${i}]`;
    if (limits.has(requirement.kind)) {
      throw new Refusal('duplicate-id', `${field}.kind`, 'This kind of area has a requirement already.', {
        value: requirement.kind,
      });
    }
    limits.set(requirement.kind, greatestU(requirement, field));
  });
  return limits;
}

/** Two areas of one id could not be told apart in the answer. */
function refuseDoubledIds(areas: readonly JudgedArea[]): void {
  const known = new Set<string>();
  areas.forEach(({ id }, i) => {
    if (known.has(id)) {
      throw new Refusal('duplicate-id', `areas[${i}].id`, 'Another area has this id already.', { value: id });
    }
    known.add(id);
  });
}

function judge(value: number | undefined, greatest: number | undefined): Judgement {
  if (greatest === undefined) return 'not-asked';
  if (value === undefined) return 'open';
  return exceeds(value, greatest) ? 'fails' : 'meets';
}

function judgeGrade(grade: GradeOfWork | undefined, least: 'I' | 'II' | 'III' | undefined): Judgement {
  if (least === undefined) return 'not-asked';
  if (grade === undefined) return 'open';
  return isAsGoodAs(grade, least) ? 'meets' : 'fails';
}

const MESSAGES = {
  'planned-below-requirement': 'As planned, this area does not reach what is asked of it.',
  'as-built-below-requirement': 'As the work was done, this area does not reach what is asked of it.',
  'grade-below-requirement': 'The work in this area is graded worse than asked.',
} as const;

function areaFindings(
  judged: AreaJudgement,
  input: JudgedArea,
  area: number,
): ThermalRequirements['findings'] {
  const limit = judged.greatestUValue ?? undefined;
  const finding = (rule: keyof typeof MESSAGES, value?: number): ThermalRequirements['findings'][number] => ({
    rule,
    severity: 'fail',
    message: MESSAGES[rule],
    ...(value === undefined ? {} : { value, limit }),
    area,
  });
  return [
    ...(judged.planned === 'fails' ? [finding('planned-below-requirement', input.plannedUValue)] : []),
    ...(judged.asBuilt === 'fails' ? [finding('as-built-below-requirement', input.asBuiltUValue)] : []),
    ...(judged.grade === 'fails' ? [finding('grade-below-requirement')] : []),
  ];
}

/**
 * A house held against its thermal requirements, as planned and as built: least R or greatest U by kind of area, a
 * greatest UA (W/K) for the house, a grade for every area. Limits are the project's own; local code decides them.
 * @example thermalRequirements(examples['thermal.requirements']).house.plannedWK // 29.52
 * @throws {Refusal} `required`, `conflict`, `duplicate-id`
 */
export function thermalRequirements(input: ThermalRequirementsInput): ThermalRequirements {
  const { areas, requirements = [], greatestTransmissionWK, junctionsWK = 0, leastGrade } = input;
  refuseDoubledIds(areas);
  const limits = limitsByKind(requirements);
  const judged = areas.map(({ id, kind, plannedUValue, asBuiltUValue, grade }): AreaJudgement => {
    const greatest = limits.get(kind);
    return {
      id,
      greatestUValue: greatest ?? null,
      planned: judge(plannedUValue, greatest),
      asBuilt: judge(asBuiltUValue, greatest),
      grade: judgeGrade(grade, leastGrade),
    };
  });
  const plannedWK = areas.reduce(
    (sum, { areaM2, plannedUValue }) => sum + areaM2 * plannedUValue,
    junctionsWK,
  );
  const asBuiltWK = areas.reduce<number | null>(
    (sum, { areaM2, asBuiltUValue }) =>
      sum === null || asBuiltUValue === undefined ? null : sum + areaM2 * asBuiltUValue,
    junctionsWK,
  );
  const house = {
    plannedWK,
    asBuiltWK,
    planned: judge(plannedWK, greatestTransmissionWK),
    asBuilt: judge(asBuiltWK ?? undefined, greatestTransmissionWK),
  };
  const areaResults = areas.flatMap((area, i) => {
    const result = judged[i];
    return result === undefined ? [] : areaFindings(result, area, i);
  });
  const houseResults: ThermalRequirements['findings'] =
    house.planned === 'fails' || house.asBuilt === 'fails'
      ? [
          {
            rule: 'house-over-limit',
            severity: 'fail',
            message: 'The house loses more heat than its limit allows.',
            value: house.asBuilt === 'fails' ? (asBuiltWK ?? plannedWK) : plannedWK,
            limit: greatestTransmissionWK,
          },
        ]
      : [];
  return { areas: judged, house, findings: [...areaResults, ...houseResults] };
}

export const thermalRequirementsOperation: Operation<ThermalRequirementsInput, ThermalRequirements> = {
  words: {
    shelf: 'heat',
    title: 'Areas against requirements',
    tells: 'Whether each area and the house keep to what is asked, as planned and as built.',
    alsoCalled: 'code compliance, building regulations, U-value limit, R-value minimum, trade-off, UA',
    mainFigures: ['house.asBuilt', 'house.asBuiltWK', 'house.plannedWK'],
  },
  schema: fields<ThermalRequirementsInput>({
    areas: list(
      fields<JudgedArea>({
        id: as('Name', text()),
        kind: envelopeKind,
        areaM2: positive('area'),
        plannedUValue: as('U as planned', nonNegative('transmittance')),
        asBuiltUValue: as('U as built', optional(nonNegative('transmittance'))),
        grade: optional(option('I', 'II', 'III', 'none')),
      }),
      1,
      AREAS_MAX,
    ),
    requirements: optional(
      list(
        fields<KindRequirement>({
          kind: envelopeKind,
          leastRsi: as('Least R', optional(positive('resistance'))),
          greatestUValue: as('Greatest U', optional(positive('transmittance'))),
        }),
        0,
        REQUIREMENTS_MAX,
      ),
    ),
    greatestTransmissionWK: as('Greatest heat loss', optional(positive('heatLoss'))),
    junctionsWK: as('Through junctions', optional(figure('heatLoss'))),
    leastGrade: optional(installationGrade),
  }),
  run: thermalRequirements,
  output: outcome<ThermalRequirements>({
    areas: list(
      part({
        id: as('Name', text()),
        greatestUValue: as('Greatest U', figure('transmittance')),
        planned: text(),
        asBuilt: text(),
        grade: text(),
      }),
    ),
    house: part({
      plannedWK: as('Heat loss as planned', figure('heatLoss')),
      asBuiltWK: as('Heat loss as built', figure('heatLoss')),
      planned: text(),
      asBuilt: text(),
    }),
  }),
};
