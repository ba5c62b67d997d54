import {
  LAYER_WORDS,
  layerFields,
  ROLE_WORDS,
  type BuildUpLayer,
  type LayerRole,
} from '@calvet/contract/installation/layer';
import {
  atThickness,
  changedConductivity,
  layerOfMaterial,
  materialsOf,
} from '@calvet/contract/installation/material-library';
import type { Material } from '@calvet/contract/installation/material';
import { dampOverDry } from '@calvet/contract/installation/material-doubts';
import { NAME_MAX } from '@calvet/contract/limits';
import type { FigureField } from '@calvet/contract/kind/field';
import { useState } from 'react';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, Labelled, NumberField, TextField } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { AirSpaceFields } from './air-space-fields';
import { CavityFields } from './cavity-fields';
import { FixingFields } from './fixing-fields';
import { FrameFields, type FrameResult } from './frame-fields';
import { inKind } from './layer-in-kind';
import { MaterialSheet } from './material-sheet';

const { resistance, material, framed } = layerFields.shapes;

interface LayerFigure {
  readonly key: string;
  readonly label: string;
  readonly field: FigureField;
  readonly optional?: true;
  /** Told where nothing is wrong. */
  readonly hint?: string;
}

const thickness: LayerFigure = { key: 'thicknessM', label: 'Thickness', field: material.thicknessM };
const sdFields: readonly LayerFigure[] = [
  { key: 'sdDryM', label: 'Vapour sd, dry', field: material.sdDryM, optional: true },
  { key: 'sdDampM', label: 'Vapour sd, damp', field: material.sdDampM, optional: true },
];

const FIGURES: Readonly<Record<BuildUpLayer['kind'], readonly LayerFigure[]>> = {
  resistance: [
    { key: 'rsi', label: 'R', field: resistance.rsi },
    { ...thickness, optional: true },
    ...sdFields,
  ],
  material: [
    thickness,
    { key: 'conductivityWmK', label: 'Conductivity', field: material.conductivityWmK },
    {
      key: 'lowestM',
      label: 'Thinnest, where uneven',
      field: material.lowestM,
      optional: true,
      hint: 'The thickness is then its mean; against damp the thinnest counts',
    },
    ...sdFields,
  ],
  framed: [
    { key: 'cavityRsi', label: 'Cavity R, on the label', field: framed.cavityRsi },
    { key: 'frameRsi', label: 'Frame R', field: framed.frameRsi },
    { key: 'framingFraction', label: 'Share of framing', field: framed.framingFraction },
    { ...thickness, optional: true },
  ],
  airSpace: [{ key: 'thicknessM', label: 'Depth', field: layerFields.shapes.airSpace.thicknessM }],
};

const KINDS = optionsOf(LAYER_WORDS);
const ROLES = optionsOf(ROLE_WORDS);

function valueOf(layer: BuildUpLayer, key: LayerFigure['key']): number | null {
  const value: unknown = (layer as unknown as Readonly<Record<string, unknown>>)[key];
  return typeof value === 'number' ? value : null;
}

interface LayerFieldsProps {
  readonly layer: BuildUpLayer;
  readonly isGraded: boolean;
  /** Materials of the practice. */
  readonly own: readonly Material[];
  readonly frame: FrameResult;
  readonly onChange: (layer: BuildUpLayer, stage?: EntryStage) => void;
  readonly onGrade: () => void;
}

/** Everything that is entered of one layer. */
export function LayerFields({ layer, isGraded, own, frame, onChange, onGrade }: LayerFieldsProps) {
  const { units } = usePreferences();
  const [isChoosing, setChoosing] = useState(false);
  const hasFills = layer.kind === 'framed' && layer.fills.length > 0;
  const inLibrary = layer.kind === 'material' ? changedConductivity(layer, materialsOf(own)) : null;
  const hasMembers = layer.kind === 'framed' && layer.members !== null;
  const isWorkedOut = (key: string): boolean =>
    (hasFills && key === 'cavityRsi') || (hasMembers && (key === 'frameRsi' || key === 'framingFraction'));
  const figures = FIGURES[layer.kind].filter(({ key }) => !isWorkedOut(key));
  const commit = (key: string, si: number, stage: EntryStage): void =>
    onChange(
      key === 'thicknessM' ? atThickness(layer, si) : ({ ...layer, [key]: si } as BuildUpLayer),
      stage,
    );
  return (
    <>
      <TextField
        label="What it is"
        maxLength={NAME_MAX}
        value={layer.name}
        onChange={(name) => onChange({ ...layer, name })}
      />
      {layer.kind !== 'framed' && layer.kind !== 'airSpace' && (
        <Button label="Choose a material" icon="magnify" onPress={() => setChoosing(true)} />
      )}
      {isChoosing && (
        <MaterialSheet
          own={own}
          title="Material of the layer"
          onPick={(picked) => {
            onChange(layerOfMaterial(picked, layer));
            setChoosing(false);
          }}
          onClose={() => setChoosing(false)}
        />
      )}
      <Choice
        label="How the layer is given"
        options={KINDS}
        value={layer.kind}
        onChange={(kind) => onChange(inKind(layer, kind))}
      />
      <FieldGrid>
        {figures.map(({ key, label, field, optional, hint }) => (
          <NumberField
            key={key}
            label={label}
            quantity={field.quantity}
            value={valueOf(layer, key)}
            bounds={field.bounds}
            isRequired={optional !== true}
            hint={hint}
            message={key === 'sdDampM' ? dampOverDry(layer.sdDryM, layer.sdDampM) : null}
            onCommit={(si, stage) => {
              if (si !== null) commit(key, si, stage);
              else if (optional === true) onChange({ ...layer, [key]: null } as BuildUpLayer, stage);
            }}
          />
        ))}
      </FieldGrid>
      {inLibrary !== null && layer.kind === 'material' && (
        <Text look="small" tone="straw">
          The library has {figureWithUnit(inLibrary, 'conductivity', units)} for this; the layer keeps its own{' '}
          {figureWithUnit(layer.conductivityWmK, 'conductivity', units)}.
        </Text>
      )}
      {layer.kind === 'framed' && (
        <>
          <CavityFields layer={layer} own={own} onChange={onChange} />
          <FrameFields layer={layer} frame={frame} onChange={onChange} />
        </>
      )}
      {layer.kind === 'airSpace' && <AirSpaceFields layer={layer} onChange={onChange} />}
      {(layer.kind === 'material' || layer.kind === 'resistance') && (
        <FixingFields layer={layer} onChange={onChange} />
      )}
      <Labelled label="What it does beside">
        <Choice<LayerRole>
          label="What the layer does beside insulating"
          options={ROLES}
          value={layer.role}
          onChange={(role) => onChange({ ...layer, role: layer.role === role ? null : role })}
        />
      </Labelled>
      <Choice
        label="Is this the layer whose installation is graded?"
        options={[{ value: 'yes', label: isGraded ? 'Graded layer' : 'Grade this layer' }]}
        value={isGraded ? 'yes' : null}
        onChange={onGrade}
      />
    </>
  );
}
