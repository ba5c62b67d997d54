import type { Trace, TraceInput } from '../continuity/trace';
import { leakOfEla4M3h, type PathToTarget, type PathToTargetInput } from '../path-to-target/evaluate';
import type { Voids, VoidsInput } from '../photo/voids';
import { REFERENCE_AIR } from '../air/density';
import { found, RHO0_IS, step, type Step } from './step';

export function explainTrace(_input: TraceInput, output: Trace): readonly Step[] {
  return [
    found('Breaks met on the way round', output.breaks.length),
    found('Pieces that hang together', output.pieces.length),
    ...(output.continuityByLength === null
      ? []
      : [
          found('Length of the line that is sealed', output.sealedLengthM, 'm'),
          found('Length that is needed', output.neededLengthM, 'm'),
          step(
            'Continuity by length',
            'share = sealed / needed',
            { sealed: output.sealedLengthM, needed: output.neededLengthM },
            output.continuityByLength,
          ),
        ]),
  ];
}

export function explainPathToTarget(input: PathToTargetInput, output: PathToTarget): readonly Step[] {
  const byArea = input.items.find(({ ela4M2 }) => ela4M2 !== undefined);
  const likely = byArea?.ela4M2?.likely ?? 0;
  return [
    ...(byArea === undefined
      ? []
      : [
          step(
            `Leakage of “${byArea.id}” from its area`,
            'q = ELA·√(2·4 / ρ0)·3600·(50 / 4)^0.65',
            { ELA: likely, ρ0: REFERENCE_AIR.densityKgM3 },
            leakOfEla4M3h(likely),
            'm³/h',
            { ρ0: RHO0_IS },
          ),
        ]),
    step(
      'Flow to lose',
      'need = q50 − qlimit',
      { q50: input.q50M3h, qlimit: input.limitM3h },
      input.q50M3h - input.limitM3h,
      'm³/h',
    ),
    found('Share of the draws whose items fit the test', output.keptShare),
    found('Chance as it stands', output.chanceNow),
    found('Chance with everything mended', output.chanceAll),
    ...(output.list === null ? [] : [found('Minutes of the shortest list', output.list.minutes, 'min')]),
  ];
}

export function explainVoids({ cavityWidthM, cavityHeightM }: VoidsInput, output: Voids): readonly Step[] {
  return [
    step('Cavity', 'A = b·h', { b: cavityWidthM, h: cavityHeightM }, output.cavityAreaM2, 'm²'),
    found('Outlines on the plane of the cavity, united', output.voidAreaM2, 'm²'),
    step('Void', 'v = Av / A', { Av: output.voidAreaM2, A: output.cavityAreaM2 }, output.voidFraction),
  ];
}
