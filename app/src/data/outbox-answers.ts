import { cutAt, isEmptyChange, keysOf, type BodyChange } from '@calvet/contract/changes/parts';
import { fieldsOf, isKind, type KindedRecord } from '@calvet/contract/kinds';
import type { Change, ChangeOutcome } from '@calvet/contract/changes/change';
import {
  afterTaken,
  asList,
  bodyChangeOf,
  disputedKeys,
  intoDispute,
  isDisputeOver,
  isLater,
  isOfDeletedHouse,
  keysOfDispute,
  NO_CHANGE,
  replaced,
  shownOf,
  timesIn,
  withBodyChange,
  without,
  type Decision,
  type Laid,
  type Pending,
  type Trouble,
  type Troubled,
  type Waiting,
} from './outbox-rules';

const isEarlier = (one: Change, other: Change): boolean => isLater(other.enteredAt, one.enteredAt);

const byEntry = (one: Pending, other: Pending): number =>
  isEarlier(one.change, other.change) ? -1 : isEarlier(other.change, one.change) ? 1 : 0;

/** A part of what waits, to be laid into a dispute. */
function laidFrom(pending: Pending, part: BodyChange): Laid {
  const { op, enteredAt } = pending.change;
  const times = timesIn(pending);
  return {
    op,
    enteredAt,
    change: part,
    times: Object.fromEntries(keysOf(part).map((key) => [key, times[key]])),
  };
}

/** What of a record's waiting changes joins a dispute over it, and what is left of each. */
class Gathering {
  whole: Troubled | null;
  private readonly keys: readonly string[] | null;

  constructor(
    private readonly dispute: Troubled,
    private readonly newId: () => string,
  ) {
    this.whole = dispute;
    this.keys = keysOfDispute(dispute);
  }

  /** Takes of a change what touches the dispute. */
  take<Each extends Pending>(each: Each): readonly Each[] {
    const { dispute, keys, newId } = this;
    const { change } = each;
    if (this.whole === null) return [each];
    if (change.op !== 'update' && isEarlier(change, dispute.change)) return [each];
    if (keys === null || change.op !== 'update') {
      this.whole = intoDispute(this.whole, laidFrom(each, bodyChangeOf(change)));
      return [];
    }
    const { touching, rest } = cutAt(change, keys);
    if (isEmptyChange(touching)) return [each];
    this.whole = intoDispute(this.whole, laidFrom(each, touching));
    if (isEmptyChange(rest)) return [];
    return [{ ...each, isSealed: false, change: withBodyChange({ ...change, changeId: newId() }, rest) }];
  }
}

/** Moves what else waits of a record in dispute into the dispute, as far as it touches it. */
function gatheredInto(state: Waiting, dispute: Troubled, newId: () => string): Waiting {
  const ofRecord = ({ change }: Pending): boolean => change.id === dispute.change.id;
  const others = [...state.pending, ...state.troubled.filter(isOfDeletedHouse)].filter(ofRecord);
  const gathering = new Gathering(dispute, newId);
  const left = new Map(others.map((each): [Pending, readonly Pending[]] => [each, gathering.take(each)]));
  const leftOf = <Each extends Pending>(each: Each) => (left.get(each) ?? [each]) as readonly Each[];
  return {
    pending: state.pending.flatMap(leftOf),
    troubled: replaced(state.troubled, dispute, asList(gathering.whole)).flatMap(leftOf),
  };
}

type Conflict = Extract<ChangeOutcome, { outcome: 'conflict' }>;

/**
 * What met a deleted house is asked about together with all else that waits in it and has not left: were that sent, and
 * the house put back by somebody, it would come before what it was entered after.
 */
function askedWithDeletedHouse(state: Waiting, met: Troubled): Waiting {
  const isToJoin = ({ ledgerId, change, isSealed }: Pending): boolean =>
    ledgerId === met.ledgerId && !isSealed && change.kind !== 'house';
  const joining = state.pending.filter(isToJoin).map((each): Troubled => ({ ...each, trouble: met.trouble }));
  const all = [...state.troubled, met, ...joining];
  return {
    pending: state.pending.filter((each) => !isToJoin(each)),
    troubled: [
      ...all.filter((each) => !isOfDeletedHouse(each)),
      ...all.filter(isOfDeletedHouse).sort(byEntry),
    ],
  };
}

