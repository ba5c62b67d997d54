import type { House } from '@calvet/contract';
import { unitOf, type UnitSystem } from '@calvet/core';
import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { day, figure } from '../../ui/format';
import Icon from '../../ui/icon-font/icon-set';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { NotTested, Verdict } from '../airtightness/verdict';
import { STAGE_WORDS, targetWords } from '../airtightness/words';
import { reservationOn } from '../installation/envelope-words';
import type { HouseSummary } from './house-summary';

export interface HouseLine {
  readonly house: House;
  readonly summary: HouseSummary | undefined;
}

type Column = 'name' | 'stage' | 'tightness' | 'verdict' | 'resistance' | 'heatLoss' | 'gradeCost';

/** How far a figure is over its limit: what makes figures of different quantities sort together. */
const shareOfLimit = ({ house, summary }: HouseLine): number =>
  summary?.tightness == null ? -1 : summary.tightness.value / house.target.limit;

const SORT_KEYS: Readonly<Record<Column, (line: HouseLine) => string | number>> = {
  name: ({ house }) => house.name.toLowerCase(),
  stage: ({ summary }) => summary?.latest?.performedOn ?? '',
  tightness: shareOfLimit,
  verdict: shareOfLimit,
  resistance: ({ summary }) => summary?.envelope.built?.effectiveRsi ?? -1,
  heatLoss: ({ summary }) => summary?.envelope.built?.transmissionWK ?? -1,
  gradeCost: ({ summary }) => summary?.envelope.gradeCostWK ?? -1,
};

function compare(a: HouseLine, b: HouseLine, column: Column): number {
  const [left, right] = [SORT_KEYS[column](a), SORT_KEYS[column](b)];
  return typeof left === 'number' && typeof right === 'number'
    ? left - right
    : String(left).localeCompare(String(right));
}

interface ColumnHead {
  readonly column: Column;
  readonly label: string;
  readonly flex: number;
  readonly right?: boolean;
}

function headsFor(units: UnitSystem): readonly ColumnHead[] {
  return [
    { column: 'name', label: 'House', flex: 2.4 },
    { column: 'stage', label: 'Last door test', flex: 2.2 },
    { column: 'tightness', label: 'Figure · limit', flex: 2.5, right: true },
    { column: 'verdict', label: 'Target', flex: 2.6 },
    {
      column: 'resistance',
      label: units === 'metric' ? `R, ${unitOf('resistance', units).symbol}` : 'R-value',
      flex: 1.5,
      right: true,
    },
    { column: 'heatLoss', label: `UA, ${unitOf('heatLoss', units).symbol}`, flex: 1.3, right: true },
    {
      column: 'gradeCost',
      label: `Grades cost, ${unitOf('heatLoss', units).symbol}`,
      flex: 1.6,
      right: true,
    },
  ];
}

const hrefOf = ({ id }: House): Href => ({ pathname: '/houses/[houseId]', params: { houseId: id } });

interface HousesTableProps {
  readonly lines: readonly HouseLine[];
}

/** Every house on the desk, sorted by any column. */
export function HousesTable({ lines }: HousesTableProps) {
  const router = useRouter();
  const palette = usePalette();
  const { units } = usePreferences();
  const [{ column, descending }, setSort] = useState<{ column: Column; descending: boolean }>({
    column: 'name',
    descending: false,
  });
  const sorted = useMemo(() => {
    const ascending = [...lines].sort((a, b) => compare(a, b, column));
    return descending ? ascending.reverse() : ascending;
  }, [lines, column, descending]);
  const heads = headsFor(units);
  const flexOf = (name: Column) => heads.find((head) => head.column === name)?.flex ?? 1;
  return (
    <View
      role="table"
      aria-label="Houses"
      style={[styles.table, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View role="row" style={[styles.row, { borderBottomColor: palette.line }]}>
        {heads.map((head) => (
          <View
            key={head.column}
            role="columnheader"
            aria-sort={head.column !== column ? 'none' : descending ? 'descending' : 'ascending'}
            style={{ flex: head.flex }}
          >
            <Pressable
              role="button"
              aria-label={`Sort by ${head.label}`}
              onPress={() =>
                setSort({ column: head.column, descending: head.column === column && !descending })
              }
              style={[styles.head, head.right === true && styles.headRight]}
            >
              <Text look="small" tone={head.column === column ? 'ink' : 'soft'}>
                {head.label}
              </Text>
              {head.column === column && (
                <Icon name={descending ? 'chevron-down' : 'chevron-up'} size={16} color={palette.ink} />
              )}
            </Pressable>
          </View>
        ))}
      </View>
      {sorted.map(({ house, summary }) => {
        const { quantity, label } = targetWords(house.target.quantity, units);
        const tightness = summary?.tightness ?? null;
        const envelope = summary?.envelope;
        const reservation = envelope === undefined ? null : reservationOn(envelope);
        return (
          <Pressable
            key={house.id}
            role="row"
            // The name is what keys reach; a mouse may press anywhere in the row.
            focusable={false}
            onPress={() => router.navigate(hrefOf(house))}
            style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [
              styles.row,
              styles.body,
              { borderBottomColor: palette.line },
              hovered === true && { backgroundColor: palette.lakeTint },
            ]}
          >
            <View role="cell" style={{ flex: flexOf('name') }}>
              <LinkArea href={hrefOf(house)}>
                <Text look="strong" numberOfLines={1}>
                  {house.name}
                </Text>
              </LinkArea>
              <Text look="small" tone="soft" numberOfLines={1}>
                {house.place}
              </Text>
            </View>
            <View role="cell" style={{ flex: flexOf('stage') }}>
              <Text look="small" numberOfLines={1}>
                {summary?.latest == null ? '–' : STAGE_WORDS[summary.latest.stage]}
              </Text>
              <Text look="small" tone="soft">
                {summary?.latest == null ? '' : day(summary.latest.performedOn)}
              </Text>
            </View>
            <View role="cell" style={[styles.right, { flex: flexOf('tightness') }]}>
              <Text look="figureStrong">
                {tightness === null ? '–' : figure(tightness.value, quantity, units)}
              </Text>
              <Text look="small" tone="soft">
                {label}, limit {figure(house.target.limit, quantity, units)}
              </Text>
            </View>
            <View role="cell" style={{ flex: flexOf('verdict') }}>
              {summary !== undefined && tightness === null && <NotTested />}
              {tightness !== null && <Verdict verdict={tightness.verdict} />}
            </View>
            <View role="cell" style={[styles.right, { flex: flexOf('resistance') }]}>
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
            </View>
            <View role="cell" style={[styles.right, { flex: flexOf('heatLoss') }]}>
              <Text look="figure">
                {envelope?.built == null ? '–' : figure(envelope.built.transmissionWK, 'heatLoss', units)}
              </Text>
            </View>
            <View role="cell" style={[styles.right, { flex: flexOf('gradeCost') }]}>
              <Text look="figure">
                {envelope?.built == null ? '–' : figure(envelope.gradeCostWK, 'heatLoss', units)}
              </Text>
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  table: { borderWidth: 1, borderRadius: 4 },
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.l,
    paddingHorizontal: space.l,
    borderBottomWidth: 1,
  },
  body: { minHeight: 64, paddingVertical: space.s },
  head: { minHeight: 48, flexDirection: 'row', alignItems: 'center', gap: 2 },
  headRight: { justifyContent: 'flex-end' },
  right: { alignItems: 'flex-end' },
  reservation: { textAlign: 'right' },
});
