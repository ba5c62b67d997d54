export { DEFAULT_RELATIVE_HUMIDITY, REFERENCE_AIR, pressureAtAltitudePa } from './air/density';
export {
  sizeNeededBy,
  type Budget,
  type BudgetInput,
  type Target,
  type TargetQuantity,
  type Verdict,
} from './airtightness/budget';
export type { Building } from './airtightness/building';
export type { Conditions, Direction } from './airtightness/conditions';
export type { LeakageFigures } from './airtightness/figures';
export type { MultiPointFigures, MultiPointInput, MultiPointResult } from './airtightness/multi-point';
export type { FanRange, Reading, ReducedReading } from './airtightness/reading';
export type { ReferenceMethod } from './airtightness/reference-conditions';
export type { Run, RunResult } from './airtightness/run';
export { t95 } from './airtightness/student-t';
export type { MultiPointRule } from './airtightness/validity';
export { isDay } from './day';
export { ENVELOPE_KINDS, type EnvelopeKind } from './envelope-kind';
export { exceeds, fallsBelow, type Finding } from './finding';
export { doubtsOfLayers, doubtsOfRuns, type Doubt } from './implausible';
export { pressureGaps } from './airtightness/pressure-gaps';
export { computeWith, type Operation, type Progress } from './operation';
export { airStateOperation } from './air/density';
export { multiPointOperation } from './airtightness/multi-point';
export { budgetOperation } from './airtightness/budget';
export { assemblyOperation } from './thermal/assembly';
export { houseThermalOperation } from './thermal/house';
export { Refusal, type RefusalCode } from './refusal';
export type { Assembly, AssemblyInput, AssemblyMethod, GradePrice } from './thermal/assembly';
export type { Fasteners } from './thermal/fasteners';
export type { FilmConvention, HeatFlow } from './thermal/films';
export type { GradeAdjustment, GradeSchool, InstallationGrade } from './thermal/grade-adjustment';
export type { FrameAlignment } from './thermal/heat-paths';
export type { HouseThermal } from './thermal/house';
export type { LayerInput } from './thermal/layer';
export { KGM3_PER_LBFT3, M3H_PER_CFM, M3H_PER_LITRE_SECOND, NG_PER_PERM, RSI_PER_R } from './units/factors';
export {
  QUANTITIES,
  fromSi,
  toSi,
  unitOf,
  type Quantity,
  type Unit,
  type UnitSystem,
} from './units/quantity';
export { parseDecimal, type ParsedDecimal } from './units/decimal';
export { parseQuantity, type AmbiguousReading, type ParsedQuantity } from './units/parse-quantity';
export { unitsTyped, type SpelledUnit } from './units/spellings';
export { confidenceBand, relativeInterval, type BandPoint } from './airtightness/confidence-band';
export type { RelativeInterval } from './airtightness/estimate';
export { airOnBothSides } from './airtightness/conditions';
export { reduceReading } from './airtightness/reading';
export {
  CORNERS_MAX,
  LAYERS_MAX,
  OPENINGS_MAX,
  OUTLINE_OPEN_DEG,
  OUTLINE_OPEN_M,
  WALL_LENGTH_MAX_M,
  WALL_THICKNESS_MAX_M,
  WALLS_MAX,
  WINGS_MAX,
} from './limits';
export type {
  Boundary as PlanBoundary,
  Face as PlanFace,
  PlanInput,
  RoofKind as PlanRoofKind,
  Under as PlanUnder,
} from './plan/plan-input';
export type { HousePath, WorkKind } from './calendar/calendar-input';
