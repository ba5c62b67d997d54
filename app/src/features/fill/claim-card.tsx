import { area as areaKind, CLAIMED_BY_WORDS, isJudged, type Area } from '@calvet/contract/installation/area';
import { gradedLayerOf, type AreaFigures } from '@calvet/contract/installation/area-figures';
import { claimSteps, type ClaimStep, type ClaimStepName } from '@calvet/contract/installation/claim';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import type { Keep } from '../../data/use-keep';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import { figure, MINUS } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const CLAIMANTS = optionsOf(CLAIMED_BY_WORDS);

/** What each value stands for, and what takes from it against the one before. */
const WORDS: Readonly<Record<ClaimStepName, readonly [value: string, because: string]>> = {
  claimed: ['said', ''],
  labelled: ['labels', 'more is said than the labels come to'],
  inPlace: ['as it lies in', 'pressed fills and gaps'],
  framed: ['framed', 'the frame'],
  fixed: ['with fixings', 'fixings through it'],
  built: ['built', 'the grade of the work'],
};

function because({ name, lostRsi }: ClaimStep): string {
  if (name === 'labelled' && lostRsi < 0) return 'less is said than the labels come to';
  return WORDS[name][1];
}

interface ClaimCardProps {
  readonly area: Area;
  readonly figures: Extract<AreaFigures, { readonly state: 'figures' }>;
  /** Takes fields of the area. */
  readonly keep: Keep<'area'>;
}

/** What somebody says an area is worth, and by what it falls from there to what was built. */
export function ClaimCard({ area, figures, keep }: ClaimCardProps) {
  const { units } = usePreferences();
  const isKnown = isJudged(area) || gradedLayerOf(area.buildUp) === null;
  const steps = claimSteps(area, figures, isKnown);
  const shown = (rsi: number): string => figure(rsi, 'resistance', units);
  return (
    <Card title="What is said of it">
      <NumberField
        label="R that is claimed"
        quantity="resistance"
        value={area.claimedRsi}
        bounds={areaKind.fields.claimedRsi.bounds}
        hint="Of the whole area, surfaces included"
        onCommit={(claimedRsi, stage) => keep({ claimedRsi }, stage)}
      />
      {area.claimedRsi !== null && (
        <>
          <Labelled label="Claimed by">
            <Choice
              label="Claimed by"
              options={CLAIMANTS}
              value={area.claimedBy}
              onChange={(claimedBy) =>
                keep((now) => ({ claimedBy: now.claimedBy === claimedBy ? null : claimedBy }))
              }
            />
          </Labelled>
          <View style={styles.steps} role="list" aria-label="From what is said to what was built">
            {steps.map((step) => (
              <View key={step.name} style={styles.step} role="listitem">
                <Text style={styles.name}>{WORDS[step.name][0]}</Text>
                <Text look="figureStrong" style={styles.value}>
                  {shown(step.effectiveRsi)}
                </Text>
                <Text look="small" tone="soft" style={styles.why}>
                  {Math.abs(step.lostRsi) < 5e-4
                    ? ''
                    : `${step.lostRsi > 0 ? MINUS : '+'}${shown(Math.abs(step.lostRsi))} ${because(step)}`}
                </Text>
              </View>
            ))}
          </View>
          {!isKnown && (
            <Text look="small" tone="straw">
              Not graded yet: what the work takes from it is not known.
            </Text>
          )}
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  steps: { gap: space.xs },
  step: { flexDirection: 'row', alignItems: 'baseline', gap: space.s, flexWrap: 'wrap' },
  name: { width: 92 },
  value: { width: 58, textAlign: 'right' },
  why: { flex: 1, minWidth: 120 },
});
