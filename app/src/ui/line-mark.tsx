import Svg, { Line } from 'react-native-svg';
import { usePalette } from './theme';
import type { Palette } from './tokens';

/**
 * The one set of marks: solid holds, broken is open or missed, dotted was not seen, half stands where something
 * holds and is not proven, thin is not needed. State is read by its shape before its colour.
 */
export type Mark = 'solid' | 'broken' | 'dotted' | 'half' | 'thin';

const TONE: Readonly<Record<Mark, keyof Palette>> = {
  solid: 'lake',
  broken: 'ember',
  dotted: 'unseen',
  half: 'straw',
  thin: 'line',
};

interface LineMarkProps {
  /** Whether the line holds, holds half, or is broken. */
  readonly mark: Mark;
  /** In pixels. */
  readonly width?: number;
  /** Another colour than that of the mark. */
  readonly tone?: keyof Palette;
}

/** A state as a line. The word for it stands beside, so that the mark itself is silent. */
export function LineMark({ mark, width = 44, tone }: LineMarkProps) {
  const palette = usePalette();
  const colour = palette[tone ?? TONE[mark]];
  const line = (from: number, to: number, dash?: string, thick = 6) => (
    <Line x1={from} x2={to} y1={4} y2={4} stroke={colour} strokeWidth={thick} strokeDasharray={dash} />
  );
  return (
    <Svg width={width} height={8} aria-hidden>
      {mark === 'solid' && line(0, width)}
      {mark === 'broken' && line(0, width, '9 5')}
      {mark === 'dotted' && line(1, width, '3 4')}
      {mark === 'half' && line(0, width / 2)}
      {mark === 'half' && line(width / 2 + 3, width, '3 4')}
      {mark === 'thin' && line(0, width, undefined, 2)}
    </Svg>
  );
}
