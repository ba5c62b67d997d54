import {
  AIR_HEAT_CAPACITY,
  type DesignHeatLoad,
  type DesignHeatLoadInput,
  type HeatPaths,
} from '../thermal/design-heat-load';
import type { DoubleFrames, DoubleFramesInput } from '../thermal/double-frames';
import type { HouseThermal, HouseThermalInput } from '../thermal/house';
import type { ISection, ISectionInput } from '../thermal/i-section';
import type { ThermalRequirements, ThermalRequirementsInput } from '../thermal/requirements';
import type { StudLayout, StudLayoutInput } from '../thermal/stud-layout';
import { resistanceSteps } from './assembly';
import { eachTerm, step, sumOf, whereNotGiven, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';

const uTimesA = (i: number): string => `U times A of area ${i}, W/K`;

export function explainHouse(input: HouseThermalInput, output: HouseThermal): readonly Step[] {
  const areas = sumOf(
    'UA',
    input.areas.map(({ areaM2, uValue }) => areaM2 * uValue),
  );
  return [
    step(
      'Through the areas',
      `UA = ${areas.terms}`,
      areas.values,
      output.areasWK,
      'W/K',
      eachTerm(areas.values, uTimesA),
    ),
    step('Average U', 'U = UA / A', { UA: output.areasWK, A: output.areaM2 }, output.averageUValue, U, {
      A: 'all areas together, m²',
    }),
    step(
      'With junctions and points',
      'H = UA + J + X',
      { UA: output.areasWK, J: output.junctionsWK, X: output.pointsWK },
      output.transmissionWK,
      'W/K',
      { J: 'ψ times length of every junction, W/K', X: 'χ times count of every point, W/K' },
    ),
  ];
}

export function explainRequirements(
  { areas, junctionsWK }: ThermalRequirementsInput,
  { house }: ThermalRequirements,
): readonly Step[] {
  const sum = (uOf: (area: ThermalRequirementsInput['areas'][number]) => number) =>
    sumOf(
      'UA',
      areas.map((area) => area.areaM2 * uOf(area)),
    );
  const junctions = whereNotGiven({ J: junctionsWK }, 'heat through the junctions, not given: none');
  const planned = sum(({ plannedUValue }) => plannedUValue);
  const built = sum(({ asBuiltUValue = NaN }) => asBuiltUValue);
  return [
    step(
      'UA of the house as planned',
      `UA = ${planned.terms} + J`,
      { ...planned.values, J: junctionsWK ?? 0 },
      house.plannedWK,
      'W/K',
      { ...eachTerm(planned.values, uTimesA), ...junctions },
    ),
    ...(house.asBuiltWK === null
      ? []
      : [
          step(
            'UA of the house as built',
            `UA = ${built.terms} + J`,
            { ...built.values, J: junctionsWK ?? 0 },
            house.asBuiltWK,
            'W/K',
            { ...eachTerm(built.values, uTimesA), ...junctions },
          ),
        ]),
  ];
}

export function explainDesignHeatLoad(input: DesignHeatLoadInput, output: DesignHeatLoad): readonly Step[] {
  const { indoorTemperatureC: θi, outdoorTemperatureC: θe } = input;
  const load = (name: string, paths: HeatPaths, totalW: number): readonly Step[] => {
    const { transmissionWK, infiltrationM3h, ventilationM3h = 0, heatRecovery = 0 } = paths;
    const air = infiltrationM3h + ventilationM3h * (1 - heatRecovery);
    return [
      step(
        `Air to be heated, ${name}`,
        'q = qi + qv·(1 − η)',
        { qi: infiltrationM3h, qv: ventilationM3h, η: heatRecovery },
        air,
        'm³/h',
        whereNotGiven({ qv: paths.ventilationM3h, η: paths.heatRecovery }, 'not given: none'),
      ),
      step(
        `Heat load, ${name}`,
        `Φ = (UA + ${AIR_HEAT_CAPACITY}·q)·(θi − θe)`,
        { UA: transmissionWK, q: air, θi, θe },
        totalW,
        'W',
      ),
    ];
  };
  return [
    ...load('as planned', input.planned, output.planned.totalW),
    ...(input.asBuilt === undefined || output.asBuilt === null
      ? []
      : load('as built', input.asBuilt, output.asBuilt.totalW)),
  ];
}

export function explainISection(input: ISectionInput, output: ISection): readonly Step[] {
  const { spacingM: s, fillConductivityWmK: λ } = input;
  const [flange, web] = output.layers;
  return [
    ...(flange === undefined || web === undefined
      ? []
      : [
          step('Share of the flange', 'f = b / s', { b: input.flangeWidthM, s }, flange.framingFraction),
          step('Share of the web', 'f = b / s', { b: input.webThicknessM, s }, web.framingFraction),
          step('Fill beside the web', 'R = d / λ', { d: web.thicknessM, λ }, web.cavityRsi, R, {
            d: 'depth of the member without its flanges, m',
          }),
        ]),
    ...resistanceSteps([...output.layers, { rsi: input.otherRsi ?? 0 }], input, 'aligned'),
    step('U', 'U = 1 / RT', { RT: output.effectiveRsi }, output.uValue, U),
    step(
      'Gained over a solid member',
      'gain = R − Rsolid',
      { R: output.effectiveRsi, Rsolid: output.solidEffectiveRsi },
      output.gainedRsi,
      R,
      { Rsolid: 'the same with a solid member as wide as the flange' },
    ),
  ];
}

export function explainDoubleFrames(input: DoubleFramesInput, output: DoubleFrames): readonly Step[] {
  return [
    ...resistanceSteps(input.layers, input, 'aligned').map((each) => ({
      ...each,
      what: `Aligned: ${each.what}`,
    })),
    ...resistanceSteps(input.layers, input, 'offset').map((each) => ({
      ...each,
      what: `Offset: ${each.what}`,
    })),
    step(
      'Gained by offset studs',
      'gain = Roffset − Raligned',
      { Roffset: output.offset.effectiveRsi, Raligned: output.aligned.effectiveRsi },
      output.gainedRsi,
      R,
    ),
  ];
}

export function explainStudLayout(input: StudLayoutInput, output: StudLayout): readonly Step[] {
  const { members } = output;
  const { cavityRsi: Rc, frameRsi: Rf, restRsi: Rr } = input;
  return [
    step(
      'Timber on the face of the wall',
      'A = plates + studs + openings + headers + corners + partitions',
      {
        plates: members.platesM2,
        studs: members.studsM2,
        openings: members.openingsM2,
        headers: members.headersM2,
        corners: members.cornersM2,
        partitions: members.intersectionsM2,
      },
      output.framingAreaM2,
      'm²',
      {
        plates: 'length of the wall times plates, each as thick as a stud, m²',
        studs: 'studs at their spacing, between the plates, m²',
        openings: 'studs and sills round the openings, m²',
        headers: 'headers over the openings, m²',
        corners: 'studs of the corners, m²',
        partitions: 'studs where inner walls meet it, m²',
      },
    ),
    step(
      'Framing fraction',
      'f = min(1, A / wall)',
      { A: output.framingAreaM2, wall: output.netAreaM2 },
      output.framingFraction,
      '',
      { wall: 'the wall without its openings, m²' },
    ),
    ...(output.effectiveRsi === null || Rc === undefined || Rf === undefined || Rr === undefined
      ? []
      : [
          step(
            'Effective R as drawn',
            'R = 1 / (f / (Rr + Rf) + (1 − f) / (Rr + Rc))',
            { f: output.framingFraction, Rr, Rf, Rc },
            output.effectiveRsi,
            R,
          ),
          step(
            'With open corners and insulated headers',
            'R = 1 / (f / (Rr + Rf) + (1 − f) / (Rr + Rc))',
            { f: output.leanFramingFraction, Rr, Rf, Rc },
            output.leanEffectiveRsi ?? NaN,
            R,
            { f: 'framing fraction with corners and headers like that' },
          ),
        ]),
  ];
}
