/*
 * How many entries a list of an input may have: more than anybody measures, and few enough that no single request holds up
 * those of others.
 */

/** Layers of a build-up; the thickest that is built has a dozen. */
export const LAYERS_MAX = 24;
/** Kinds of fasteners through one build-up. */
export const FASTENERS_MAX = 24;
/** Fills that lie in one cavity. */
export const FILLS_MAX = 6;
/** Kinds of members that stand in one framed layer. */
export const FRAME_MEMBERS_MAX = 100;
/** Layers and parts of layers whose making is counted: of each framed layer its fill and its frame. */
export const CARBON_LAYERS_MAX = 48;
/** Defects of one area. */
export const DEFECTS_MAX = 2000;
/** Readings of one run, as a gauge logs them; by hand one takes ten. */
export const READINGS_MAX = 500;
/** Baseline readings on one side of a run: a gauge may log them for minutes. */
export const BASELINE_MAX = 500;
/** Tests at one pressure that are repeated. */
export const REPEATS_MAX = 100;
/** Work that fell between two tests. */
export const WORK_MAX = 500;
/** Areas of one envelope: a block of flats, room by room. */
export const AREAS_MAX = 1000;
/** Junctions, and penetrations, of one envelope. */
export const JUNCTIONS_MAX = 5000;
/** Places that one area has on its edges. */
export const PLACES_MAX = 60;
/** Requirements that areas are held against. */
export const REQUIREMENTS_MAX = 100;
/** Openings in one wall. */
export const OPENINGS_MAX = 200;
/** Depths taken over one layer: each 30 cm of a loft of 900 m². */
export const DEPTHS_MAX = 10_000;
/** Samples of fill that are cut out or weighed. */
export const SAMPLES_MAX = 1000;
/** Lines of the table on a bag. */
export const TABLE_LINES_MAX = 200;
/** Cavities of one house that are looked at. */
export const CAVITIES_MAX = 10_000;
/** Regions that are marked in one cavity. */
export const REGIONS_MAX = 200;
/** Voids that are outlined on one photo, and the corners of each. */
export const OUTLINES_MAX = 100;
export const OUTLINE_CORNERS_MAX = 1000;
/** Leaks that a path to a target chooses from. */
export const LEAKS_MAX = 200;
/** Storeys of one house, cellar and roof rooms among them. */
export const STOREYS_MAX = 12;
/** Walls of one outline. */
export const WALLS_MAX = 200;
/** Unheated rooms beside one storey, and the corners of an outline that is not made of walls. */
export const ZONES_MAX = 12;
export const CORNERS_MAX = 60;
/** Roofs of one house, and the wings of one of them. */
export const ROOFS_MAX = 24;
export const WINGS_MAX = 24;
/** Openings of one house, those of one kind as one. */
export const PLAN_OPENINGS_MAX = 1000;

/** Of a wall, in m. */
export const WALL_LENGTH_MAX_M = 500;
export const WALL_THICKNESS_MAX_M = 2;
/** An outline closes where its end lies so near to its start, and its turns come so near to a whole one. */
export const OUTLINE_OPEN_M = 1e-3;
export const OUTLINE_OPEN_DEG = 0.5;

/** Works of one house, those on each storey by themselves. */
export const WORKS_MAX = 500;
/** Parts of the house that one work is on. */
export const WORK_SCOPES_MAX = 200;
/** Workdays that one work takes, and that lie between two: years. */
export const WORK_DAYS_MAX = 1000;
export const WORK_LAG_MAX = 1000;
/** Days on which nobody works, besides those of each week: twenty years of them. */
export const CLOSED_DAYS_MAX = 1000;
/** Things of one house that have to be looked at before they are covered. */
export const HOLD_ITEMS_MAX = 20_000;

/** Of a take-off: sizes of cavities, joints, layers that a fixing goes through, lengths that it can be had in. */
export const BATT_GROUPS_MAX = 500;
export const JOINTS_MAX = 1000;
export const PASSES_MAX = 12;
export const STOCK_MAX = 100;

/** Depths taken on the map of one area. */
export const MAP_READINGS_MAX = 500;
/** Answers of somebody who trains their eye: twenty a week for years. */
export const ANSWERS_MAX = 5000;