function inDispute(
  state: Waiting,
  waiting: Pending,
  { current, fields }: Conflict,
  newId: () => string,
): Waiting {
  const trouble: Trouble = { kind: 'conflict', current, fields };
  const met: Troubled = { ...waiting, trouble };
  const { change } = waiting;
  if (isOfDeletedHouse(met)) return askedWithDeletedHouse(without(state, change.changeId), met);
  const standing = state.troubled.find(isDisputeOver(change.id));
  const keys = disputedKeys(met);
  const held = standing === undefined ? [] : keysOfDispute(standing);
  const isWhole = keys === null || held === null;
  const { touching, rest } = isWhole
    ? { touching: bodyChangeOf(change), rest: NO_CHANGE }
    : cutAt(change, [...keys, ...held]);
  // What nobody disputes goes on at once, in its place, upon the state that it met.
  const goesOn: Pending = {
    ...waiting,
    isSealed: false,
    change: withBodyChange({ ...change, changeId: newId(), baseRevision: current.record.revision }, rest),
  };
  const pending = replaced(state.pending, waiting, isEmptyChange(rest) ? [] : [goesOn]);
  if (standing === undefined || standing.trouble.kind !== 'conflict') {
    const dispute: Troubled = { ...met, change: withBodyChange(change, touching) };
    return { pending, troubled: [...state.troubled, dispute] };
  }
  const known = new Set(fields.map(({ field }) => field));
  // Where the other deleted the record, there is no more to be said than that.
  const isWholeTheirs = fields.length === 0 || standing.trouble.fields.length === 0;
  const all = [...standing.trouble.fields.filter(({ field }) => !known.has(field)), ...fields];
  const whole = intoDispute(standing, laidFrom(waiting, touching));
  const both: Troubled | null = whole && {
    ...whole,
    trouble: { kind: 'conflict', current, fields: isWholeTheirs ? [] : all },
  };
  return { pending, troubled: replaced(state.troubled, standing, asList(both)) };
}

/** What was taken under this id was something else: this is sent under another, and is never passed over in silence. */
function underAnotherId(state: Waiting, waiting: Pending, newId: () => string): Waiting {
  const { change } = waiting;
  const again: Change = { ...change, changeId: newId(), op: change.op === 'create' ? 'update' : change.op };
  return {
    ...state,
    pending: replaced(state.pending, waiting, [{ ...waiting, change: again, isSealed: false }]),
  };
}

/** The server knows nothing of what this app does know: it is older, and will be brought up to date. */
function isTooNew({ kind, body }: Change, { code }: Extract<ChangeOutcome, { outcome: 'refused' }>): boolean {
  if (code !== 'unknown-kind' && code !== 'unknown-field') return false;
  return isKind(kind) && Object.keys(body).every((field) => fieldsOf(kind).includes(field));
}

/** A record was put back: a deletion of it that is in dispute is taken back. */
function restored(state: Waiting, waiting: Pending): Waiting {
  const { change } = waiting;
  const left = afterTaken(state, waiting);
  const dispute = left.troubled.find(isDisputeOver(change.id));
  if (dispute === undefined) return left;
  const next = intoDispute(dispute, laidFrom(waiting, NO_CHANGE));
  return { ...left, troubled: replaced(left.troubled, dispute, asList(next)) };
}

/** What waits after the server answered one change. */
function withOutcome(state: Waiting, changeId: string, outcome: ChangeOutcome, newId: () => string): Waiting {
  const waiting = state.pending.find(({ change }) => change.changeId === changeId);
  if (waiting === undefined) return state;
  switch (outcome.outcome) {
    case 'applied':
    case 'already-applied':
      return waiting.change.op === 'restore' ? restored(state, waiting) : afterTaken(state, waiting);
    case 'conflict':
      return inDispute(state, waiting, outcome, newId);
    case 'refused': {
      if (outcome.code === 'other-content') return underAnotherId(state, waiting, newId);
      if (isTooNew(waiting.change, outcome))
        return { ...state, pending: replaced(state.pending, waiting, [{ ...waiting, isTooNew: true }]) };
      // It waits until its house was put right.
      if (outcome.code === 'unknown-ledger') return state;
      const trouble: Trouble = { kind: 'refused', message: outcome.message, field: outcome.field };
      return {
        pending: state.pending.filter((each) => each !== waiting),
        troubled: [...state.troubled, { ...waiting, trouble }],
      };
    }
  }
}

/** What waits after the server answered some changes. */
export function withOutcomes(
  state: Waiting,
  outcomes: ReadonlyMap<string, ChangeOutcome>,
  newId: () => string,
): Waiting {
  let next = state;
  for (const [changeId, outcome] of outcomes) next = withOutcome(next, changeId, outcome, newId);
  const disputes = next.troubled.filter((each) => isDisputeOver(each.change.id)(each));
  const fresh = disputes.filter((each) => !state.troubled.includes(each));
  return fresh.reduce((gathered, dispute) => gatheredInto(gathered, dispute, newId), next);
}

