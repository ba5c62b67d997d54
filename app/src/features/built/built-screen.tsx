import { planToBe } from '@calvet/contract/plan/item-key';
import { AIR_BARRIER_WORDS, type AirBarrier } from '@calvet/contract/plan/schools';
import { STARTING_SETS } from '@calvet/contract/plan/starting-sets';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useWalk } from '../../compute/use-walk';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { optionsOf } from '../../ui/choice';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { Screen } from '../shell/screen';
import { NoWalk } from '../stops/no-walk';
import { BuiltOtherwise } from './built-otherwise';
import { FeaturesPanel } from './features-panel';
import { HoleRulesCard } from './hole-rules-card';
import { InsulationField, SchoolFields } from './school-fields';

const SETS = optionsOf(AIR_BARRIER_WORDS);

/** How a house is built and what it has: what calls for its checkpoints. */
export function BuiltScreen({ view }: { readonly view: HouseView }) {
  const router = useRouter();
  const { house } = view;
  const plan = view.plans[0] ?? planToBe(house.id);
  const keep = useKeep('plan', plan);
  const note = useNote();
  const { walk: known } = useWalk(view);
  const walk = known?.state === 'walked' ? known : undefined;
  const { schools, insulationAbove, insulationBelow } = plan;
  const begin = (barrier: AirBarrier): void => {
    const before = { schools, insulationAbove, insulationBelow };
    keep(STARTING_SETS[barrier]);
    note({
      text: `Begun with ${AIR_BARRIER_WORDS[barrier].toLowerCase()}; change what differs.`,
      undo: () => keep(before),
    });
  };
  const frame = {
    name: house.name,
    detail: 'How it is built',
    back: { pathname: '/houses/[houseId]', params: { houseId: house.id } },
    backLabel: 'Back to the house',
  } as const;
  if (view.storeys.length === 0) {
    return (
      <Screen {...frame}>
        <NoWalk
          houseId={house.id}
          text="What is built how is said of what is drawn: its walls, its roofs, its floors."
        />
      </Screen>
    );
  }
  return (
    <Screen
      {...frame}
      footer={
        <Button
          kind="main"
          grow
          icon="format-list-checks"
          label="What to look at"
          onPress={() =>
            router.navigate({ pathname: '/houses/[houseId]/stops', params: { houseId: house.id } })
          }
        />
      }
    >
      <Text look="answer" level={2}>
        {schools.airBarrier === null
          ? 'Say first where the air barrier is'
          : `The air barrier: ${AIR_BARRIER_WORDS[schools.airBarrier].toLowerCase()}`}
      </Text>
      {walk?.contradictions.map(({ id, text }) => (
        <Text key={`${id} ${text}`} tone="straw" role="status">
          {text}
        </Text>
      ))}
      {schools.airBarrier === null && (
        <Card title="Begin with">
          <Text look="small" tone="soft">
            Each sets all below at once; change what differs.
          </Text>
          <View style={styles.sets}>
            {SETS.map(({ value, label }) => (
              <Button key={value} label={label} onPress={() => begin(value)} />
            ))}
          </View>
        </Card>
      )}
      <Card title="All of the house">
        <SchoolFields
          schools={schools}
          onChange={(more) => keep(({ schools: now }) => ({ schools: { ...now, ...more } }))}
        />
        <InsulationField
          label="Insulation of ceilings and roofs"
          none="as the walls"
          value={insulationAbove}
          onChange={(next) => keep({ insulationAbove: next })}
        />
        <InsulationField
          label="Insulation of floors"
          none="as the walls"
          value={insulationBelow}
          onChange={(next) => keep({ insulationBelow: next })}
        />
      </Card>
      <BuiltOtherwise view={view} plan={plan} />
      <FeaturesPanel view={view} walk={walk} />
      <HoleRulesCard view={view} />
    </Screen>
  );
}

const styles = StyleSheet.create({ sets: { gap: space.s } });
