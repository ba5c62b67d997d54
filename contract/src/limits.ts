export {
  CORNERS_MAX,
  FILLS_MAX,
  LAYERS_MAX,
  OPENINGS_MAX,
  REQUIREMENTS_MAX,
  WALL_LENGTH_MAX_M,
  WALL_THICKNESS_MAX_M,
  WALLS_MAX,
  WINGS_MAX,
} from '@calvet/core/limits';

/** How long the name of something may be. */
export const NAME_MAX = 120;

/** How many entries the lists within records may have. */
export const READINGS_MAX = 200;
export const BASELINE_MAX = 60;
export const FAN_RANGES_MAX = 20;
export const PHOTO_MARKS_MAX = 60;
/** Of a key: what an item is, and the ids of two things that were drawn. */
export const ITEM_KEY_MAX = 120;
export const STRETCHES_MAX = 20;
/** Of a build-up: kinds of fixings through one layer. Fills of one cavity: as many as are computed. */
export const FIXINGS_MAX = 12;
/** Sizes of openings in one framed wall. */
export const FRAME_OPENINGS_MAX = 10;
/** Spots of one area that were opened to look inside. */
export const OPENED_SPOTS_MAX = 60;
/** Of the name under which a library knows a material. */
export const MATERIAL_ID_MAX = 60;
export const CLIMATE_ID_MAX = 60;
export const PLANNED_BUILD_UPS_MAX = 60;
export const FEATURES_MAX = 1000;
/** Parts of a house that are built in their own way, and checkpoints that are switched off. */
export const SCHOOLS_AT_MAX = 300;
export const CHECKPOINTS_OFF_MAX = 500;
export const CHECKPOINTS_ADDED_MAX = 100;
/** Rules on holes that one house has in its own way. */
export const HOLE_RULES_MAX = 200;
/** Of one verdict: in what it fails, what was read off, which were known before. */
export const VERDICT_REASONS_MAX = 30;
export const VERDICT_READINGS_MAX = 60;
export const FOLLOWS_MAX = 50;
/** Of one entry of penetrations: how many holes, in how many ways each is closed, what else is known of it. */
export const HOLES_MAX = 1000;
export const PENETRATION_SEALS_MAX = 30;
export const PENETRATION_FLAGS_MAX = 20;
export const JUNCTION_WAYS_MAX = 20;
/** Words that somebody adds to a hole, a junction or a mend. */
export const SAID_MAX = 480;
/** Wider is no gap, and longer no edge, of one hole. */
export const GAP_MAX_MM = 5000;
export const PERIMETER_MAX_MM = 100_000;
export {
  CLOSED_DAYS_MAX,
  WORK_DAYS_MAX,
  WORK_LAG_MAX,
  WORK_SCOPES_MAX,
  WORKS_MAX,
} from '@calvet/core/limits';

/** For how long what was deleted is offered back. */
export const RESTORABLE_MS = 30 * 24 * 3_600_000;
