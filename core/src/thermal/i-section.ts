import { LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, nonNegative, optional, outcome, part, positive } from '../schema';
import { assembly, assemblyMethod, type Assembly, type AssemblyMethod } from './assembly';
import { filmMembers, type FilmChoice } from './films';

/** A member with two flanges and a thin web, standing through the depth of the fill. */
export interface ISectionInput extends FilmChoice {
  readonly spacingM: number;
  /** Whole depth of the member. */
  readonly depthM: number;
  readonly flangeWidthM: number;
  readonly flangeDepthM: number;
  readonly flangeConductivityWmK: number;
  readonly webThicknessM: number;
  readonly webConductivityWmK: number;
  readonly fillConductivityWmK: number;
  /** Homogeneous layers besides the member's depth, as one resistance. */
  readonly otherRsi?: number;
  readonly method: AssemblyMethod;
}

export interface ISectionLayer {
  readonly cavityRsi: number;
  readonly frameRsi: number;
  readonly framingFraction: number;
  readonly thicknessM: number;
}

export interface ISection {
  /** Flange, web, flange: as layers of a build-up, aligned. */
  readonly layers: readonly ISectionLayer[];
  readonly uValue: number;
  readonly effectiveRsi: number;
  /** A solid member of the flange's width and material in the same place. */
  readonly solidEffectiveRsi: number;
  /** What the thin web gains over it. */
  readonly gainedRsi: number;
  readonly findings: Assembly['findings'];
}

function refuseImpossibleShape(input: ISectionInput): void {
  if (2 * input.flangeDepthM >= input.depthM) {
    throw new Refusal('out-of-range', 'flangeDepthM', 'Two flanges must leave depth for the web.', {
      value: input.flangeDepthM,
      bound: input.depthM / 2,
    });
  }
  if (input.flangeWidthM > input.spacingM) {
    throw new Refusal('out-of-range', 'flangeWidthM', 'The flange cannot be wider than the spacing.', {
      value: input.flangeWidthM,
      bound: input.spacingM,
    });
  }
  if (input.webThicknessM > input.flangeWidthM) {
    throw new Refusal('out-of-range', 'webThicknessM', 'The web cannot be thicker than its flange.', {
      value: input.webThicknessM,
      bound: input.flangeWidthM,
    });
  }
}

/**
 * An I-section member in its fill: three framed layers, flange – web – flange, aligned. ISO 6946, 6.7.2.
 * @example iSection(examples['thermal.iSection']).effectiveRsi // 7.898
 * @throws {Refusal} `out-of-range`, `required`, `conflict`
 */
export function iSection(input: ISectionInput): ISection {
  refuseImpossibleShape(input);
  const { spacingM, flangeWidthM, flangeDepthM, fillConductivityWmK, method, otherRsi = 0 } = input;
  const layer = (thicknessM: number, widthM: number, conductivityWmK: number): ISectionLayer => ({
    cavityRsi: thicknessM / fillConductivityWmK,
    frameRsi: thicknessM / conductivityWmK,
    framingFraction: widthM / spacingM,
    thicknessM,
  });
  const flange = layer(flangeDepthM, flangeWidthM, input.flangeConductivityWmK);
  const web = layer(input.depthM - 2 * flangeDepthM, input.webThicknessM, input.webConductivityWmK);
  const layers = [flange, web, flange];
  const { films, filmConvention, heatFlow } = input;
  const withLayers = (framed: readonly ISectionLayer[]): Assembly =>
    assembly({
      layers: [...framed, { rsi: otherRsi }],
      method,
      frameAlignment: 'aligned',
      films,
      filmConvention,
      heatFlow,
    });
  const { uValue, effectiveRsi, findings } = withLayers(layers);
  const solid = withLayers([layer(input.depthM, flangeWidthM, input.flangeConductivityWmK)]);
  return {
    layers,
    uValue,
    effectiveRsi,
    solidEffectiveRsi: solid.effectiveRsi,
    gainedRsi: effectiveRsi - solid.effectiveRsi,
    findings,
  };
}

export const iSectionOperation: Operation<ISectionInput, ISection> = {
  words: {
    shelf: 'heat',
    title: 'I-section members',
    tells: 'Effective R with members of flanges and a thin web, against solid ones.',
    alsoCalled: 'I-joist, web, flange, thermal bridge',
    mainFigures: ['effectiveRsi', 'solidEffectiveRsi', 'gainedRsi'],
  },
  schema: fields<ISectionInput>({
    spacingM: positive('thickness'),
    depthM: positive('thickness'),
    flangeWidthM: positive('thickness'),
    flangeDepthM: positive('thickness'),
    flangeConductivityWmK: positive('conductivity'),
    webThicknessM: positive('thickness'),
    webConductivityWmK: positive('conductivity'),
    fillConductivityWmK: positive('conductivity'),
    otherRsi: as('R of the other layers', optional(nonNegative('resistance'))),
    ...filmMembers,
    method: assemblyMethod,
  }),
  run: iSection,
  output: outcome<ISection>({
    layers: list(
      part({
        cavityRsi: as('R of the cavity', figure('resistance')),
        frameRsi: as('R of the frame', figure('resistance')),
        framingFraction: as('Framing share', figure('share')),
        thicknessM: figure('thickness'),
      }),
      0,
      LAYERS_MAX,
    ),
    uValue: as('U', figure('transmittance')),
    effectiveRsi: as('Effective R', figure('resistance')),
    solidEffectiveRsi: as('Effective R, solid members', figure('resistance')),
    gainedRsi: as('R gained', figure('resistance')),
  }),
};
