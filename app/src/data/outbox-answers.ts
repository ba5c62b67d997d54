import {
  cutAt,
  isEmptyChange,
  keysOf,
  type BodyChange,
  type Change,
  type ChangeOutcome,
  type KindedRecord,
} from '@calvet/contract';
import {
  asList,
  bodyChangeOf,
  disputedKeys,
  intoDispute,
  isDisputeOver,
  isOfDeletedHouse,
  replaced,
  shownOf,
  withBodyChange,
  without,
  type Decision,
  type Pending,
  type Trouble,
  type Troubled,
  type Waiting,
} from './outbox-rules';

const NO_CHANGE: BodyChange = { body: {}, parts: [] };

/** What of an update was entered before what a dispute over its record holds, and is not in it. */
function beneath(pending: Pending, dispute: Troubled, newId: () => string): readonly Pending[] {
  const { change } = pending;
  if (change.op !== 'update') return [pending];
  const { touching, rest } = cutAt(change, keysOf(bodyChangeOf(dispute.change)));
  if (isEmptyChange(touching)) return [pending];
  if (isEmptyChange(rest)) return [];
  return [{ ...pending, isSealed: false, change: withBodyChange({ ...change, changeId: newId() }, rest) }];
}

const isEarlier = (one: Change, other: Change): boolean =>
  one.enteredAt !== undefined && other.enteredAt !== undefined && one.enteredAt < other.enteredAt;

/**
 * Moves what else waits of a record in dispute into the dispute, as far as it touches it: it was entered later, unless a
 * decision has brought it back before what was on its way.
 */
function gatheredInto(
  state: Waiting,
  dispute: Troubled,
  broughtBack: ReadonlySet<string>,
  newId: () => string,
): Waiting {
  const keys = disputedKeys(dispute);
  let whole: Troubled | null = dispute;
  const pending = state.pending.flatMap((each): readonly Pending[] => {
    const { change } = each;
    if (change.id !== dispute.change.id || whole === null) return [each];
    if (broughtBack.has(change.changeId) && isEarlier(change, dispute.change))
      return beneath(each, dispute, newId);
    if (keys === null || change.op !== 'update') {
      whole = intoDispute(whole, change.op, bodyChangeOf(change), change.enteredAt);
      return [];
    }
    const { touching, rest } = cutAt(change, keys);
    if (isEmptyChange(touching)) return [each];
    whole = intoDispute(whole, 'update', touching, change.enteredAt);
    return isEmptyChange(rest)
      ? []
      : [{ ...each, isSealed: false, change: withBodyChange({ ...change, changeId: newId() }, rest) }];
  });
  return { pending, troubled: replaced(state.troubled, dispute, asList(whole)) };
}

type Conflict = Extract<ChangeOutcome, { outcome: 'conflict' }>;

