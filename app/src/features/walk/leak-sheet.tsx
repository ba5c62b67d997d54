import { SAID_MAX } from '@calvet/contract/limits';
import { TRADE_WORDS } from '@calvet/contract/plan/work-words';
import { withSealByWidth, BY_WIDTH } from '@calvet/core/penetrations/seal-by-width';
import { mend as kind, MEND_WORDS, type Mend } from '@calvet/contract/walk/mend';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { SaidField } from '../../ui/said-field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { AddingState } from '../record/adding-state';
import { PhotoGrid } from '../record/photo-grid';
import { subjectsIn } from '../record/photo-words';
import { useAddPhotos } from '../record/use-add-photos';
import { GapField } from './gap-field';

const WHATS = ['Open joint', 'Hole', 'Gap beside a frame', 'Torn sheet or tape', 'Seal missing'].map(
  (label) => ({
    value: label,
    label,
  }),
);
const TRADES = optionsOf(TRADE_WORDS);
const STATES = optionsOf(MEND_WORDS);
const UNDER_FAN = [{ value: 'fan', label: 'Found while the fan ran' }] as const;
const { fields } = kind;

interface LeakSheetProps {
  readonly view: HouseView;
  /** It stands on the screen alone until something is entered. */
  readonly leak: Mend;
  readonly isNew: boolean;
  readonly onDelete: () => void;
  readonly onClose: () => void;
}

/** A leak that was found without anybody asking for it: a picture, how wide, what it is. Each tap is kept. */
export function LeakSheet({ view, leak, isNew, onDelete, onClose }: LeakSheetProps) {
  const keep = useKeep('mend', leak);
  const isWide = useIsWide();
  const { makeIfNew } = useStore();
  const adding = useAddPhotos(
    view.house.id,
    { kind: 'mend', id: leak.id },
    { onBefore: () => makeIfNew('mend', leak), isSaid: true },
  );
  const photos = view.photos.filter(({ subject }) => subject.id === leak.id);
  const how = withSealByWidth(BY_WIDTH, 'board', leak.gapMm ?? undefined);
  return (
    <Sheet title={`A leak: ${leak.placeName}`} onClose={onClose}>
      {photos.length > 0 && <PhotoGrid photos={photos} subjects={subjectsIn(view)} />}
      <AddingState atWork={adding.atWork} trouble={adding.trouble} />
      <Button
        icon="camera-outline"
        label={isWide ? 'Choose a photo' : 'Take a photo'}
        onPress={() => void adding.add({ camera: !isWide })}
      />
      <GapField value={leak.gapMm} onChange={(gapMm, stage) => keep({ gapMm }, stage)} />
      <Labelled label="What it is">
        <Choice<string>
          label="What it is"
          options={WHATS}
          value={leak.what}
          onChange={(what) => keep({ what })}
        />
      </Labelled>
      {leak.gapMm !== null && (
        <Text tone="soft">To mend it: {how.charAt(0).toLowerCase() + how.slice(1)}.</Text>
      )}
      <NumberField
        label="Length of the gap"
        quantity="gap"
        value={leak.lengthMm}
        bounds={fields.lengthMm.bounds}
        onCommit={(lengthMm, stage) => keep({ lengthMm }, stage)}
      />
      <ManyChoice
        label="When"
        options={UNDER_FAN}
        values={leak.isUnderFan ? ['fan'] : []}
        onChange={(values) => keep({ isUnderFan: values.length > 0 })}
      />
      <Labelled label="Whose work">
        <Choice
          label="Whose work"
          options={TRADES}
          value={leak.trade}
          onChange={(trade) => keep({ trade })}
        />
      </Labelled>
      <SaidField
        label="In your words"
        maxLength={SAID_MAX}
        value={leak.why}
        onChange={(why) => keep({ why })}
      />
      <Labelled label="How far it is">
        <Choice
          label="How far it is"
          options={STATES}
          value={leak.state}
          onChange={(state) => keep({ state })}
        />
      </Labelled>
      <View style={styles.row}>
        {!isNew && <Button kind="quiet" icon="trash-can-outline" label="Delete it" onPress={onDelete} />}
        <Button kind="main" label="Done" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
