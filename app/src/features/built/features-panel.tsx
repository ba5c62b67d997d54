import { FEATURE_WORDS, newFeature, type Feature, type FeatureUse } from '@calvet/contract/plan/feature';
import { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { FoldLine } from '../../ui/fold-line';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { FEATURE_GROUPS, usualPart } from './feature-groups';
import { FeatureFields } from './feature-fields';
import { partNamed, partsOf } from './parts-of-house';

/** What a feature is called on this page: by itself, by what comes through, or by what it is. */
function nameOf({ name, use, what, count }: Feature): string {
  const word = name ?? (use === 'plannedService' && what !== null ? SERVICE_WORDS[what] : FEATURE_WORDS[use]);
  return count > 1 ? `${word}, ${count}` : word;
}

function FeatureSheet({
  onChoose,
  onClose,
}: {
  readonly onChoose: (use: FeatureUse) => void;
  readonly onClose: () => void;
}) {
  return (
    <Sheet title="What does the house have?" onClose={onClose}>
      {FEATURE_GROUPS.map(({ title, uses }) => (
        <View key={title} style={styles.group}>
          <Text look="small" tone="soft">
            {title}
          </Text>
          {uses.map((use) => (
            <Button key={use} label={FEATURE_WORDS[use]} onPress={() => onChoose(use)} />
          ))}
        </View>
      ))}
      <Button kind="quiet" label="Cancel" onPress={onClose} />
    </Sheet>
  );
}

interface FeaturesPanelProps {
  readonly view: HouseView;
  /** Undefined until it is known. */
  readonly walk: Walk | undefined;
}

/** What a house has beside what is drawn of it: each calls for a look of its own. */
export function FeaturesPanel({ view, walk }: FeaturesPanelProps) {
  const { createRecord } = useStore();
  const [open, setOpen] = useState<string | null>(null);
  const [isAdding, setAdding] = useState(false);
  const { house, features } = view;
  const add = (use: FeatureUse): void => {
    setAdding(false);
    const kind = usualPart(use);
    const part = partsOf(view).find((each) => each.kind === kind);
    setOpen(createRecord(house.id, 'feature', newFeature(use, part?.id ?? house.id)));
  };
  const drawn = walk?.features.filter(({ isDrawn }) => isDrawn) ?? [];
  return (
    <Card title="What it has">
      {features.map((feature) => {
        const name = nameOf(feature);
        const part = partNamed(view, feature.on);
        return (
          <View key={feature.id} style={styles.feature}>
            <Rule />
            <FoldLine
              label={`Change ${name}`}
              title={name}
              detail={part?.name ?? 'gone from the drawing: say where it is now'}
              isDoubtful={part === undefined}
              isOpen={open === feature.id}
              onToggle={() => setOpen(open === feature.id ? null : feature.id)}
            />
            {open === feature.id && <FeatureFields view={view} feature={feature} name={name} />}
          </View>
        );
      })}
      {features.length === 0 && (
        <Text tone="soft">
          A tub on an outer wall, a flue, inner walls that meet the envelope, a planned pipe: what is easily
          forgotten, and is hidden soon.
        </Text>
      )}
      <Button icon="plus" label="Add what it has" onPress={() => setAdding(true)} />
      {/* It comes later than the rest: above, it would move what somebody is about to press. */}
      {drawn.length > 0 && (
        <Text look="small" tone="soft">
          From the drawing: {[...new Set(drawn.map(({ name }) => name))].join(' · ')}
        </Text>
      )}
      {isAdding && <FeatureSheet onChoose={add} onClose={() => setAdding(false)} />}
    </Card>
  );
}

const styles = StyleSheet.create({ feature: { gap: space.s }, group: { gap: space.s } });
