import { defectPrices, type DefectPrices } from '@calvet/core/insulation/defect-prices';
import { Refusal } from '@calvet/core/refusal';
import { heatingDegreeDaysOf } from '../house/heating-year';
import type { HouseBody } from '../house/house';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import { heatFlowOf, type Area } from './area';
import { buildUpAssembly } from './build-up-assembly';
import type { Defect } from './defect';

/** A defect with what it costs. */
export interface PricedDefect {
  readonly defect: Defect;
  readonly deltaUAWK: number;
  readonly kwhPerYear: number | null;
  readonly perMinuteWK: number | null;
}

/** What the defects of one area cost. */
export type AreaDefects =
  | {
      readonly state: 'figures';
      readonly area: Area;
      readonly defects: readonly PricedDefect[];
      readonly prices: DefectPrices;
      /** Area of the same build-up with empty cavities that would lose as much, m²; null where empty is no worse. */
      readonly likeEmptyM2: number | null;
    }
  | { readonly state: 'refused'; readonly area: Area; readonly refusal: FieldRefusal };

/** R that is left in a cavity whose fill has lost some of its thickness. */
const leftRsi = (cavityRsi: number, fill: number | null): number => cavityRsi * (fill ?? 1);

/**
 * What the defects of an area cost, each and all together; null where it has none, no size, or no layer that is graded.
 * `insulation.defectPrices` of core.
 */
export function areaDefects(house: HouseBody, area: Area, all: readonly Defect[]): AreaDefects | null {
  const own = all.filter((defect) => defect.area === area.id);
  if (own.length === 0 || area.areaM2 === null) return null;
  try {
    const surroundings = { filmConvention: house.filmConvention, heatFlow: heatFlowOf(area.kind) };
    const { layers, films, gradedLayer } = buildUpAssembly(area.buildUp, surroundings);
    const graded = layers[gradedLayer];
    if (graded === undefined) return null;
    const cavityRsi =
      graded.cavityRsi ?? graded.rsi ?? (graded.thicknessM ?? 0) / (graded.conductivityWmK ?? 1);
    const prices = defectPrices({
      layers,
      ...films,
      frameAlignment: area.buildUp.frameAlignment ?? undefined,
      gradedLayer,
      areaM2: area.areaM2,
      heatingDegreeDaysKd: heatingDegreeDaysOf(house) ?? undefined,
      defects: own.map(({ id, sort, areaM2, fill, uValue, minutes }) => ({
        id,
        kind: sort,
        areaM2,
        rsi: sort === 'pressed' ? leftRsi(cavityRsi, fill) : undefined,
        uValue: sort === 'bare' ? (uValue ?? undefined) : undefined,
        minutes: minutes ?? undefined,
      })),
    });
    const emptyU = prices.voidUValue - prices.soundUValue;
    return {
      state: 'figures',
      area,
      defects: own.flatMap((defect, i): PricedDefect[] => {
        const price = prices.defects[i];
        if (price === undefined) return [];
        const { deltaUAWK, kwhPerYear, perMinuteWK } = price;
        return [{ defect, deltaUAWK, kwhPerYear, perMinuteWK }];
      }),
      prices,
      likeEmptyM2: emptyU > 0 ? prices.totalWK / emptyU : null,
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', area, refusal: refusalFromCore(error) };
  }
}

/** The mends of a house that save most for each minute, most first. */
export function bestMends(
  house: HouseBody,
  areas: readonly Area[],
  defects: readonly Defect[],
  most = 5,
): readonly PricedDefect[] {
  return areas
    .flatMap((area) => {
      const priced = areaDefects(house, area, defects);
      return priced?.state === 'figures' ? priced.defects : [];
    })
    .filter(({ deltaUAWK, perMinuteWK }) => perMinuteWK !== null && deltaUAWK > 0)
    .sort((a, b) => (b.perMinuteWK ?? 0) - (a.perMinuteWK ?? 0))
    .slice(0, most);
}
