import type { Finding } from '@calvet/core/finding';
import type { AreaInHand, BuildUp } from './area';
import type { AreaFigures } from './area-figures';
import { SHEET_TO_M } from './layer-group';

type Figures = Extract<AreaFigures, { readonly state: 'figures' }>;

/** What a value of an area stands for, from what is said of it to what was built. */
export type ClaimStepName = 'claimed' | 'labelled' | 'inPlace' | 'framed' | 'fixed' | 'built';

/** A value of an area, and what it lost against the one before. */
export interface ClaimStep {
  readonly name: ClaimStepName;
  readonly effectiveRsi: number;
  /** Below 0 where it rose. */
  readonly lostRsi: number;
}

/** Less than this, m²·K/W, is what rounding leaves. */
const NOTHING_RSI = 1e-9;

/**
 * What an area is said to be worth, broken down to what it is worth as it was built: each step with what it lost, which add up
 * to the difference without a remainder. Steps that lose nothing and stand for nothing of their own are left out.
 */
export function claimSteps(
  { claimedRsi }: Pick<AreaInHand, 'claimedRsi'>,
  { labelled, inPlace, unfixed, framed, built }: Figures,
  isJudged: boolean,
): readonly ClaimStep[] {
  const values: readonly (readonly [ClaimStepName, number | null])[] = [
    ['claimed', claimedRsi],
    ['labelled', labelled.effectiveRsi],
    ['inPlace', inPlace?.effectiveRsi ?? null],
    ['framed', unfixed.effectiveRsi],
    ['fixed', framed.effectiveRsi],
    ['built', isJudged ? built.effectiveRsi : null],
  ];
  let before: number | null = null;
  return values.flatMap(([name, effectiveRsi]): ClaimStep[] => {
    if (effectiveRsi === null) return [];
    const lostRsi = before === null ? 0 : before - effectiveRsi;
    if (name === 'fixed' && Math.abs(lostRsi) < NOTHING_RSI) return [];
    before = effectiveRsi;
    return [{ name, effectiveRsi, lostRsi }];
  });
}

/** Sheets that are said to have an R: none has one of its own. */
export const sheetsWithR = ({ layers }: Pick<BuildUp, 'layers'>): readonly Finding[] =>
  layers.flatMap((layer, at): Finding[] =>
    layer.kind === 'resistance' &&
    layer.thicknessM !== null &&
    layer.thicknessM <= SHEET_TO_M &&
    layer.rsi > 0
      ? [
          {
            rule: 'sheet-with-r',
            severity: 'warn',
            message:
              'A sheet has no R of its own. Is the R of an air space beside it meant? Then enter that space.',
            value: layer.rsi,
            layer: at,
          },
        ]
      : [],
  );
