export { API, apiPaths, AUTHOR_HEADER, CLOCK_HEADER, DEVICE_HEADER, PICTURE_HEADER } from './api-paths';
export {
  airtightnessTestBody,
  housePressure,
  namedFanRange,
  TEST_STAGES,
  testReading,
  type AirtightnessTest,
  type AirtightnessTestBody,
  type BaselineReading,
  type NamedFanRange,
  type TestReading,
  type TestRun,
  type TestStage,
} from './airtightness/airtightness-test';
export {
  buildingOf,
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
  CHANGE_OPS,
  CHANGES_TOGETHER_MAX,
  CONFIRM_MAX,
  HOUSES_ASKED_MAX,
  fieldsOf,
  PAGE_MAX,
  readChange,
  type Change,
  type ChangeOp,
  type ChangeOutcome,
  type ChangesAnswer,
  type ChangesPage,
  type ConfirmedPictures,
  type ChangesOfHouses,
  type DeletedHousesAnswer,
  type FieldCollision,
  type HousesAnswer,
  type PagesByHouse,
  type News,
  type OutcomeCode,
  type ReadChange,
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
  isChangesOfHouses,
  isHousesAnswer,
  isProblem,
} from './answers';
export {
  asKindedRecord,
  changedBody,
  takeChange,
  type AcceptedChange,
  type Author,
  type HouseLedger,
  type LedgerRecord,
} from './changes/house-ledger';
export { HOUSE_TARGET_QUANTITIES, houseBody, type House, type HouseBody } from './house/house';
export {
  AREA_KINDS,
  GRADED_VOID_MAX,
  isJudged,
  areaBody,
  buildUp,
  heatFlowOf,
  layerFigures,
  type Area,
  type AreaBody,
  type AreaKind,
  type BuildUp,
  type BuildUpLayer,
  type LayerFigures,
} from './installation/area';
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
  PHOTO_MARKS_MAX,
  READINGS_MAX,
  RESTORABLE_MS,
} from './limits';
export { broughtInPresentForm, wholeInPresentForm } from './former-form';
export { bodySchemas, isKind, KINDS, type Bodies, type Kind, type KindedRecord } from './kinds';
export {
  CAPTION_MAX,
  MARK_TEXT_MAX,
  OUTLINE_POINTS_MAX,
  photoBody,
  PHOTO_MARK_KINDS,
  pictureName,
  type Photo,
  type PhotoBody,
  type PhotoMark,
  type PhotoSubject,
  type PhotoSubjectKind,
  type PicturePoint,
} from './photos/photo';
export { PICTURE_BYTES_MAX, PICTURE_SIDE_MAX_PX } from './photos/picture-limits';
export type { Problem } from './problem';
export { ownFields, type RecordBase, type Stored } from './record';
export { refusalFromCore, refusalOf, type FieldRefusal, type RecordRefusalCode } from './refusal-of';
