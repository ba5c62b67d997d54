import { FRAME_MEMBERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, outcome, positive } from '../schema';

/** Timber, steel or layered pieces that stand in one layer, by the area that they take on the face of the wall. */
export interface FrameMember {
  readonly areaM2: number;
  /** Through the depth of the layer; that of a layered header is the sum of its layers. */
  readonly rsi: number;
}

export interface MixedFrameInput {
  /** Everything besides the framed layer, films in it. */
  readonly restRsi: number;
  readonly members: readonly FrameMember[];
}

export interface MixedFrame {
  readonly areaM2: number;
  readonly frameRsi: number;
}

/**
 * One frame R for members that are not alike (studs, plates, layered or boxed headers, cored studs), m²·K/W, so that the
 * parallel paths of the wall stay what they are: ΣA/Σ(A/(R_rest + R)) − R_rest. ISO 6946, 6.7.2.3, solved for the frame.
 * @example mixedFrame({ restRsi: 0, members: [{ areaM2: 1, rsi: 1 }, { areaM2: 1, rsi: 3 }] }).frameRsi // 1.5
 */
export function mixedFrame({ restRsi, members }: MixedFrameInput): MixedFrame {
  const areaM2 = members.reduce((sum, member) => sum + member.areaM2, 0);
  const conductance = members.reduce((sum, member) => sum + member.areaM2 / (restRsi + member.rsi), 0);
  return { areaM2, frameRsi: areaM2 / conductance - restRsi };
}

export const mixedFrameOperation: Operation<MixedFrameInput, MixedFrame> = {
  words: {
    shelf: 'heat',
    title: 'Unlike members in one frame',
    tells: 'One R for studs, plates and headers that are not made alike.',
    alsoCalled: 'header, lintel, insulated header, cored stud, plates, framing, weighted',
    mainFigures: ['frameRsi', 'areaM2'],
  },
  schema: fields<MixedFrameInput>({
    restRsi: as('R of everything else', nonNegative('resistance')),
    members: list(
      fields<FrameMember>({ areaM2: positive('area'), rsi: as('R', positive('resistance')) }),
      1,
      FRAME_MEMBERS_MAX,
    ),
  }),
  run: mixedFrame,
  output: outcome<MixedFrame>({
    areaM2: as('All members together', figure('area')),
    frameRsi: as('R of the frame', figure('resistance')),
  }),
};
