import { yearOf } from '@calvet/contract/house/indoor-air';
import type { HouseBody } from '@calvet/contract/house/house';
import { heatFlowOf, type AreaInHand } from '@calvet/contract/installation/area';
import {
  moistureOf,
  MUCH_WATER_KGM2,
  type BuildUpMoisture,
  type HeldAt,
} from '@calvet/contract/installation/moisture-of-build-up';
import { SCREENING } from '@calvet/core/cautions';
import { Refusal } from '@calvet/core/refusal';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { G, Rect } from 'react-native-svg';
import type { EntryStage } from '../../data/typing';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { decimals, figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { useQuiet } from '../../ui/use-quiet';
import { OpenedSpots, type NextSpots } from './opened-spots';
import { placeName, schoolSentence } from './vapour-words';

/** What is typed shows first. */
const QUIET_MS = 100;
const BAR = 9;
const GAP = 4;
const HIGH = 46;
const MONTHS = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'] as const;

type Figures = Extract<BuildUpMoisture, { readonly state: 'figures' }>;

interface PlaceProps {
  readonly place: HeldAt;
  /** The most at any place: all are drawn to it. */
  readonly mostKgM2: number;
}

/** What is held at one place, month by month: dry filled, damp framed. */
function Place({ place, mostKgM2 }: PlaceProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const high = (kgM2: number): number => (mostKgM2 > 0 ? (kgM2 / mostKgM2) * (HIGH - 2) : 0);
  const at = (month: number): number => month * (2 * BAR + GAP);
  const width = at(MONTHS.length);
  const shown = (kgM2: number): string => figureWithUnit(kgM2, 'massPerArea', units);
  return (
    <View style={styles.place}>
      <Text look="small">
        {placeName(place)}: at most {shown(place.peakKgM2)}
      </Text>
      <View style={styles.chart}>
        <Svg
          width="100%"
          height={HIGH}
          viewBox={`0 0 ${width} ${HIGH}`}
          preserveAspectRatio="none"
          role="img"
          aria-label={`${placeName(place)}, January to December, dry: ${place.dryKgM2.map((each) => decimals(each, 2)).join(', ')} kg/m²; damp: ${place.dampKgM2.map((each) => decimals(each, 2)).join(', ')} kg/m²`}
        >
          {MONTHS.map((_, month) => {
            const [dry, damp] = [high(place.dryKgM2[month] ?? 0), high(place.dampKgM2[month] ?? 0)];
            return (
              <G key={month}>
                <Rect x={at(month)} y={HIGH - dry} width={BAR} height={dry} fill={palette.lake} />
                <Rect
                  x={at(month) + BAR + 1}
                  y={HIGH - damp}
                  width={BAR - 2}
                  height={damp}
                  fill={palette.card}
                  stroke={palette.lake}
                  strokeWidth={1.5}
                />
              </G>
            );
          })}
        </Svg>
      </View>
      <View style={styles.months}>
        {MONTHS.map((letter, month) => (
          <Text key={month} look="small" tone="soft" style={styles.month}>
            {letter}
          </Text>
        ))}
      </View>
    </View>
  );
}

function answerOf({ dries, peakKgM2 }: Figures, shown: (kgM2: number) => string): string {
  if (!dries) return `Water gathers and does not dry within the year: it adds up.`;
  if (peakKgM2 === 0) return 'No water gathers between its layers.';
  return `Up to ${shown(peakKgM2)} of water gathers in winter, and dries within the year.`;
}

interface MoistureCardProps {
  readonly house: HouseBody & { readonly id: string };
  readonly area: AreaInHand;
  /** Called with what becomes of the spots that were opened. */
  readonly onSpots: (next: NextSpots, stage?: EntryStage) => void;
}

/** Whether water gathers in a build-up over a year, and whether the way in which it is kept dry holds together. */
export function MoistureCard({ house, area, onSpots }: MoistureCardProps) {
  const { units } = usePreferences();
  const router = useRouter();
  const months = useMemo(() => yearOf(house), [house]);
  const { filmConvention } = house;
  const asked = useQuiet(area, QUIET_MS);
  const moisture = useMemo(() => {
    if (months === null) return null;
    try {
      return moistureOf(asked.buildUp, { filmConvention, heatFlow: heatFlowOf(asked.kind) }, months);
    } catch (error) {
      if (error instanceof Refusal) return null;
      throw error;
    }
  }, [months, asked, filmConvention]);
  const shown = (kgM2: number): string => figureWithUnit(kgM2, 'massPerArea', units);
  if (area.kind === 'opening') return null;
  return (
    <Card title="Does it stay dry">
      {months === null && (
        <>
          <Text tone="soft">
            Say in which climate the house stands, and the year of this build-up is worked out.
          </Text>
          <Button
            label="Choose the climate"
            onPress={() =>
              router.navigate({ pathname: '/houses/[houseId]/worth', params: { houseId: house.id } })
            }
          />
        </>
      )}
      {moisture?.state === 'unknown' && (
        <Text tone="soft">
          How tight to vapour is: {moisture.layers.join(', ')}? Choose the material of each, or enter its sd.
        </Text>
      )}
      {moisture?.state === 'too-little' && <Text tone="soft">One thin layer holds no water within.</Text>}
      {moisture?.state === 'figures' && (
        <>
          <Text
            look="strong"
            tone={!moisture.dries ? 'ember' : moisture.peakKgM2 > MUCH_WATER_KGM2 ? 'straw' : undefined}
            role="status"
          >
            {answerOf(moisture, shown)}
            {moisture.peakKgM2 > MUCH_WATER_KGM2 ? ` More than ${shown(MUCH_WATER_KGM2)} is much.` : ''}
          </Text>
          <Text>{schoolSentence(moisture.plan, moisture.parts)}</Text>
          {moisture.plan.findings.map(({ rule, message, severity, layer }) => (
            <Text key={`${rule} ${layer}`} tone={severity === 'fail' ? 'ember' : 'straw'}>
              {layer === undefined ? '' : `${moisture.parts[layer] ?? ''}: `}
              {message}
            </Text>
          ))}
          {moisture.held.map((place) => (
            <Place
              key={placeName(place)}
              place={place}
              mostKgM2={Math.max(...moisture.held.map(({ peakKgM2 }) => peakKgM2))}
            />
          ))}
          {moisture.held.length > 0 && (
            <Text look="small" tone="soft">
              Held at the end of each month: filled with layers as dry as they come, framed as damp.
            </Text>
          )}
        </>
      )}
      <OpenedSpots area={area} moisture={moisture} onChange={onSpots} />
      <Text look="small" tone="soft" role="note">
        {SCREENING} Rain and air leaks are left out, and they wet more walls than this does.
      </Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  place: { gap: 2 },
  chart: { height: HIGH },
  months: { flexDirection: 'row' },
  month: { flex: 1, textAlign: 'left' },
});
