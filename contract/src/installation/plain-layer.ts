import type { LayerFigures } from './layer';
import { NO_MATTER } from './matter';

const PLAIN = { ...NO_MATTER, role: null } as const;

type Of<Kind extends LayerFigures['kind']> = Extract<LayerFigures, { readonly kind: Kind }>;

/** A layer of which its R is known, and nothing beside. */
export const resistanceLayer = (name: string, rsi: number): Of<'resistance'> => ({
  kind: 'resistance',
  name,
  rsi,
  thicknessM: null,
  fixings: [],
  ...PLAIN,
});

/** A layer of which thickness and conductivity are known, and nothing beside. */
export const materialLayer = (name: string, thicknessM: number, conductivityWmK: number): Of<'material'> => ({
  kind: 'material',
  name,
  thicknessM,
  conductivityWmK,
  lowestM: null,
  fixings: [],
  ...PLAIN,
});

/** A framed layer of which R of cavity and frame are known, and nothing beside. */
export const framedLayer = (
  name: string,
  figures: Pick<Of<'framed'>, 'cavityRsi' | 'frameRsi' | 'framingFraction' | 'thicknessM'>,
): Of<'framed'> => ({ kind: 'framed', name, ...figures, fills: [], members: null, ...PLAIN });

/** A closed air space between dull faces. */
export const airSpaceLayer = (name: string, thicknessM: number): Of<'airSpace'> => ({
  kind: 'airSpace',
  name,
  thicknessM,
  emissivityInside: null,
  emissivityOutside: null,
  isOpen: false,
  ...PLAIN,
});
