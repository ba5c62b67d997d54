import type { Area, AreaInHand } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { buildUpOf, libraryFor } from '@calvet/contract/installation/build-up-library';
import { ENVELOPE_KINDS } from '@calvet/core/envelope-kind';
import { NAME_MAX } from '@calvet/contract/limits';
import { useMemo, useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { TextField } from '../../ui/field';
import { LongList } from '../../ui/long-list';
import { PickLine } from '../../ui/pick-line';
import { Text } from '../../ui/text';

/** A build-up with the area over which it is held against others. */
export interface Candidate {
  readonly key: string;
  readonly name: string;
  /** Where it is from. */
  readonly note: string;
  readonly area: AreaInHand;
}

interface CompareWithProps {
  readonly view: HouseView;
  readonly area: Area;
  /** Keys of those that are compared already. */
  readonly taken: readonly string[];
  readonly onPick: (candidate: Candidate) => void;
}

/** Chooses what an area's build-up is compared with: another area of the house, or a build-up of the library. */
export function CompareWith({ view, area, taken, onPick }: CompareWithProps) {
  const { units } = usePreferences();
  const [asked, setAsked] = useState('');
  const all = useMemo((): readonly Candidate[] => {
    const areas = view.areas.map((other) => ({
      key: other.id,
      name: other.name,
      note: `In this house: ${other.buildUp.name}`,
      area: other,
    }));
    const kinds = [area.kind, ...ENVELOPE_KINDS.filter((use) => use !== area.kind)];
    const library = kinds.flatMap((use) =>
      libraryFor(use).map((entry): Candidate => {
        const buildUp = buildUpOf(entry, units);
        const ground = use === area.kind ? area.ground : null;
        return {
          key: `${use} ${entry.id}`,
          name: buildUp.name,
          note: `${AREA_WORDS[use]}, of the library`,
          area: { ...area, kind: use, buildUp, ground },
        };
      }),
    );
    return [...areas, ...library];
  }, [view.areas, area, units]);
  const words = asked.trim().toLowerCase();
  const found = all.filter(
    ({ key, name, note }) => !taken.includes(key) && `${name} ${note}`.toLowerCase().includes(words),
  );
  return (
    <Card title="Compare with">
      <TextField label="Search" maxLength={NAME_MAX} value={asked} onChange={setAsked} />
      {found.length === 0 && <Text role="status">Nothing here is called so.</Text>}
      <LongList items={found} what="build-ups">
        {(candidate) => (
          <PickLine
            key={candidate.key}
            label={`Compare with ${candidate.name}`}
            title={candidate.name}
            detail={candidate.note}
            onPress={() => onPick(candidate)}
          />
        )}
      </LongList>
    </Card>
  );
}
