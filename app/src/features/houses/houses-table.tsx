import { STAGE_WORDS } from '@calvet/contract/airtightness/airtightness-test';
import type { House } from '@calvet/contract/house/house';
import type { HouseSummary } from '@calvet/contract/house/house-summary';
import { unitOf, type UnitSystem } from '@calvet/core/units/quantity';
import { useMemo } from 'react';
import { StyleSheet } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { day, figure } from '../../ui/format';
import { Table, type Column, type NameColumn } from '../../ui/table';
import { Text } from '../../ui/text';
import { NotTested, Verdict } from '../door-test/verdict';
import { targetWords } from '../door-test/words';
import { reservationOn } from '../fill/envelope-words';

export interface HouseLine {
  readonly house: House;
  readonly summary: HouseSummary | undefined;
}

/** How far a figure is over its limit: what makes figures of different quantities sort together. */
const shareOfLimit = ({ house, summary }: HouseLine): number =>
  summary?.tightness == null ? -1 : summary.tightness.value / house.target.limit;

function Tightness({
  line: { house, summary },
  units,
}: {
  readonly line: HouseLine;
  readonly units: UnitSystem;
}) {
  const { quantity, label } = targetWords(house.target.quantity, units);
  const tightness = summary?.tightness ?? null;
  return (
    <>
      <Text look="figureStrong">{tightness === null ? '–' : figure(tightness.value, quantity, units)}</Text>
      <Text look="small" tone="soft">
        {label}, limit {figure(house.target.limit, quantity, units)}
      </Text>
    </>
  );
}

function Resistance({
  summary,
  units,
}: {
  readonly summary: HouseSummary | undefined;
  readonly units: UnitSystem;
}) {
  const envelope = summary?.envelope;
  const reservation = envelope === undefined ? null : reservationOn(envelope);
  return (
    <>
      <Text look="figure">
        {envelope?.built?.effectiveRsi == null
          ? '–'
          : figure(envelope.built.effectiveRsi, 'resistance', units)}
      </Text>
      {reservation !== null && (
        <Text look="small" tone="straw" style={styles.reservation}>
          {reservation}
        </Text>
      )}
    </>
  );
}

const NAME: NameColumn<HouseLine> = {
  label: 'House',
  flex: 2.4,
  nameOf: ({ house }) => house.name,
  belowName: ({ house }) => house.place,
};

function columnsIn(units: UnitSystem): readonly Column<HouseLine>[] {
  const heatLoss = (of: (summary: HouseSummary) => number | null) => ({
    isRight: true as const,
    sortBy: ({ summary }: HouseLine) => (summary === undefined ? -1 : (of(summary) ?? -1)),
    cell: ({ summary }: HouseLine) => {
      const value = summary === undefined ? null : of(summary);
      return <Text look="figure">{value === null ? '–' : figure(value, 'heatLoss', units)}</Text>;
    },
  });
  return [
    {
      label: 'Last door test',
      flex: 2.2,
      sortBy: ({ summary }) => summary?.latest?.performedOn ?? '',
      cell: ({ summary }) => (
        <>
          <Text look="small" numberOfLines={1}>
            {summary?.latest == null ? '–' : STAGE_WORDS[summary.latest.stage]}
          </Text>
          <Text look="small" tone="soft">
            {summary?.latest == null ? '' : day(summary.latest.performedOn)}
          </Text>
        </>
      ),
    },
    {
      label: 'Figure · limit',
      flex: 2.5,
      isRight: true,
      sortBy: shareOfLimit,
      cell: (line) => <Tightness line={line} units={units} />,
    },
    {
      label: 'Target',
      flex: 2.6,
      sortBy: shareOfLimit,
      cell: ({ summary }) => {
        if (summary === undefined) return null;
        return summary.tightness === null ? <NotTested /> : <Verdict verdict={summary.tightness.verdict} />;
      },
    },
    {
      label: units === 'metric' ? `R, ${unitOf('resistance', units).symbol}` : 'R-value',
      flex: 1.5,
      isRight: true,
      sortBy: ({ summary }) => summary?.envelope.built?.effectiveRsi ?? -1,
      cell: ({ summary }) => <Resistance summary={summary} units={units} />,
    },
    {
      label: `UA, ${unitOf('heatLoss', units).symbol}`,
      flex: 1.3,
      ...heatLoss(({ envelope }) => envelope.built?.transmissionWK ?? null),
    },
    {
      label: `Grades cost, ${unitOf('heatLoss', units).symbol}`,
      flex: 1.6,
      ...heatLoss(({ envelope }) => (envelope.built === null ? null : envelope.gradeCostWK)),
    },
  ];
}

/** Every house on the desk, sorted by any column. */
export function HousesTable({ lines }: { readonly lines: readonly HouseLine[] }) {
  const { units } = usePreferences();
  const columns = useMemo(() => columnsIn(units), [units]);
  return (
    <Table
      label="Houses"
      what="houses"
      name={NAME}
      columns={columns}
      lines={lines}
      keyOf={({ house }) => house.id}
      hrefOf={({ house }) => ({ pathname: '/houses/[houseId]', params: { houseId: house.id } })}
    />
  );
}

const styles = StyleSheet.create({ reservation: { textAlign: 'right' } });
