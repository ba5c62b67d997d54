import type { PhotoSubject } from '@calvet/contract/photos/photo';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { AddingState } from './adding-state';
import { PhotoGrid } from './photo-grid';
import { subjectsIn } from './photo-words';
import { useAddPhotos } from './use-add-photos';

interface PhotosCardProps {
  readonly view: HouseView;
  readonly subject: PhotoSubject;
  /** What is worth a picture here, said while there is none. */
  readonly hint: string;
  /** Called before photos are added: what they show is made then, if it stands on the screen alone. */
  readonly onBeforeAdding?: () => void;
}

/** The photos of one subject, and the way to take more. */
export function PhotosCard({ view, subject, hint, onBeforeAdding }: PhotosCardProps) {
  const isWide = useIsWide();
  const { atWork, trouble, add } = useAddPhotos(view.house.id, subject, { onBefore: onBeforeAdding });
  const photos = view.photos.filter((photo) => photo.subject.id === subject.id);
  return (
    <Card title={photos.length === 0 ? 'Photos' : `Photos · ${photos.length}`}>
      {photos.length === 0 && atWork === 0 && <Text tone="soft">{hint}</Text>}
      <PhotoGrid photos={photos} subjects={subjectsIn(view)} />
      <AddingState atWork={atWork} trouble={trouble} />
      <View style={styles.buttons}>
        {!isWide && (
          <Button label="Take a photo" icon="camera-outline" onPress={() => void add({ camera: true })} />
        )}
        <Button label="Choose photos" icon="image-multiple-outline" onPress={() => void add()} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
