import { STAGE_WORDS } from '@calvet/contract/airtightness/airtightness-test';
import type { House } from '@calvet/contract/house/house';
import type { HouseSummary } from '@calvet/contract/house/house-summary';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { day, figure, resistance } from '../../ui/format';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { rem, space } from '../../ui/tokens';
import { NotTested, Verdict } from '../door-test/verdict';
import { targetWords } from '../door-test/words';
import { reservationOn } from '../fill/envelope-words';

interface HouseRowProps {
  readonly house: House;
  /** Undefined until the records of the house are here. */
  readonly summary: HouseSummary | undefined;
  readonly isChosen?: boolean;
  /** In the narrow list beside a house: the airtightness only. */
  readonly isCompact?: boolean;
}

function stageLine({ latest }: HouseSummary): string {
  return latest === null ? 'no door test yet' : `${STAGE_WORDS[latest.stage]} · ${day(latest.performedOn)}`;
}

/** One house of the list: its last figure against the target, and what its envelope is worth. */
export function HouseRow({ house, summary, isChosen = false, isCompact = false }: HouseRowProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { quantity, label } = targetWords(house.target.quantity, units);
  const tightness = summary?.tightness ?? null;
  const envelope = summary?.envelope.built?.effectiveRsi ?? null;
  const reservation = summary === undefined ? null : reservationOn(summary.envelope);
  return (
    <LinkArea
      href={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      isHere={isChosen}
      style={(isHovered) => [
        styles.row,
        { backgroundColor: palette.card, borderColor: palette.line },
        (isHovered || isChosen) && { backgroundColor: palette.lakeTint },
        isChosen && { borderLeftColor: palette.lake, borderLeftWidth: 4 },
      ]}
    >
      <View style={styles.line}>
        <View style={styles.names}>
          <Text look="section" numberOfLines={1}>
            {house.name}
          </Text>
          <Text look="small" tone="soft" numberOfLines={1}>
            {summary === undefined ? ' ' : stageLine(summary)}
          </Text>
        </View>
        <View style={styles.figure}>
          <Text look="figureStrong" style={styles.big}>
            {tightness === null
              ? summary === undefined
                ? ' '
                : '–'
              : figure(tightness.value, quantity, units)}
          </Text>
          <Text look="small" tone="soft">
            {!isCompact && `${label}, `}limit {figure(house.target.limit, quantity, units)}
          </Text>
        </View>
      </View>
      <View style={[styles.line, styles.verdict]}>
        {summary !== undefined && tightness === null && <NotTested />}
        {tightness !== null && <Verdict verdict={tightness.verdict} />}
        {!isCompact && envelope !== null && (
          <Text look="figure" numberOfLines={1}>
            {resistance(envelope, units)}
          </Text>
        )}
      </View>
      {!isCompact && reservation !== null && (
        <Text look="small" tone="straw" style={styles.reservation}>
          {reservation}
        </Text>
      )}
    </LinkArea>
  );
}

const styles = StyleSheet.create({
  row: { borderWidth: 1, borderRadius: 4, padding: space.m, gap: space.s },
  verdict: { minHeight: 28 },
  reservation: { textAlign: 'right' },
  line: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'center',
    columnGap: space.m,
  },
  names: { flexGrow: 1, flexShrink: 1, flexBasis: 100, minWidth: 0 },
  figure: { alignItems: 'flex-end', maxWidth: '100%' },
  big: { fontSize: rem(26), lineHeight: rem(30) },
});
