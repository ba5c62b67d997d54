import { workName } from '@calvet/contract/plan/work';
import type { Look } from '@calvet/contract/walk/looks';
import { LOOKED_WORDS, VERDICT_WORDS, type Verdict } from '@calvet/contract/walk/verdict';
import { Text } from '../../ui/text';
import { weekday } from '../calendar/work-words';

/** A verdict with its day and whoever gave it. */
const saidBy = ({ value, seenOn, looked, updatedBy }: Verdict): string =>
  [
    VERDICT_WORDS[value],
    weekday(seenOn),
    ...(looked === 'onSite' ? [] : [LOOKED_WORDS[looked].toLowerCase()]),
    ...(updatedBy === '' ? [] : [`by ${updatedBy}`]),
  ].join(', ');

/** How it stands with a checkpoint in whole sentences: what was said, by whom, and what happened since. */
export function LookSaid({ look }: { readonly look: Look | undefined }) {
  const { state, standing, work } = look ?? {};
  const name = work == null ? 'What hides it' : `“${workName(work)}”`;
  const begun = work?.begunOn == null ? '' : ` on ${weekday(work.begunOn)}`;
  return (
    <>
      {standing !== undefined && (
        <Text look="small" tone="soft">
          {saidBy(standing.counts)}
        </Text>
      )}
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
      {state === 'again' && (
        <Text tone="straw" role="status">
          {name} began{begun}, after it was good: look again. Both stay in the record.
        </Text>
      )}
      {state === 'covered' && (
        <Text tone="straw" role="status">
          {name} began{begun} before anybody looked: covered unseen, and never good. It counts once it is
          opened up.
        </Text>
      )}
    </>
  );
}
