import { StyleSheet, View } from 'react-native';
import { Card } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import type { Figures } from '@calvet/contract/airtightness/target-figure';
import { DIRECTION_WORDS } from './words';

/** Very tight houses need planned ventilation: from here on it is said. */
const PLANNED_VENTILATION_N50 = 1.5;

/** What the standard has to say about a test, in plain words. */
export function FindingsCard({ figures: { fit, findings } }: { readonly figures: Figures }) {
  const failed = findings.filter(({ severity }) => severity === 'fail').length;
  const title =
    failed > 0
      ? `${failed} ${failed === 1 ? 'thing makes' : 'things make'} the test not valid`
      : findings.length > 0
        ? 'Valid, with care'
        : 'Valid: nothing to object to';
  return (
    <Card title={title}>
      {findings.map(({ rule, severity, message, run, reading }) => (
        <View key={`${rule} ${run ?? ''} ${reading ?? ''}`} style={styles.finding}>
          <View style={styles.mark}>
            <LineMark mark={severity === 'fail' ? 'broken' : 'half'} width={34} />
          </View>
          <Text style={styles.text}>
            {run !== undefined &&
              fit.runs.length > 1 &&
              `${DIRECTION_WORDS[fit.runs[run]?.direction ?? 'depressurise']}: `}
            {message}
          </Text>
        </View>
      ))}
      {fit.result.n50PerHour < PLANNED_VENTILATION_N50 && (
        <Text look="small" tone="soft">
          A house this tight needs planned ventilation; combustion appliances must not draw on indoor air.
          Local code and licensed trades decide.
        </Text>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  finding: { flexDirection: 'row', gap: space.m },
  mark: { paddingTop: 7 },
  text: { flex: 1 },
});
