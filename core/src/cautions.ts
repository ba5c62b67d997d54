/* Where somebody can get hurt: what is said beside a figure. */

export const FOAM =
  'Freshly sprayed foam: nobody inside until the maker’s re-entry time is over. Cores and cuts make dust: protect eyes and lungs.';
export const COMBUSTION =
  'Before a fan runs: combustion appliances off, no ash in the fireplace, no suspect asbestos. Local code and licensed trades decide.';
export const DRAUGHT =
  'In a tight house combustion appliances must not draw on indoor air. Local code and licensed trades decide.';
export const SCREENING = 'This screens a build-up; it is no design. Local code and the designer decide.';
export const HOT =
  'Keep fill clear of flues, chimneys and lights that are not made to be covered, as local code says. Old fill may hold asbestos: do not disturb it.';
