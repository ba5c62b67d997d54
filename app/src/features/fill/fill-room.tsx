import { areaFigures, envelopeFigures, gradedLayerOf } from '@calvet/contract/installation/area-figures';
import { isJudged, type Area } from '@calvet/contract/installation/area';
import type { House } from '@calvet/contract/house/house';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { figure, figureWithUnit, resistance } from '../../ui/format';
import { LongList } from '../../ui/long-list';
import { Text } from '../../ui/text';
import { rem, space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { asSentence, reservationOn } from './envelope-words';
import { useAddArea } from './use-add-area';
import { GradeChoice } from './grade-choice';
import { judgementWords, sizeWords } from './words';
import { WorthBars } from './worth-bars';

interface AreaCardProps {
  readonly house: House;
  readonly area: Area;
}

function AreaCard({ house, area }: AreaCardProps) {
  const router = useRouter();
  const { units } = usePreferences();
  const keep = useKeep('area', area);
  const figures = areaFigures(house, area);
  const isGradable = gradedLayerOf(area.buildUp) !== null;
  const open = () =>
    router.navigate({
      pathname: '/houses/[houseId]/areas/[areaId]',
      params: { houseId: house.id, areaId: area.id },
    });
  return (
    <Card
      title={area.name}
      right={<Button kind="quiet" iconOnly icon="chevron-right" label={`Open ${area.name}`} onPress={open} />}
    >
      <Text look="small" tone="soft">
        {sizeWords(area, units)} · {area.buildUp.name}
      </Text>
      {isGradable && <GradeChoice areaName={area.name} judged={area} onChange={keep} />}
      {figures.state === 'figures' ? (
        <WorthBars figures={figures} isGraded={isJudged(area) || !isGradable} />
      ) : (
        <Text tone="ember">{figures.refusal.message} Open the area and put its layers right.</Text>
      )}
      {figures.state === 'figures' && figures.gradeCostWK !== null && figures.gradeCostWK > 0 && (
        <Text look="small">
          {judgementWords(area)} costs {figureWithUnit(figures.gradeCostWK, 'heatLoss', units)}
          {figures.equivalentEmptyAreaM2 !== null &&
            `, as much as ${figureWithUnit(figures.equivalentEmptyAreaM2, 'area', units)} left empty`}
          .
        </Text>
      )}
    </Card>
  );
}

/** How well the insulation went in, area by area, and what that is worth. */
export function FillRoom({ view: { house, areas } }: { readonly view: HouseView }) {
  const router = useRouter();
  const { units } = usePreferences();
  const addArea = useAddArea(house.id);
  const envelope = envelopeFigures(house, areas);
  const { built, framed, gradeCostWK, ungraded, unsized } = envelope;
  const reservation = reservationOn(envelope);
  const cost = figureWithUnit(gradeCostWK, 'heatLoss', units);
  const answer =
    areas.length === 0
      ? 'No areas to grade yet'
      : gradeCostWK > 0
        ? `The grade of the work costs ${cost}`
        : ungraded > 0
          ? `${ungraded} ${ungraded === 1 ? 'area' : 'areas'} still to grade`
          : unsized > 0
            ? `${unsized} ${unsized === 1 ? 'area' : 'areas'} still to measure`
            : 'The work costs nothing: Grade I throughout';
  return (
    <Screen
      name={house.name}
      detail="Fill"
      back="/"
      backLabel="Back to the houses"
      footer={
        areas.length === 0 ? <Button label="Add an area" kind="main" grow onPress={addArea} /> : undefined
      }
    >
      <Text look="answer" level={2}>
        {answer}
      </Text>
      {built !== null && framed !== null && (
        <View style={styles.sums}>
          <View style={styles.sum}>
            <Text look="small" tone="soft">
              envelope {units === 'metric' ? 'R' : 'R-value'}, as built
            </Text>
            <Text look="figureHuge" style={styles.big} testID="envelope-r">
              {built.effectiveRsi === null ? '–' : figure(built.effectiveRsi, 'resistance', units)}
            </Text>
            <Text look="small" tone="soft">
              {framed.effectiveRsi === null ? '' : `${resistance(framed.effectiveRsi, units)} with framing`}
            </Text>
          </View>
          <View style={styles.sum}>
            <Text look="small" tone="soft">
              heat loss UA, as built
            </Text>
            <Text look="figureHuge" style={styles.big}>
              {figure(built.transmissionWK, 'heatLoss', units)}
            </Text>
            <Text look="small" tone="soft">
              {figureWithUnit(framed.transmissionWK, 'heatLoss', units)} with framing
            </Text>
          </View>
        </View>
      )}
      {reservation !== null && (
        <Text look="small" tone="straw">
          {asSentence(reservation)} {ungraded > 0 && 'What is not graded counts as if its work were perfect.'}
        </Text>
      )}
      <Button
        icon="home-thermometer-outline"
        label="What the house is worth"
        onPress={() =>
          router.navigate({ pathname: '/houses/[houseId]/worth', params: { houseId: house.id } })
        }
      />
      {areas.length === 0 && (
        <Text tone="soft">
          Enter the areas of the envelope with their build-ups; then one tap grades each of them.
        </Text>
      )}
      <View style={styles.areas}>
        <LongList items={areas} what="areas">
          {(area) => (
            <View key={area.id} style={styles.area}>
              <AreaCard house={house} area={area} />
            </View>
          )}
        </LongList>
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  sums: { flexDirection: 'row', gap: space.l, flexWrap: 'wrap' },
  sum: { flexGrow: 1, flexBasis: 140 },
  big: { fontSize: rem(38), lineHeight: rem(42) },
  areas: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  area: { flexGrow: 1, flexShrink: 1, flexBasis: 320, minWidth: 0 },
});
