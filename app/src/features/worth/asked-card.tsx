import { heatTermFields, GRADE_WORD, type KindTerm } from '@calvet/contract/house/heat-terms';
import type { House } from '@calvet/contract/house/house';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { GivenField, Labelled, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const USES = optionsOf(AREA_WORDS);
const GRADES = optionsOf(GRADE_WORD);
const AS = [
  { value: 'u', label: 'U' },
  { value: 'r', label: 'R' },
] as const;
const member = heatTermFields.requirements.item.members;

interface TermProps {
  readonly term: KindTerm;
  readonly onChange: (term: KindTerm, stage?: EntryStage) => void;
  readonly onRemove: () => void;
}

/** What is asked of one kind of area. */
function Term({ term, onChange, onRemove }: TermProps) {
  const { use, leastRsi, greatestUValue } = term;
  const name = AREA_WORDS[use];
  const isR = leastRsi !== null;
  return (
    <View style={styles.term} role="group" aria-label={`Asked of: ${name}`}>
      <View style={styles.field}>
        {isR ? (
          <GivenField
            label={`${name}, at least`}
            quantity="resistance"
            value={leastRsi}
            bounds={member.leastRsi.bounds}
            onFigure={(si, stage) => onChange({ ...term, leastRsi: si }, stage)}
          />
        ) : (
          <GivenField
            label={`${name}, at most`}
            quantity="transmittance"
            value={greatestUValue}
            bounds={member.greatestUValue.bounds}
            onFigure={(si, stage) => onChange({ ...term, greatestUValue: si }, stage)}
          />
        )}
      </View>
      <Choice
        label={`How it is asked of: ${name}`}
        options={AS}
        value={isR ? 'r' : 'u'}
        onChange={(as) => {
          // Asked in the other way, it asks for the same.
          if (as === 'r' && greatestUValue !== null)
            onChange({ ...term, leastRsi: 1 / greatestUValue, greatestUValue: null });
          if (as === 'u' && leastRsi !== null)
            onChange({ ...term, greatestUValue: 1 / leastRsi, leastRsi: null });
        }}
      />
      <Button
        kind="quiet"
        iconOnly
        icon="trash-can-outline"
        label={`Ask nothing of: ${name}`}
        onPress={onRemove}
      />
    </View>
  );
}

const USUAL_U = 0.25;

/** What is asked of the insulation of a house. */
export function AskedCard({ house }: { readonly house: House }) {
  const keep = useKeep('house', house);
  const { requirements, greatestHeatLossWK, leastGrade } = house;
  const set = (next: readonly KindTerm[], stage?: EntryStage): void => keep({ requirements: next }, stage);
  const taken = new Set(requirements.map(({ use }) => use));
  const free = USES.filter(({ value }) => !taken.has(value));
  return (
    <Card title="What is asked of it">
      <Text look="small" tone="soft">
        As your project or its local code asks it: Calvet knows no code.
      </Text>
      {requirements.map((term) => (
        <Term
          key={term.id}
          term={term}
          onChange={(next, stage) =>
            set(
              requirements.map((each) => (each.id === next.id ? next : each)),
              stage,
            )
          }
          onRemove={() => set(requirements.filter(({ id }) => id !== term.id))}
        />
      ))}
      <Labelled label={requirements.length === 0 ? 'Ask something of' : 'Ask something more of'}>
        <Choice
          label="Ask something of"
          options={free}
          value={null}
          onChange={(use) =>
            set([...requirements, { id: v7(), use, leastRsi: null, greatestUValue: USUAL_U }])
          }
        />
      </Labelled>
      <NumberField
        label="Heat loss of the house, at most"
        quantity="heatLoss"
        value={greatestHeatLossWK}
        bounds={heatTermFields.greatestHeatLossWK.bounds}
        onCommit={(si, stage) => keep({ greatestHeatLossWK: si }, stage)}
      />
      <Labelled label="Least grade of the work, everywhere">
        <Choice
          label="Least grade of the work"
          options={GRADES}
          value={leastGrade}
          onChange={(grade) => keep({ leastGrade: leastGrade === grade ? null : grade })}
        />
      </Labelled>
    </Card>
  );
}

const styles = StyleSheet.create({
  term: { flexDirection: 'row', alignItems: 'flex-end', gap: space.s, flexWrap: 'wrap' },
  field: { flexGrow: 1, flexBasis: 140 },
});
