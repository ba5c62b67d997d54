import { storey as storeyKind, type Storey, type StoreyBody } from '@calvet/contract/plan/storey';
import type { House } from '@calvet/contract/house/house';
import type { Roof } from '@calvet/contract/plan/roof';
import { copiedOutline } from '@calvet/contract/plan/outline-edits';
import { outlineOfShape, SHAPE_WORDS, type OutlineShape } from '@calvet/contract/plan/outline-shapes';
import { wallFields } from '@calvet/contract/plan/storey';
import { useState } from 'react';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField } from '../../ui/field';
import { Text } from '../../ui/text';

type Begun = OutlineShape | 'copy';
type Place = 'above' | 'below';

const SHAPES = optionsOf(SHAPE_WORDS);

/** Sizes to begin with, in m: of a small house, so that a shape shows at once. */
const USUAL = {
  widthM: 10,
  depthM: 8,
  partWidthM: 4,
  partDepthM: 3,
  thicknessM: 0.3,
  heightM: 2.5,
  floorDepthM: 0.3,
} as const;

const { lengthM, thicknessM } = wallFields.members;

/** What each size is a figure of. */
const FIGURES = {
  widthM: lengthM,
  depthM: lengthM,
  partWidthM: lengthM,
  partDepthM: lengthM,
  thicknessM,
  heightM: storeyKind.fields.heightM,
  floorDepthM: storeyKind.fields.floorDepthM,
} as const satisfies Readonly<Record<keyof typeof USUAL, object>>;

const PART_LABELS: Readonly<Record<Exclude<OutlineShape, 'rectangle'>, readonly [string, string]>> = {
  L: ['Width missing at the front right', 'Depth missing there'],
  T: ['Width of its front part', 'Depth of its front part'],
  U: ['Width open at the front', 'Depth open there'],
};

/** What a storey is called until somebody names it. */
function nameOf(storeys: readonly Storey[], place: Place): string {
  if (storeys.length === 0) return 'Ground floor';
  if (place === 'below') return storeys.some(({ name }) => name === 'Cellar') ? 'Lower cellar' : 'Cellar';
  return (
    ['Upper floor', 'Second floor', 'Third floor'].find(
      (name) => !storeys.some((storey) => storey.name === name),
    ) ?? `Storey ${storeys.length + 1}`
  );
}

interface BeginStoreyProps {
  readonly house: House;
  /** The lowest first. */
  readonly storeys: readonly Storey[];
  readonly onBegun: (storeyId: string) => void;
  /** Leaves it, where there is something to go back to. */
  readonly onCancel?: () => void;
}

/** A storey that is drawn from a shape and two sizes, or as another stands. */
export function BeginStorey({ house, storeys, onBegun, onCancel }: BeginStoreyProps) {
  const { createRecord } = useStore();
  const [place, setPlace] = useState<Place>('above');
  const [shape, setShape] = useState<Begun>(storeys.length === 0 ? 'rectangle' : 'copy');
  const beside = place === 'above' ? storeys.at(-1) : storeys[0];
  const [sizes, setSizes] = useState({
    ...USUAL,
    thicknessM: beside?.outline[0]?.thicknessM ?? USUAL.thicknessM,
  });
  const shaped =
    shape === 'copy'
      ? copiedOutline(beside?.outline ?? [])
      : outlineOfShape(shape, sizes, { thicknessM: sizes.thicknessM, boundary: 'outdoors' });
  const draw = (): void => {
    if (shaped === null) return;
    const isLowest = storeys.length === 0 || place === 'below';
    const level = place === 'above' ? (storeys.at(-1)?.level ?? -1) + 1 : (storeys[0]?.level ?? 1) - 1;
    const body: StoreyBody = {
      name: nameOf(storeys, place),
      level,
      heightM: sizes.heightM,
      floorDepthM: isLowest ? 0 : sizes.floorDepthM,
      under: isLowest ? 'ground' : 'outdoors',
      start: beside?.start ?? { xM: 0, yM: 0 },
      outline: shaped,
      floorVoidM2: 0,
      countsAsFloor: true,
    };
    const storeyId = createRecord(house.id, 'storey', body);
    const roof = {
      name: `Roof of ${body.name.toLowerCase()}`,
      storeyId,
      form: 'flatCeiling' as Roof['form'],
      outline: null,
      pitch: null,
      collarM: null,
      wings: [],
      buildUp: null,
    };
    createRecord(house.id, 'roof', roof);
    onBegun(storeyId);
  };
  const part = shape === 'copy' || shape === 'rectangle' ? null : PART_LABELS[shape];
  const number = (name: keyof typeof USUAL, label: string) => (
    <GivenField
      key={name}
      label={label}
      quantity={FIGURES[name].quantity}
      value={sizes[name]}
      bounds={FIGURES[name].bounds}
      hint={name === 'floorDepthM' ? '0 for a slab' : null}
      onFigure={(si) => setSizes({ ...sizes, [name]: si })}
    />
  );
  const isCopy = shape === 'copy';
  return (
    <Card title={storeys.length === 0 ? 'The lowest storey' : 'One more storey'}>
      {storeys.length > 0 && (
        <Choice
          label="Where it goes"
          options={[
            { value: 'above', label: 'On top' },
            { value: 'below', label: 'Below all' },
          ]}
          value={place}
          onChange={setPlace}
        />
      )}
      <Choice
        label="Begin with"
        options={[
          ...(beside === undefined
            ? []
            : [{ value: 'copy' as const, label: `As ${beside.name.toLowerCase()}` }]),
          ...SHAPES,
        ]}
        value={shape}
        onChange={setShape}
      />
      <FieldGrid>
        {[
          ...(isCopy ? [] : [number('widthM', 'Width'), number('depthM', 'Depth')]),
          ...(part === null ? [] : [number('partWidthM', part[0]), number('partDepthM', part[1])]),
          ...(isCopy ? [] : [number('thicknessM', 'Walls, thickness')]),
          number('heightM', 'Clear height'),
          ...(storeys.length === 0 || place === 'below' ? [] : [number('floorDepthM', 'Floor frame')]),
        ]}
      </FieldGrid>
      {shaped === null && (
        <Text tone="ember" role="alert">
          With these sizes there is no such shape: the part is as large as the whole.
        </Text>
      )}
      {!isCopy && (
        <Text look="small" tone="soft">
          Width and depth as they stand in the drawings; any wall can be changed, cut or added afterwards.
        </Text>
      )}
      <Button label="Draw it" kind="main" grow disabled={shaped === null} onPress={draw} />
      {onCancel !== undefined && <Button label="Not now" kind="quiet" onPress={onCancel} />}
    </Card>
  );
}
