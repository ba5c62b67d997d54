import {
  LAYER_WORDS,
  layerFields,
  type BuildUp,
  type BuildUpLayer,
  type LayerFigures,
} from '@calvet/contract/installation/area';
import { LAYERS_MAX, NAME_MAX } from '@calvet/contract/limits';
import type { FigureField } from '@calvet/contract/kind/field';
import type { FrameAlignment } from '@calvet/core/thermal/heat-paths';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { FieldGrid, Labelled, NumberField, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const { resistance, material, framed } = layerFields.shapes;

interface LayerFigure {
  readonly key: string;
  readonly label: string;
  readonly field: FigureField;
  readonly optional?: true;
}

const thickness: LayerFigure = { key: 'thicknessM', label: 'Thickness', field: material.thicknessM };

const FIGURES: Readonly<Record<BuildUpLayer['kind'], readonly LayerFigure[]>> = {
  resistance: [{ key: 'rsi', label: 'R', field: resistance.rsi }],
  material: [thickness, { key: 'conductivityWmK', label: 'Conductivity', field: material.conductivityWmK }],
  framed: [
    { key: 'cavityRsi', label: 'Cavity R, on the label', field: framed.cavityRsi },
    { key: 'frameRsi', label: 'Frame R', field: framed.frameRsi },
    { key: 'framingFraction', label: 'Share of framing', field: framed.framingFraction },
    { ...thickness, optional: true },
  ],
};

const KINDS: readonly Option<BuildUpLayer['kind']>[] = (['material', 'resistance', 'framed'] as const).map(
  (kind) => ({
    value: kind,
    label: LAYER_WORDS[kind],
  }),
);

const ALIGNMENTS: readonly Option<FrameAlignment>[] = [
  { value: 'aligned', label: 'One behind the other' },
  { value: 'offset', label: 'Offset' },
];

/** A layer of each kind to start from, with figures that are usual. */
function layerOfKind(kind: LayerFigures['kind'], name: string): LayerFigures {
  switch (kind) {
    case 'resistance':
      return { kind, name, rsi: 0.1 };
    case 'material':
      return { kind, name, thicknessM: 0.05, conductivityWmK: 0.04 };
    case 'framed':
      return { kind, name, cavityRsi: 3.5, frameRsi: 1.17, framingFraction: 0.2, thicknessM: 0.14 };
  }
}

function valueOf(layer: BuildUpLayer, key: LayerFigure['key']): number | null {
  const value: unknown = (layer as unknown as Readonly<Record<string, unknown>>)[key];
  return typeof value === 'number' ? value : null;
}

interface LayerRowProps {
  readonly layer: BuildUpLayer;
  readonly position: number;
  readonly count: number;
  readonly isGraded: boolean;
  readonly onChange: (layer: BuildUpLayer, stage?: EntryStage) => void;
  readonly onGrade: () => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

function LayerRow(props: LayerRowProps) {
  const { layer, position, count, isGraded, onChange, onGrade, onMove, onRemove } = props;
  const where = position === 0 ? ' · inside' : position === count - 1 ? ' · outside' : '';
  const name = layer.name === '' ? `layer ${position + 1}` : layer.name;
  return (
    <View style={styles.layer} role="group" aria-label={`Layer ${position + 1}`}>
      <View style={styles.head}>
        <Text look="strong">
          {position + 1}
          <Text look="small" tone="soft">
            {where}
          </Text>
        </Text>
        <View style={styles.tools}>
          <Button
            kind="quiet"
            iconOnly
            icon="arrow-up"
            label={`Move ${name} inwards`}
            disabled={position === 0}
            onPress={() => onMove(-1)}
          />
          <Button
            kind="quiet"
            iconOnly
            icon="arrow-down"
            label={`Move ${name} outwards`}
            disabled={position === count - 1}
            onPress={() => onMove(1)}
          />
          <Button
            kind="quiet"
            iconOnly
            icon="trash-can-outline"
            label={`Remove ${name}`}
            disabled={count === 1}
            onPress={onRemove}
          />
        </View>
      </View>
      <TextField
        label="What it is"
        maxLength={NAME_MAX}
        value={layer.name}
        onChange={(text) => onChange({ ...layer, name: text })}
      />
      <Choice
        label="How the layer is given"
        options={KINDS}
        value={layer.kind}
        onChange={(kind) => onChange({ id: layer.id, ...layerOfKind(kind, layer.name) })}
      />
      <FieldGrid>
        {FIGURES[layer.kind].map(({ key, label, field, optional }) => (
          <NumberField
            key={key}
            label={label}
            quantity={field.quantity}
            value={valueOf(layer, key)}
            bounds={field.bounds}
            isRequired={optional !== true}
            onCommit={(si, stage) => {
              if (si !== null || optional === true) onChange({ ...layer, [key]: si } as BuildUpLayer, stage);
            }}
          />
        ))}
      </FieldGrid>
      <Choice
        label="Is this the layer whose installation is graded?"
        options={[{ value: 'yes', label: isGraded ? 'Graded layer' : 'Grade this layer' }]}
        value={isGraded ? 'yes' : null}
        onChange={onGrade}
      />
      <Rule />
    </View>
  );
}

interface LayerEditorProps {
  readonly buildUp: BuildUp;
  readonly onChange: (buildUp: BuildUp, stage?: EntryStage) => void;
}

/** The layers of a build-up from inside to outside, each figure kept once it is entered. */
export function LayerEditor({ buildUp, onChange }: LayerEditorProps) {
  const { layers, gradedLayer, frameAlignment } = buildUp;
  const change = (next: Partial<BuildUp>, stage?: EntryStage): void => {
    const framed = (next.layers ?? layers).filter(({ kind }) => kind === 'framed').length;
    const alignment = framed > 1 ? (next.frameAlignment ?? frameAlignment ?? 'aligned') : null;
    onChange({ ...buildUp, ...next, frameAlignment: alignment }, stage);
  };
  const swap = (from: number, by: -1 | 1): void => {
    const to = from + by;
    const moved = layers.map((layer, i) => (i === from ? layers[to] : i === to ? layers[from] : layer));
    change({ layers: moved.filter((layer) => layer !== undefined) });
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
      {layers.map((layer, i) => (
        <LayerRow
          key={`${layer.id} ${layer.kind}`}
          layer={layer}
          position={i}
          count={layers.length}
          isGraded={gradedLayer === layer.id}
          onChange={(next, stage) =>
            change({ layers: layers.map((each, at) => (at === i ? next : each)) }, stage)
          }
          onGrade={() => change({ gradedLayer: gradedLayer === layer.id ? null : layer.id })}
          onMove={(by) => swap(i, by)}
          onRemove={() =>
            change({
              layers: layers.filter((_, at) => at !== i),
              gradedLayer: gradedLayer === layer.id ? null : gradedLayer,
            })
          }
        />
      ))}
      {framedCount > 1 && (
        <Labelled label="How the frames stand to each other">
          <Choice
            label="How the frames stand to each other"
            options={ALIGNMENTS}
            value={frameAlignment}
            onChange={(alignment) => change({ frameAlignment: alignment })}
          />
        </Labelled>
      )}
      <Button
        label="Add a layer outside"
        icon="plus"
        disabled={layers.length >= LAYERS_MAX}
        onPress={() => change({ layers: [...layers, { id: v7(), ...layerOfKind('material', '') }] })}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  layer: { gap: space.s },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' },
  tools: { flexDirection: 'row' },
});
