import { photosBefore, takenOn } from '@calvet/contract/walk/by-photo';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { weekday } from '../calendar/work-words';
import { PhotoGrid } from '../record/photo-grid';
import { subjectsIn } from '../record/photo-words';
import type { HowToGive } from '../stops/use-verdicts';
import { OpenedUp } from '../stops/verdict-fields';

interface HowKnownProps {
  readonly view: HouseView;
  /** The day on which it was covered; null: not said. */
  readonly begunOn: string | null;
  readonly known: HowToGive | null;
  readonly onKnown: (known: HowToGive | null) => void;
}

/** How somebody knows what was covered before anybody looked: it was opened up, or a photo from before shows it. */
export function HowKnown({ view, begunOn, known, onKnown }: HowKnownProps) {
  const [isChoosing, setChoosing] = useState(false);
  const photos = begunOn === null ? [] : photosBefore(view.photos, begunOn);
  const chosen = view.photos.find(({ id }) => id === known?.photo);
  return (
    <>
      <OpenedUp
        isOpen={known?.looked === 'openedUp'}
        onChange={(isOpen) => onKnown(isOpen ? { looked: 'openedUp' } : null)}
      />
      {chosen !== undefined && (
        <>
          <Text>By a photo of {weekday(takenOn(chosen) ?? '')}: say what it shows.</Text>
          <PhotoGrid photos={[chosen]} subjects={subjectsIn(view)} />
        </>
      )}
      {photos.length > 0 && <Button label="A photo from before shows it" onPress={() => setChoosing(true)} />}
      {isChoosing && (
        <Sheet title="Photos from before it was covered" onClose={() => setChoosing(false)}>
          <PhotoGrid
            photos={photos}
            subjects={subjectsIn(view)}
            onChoose={(photo) => {
              setChoosing(false);
              onKnown({ looked: 'byPhoto', photo: photo.id, seenOn: takenOn(photo) ?? undefined });
            }}
          />
        </Sheet>
      )}
    </>
  );
}
