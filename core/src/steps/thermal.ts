import type { Assembly, AssemblyInput } from '../thermal/assembly';
import {
  AIR_HEAT_CAPACITY,
  type DesignHeatLoad,
  type DesignHeatLoadInput,
  type HeatPaths,
} from '../thermal/design-heat-load';
import type { DoubleFrames, DoubleFramesInput } from '../thermal/double-frames';
import { filmsOf, type FilmChoice } from '../thermal/films';
import { heatPaths, parallelPathU, type FrameAlignment } from '../thermal/heat-paths';
import type { HouseThermal, HouseThermalInput } from '../thermal/house';
import type { ISection, ISectionInput } from '../thermal/i-section';
import { layerOf, type LayerInput } from '../thermal/layer';
import type { ThermalRequirements, ThermalRequirementsInput } from '../thermal/requirements';
import type { StudLayout, StudLayoutInput } from '../thermal/stud-layout';
import { step, sumOf, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';

/** The ways of heat through a build-up, each summed, and the parallel-path U of them all. */
function pathSteps(
  inputs: readonly LayerInput[],
  choice: FilmChoice,
  alignment: FrameAlignment | undefined,
): readonly Step[] {
  const films = filmsOf(choice);
  const layers = inputs.map((layer, i) => layerOf(layer, `layers[${i}]`));
  const paths = heatPaths(layers, alignment);
  const sums = paths.map((path) => {
    const resistances = layers.map((layer, i) => (path.framed.has(i) ? layer.frameRsi : layer.cavityRsi));
    const { terms, values } = sumOf('R', resistances);
    return {
      terms,
      values,
      total: resistances.reduce((sum, rsi) => sum + rsi, films.insideRsi + films.outsideRsi),
      words:
        path.framed.size === 0
          ? 'between the frames'
          : `through the frame of layer ${[...path.framed].map((i) => i + 1).join(' and ')}`,
    };
  });
  const shares = sumOf(
    'f',
    paths.map(({ share }) => share),
  );
  const totals = sumOf(
    'R',
    sums.map(({ total }) => total),
  );
  return [
    ...sums.map(({ terms, values, total, words }) =>
      step(
        `R ${words}`,
        `R = Rsi + ${terms} + Rse`,
        { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
        total,
        R,
      ),
    ),
    step(
      'U by parallel paths',
      `U = ${paths.map((_, i) => `f${i + 1} / R${i + 1}`).join(' + ')}`,
      { ...shares.values, ...totals.values },
      parallelPathU(paths, layers, films),
      U,
    ),
  ];
}

function planesStep(inputs: readonly LayerInput[], choice: FilmChoice, lowerRsi: number): Step {
  const films = filmsOf(choice);
  const planes = inputs.map((input, i) => {
    const { cavityRsi, frameRsi, framingFraction: f } = layerOf(input, `layers[${i}]`);
    return f === 0 ? cavityRsi : 1 / (f / frameRsi + (1 - f) / cavityRsi);
  });
  const { terms, values } = sumOf('R', planes);
  return step(
    'R by isothermal planes, framed layers as 1 / (f/Rf + (1 − f)/Rc)',
    `R″ = Rsi + ${terms} + Rse`,
    { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
    lowerRsi,
    R,
  );
}

function totalStep({ method }: AssemblyInput, output: Assembly): Step {
  const { upperRsi, lowerRsi, totalRsi } = output;
  switch (method) {
    case 'parallelPath':
      return step('Resistance', 'RT = R′', { 'R′': upperRsi }, totalRsi, R);
    case 'isothermalPlanes':
      return step('Resistance', 'RT = R″', { 'R″': lowerRsi }, totalRsi, R);
    case 'iso6946':
      return step(
        'Resistance, mean of both bounds',
        'RT = (R′ + R″) / 2',
        { 'R′': upperRsi, 'R″': lowerRsi },
        totalRsi,
        R,
      );
  }
}

export function explainAssembly(input: AssemblyInput, output: Assembly): readonly Step[] {
  const { areaM2 } = input;
  const uAll = { UT: 1 / output.totalRsi, ΔUf: output.deltaUFasteners, ΔUg: output.deltaUVoids };
  return [
    ...pathSteps(input.layers, input, input.frameAlignment),
    planesStep(input.layers, input, output.lowerRsi),
    totalStep(input, output),
    step('U with fasteners and the grade of the work', 'U = UT + ΔUf + ΔUg', uAll, output.uValue, U),
    step('Effective R', 'R = 1 / U', { U: output.uValue }, output.effectiveRsi, R),
    ...(output.price === null || areaM2 === undefined
      ? []
      : [
          step(
            'What the grade costs',
            'ΔUA = ΔUg·A',
            { ΔUg: output.deltaUVoids, A: areaM2 },
            output.price.deltaUAWK,
            'W/K',
          ),
        ]),
  ];
}

export function explainHouse(input: HouseThermalInput, output: HouseThermal): readonly Step[] {
  const areas = sumOf(
    'UA',
    input.areas.map(({ areaM2, uValue }) => areaM2 * uValue),
  );
  return [
    step('Through the areas, each U·A', `UA = ${areas.terms}`, areas.values, output.areasWK, 'W/K'),
    step('Average U', 'U = UA / A', { UA: output.areasWK, A: output.areaM2 }, output.averageUValue, U),
    step(
      'With the junctions',
      'H = UA + J',
      { UA: output.areasWK, J: output.junctionsWK },
      output.transmissionWK,
      'W/K',
    ),
  ];
}

export function explainRequirements(
  { areas, junctionsWK = 0 }: ThermalRequirementsInput,
  { house }: ThermalRequirements,
): readonly Step[] {
  const sum = (uOf: (area: ThermalRequirementsInput['areas'][number]) => number) =>
    sumOf(
      'UA',
      areas.map((area) => area.areaM2 * uOf(area)),
    );
  const planned = sum(({ plannedUValue }) => plannedUValue);
  const built = sum(({ asBuiltUValue = NaN }) => asBuiltUValue);
  return [
    step(
      'UA of the house as planned',
      `UA = ${planned.terms} + J`,
      { ...planned.values, J: junctionsWK },
      house.plannedWK,
      'W/K',
    ),
    ...(house.asBuiltWK === null
      ? []
      : [
          step(
            'UA of the house as built',
            `UA = ${built.terms} + J`,
            { ...built.values, J: junctionsWK },
            house.asBuiltWK,
            'W/K',
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
          step('Fill beside the web', 'R = d / λ', { d: web.thicknessM, λ }, web.cavityRsi, R),
        ]),
    ...pathSteps([...output.layers, { rsi: input.otherRsi ?? 0 }], input, 'aligned'),
    step('Effective R', 'R = 1 / U', { U: output.uValue }, output.effectiveRsi, R),
    step(
      'Gained over a solid member',
      'gain = R − Rsolid',
      { R: output.effectiveRsi, Rsolid: output.solidEffectiveRsi },
      output.gainedRsi,
      R,
    ),
  ];
}

export function explainDoubleFrames(input: DoubleFramesInput, output: DoubleFrames): readonly Step[] {
  return [
    ...pathSteps(input.layers, input, 'aligned').map((each) => ({ ...each, what: `Aligned: ${each.what}` })),
    ...pathSteps(input.layers, input, 'offset').map((each) => ({ ...each, what: `Offset: ${each.what}` })),
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
    ),
    step(
      'Framing fraction',
      'f = min(1, A / wall)',
      { A: output.framingAreaM2, wall: output.netAreaM2 },
      output.framingFraction,
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
          ),
        ]),
  ];
}
