import type { House } from '@calvet/contract/house/house';
import type { TestFigures } from '@calvet/contract/airtightness/test-figures';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { figure } from '../../ui/format';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { rem, space } from '../../ui/tokens';
import { targetFigure } from '@calvet/contract/airtightness/target-figure';
import { Verdict } from './verdict';
import { DIRECTED, targetWords } from './words';

interface AnswerLineProps {
  readonly house: House;
  readonly figures: TestFigures;
  readonly isCompact?: boolean;
}

/** The answer of a test, first on its page: the figure, its interval, the verdict; or what is still missing. */
export function AnswerLine({ house, figures, isCompact = false }: AnswerLineProps) {
  const { units } = usePreferences();
  const { quantity, label } = targetWords(house.target.quantity, units);
  if (figures.state !== 'figures') {
    const isRefused = figures.state === 'refused';
    return (
      <View style={styles.waiting} role="status">
        <LineMark mark={isRefused ? 'broken' : 'dotted'} />
        <Text look="strong" tone={isRefused ? 'ember' : 'ink'} style={styles.text}>
          {isRefused ? figures.refusal.message : figures.needs}
        </Text>
      </View>
    );
  }
  const { value, low95, high95, directions } = targetFigure(house, figures);
  const { verdict } = figures.budget;
  const shown = (si: number) => figure(si, quantity, units);
  return (
    <View style={styles.line} role="status">
      <View>
        <Text look="figureHuge" style={isCompact && styles.compact} testID="target-figure">
          {shown(value)}
        </Text>
        <Text look="small" tone="soft">
          {shown(low95)} to {shown(high95)}
        </Text>
      </View>
      <View style={styles.beside}>
        <Text look="strong">
          {label} · limit {shown(house.target.limit)}
        </Text>
        <Verdict verdict={verdict} />
        {!isCompact && directions.length > 0 && (
          <Text look="small" tone="soft" testID="both-directions">
            Mean of{' '}
            {directions.map((each) => `${shown(each.value)} ${DIRECTED[each.direction]}`).join(' and ')}
          </Text>
        )}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, flexWrap: 'wrap' },
  compact: { fontSize: rem(40), lineHeight: rem(44) },
  beside: { flexGrow: 1, flexShrink: 1, flexBasis: 180, gap: space.xs },
  waiting: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 52 },
  text: { flex: 1 },
});
