import { LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, fields, figure, list, outcome, part } from '../schema';
import { assembly, assemblyMethod, type Assembly, type AssemblyMethod } from './assembly';
import { filmMembers, type FilmChoice } from './films';
import { layerInput, type LayerInput } from './layer';

export interface DoubleFramesInput extends FilmChoice {
  /** Inside → outside, two of them framed or more. */
  readonly layers: readonly LayerInput[];
  readonly method: AssemblyMethod;
}

export interface FramesSideBySide {
  readonly uValue: number;
  readonly effectiveRsi: number;
}

export interface DoubleFrames {
  /** Studs one behind the other. */
  readonly aligned: FramesSideBySide;
  /** Studs that never stand behind each other. */
  readonly offset: FramesSideBySide;
  /** Effective R that offset studs gain. */
  readonly gainedRsi: number;
  /** The same as a share of the aligned one. */
  readonly gainedShare: number;
  readonly findings: Assembly['findings'];
}

/**
 * What it is worth to offset the studs of a double frame: effective R (m²·K/W) with studs aligned and offset, side by
 * side. ISO 6946, 6.7.2.
 * @example doubleFrames(examples['thermal.doubleFrames']).aligned.effectiveRsi // 8.751
 * @throws {Refusal} `too-little-framing`, `framing-fraction-sum`, and as {@link assembly}
 */
export function doubleFrames({ layers, ...rest }: DoubleFramesInput): DoubleFrames {
  const framed = layers.filter(({ framingFraction = 0 }) => framingFraction > 0).length;
  if (framed < 2) {
    throw new Refusal('too-little-framing', 'layers', 'A double frame has two framed layers or more.', {
      value: framed,
      bound: 2,
    });
  }
  const aligned = assembly({ ...rest, layers, frameAlignment: 'aligned' });
  const offset = assembly({ ...rest, layers, frameAlignment: 'offset' });
  const gainedRsi = offset.effectiveRsi - aligned.effectiveRsi;
  return {
    aligned: { uValue: aligned.uValue, effectiveRsi: aligned.effectiveRsi },
    offset: { uValue: offset.uValue, effectiveRsi: offset.effectiveRsi },
    gainedRsi,
    gainedShare: gainedRsi / aligned.effectiveRsi,
    findings: [...aligned.findings, ...offset.findings],
  };
}

export const doubleFramesOperation: Operation<DoubleFramesInput, DoubleFrames> = {
  words: {
    shelf: 'heat',
    title: 'Two frames: aligned or offset',
    tells: 'Effective R with the studs of two frames in line and out of line.',
    alsoCalled: 'double stud, staggered stud, service cavity, twin wall, thermal bridge',
    mainFigures: ['offset.effectiveRsi', 'aligned.effectiveRsi', 'gainedRsi', 'gainedShare'],
  },
  schema: fields<DoubleFramesInput>({
    layers: list(layerInput, 2, LAYERS_MAX),
    ...filmMembers,
    method: assemblyMethod,
  }),
  run: doubleFrames,
  output: outcome<DoubleFrames>({
    aligned: part({
      uValue: as('U', figure('transmittance')),
      effectiveRsi: as('Effective R', figure('resistance')),
    }),
    offset: part({
      uValue: as('U', figure('transmittance')),
      effectiveRsi: as('Effective R', figure('resistance')),
    }),
    gainedRsi: as('R gained', figure('resistance')),
    gainedShare: as('Gain', figure('share')),
  }),
};
