import type { PlanInput } from '../plan/plan-input';
import type { PlanSizes } from '../plan/sizes';
import { eachTerm, found, step, sumOf, type Step } from './step';

/** How the sizes of a plan come about: what is measured on the outlines, and what is added up from it. */
export function explainPlanSizes(input: PlanInput, output: PlanSizes): readonly Step[] {
  const { areasM2, lengthsM } = output;
  const floors = {
    Fg: areasM2.floorGround,
    Fc: areasM2.floorCrawlSpace,
    Fu: areasM2.floorUnheated,
    Fa: areasM2.floorGarage,
    Fo: areasM2.floorOutdoors,
  };
  const floorSum = Object.values(floors).reduce((sum, each) => sum + each, 0);
  const above = sumOf('A', [areasM2.gable, areasM2.ceiling, areasM2.slope, areasM2.flatRoof]);
  const aboveSum = areasM2.gable + areasM2.ceiling + areasM2.slope + areasM2.flatRoof;
  return [
    found(`Walls, length × height, at their ${input.face}`, areasM2.wallGross, 'm²'),
    found('Rims, length × depth of the floor', areasM2.rim, 'm²'),
    step(
      'Floors: outlines less what is heated below',
      'floors = Fg + Fc + Fu + Fa + Fo',
      floors,
      floorSum,
      'm²',
      {
        Fg: 'on the ground',
        Fc: 'over a crawl space',
        Fu: 'over unheated rooms',
        Fa: 'over a garage',
        Fo: 'over open air',
      },
    ),
    step(
      'What closes it above: outlines less what stands on them',
      `above = ${above.terms}`,
      above.values,
      aboveSum,
      'm²',
      eachTerm(above.values, (place) => ['gables', 'ceilings', 'slopes', 'flat roofs'][place - 1] ?? ''),
    ),
    step(
      'Envelope',
      'envelope = walls + rims + floors + above',
      { walls: areasM2.wallGross, rims: areasM2.rim, floors: floorSum, above: aboveSum },
      output.envelopeAreaM2,
      'm²',
    ),
    found('Volume: outlines × heights, and what lies under slopes', output.volumeM3, 'm³'),
    found('Length of all frames', lengthsM.frame, 'm'),
  ];
}
