import type { House } from '@calvet/contract/house/house';
import type { Figures } from '@calvet/contract/airtightness/target-figure';
import { relativeInterval } from '@calvet/core/airtightness/confidence-band';
import { t95 } from '@calvet/core/airtightness/student-t';
import { unitOf, type Quantity } from '@calvet/core/units/quantity';
import type { RelativeInterval } from '@calvet/core/airtightness/estimate';
import type { RunResult } from '@calvet/core/airtightness/run';
import type { TargetQuantity } from '@calvet/core/airtightness/budget';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Card, Rule } from '../../ui/card';
import { decimals, figure } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { DIRECTION_WORDS, targetWords } from './words';

interface ItemProps {
  readonly label: string;
  readonly value: string;
  readonly interval?: string;
  readonly testID?: string;
}

function Item({ label, value, interval, testID }: ItemProps) {
  return (
    <View style={styles.item}>
      <Text look="small" tone="soft">
        {label}
      </Text>
      <Text look="figureStrong" testID={testID}>
        {value}
      </Text>
      {interval !== undefined && (
        <Text look="small" tone="soft">
          {interval}
        </Text>
      )}
    </View>
  );
}

function RunFigures({ run }: { readonly run: RunResult }) {
  const { units } = usePreferences();
  const atOnePascal = relativeInterval([run], 1);
  const reach = t95(run.degreesOfFreedom) * run.exponentStandardError;
  return (
    <>
      <Rule />
      <Text look="strong">{DIRECTION_WORDS[run.direction]}</Text>
      <View style={styles.grid}>
        <Item label="n" value={`${decimals(run.exponent, 3)}`} interval={`± ${decimals(reach, 3)}`} />
        <Item
          label={`C, ${unitOf('flow', units).symbol}/Paⁿ`}
          value={figure(run.coefficientM3hPaN, 'flow', units, 1)}
          interval={`${figure(run.coefficientM3hPaN * atOnePascal.low, 'flow', units, 1)} to ${figure(run.coefficientM3hPaN * atOnePascal.high, 'flow', units, 1)}`}
        />
        <Item label="r²" value={decimals(run.rSquared, 4)} interval={`${run.readings.length} readings`} />
        <Item
          label="baseline, Pa"
          value={decimals((run.baselineBeforeMeanPa + run.baselineAfterMeanPa) / 2, 1)}
          interval={`${decimals(run.baselineBeforeMeanPa, 1)} before, ${decimals(run.baselineAfterMeanPa, 1)} after`}
        />
      </View>
    </>
  );
}

interface FiguresGridProps {
  readonly house: House;
  readonly figures: Figures;
}

/** Every figure of a test with its 95 % interval. */
export function FiguresGrid({ house, figures: { fit, budget } }: FiguresGridProps) {
  const { units } = usePreferences();
  const { result } = fit;
  const at50 = relativeInterval(fit.runs, 50);
  const flow = unitOf('flow', units).symbol;
  const hole = unitOf('leakArea', units).symbol;
  const labelOf = (target: TargetQuantity) => targetWords(target, units).label;
  const spread = (si: number, quantity: Quantity, { low, high }: RelativeInterval) =>
    `${figure(si * low, quantity, units)} to ${figure(si * high, quantity, units)}`;
  return (
    <Card title="Figures">
      <View style={styles.grid}>
        <Item
          label={labelOf('q50')}
          value={figure(result.q50M3h, 'flow', units)}
          interval={spread(result.q50M3h, 'flow', at50)}
          testID="q50"
        />
        <Item
          label={labelOf('n50')}
          value={figure(result.n50PerHour, 'airChange', units)}
          interval={spread(result.n50PerHour, 'airChange', at50)}
          testID="n50"
        />
        <Item
          label={labelOf('qE50')}
          value={figure(result.qE50M3hM2, 'flowPerArea', units)}
          interval={spread(result.qE50M3hM2, 'flowPerArea', at50)}
          testID="qE50"
        />
        <Item
          label={labelOf('qF50')}
          value={figure(result.qF50M3hM2, 'flowPerArea', units)}
          interval={spread(result.qF50M3hM2, 'flowPerArea', at50)}
          testID="qF50"
        />
        <Item
          label={`hole, EqLA at 10 Pa, ${hole}`}
          value={figure(result.eqLA10M2, 'leakArea', units)}
          interval={spread(result.eqLA10M2, 'leakArea', relativeInterval(fit.runs, 10))}
          testID="eqLA10"
        />
        <Item
          label={`hole, ELA at 4 Pa, ${hole}`}
          value={figure(result.ela4M2, 'leakArea', units)}
          interval={spread(result.ela4M2, 'leakArea', relativeInterval(fit.runs, 4))}
          testID="ela4"
        />
        {budget.verdict === 'fail' ? (
          <Item
            label={`left to close, ${hole}`}
            value={figure(budget.holeAreaM2, 'leakArea', units)}
            interval={`${figure(budget.excessM3h, 'flow', units)} ${flow} too much`}
          />
        ) : (
          <Item label={`room to the limit, ${flow}`} value={figure(-budget.excessM3h, 'flow', units)} />
        )}
      </View>
      {fit.runs.map((run) => (
        <RunFigures key={run.direction} run={run} />
      ))}
      <Text look="small" tone="soft">
        Intervals at 95 %, of the fit. Reference conditions by{' '}
        {house.referenceMethod === 'iso9972' ? 'ISO 9972' : 'ASTM E779'}: 20 °C, 101 325 Pa.
      </Text>
    </Card>
  );
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', rowGap: space.m, columnGap: space.l },
  item: { flexGrow: 1, flexBasis: 140, gap: 1 },
});
