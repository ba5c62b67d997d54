import type { Checkpoint } from '@calvet/contract/catalogue/catalogue';
import type { Standing } from '@calvet/contract/walk/standing-verdicts';
import {
  VERDICT_NOTE_MAX,
  VERDICT_WORDS,
  type Verdict,
  type VerdictValue,
} from '@calvet/contract/walk/verdict';
import { StyleSheet, View } from 'react-native';
import { useKeep } from '../../data/use-keep';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, TextField } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const VALUES = optionsOf(VERDICT_WORDS);

/** In what it fails, of what the catalogue offers and what was said before, and a note. */
function MendFields({ verdict, fails }: { readonly verdict: Verdict; readonly fails: readonly string[] }) {
  const keep = useKeep('verdict', verdict);
  const said = verdict.reasons.map(({ name }) => name);
  const offered = [...new Set([...fails, ...said])].map((name) => ({ value: name, label: name }));
  return (
    <>
      {offered.length > 0 && (
        <Labelled label="How it fails">
          <ManyChoice
            label="How it fails"
            options={offered}
            values={said}
            onChange={(names) => keep({ reasons: names.map((name) => ({ name })) })}
          />
        </Labelled>
      )}
      <TextField
        label="Note"
        multiline
        maxLength={VERDICT_NOTE_MAX}
        value={verdict.note ?? ''}
        onChange={(text) => keep({ note: text === '' ? null : text })}
      />
    </>
  );
}

interface VerdictFieldsProps {
  readonly standing: Standing | undefined;
  /** As the catalogue has it; undefined of one that was added to this house. */
  readonly checkpoint: Checkpoint | undefined;
  readonly onGive: (value: VerdictValue) => void;
}

/** What was found at a checkpoint: one tap says it; what is to be mended is told beside. */
export function VerdictFields({ standing, checkpoint, onGive }: VerdictFieldsProps) {
  const counts = standing?.counts;
  return (
    <View style={styles.fields}>
      <Labelled label="What you found">
        <Choice label="What you found" options={VALUES} value={counts?.value ?? null} onChange={onGive} />
      </Labelled>
      {standing !== undefined && standing.beside.length > 0 && (
        <Text tone="straw" role="status">
          {[standing.counts, ...standing.beside]
            .map(
              ({ value, updatedBy }) =>
                `${VERDICT_WORDS[value]}${updatedBy === '' ? '' : ` by ${updatedBy}`}`,
            )
            .join(' · ')}
          : said without knowing of each other. The first counts until somebody looks again.
        </Text>
      )}
      {counts?.value === 'mend' && (
        <MendFields key={counts.id} verdict={counts} fails={checkpoint?.fails ?? []} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({ fields: { gap: space.m } });
