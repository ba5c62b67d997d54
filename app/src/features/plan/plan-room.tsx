import { STAGE_WORDS } from '@calvet/contract/airtightness/airtightness-test';
import type { House } from '@calvet/contract/house/house';
import type { HouseSummary } from '@calvet/contract/house/house-summary';
import { AIR_BARRIER_WORDS } from '@calvet/contract/plan/schools';
import { unitOf } from '@calvet/core/units/quantity';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { summaryOf } from '../../data/house-summaries';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { figure, figureWithUnit, resistance } from '../../ui/format';
import { LongList } from '../../ui/long-list';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { NotTested, Verdict } from '../door-test/verdict';
import { targetFigureWithUnit, targetWords } from '../door-test/words';
import { AreaLine } from '../fill/area-line';
import { AreasTable } from '../fill/areas-table';
import { ENVELOPE_TOLERANCE, reservationOn } from '../fill/envelope-words';
import { useAddArea } from '../fill/use-add-area';
import { DeletedLink } from '../deleted/deleted-link';
import { TakeAlongLine } from '../device/take-along-line';
import { Screen } from '../shell/screen';

function answer({ house, tests, areas }: HouseView, { tightness }: HouseSummary): string {
  if (areas.length === 0) return 'Start with the areas of the envelope';
  if (tests.length === 0) return 'Not tested yet';
  if (tightness === null) return 'A door test waits for its readings';
  const share = Math.abs(tightness.value / house.target.limit - 1) * 100;
  switch (tightness.verdict) {
    case 'fail':
      return `Leaks ${share.toFixed(0)} % more than its target allows`;
    case 'pass-not-proven':
      return 'Meets its target, not proven yet';
    case 'pass':
      return `Meets its airtightness target with ${share.toFixed(0)} % to spare`;
  }
}

function Sizes({ house }: { readonly house: House }) {
  const router = useRouter();
  const { units } = usePreferences();
  const { symbol } = targetWords(house.target.quantity, units);
  const size = (si: number | null, quantity: 'volume' | 'area' | 'length'): string =>
    si === null ? '–' : figureWithUnit(si, quantity, units);
  const items: readonly (readonly [string, string])[] = [
    ['volume', size(house.volumeM3, 'volume')],
    ['envelope', size(house.envelopeAreaM2, 'area')],
    ['floor', size(house.floorAreaM2, 'area')],
    ['height', size(house.heightM, 'length')],
    ['storeys', house.storeys === null ? '–' : String(house.storeys)],
    ['bedrooms', String(house.bedrooms)],
    [`target ${symbol}`, `≤ ${targetFigureWithUnit(house.target.limit, house.target.quantity, units)}`],
  ];
  const edit = () => router.navigate({ pathname: '/houses/[houseId]/edit', params: { houseId: house.id } });
  return (
    <Card title="House" right={<Button kind="quiet" label="Change" icon="pencil-outline" onPress={edit} />}>
      <View style={styles.sizes}>
        {items.map(([label, value]) => (
          <View key={label} style={styles.size}>
            <Text look="small" tone="soft">
              {label}
            </Text>
            <Text look="figureStrong">{value}</Text>
          </View>
        ))}
      </View>
    </Card>
  );
}

/** Areas that are no part of the drawing of a house that is drawn: made by hand before, or of a part that is gone. */
function BesideDrawing({ view: { areas, drawn } }: { readonly view: HouseView }) {
  if (drawn.size === 0) return null;
  const beside = areas.filter(({ item }) => item === null || !drawn.has(item));
  if (beside.length === 0) return null;
  const gone = beside.filter(({ item }) => item !== null).length;
  const which = beside.length === 1 ? `${beside[0]?.name ?? 'One area'} is` : `${beside.length} areas are`;
  return (
    <Text tone="straw" role="status">
      {which} not in the drawing{gone > 0 ? `, ${gone} of a part that is gone` : ''}, and count
      {beside.length === 1 ? 's' : ''} beside it. Open it to say which part it is, or delete it.
    </Text>
  );
}

function Areas({ view }: { readonly view: HouseView }) {
  const { house, areas } = view;
  const { units } = usePreferences();
  const isWide = useIsWide();
  const sum = areas.reduce((total, area) => total + (area.areaM2 ?? 0), 0);
  const { envelopeAreaM2 } = house;
  const isOff =
    envelopeAreaM2 !== null && Math.abs(sum - envelopeAreaM2) > ENVELOPE_TOLERANCE * envelopeAreaM2;
  if (areas.length === 0) {
    return (
      <Card title="Areas of the envelope">
        <Text tone="soft">
          Walls, rim, ceiling or roof, floor, windows: each with its square metres and its build-up. What the
          walls are really worth follows from them.
        </Text>
      </Card>
    );
  }
  return (
    <Card title="Areas of the envelope">
      <BesideDrawing view={view} />
      {isWide ? (
        <AreasTable house={house} areas={areas} />
      ) : (
        <LongList items={areas} what="areas">
          {(area) => (
            <View key={area.id} style={styles.areaWithRule}>
              <AreaLine area={area} />
              <Rule />
            </View>
          )}
        </LongList>
      )}
      <Text look="small" tone={isOff ? 'straw' : 'soft'}>
        {isOff && 'Check: '}
        areas add up to {figure(sum, 'area', units)}
        {envelopeAreaM2 !== null && ` of ${figure(envelopeAreaM2, 'area', units)}`}{' '}
        {unitOf('area', units).symbol} {envelopeAreaM2 !== null && 'of envelope'}
      </Text>
    </Card>
  );
}

