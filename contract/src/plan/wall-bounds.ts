import { wallFields } from './storey';

/** Bounds of the figures of a wall. */
export const wallBounds = {
  lengthM: wallFields.members.lengthM.bounds,
  turnDeg: wallFields.members.turnDeg.bounds,
  thicknessM: wallFields.members.thicknessM.bounds,
  concreteM: wallFields.members.concreteM.bounds,
  groundStartM: wallFields.members.groundStartM.bounds,
} as const;
