import {
  HEADER_WORDS,
  headerFields,
  openingFields,
  STUD_WORDS,
  studFields,
  type FrameOpening,
  type HeaderMake,
  type StudMake,
} from '@calvet/contract/installation/frame-members';
import { StyleSheet, View } from 'react-native';
import type { EntryStage } from '../../data/typing';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled } from '../../ui/field';
import { PartHead } from '../../ui/part-head';
import { space } from '../../ui/tokens';

/** What each make begins with, in a layer of some depth. */
const studs = (depthM: number): Readonly<Record<StudMake['kind'], StudMake>> => ({
  solid: { kind: 'solid' },
  cored: { kind: 'cored', coreM: depthM / 3, coreWmK: 0.035 },
  iSection: {
    kind: 'iSection',
    flangeM: Math.min(0.045, depthM / 4),
    webM: 0.01,
    webWmK: 0.14,
    battenM: 0,
  },
});

const headers = (depthM: number): Readonly<Record<HeaderMake['kind'], HeaderMake>> => ({
  solid: { kind: 'solid' },
  layered: { kind: 'layered', boardM: depthM / 3, boardWmK: 0.035 },
  boxed: { kind: 'boxed', timberShare: 0.25 },
});

interface OpeningFieldsProps {
  readonly opening: FrameOpening;
  readonly name: string;
  readonly onChange: (next: Partial<FrameOpening>, stage?: EntryStage) => void;
  readonly onRemove: () => void;
}

/** Openings of one size in a framed wall. */
export function OpeningFields({ opening, name, onChange, onRemove }: OpeningFieldsProps) {
  return (
    <View style={styles.part} role="group" aria-label={name}>
      <PartHead name={name} onRemove={onRemove} />
      <FieldGrid>
        <GivenField
          label="How many"
          quantity="count"
          value={opening.count}
          bounds={openingFields.count.bounds}
          onFigure={(count, stage) => onChange({ count }, stage)}
        />
        <GivenField
          label="Width"
          quantity="length"
          value={opening.widthM}
          bounds={openingFields.widthM.bounds}
          onFigure={(widthM, stage) => onChange({ widthM }, stage)}
        />
        <GivenField
          label="Height"
          quantity="length"
          value={opening.heightM}
          bounds={openingFields.heightM.bounds}
          onFigure={(heightM, stage) => onChange({ heightM }, stage)}
        />
        <GivenField
          label="Depth of the header"
          quantity="length"
          value={opening.headerDepthM}
          bounds={openingFields.headerDepthM.bounds}
          onFigure={(headerDepthM, stage) => onChange({ headerDepthM }, stage)}
        />
      </FieldGrid>
      <Choice
        label={`${name}: what stands below`}
        options={[
          { value: 'sill', label: 'Window, with a sill' },
          { value: 'none', label: 'Door' },
        ]}
        value={opening.hasSill ? 'sill' : 'none'}
        onChange={(value) => onChange({ hasSill: value === 'sill' })}
      />
    </View>
  );
}

interface MakeProps<Make> {
  readonly make: Make;
  readonly depthM: number;
  readonly onChange: (make: Make, stage?: EntryStage) => void;
}

/** What the studs of a frame are made of. */
export function StudFields({ make, depthM, onChange }: MakeProps<StudMake>) {
  const { cored, iSection } = studFields.shapes;
  return (
    <>
      <Labelled label="Studs">
        <Choice
          label="What the studs are made of"
          options={optionsOf(STUD_WORDS)}
          value={make.kind}
          onChange={(kind) => onChange(studs(depthM)[kind])}
        />
      </Labelled>
      {make.kind === 'cored' && (
        <FieldGrid>
          <GivenField
            label="Core, deep"
            quantity="thickness"
            value={make.coreM}
            bounds={cored.coreM.bounds}
            onFigure={(coreM, stage) => onChange({ ...make, coreM }, stage)}
          />
          <GivenField
            label="Core"
            quantity="conductivity"
            value={make.coreWmK}
            bounds={cored.coreWmK.bounds}
            onFigure={(coreWmK, stage) => onChange({ ...make, coreWmK }, stage)}
          />
        </FieldGrid>
      )}
      {make.kind === 'iSection' && (
        <FieldGrid>
          <GivenField
            label="Flange, deep"
            quantity="thickness"
            value={make.flangeM}
            bounds={iSection.flangeM.bounds}
            onFigure={(flangeM, stage) => onChange({ ...make, flangeM }, stage)}
          />
          <GivenField
            label="Web, thick"
            quantity="thickness"
            value={make.webM}
            bounds={iSection.webM.bounds}
            onFigure={(webM, stage) => onChange({ ...make, webM }, stage)}
          />
          <GivenField
            label="Web"
            quantity="conductivity"
            value={make.webWmK}
            bounds={iSection.webWmK.bounds}
            onFigure={(webWmK, stage) => onChange({ ...make, webWmK }, stage)}
          />
          <GivenField
            label="Batten on it, deep"
            quantity="thickness"
            value={make.battenM}
            bounds={iSection.battenM.bounds}
            onFigure={(battenM, stage) => onChange({ ...make, battenM }, stage)}
          />
        </FieldGrid>
      )}
    </>
  );
}

/** What stands above the openings of a frame. */
export function HeaderFields({ make, depthM, onChange }: MakeProps<HeaderMake>) {
  const { layered, boxed } = headerFields.shapes;
  return (
    <>
      <Labelled label="Headers">
        <Choice
          label="What the headers are made of"
          options={optionsOf(HEADER_WORDS)}
          value={make.kind}
          onChange={(kind) => onChange(headers(depthM)[kind])}
        />
      </Labelled>
      {make.kind === 'layered' && (
        <FieldGrid>
          <GivenField
            label="Board, thick"
            quantity="thickness"
            value={make.boardM}
            bounds={layered.boardM.bounds}
            onFigure={(boardM, stage) => onChange({ ...make, boardM }, stage)}
          />
          <GivenField
            label="Board"
            quantity="conductivity"
            value={make.boardWmK}
            bounds={layered.boardWmK.bounds}
            onFigure={(boardWmK, stage) => onChange({ ...make, boardWmK }, stage)}
          />
        </FieldGrid>
      )}
      {make.kind === 'boxed' && (
        <GivenField
          label="Share that is timber right through"
          quantity="share"
          value={make.timberShare}
          bounds={boxed.timberShare.bounds}
          onFigure={(timberShare, stage) => onChange({ ...make, timberShare }, stage)}
        />
      )}
    </>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.s, paddingLeft: space.s },
});
