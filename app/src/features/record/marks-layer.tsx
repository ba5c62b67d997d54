import type { PhotoMark, PicturePoint } from '@calvet/contract/photos/photo';
import { Fragment } from 'react';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import { fonts } from '../../ui/tokens';

/** Readable on any picture: a bright line in a dark casing. */
const LINE = '#FFD23F';
const CASING = '#10181F';

export interface FrameSize {
  readonly width: number;
  readonly height: number;
}

const at = ({ x, y }: PicturePoint, { width, height }: FrameSize): readonly [number, number] => [
  x * width,
  y * height,
];

function arrowPath(from: PicturePoint, to: PicturePoint, size: FrameSize): string {
  const [x1, y1] = at(from, size);
  const [x2, y2] = at(to, size);
  const angle = Math.atan2(y2 - y1, x2 - x1);
  const head = Math.min(22, Math.hypot(x2 - x1, y2 - y1) * 0.6);
  const barb = (turn: number) =>
    `M${x2} ${y2}L${x2 - head * Math.cos(angle + turn)} ${y2 - head * Math.sin(angle + turn)}`;
  return `M${x1} ${y1}L${x2} ${y2}${barb(0.45)}${barb(-0.45)}`;
}

function outlinePath(points: readonly PicturePoint[], size: FrameSize): string {
  return `M${points.map((point) => at(point, size).join(' ')).join('L')}Z`;
}

function Cased({ path, width }: { readonly path: string; readonly width: number }) {
  return (
    <>
      <Path
        d={path}
        stroke={CASING}
        strokeWidth={width + 3}
        fill="none"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <Path
        d={path}
        stroke={LINE}
        strokeWidth={width}
        fill="none"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </>
  );
}

function MarkShape({ mark, size }: { readonly mark: PhotoMark; readonly size: FrameSize }) {
  const width = Math.max(2, Math.min(4, size.width / 140));
  switch (mark.kind) {
    case 'arrow':
      return <Cased path={arrowPath(mark.from, mark.to, size)} width={width} />;
    case 'outline':
      return <Cased path={outlinePath(mark.points, size)} width={width} />;
    case 'ring': {
      const [cx, cy] = at(mark.centre, size);
      const ring = { cx, cy, r: mark.radius * size.width, fill: 'none' };
      return (
        <>
          <Circle {...ring} stroke={CASING} strokeWidth={width + 3} />
          <Circle {...ring} stroke={LINE} strokeWidth={width} />
        </>
      );
    }
    case 'text': {
      const [x, y] = at(mark.at, size);
      const words = {
        x,
        y,
        fontFamily: fonts.bold,
        fontSize: Math.max(13, Math.min(24, size.width / 24)),
        textAnchor: mark.at.x > 0.6 ? ('end' as const) : ('start' as const),
      };
      return (
        <>
          <SvgText {...words} stroke={CASING} strokeWidth={5} strokeLinejoin="round" fill={CASING}>
            {mark.text}
          </SvgText>
          <SvgText {...words} fill={LINE}>
            {mark.text}
          </SvgText>
        </>
      );
    }
  }
}

interface MarksLayerProps {
  readonly marks: readonly PhotoMark[];
  readonly size: FrameSize;
}

/** What is pointed out in a picture, over it. */
export function MarksLayer({ marks, size }: MarksLayerProps) {
  return (
    <Svg
      width={size.width}
      height={size.height}
      aria-hidden
      style={{ position: 'absolute', pointerEvents: 'none' }}
    >
      {marks.map((mark) => (
        <Fragment key={mark.id}>
          <MarkShape mark={mark} size={size} />
        </Fragment>
      ))}
    </Svg>
  );
}
