import { houseInfiltration } from '@calvet/contract/airtightness/house-infiltration';
import { climateOf } from '@calvet/contract/house/climates';
import { designAirOf } from '@calvet/contract/house/design-air';
import { houseWorth, type AreaWorth, type HouseSide } from '@calvet/contract/installation/house-worth';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { figure, figureWithUnit } from '../../ui/format';
import { LinkArea } from '../../ui/link-area';
import { LongList } from '../../ui/long-list';
import { Text } from '../../ui/text';
import { rem, space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { sizeWords } from '../fill/words';
import { AskedCard } from './asked-card';
import { BridgesCard } from './bridges-card';
import { MendsCard } from './mends-card';
import { ClimateCard } from './climate-card';
import { whyFails, worthAnswer } from './worth-words';

interface SumProps {
  readonly label: string;
  readonly side: HouseSide | null;
  /** Said where there is none. */
  readonly missing: string;
}

function Sum({ label, side, missing }: SumProps) {
  const { units } = usePreferences();
  return (
    <View style={styles.sum}>
      <Text look="small" tone="soft">
        {label}
      </Text>
      {side === null ? (
        <Text tone="straw">{missing}</Text>
      ) : (
        <>
          <Text look="figureHuge" style={styles.big}>
            {figure(side.transmissionWK, 'heatLoss', units)}
          </Text>
          <Text look="small" tone="soft">
            U {figure(side.averageUValue, 'transmittance', units)} on average
          </Text>
        </>
      )}
    </View>
  );
}

function AreaWorthLine({ worth }: { readonly worth: AreaWorth }) {
  const { units } = usePreferences();
  const { area, figures, isKnown, greatestUValue } = worth;
  const why = whyFails(worth, units);
  const u = (uValue: number): string => figure(uValue, 'transmittance', units);
  return (
    <LinkArea
      href={{
        pathname: '/houses/[houseId]/areas/[areaId]',
        params: { houseId: area.ledgerId, areaId: area.id },
      }}
      style={styles.line}
    >
      <View style={styles.names}>
        <Text look="strong" numberOfLines={2}>
          {area.name}
        </Text>
        <Text look="small" tone={why === null ? 'soft' : 'ember'}>
          {why === null
            ? `${sizeWords(area, units)}${greatestUValue === null ? '' : ` · at most ${u(greatestUValue)}`}${figures.isInGround ? ' · in the ground' : ''}`
            : `Fails: ${why}`}
        </Text>
      </View>
      <View style={styles.figures}>
        <Text look="figure">{u(figures.framed.uValue)}</Text>
        <Text look="figure" tone={isKnown ? undefined : 'straw'}>
          {isKnown ? u(figures.built.uValue) : 'to grade'}
        </Text>
      </View>
    </LinkArea>
  );
}

/** What a house is worth: held against what is asked of it, area by area and in all, as planned and as built. */
export function WorthScreen({ view }: { readonly view: HouseView }) {
  const { house, areas, thermalBridges, tests } = view;
  const { units } = usePreferences();
  const air = useMemo(() => houseInfiltration(house, tests, climateOf(house)?.windMs), [house, tests]);
  const worth = useMemo(
    () => houseWorth(house, areas, thermalBridges, air),
    [house, areas, thermalBridges, air],
  );
  const { indoorC, outdoorC } = designAirOf(house);
  const hasTerms =
    house.requirements.length > 0 || house.greatestHeatLossWK !== null || house.leastGrade !== null;
  const { load } = worth;
  const temperature = (si: number): string => figureWithUnit(si, 'temperature', units);
  const failsFirst = useMemo(
    () =>
      [...worth.areas].sort(
        (a, b) => Number(whyFails(b, units) !== null) - Number(whyFails(a, units) !== null),
      ),
    [worth.areas, units],
  );
  const answer = worthAnswer(worth, hasTerms, units);
  return (
    <Screen
      name={house.name}
      detail="What it is worth"
      back={{ pathname: '/houses/[houseId]/fill', params: { houseId: house.id } }}
      backLabel="Back to the filling"
    >
      <Text look="answer" level={2} tone={answer.startsWith('Fails') ? 'ember' : undefined}>
        {answer}
      </Text>
      {areas.length === 0 ? (
        <Text tone="soft">
          Draw the house or enter its areas, and what they are worth together stands here.
        </Text>
      ) : (
        <Card title={`Heat loss UA, ${units === 'metric' ? 'W/K' : 'Btu/(h·°F)'}`}>
          <View style={styles.sums}>
            <Sum label="labels alone" side={worth.labelled} missing="–" />
            <Sum label="as planned" side={worth.planned} missing="–" />
            <Sum label="as built" side={worth.built} missing="not graded throughout" />
          </View>
          {worth.bridgesWK !== 0 && (
            <Text look="small" tone="soft">
              Of it {figureWithUnit(worth.bridgesWK, 'heatLoss', units)} through thermal bridges.
            </Text>
          )}
          {worth.leftOut.length > 0 && (
            <Text look="small" tone="straw">
              Left out: {worth.leftOut.map(({ name }) => name).join(', ')}. Without a size, or with layers
              that do not fit.
            </Text>
          )}
        </Card>
      )}
      {load !== null && (
        <Card title="The coldest day">
          <Text>
            {figureWithUnit(load.planned.totalW, 'power', units)} as planned, of it{' '}
            {shareOf(load.planned.airW, load.planned.totalW)} by air.
          </Text>
          {load.asBuilt !== null && (
            <Text>
              {figureWithUnit(load.asBuilt.totalW, 'power', units)} as built, of it{' '}
              {shareOf(load.asBuilt.airW, load.asBuilt.totalW)} by air
              {air.built === null ? '; no door test yet, so it leaks as it is allowed to' : ''}.
            </Text>
          )}
          <Text look="small" tone="soft">
            At {temperature(outdoorC)} outdoors and {temperature(indoorC)} indoors
            {house.winterDesignC === null ? '; nobody said how cold it gets here' : ''}. Heating is sized by a
            licensed trade to local code; this shows what the work changes.
          </Text>
        </Card>
      )}
      {worth.areas.length > 0 && (
        <Card title="By area: U as planned, as built">
          <LongList items={failsFirst} what="areas">
            {(each) => <AreaWorthLine key={each.area.id} worth={each} />}
          </LongList>
        </Card>
      )}
      <MendsCard view={view} />
      <AskedCard house={house} />
      <BridgesCard view={view} />
      <ClimateCard house={house} />
    </Screen>
  );
}

const shareOf = (part: number, whole: number): string =>
  whole > 0 ? `${Math.round((100 * part) / whole)} %` : '0 %';

const styles = StyleSheet.create({
  sums: { flexDirection: 'row', gap: space.m, flexWrap: 'wrap' },
  sum: { flexGrow: 1, flexBasis: 96 },
  big: { fontSize: rem(28), lineHeight: rem(32) },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 52 },
  names: { flex: 1, minWidth: 0 },
  figures: { flexDirection: 'row', gap: space.m, flexShrink: 0 },
});
