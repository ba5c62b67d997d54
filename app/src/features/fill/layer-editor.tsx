import type { AreaFigures } from '@calvet/contract/installation/area-figures';
import { buildUpFields, type BuildUp } from '@calvet/contract/installation/area';
import type { BuildUpLayer } from '@calvet/contract/installation/layer';
import type { Material } from '@calvet/contract/installation/material';
import { materialLayer } from '@calvet/contract/installation/plain-layer';
import { LAYERS_MAX, NAME_MAX } from '@calvet/contract/limits';
import type { DoubleFrames } from '@calvet/core/thermal/double-frames';
import type { FrameAlignment } from '@calvet/core/thermal/heat-paths';
import { arrayMove } from '@dnd-kit/sortable';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import { v7 } from 'uuid';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { Labelled, NumberField, TextField } from '../../ui/field';
import { FoldLine } from '../../ui/fold-line';
import { figureWithUnit, resistance } from '../../ui/format';
import { SortableGrip, SortableList } from '../../ui/sortable-list';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import type { FrameResult } from './frame-fields';
import { LayerFields } from './layer-fields';
import { layerDetail } from './layer-words';

const ALIGNMENTS: readonly Option<FrameAlignment>[] = [
  { value: 'aligned', label: 'One behind the other' },
  { value: 'offset', label: 'Offset' },
];

const NEW_M = 0.05;
const NEW_WMK = 0.04;

const nameOf = ({ name }: BuildUpLayer, position: number): string =>
  name === '' ? `layer ${position + 1}` : name;

const NO_FRAME: FrameResult = { figures: null, refused: null };

/** What the frame of a layer comes to, or why it comes to nothing. */
function frameResult(figures: AreaFigures | null, { id }: BuildUpLayer, position: number): FrameResult {
  if (figures === null) return NO_FRAME;
  if (figures.state === 'figures') {
    const frame = figures.frames.get(id);
    return frame === undefined ? NO_FRAME : { figures: frame, refused: null };
  }
  const { field, message } = figures.refusal;
  return field.startsWith(`layers[${position}].members`) ? { figures: null, refused: message } : NO_FRAME;
}

interface LayerRowProps {
  readonly layer: BuildUpLayer;
  readonly position: number;
  readonly count: number;
  readonly isGraded: boolean;
  readonly isOpen: boolean;
  readonly own: readonly Material[];
  readonly frame: FrameResult;
  /** The same functions for every row, so that a row is drawn anew for nothing but its own layer. */
  readonly onToggle: (layerId: string) => void;
  readonly onChange: (layer: BuildUpLayer, stage?: EntryStage) => void;
  readonly onGrade: (layerId: string) => void;
  readonly onMove: (from: number, to: number) => void;
  readonly onRemove: (layerId: string) => void;
}

const LayerRow = memo(function LayerRow(props: LayerRowProps) {
  const { layer, position, count, isGraded, isOpen, own } = props;
  const { units } = usePreferences();
  const where = position === 0 ? ' · inside' : position === count - 1 ? ' · outside' : '';
  const name = nameOf(layer, position);
  return (
    <View style={styles.layer} role="group" aria-label={`Layer ${position + 1}`}>
      <View style={styles.head}>
        <SortableGrip />
        <View style={styles.line}>
          <FoldLine
            label={`${name}: ${isOpen ? 'close' : 'change'}`}
            title={layer.name === '' ? 'Unnamed layer' : layer.name}
            detail={`${layerDetail(layer, units)}${isGraded ? ' · graded' : ''}${where}`}
            isOpen={isOpen}
            onToggle={() => props.onToggle(layer.id)}
          />
        </View>
      </View>
      {isOpen && (
        <View style={styles.open}>
          <LayerFields
            key={layer.kind}
            layer={layer}
            isGraded={isGraded}
            own={own}
            frame={props.frame}
            onChange={props.onChange}
            onGrade={() => props.onGrade(layer.id)}
          />
          <View style={styles.tools}>
            <Button
              icon="arrow-up"
              label="Move inwards"
              disabled={position === 0}
              onPress={() => props.onMove(position, position - 1)}
            />
            <Button
              icon="arrow-down"
              label="Move outwards"
              disabled={position === count - 1}
              onPress={() => props.onMove(position, position + 1)}
            />
            <Button
              icon="trash-can-outline"
              label={`Remove ${name}`}
              disabled={count === 1}
              onPress={() => props.onRemove(layer.id)}
            />
          </View>
        </View>
      )}
      <Rule />
    </View>
  );
});

