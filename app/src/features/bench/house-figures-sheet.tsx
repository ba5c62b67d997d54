import { STAGE_WORDS, type AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import { inputsFromHouse, type HouseInput, type HouseSource } from '@calvet/contract/house-inputs';
import type { UnitSystem } from '@calvet/core/units/quantity';
import type { OperationName } from '@calvet/core/operations';
import { useState } from 'react';
import { useHouse, useHouses } from '../../data/hooks';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { day } from '../../ui/format';
import { LongList } from '../../ui/long-list';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { sizeWords } from '../fill/words';
import { Failed, Loading } from '../shell/states';
import { nameWords } from '../shell/value-words';

const testWords = (record: AirtightnessTest) => nameWords({ kind: 'airtightnessTest', record });

/** What figures are taken from, in words. */
function sourceWords(source: HouseSource, units: UnitSystem): string {
  switch (source.of) {
    case 'house':
      return 'All its areas together';
    case 'area':
      return `${source.area.name} · ${sizeWords(source.area, units)}`;
    case 'test':
      return `${STAGE_WORDS[source.test.stage]} · ${day(source.test.performedOn)}`;
    case 'tests':
      return `${testWords(source.earlier)} → ${testWords(source.later)}`;
  }
}

interface SourcesProps {
  readonly name: OperationName;
  readonly houseId: string;
  readonly onTake: (input: HouseInput, words: string) => void;
}

/** What of one house can be taken. */
function Sources({ name, houseId, onTake }: SourcesProps) {
  const { units } = usePreferences();
  const { data: view, error, retry } = useHouse(houseId);
  if (view == null) {
    return error === undefined ? (
      <Loading what="Fetching the house" />
    ) : (
      <Failed error={error} onRetry={retry} />
    );
  }
  const inputs = inputsFromHouse(name, view);
  if (inputs.length === 0) {
    return <Text tone="soft">{view.house.name} has nothing yet that goes in here.</Text>;
  }
  return (
    <LongList items={inputs} what="of them">
      {(input) => {
        const words = sourceWords(input.source, units);
        return (
          <Button key={words} label={words} onPress={() => onTake(input, `${view.house.name}, ${words}`)} />
        );
      }}
    </LongList>
  );
}

interface HouseFiguresSheetProps {
  readonly name: OperationName;
  readonly onClose: () => void;
  readonly onTake: (input: HouseInput, words: string) => void;
}

/** Takes figures of a house: first which house, then what of it. */
export function HouseFiguresSheet({ name, onClose, onTake }: HouseFiguresSheetProps) {
  const { data: houses, error, retry } = useHouses();
  const [houseId, setHouseId] = useState<string | null>(null);
  const house = houses?.find(({ id }) => id === houseId);
  return (
    <Sheet
      title={house === undefined ? 'Figures of which house?' : `Which figures of ${house.name}?`}
      onClose={onClose}
    >
      {house !== undefined && <Sources name={name} houseId={house.id} onTake={onTake} />}
      {house === undefined && error !== undefined && <Failed error={error} onRetry={retry} />}
      {house === undefined && error === undefined && houses === undefined && (
        <Loading what="Fetching the houses" />
      )}
      {houses?.length === 0 && <Text tone="soft">No house yet.</Text>}
      {house === undefined && (
        <LongList items={houses ?? []} what="houses">
          {({ id, name: houseName }) => <Button key={id} label={houseName} onPress={() => setHouseId(id)} />}
        </LongList>
      )}
      {house !== undefined && <Button kind="quiet" label="Another house" onPress={() => setHouseId(null)} />}
      <Button kind="quiet" label="Cancel" onPress={onClose} />
    </Sheet>
  );
}
