import { BOUNDARY_WORDS, type Storey, type Wall } from '@calvet/contract/plan/storey';
import { wallName } from '@calvet/contract/plan/planned-areas';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { useMemo } from 'react';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { Table, type Column, type NameColumn } from '../../ui/table';
import { Text } from '../../ui/text';

type Line = { readonly wall: Wall };

const turnWords = (degrees: number): string =>
  degrees === 0 ? 'straight on' : `${degrees > 0 ? 'right' : 'left'} ${Math.abs(degrees).toFixed(0)}°`;

function columnsIn(units: UnitSystem): readonly Column<Line>[] {
  const inWords = (label: string, words: (wall: Wall) => string): Column<Line> => ({
    label,
    flex: 1.4,
    sortBy: ({ wall }) => words(wall),
    cell: ({ wall }) => <Text>{words(wall)}</Text>,
  });
  return [
    {
      label: 'Length',
      flex: 1.2,
      isRight: true,
      sortBy: ({ wall }) => wall.lengthM,
      cell: ({ wall }) => <Text look="figure">{figureWithUnit(wall.lengthM, 'length', units)}</Text>,
    },
    {
      label: 'Thickness',
      flex: 1.2,
      isRight: true,
      sortBy: ({ wall }) => wall.thicknessM,
      cell: ({ wall }) => <Text look="figure">{figureWithUnit(wall.thicknessM, 'thickness', units)}</Text>,
    },
    inWords('Then', ({ turnDeg }) => turnWords(turnDeg)),
    inWords('Beyond', ({ boundary }) => BOUNDARY_WORDS[boundary]),
  ];
}

interface WallsTableProps {
  readonly storey: Storey;
  /** Id of the wall that is chosen. */
  readonly chosen: string;
}

/** The walls of a storey on the desk, each a way to choose it. */
export function WallsTable({ storey, chosen }: WallsTableProps) {
  const { units } = usePreferences();
  const columns = useMemo(() => columnsIn(units), [units]);
  const name: NameColumn<Line> = {
    label: 'Wall',
    flex: 2,
    nameOf: ({ wall }) => wallName(storey, wall),
    belowName: ({ wall }) => wall.stretches.map(({ room }) => room).join(' · '),
  };
  return (
    <Table
      label="Walls"
      what="walls"
      isInOrder
      name={name}
      columns={columns}
      lines={storey.outline.map((wall) => ({ wall }))}
      keyOf={({ wall }) => wall.id}
      hrefOf={({ wall }) => ({
        pathname: '/houses/[houseId]/drawing',
        params: { houseId: storey.ledgerId, storey: storey.id, wall: wall.id },
      })}
      isHere={({ wall }) => wall.id === chosen}
    />
  );
}
