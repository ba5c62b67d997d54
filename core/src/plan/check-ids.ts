import { Refusal } from '../refusal';
import type { PlanInput, PlanRoof, PlanStorey } from './plan-input';

/** Takes each id once. */
function takeOnce(taken: Set<string>, id: string, field: string): void {
  if (taken.has(id)) {
    throw new Refusal('duplicate-id', `${field}.id`, 'This id is that of another: each needs its own.', {
      value: id,
    });
  }
  taken.add(id);
}

/** Ids of the walls and roofs of a plan, which are one set, and of its storeys and zones. */
export class PlanIds {
  private readonly wallsAndRoofs = new Set<string>();
  private readonly storeys = new Set<string>();
  private readonly zones = new Set<string>();

  /** @throws {Refusal} `duplicate-id` */
  takeStorey(storey: PlanStorey, field: string): void {
    takeOnce(this.storeys, storey.id, field);
    storey.walls.forEach(({ id }, i) => takeOnce(this.wallsAndRoofs, id, `${field}.walls[${i}]`));
    storey.zones?.forEach(({ id }, i) => takeOnce(this.zones, id, `${field}.zones[${i}]`));
  }

  /** @throws {Refusal} `duplicate-id`, `unknown-reference` */
  takeRoof(roof: PlanRoof, field: string): void {
    takeOnce(this.wallsAndRoofs, roof.id, field);
    if (!this.storeys.has(roof.storeyId)) {
      throw new Refusal('unknown-reference', `${field}.storeyId`, 'The plan has no storey of that name.', {
        value: roof.storeyId,
      });
    }
    const wings = new Set<string>();
    roof.wings?.forEach(({ id }, i) => takeOnce(wings, id, `${field}.wings[${i}]`));
  }

  /** @throws {Refusal} `duplicate-id`, `unknown-reference` */
  takeOpenings({ openings = [] }: PlanInput): void {
    const taken = new Set<string>();
    openings.forEach(({ id, on }, i) => {
      takeOnce(taken, id, `openings[${i}]`);
      if (!this.wallsAndRoofs.has(on)) {
        throw new Refusal(
          'unknown-reference',
          `openings[${i}].on`,
          'The plan has no wall and no roof of that name.',
          {
            value: on,
          },
        );
      }
    });
  }
}
