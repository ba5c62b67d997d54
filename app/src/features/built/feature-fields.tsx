import { NAME_MAX } from '@calvet/contract/limits';
import { feature as featureKind, type Feature } from '@calvet/contract/plan/feature';
import { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField, TextField } from '../../ui/field';
import { useDelete } from '../shell/use-delete';
import { PartSheet } from './part-sheet';
import { partNamed } from './parts-of-house';

const { fields } = featureKind;
const SERVICES = optionsOf(SERVICE_WORDS);

interface FeatureFieldsProps {
  readonly view: HouseView;
  readonly feature: Feature;
  /** What it is called. */
  readonly name: string;
}

/** What is said of a feature: where it is, how many, and of a planned service what comes through. */
export function FeatureFields({ view, feature, name }: FeatureFieldsProps) {
  const keep = useKeep('feature', feature);
  const deleteIt = useDelete();
  const [isMoving, setMoving] = useState(false);
  const part = partNamed(view, feature.on);
  const isHanger = feature.use === 'joistHangersInMasonry';
  const isService = feature.use === 'plannedService';
  const figureOf = (name: 'alongM' | 'widthM' | 'spacingM', label: string, hint: string | null = null) => (
    <NumberField
      key={name}
      label={label}
      value={feature[name]}
      quantity={fields[name].quantity}
      bounds={fields[name].bounds}
      hint={hint}
      onCommit={(si, stage) => keep({ [name]: si }, stage)}
    />
  );
  return (
    <>
      <Labelled label="Where it is">
        <Button
          icon="map-marker-outline"
          label={part?.name ?? 'Gone from the drawing: choose where it is now'}
          onPress={() => setMoving(true)}
        />
      </Labelled>
      {isService && (
        <Labelled label="What comes through">
          <Choice
            label="What comes through"
            options={SERVICES}
            value={feature.what}
            onChange={(what) => keep({ what })}
          />
        </Labelled>
      )}
      <FieldGrid>
        {[
          <GivenField
            key="count"
            label="How many"
            value={feature.count}
            quantity={fields.count.quantity}
            bounds={fields.count.bounds}
            onFigure={(count, stage) => keep({ count }, stage)}
          />,
          ...(part?.kind === 'wall'
            ? [
                figureOf(
                  'alongM',
                  'From the start of the wall',
                  feature.alongM === null ? 'Somewhere on it' : null,
                ),
              ]
            : []),
          ...(isService ? [figureOf('widthM', 'Width of the hole')] : []),
          ...(isHanger ? [figureOf('spacingM', 'Spacing of the joists', 'Two hangers for each')] : []),
        ]}
      </FieldGrid>
      <TextField
        label="Name, if it needs one"
        maxLength={NAME_MAX}
        value={feature.name ?? ''}
        onChange={(text) => keep({ name: text.trim() === '' ? null : text })}
      />
      <Button
        kind="quiet"
        icon="trash-can-outline"
        label={`Delete ${name}`}
        onPress={() => deleteIt('feature', feature, `${name} was deleted.`)}
      />
      {isMoving && (
        <PartSheet
          view={view}
          title={`Where is ${name}?`}
          suits={() => true}
          onChoose={({ id, kind }) => {
            setMoving(false);
            keep({ on: id, alongM: kind === 'wall' ? feature.alongM : null });
          }}
          onClose={() => setMoving(false)}
        />
      )}
    </>
  );
}
