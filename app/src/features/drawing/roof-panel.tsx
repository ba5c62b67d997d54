import { NAME_MAX } from '@calvet/contract/limits';
import { roof as roofKind, ROOF_WORDS, type Roof, type Wing } from '@calvet/contract/plan/roof';
import type { PlanPlace, Storey } from '@calvet/contract/plan/storey';
import { besideOf, outlineBeside, spanAlong, type BesideWall } from '@calvet/contract/plan/beside-wall';
import { laidAgain, type RoofLay } from '@calvet/contract/plan/fit-wings';
import { layOutline, type LaidWall } from '@calvet/contract/plan/lay-outline';
import { isSloping } from '@calvet/contract/plan/roof';
import { partUnder } from '@calvet/contract/plan/roofs-as-laid';
import { wallName } from '@calvet/contract/plan/planned-areas';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf, type Option } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField, TextField } from '../../ui/field';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { BesideFields } from './beside-fields';
import { BuiltOf } from './built-of';
import { OpeningsPanel } from './openings-panel';
import { useDelete } from '../shell/use-delete';

const { fields } = roofKind;

const FORMS = optionsOf(ROOF_WORDS);

const END_WORDS = { gable: 'Gable', hip: 'Hip' } as const;

const ENDS = [
  { value: 'gable', label: 'Gables' },
  { value: 'hip', label: 'Hips' },
] as const;

const RIDGES = [
  { value: 'x', label: 'Left to right' },
  { value: 'y', label: 'Front to back' },
] as const satisfies readonly Option<Wing['ridge']>[];

const LOW_SIDES = [
  { value: 'y0', label: 'Front' },
  { value: 'y1', label: 'Back' },
  { value: 'x0', label: 'Left' },
  { value: 'x1', label: 'Right' },
] as const satisfies readonly Option<Wing['low']>[];

const SIDE_WORDS = {
  x: { lower: 'left end', higher: 'right end' },
  y: { lower: 'front end', higher: 'back end' },
} as const;

const USUAL_PITCH = 0.7;
/** Of a part that gets a roof of its own, in m. */
const USUAL_DEPTH_M = 3;

const endOf = ({ wings }: Roof): 'gable' | 'hip' =>
  wings.some(({ lower, higher }) => lower.kind === 'hip' || higher.kind === 'hip') ? 'hip' : 'gable';

/** Each end of a roof that joins no other wing, by itself. */
function EachEnd({
  wings,
  onChange,
}: {
  readonly wings: readonly Wing[];
  readonly onChange: (wings: readonly Wing[]) => void;
}) {
  return wings.flatMap((wing, i) =>
    (['lower', 'higher'] as const).map((side) => {
      const { kind } = wing[side];
      if (kind === 'joins') return null;
      const name = SIDE_WORDS[wing.ridge][side];
      const label = wings.length === 1 ? `Its ${name}` : `Wing ${i + 1}, ${name}`;
      return (
        <Labelled key={`${wing.id} ${side}`} label={label}>
          <Choice
            label={label}
            options={optionsOf(END_WORDS)}
            value={kind}
            onChange={(end) =>
              onChange(wings.map((each) => (each === wing ? { ...each, [side]: { kind: end } } : each)))
            }
          />
        </Labelled>
      );
    }),
  );
}

interface OwnPartProps {
  readonly roof: Roof;
  readonly storey: Storey;
  readonly wall: LaidWall;
  readonly onOutline: (outline: readonly PlanPlace[], stage?: EntryStage) => void;
}

/** Which part of its storey a roof lies over: a rectangle against one of the walls, indoors. */
function OwnPart({ roof, storey, wall, onOutline }: OwnPartProps) {
  const keep = useKeep('roof', roof);
  const outline = roof.outline ?? [];
  const [held] = [wall, ...layOutline(storey)].flatMap((each) => {
    const beside = besideOf(each, outline, 'within');
    return beside === null ? [] : [{ wall: each, beside }];
  });
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('roof', roof, `${roof.name} was deleted.`);
  };
  return (
    <>
      <TextField
        label="Name of the roof"
        maxLength={NAME_MAX}
        value={roof.name}
        onChange={(text) => {
          if (text.trim() !== '') keep({ name: text });
        }}
      />
      {held === undefined ? (
        <>
          <Text tone="ember" role="alert">
            Its part lies along no wall: the outline has changed.
          </Text>
          <Button
            label={`Set it along ${wallName(storey, wall.wall)}`}
            onPress={() => onOutline(outlineBeside(wall, spanAlong(wall, outline), 'within'))}
          />
        </>
      ) : (
        <>
          <Text look="small" tone="soft">
            Over a part along {wallName(storey, held.wall.wall)}, seen from indoors.
          </Text>
          <BesideFields
            beside={held.beside}
            depthLabel="Depth inwards"
            onChange={(beside: BesideWall, stage) =>
              onOutline(outlineBeside(held.wall, beside, 'within'), stage)
            }
          />
        </>
      )}
      <Button kind="quiet" icon="trash-can-outline" label={`Delete ${roof.name}`} onPress={remove} />
    </>
  );
}

