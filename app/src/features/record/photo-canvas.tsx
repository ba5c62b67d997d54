import type { Photo, PhotoMark, PicturePoint } from '@calvet/contract/photos/photo';
import { useState } from 'react';
import {
  Image,
  StyleSheet,
  useWindowDimensions,
  View,
  type PointerEvent,
  type ViewStyle,
} from 'react-native';
import { v7 } from 'uuid';
import { usePicture } from '../../data/picture-hooks';
import { PictureFrame } from '../../ui/picture-frame';
import { markOf, pointIn, withPoint, type DrawnKind } from './draw-mark';
import { MarksLayer } from './marks-layer';
import { ABSENT_WORDS } from './thumbnail';

/** How much of the screen's height a picture may take, so that what belongs to it stays in sight. */
const HEIGHT_SHARE = 0.56;

interface PhotoCanvasProps {
  readonly photo: Photo;
  readonly name: string;
  /** What a stroke draws; null while nothing is drawn. */
  readonly tool: DrawnKind | 'text' | null;
  readonly onDrawn: (mark: PhotoMark) => void;
  /** Where words are to go. */
  readonly onPlaced: (at: PicturePoint) => void;
}

function pointOf(event: PointerEvent): PicturePoint {
  const { clientX, clientY } = event.nativeEvent;
  const frame = (event.currentTarget as unknown as Element).getBoundingClientRect();
  return pointIn(frame, clientX, clientY);
}

const NO_SCROLL = { touchAction: 'none', cursor: 'crosshair' } as unknown as ViewStyle;

/** A photo as large as the screen lets it be, with its marks, and drawn upon. */
export function PhotoCanvas({ photo, name, tool, onDrawn, onPlaced }: PhotoCanvasProps) {
  const picture = usePicture(photo, 'full');
  const small = usePicture(photo, 'thumbnail');
  const shown = picture.state === 'here' ? picture : small;
  const window = useWindowDimensions();
  const [room, setRoom] = useState(0);
  const [stroke, setStroke] = useState<readonly PicturePoint[]>([]);
  const aspect = photo.widthPx / photo.heightPx;
  const width = Math.min(room, window.height * HEIGHT_SHARE * aspect);
  const size = { width, height: width / aspect };
  const drawing = tool === null || tool === 'text' ? null : markOf(tool, stroke, aspect, 'drawing');

  const begin = (event: PointerEvent): void => {
    if (tool === null) return;
    if (tool === 'text') {
      onPlaced(pointOf(event));
      return;
    }
    (event.currentTarget as unknown as Element).setPointerCapture(event.nativeEvent.pointerId);
    setStroke([pointOf(event)]);
  };
  const goOn = (event: PointerEvent): void => {
    if (stroke.length === 0) return;
    const point = pointOf(event);
    setStroke((before) => withPoint(before, point, aspect));
  };
  const end = (): void => {
    if (drawing !== null) onDrawn({ ...drawing, id: v7() });
    setStroke([]);
  };

  return (
    <View style={styles.room} onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}>
      {room > 0 && (
        <View
          style={[size, tool !== null && NO_SCROLL]}
          onPointerDown={begin}
          onPointerMove={goOn}
          onPointerUp={end}
          onPointerCancel={() => setStroke([])}
          testID="photo-canvas"
        >
          {shown.state === 'here' ? (
            <Image source={{ uri: shown.url }} style={size} aria-label={name} />
          ) : (
            <PictureFrame words={ABSENT_WORDS[shown.state]} style={size} />
          )}
          <MarksLayer marks={drawing === null ? photo.marks : [...photo.marks, drawing]} size={size} />
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  room: { alignItems: 'center', minHeight: 1 },
});