/** The way to the drawing of a house, and whether what is drawn can be measured. */
function DrawingCard({ view: { house, storeys, drawing } }: { readonly view: HouseView }) {
  const router = useRouter();
  const count = storeys.length;
  const open = () =>
    router.navigate({ pathname: '/houses/[houseId]/drawing', params: { houseId: house.id } });
  return (
    <Card
      title="Drawing"
      right={
        <Button
          kind="quiet"
          icon={count === 0 ? 'plus' : 'pencil-outline'}
          label={count === 0 ? 'Draw the house' : 'Open the drawing'}
          onPress={open}
        />
      }
    >
      {drawing.state === 'refused' ? (
        <Text tone="ember">{drawing.refusal.message}</Text>
      ) : (
        <Text look="small" tone="soft">
          {count === 0
            ? 'From wall lengths and turns come the sizes of the house and each area of its envelope.'
            : `${count === 1 ? '1 storey' : `${count} storeys`} drawn: sizes and areas follow from it where nobody entered others.`}
        </Text>
      )}
    </Card>
  );
}

/** The ways to how a drawn house is built, and to all that has to be looked at in it. */
function WalkCard({ view: { house, plans, storeys } }: { readonly view: HouseView }) {
  const router = useRouter();
  const params = { houseId: house.id };
  if (storeys.length === 0) return null;
  const barrier = plans[0]?.schools.airBarrier ?? null;
  return (
    <Card title="What to look at">
      <Text look="small" tone={barrier === null ? 'straw' : 'soft'}>
        {barrier === null
          ? 'Say how the house is built, and each place of it gets its checkpoints.'
          : `Air barrier: ${AIR_BARRIER_WORDS[barrier].toLowerCase()}.`}
      </Text>
      <View style={styles.deeds}>
        <Button
          icon="wall"
          label="How it is built"
          onPress={() => router.navigate({ pathname: '/houses/[houseId]/built', params })}
        />
        <Button
          icon="format-list-checks"
          label="Stops and checkpoints"
          onPress={() => router.navigate({ pathname: '/houses/[houseId]/stops', params })}
        />
        <Button
          icon="hammer-wrench"
          label="Mends"
          onPress={() => router.navigate({ pathname: '/houses/[houseId]/mends', params })}
        />
        <Button
          icon="calendar-clock"
          label="Calendar"
          onPress={() => router.navigate({ pathname: '/houses/[houseId]/calendar', params })}
        />
      </View>
    </Card>
  );
}

/** A house as it is planned: its sizes, its target, its areas, and where it stands. */
export function PlanRoom({ view }: { readonly view: HouseView }) {
  const { house } = view;
  const addArea = useAddArea(house.id);
  const { units } = usePreferences();
  const summary = summaryOf(view);
  const { latest, tightness, envelope } = summary;
  const reservation = reservationOn(envelope);
  return (
    <Screen
      name={house.name}
      detail={[house.place, house.builder].filter((text) => text !== '').join(' · ')}
      back="/"
      backLabel="Back to the houses"
      footer={<Button label="Add an area" icon="plus" kind="main" grow onPress={addArea} />}
    >
      <Text look="answer" level={2}>
        {answer(view, summary)}
      </Text>
      <Card>
        <View style={styles.standing}>
          <View style={styles.figure}>
            <Text look="small" tone="soft">
              {latest === null ? 'door test' : STAGE_WORDS[latest.stage].toLowerCase()}
            </Text>
            <Text look="figureStrong">
              {tightness === null ? '–' : targetFigureWithUnit(tightness.value, house.target.quantity, units)}
            </Text>
            {tightness === null ? <NotTested /> : <Verdict verdict={tightness.verdict} />}
          </View>
          <View style={styles.figure}>
            <Text look="small" tone="soft">
              envelope as built
            </Text>
            <Text look="figureStrong">
              {envelope.built?.effectiveRsi == null ? '–' : resistance(envelope.built.effectiveRsi, units)}
            </Text>
            <Text look="small" tone="soft">
              {envelope.built === null
                ? 'no areas yet'
                : `UA ${figureWithUnit(envelope.built.transmissionWK, 'heatLoss', units)}`}
            </Text>
            {reservation !== null && (
              <Text look="small" tone="straw">
                {reservation}
              </Text>
            )}
          </View>
        </View>
      </Card>
      <DrawingCard view={view} />
      <WalkCard view={view} />
      <Areas view={view} />
      <Sizes house={house} />
      <Card>
        <TakeAlongLine houseId={house.id} hint="Driving out? Have it here before the signal goes." />
      </Card>
      <DeletedLink />
    </Screen>
  );
}

const styles = StyleSheet.create({
  sizes: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  size: { flexGrow: 1, flexShrink: 1, flexBasis: 124, gap: 2 },
  standing: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  // As wide as what stands in it: side by side where both have room, else one below the other.
  figure: { flexGrow: 1, flexShrink: 1, flexBasis: 'auto', minWidth: 0, gap: 2 },
  areaWithRule: { gap: space.s },
  names: { flex: 1, minWidth: 0 },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
