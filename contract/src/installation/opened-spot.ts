import { day, figure, id, list, orNull, said, unsaid } from '../kind/field';
import { OPENED_SPOTS_MAX, SAID_MAX } from '../limits';

/** A spot that was opened to look inside, and how damp it was there. */
export interface OpenedSpot {
  readonly id: string;
  /** YYYY-MM-DD. */
  readonly day: string;
  /** Water by the mass of the dry wood; null: not read yet. */
  readonly moistureShare: number | null;
  /** Where it is, in somebody's words. */
  readonly place: string | null;
}

/** From here on, wood that stays so damp rots: our own threshold, on the careful side. */
export const DAMP_WOOD_SHARE = 0.2;

/** Spots of an area that were opened; an app that does not know of them says nothing of them. */
export const openedSpots = unsaid(
  list<OpenedSpot>(
    'Opened spots',
    'An opened spot',
    {
      type: 'group',
      label: '',
      members: {
        id: id(''),
        day: day('opened on'),
        moistureShare: orNull(figure('moisture', 'share', { min: 0, max: 3 })),
        place: said('at', SAID_MAX),
      },
    },
    { key: 'id', most: OPENED_SPOTS_MAX },
  ),
  [],
);

/** Month of a day, 0 for January. */
export const monthOf = ({ day: of }: OpenedSpot): number => Number(of.slice(5, 7)) - 1;
