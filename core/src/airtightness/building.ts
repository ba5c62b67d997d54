import { fields, positive } from '../schema';

/** The sizes that airtightness figures are related to. */
export interface Building {
  /** Volume inside the air barrier. */
  readonly volumeM3: number;
  readonly envelopeAreaM2: number;
  readonly floorAreaM2: number;
  readonly heightM: number;
}

export const building = fields<Building>({
  volumeM3: positive(),
  envelopeAreaM2: positive(),
  floorAreaM2: positive(),
  heightM: positive(),
});
