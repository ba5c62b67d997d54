import type { WorkKind } from '@calvet/core/calendar/calendar-input';

/** Works that hide what was done before them, in words. */
const HIDING_WORDS = {
  slabPoured: 'Slab poured',
  backfill: 'Ground filled back',
  wallStood: 'Wall stood',
  sheathingOn: 'Sheathing on',
  trussesSet: 'Trusses or joists set',
  roofDeckOver: 'Roof or deck over it',
  outsideInsulation: 'Insulated outside',
  cladding: 'Clad',
  netting: 'Net put up',
  insulation: 'Insulated',
  tubSet: 'Tub or shower set',
  fireplaceSet: 'Fireplace set',
  stairSet: 'Stair set',
  partitionStood: 'Inner wall stood',
  partitionClosed: 'Inner wall closed',
  ceilingLining: 'Ceiling lined',
  lining: 'Walls lined',
  fixtureTrim: 'Fittings and trim on',
} as const;

/** Works of a house, in words, about as they follow each other. */
export const WORK_WORDS = {
  goodsOnSite: 'Goods on site',
  ...HIDING_WORDS,
  coat: 'Coat or plaster on masonry',
  membrane: 'Inner membrane put up',
  foamFirst: 'Foamed before services',
  services: 'Services run',
  bareTest: 'Bare-shell test',
  servicesTest: 'Test with services in',
  finishedTest: 'Finished test',
  battens: 'Battens or straps on',
  openings: 'Openings cut',
  lifting: 'Lifted, braced or filled through',
  connecting: 'Services connected',
} as const satisfies Readonly<Record<WorkKind, string>>;

/** What hides something, in words. */
export const COVER_WORDS = { ...HIDING_WORDS, none: 'Stays in sight' } as const;

/** Who does a work, in words. */
export const TRADE_WORDS = {
  concrete: 'Concrete',
  carpenter: 'Carpenter',
  mason: 'Mason',
  plasterer: 'Plasterer or coater',
  airSealer: 'Air sealer',
  insulator: 'Insulator',
  windowFitter: 'Window fitter',
  electrician: 'Electrician',
  plumber: 'Plumber',
  ventilation: 'Ventilation',
  heating: 'Heating and cooling',
  roofer: 'Roofer',
  liner: 'Lining fixer',
  cladder: 'Cladder',
  siteLead: 'Site lead',
  inspector: 'Inspector or tester',
} as const;

export type CoverEvent = keyof typeof COVER_WORDS;
export type Trade = keyof typeof TRADE_WORDS;
