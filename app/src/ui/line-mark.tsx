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

const THICK = 6;
const DASH: Readonly<Record<Mark, string | undefined>> = {
  solid: undefined,
  broken: '9 5',
  dotted: '3 4',
  // Of a line of any length: pieces that hold, and pieces that are not proven.
  half: '14 3 3 4 3 3',
  thin: undefined,
};

/** How a line of a picture is drawn that bears a mark. */
export const strokeOf = (mark: Mark, palette: Palette) => ({
  stroke: palette[TONE[mark]],
  strokeWidth: mark === 'thin' ? 2 : THICK,
  strokeDasharray: DASH[mark],
});

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
  const { stroke, strokeWidth, strokeDasharray } = strokeOf(mark, palette);
  const line = (from: number, to: number, dash?: string) => (
    <Line
      x1={from}
      x2={to}
      y1={4}
      y2={4}
      stroke={tone === undefined ? stroke : palette[tone]}
      strokeWidth={strokeWidth}
      strokeDasharray={dash}
    />
  );
  return (
    <Svg width={width} height={8} aria-hidden>
      {mark === 'half' ? (
        <>
          {line(0, width / 2)}
          {line(width / 2 + 3, width, DASH.dotted)}
        </>
      ) : (
        line(mark === 'dotted' ? 1 : 0, width, strokeDasharray)
      )}
    </Svg>
  );
}
