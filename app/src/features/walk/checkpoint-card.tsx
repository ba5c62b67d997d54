import type { Checkpoint } from '@calvet/contract/catalogue/catalogue';
import type { OwnCheckpoint } from '@calvet/contract/plan/own-checkpoint';
import { itemId } from '@calvet/contract/plan/item-key';
import { COVER_WORDS } from '@calvet/contract/plan/work-words';
import type { CheckpointHere } from '@calvet/contract/walk/generate-walk';
import type { Look } from '@calvet/contract/walk/looks';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { AddingState } from '../record/adding-state';
import { PhotoGrid } from '../record/photo-grid';
import { subjectsIn } from '../record/photo-words';
import type { AddingPhotos } from '../record/use-add-photos';
import { CheckpointTexts } from '../stops/checkpoint-sheet';
import { LookSaid } from '../stops/look-said';
import { MendFields } from '../stops/mend-fields';
import type { HowToGive } from '../stops/use-verdicts';
import { HowKnown } from './how-known';

interface CheckpointCardProps {
  readonly view: HouseView;
  readonly here: CheckpointHere;
  /** As the catalogue has it; undefined of one that was added to this house. */
  readonly checkpoint: Checkpoint | undefined;
  readonly own: OwnCheckpoint | undefined;
  readonly look: Look | undefined;
  /** Pictures of it that are being taken in. */
  readonly adding: Pick<AddingPhotos, 'atWork' | 'trouble'>;
  readonly onPhoto: () => void;
  /** How somebody knows it, of what was covered unseen; null: not said. */
  readonly known: HowToGive | null;
  readonly onKnown: (known: HowToGive | null) => void;
}

/** What is looked at now: what good is, how it stands, and, where it is to be mended, why. */
export function CheckpointCard(props: CheckpointCardProps) {
  const { view, here, checkpoint, own, look, adding, onPhoto, known, onKnown } = props;
  const [isOpen, setOpen] = useState(false);
  const card = useRef<View>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    if (isFirst.current) {
      isFirst.current = false;
      return;
    }
    setOpen(false);
    // On the web what is shown is an element of the page.
    (card.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'nearest' });
  }, [here.key]);
  const counts = look?.standing?.counts;
  const shownIds = new Set([
    itemId(view.house.id, here.key),
    ...(look?.standing?.all ?? []).map(({ id }) => id),
  ]);
  const photos = view.photos.filter(({ subject }) => shownIds.has(subject.id));
  const isPhotoOwed =
    counts?.value === 'mend' && checkpoint?.evidence.includes('photo') === true && photos.length === 0;
  return (
    <View ref={card}>
      <Card title={checkpoint?.title ?? own?.title ?? '…'}>
        <Text tone="soft">
          {here.itemName}
          {here.coverEvent === 'none' ? '' : ` · hidden by: ${COVER_WORDS[here.coverEvent].toLowerCase()}`}
        </Text>
        {checkpoint?.caution != null && (
          <Text tone="ember" role="note">
            {checkpoint.caution}
          </Text>
        )}
        {checkpoint !== undefined &&
          (isOpen ? <CheckpointTexts checkpoint={checkpoint} /> : <Text>{checkpoint.good}</Text>)}
        {checkpoint?.beyondMinimum === true && (
          <Text look="small" tone="soft">
            Usually more than the code asks: recorded so, no house fails on it alone.
          </Text>
        )}
        <LookSaid look={look} />
        {look?.state === 'covered' && (
          <HowKnown view={view} begunOn={look.work?.begunOn ?? null} known={known} onKnown={onKnown} />
        )}
        {counts?.value === 'mend' && <MendFields key={counts.id} verdict={counts} checkpoint={checkpoint} />}
        {photos.length > 0 && <PhotoGrid photos={photos} subjects={subjectsIn(view)} />}
        {isPhotoOwed && adding.atWork === 0 && (
          <Text look="small" tone="straw" role="status">
            A photo is owed: what is mended later is seen only now.
          </Text>
        )}
        <AddingState atWork={adding.atWork} trouble={adding.trouble} />
        <View style={styles.deeds}>
          {checkpoint !== undefined && <OpenButton isOpen={isOpen} label="What and why" onToggle={setOpen} />}
          <Button kind="quiet" icon="camera-outline" label="Photo" onPress={onPhoto} />
        </View>
      </Card>
    </View>
  );
}

const styles = StyleSheet.create({
  deeds: { flexDirection: 'row', flexWrap: 'wrap', marginLeft: -space.l, marginVertical: -space.s },
});
