import { BATCH_BYTES_MAX, BATCH_MAX } from '@calvet/contract/changes/change';
import { referencesOf } from '@calvet/contract/changes/references';
import type { Pending, Waiting } from './outbox-rules';

/** What holds a house's changes up for a while, and how many may go at once. */
export interface LedgerLimit {
  /** At most so many changes a batch: fewer after one was too large, or met a fault. */
  readonly changes: number;
  /** Not before this time, milliseconds since 1970. */
  readonly notBefore: number;
  /** How often in a row its batch met a fault of the server. */
  readonly faults: number;
}

export const FREE: LedgerLimit = { changes: BATCH_MAX, notBefore: 0, faults: 0 };

const bytesOf = ({ change }: Pending): number => new TextEncoder().encode(JSON.stringify(change)).length;

/** As many as fit, and one at least. */
function fitting(waiting: readonly Pending[], most: number): readonly Pending[] {
  let bytes = 0;
  const batch: Pending[] = [];
  for (const each of waiting.slice(0, most)) {
    bytes += bytesOf(each);
    if (batch.length > 0 && bytes > BATCH_BYTES_MAX) break;
    batch.push(each);
  }
  return batch;
}

/** Records that the server does not have, since it refused to make them: what belongs to them waits for that to be put right. */
function recordsRefused({ troubled }: Waiting): ReadonlySet<string> {
  return new Set(
    troubled.flatMap(({ change, trouble }) =>
      change.op === 'create' && trouble.kind === 'refused' ? [change.id] : [],
    ),
  );
}

/** Records of which something waits until the server is brought up to date: all that was entered of them waits with it. */
function recordsTooNew({ pending }: Waiting): ReadonlySet<string> {
  return new Set(pending.flatMap(({ isTooNew, change }) => (isTooNew === true ? [change.id] : [])));
}

const pointsInto = ({ change }: Pending, records: ReadonlySet<string>): boolean =>
  referencesOf(change).some(({ id }) => records.has(id));

/**
 * What is to be sent next: of the first house that nothing holds up, in order. Empty where there is nothing to send now.
 * @param tooNewUntil until then, what the server does not know yet is not tried again; milliseconds since 1970
 */
export function nextBatch(
  state: Waiting,
  limits: ReadonlyMap<string, LedgerLimit>,
  now: number,
  tooNewUntil = 0,
): readonly Pending[] {
  const refused = recordsRefused(state);
  const tooNew = now < tooNewUntil ? recordsTooNew(state) : new Set<string>();
  const isHeld = (each: Pending): boolean =>
    tooNew.has(each.change.id) || pointsInto(each, tooNew) || pointsInto(each, refused);
  const ledgers = new Set(state.pending.map(({ ledgerId }) => ledgerId));
  for (const ledgerId of ledgers) {
    const { notBefore, changes } = limits.get(ledgerId) ?? FREE;
    if (notBefore > now || tooNew.has(ledgerId)) continue;
    const ofLedger = state.pending.filter((each) => each.ledgerId === ledgerId && !isHeld(each));
    if (ofLedger.length === 0) continue;
    const isNew = ofLedger.some(({ change }) => change.id === ledgerId && change.op === 'create');
    if (!isNew && refused.has(ledgerId)) continue;
    return fitting(ofLedger, changes);
  }
  return [];
}

/** When the first of what is held up may go on; null where nothing is. */
export function nextRelease(
  state: Waiting,
  limits: ReadonlyMap<string, LedgerLimit>,
  now: number,
  tooNewUntil = 0,
): number | null {
  const times = state.pending.flatMap(({ ledgerId, isTooNew }) => {
    const notBefore = Math.max(limits.get(ledgerId)?.notBefore ?? 0, isTooNew === true ? tooNewUntil : 0);
    return notBefore > now ? [notBefore] : [];
  });
  return times.length === 0 ? null : Math.min(...times);
}
