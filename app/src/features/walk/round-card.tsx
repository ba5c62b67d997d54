import type { Walk } from '@calvet/contract/walk/generate-walk';
import { PHASE_WORDS, type Phase } from '@calvet/contract/plan/own-checkpoint';
import { partOf, phasesIn, subjectsLeft } from '@calvet/contract/walk/round';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import type { HouseView } from '../../data/as-drawn';
import { space } from '../../ui/tokens';
import { useCatalogue } from '../stops/use-catalogue';
import { counted } from '../stops/words';
import { partName } from './place-list';
import type { Walking } from './use-walking';

const ALL = 'all';

/** What follows from the walk, or lies beside it. */
const WAYS = [
  { label: 'Mends', pathname: '/houses/[houseId]/mends' },
  { label: 'Air barrier', pathname: '/houses/[houseId]/continuity' },
  { label: 'Stops and checkpoints', pathname: '/houses/[houseId]/stops' },
] as const;

interface RoundCardProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly walking: Walking;
}

/** What is looked at on this round: the phase of this part of the house, and one kind of work alone. */
export function RoundCard({ view, walk, walking }: RoundCardProps) {
  const router = useRouter();
  const { words } = useCatalogue();
  const { stop, round, looks, choosePhase, chooseSubject } = walking;
  const part = partOf(stop);
  const phases = phasesIn(walk.stops, part);
  const left = subjectsLeft(walk.stops, round, looks);
  const subjects = [...new Set([...left.keys(), ...(round.subject === null ? [] : [round.subject])])];
  return (
    <Card title="This round">
      {phases.length > 0 && (
        <Labelled label={`${partName(view, part)}: when`}>
          <Choice
            label="When"
            options={phases.map((value) => ({ value, label: PHASE_WORDS[value] }))}
            value={round.phases.get(part) ?? null}
            onChange={(phase: Phase) => choosePhase(part, phase)}
          />
        </Labelled>
      )}
      <Labelled label="Take one thing round the house">
        <Choice<string>
          label="What"
          options={[
            { value: ALL, label: 'Everything' },
            ...subjects.map((value) => ({
              value,
              label: `${words?.subject[value] ?? '…'} · ${left.get(value) ?? 0}`,
            })),
          ]}
          value={round.subject ?? ALL}
          onChange={(value) => chooseSubject(subjects.find((each) => each === value) ?? null)}
        />
      </Labelled>
      {(walking.photosLeft > 0 || walking.isByPhoto) && (
        <Button
          icon="image-multiple-outline"
          label={
            walking.isByPhoto
              ? 'Back to the walk'
              : `Judge by photo: ${counted(walking.photosLeft, 'place')} without a verdict`
          }
          onPress={() => walking.judgeByPhoto(!walking.isByPhoto)}
        />
      )}
      <View style={styles.ways}>
        {WAYS.map(({ label, pathname }) => (
          <Button
            key={label}
            label={label}
            onPress={() => router.navigate({ pathname, params: { houseId: view.house.id } })}
          />
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ ways: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
