import { paybackOf } from '@calvet/contract/house/heating-year';
import { area as kind, buildUpFields, type Area } from '@calvet/contract/installation/area';
import { comparedBuildUp, type ComparedBuildUp } from '@calvet/contract/installation/compared-build-up';
import { materialsOf } from '@calvet/contract/installation/material-library';
import { TRADE_WORDS } from '@calvet/contract/plan/work-words';
import { SCREENING } from '@calvet/core/cautions';
import { unitOf } from '@calvet/core/units/quantity';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useMaterials } from '../../data/hooks';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { FieldTrouble } from '../../ui/field';
import type { EntryTrouble } from '../../ui/figure-entry';
import { decimals, figureWithUnit } from '../../ui/format';
import { NumberInput, type NumberInputProps } from '../../ui/number-input';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useIsWide } from '../../ui/theme';
import { Screen } from '../shell/screen';
import { CompareWith, type Candidate } from './compare-with';
import { whereWater } from './vapour-words';

const MOST_ON_PHONE = 2;
const MOST_ON_DESK = 4;

/** A build-up that is held against others, with what was entered of it here. */
interface Column extends Candidate {
  readonly areaM2: number | null;
  readonly costPerM2: number | null;
}

type Figures = Extract<ComparedBuildUp, { readonly state: 'figures' }>;

interface RowProps {
  readonly label: string;
  readonly children: readonly ReactNode[];
}

/** A line of the table: what it tells, and below it what it is of each. */
function Row({ label, children }: RowProps) {
  return (
    <View role="group" aria-label={label} style={styles.row}>
      <Text look="small" tone="soft">
        {label}
      </Text>
      <View style={styles.cells}>
        {children.map((cell, i) => (
          <View key={i} style={styles.cell}>
            {cell}
          </View>
        ))}
      </View>
    </View>
  );
}

interface BareFigureProps extends Pick<NumberInputProps, 'label' | 'quantity' | 'value' | 'bounds'> {
  readonly onEntered: (si: number | null) => void;
}

/** A figure in a cell of the table: its row says what it is, its column of what. */
function BareFigure({ onEntered, ...input }: BareFigureProps) {
  const { units } = usePreferences();
  const [trouble, setTrouble] = useState<EntryTrouble | null>(null);
  return (
    <>
      <View style={styles.bare}>
        <View style={styles.input}>
          <NumberInput
            {...input}
            hasError={trouble !== null && !trouble.isTold}
            onTrouble={setTrouble}
            onCommit={(si, stage) => {
              if (stage === 'entered') onEntered(si);
            }}
          />
        </View>
        <Text look="small" tone="soft">
          {unitOf(input.quantity, units).symbol}
        </Text>
      </View>
      <FieldTrouble trouble={trouble} message={null} />
    </>
  );
}

const begin = (candidate: Candidate): Column => ({
  ...candidate,
  areaM2: candidate.area.areaM2,
  costPerM2: candidate.area.buildUp.costPerM2,
});

interface CompareScreenProps {
  readonly view: HouseView;
  readonly area: Area;
}

