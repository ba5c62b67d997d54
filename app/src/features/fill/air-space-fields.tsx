import { layerFields, type AirSpaceLayer } from '@calvet/contract/installation/layer';
import type { EntryStage } from '../../data/typing';
import { Choice } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled } from '../../ui/field';
import { Text } from '../../ui/text';

const { airSpace } = layerFields.shapes;
/** Of dull building materials, and of bright foil. */
const DULL = 0.9;
const BRIGHT = 0.05;

const FACES = [
  { value: 'dull', label: 'Dull' },
  { value: 'inside', label: 'Inner face bright' },
  { value: 'outside', label: 'Outer face bright' },
] as const;

const OPEN = [
  { value: 'closed', label: 'Closed' },
  { value: 'open', label: 'Open to the outside' },
] as const;

interface AirSpaceFieldsProps {
  readonly layer: AirSpaceLayer;
  readonly onChange: (layer: AirSpaceLayer, stage?: EntryStage) => void;
}

/** What is asked of an air space: whether air from outside moves in it, and whether a face is bright. */
export function AirSpaceFields({ layer, onChange }: AirSpaceFieldsProps) {
  const { emissivityInside, emissivityOutside, isOpen } = layer;
  const isBright = emissivityInside !== null && emissivityOutside !== null;
  const face = !isBright ? 'dull' : emissivityInside <= emissivityOutside ? 'inside' : 'outside';
  return (
    <>
      <Labelled label="Air from outside">
        <Choice
          label="Air from outside"
          options={OPEN}
          value={isOpen ? 'open' : 'closed'}
          onChange={(value) => onChange({ ...layer, isOpen: value === 'open' })}
        />
      </Labelled>
      {isOpen ? (
        <Text look="small" tone="soft">
          Nothing from here outwards insulates; the outer surface counts as one in still air.
        </Text>
      ) : (
        <>
          <Labelled label="Faces">
            <Choice
              label="Faces of the air space"
              options={FACES}
              value={face}
              onChange={(value) =>
                onChange({
                  ...layer,
                  emissivityInside: value === 'dull' ? null : value === 'inside' ? BRIGHT : DULL,
                  emissivityOutside: value === 'dull' ? null : value === 'outside' ? BRIGHT : DULL,
                })
              }
            />
          </Labelled>
          {isBright && (
            <FieldGrid>
              <GivenField
                label="Emissivity, inner face"
                quantity="plain"
                value={emissivityInside}
                bounds={airSpace.emissivityInside.bounds}
                onFigure={(si, stage) => onChange({ ...layer, emissivityInside: si }, stage)}
              />
              <GivenField
                label="Emissivity, outer face"
                quantity="plain"
                value={emissivityOutside}
                bounds={airSpace.emissivityOutside.bounds}
                onFigure={(si, stage) => onChange({ ...layer, emissivityOutside: si }, stage)}
              />
            </FieldGrid>
          )}
        </>
      )}
    </>
  );
}
