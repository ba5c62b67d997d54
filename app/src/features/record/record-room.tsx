import type { HouseView } from '../../data/as-drawn';
import { useUnsentPictures } from '../../data/picture-hooks';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { Screen } from '../shell/screen';
import { AddingState } from './adding-state';
import { PhotoGrid } from './photo-grid';
import { photosBySubject, subjectsIn } from './photo-words';
import { useAddPhotos } from './use-add-photos';

function headline(count: number, unsent: number): string {
  if (count === 0) return 'No photo yet';
  const photos = count === 1 ? '1 photo' : `${count} photos`;
  if (unsent === 0) return photos;
  return unsent === count ? `${photos}, not sent yet` : `${photos}, ${unsent} not sent yet`;
}

/** All photos of a house, subject by subject. */
export function RecordRoom({ view }: { readonly view: HouseView }) {
  const { house, photos } = view;
  const isWide = useIsWide();
  const waiting = useUnsentPictures();
  const subject = { kind: 'house', id: house.id } as const;
  const { atWork, trouble, add } = useAddPhotos(house.id, subject);
  const unsent = new Set(waiting.map(({ sha256 }) => sha256));
  const subjects = subjectsIn(view);
  const shown = photosBySubject(photos, subjects);
  return (
    <Screen
      name={house.name}
      detail="Record"
      back="/"
      backLabel="Back to the houses"
      footer={
        <>
          <Button label="Choose photos" icon="image-multiple-outline" onPress={() => void add()} />
          {!isWide && (
            <Button
              label="Take a photo"
              icon="camera-outline"
              kind="main"
              grow
              onPress={() => void add({ camera: true })}
            />
          )}
        </>
      }
    >
      <Text look="answer" level={2}>
        {headline(photos.length, photos.filter(({ sha256 }) => unsent.has(sha256)).length)}
      </Text>
      {photos.length === 0 && (
        <Text tone="soft">
          A photo shows something: take it on the page of an area or a door test, or here for the house as a
          whole. What is covered later is seen only now.
        </Text>
      )}
      <AddingState atWork={atWork} trouble={trouble} />
      {shown.map((subject) => (
        <Card key={subject.key} title={`${subject.name} · ${subject.photos.length}`}>
          <PhotoGrid photos={subject.photos} subjects={subjects} />
        </Card>
      ))}
    </Screen>
  );
}
