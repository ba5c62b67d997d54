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
  volumeM3: positive('volume'),
  envelopeAreaM2: positive('area'),
  floorAreaM2: positive('area'),
  heightM: positive('length'),
});
