import type { Area, BuildUp } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { buildUpOf, kindsSuiting, libraryFor } from '@calvet/contract/installation/build-up-library';
import { useMemo, useState, type ReactNode } from 'react';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { PickLine } from '../../ui/pick-line';
import { Text } from '../../ui/text';
import { BuildUpFiles } from './build-up-files';

interface BuildUpPickerProps {
  readonly area: Area;
  /** Build-ups that other areas of the house have. */
  readonly inHouse: readonly BuildUp[];
  /** All of the house, each once. */
  readonly ofHouse: () => readonly BuildUp[];
  readonly onPick: (buildUp: BuildUp) => void;
  /** Said above what can be chosen. */
  readonly children?: ReactNode;
}

/** Said where the build-up was begun for another kind of area than this one has become; null where it fits. */
function misfitOf({ kind, buildUp }: Area): string | null {
  const suits = kindsSuiting(buildUp);
  if (suits === null || suits.includes(kind)) return null;
  const others = suits.map((each) => AREA_WORDS[each].toLowerCase()).join(' or ');
  return `This build-up is one of a ${others}; the area is a ${AREA_WORDS[kind].toLowerCase()} now. Choose one that fits, or keep it.`;
}

const layersInWords = (count: number): string => (count === 1 ? '1 layer' : `${count} layers`);

/** Chooses a build-up for an area: one of the house, one of the library, or one of a file. */
export function BuildUpPicker({ area, inHouse, ofHouse, onPick, children }: BuildUpPickerProps) {
  const { units } = usePreferences();
  const [isWanted, setWanted] = useState<boolean | null>(null);
  const [keptFor, setKeptFor] = useState<Area['kind'] | null>(null);
  /** Build-ups of a file that was chosen. */
  const [brought, setBrought] = useState<readonly BuildUp[]>([]);
  const misfit = keptFor === area.kind ? null : misfitOf(area);
  const isOpen = isWanted ?? misfit !== null;
  const setOpen = (next: boolean): void => setWanted(next);
  const library = useMemo(
    () => libraryFor(area.kind).map((entry) => buildUpOf(entry, units)),
    [area.kind, units],
  );
  const others = inHouse.filter(
    ({ name }) => name !== area.buildUp.name && !library.some((each) => each.name === name),
  );
  const item = (buildUp: BuildUp, note: string) => (
    <PickLine
      key={`${note} ${buildUp.name}`}
      label={`Use ${buildUp.name}`}
      title={buildUp.name}
      detail={note}
      onPress={() => {
        onPick(buildUp);
        setWanted(null);
      }}
    />
  );
  return (
    <Card title="Build-up" right={<OpenButton isOpen={isOpen} label="Choose" onToggle={setOpen} />}>
      <Text>{area.buildUp.name === '' ? 'Unnamed' : area.buildUp.name}</Text>
      {children}
      {misfit !== null && (
        <>
          <Text tone="straw" role="status">
            {misfit}
          </Text>
          <Button
            label="Keep it"
            onPress={() => {
              setKeptFor(area.kind);
              setWanted(null);
            }}
          />
        </>
      )}
      {isOpen && brought.map((buildUp) => item(buildUp, 'from the file'))}
      {isOpen && others.map((buildUp) => item(buildUp, 'used in this house'))}
      {isOpen &&
        library.map((buildUp) => item(buildUp, `${layersInWords(buildUp.layers.length)}, to start from`))}
      {isOpen && <BuildUpFiles ofHouse={ofHouse} onBrought={setBrought} />}
    </Card>
  );
}
