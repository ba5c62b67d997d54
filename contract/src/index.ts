export { API, apiPaths, AUTHOR_HEADER, CLOCK_HEADER, DEVICE_HEADER, PICTURE_HEADER } from './api-paths';
export {
  airtightnessTest,
  baselineFields,
  fanRangeFields,
  isFanRange,
  readingFields,
  STAGE_WORDS,
  TEST_STAGES,
  type AirtightnessTest,
  type AirtightnessTestBody,
  type BaselineReading,
  type FanRangeDraft,
  type NamedFanRange,
  type TestReading,
  type TestRun,
  type TestStage,
} from './airtightness/airtightness-test';
export {
  counts,
  DIRECTIONS,
  latestTest,
  testFigures,
  type TestField,
  type TestFigures,
  type TestPoint,
} from './airtightness/test-figures';
export {
  BATCH_BYTES_MAX,
  BATCH_MAX,
  SEEN_MAX,
  CHANGE_OPS,
  CHANGES_TOGETHER_MAX,
  CONFIRM_MAX,
  LEDGERS_ASKED_MAX,
  PAGE_MAX,
  type Change,
  type ChangeOp,
  type ChangeOutcome,
  type ChangesAnswer,
  type ChangesPage,
  type ConfirmedPictures,
  type ChangesOfLedgers,
  type DeletedHousesAnswer,
  type FieldCollision,
  type HousesAnswer,
  type PagesByLedger,
  type News,
  type OutcomeCode,
} from './changes/change';
export {
  changeBetween,
  cutAt,
  isEmptyChange,
  joinedChanges,
  keysOf,
  touches,
  valueAt,
  withParts,
  type BodyChange,
  type PartChange,
} from './changes/parts';
export {
  isChangesAnswer,
  isChangesPage,
  isConfirmedPictures,
  isDeletedHousesAnswer,
  isChangesOfLedgers,
  isHousesAnswer,
  isProblem,
} from './answers';
export { referenceKey, referencesOf, type Reference } from './changes/references';
export {
  asKindedRecord,
  changedBody,
  saidOf,
  takeChange,
  type AcceptedChange,
  type Author,
  type Ledger,
  type IdOwner,
  type LedgerRecord,
} from './changes/ledger';
export { house, HOUSE_TARGET_QUANTITIES, type House, type HouseBody, type HouseTarget } from './house/house';
export { houseSummary, type HouseSummary, type SummarisedHouse } from './house/house-summary';
export { targetFigure, type Figures, type TargetFigure } from './airtightness/target-figure';
export {
  area,
  GRADED_VOID_MAX,
  heatFlowOf,
  isJudged,
  type Area,
  type AreaBody,
  type AreaInHand,
  MADE_BY_HAND,
  type KeptArea,
  type PlannedArea,
  type BuildUp,
  PLAIN_AREA,
} from './installation/area';
export { AREA_WORDS } from './installation/area-words';
export type { EnvelopeKind } from '@calvet/core/envelope-kind';
export { NO_HEAT_TERMS, type HeatTerms } from './house/heat-terms';
export { LAYER_WORDS, layerFields, type BuildUpLayer, type LayerFigures } from './installation/layer';
export { framedLayer, materialLayer, resistanceLayer } from './installation/plain-layer';
export {
  areaFigures,
  envelopeFigures,
  gradedLayerOf,
  type AreaFigures,
  type EnvelopeFigures,
  type Worth,
} from './installation/area-figures';
export {
  BUILD_UP_LIBRARY,
  buildUpOf,
  kindsSuiting,
  libraryFor,
  type LibraryBuildUp,
} from './installation/build-up-library';
export {
  BASELINE_MAX,
  FAN_RANGES_MAX,
  LAYERS_MAX,
  NAME_MAX,
  PHOTO_MARKS_MAX,
  READINGS_MAX,
  RESTORABLE_MS,
} from './limits';
export { broughtInPresentForm, wholeInPresentForm } from './former-form';
export {
  byKind,
  fieldsOf,
  isFirstKind,
  isKind,
  isShownKind,
  kindNamed,
  KINDS,
  kinds,
  type Bodies,
  type Lists,
  type Kind,
  type KindedRecord,
} from './kinds';
export {
  CAPTION_MAX,
  MARK_TEXT_MAX,
  OUTLINE_POINTS_MAX,
  MARK_WORDS,
  ITEM_SUBJECT,
  photo,
  PHOTO_MARK_KINDS,
  type Photo,
  type PhotoBody,
  type PhotoMark,
  type PhotoSubject,
  type PicturePoint,
} from './photos/photo';
export { PICTURE_BYTES_MAX, PICTURE_SIDE_MAX_PX } from './photos/picture-limits';
export type { Problem } from './problem';
export { notStored, ownFields, type FormerBase, type RecordBase, type Stored } from './record';
export { LEDGER_KINDS, PRACTICE_ID, type LedgerKey, type LedgerKind } from './ledger';
export { NEW_PRACTICE, practice, type Practice, type PracticeBody } from './practice/practice';
export { refusalFromCore, type FieldRefusal, type RecordRefusalCode } from './refusal-of';
export type { AnyField, AnyFields, FigureField } from './kind/field';
export { fieldAt } from './kind/field-at';
export type { AnyKind } from './kind/kind';
export { FACE_WORDS, NEW_PLAN, type Plan, type PlanBody, type PlannedBuildUp } from './plan/plan';
export {
  BOUNDARY_WORDS,
  storey,
  UNDER_WORDS,
  type PlanPlace,
  type Storey,
  type StoreyBody,
  type Stretch,
  type Wall,
} from './plan/storey';
export { ZONE_WORDS, type Zone, type ZoneBody, type ZoneUse } from './plan/zone';
export { roof, ROOF_WORDS, type Roof, type RoofBody, type Wing, type WingEnd } from './plan/roof';
export { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
export {
  feature,
  FEATURE_WORDS,
  newFeature,
  type Feature,
  type FeatureBody,
  type FeatureUse,
} from './plan/feature';
export { opening, OPENING_WORDS, type Opening, type OpeningBody, type OpeningUse } from './plan/opening';
export { withoutDrawn, whereNothingIsDrawn } from './plan/undrawn';