interface RoofPanelProps {
  readonly view: HouseView;
  readonly roof: Roof;
  readonly storey: Storey;
  /** The wall of the storey that is chosen. */
  readonly wall: LaidWall;
}

/** What closes a storey above, where no storey does: its form, and the figures of its slopes. */
export function RoofPanel({ view, roof, storey, wall }: RoofPanelProps) {
  const keep = useKeep('roof', roof);
  const { createRecord } = useStore();
  const [cannot, setCannot] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const isRest = roof.outline === null;
  const roofs = view.roofs.filter(({ storeyId }) => storeyId === storey.id);
  const lay: RoofLay = {
    form: isSloping(roof.form) ? roof.form : 'slope',
    low: roof.wings[0]?.low ?? 'y0',
    run: roof.wings[0]?.ridge,
  };
  const layAs = (more: Partial<RoofLay>): void => {
    const next = { ...lay, ...more };
    const part = partUnder(view, roof);
    const wings = part === null ? null : laidAgain(roof.wings, part, next);
    setCannot(wings === null);
    if (wings !== null) keep({ form: next.form, wings, pitch: roof.pitch ?? USUAL_PITCH });
  };
  const setForm = (form: Roof['form']): void => {
    if (isSloping(form)) {
      layAs({ form, run: undefined });
      return;
    }
    setCannot(false);
    keep({ form });
  };
  const hasWings = isSloping(roof.form);
  const { drawing } = view;
  const isOff =
    drawing.state === 'refused' && drawing.at?.id === roof.id && drawing.refusal.code === 'wings-do-not-tile';
  return (
    <Card title={isRest ? `Above ${storey.name}` : roof.name}>
      <Choice
        label={isRest ? 'What closes it above' : `Form of ${roof.name}`}
        options={FORMS}
        value={roof.form}
        onChange={setForm}
      />
      {cannot && (
        <Text tone="straw" role="status">
          Slopes are laid over walls at right angles: a rectangle, or one with others at its long sides. One
          slope lies over a rectangle alone. Over this outline choose a flat ceiling or a flat roof, or give a
          part of it a roof of its own.
        </Text>
      )}
      {roof.form === 'slope' && (
        <>
          <Labelled label="Its ridge runs">
            <Choice
              label="Its ridge runs"
              options={RIDGES}
              value={lay.run ?? 'x'}
              onChange={(run) => layAs({ run })}
            />
          </Labelled>
          <Labelled label="Its ends">
            <Choice label="Its ends" options={ENDS} value={endOf(roof)} onChange={(end) => layAs({ end })} />
          </Labelled>
          <OpenButton isOpen={isOpen} label="Each end by itself" onToggle={setOpen} />
          {isOpen && <EachEnd wings={roof.wings} onChange={(wings) => keep({ wings })} />}
        </>
      )}
      {roof.form === 'monoSlope' && (
        <Labelled label="Its low side">
          <Choice
            label="Its low side"
            options={LOW_SIDES}
            value={lay.low}
            onChange={(low) => layAs({ low })}
          />
        </Labelled>
      )}
      {hasWings && (
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
        <Text tone="ember" role="alert">
          Over this outline no slopes fit any more. Choose a flat ceiling or a flat roof, or give a part of it
          a roof of its own.
        </Text>
      )}
      {!isRest && (
        <OwnPart
          roof={roof}
          storey={storey}
          wall={wall}
          onOutline={(outline, stage) => keep({ outline }, stage)}
        />
      )}
      {hasWings && (
        <OpeningsPanel view={view} on={roof.id} where={isRest ? 'the roof' : roof.name} use="roofWindow" />
      )}
      <BuiltOf view={view} part={roof.id} />
      {isRest && (
        <Button
          kind="quiet"
          icon="plus"
          label="A roof of its own over part of it"
          onPress={() =>
            createRecord(view.house.id, 'roof', {
              name: `Part roof ${roofs.length} of ${storey.name.toLowerCase()}`,
              storeyId: storey.id,
              form: 'flatRoof',
              outline: outlineBeside(
                wall,
                { fromM: 0, toM: wall.wall.lengthM, depthM: USUAL_DEPTH_M },
                'within',
              ),
              pitch: null,
              collarM: null,
              wings: [],
              buildUp: null,
            })
          }
        />
      )}
    </Card>
  );
}
