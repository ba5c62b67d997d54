import type { Photo } from '@calvet/contract/photos/photo';
import { useState } from 'react';
import { Image, StyleSheet, View, type PointerEvent, type ViewStyle } from 'react-native';
import { usePicture, type Picture } from '../../data/picture-hooks';
import { Choice } from '../../ui/choice';
import { PictureFrame } from '../../ui/picture-frame';
import { Text } from '../../ui/text';
import { useIsWide, usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { takenWords } from './photo-words';
import { ABSENT_WORDS } from './thumbnail';

const ASPECT = 4 / 3;
const DRAG = { touchAction: 'pan-y', cursor: 'ew-resize' } as unknown as ViewStyle;

interface SideProps {
  readonly picture: Picture;
  readonly name: string;
  readonly width: number;
}

function Side({ picture, name, width }: SideProps) {
  const size = { width, height: width / ASPECT };
  return picture.state === 'here' ? (
    <Image source={{ uri: picture.url }} style={size} resizeMode="cover" aria-label={name} />
  ) : (
    <PictureFrame words={ABSENT_WORDS[picture.state]} style={size} />
  );
}

interface BeforeAfterProps {
  readonly before: Photo;
  readonly after: Photo;
}

/** The same place before the work and after it: one over the other with an edge that is drawn across, or side by side. */
export function BeforeAfter({ before, after }: BeforeAfterProps) {
  const palette = usePalette();
  const isWide = useIsWide();
  const [view, setView] = useState<'across' | 'beside'>(isWide ? 'beside' : 'across');
  const [width, setWidth] = useState(0);
  const [edge, setEdge] = useState(0.5);
  const [isDragged, setDragged] = useState(false);
  const pictures = { before: usePicture(before, 'full'), after: usePicture(after, 'full') };
  const moveTo = (event: PointerEvent): void => {
    const frame = (event.currentTarget as unknown as Element).getBoundingClientRect();
    setEdge(Math.min(1, Math.max(0, (event.nativeEvent.clientX - frame.left) / frame.width)));
  };
  const half = isWide ? (width - space.m) / 2 : width;
  return (
    <View style={styles.pair} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <Choice
        label="How the two are shown"
        options={[
          { value: 'across', label: 'Slide across' },
          { value: 'beside', label: 'Show both' },
        ]}
        value={view}
        onChange={setView}
        even
      />
      {width > 0 && view === 'across' && (
        <View
          role="slider"
          aria-label="Edge between before and after"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(edge * 100)}
          tabIndex={0}
          {...({
            onKeyDown: ({ key }: { readonly key: string }) => {
              const step = key === 'ArrowLeft' ? -0.05 : key === 'ArrowRight' ? 0.05 : 0;
              setEdge((at) => Math.min(1, Math.max(0, at + step)));
            },
          } as object)}
          onPointerDown={(event) => {
            (event.currentTarget as unknown as Element).setPointerCapture(event.nativeEvent.pointerId);
            setDragged(true);
            moveTo(event);
          }}
          onPointerMove={(event) => {
            if (isDragged) moveTo(event);
          }}
          onPointerUp={() => setDragged(false)}
          onPointerCancel={() => setDragged(false)}
          style={[styles.stack, DRAG]}
        >
          <Side picture={pictures.after} name="After" width={width} />
          <View style={[styles.over, { width: width * edge }]}>
            <Side picture={pictures.before} name="Before" width={width} />
          </View>
          <View
            style={[
              styles.edge,
              { left: width * edge - 2, backgroundColor: palette.card, borderColor: palette.ink },
            ]}
          />
        </View>
      )}
      {width > 0 && view === 'beside' && (
        <View style={styles.beside}>
          <Side picture={pictures.before} name="Before" width={half} />
          <Side picture={pictures.after} name="After" width={half} />
        </View>
      )}
      <View style={styles.words}>
        <Text look="small" tone="soft">
          Before: {takenWords(before)}
        </Text>
        <Text look="small" tone="soft">
          After: {takenWords(after)}
        </Text>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  pair: { gap: space.s },
  stack: { position: 'relative', overflow: 'hidden', borderRadius: CORNER },
  over: { position: 'absolute', left: 0, top: 0, overflow: 'hidden' },
  edge: { position: 'absolute', top: 0, bottom: 0, width: 5, borderLeftWidth: 1, borderRightWidth: 1 },
  beside: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  words: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', gap: space.s },
});
