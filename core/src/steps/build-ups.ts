import type { BlowingAgent, Carbon, CarbonInput } from '../thermal/carbon';
import {
  leastConvection,
  STEFAN_BOLTZMANN,
  STILL_AIR_WMK,
  type AirSpace,
  type AirSpaceInput,
} from '../thermal/air-space';
import {
  DEFAULT_GROUND_WMK,
  floorOnGroundU,
  GROUND_FILMS,
  type Ground,
  type GroundInput,
} from '../thermal/ground';
import type { MixedFrame, MixedFrameInput } from '../thermal/mixed-frame';
import { savingOfYear, type Payback, type PaybackInput } from '../thermal/payback';
import { eachTerm, found, step, sumOf, whereNotGiven, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';
const PI_IS = { π: 'ratio of a circle’s round to its width' };

export function explainAirSpace(input: AirSpaceInput, output: AirSpace): readonly Step[] {
  const { thicknessM: d, heatFlow, emissivityInside: ε1, emissivityOutside: ε2 } = input;
  const { convectionWm2K: ha, radiationWm2K: hr, rsi } = output;
  if (ha === null || hr === null || ε1 === undefined || ε2 === undefined) {
    return [
      step(
        'R from the table of air layers, straight between its lines',
        'R = Rtable',
        { Rtable: rsi },
        rsi,
        R,
        {
          Rtable: `for ${String(Number((d * 1000).toPrecision(4)))} mm, heat flowing ${heatFlow === 'horizontal' ? 'sideways' : heatFlow}`,
        },
      ),
    ];
  }
  const T = (input.meanTemperatureC ?? 10) + 273.15;
  return [
    step(
      'By convection',
      'ha = max(λ / d, h0)',
      { λ: STILL_AIR_WMK, d, h0: leastConvection(d, heatFlow) },
      ha,
      U,
      { λ: 'conductivity of still air', h0: 'least convection for this direction of heat' },
    ),
    step('By radiation', 'hr = 4·σ·T^3 / (1 / ε1 + 1 / ε2 − 1)', { σ: STEFAN_BOLTZMANN, T, ε1, ε2 }, hr, U, {
      σ: 'Stefan–Boltzmann constant',
      T: 'mean temperature, K',
    }),
    step('R of the air space', 'R = 1 / (ha + hr)', { ha, hr }, rsi, R),
  ];
}

function floorStep(λ: number, B: number, d: number, what: string): Step {
  const U0 = floorOnGroundU(λ, B, d);
  return d < B
    ? step(what, 'U0 = 2·λ / (π·B + d)·ln(π·B / d + 1)', { λ, B, d, π: Math.PI }, U0, U, PI_IS)
    : step(what, 'U0 = λ / (0.457·B + d)', { λ, B, d }, U0, U);
}

function edgeSteps({ edge }: GroundInput, λ: number, dt: number, edgePsiWmK: number): readonly Step[] {
  if (edge === undefined) return [];
  const { rsi: Rn, thicknessM: dn, position, widthM } = edge;
  const D = position === 'vertical' ? 2 * widthM : widthM;
  const added = λ * Rn - dn;
  return [
    step('Ground that the board is worth more', 'd′ = λ·Rn − dn', { λ, Rn, dn }, added, 'm'),
    step(
      'ψ of the edge',
      'ψ = λ / π·(ln(D / (dt + d′) + 1) − ln(D / dt + 1))',
      { λ, D, dt, 'd′': added, π: Math.PI },
      edgePsiWmK,
      'W/(m·K)',
      {
        ...PI_IS,
        D: position === 'vertical' ? 'twice how deep the board reaches, m' : 'how far it reaches, m',
      },
    ),
  ];
}

export function explainGround(input: GroundInput, output: Ground): readonly Step[] {
  const { areaM2: A, exposedPerimeterM: P, wallThicknessM: w, floorRsi: Rf, depthM: z, wallRsi: Rw } = input;
  const λ = input.groundConductivityWmK ?? DEFAULT_GROUND_WMK;
  const { characteristicDimensionM: B, floorEquivalentM: dt, floorUValue, wallUValue } = output;
  const { floorRsi: Rsi, wallRsi: Rsw, outsideRsi: Rse } = GROUND_FILMS;
  const first = [
    ...(input.groundConductivityWmK === undefined
      ? [
          step('Conductivity of the ground, as none is given', 'λ = λ0', { λ0: λ }, λ, 'W/(m·K)', {
            λ0: 'sand and gravel, W/(m·K)',
          }),
        ]
      : []),
    step('Characteristic dimension', 'B = A / (P / 2)', { A, P }, B, 'm'),
    step(
      'Ground worth as much as the floor',
      'dt = w + λ·(Rsi + Rf + Rse)',
      { w, λ, Rsi, Rf, Rse },
      dt,
      'm',
      {
        Rsi: 'film inside',
        Rse: 'film outside',
      },
    ),
  ];
  if (wallUValue === null || z === undefined || Rw === undefined) {
    const U0 = floorStep(λ, B, dt, 'U of the floor without its edge');
    return [
      ...first,
      U0,
      ...edgeSteps(input, λ, dt, output.edgePsiWmK),
      step('U of the floor', 'U = U0 + 2·ψ / B', { U0: U0.result, ψ: output.edgePsiWmK, B }, floorUValue, U, {
        ψ: 'of the edge; 0 without a board',
      }),
      step('Heat loss to the ground', 'H = A·U', { A, U: floorUValue }, output.transmissionWK, 'W/K'),
    ];
  }
  const dw = λ * (Rsw + Rw + Rse);
  const d = Math.min(dt, dw);
  return [
    ...first,
    step('The same, with half of the depth', 'd = dt + z / 2', { dt, z }, dt + z / 2, 'm'),
    floorStep(λ, B, dt + z / 2, 'U of the floor'),
    step('Ground worth as much as the wall', 'dw = λ·(Rsw + Rw + Rse)', { λ, Rsw, Rw, Rse }, dw, 'm', {
      Rsw: 'film inside, on the wall',
      Rse: 'film outside',
    }),
    step('The lesser of both', 'd = min(dt, dw)', { dt, dw }, d, 'm'),
    step(
      'U of the walls',
      'Uw = 2·λ / (π·z)·(1 + 0.5·d / (d + z))·ln(z / dw + 1)',
      { λ, z, d, dw, π: Math.PI },
      wallUValue,
      U,
      PI_IS,
    ),
    step(
      'Heat loss to the ground',
      'H = A·U + z·P·Uw',
      { A, U: floorUValue, z, P, Uw: wallUValue },
      output.transmissionWK,
      'W/K',
    ),
  ];
}

export function explainMixedFrame(
  { restRsi, members }: MixedFrameInput,
  output: MixedFrame,
): readonly Step[] {
  const areas = sumOf(
    'A',
    members.map(({ areaM2 }) => areaM2),
  );
  const resistances = sumOf(
    'R',
    members.map(({ rsi }) => rsi),
  );
  const conductance = members.reduce((sum, { areaM2, rsi }) => sum + areaM2 / (restRsi + rsi), 0);
  return [
    step('All members together', `A = ${areas.terms}`, areas.values, output.areaM2, 'm²'),
    step(
      'Heat through the members',
      `K = ${members.map((_, i) => `A${i + 1} / (Rr + R${i + 1})`).join(' + ')}`,
      { ...areas.values, ...resistances.values, Rr: restRsi },
      conductance,
      'W/K',
    ),
    step(
      'R of the frame',
      'Rf = A / K − Rr',
      { A: output.areaM2, K: conductance, Rr: restRsi },
      output.frameRsi,
      R,
    ),
  ];
}

function agentStep(volume: number, agent: BlowingAgent, agentKgM2: number, i: number): Step {
  const { kgM3: m, gwp: w, lostShare: l } = agent;
  return step(
    `By the blowing agent of layer ${i + 1}`,
    'c = V·m·w·l',
    { V: volume, m, w, l },
    agentKgM2,
    'kg/m²',
  );
}

export function explainCarbon({ layers, effectiveRsi: Rt }: CarbonInput, output: Carbon): readonly Step[] {
  const each = layers.flatMap(
    ({ thicknessM: d, share: s = 1, carbonKgM3: e, storedKgM3, agent }, i): Step[] => {
      const { emittedKgM2, agentKgM2, storedKgM2 } = output.layers[i] ?? {
        emittedKgM2: NaN,
        agentKgM2: NaN,
        storedKgM2: NaN,
      };
      const V = s * d;
      return [
        step(`Layer ${i + 1} in a square metre`, 'V = s·d', { s, d }, V, 'm³', {
          s: 'share of the face that it takes',
        }),
        step(`Emitted in making layer ${i + 1}`, 'c = V·e', { V, e }, emittedKgM2, 'kg/m²'),
        ...(agent === undefined ? [] : [agentStep(V, agent, agentKgM2, i)]),
        ...(storedKgM3 === undefined
          ? []
          : [step(`Stored in layer ${i + 1}`, 'c = V·s', { V, s: storedKgM3 }, storedKgM2, 'kg/m²')]),
      ];
    },
  );
  const total = (what: string, member: 'emittedKgM2' | 'agentKgM2' | 'storedKgM2'): Step => {
    const { terms, values } = sumOf(
      'c',
      output.layers.map((layer) => layer[member]),
    );
    const words = eachTerm(values, (i) => `of layer ${i}; 0 where nothing is given`);
    return step(what, `C = ${terms}`, values, output[member], 'kg/m²', words);
  };
  return [
    ...each,
    total('Emitted in all', 'emittedKgM2'),
    total('By blowing agents in all', 'agentKgM2'),
    total('Stored in all, told beside', 'storedKgM2'),
    ...(Rt === undefined || output.emittedPerRsi === null
      ? []
      : [
          step(
            'Emitted for each R',
            'c = (C + G) / R',
            { C: output.emittedKgM2, G: output.agentKgM2, R: Rt },
            output.emittedPerRsi,
            'kg/m² per m²·K/W',
          ),
        ]),
  ];
}

export function explainPayback(input: PaybackInput, output: Payback): readonly Step[] {
  const { extraCost: C, avoidedCost, savedKwhPerYear: E, pricePerKwh: p, years = 30 } = input;
  const { priceRise: g = 0, discountRate: r = 0 } = input;
  const { netCost: K, firstYearSaving: S, simpleYears, discountedYears } = output;
  const second = savingOfYear(S, 2, g, r);
  return [
    step(
      'Net cost',
      'K = C − a',
      { C, a: avoidedCost ?? 0 },
      K,
      '',
      whereNotGiven({ a: avoidedCost }, 'nothing is avoided'),
    ),
    step('Saved in the first year', 'S = E·p', { E, p }, S),
    ...(simpleYears === null || K <= 0
      ? []
      : [step('Paid back simply', 'n = K / S', { K, S }, simpleYears, 'years')]),
    step(
      'The second year’s saving, in today’s money; every year likewise',
      's = S·(1 + g) / (1 + r)^2',
      { S, g, r },
      second,
      '',
      {
        g: 'rise of the price a year; 0 where not given',
        r: 'discount rate; 0 where not given',
      },
    ),
    ...(discountedYears === null
      ? []
      : [found('Years until the savings of today’s money reach the net cost', discountedYears, 'years')]),
    found(`Savings of ${years} years in today’s money, less the net cost`, output.presentValue),
  ];
}
