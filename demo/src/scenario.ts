import type { AirtightnessTestBody, AreaBody, HouseBody } from '@calvet/contract';
import type { DrawnArea } from '@calvet/contract/plan/planned-areas';
import type { HousePlan } from './draw-house';
import { nettle } from './houses/nettle';
import { pallow } from './houses/pallow';
import { tamsel } from './houses/tamsel';
import { wrenfold } from './houses/wrenfold';

/** A house of the scenario: all of it invented, its figures fitting together. */
export interface DemoHouse {
  readonly key: string;
  /** Day on which the house was taken in hand. */
  readonly begun: string;
  readonly house: HouseBody;
  readonly plan: HousePlan;
  /** What was found where its work was looked at; nothing: nobody has yet. */
  readonly gradeOf: (area: Pick<DrawnArea, 'name' | 'kind'>) => AreaBody['grade'];
  readonly tests: readonly AirtightnessTestBody[];
  /** The day on which its ground floor was walked; left out: nobody has walked it. */
  readonly walkedOn?: string;
}

/** The made-up scenario: four houses at different moments of their making. */
export const demoHouses: readonly DemoHouse[] = [wrenfold, tamsel, pallow, nettle];
