import { SERVICE_WORDS } from './service-words';

/** What goes through, or is left open. */
export const PENETRATION_WORDS = {
  ...SERVICE_WORDS,
  fixing: 'Screw or fixing',
  oldHole: 'Hole left by lifting, bracing or filling',
  frameGap: 'Gap round a window or door frame',
  seam: 'Seam or bare gap',
} as const;

/** What it goes through. */
export const THROUGH_WORDS = {
  board: 'Board or sheathing',
  timber: 'Plate, stud or deck',
  sheet: 'Sheet or membrane',
  masonry: 'Concrete or masonry',
  lining: 'Lining',
} as const;

/** What closes a hole in one plane. */
export const SEAL_WORDS = {
  none: 'Nothing',
  fibre: 'Fibre stuffed in',
  tape: 'Tape',
  softSealant: 'Sealant that stays soft',
  putty: 'Putty that stays soft',
  lowFoam: 'Low-expansion foam',
  highFoam: 'High-expansion foam',
  backerSealant: 'Backer and sealant',
  filledAndCovered: 'Fill, airtight layer over it',
  rigidPatch: 'Rigid patch, edges sealed',
  grommet: 'Collar, taped or bonded',
  sheetPatch: 'Sheet patch, all edges taped or bedded',
  liquidCoat: 'Liquid coat',
  mortar: 'Mortar or plaster',
  gasketedBox: 'Airtight box, flange on the lining',
  boxFilled: 'Cable entries of the box sealed',
  faceSealed: 'Face of the box sealed to the lining',
  metalCollar: 'Metal collar with rated sealant',
  ratedStop: 'Rated fire stop',
} as const;

/** What else is known of a hole. */
export const FLAG_WORDS = {
  together: 'lines lie together',
  moves: 'joint moves',
  openEnd: 'open end not capped',
  fireRated: 'element is fire-rated',
  linesLoose: 'lines in the sleeve not sealed each at the barrier',
  amongConnections: 'foam or sealant among connections',
  notAirtight: 'fitting not made airtight',
  notForCover: 'not made to be covered, and covered',
  intoCavity: 'fixing misses the timber behind',
  pulledOut: 'fixing pulled out again',
} as const;

export type PenetrationWhat = keyof typeof PENETRATION_WORDS;
export type PenetrationThrough = keyof typeof THROUGH_WORDS;
export type Seal = keyof typeof SEAL_WORDS;
export type PenetrationFlag = keyof typeof FLAG_WORDS;
