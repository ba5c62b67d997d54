import { holdPointsOperation } from './calendar/hold-points';
import { airStateOperation } from './air/density';
import { dewPointOperation } from './air/dew-point';
import { yorkRegressionOperation } from './airtightness/york-regression';
import { budgetOperation } from './airtightness/budget';
import { uncertaintyPropagationOperation } from './airtightness/uncertainty-propagation';
import { multiPointOperation } from './airtightness/multi-point';
import { singlePointOperation } from './airtightness/single-point';
import { stageComparisonOperation } from './airtightness/stage-comparison';
import { zoneOperation } from './airtightness/zone';
import { degreeDaysOperation } from './climate/degree-days';
import { traceOperation } from './continuity/trace';
import { bagsOperation } from './insulation/bags';
import { battCompressionOperation } from './insulation/batt-compression';
import { cavityFillOperation } from './insulation/cavity-fill';
import { coverageOperation } from './insulation/coverage';
import { defectPricesOperation } from './insulation/defect-prices';
import { densitySamplesOperation } from './insulation/density-samples';
import { depthOperation } from './insulation/depth';
import { depthMapOperation } from './insulation/depth-map';
import { gradeOperation } from './insulation/grade';
import type { Finding } from './finding';
import { FORMER_NAMES } from './former-names';
import { doubtsAbout } from './implausible';
import { hybridFillOperation } from './insulation/hybrid-fill';
import { massPerAreaOperation } from './insulation/mass-per-area';
import { samplingOperation } from './insulation/sampling';
import { dryAndDampOperation } from './moisture/dry-and-damp';
import { indoorYearOperation } from './moisture/indoor-year';
import { interfacesOperation } from './moisture/interfaces';
import { monthlyOperation } from './moisture/monthly';
import { vapourPlanOperation } from './moisture/vapour-plan';
import { computeWith, type Operation, type Progress } from './operation';
import { onlyKnown } from './schema';
import { pathToTargetOperation } from './path-to-target/evaluate';
import { regionsOperation } from './photo/regions';
import { voidsOperation } from './photo/voids';
import { judgePenetrationOperation } from './penetrations/judge';
import { planSizesOperation } from './plan/sizes';
import { Refusal } from './refusal';
import { battsOperation } from './take-off/batts';
import { fixingOperation } from './take-off/fixing';
import { jointsOperation } from './take-off/joint';
import { packsOperation } from './take-off/packs';
import { sheetOperation } from './take-off/sheet';
import { airSpaceOperation } from './thermal/air-space';
import { assemblyOperation } from './thermal/assembly';
import { carbonOperation } from './thermal/carbon';
import { designHeatLoadOperation } from './thermal/design-heat-load';
import { doubleFramesOperation } from './thermal/double-frames';
import { groundOperation } from './thermal/ground';
import { houseThermalOperation } from './thermal/house';
import { iSectionOperation } from './thermal/i-section';
import { mixedFrameOperation } from './thermal/mixed-frame';
import { paybackOperation } from './thermal/payback';
import { thermalRequirementsOperation } from './thermal/requirements';
import { studLayoutOperation } from './thermal/stud-layout';
import { agreementOperation } from './training/agreement';
import { infiltrationOperation } from './ventilation/infiltration';
import { ventilationRequirementOperation } from './ventilation/requirement';

/** Every computation by name. The command line, the API and the web worker are thin doors to this table. */
export const operations = {
  'insulation.bags': bagsOperation,
  'insulation.coverage': coverageOperation,
  'insulation.battCompression': battCompressionOperation,
  'insulation.cavityFill': cavityFillOperation,
  'insulation.depth': depthOperation,
  'insulation.depthMap': depthMapOperation,
  'insulation.densitySamples': densitySamplesOperation,
  'insulation.massPerArea': massPerAreaOperation,
  'insulation.hybridFill': hybridFillOperation,
  'insulation.grade': gradeOperation,
  'insulation.sampling': samplingOperation,
  'insulation.defectPrices': defectPricesOperation,
  'photo.voids': voidsOperation,
  'photo.regions': regionsOperation,
  'training.agreement': agreementOperation,
  'takeOff.packs': packsOperation,
  'takeOff.batts': battsOperation,
  'takeOff.sheet': sheetOperation,
  'takeOff.joint': jointsOperation,
  'takeOff.fixing': fixingOperation,
  'air.dewPoint': dewPointOperation,
  'moisture.indoorYear': indoorYearOperation,
  'moisture.interfaces': interfacesOperation,
  'moisture.monthly': monthlyOperation,
  'moisture.dryAndDamp': dryAndDampOperation,
  'moisture.vapourPlan': vapourPlanOperation,
  'air.density': airStateOperation,
  'climate.degreeDays': degreeDaysOperation,
  'ventilation.requirement': ventilationRequirementOperation,
  'ventilation.infiltration': infiltrationOperation,
  'thermal.assembly': assemblyOperation,
  'thermal.airSpace': airSpaceOperation,
  'thermal.studLayout': studLayoutOperation,
  'thermal.mixedFrame': mixedFrameOperation,
  'thermal.doubleFrames': doubleFramesOperation,
  'thermal.iSection': iSectionOperation,
  'thermal.ground': groundOperation,
  'thermal.house': houseThermalOperation,
  'thermal.requirements': thermalRequirementsOperation,
  'thermal.designHeatLoad': designHeatLoadOperation,
  'thermal.carbon': carbonOperation,
  'thermal.payback': paybackOperation,
  'airtightness.budget': budgetOperation,
  'airtightness.multiPoint': multiPointOperation,
  'airtightness.singlePoint': singlePointOperation,
  'airtightness.yorkRegression': yorkRegressionOperation,
  'airtightness.stageComparison': stageComparisonOperation,
  'airtightness.zone': zoneOperation,
  'airtightness.uncertaintyPropagation': uncertaintyPropagationOperation,
  'continuity.trace': traceOperation,
  'pathToTarget.evaluate': pathToTargetOperation,
  'plan.sizes': planSizesOperation,
  'calendar.holdPoints': holdPointsOperation,
  'penetration.judge': judgePenetrationOperation,
} as const;