/** Build-ups side by side, each over its own area: heat, what making them emits, water, trades, cost. */
export function CompareScreen({ view, area }: CompareScreenProps) {
  const { house } = view;
  const { units } = usePreferences();
  const own = useMaterials();
  const most = useIsWide() ? MOST_ON_DESK : MOST_ON_PHONE;
  const materials = useMemo(() => materialsOf(own), [own]);
  const [all, setAll] = useState<readonly Column[]>(() => [
    begin({ key: area.id, name: area.buildUp.name || area.name, note: area.name, area }),
  ]);
  const top = useRef<View>(null);
  const columns = all.slice(0, most);
  const compared = useMemo(
    () => all.map((column) => comparedBuildUp(house, { ...column.area, areaM2: column.areaM2 }, materials)),
    [all, house, materials],
  );
  const set = (key: string, change: Partial<Column>): void =>
    setAll(all.map((column) => (column.key === key ? { ...column, ...change } : column)));
  const each = (shown: (figures: Figures) => ReactNode): readonly ReactNode[] =>
    columns.map((column, i) => {
      const one = compared[i];
      return one?.state === 'figures' ? shown(one) : <Text key={column.key}>–</Text>;
    });
  const said = (shown: (figures: Figures) => string): readonly ReactNode[] =>
    each((one) => <Text look="figure">{shown(one)}</Text>);
  const carbon = (pick: (of: NonNullable<Figures['carbon']['carbon']>) => number) =>
    said(({ carbon: { carbon: of } }) =>
      of === null ? 'not known' : figureWithUnit(pick(of), 'massPerArea', units),
    );
  const [first] = compared;
  const paid = (i: number): string => {
    const [base, better] = [columns[0], columns[i]];
    const other = compared[i];
    if (i === 0 || base === undefined || better === undefined) return 'held against';
    if (first?.state !== 'figures' || other?.state !== 'figures') return '–';
    const costs = [base, better].map(({ costPerM2, areaM2 }) =>
      costPerM2 === null || areaM2 === null ? null : costPerM2 * areaM2,
    );
    const [before, after] = costs;
    if (before == null || after == null || first.lossWK === null || other.lossWK === null)
      return 'enter both costs';
    const pays = paybackOf(house, first.lossWK - other.lossWK, after - before);
    if (pays === null) return 'climate, heater or price of a kWh are missing';
    if (pays.simpleYears === null) return 'never';
    return pays.simpleYears === 0 ? 'at once' : `after ${decimals(pays.simpleYears, 1)} years`;
  };
  const names = (
    <View style={styles.cells} aria-hidden>
      {columns.map(({ key, name }) => (
        <Text key={key} look="small" style={[styles.cell, styles.name]}>
          {name}
        </Text>
      ))}
    </View>
  );
  return (
    <Screen
      name="Compare"
      detail={`${area.name} · ${house.name}`}
      back={{
        pathname: '/houses/[houseId]/areas/[areaId]',
        params: { houseId: house.id, areaId: area.id },
      }}
      backLabel="Back to the area"
    >
      <Card title="Side by side">
        <View ref={top} style={styles.cells}>
          {columns.map((column, i) => (
            <View key={column.key} style={styles.cell}>
              <Text look="strong">{column.name}</Text>
              <Text look="small" tone="soft">
                {column.note}
              </Text>
              {i > 0 && (
                <Button
                  kind="quiet"
                  icon="close"
                  label={`Take out ${column.name}`}
                  iconOnly
                  onPress={() => setAll(all.filter(({ key }) => key !== column.key))}
                />
              )}
            </View>
          ))}
        </View>
        {compared.slice(0, most).map((one, i) =>
          one.state === 'refused' ? (
            <Text key={columns[i]?.key} tone="ember">
              {columns[i]?.name}: {one.message}
            </Text>
          ) : null,
        )}
        <Row label="R as framed">
          {said(({ worth }) => figureWithUnit(worth.effectiveRsi, 'resistance', units))}
        </Row>
        <Row label="U">{said(({ worth }) => figureWithUnit(worth.uValue, 'transmittance', units))}</Row>
        <Row label="Its own area">
          {columns.map((column) => (
            <BareFigure
              key={column.key}
              label={`Area of ${column.name}`}
              quantity="area"
              value={column.areaM2}
              bounds={kind.fields.areaM2.bounds}
              onEntered={(areaM2) => set(column.key, { areaM2 })}
            />
          ))}
        </Row>
        <Row label="Heat loss over it">
          {said(({ lossWK }) =>
            lossWK === null ? 'enter its area' : figureWithUnit(lossWK, 'heatLoss', units),
          )}
        </Row>
        <Row label="Thickness">
          {said(
            ({ thicknessM, hasThickness }) =>
              `${hasThickness ? '' : 'over '}${figureWithUnit(thicknessM, 'thickness', units)}`,
          )}
        </Row>
      </Card>
      <Card title={`Greenhouse gases, CO₂e for each ${units === 'metric' ? 'm²' : 'ft²'}`}>
        {columns.length > 1 && names}
        <Row label="Emitted in making it">{carbon(({ emittedKgM2 }) => emittedKgM2)}</Row>
        <Row label="By the gas that its foam was blown with">{carbon(({ agentKgM2 }) => agentKgM2)}</Row>
        <Row label="Stored in plant matter, told beside, never taken off">
          {carbon(({ storedKgM2 }) => storedKgM2)}
        </Row>
        <Row label="Emitted for each R of 1">
          {said(({ carbon: { carbon: of } }) =>
            of?.emittedPerRsi == null
              ? 'not known'
              : figureWithUnit(of.emittedPerRsi, 'massPerAreaAndR', units),
          )}
        </Row>
        <Row label="Not counted, since nobody knows its figures">
          {each(({ carbon: { unknown } }) => (
            <Text look="small">{unknown.length === 0 ? 'nothing' : unknown.join(', ')}</Text>
          ))}
        </Row>
      </Card>
      <Card title="Water">
        {columns.length > 1 && names}
        <Row label="Gathers most">
          {each(({ moisture }) => (
            <Text look="small">{whereWater(moisture)}</Text>
          ))}
        </Row>
        <Row label="Held in winter, at most">
          {said(({ moisture }) =>
            moisture?.state === 'figures'
              ? `${figureWithUnit(moisture.peakKgM2, 'massPerArea', units)}${moisture.dries ? '' : ', adds up'}`
              : '–',
          )}
        </Row>
        <Text look="small" tone="soft" role="note">
          {SCREENING} Rain and air leaks are left out.
        </Text>
      </Card>
      <Card title="Work, traits and cost">
        {columns.length > 1 && names}
        <Row label="Trades, each at least once">
          {each(({ trades }) => (
            <Text look="small">
              {trades.length}: {trades.map((trade) => TRADE_WORDS[trade]).join(', ')}
            </Text>
          ))}
        </Row>
        <Row label="In water, in fire, with pests">
          {each(({ traits }) => (
            <Text look="small">{traits.length === 0 ? 'not known' : traits.join(' ')}</Text>
          ))}
        </Row>
        <Row label="Cost">
          {columns.map((column) => (
            <BareFigure
              key={column.key}
              label={`Cost of ${column.name}`}
              quantity={buildUpFields.costPerM2.quantity}
              value={column.costPerM2}
              bounds={buildUpFields.costPerM2.bounds}
              onEntered={(costPerM2) => set(column.key, { costPerM2 })}
            />
          ))}
        </Row>
        <Row label="Paid back">
          {columns.map((column, i) => (
            <Text key={column.key} look="small">
              {paid(i)}
            </Text>
          ))}
        </Row>
      </Card>
      {all.length < most ? (
        <CompareWith
          view={view}
          area={area}
          taken={all.map(({ key }) => key)}
          onPick={(candidate) => {
            setAll([...all, begin(candidate)]);
            (top.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'center' });
          }}
        />
      ) : null}
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: { gap: 2 },
  cells: { flexDirection: 'row', gap: space.m },
  cell: { flex: 1, minWidth: 0 },
  bare: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
  name: { fontWeight: '600' },
  input: { flex: 1, minWidth: 0 },
});