/** What of a change a person is asked about, and what only waits with it: all of it, where the whole record is in dispute. */
function askedAbout({ change, trouble }: Troubled): ReturnType<typeof cutAt> {
  const fields = trouble.kind === 'conflict' ? trouble.fields.map(({ field }) => field) : [];
  return fields.length === 0 ? { touching: bodyChangeOf(change), rest: NO_CHANGE } : cutAt(change, fields);
}

/** The changes with which a dispute goes on where a person keeps theirs: upon the state that they were shown. */
function insisting(
  troubled: Troubled,
  current: KindedRecord,
  newId: () => string,
): { readonly restores: readonly Pending[]; readonly more: readonly Pending[] } {
  const { ledgerId, change, times } = troubled;
  const { revision, deletedAt } = current.record;
  const { parts: _parts, ...bare } = change;
  const step = (op: Change['op'], more: BodyChange = NO_CHANGE, baseRevision = revision): Pending => ({
    ledgerId,
    isSealed: false,
    times,
    change: withBodyChange({ ...bare, changeId: newId(), baseRevision, op }, more),
  });
  const update = (more: BodyChange, baseRevision?: number): readonly Pending[] =>
    isEmptyChange(more) ? [] : [step('update', more, baseRevision)];
  const { touching, rest } = askedAbout(troubled);
  // What they were not shown is made upon what was seen when it was entered, and asked about where it has to be.
  const updates = [...update(touching), ...update(rest, Math.min(change.baseRevision, revision))];
  const isDeletion = change.op === 'delete';
  // What was entered before a deletion goes before it, so that it is there for whoever puts the record back.
  const isWanted = !isDeletion || updates.length > 0;
  const restores = deletedAt !== null && isWanted ? [step('restore')] : [];
  const deletes = isDeletion && (deletedAt === null || isWanted) ? [step('delete')] : [];
  return { restores, more: [...updates, ...deletes] };
}

/** What of a change nobody disputes: it goes on where a person gives way. */
function undisputed(found: Troubled, newId: () => string): readonly Pending[] {
  if (disputedKeys(found) === null) return [];
  const { rest } = askedAbout(found);
  if (isEmptyChange(rest)) return [];
  const change = withBodyChange({ ...found.change, changeId: newId() }, rest);
  return [{ ledgerId: found.ledgerId, change, isSealed: false, times: found.times }];
}

/** What goes on again before all that waits, but after what was entered earlier of its record and is still on its way. */
function inOrderOfEntry(again: readonly Pending[], pending: readonly Pending[]): readonly Pending[] {
  const first: Pending[] = [];
  let rest = pending;
  for (const each of again) {
    const at = rest.findLastIndex(
      ({ change }) => change.id === each.change.id && !isEarlier(each.change, change),
    );
    if (at < 0) first.push(each);
    else rest = [...rest.slice(0, at + 1), each, ...rest.slice(at + 1)];
  }
  return [...first, ...rest];
}

/** What waits after a person decided. */
export function withDecision(
  state: Waiting,
  { changeId, choice, shown, current }: Decision,
  newId: () => string,
): Waiting {
  const found = state.troubled.find(({ change }) => change.changeId === changeId);
  if (found === undefined) return state;
  const { trouble } = found;
  const isGroup = isOfDeletedHouse(found);
  const settled = isGroup
    ? state.troubled.filter((each) => each.ledgerId === found.ledgerId && isOfDeletedHouse(each))
    : [found];
  if (shownOf(settled) !== shown) return state;
  const troubled = state.troubled.filter((each) => !settled.includes(each));
  /** Some go before all that waits, others after what was entered before them. */
  const goOn = (first: readonly Pending[], more: readonly Pending[]): Waiting => {
    const next: Waiting = { troubled, pending: [...first, ...inOrderOfEntry(more, state.pending)] };
    const disputes = troubled.filter((each) => more.some(({ change }) => isDisputeOver(change.id)(each)));
    return disputes.reduce((gathered, dispute) => gatheredInto(gathered, dispute, newId), next);
  };
  const again = settled.map(({ ledgerId, change, times }): Pending => ({
    ledgerId,
    change: { ...change, changeId: newId() },
    isSealed: false,
    times,
  }));
  if (choice === 'let go' || (choice === 'theirs' && isGroup)) return { ...state, troubled };
  if (choice === 'theirs') return goOn([], undisputed(found, newId));
  if (choice === 'again' || trouble.kind === 'refused') return goOn([], again);
  if (isGroup) {
    const { record } = trouble.current;
    const restoring: Pending = {
      ledgerId: found.ledgerId,
      isSealed: false,
      change: {
        changeId: newId(),
        kind: 'house',
        id: found.ledgerId,
        baseRevision: record.revision,
        op: 'restore',
        body: {},
      },
    };
    return goOn([restoring], again);
  }
  const { restores, more } = insisting(found, current ?? trouble.current, newId);
  return goOn(restores, more);
}
