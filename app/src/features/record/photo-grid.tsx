import type { Photo } from '@calvet/contract/photos/photo';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LongList } from '../../ui/long-list';
import { photoName, type NamedSubject } from './photo-words';
import { Thumbnail } from './thumbnail';

const GAP = 8;
const LEAST_TILE = 104;

interface PhotoGridProps {
  readonly photos: readonly Photo[];
  readonly subjects: readonly NamedSubject[];
  /** The photo that one looks at. */
  readonly chosenId?: string;
  /** What a press does instead of opening the photo. */
  readonly onChoose?: (photo: Photo) => void;
}

/** Photos side by side, as many as the width takes. */
export function PhotoGrid({ photos, subjects, chosenId, onChoose }: PhotoGridProps) {
  const [width, setWidth] = useState(0);
  const columns = Math.max(1, Math.min(6, Math.floor((width + GAP) / (LEAST_TILE + GAP))));
  const tile = Math.floor((width - GAP * (columns - 1)) / columns);
  return (
    <View style={styles.photos} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      {width > 0 && (
        <LongList
          items={photos}
          what="photos"
          wrap={(children) => <View style={styles.grid}>{children}</View>}
        >
          {(photo) => (
            <Thumbnail
              key={photo.id}
              photo={photo}
              name={photoName(photo, subjects)}
              width={tile}
              isHere={photo.id === chosenId}
              onChoose={onChoose}
            />
          )}
        </LongList>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  photos: { gap: GAP, minHeight: 1 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: GAP },
});
