import type { Regions, RegionsInput } from '../photo/regions';
import type { Agreement, AgreementInput } from '../training/agreement';
import { found, step, type Step } from './step';

export function explainRegions(input: RegionsInput, output: Regions): readonly Step[] {
  const { cavityWidthM: b, cavityHeightM: h } = input;
  const { cavityAreaM2, voidFraction, compressedFraction } = output;
  const [Ae, Ap] = [voidFraction * cavityAreaM2, compressedFraction * cavityAreaM2];
  return [
    step('Cavity', 'A = b·h', { b, h }, cavityAreaM2, 'm²'),
    found('Outlines on the plane of the cavity: what is empty, each place once', Ae, 'm²'),
    found('What is pressed and not empty', Ap, 'm²'),
    step('Empty', 'v = Ae / A', { Ae, A: cavityAreaM2 }, voidFraction),
    step('Pressed', 'c = Ap / A', { Ap, A: cavityAreaM2 }, compressedFraction),
    ...(output.voidStandardUncertainty === null || output.compressedStandardUncertainty === null
      ? []
      : [
          found(
            'Uncertainty of what is empty: corners moved one by one, outlines all together, each by its own',
            output.voidStandardUncertainty,
          ),
          found('Uncertainty of what is pressed, in the same way', output.compressedStandardUncertainty),
        ]),
  ];
}

export function explainAgreement({ answers }: AgreementInput, output: Agreement): readonly Step[] {
  const { count: n, meanError: m, spread: s } = output;
  const errors = answers.reduce((sum, { guessVoid, truthVoid }) => sum + guessVoid - truthVoid, 0);
  const sizes = answers.reduce((sum, { guessVoid, truthVoid }) => sum + Math.abs(guessVoid - truthVoid), 0);
  return [
    found('Guess less truth, over all answers', errors),
    step('Mean error', 'm = E / n', { E: errors, n }, m, '', { E: 'guess less truth, summed', n: 'answers' }),
    found('Size of the errors, over all answers', sizes),
    step('Mean size of an error', 'a = S / n', { S: sizes, n }, output.meanAbsoluteError, '', {
      S: 'size of the errors, summed',
      n: 'answers',
    }),
    ...(s === null || output.agreementLow === null || output.agreementHigh === null
      ? []
      : [
          found('Standard deviation of the errors, by n − 1', s),
          step('95 % of errors lie over', 'l = m − 1.96·s', { m, s }, output.agreementLow),
          step('and under', 'u = m + 1.96·s', { m, s }, output.agreementHigh),
        ]),
    found('Answers that name the grade', output.exactShare),
    ...(output.weightedKappa === null
      ? []
      : [found('Agreement on grades beyond chance, weighted by distance squared', output.weightedKappa)]),
  ];
}
