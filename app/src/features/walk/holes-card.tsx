import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import { workName } from '@calvet/contract/plan/work';
import type { HoleHere } from '@calvet/contract/walk/generate-walk';
import type { Penetration } from '@calvet/contract/walk/penetration';
import { HOLES_MAX } from '@calvet/contract/limits';
import { usePreferences } from '../../data/preferences';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { figureWithUnit } from '../../ui/format';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { askedWords, holeName, judgedWord, MARK_OF_JUDGED, sealWords } from './hole-words';
import type { Holes, JudgedHole } from './use-holes';

const HoleLine = memo(function HoleLine({
  judgedHole: { hole, judged, again },
  phase,
  onOpen,
}: {
  readonly judgedHole: JudgedHole;
  readonly phase: Phase;
  readonly onOpen: (id: string) => void;
}) {
  const { units } = usePreferences();
  const keep = useKeep('penetration', hole);
  const asked = askedWords(judged, phase);
  const name = holeName(hole);
  return (
    <View style={styles.line}>
      <Pressable
        role="button"
        aria-label={`${name}, ${judgedWord(judged)}`}
        onPress={() => onOpen(hole.id)}
        style={styles.whole}
      >
        <LineMark
          mark={again !== null && judged.verdict === 'fits' ? 'half' : MARK_OF_JUDGED[judged.verdict]}
          width={28}
        />
        <View style={styles.names}>
          <Text>{name}</Text>
          <Text look="small" tone="soft">
            {[
              ...(hole.gapMm === null ? [] : [figureWithUnit(hole.gapMm, 'gap', units)]),
              sealWords(hole) ?? 'nothing closes it',
            ].join(' · ')}
          </Text>
          {again !== null && (
            <Text look="small" tone="straw">
              “{workName(again)}” began since: look again
            </Text>
          )}
          {asked !== null && (
            <Text look="small" tone="straw">
              {asked}
            </Text>
          )}
        </View>
        <Text
          look="strong"
          tone={judged.verdict === 'wrong' ? 'ember' : judged.verdict === 'doubtful' ? 'straw' : undefined}
        >
          {judgedWord(judged)}
        </Text>
      </Pressable>
      <Button
        kind="quiet"
        label="+1"
        disabled={hole.count >= HOLES_MAX}
        onPress={() => keep(({ count }) => ({ count: Math.min(HOLES_MAX, count + 1) }))}
      />
    </View>
  );
});

function ToCome({ hole, onMake }: { readonly hole: HoleHere; readonly onMake: () => void }) {
  const { units } = usePreferences();
  return (
    <View style={styles.line}>
      <View style={styles.whole}>
        <LineMark mark="dotted" width={28} />
        <View style={styles.names}>
          <Text>{hole.count > 1 ? `${hole.count} × ${hole.name}` : hole.name}</Text>
          <Text look="small" tone="soft">
            {[
              'to come',
              ...(hole.widthM === null ? [] : [figureWithUnit(hole.widthM, 'thickness', units)]),
            ].join(' · ')}
          </Text>
        </View>
      </View>
      <Button label={`It is there: ${hole.name}`} onPress={onMake} />
    </View>
  );
}

interface HolesCardProps {
  readonly holes: Holes;
  readonly phase: Phase;
  readonly onOpen: (id: string) => void;
}

/** Holes through the envelope at one place: those to come, and those that are there with how they are closed. */
export function HolesCard({ holes, phase, onOpen: onOpenHole }: HolesCardProps) {
  const onOpen = useLatestCallback(onOpenHole);
  const { here, toCome, last } = holes;
  const count = here.reduce((sum, { hole }) => sum + hole.count, 0);
  const repeat = (): void => {
    holes.repeat();
  };
  if (here.length + toCome.length === 0 && last === null) return null;
  return (
    <Card title={count === 0 ? 'Holes' : `Holes · ${count}`}>
      {toCome.map((hole) => (
        <ToCome key={hole.key} hole={hole} onMake={() => onOpen(holes.make(hole))} />
      ))}
      {here.map((each: JudgedHole) => (
        <HoleLine key={each.hole.id} judgedHole={each} phase={phase} onOpen={onOpen} />
      ))}
      {last !== null && <Button icon="content-copy" label={`Again: ${repeated(last)}`} onPress={repeat} />}
    </Card>
  );
}

/** The last one as it would be repeated. */
const repeated = (last: Penetration): string =>
  [holeName({ ...last, count: 1 }), ...(sealWords(last) === null ? [] : [sealWords(last)])].join(', ');

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  whole: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 56,
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 200,
    minWidth: 0,
  },
  names: { flex: 1, minWidth: 0 },
});
