import type { AreaFigures } from '@calvet/contract/installation/area-figures';
import { unitOf, type UnitSystem } from '@calvet/core/units/quantity';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { figure } from '../../ui/format';
import { Text } from '../../ui/text';
import { usePalette, usePageSize } from '../../ui/theme';
import { space } from '../../ui/tokens';

type Figures = Extract<AreaFigures, { state: 'figures' }>;

interface WorthBarsProps {
  readonly figures: Figures;
  readonly isGraded: boolean;
  readonly showU?: boolean;
}

/** R-values go without a unit where they are imperial. */
function unitWords(units: UnitSystem, showU: boolean): string {
  const shown = [
    ...(units === 'metric' ? [`R in ${unitOf('resistance', units).symbol}`] : []),
    ...(showU ? [`U in ${unitOf('transmittance', units).symbol}`] : []),
  ];
  return [...shown, 'films included'].join(', ');
}

/** What an area is worth, falling from its labels to its framing to the work as it was done. */
export function WorthBars({ figures, isGraded, showU = false }: WorthBarsProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { isNarrow } = usePageSize();
  const value = [styles.value, isNarrow && styles.valueNarrow];
  const rows = [
    { label: 'as labelled', worth: figures.labelled, colour: palette.line },
    { label: 'with framing', worth: figures.framed, colour: palette.unseen },
    { label: isGraded ? 'as built' : 'as built, not graded', worth: figures.built, colour: palette.lake },
  ];
  const longest = Math.max(...rows.map(({ worth }) => worth.effectiveRsi));
  return (
    <View style={styles.bars}>
      <View style={styles.row}>
        {!isNarrow && <View style={styles.label} />}
        <View style={styles.track} />
        <Text look="small" tone="soft" style={value}>
          R
        </Text>
        {showU && (
          <Text look="small" tone="soft" style={value}>
            U
          </Text>
        )}
      </View>
      {rows.map(({ label, worth, colour }, i) => {
        const dashed = i === 2 && !isGraded;
        return (
          <View key={label} style={[styles.row, isNarrow && styles.rowNarrow]}>
            <Text look="small" style={isNarrow ? styles.labelNarrow : styles.label}>
              {label}
            </Text>
            <View style={styles.track}>
              <View
                style={{
                  width: `${(100 * worth.effectiveRsi) / longest}%`,
                  height: 16,
                  backgroundColor: dashed ? 'transparent' : colour,
                  borderWidth: dashed ? 2 : 0,
                  borderStyle: 'dotted',
                  borderColor: palette.unseen,
                }}
              />
            </View>
            <Text look="figureStrong" style={value}>
              {figure(worth.effectiveRsi, 'resistance', units)}
            </Text>
            {showU && (
              <Text look="figure" style={value}>
                {figure(worth.uValue, 'transmittance', units)}
              </Text>
            )}
          </View>
        );
      })}
      <Text look="small" tone="soft">
        {unitWords(units, showU)}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  bars: { gap: 6 },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  rowNarrow: { flexWrap: 'wrap' },
  label: { width: 92 },
  labelNarrow: { width: '100%' },
  track: { flex: 1, minWidth: 16 },
  value: { width: 64, textAlign: 'right' },
  valueNarrow: { width: 54 },
});
