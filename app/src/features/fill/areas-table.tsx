import { type Area } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { areaFigures, gradedLayerOf } from '@calvet/contract/installation/area-figures';
import type { House } from '@calvet/contract/house/house';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { decimals, figure } from '../../ui/format';
import { LineMark } from '../../ui/line-mark';
import { Table, type Column, type NameColumn } from '../../ui/table';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { GRADE_MARKS } from './grade-choice';
import { sizeWords } from './words';

/** What an area is worth as built; null where that cannot be told. */
function builtRsiOf(house: House, area: Area): number | null {
  const figures = areaFigures(house, area);
  return figures.state === 'figures' ? figures.built.effectiveRsi : null;
}

/** Best first, what is not graded last. */
function gradeOrder({ grade, voidFraction }: Area): number {
  if (voidFraction !== null) return 3 + voidFraction;
  return grade === null ? 9 : ['I', 'II', 'III'].indexOf(grade);
}

function Grade({ area }: { readonly area: Area }) {
  if (gradedLayerOf(area.buildUp) === null) return <Text tone="soft">–</Text>;
  const { grade, voidFraction } = area;
  if (grade === null && voidFraction === null)
    return (
      <Text look="small" tone="straw">
        to grade
      </Text>
    );
  return (
    <View style={styles.grade}>
      <LineMark mark={grade === null ? 'broken' : GRADE_MARKS[grade]} width={28} />
      <Text look="figure">{grade ?? `${decimals(Number(voidFraction) * 100, 1)} %`}</Text>
    </View>
  );
}

function nameColumnIn(units: UnitSystem, isBeside: boolean): NameColumn<Area> {
  return {
    label: 'Area',
    flex: isBeside ? 2.2 : 4,
    nameOf: ({ name }) => name,
    belowName: (area) =>
      `${AREA_WORDS[area.kind]} · ${isBeside ? sizeWords(area, units) : area.buildUp.name}`,
  };
}

function columnsIn(house: House, units: UnitSystem, isBeside: boolean): readonly Column<Area>[] {
  const size: Column<Area> = {
    label: 'Size',
    flex: 1.2,
    isRight: true,
    sortBy: ({ areaM2 }) => areaM2 ?? -1,
    cell: (area) => (
      <Text look="figure" tone={area.areaM2 === null ? 'straw' : undefined}>
        {sizeWords(area, units)}
      </Text>
    ),
  };
  const grade: Column<Area> = {
    label: 'Grade',
    flex: isBeside ? 1 : 1.2,
    sortBy: gradeOrder,
    cell: (area) => <Grade area={area} />,
  };
  const worth: Column<Area> = {
    label: 'R as built',
    flex: isBeside ? 1 : 1.2,
    isRight: true,
    sortBy: (area) => builtRsiOf(house, area) ?? -1,
    cell: (area) => {
      const builtRsi = builtRsiOf(house, area);
      return <Text look="figure">{builtRsi === null ? '–' : figure(builtRsi, 'resistance', units)}</Text>;
    },
  };
  return isBeside ? [grade, worth] : [grade, size, worth];
}

interface AreasTableProps {
  readonly house: House;
  readonly areas: readonly Area[];
  /** It stands beside this one, with fewer columns. */
  readonly besideId?: string;
}

/** The areas of a house on the desk, sorted by any column. */
export function AreasTable({ house, areas, besideId }: AreasTableProps) {
  const { units } = usePreferences();
  const isBeside = besideId !== undefined;
  const name = useMemo(() => nameColumnIn(units, isBeside), [units, isBeside]);
  const columns = useMemo(() => columnsIn(house, units, isBeside), [house, units, isBeside]);
  return (
    <Table
      label="Areas"
      what="areas"
      isInOrder
      name={name}
      columns={columns}
      lines={areas}
      keyOf={({ id }) => id}
      hrefOf={({ id }) => ({
        pathname: '/houses/[houseId]/areas/[areaId]',
        params: { houseId: house.id, areaId: id },
      })}
      isHere={({ id }) => id === besideId}
    />
  );
}

const styles = StyleSheet.create({ grade: { flexDirection: 'row', alignItems: 'center', gap: space.s } });