function inDispute(
  state: Waiting,
  waiting: Pending,
  { current, fields }: Conflict,
  newId: () => string,
): Waiting {
  const trouble: Trouble = { kind: 'conflict', current, fields };
  const met: Troubled = { ...waiting, trouble };
  const { change } = waiting;
  if (isOfDeletedHouse(met)) {
    const left = without(state, change.changeId);
    return { ...left, troubled: [...left.troubled, met] };
  }
  const standing = state.troubled.find(isDisputeOver(change.id));
  const keys = disputedKeys(met);
  const isWhole = keys === null || (standing !== undefined && disputedKeys(standing) === null);
  const { touching, rest } = isWhole
    ? { touching: bodyChangeOf(change), rest: { body: {}, parts: [] } }
    : cutAt(change, keys);
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
  const whole = intoDispute(standing, change.op, touching, change.enteredAt);
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

/** A record was put back: a deletion of it that is in dispute is taken back. */
function restored(state: Waiting, { change }: Pending): Waiting {
  const left = without(state, change.changeId);
  const dispute = left.troubled.find(isDisputeOver(change.id));
  if (dispute === undefined) return left;
  const next = intoDispute(dispute, 'restore', { body: {}, parts: [] }, change.enteredAt);
  return { ...left, troubled: replaced(left.troubled, dispute, asList(next)) };
}

/** What waits after the server answered one change. */
function withOutcome(state: Waiting, changeId: string, outcome: ChangeOutcome, newId: () => string): Waiting {
  const waiting = state.pending.find(({ change }) => change.changeId === changeId);
  if (waiting === undefined) return state;
  switch (outcome.outcome) {
    case 'applied':
    case 'already-applied':
      return waiting.change.op === 'restore' ? restored(state, waiting) : without(state, changeId);
    case 'conflict':
      return inDispute(state, waiting, outcome, newId);
    case 'refused': {
      if (outcome.code === 'other-content') return underAnotherId(state, waiting, newId);
      // It waits until its house was mended.
      if (outcome.code === 'unknown-house') return state;
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
  const first = state.pending.findIndex(({ change }) => outcomes.has(change.changeId));
  const before = new Set(state.pending.slice(0, Math.max(0, first)).map(({ change }) => change.changeId));
  return fresh.reduce((gathered, dispute) => gatheredInto(gathered, dispute, before, newId), next);
}

/** What of a change a person is asked about, and what only waits with it: all of it, where the whole record is in dispute. */
function askedAbout({ change, trouble }: Troubled): ReturnType<typeof cutAt> {
  const fields = trouble.kind === 'conflict' ? trouble.fields.map(({ field }) => field) : [];
  return fields.length === 0 ? { touching: bodyChangeOf(change), rest: NO_CHANGE } : cutAt(change, fields);
}

/** The changes with which a dispute goes on where a person keeps theirs: upon the state that they were shown. */
function insisting(troubled: Troubled, current: KindedRecord, newId: () => string): readonly Pending[] {
  const { houseId, change } = troubled;
  const { revision, deletedAt } = current.record;
  const { parts: _parts, ...bare } = change;
  const step = (op: Change['op'], more: BodyChange = NO_CHANGE, baseRevision = revision): Pending => ({
    houseId,
    isSealed: false,
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
  return [...restores, ...updates, ...deletes];
}

/** What of a change nobody disputes: it goes on where a person gives way. */
function undisputed(found: Troubled, newId: () => string): readonly Pending[] {
  if (disputedKeys(found) === null) return [];
  const { rest } = askedAbout(found);
  if (isEmptyChange(rest)) return [];
  const change = withBodyChange({ ...found.change, changeId: newId() }, rest);
  return [{ houseId: found.houseId, change, isSealed: false }];
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
    ? state.troubled.filter((each) => each.houseId === found.houseId && isOfDeletedHouse(each))
    : [found];
  if (shownOf(settled) !== shown) return state;
  const troubled = state.troubled.filter((each) => !settled.includes(each));
  const goOn = (first: readonly Pending[]): Waiting => ({ troubled, pending: [...first, ...state.pending] });
  // What a dispute holds of the same was entered later.
  const again = settled.flatMap(({ houseId, change }): readonly Pending[] => {
    const released: Pending = { houseId, change: { ...change, changeId: newId() }, isSealed: false };
    const dispute = troubled.find(isDisputeOver(change.id));
    return dispute === undefined ? [released] : beneath(released, dispute, newId);
  });
  if (choice === 'let go' || (choice === 'theirs' && isGroup)) return { ...state, troubled };
  if (choice === 'theirs') return { troubled, pending: [...undisputed(found, newId), ...state.pending] };
  if (choice === 'again' || trouble.kind === 'refused') return goOn(again);
  if (isGroup) {
    const { record } = trouble.current;
    const restoring: Pending = {
      houseId: found.houseId,
      isSealed: false,
      change: {
        changeId: newId(),
        kind: 'house',
        id: found.houseId,
        baseRevision: record.revision,
        op: 'restore',
        body: {},
      },
    };
    return goOn([restoring, ...again]);
  }
  return goOn(insisting(found, current ?? trouble.current, newId));
}
