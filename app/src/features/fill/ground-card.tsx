import type { Area } from '@calvet/contract/installation/area';
import {
  EDGE_WORDS,
  GROUND_WORDS,
  groundFields,
  type AreaGround,
} from '@calvet/contract/installation/area-ground';
import type { EdgeInsulation } from '@calvet/core/thermal/ground';
import type { FigureField } from '@calvet/contract/kind/field';
import type { EntryStage } from '../../data/typing';
import type { Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';

const AS = [{ value: 'none', label: 'Not in the ground' }, ...optionsOf(GROUND_WORDS)] as const;
const POSITIONS = optionsOf(EDGE_WORDS);
/** Kinds of area that may lie in the ground. */
const MAY_LIE: ReadonlySet<Area['kind']> = new Set(['slab', 'floor', 'foundationWall', 'wall']);
const { edge } = groundFields;

/** A figure to begin with where a slab or a basement is entered. */
const BEGUN: Omit<AreaGround, 'as'> = {
  floorM2: null,
  exposedPerimeterM: 40,
  wallThicknessM: 0.3,
  groundConductivityWmK: null,
  edge: null,
  depthM: null,
  otherRsi: null,
};
const BOARD: EdgeInsulation = { position: 'vertical', rsi: 2.9, thicknessM: 0.1, widthM: 0.6 };

interface GroundFigure<T> {
  readonly key: keyof T & string;
  readonly label: string;
  readonly field: FigureField;
  readonly optional?: true;
}

interface GroundCardProps {
  readonly area: Area;
  /** Takes fields of the area. */
  readonly keep: Keep<'area'>;
}

/** How an area lies in the ground: what the ground adds is worked out from it. */
export function GroundCard({ area, keep }: GroundCardProps) {
  const { ground, kind } = area;
  if (ground === null && !MAY_LIE.has(kind)) return null;
  const set = (change: Partial<AreaGround>, stage?: EntryStage): void =>
    keep((now) => (now.ground === null ? {} : { ground: { ...now.ground, ...change } }), stage);
  const setEdge = (change: Partial<EdgeInsulation> | null, stage?: EntryStage): void =>
    keep(({ ground: now }) => {
      if (now?.edge == null) return {};
      return { ground: { ...now, edge: change === null ? null : { ...now.edge, ...change } } };
    }, stage);
  const isWall = kind === 'wall' || kind === 'foundationWall';
  const figures: readonly GroundFigure<AreaGround>[] = [
    {
      key: 'floorM2',
      label: isWall ? 'Floor of the basement' : 'Floor, where not as large',
      field: groundFields.floorM2,
      optional: true,
    },
    { key: 'exposedPerimeterM', label: 'Edge towards outdoors', field: groundFields.exposedPerimeterM },
    { key: 'wallThicknessM', label: 'Walls on it, thickness', field: groundFields.wallThicknessM },
    {
      key: 'groundConductivityWmK',
      label: 'Conductivity of the ground',
      field: groundFields.groundConductivityWmK,
      optional: true,
    },
    ...(ground?.as === 'basement'
      ? ([
          { key: 'depthM', label: 'Floor under the ground', field: groundFields.depthM },
          {
            key: 'otherRsi',
            label: isWall ? 'R of its floor’s layers' : 'R of its walls’ layers',
            field: groundFields.otherRsi,
            optional: true,
          },
        ] as const)
      : []),
  ];
  const edgeFigures: readonly GroundFigure<EdgeInsulation>[] = [
    { key: 'rsi', label: 'R of the board', field: edge.members.rsi },
    { key: 'thicknessM', label: 'Thickness of the board', field: edge.members.thicknessM },
    { key: 'widthM', label: 'How far it reaches', field: edge.members.widthM },
  ];
  return (
    <Card title="In the ground">
      <Choice
        label="How it lies in the ground"
        options={AS}
        value={ground?.as ?? 'none'}
        onChange={(as) => keep((now) => ({ ground: as === 'none' ? null : { ...BEGUN, ...now.ground, as } }))}
      />
      {ground !== null && (
        <>
          <FieldGrid>
            {figures.map(({ key, label, field, optional }) => (
              <NumberField
                key={key}
                label={label}
                quantity={field.quantity}
                value={ground[key] as number | null}
                bounds={field.bounds}
                isRequired={optional !== true && ground[key] !== null}
                onCommit={(si, stage) => {
                  if (si !== null || optional === true) set({ [key]: si }, stage);
                }}
              />
            ))}
          </FieldGrid>
          <Text look="small" tone="soft">
            Without a conductivity of the ground: sand and gravel, 2 W/(m·K).
          </Text>
          {ground.as === 'slab' && ground.edge === null && (
            <Button label="Add a board at its edge" icon="plus" onPress={() => set({ edge: BOARD })} />
          )}
          {ground.as === 'slab' && ground.edge !== null && (
            <EdgeFields lies={ground.edge} figures={edgeFigures} onChange={setEdge} />
          )}
        </>
      )}
    </Card>
  );
}

interface EdgeFieldsProps {
  readonly lies: EdgeInsulation;
  readonly figures: readonly GroundFigure<EdgeInsulation>[];
  /** Called with what changes of the board; null: it is taken out. */
  readonly onChange: (change: Partial<EdgeInsulation> | null, stage?: EntryStage) => void;
}

function EdgeFields({ lies, figures, onChange }: EdgeFieldsProps) {
  return (
    <>
      <Labelled label="Board at its edge">
        <Choice
          label="How the board at the edge lies"
          options={POSITIONS}
          value={lies.position}
          onChange={(position) => onChange({ position })}
        />
      </Labelled>
      <FieldGrid>
        {figures.map(({ key, label, field }) => (
          <GivenField
            key={key}
            label={label}
            quantity={field.quantity}
            value={lies[key] as number}
            bounds={field.bounds}
            onFigure={(si, stage) => onChange({ [key]: si }, stage)}
          />
        ))}
      </FieldGrid>
      <Button label="Take the board out" icon="trash-can-outline" onPress={() => onChange(null)} />
    </>
  );
}
