import {
  CORNER_WORDS,
  frameOf,
  INTERSECTION_WORDS,
  memberFields,
  USUAL_MEMBERS,
  type FrameFigures,
  type FrameMembers,
  type FrameOpening,
} from '@calvet/contract/installation/frame-members';
import type { FramedLayer } from '@calvet/contract/installation/layer';
import { FRAME_OPENINGS_MAX } from '@calvet/contract/limits';
import { Refusal } from '@calvet/core/refusal';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, FieldMessage, GivenField, Labelled } from '../../ui/field';
import { decimals, resistance } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { cavityRsiOf } from './layer-in-kind';
import { HeaderFields, OpeningFields, StudFields } from './member-fields';

const { members: fields } = memberFields;

type FigureName = {
  readonly [K in keyof FrameMembers]: FrameMembers[K] extends number ? K : never;
}[keyof FrameMembers];

const FIGURES: readonly (readonly [FigureName, string])[] = [
  ['lengthM', 'Length of the wall'],
  ['heightM', 'Height of the wall'],
  ['spacingM', 'Spacing of the studs'],
  ['studWidthM', 'Width of a stud'],
  ['bottomPlates', 'Bottom plates'],
  ['topPlates', 'Top plates'],
  ['corners', 'Corners'],
  ['intersections', 'Partitions that meet it'],
  ['timberWmK', 'Conductivity of the timber'],
];

const USUAL_OPENING = { count: 1, widthM: 1.2, heightM: 1.2, headerDepthM: 0.2, hasSill: true };

/** All else of the build-up, where nobody has it at hand: it moves the R of the frame little, and its share not at all. */
const SOME_RSI = 0.5;

/** What the members of a frame come to in their build-up, or why they come to nothing. */
export interface FrameResult {
  readonly figures: FrameFigures | null;
  readonly refused: string | null;
}

type Kept = Pick<FramedLayer, 'framingFraction' | 'frameRsi'>;

/** What a frame comes to for whoever reads the layer without knowing of its members. */
function keptOf(layer: FramedLayer, members: FrameMembers): Kept {
  const { framingFraction, frameRsi, thicknessM: depthM } = layer;
  const cavityRsi = cavityRsiOf(layer);
  if (depthM === null || cavityRsi === null) return { framingFraction, frameRsi };
  try {
    const frame = frameOf(members, { depthM, cavityRsi, restRsi: SOME_RSI });
    return { framingFraction: frame.framingFraction, frameRsi: frame.frameRsi };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { framingFraction, frameRsi };
  }
}

function FrameSaid({ frame }: { readonly frame: FrameFigures }) {
  const { units } = usePreferences();
  const { leanFramingFraction, effectiveRsi, leanEffectiveRsi } = frame.layout;
  const gains =
    effectiveRsi !== null && leanEffectiveRsi !== null && leanFramingFraction < frame.framingFraction - 1e-9;
  return (
    <>
      <Text role="status">
        The frame takes {decimals(frame.framingFraction * 100, 1)} % of the face;{' '}
        {resistance(frame.frameRsi, units)} for all of its members together.
      </Text>
      {gains && (
        <Text look="small" tone="soft">
          With open corners, partitions on straps and headers in boxes{' '}
          {decimals(leanFramingFraction * 100, 1)} %: all in solid timber{' '}
          {resistance(leanEffectiveRsi, units)} in place of {resistance(effectiveRsi, units)}. A frame carries
          loads: a leaner one is for the structural designer and local code to allow.
        </Text>
      )}
    </>
  );
}

interface FrameFieldsProps {
  readonly layer: FramedLayer;
  readonly frame: FrameResult;
  readonly onChange: (layer: FramedLayer, stage?: EntryStage) => void;
}

/** The members of a frame, from which its share and its one R follow. */
export function FrameFields({ layer, frame, onChange }: FrameFieldsProps) {
  const { members } = layer;
  if (members === null) {
    return (
      <Button
        label="Count the frame from its studs"
        icon="view-week-outline"
        onPress={() => onChange({ ...layer, members: USUAL_MEMBERS, ...keptOf(layer, USUAL_MEMBERS) })}
      />
    );
  }
  const depthM = layer.thicknessM ?? 0.14;
  const set = (next: Partial<FrameMembers>, stage?: EntryStage): void => {
    const all = { ...members, ...next };
    onChange({ ...layer, members: all, ...keptOf(layer, all) }, stage);
  };
  const setOpening = (id: string, next: Partial<FrameOpening>, stage?: EntryStage): void =>
    set(
      {
        openings: members.openings.map((opening) => (opening.id === id ? { ...opening, ...next } : opening)),
      },
      stage,
    );
  return (
    <View style={styles.all} role="group" aria-label="Members of the frame">
      <Text look="strong">Members of the frame</Text>
      {frame.figures !== null && <FrameSaid frame={frame.figures} />}
      {frame.refused !== null && <FieldMessage message={frame.refused} />}
      <FieldGrid>
        {FIGURES.map(([name, label]) => (
          <GivenField
            key={name}
            label={label}
            quantity={fields[name].quantity}
            value={members[name]}
            bounds={fields[name].bounds}
            onFigure={(si, stage) => set({ [name]: si }, stage)}
          />
        ))}
      </FieldGrid>
      {members.corners > 0 && (
        <Labelled label="Corners">
          <Choice
            label="How the corners are framed"
            options={optionsOf(CORNER_WORDS)}
            value={members.cornerKind}
            onChange={(cornerKind) => set({ cornerKind })}
          />
        </Labelled>
      )}
      {members.intersections > 0 && (
        <Labelled label="Partitions">
          <Choice
            label="How partitions meet it"
            options={optionsOf(INTERSECTION_WORDS)}
            value={members.intersectionKind}
            onChange={(intersectionKind) => set({ intersectionKind })}
          />
        </Labelled>
      )}
      <StudFields make={members.stud} depthM={depthM} onChange={(stud, stage) => set({ stud }, stage)} />
      {members.openings.map((opening, i) => (
        <OpeningFields
          key={opening.id}
          opening={opening}
          name={`Opening ${i + 1}`}
          onChange={(next, stage) => setOpening(opening.id, next, stage)}
          onRemove={() => set({ openings: members.openings.filter(({ id }) => id !== opening.id) })}
        />
      ))}
      {members.openings.length > 0 && (
        <HeaderFields
          make={members.header}
          depthM={depthM}
          onChange={(header, stage) => set({ header }, stage)}
        />
      )}
      <View style={styles.deeds}>
        <Button
          label="Add openings"
          icon="plus"
          disabled={members.openings.length >= FRAME_OPENINGS_MAX}
          onPress={() => set({ openings: [...members.openings, { id: v7(), ...USUAL_OPENING }] })}
        />
        <Button
          kind="quiet"
          label="Enter share and R myself"
          onPress={() => onChange({ ...layer, members: null })}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
