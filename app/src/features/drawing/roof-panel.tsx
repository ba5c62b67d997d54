import { roof as roofKind, ROOF_WORDS, type Roof, type Storey, type Wing } from '@calvet/contract';
import { fittingWings, leaningWing, type RoofedPart } from '@calvet/contract/plan/fit-wings';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf, type Option } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';
import { OpeningsPanel } from './openings-panel';

const { fields } = roofKind;

const FORMS = optionsOf(ROOF_WORDS);

const ENDS = [
  { value: 'gable', label: 'Gables' },
  { value: 'hip', label: 'Hips' },
] as const;

const LOW_SIDES = [
  { value: 'y0', label: 'Front' },
  { value: 'y1', label: 'Back' },
  { value: 'x0', label: 'Left' },
  { value: 'x1', label: 'Right' },
] as const satisfies readonly Option<Wing['low']>[];

const USUAL_PITCH = 0.7;

const cornersOf = (storey: Storey) => layOutline(storey).map(({ from }) => from);

const endOf = ({ wings }: Roof): 'gable' | 'hip' =>
  wings.some(({ lower, higher }) => lower.kind === 'hip' || higher.kind === 'hip') ? 'hip' : 'gable';

interface RoofPanelProps {
  readonly view: HouseView;
  readonly roof: Roof;
  readonly storey: Storey;
  /** The storey above, which covers part of it; null where there is none. */
  readonly upper: Storey | null;
}

/** What closes a storey above, where no storey does: its form, and the figures of its slopes. */
export function RoofPanel({ view, roof, storey, upper }: RoofPanelProps) {
  const keep = useKeep('roof', roof);
  const [cannot, setCannot] = useState(false);
  const part: RoofedPart = { corners: cornersOf(storey), covered: upper === null ? [] : cornersOf(upper) };
  /** The wings that fit now; those that are where they were stay the same ones. */
  const fitted = (form: Roof['form'], end: 'gable' | 'hip', low: Wing['low']): readonly Wing[] | null => {
    const leaning = form === 'monoSlope' ? leaningWing(part, low) : null;
    const wings = form === 'monoSlope' ? (leaning === null ? null : [leaning]) : fittingWings(part, end);
    if (wings === null) return null;
    const ids = new Map(wings.map(({ id }, i) => [id, roof.wings[i]?.id ?? id]));
    const renamed = (each: Wing['lower']): Wing['lower'] =>
      each.kind === 'joins' ? { ...each, wing: ids.get(each.wing) ?? each.wing } : each;
    return wings.map((wing) => ({
      ...wing,
      id: ids.get(wing.id) ?? wing.id,
      lower: renamed(wing.lower),
      higher: renamed(wing.higher),
    }));
  };
  const setForm = (
    form: Roof['form'],
    end: 'gable' | 'hip' = endOf(roof),
    low: Wing['low'] = roof.wings[0]?.low ?? 'y0',
  ): void => {
    if (form === 'flatCeiling' || form === 'flatRoof') {
      setCannot(false);
      keep({ form });
      return;
    }
    const wings = fitted(form, end, low);
    setCannot(wings === null);
    if (wings !== null) keep({ form, wings, pitch: roof.pitch ?? USUAL_PITCH });
  };
  const isSloping = roof.form === 'slope' || roof.form === 'monoSlope';
  const { drawing } = view;
  const isOff =
    drawing.state === 'refused' && drawing.at?.id === roof.id && drawing.refusal.code === 'wings-do-not-tile';
  return (
    <Card title={`Above ${storey.name}`}>
      <Choice
        label="What closes it above"
        options={FORMS}
        value={roof.form}
        onChange={(form) => setForm(form)}
      />
      {cannot && (
        <Text tone="straw" role="status">
          Slopes are laid over walls at right angles: a rectangle, or one with others at its long sides. One
          slope lies over a rectangle alone. Over this outline choose a flat ceiling or a flat roof.
        </Text>
      )}
      {roof.form === 'slope' && (
        <Labelled label="Its ends">
          <Choice
            label="Its ends"
            options={ENDS}
            value={endOf(roof)}
            onChange={(end) => setForm('slope', end)}
          />
        </Labelled>
      )}
      {roof.form === 'monoSlope' && (
        <Labelled label="Its low side">
          <Choice
            label="Its low side"
            options={LOW_SIDES}
            value={roof.wings[0]?.low ?? 'y0'}
            onChange={(low) => setForm('monoSlope', endOf(roof), low)}
          />
        </Labelled>
      )}
      {isSloping && (
        <FieldGrid>
          <GivenField
            label="Pitch, rise over run"
            quantity="plain"
            value={roof.pitch}
            bounds={fields.pitch.bounds}
            onFigure={(si, stage) => keep({ pitch: si }, stage)}
          />
          {roof.form === 'slope' && (
            <NumberField
              label="Flat ceiling above the wall head"
              quantity="length"
              value={roof.collarM}
              bounds={fields.collarM.bounds}
              hint={roof.collarM === null ? 'empty: open to the ridge' : null}
              onCommit={(si, stage) => keep({ collarM: si }, stage)}
            />
          )}
        </FieldGrid>
      )}
      {isOff && (
        <>
          <Text tone="ember" role="alert">
            The slopes no longer lie on the walls: the outline has changed.
          </Text>
          <Button label="Lay the slopes anew" onPress={() => setForm(roof.form)} />
        </>
      )}
      {isSloping && <OpeningsPanel view={view} on={roof.id} where="the roof" use="roofWindow" />}
    </Card>
  );
}
