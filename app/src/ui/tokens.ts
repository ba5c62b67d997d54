import families from './font-families.json';

/** Colours by what they mean. Text in `ink`, `soft`, `lake`, `ember` and `straw` keeps 7:1 on paper, card and tints. */
export interface Palette {
  readonly paper: string;
  readonly card: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  /** What holds: sealed, good, met. */
  readonly lake: string;
  readonly lakeTint: string;
  /** What leaks: open, to mend, missed. */
  readonly ember: string;
  readonly emberTint: string;
  /** Doubt: not proven, look again. */
  readonly straw: string;
  readonly strawTint: string;
  /** Not seen yet. */
  readonly unseen: string;
  /** Text on a filled surface of `lake` or `ember`. */
  readonly onFill: string;
}

export const light: Palette = {
  paper: '#F4F1EA',
  card: '#FFFFFF',
  ink: '#14202A',
  soft: '#434D56',
  line: '#D8D2C4',
  lake: '#134A73',
  lakeTint: '#E2ECF4',
  ember: '#872800',
  emberTint: '#FBE7DD',
  straw: '#5E4200',
  strawTint: '#F8EBC8',
  unseen: '#6A727A',
  onFill: '#FFFFFF',
};

export const dark: Palette = {
  paper: '#0E161C',
  card: '#17222B',
  ink: '#EEF2F4',
  soft: '#B2BDC5',
  line: '#3A4A56',
  lake: '#8AC6F4',
  lakeTint: '#15304A',
  ember: '#FFAB86',
  emberTint: '#3E1E10',
  straw: '#F2CC70',
  strawTint: '#382D0E',
  unseen: '#9BA7B0',
  onFill: '#08131B',
};

/** Families under which the page loads the fonts that ship with the app. */
export const fonts = families;

/** Steps of space, in pixels. */
export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;

/** Least size of what a gloved thumb must hit. */
export const TOUCH = 48;
export const CORNER = 4;
/** From this width on, list and detail stand side by side. */
export const WIDE = 1000;
/** Below this height or this width a page scrolls as a whole: a phone on its side, a page that is enlarged. */
export const LOW = 500;
export const NARROW = 300;

/** A size of text that follows the size which the reader has set in the browser. */
export const rem = (px: number): number => `${px / 16}rem` as unknown as number;
