import {
  MARK_WORDS,
  CAPTION_MAX,
  type Photo,
  type PhotoBody,
  type PhotoMark,
  type PicturePoint,
} from '@calvet/contract/photos/photo';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep, type Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { TextField } from '../../ui/field';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { DeleteAtEnd, Screen } from '../shell/screen';
import { AddingState } from './adding-state';
import { BeforeAfter } from './before-after';
import { MarkTools, type Tool } from './mark-tools';
import { PhotoCanvas } from './photo-canvas';
import { PhotoGrid } from './photo-grid';
import {
  offeredTo,
  photoName,
  photosBySubject,
  subjectName,
  subjectsIn,
  takenWords,
  type NamedSubject,
} from './photo-words';
import { useAddPhotos } from './use-add-photos';
import { useDelete } from '../shell/use-delete';

interface PairProps {
  readonly photo: Photo;
  readonly photos: readonly Photo[];
  readonly subjects: readonly NamedSubject[];
  readonly onKeep: (body: Partial<PhotoBody>) => void;
}

function Pair({ photo, photos, subjects, onKeep }: PairProps) {
  const isWide = useIsWide();
  const [isOpen, setOpen] = useState(false);
  const { atWork, trouble, add } = useAddPhotos(photo.ledgerId, photo.subject);
  const before = photos.find(({ id }) => id === photo.beforeId);
  const after = photos.find(({ beforeId }) => beforeId === photo.id);
  if (before !== undefined || after !== undefined) {
    return (
      <Card title="Before and after">
        <BeforeAfter before={before ?? photo} after={before === undefined ? (after ?? photo) : photo} />
        {before !== undefined && (
          <Button label="Take the pair apart" onPress={() => onKeep({ beforeId: null })} />
        )}
      </Card>
    );
  }
  const others = photos.filter(({ id, subject }) => id !== photo.id && subject.id === photo.subject.id);
  return (
    <Card
      title="Before and after"
      right={others.length > 0 && <OpenButton isOpen={isOpen} label="Pair it" onToggle={setOpen} />}
    >
      <Text tone="soft">
        Show what was mended: take the same view again once the work is done, or say which photo shows it
        before.
      </Text>
      {isOpen && (
        <>
          <Text>This photo shows the work done. Before, it looked like:</Text>
          <PhotoGrid photos={others} subjects={subjects} onChoose={({ id }) => onKeep({ beforeId: id })} />
        </>
      )}
      <AddingState atWork={atWork} trouble={trouble} />
      <Button
        label={isWide ? 'Choose the photo after' : 'Take the photo after'}
        icon="camera-outline"
        onPress={() => void add({ camera: !isWide, beforeId: photo.id })}
      />
    </Card>
  );
}

function WhatItShows({ photo, subjects, onKeep }: Omit<PairProps, 'photos'>) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Card title="What it shows" right={<OpenButton isOpen={isOpen} label="Change" onToggle={setOpen} />}>
      <TextField
        label="Caption"
        maxLength={CAPTION_MAX}
        value={photo.caption}
        onChange={(caption) => onKeep({ caption })}
      />
      {isOpen && (
        <Choice
          label="Shows"
          options={offeredTo(photo, subjects).map(({ subject, name }) => ({
            value: subject.id,
            label: name,
          }))}
          value={photo.subject.id}
          onChange={(id) => {
            const shown = subjects.find(({ subject }) => subject.id === id);
            if (shown !== undefined) onKeep({ subject: shown.subject });
          }}
        />
      )}
    </Card>
  );
}

interface PhotoScreenProps {
  readonly view: HouseView;
  readonly photo: Photo;
}