interface LayerEditorProps {
  readonly buildUp: BuildUp;
  /** Materials of the practice. */
  readonly own?: readonly Material[];
  /** What the build-up comes to; null: nobody worked it out. */
  readonly figures?: AreaFigures | null;
  /** What two frames are worth both ways; null where there are fewer. */
  readonly both?: DoubleFrames | null;
  /** The layer that is open; null: none. */
  readonly openId: string | null;
  readonly onOpen: (layerId: string | null) => void;
  readonly onChange: (buildUp: BuildUp, stage?: EntryStage) => void;
}

/** The layers of a build-up from inside to outside: what each is worth in a line, and its figures where it is opened. */
export function LayerEditor({
  buildUp,
  own = [],
  figures = null,
  both = null,
  openId,
  onOpen,
  onChange,
}: LayerEditorProps) {
  const { units } = usePreferences();
  const { layers, gradedLayer, frameAlignment } = buildUp;
  const change = (next: Partial<BuildUp>, stage?: EntryStage): void => {
    const framed = (next.layers ?? layers).filter(({ kind }) => kind === 'framed').length;
    const alignment = framed > 1 ? (next.frameAlignment ?? frameAlignment ?? 'aligned') : null;
    onChange({ ...buildUp, ...next, frameAlignment: alignment }, stage);
  };
  const move = useLatestCallback((from: number, to: number): void =>
    change({ layers: arrayMove([...layers], from, to) }),
  );
  const toggle = useLatestCallback((id: string): void => onOpen(openId === id ? null : id));
  const changeLayer = useLatestCallback((next: BuildUpLayer, stage?: EntryStage): void =>
    change({ layers: layers.map((each) => (each.id === next.id ? next : each)) }, stage),
  );
  const grade = useLatestCallback((id: string): void =>
    change({ gradedLayer: gradedLayer === id ? null : id }),
  );
  const remove = useLatestCallback((id: string): void =>
    change({
      layers: layers.filter((each) => each.id !== id),
      gradedLayer: gradedLayer === id ? null : gradedLayer,
    }),
  );
  const add = (): void => {
    const id = v7();
    change({ layers: [...layers, { id, ...materialLayer('', NEW_M, NEW_WMK) }] });
    onOpen(id);
  };
  const framedCount = layers.filter(({ kind }) => kind === 'framed').length;
  return (
    <Card title="Layers, inside to outside">
      <TextField
        label="Name of the build-up"
        maxLength={NAME_MAX}
        value={buildUp.name}
        onChange={(name) => change({ name })}
      />
      <NumberField
        label="Cost"
        quantity={buildUpFields.costPerM2.quantity}
        value={buildUp.costPerM2}
        bounds={buildUpFields.costPerM2.bounds}
        onCommit={(costPerM2, stage) => change({ costPerM2 }, stage)}
      />
      <SortableList items={layers} nameOf={nameOf} onMove={move}>
        {(layer, i) => (
          <LayerRow
            layer={layer}
            position={i}
            count={layers.length}
            isGraded={gradedLayer === layer.id}
            isOpen={openId === layer.id}
            own={own}
            frame={frameResult(figures, layer, i)}
            onToggle={toggle}
            onChange={changeLayer}
            onGrade={grade}
            onMove={move}
            onRemove={remove}
          />
        )}
      </SortableList>
      {framedCount > 1 && (
        <Labelled label="How the frames stand to each other">
          <Choice
            label="How the frames stand to each other"
            options={ALIGNMENTS}
            value={frameAlignment}
            onChange={(alignment) => change({ frameAlignment: alignment })}
          />
          {both !== null && (
            <Text look="small" tone="soft">
              One behind the other {resistance(both.aligned.effectiveRsi, units)}, offset{' '}
              {resistance(both.offset.effectiveRsi, units)}: offset studs gain{' '}
              {figureWithUnit(both.gainedShare, 'share', units)}.
            </Text>
          )}
        </Labelled>
      )}
      <Button label="Add a layer outside" icon="plus" disabled={layers.length >= LAYERS_MAX} onPress={add} />
    </Card>
  );
}

const styles = StyleSheet.create({
  layer: { gap: space.xs },
  head: { flexDirection: 'row', alignItems: 'center' },
  line: { flex: 1, minWidth: 0 },
  open: { gap: space.s },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