export type OperationName = keyof typeof operations;

type InputOf<Each> = Each extends Operation<infer Input, unknown> ? Input : never;
type OutputOf<Each> = Each extends { readonly run: (...args: never[]) => infer Output } ? Output : never;

/** Input and output of each operation. */
export type OperationTypes = {
  readonly [Name in OperationName]: {
    readonly input: InputOf<(typeof operations)[Name]>;
    readonly output: OutputOf<(typeof operations)[Name]>;
  };
};

export const operationNames = Object.keys(operations) as readonly OperationName[];

/**
 * The operation that a name from outside means, also by what it was called before; null where there is none.
 * @example operationNamed('airtightness.bothAxes') // 'airtightness.yorkRegression'
 */
export function operationNamed(name: string): OperationName | null {
  const present = Object.hasOwn(FORMER_NAMES, name) ? FORMER_NAMES[name] : name;
  return operationNames.find((each) => each === present) ?? null;
}

/**
 * True for an operation that a screen or a server must not wait for.
 * @example takesLong('air.dewPoint') // false
 */
export function takesLong(name: string): boolean {
  const operation = operationNamed(name);
  return operation !== null && 'takesLong' in operations[operation];
}

/**
 * Runs an operation on an input that is checked against its schema first. Figures that are most likely a slip of the unit
 * are asked about among its findings (`implausible`).
 * @example compute('air.dewPoint', { temperatureC: 21, relativeHumidity: 0.45 }).dewPointC // 8.622
 * @throws {Refusal} naming the field that the computation cannot answer for
 */
export function compute<Name extends OperationName>(
  name: Name,
  input: unknown,
  progress?: Progress,
): OperationTypes[Name]['output'] {
  const operation = operations[name] as unknown as Operation<unknown, OperationTypes[Name]['output']>;
  const output = computeWith(operation, input, progress);
  // The input passed its schema.
  const doubts = doubtsAbout(name, input as OperationTypes[Name]['input'], output);
  if (doubts.length === 0) return output;
  const { findings = [] } = output as { readonly findings?: readonly Finding[] };
  return { ...output, findings: [...findings, ...doubts] };
}

/**
 * Says that there is no such operation.
 * @example unknownOperation('air').code // 'unknown-operation'
 */
export const unknownOperation = (name: unknown): Refusal =>
  new Refusal('unknown-operation', 'operation', `Known operations: ${operationNames.join(', ')}.`, {
    value: name,
  });

/**
 * An input, checked against the schema of its operation, with nothing in it that the schema does not know: it is no larger
 * and no deeper than an input may be, and can be handed over to a thread.
 * @example Object.keys(knownInput('air.dewPoint', { temperatureC: 21, relativeHumidity: 0.45, weather: 'fair' })).length // 2
 * @throws {Refusal} `unknown-operation`, and naming the field that does not fit
 */
export function knownInput(name: string, input: unknown): Readonly<Record<string, unknown>> {
  const operation = operationNamed(name);
  if (operation === null) throw unknownOperation(name);
  const { schema } = operations[operation];
  // Every input is an object.
  return onlyKnown<unknown>(schema, input) as Readonly<Record<string, unknown>>;
}

/**
 * Runs the operation of a name that came from outside.
 * @example computeByName('air.dewPoint', { temperatureC: 21, relativeHumidity: 0.45 }).dewPointC // 8.622
 * @throws {Refusal} `unknown-operation`, and as {@link compute}
 */
export function computeByName(
  name: unknown,
  input: unknown,
  progress?: Progress,
): OperationTypes[OperationName]['output'] {
  const operation = typeof name === 'string' ? operationNamed(name) : null;
  if (operation === null) {
    throw unknownOperation(name);
  }
  return compute(operation, input, progress);
}