/** One photo: what it shows, what is pointed out in it, and the same view before or after. */
export function PhotoScreen({ view, photo }: PhotoScreenProps) {
  const { house, photos } = view;
  const router = useRouter();
  const note = useNote();
  const isWide = useIsWide();
  const [tool, setTool] = useState<Tool | null>(null);
  const [wordsAt, setWordsAt] = useState<PicturePoint | null>(null);
  const subjects = subjectsIn(view);
  const name = photoName(photo, subjects);
  const { makeIfNew } = useStore();
  const keep = useKeep('photo', photo);
  /** What a photo shows is a record of its own by then: a drawn area of which nothing was entered yet becomes one. */
  const keepShown: Keep<'photo'> = (body, stage) => {
    const { subject } = typeof body === 'function' ? body(photo) : body;
    const shown = view.areas.find(({ id }) => id === subject?.id);
    if (shown !== undefined) makeIfNew('area', shown);
    keep(body, stage);
  };
  const keepMarks = (marks: readonly PhotoMark[]) => keep({ marks });
  const choose = (next: Tool | null): void => {
    setTool(next);
    setWordsAt(null);
  };
  const open = (photoId: string) =>
    router.replace({
      pathname: '/houses/[houseId]/record/[photoId]',
      params: { houseId: house.id, photoId },
    });
  const inOrder = photosBySubject(photos, subjects).flatMap((each) => each.photos);
  const at = inOrder.findIndex(({ id }) => id === photo.id);
  const [previous, next] = [inOrder[at - 1], inOrder[at + 1]];
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('photo', photo, 'The photo was deleted.');
    router.replace({ pathname: '/houses/[houseId]/record', params: { houseId: house.id } });
  };
  const picture = (
    <PhotoCanvas
      photo={photo}
      name={name}
      tool={tool}
      onDrawn={(mark) => {
        keepMarks([...photo.marks, mark]);
        choose(null);
        note({
          text: `${MARK_WORDS[mark.kind]} drawn.`,
          undo: () => keep(({ marks }) => ({ marks: marks.filter(({ id }) => id !== mark.id) })),
        });
      }}
      onPlaced={setWordsAt}
    />
  );
  const tools = (
    <MarkTools marks={photo.marks} tool={tool} wordsAt={wordsAt} onTool={choose} onMarks={keepMarks} />
  );
  const about = (
    <>
      <WhatItShows photo={photo} subjects={subjects} onKeep={keepShown} />
      <Pair photo={photo} photos={photos} subjects={subjects} onKeep={keep} />
      <Text look="small" tone="soft">
        {photo.widthPx} × {photo.heightPx} px, {Math.round(photo.bytes / 1000)} kB. Where it was taken is not
        kept.
      </Text>
      <DeleteAtEnd label="Delete photo" onPress={remove} />
    </>
  );
  return (
    <Screen
      name={subjectName(photo, subjects)}
      detail={`${house.name} · ${takenWords(photo)}`}
      back={{ pathname: '/houses/[houseId]/record', params: { houseId: house.id } }}
      backLabel="Back to the record"
      footer={
        <View style={styles.turn}>
          <Button
            iconOnly
            icon="chevron-left"
            label="Previous photo"
            disabled={previous === undefined}
            onPress={() => previous !== undefined && open(previous.id)}
          />
          <Text look="figure">
            {at + 1}/{photos.length}
          </Text>
          <Button
            iconOnly
            icon="chevron-right"
            label="Next photo"
            disabled={next === undefined}
            onPress={() => next !== undefined && open(next.id)}
          />
        </View>
      }
    >
      {isWide ? (
        <View style={styles.columns}>
          <View style={styles.picture}>{picture}</View>
          <View style={styles.beside}>
            {tools}
            {about}
          </View>
        </View>
      ) : (
        <>
          {picture}
          {tools}
          {about}
        </>
      )}
    </Screen>
  );
}

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  picture: { flex: 3, minWidth: 0 },
  beside: { flex: 2, minWidth: 0, gap: space.m },
  turn: { flexDirection: 'row', alignItems: 'center', gap: space.s, marginLeft: 'auto' },
});
