import { changedBody } from '@calvet/contract/changes/ledger';
import {
  cutAt,
  isEmptyChange,
  joinedChanges,
  keysOf,
  touches,
  type BodyChange,
} from '@calvet/contract/changes/parts';
import { type Change, type ChangeOp, type FieldCollision, SEEN_MAX } from '@calvet/contract/changes/change';
import type { Kind, KindedRecord } from '@calvet/contract/kinds';

/** A change on its way to the server. */
export interface Pending {
  readonly ledgerId: string;
  readonly change: Change;
  /**
   * True once it may have left this device: what is entered later goes under an id of its own, since nobody knows whether
   * the server took this one.
   */
  readonly isSealed: boolean;
  /** The server is older than this app and does not know what it holds: it waits until that is brought up to date. */
  readonly isTooNew?: true;
  /** When what it holds was entered, by key, where it was gathered from several entries. */
  readonly times?: Times;
}

/** ISO 8601, UTC, by key; what was kept by former versions may not say. */
type Times = Readonly<Record<string, string | undefined>>;

/** Why the server did not take a change. */
export type Trouble =
  | {
      readonly kind: 'conflict';
      /** The record as the server has it; the house's where somebody deleted the whole house. */
      readonly current: KindedRecord;
      /** None where the record as a whole is in dispute. */
      readonly fields: readonly FieldCollision[];
    }
  | { readonly kind: 'refused'; readonly message: string; readonly field: string };

/** A change that the server did not take; a person decides what becomes of it. */
export interface Troubled extends Pending {
  readonly trouble: Trouble;
}

/** Everything that was entered and that the server does not have. */
export interface Waiting {
  /** In the order of sending. */
  readonly pending: readonly Pending[];
  readonly troubled: readonly Troubled[];
}

export const NO_CHANGE: BodyChange = { body: {}, parts: [] };

export const NOTHING_WAITS: Waiting = { pending: [], troubled: [] };

/** Something entered, as it was made. */
export interface Entry {
  /** Becomes the id of the change, unless it joins another. */
  readonly entryId: string;
  readonly ledgerId: string;
  readonly kind: Kind;
  readonly id: string;
  readonly op: ChangeOp;
  readonly change: BodyChange;
  /** Revision of the record that the person saw. */
  readonly seenRevision: number;
  /** Ids of changes on their way that they saw laid over it. */
  readonly seen?: readonly string[];
  /** ISO 8601, UTC, by this device's clock. */
  readonly enteredAt: string;
}

/** What a person says to a change in trouble. */
export type Choice = 'mine' | 'theirs' | 'again' | 'let go';

/** What a person decided, and about what: where that is something else by then, they are asked anew. */
export interface Decision {
  readonly changeId: string;
  readonly choice: Choice;
  /** What they were shown of theirs. */
  readonly shown: string;
  /** The record as they were shown it. */
  readonly current: KindedRecord | null;
}

/** A decision about changes in trouble, all of one question. */
export function decisionOn(
  group: readonly Troubled[],
  choice: Choice,
  held: KindedRecord | undefined,
): Decision {
  const [first] = group;
  const met = first?.trouble.kind === 'conflict' ? first.trouble.current : null;
  const isNewer = met !== null && held !== undefined && held.record.revision > met.record.revision;
  return {
    changeId: first?.change.changeId ?? '',
    choice,
    shown: shownOf(group),
    current: isNewer ? held : met,
  };
}

export const shownOf = (group: readonly Troubled[]): string =>
  JSON.stringify(group.map(({ change }) => change));

export const bodyChangeOf = ({ body, parts = [] }: Change): BodyChange => ({
  body: body as BodyChange['body'],
  parts,
});

export function withBodyChange(change: Change, { body, parts }: BodyChange): Change {
  const { parts: _before, ...rest } = change;
  const next = { ...rest, body: body as Change['body'] };
  return parts.length === 0 ? next : { ...next, parts };
}

/** A change with more laid over it: into its body where it creates the record, beside it where it updates it. */
function joined(change: Change, more: BodyChange): Change {
  if (change.op === 'create') {
    const body = changedBody(change.kind, change.body as BodyChange['body'], {
      body: more.body as Change['body'],
      parts: more.parts,
    });
    return { ...change, body: body as Change['body'] };
  }
  return withBodyChange(change, joinedChanges(bodyChangeOf(change), more));
}

/** A change that names others as seen by its maker, beside those that it names already. */
export function havingSeen(change: Change, changeIds: readonly string[] = []): Change {
  const { changeId, seen = [] } = change;
  const fresh = changeIds.filter((id) => id !== changeId && !seen.includes(id));
  return fresh.length === 0 ? change : { ...change, seen: [...seen, ...fresh].slice(-SEEN_MAX) };
}

export const changeOf = (entry: Entry, baseRevision: number): Change =>
  havingSeen(
    withBodyChange(
      {
        changeId: entry.entryId,
        kind: entry.kind,
        id: entry.id,
        baseRevision,
        op: entry.op,
        body: {},
        enteredAt: entry.enteredAt,
      },
      entry.change,
    ),
    entry.seen,
  );

const isOver = (one: readonly string[], other: readonly string[]): boolean =>
  one.some((key) => other.some((each) => touches(key, each)));

/**
 * The revision that an entry is made upon. What lies under a change that waits was not seen: there the person has seen no
 * more than that change was made upon.
 */
export function baseOf(
  entry: Pick<Entry, 'id' | 'op' | 'change' | 'seenRevision'>,
  pending: readonly Pending[],
): number {
  if (entry.op === 'create') return 0;
  const keys = keysOf(entry.change);
  const bases = pending
    .filter(({ change }) => change.id === entry.id && (entry.op !== 'update' || isOver(keysOf(change), keys)))
    .map(({ change }) => change.baseRevision);
  return Math.min(entry.seenRevision, ...bases);
}

/** True where a change met a house that somebody deleted. */
export function isOfDeletedHouse({ ledgerId, change, trouble }: Troubled): boolean {
  return trouble.kind === 'conflict' && trouble.current.record.id === ledgerId && change.id !== ledgerId;
}

export const isDisputeOver = (id: string) => (each: Troubled) =>
  each.change.id === id && each.trouble.kind === 'conflict' && !isOfDeletedHouse(each);

/** The keys in dispute; null where all of the record is. */
export function disputedKeys({ change, trouble }: Troubled): readonly string[] | null {
  if (trouble.kind !== 'conflict' || change.op !== 'update') return null;
  return trouble.fields.length === 0 ? null : trouble.fields.map(({ field }) => field);
}

/** What joins a dispute: the keys in dispute, and what else it holds; null where that is all of the record. */
export function keysOfDispute(dispute: Troubled): readonly string[] | null {
  const keys = disputedKeys(dispute);
  return keys === null ? null : [...keys, ...keysOf(bodyChangeOf(dispute.change))];
}

/** True where both times are known and the first is the later one. */
export const isLater = (one: string | undefined, other: string | undefined): boolean =>
  one !== undefined && other !== undefined && one > other;

/** By key, when what a change holds was entered. */
export const timesIn = ({ change, times = {} }: Pick<Pending, 'change' | 'times'>): Times =>
  Object.fromEntries(
    keysOf(bodyChangeOf(change)).map((key) => [key, key in times ? times[key] : change.enteredAt]),
  );

/** Something to lay over a change, with when each key of it was entered, and the whole. */
export interface Laid {
  readonly op: ChangeOp;
  readonly change: BodyChange;
  readonly times: Times;
  readonly enteredAt: string | undefined;
}

const laidOf = ({ op, change, enteredAt }: Entry): Laid => ({
  op,
  change,
  enteredAt,
  times: Object.fromEntries(keysOf(change).map((key) => [key, enteredAt])),
});

/** What of something was not entered anew, later, in what is held. */
function notSuperseded({ change, times }: Laid, held: Times): BodyChange {
  const superseded = Object.keys(times).filter((key) =>
    Object.entries(held).some(([other, time]) => touches(other, key) && isLater(time, times[key])),
  );
  return cutAt(change, superseded).rest;
}

/** A change with something laid over it: of each key what was entered last stays. */
function over<Each extends Pending>(each: Each, laid: Laid, op: ChangeOp): Each {
  const held = timesIn(each);
  const fresh = notSuperseded(laid, held);
  const next = joined({ ...each.change, op }, fresh);
  const times = { ...held, ...Object.fromEntries(keysOf(fresh).map((key) => [key, laid.times[key]])) };
  const enteredAt = isLater(each.change.enteredAt, laid.enteredAt) ? each.change.enteredAt : laid.enteredAt;
  return { ...each, times, change: { ...next, enteredAt } };
}

/**
 * Joins to a dispute what is entered while it stands, and what turns out to belong to it. Null where nothing is left to be
 * in dispute over.
 */
export function intoDispute(dispute: Troubled, laid: Laid): Troubled | null {
  const { change } = dispute;
  const { op, enteredAt } = laid;
  const isBeneath = isLater(change.enteredAt, enteredAt);
  if (op === 'delete') {
    // A deletion keeps what was entered before it, for whoever takes the deletion back.
    return isBeneath
      ? dispute
      : { ...dispute, times: timesIn(dispute), change: { ...change, op: 'delete', enteredAt } };
  }
  const isTakenBack = change.op === 'delete' && !isBeneath;
  if (op === 'restore' && !isTakenBack) return dispute;
  const next = over(dispute, laid, isTakenBack ? 'update' : change.op);
  return next.change.op === 'update' && isEmptyChange(bodyChangeOf(next.change)) ? null : next;
}

export const asList = (dispute: Troubled | null): readonly Troubled[] => (dispute === null ? [] : [dispute]);

export const replaced = <Item>(list: readonly Item[], one: Item, by: readonly Item[]): readonly Item[] =>
  list.flatMap((each) => (each === one ? by : [each]));

/** An entry without what was entered anew, later, and waits already: entries of other tabs may come late. */
function unlessSuperseded(state: Waiting, entry: Entry): Entry {
  const laid = laidOf(entry);
  const waiting = state.pending.filter(({ change }) => change.id === entry.id);
  const change = waiting.reduce(
    (left, each) => notSuperseded({ ...laid, change: left }, timesIn(each)),
    laid.change,
  );
  return { ...entry, change };
}

/**
 * The change that an update joins: one that has not left and is made upon the same state, with nothing behind it that the
 * update is to be laid over. What was made upon another state goes alone: else it would pass for having seen more than it
 * did, or less.
 */
function openFor(entry: Entry, base: number, pending: readonly Pending[]): Pending | undefined {
  const keys = keysOf(entry.change);
  const ofRecord = pending.filter(({ change }) => change.id === entry.id);
  const behind = ofRecord.findLastIndex(
    ({ change, isSealed }) => isSealed || change.op === 'delete' || change.op === 'restore',
  );
  const open = ofRecord.slice(behind + 1);
  const under = open.findLastIndex(({ change }) => isOver(keysOf(change), keys));
  return open.slice(Math.max(0, under)).find(({ change }) => change.baseRevision === base);
}

function appended(state: Waiting, given: Entry): Waiting {
  const entry = given.op === 'update' ? unlessSuperseded(state, given) : given;
  if (isEmptyChange(entry.change) && !isEmptyChange(given.change)) return state;
  const base = baseOf(entry, state.pending);
  const open = entry.op === 'update' ? openFor(entry, base, state.pending) : undefined;
  if (open !== undefined) {
    const next = over(open, laidOf(entry), open.change.op);
    const joining = { ...next, change: havingSeen(next.change, entry.seen) };
    return { ...state, pending: replaced(state.pending, open, [joining]) };
  }
  const change = changeOf(entry, base);
  return { ...state, pending: [...state.pending, { ledgerId: entry.ledgerId, change, isSealed: false }] };
}

/** An update of a record puts right what was refused of it: all goes together, before whatever was made upon it. */
function putRight(state: Waiting, entry: Entry): Waiting | null {
  const refused = state.troubled.filter(
    ({ change, trouble }) =>
      change.id === entry.id &&
      trouble.kind === 'refused' &&
      (change.op === 'create' || change.op === 'update'),
  );
  const [first, ...others] = refused;
  if (entry.op !== 'update' || first === undefined) return null;
  const all = [...others.map(({ change }) => bodyChangeOf(change)), entry.change];
  const change = {
    ...all.reduce(joined, first.change),
    changeId: entry.entryId,
    enteredAt: entry.enteredAt,
  };
  return {
    troubled: state.troubled.filter((each) => !refused.includes(each)),
    pending: [{ ledgerId: first.ledgerId, change, isSealed: false }, ...state.pending],
  };
}

/** What is entered in a house that somebody deleted waits for the same decision as all that met the deletion. */
function besideDeletedHouse(state: Waiting, entry: Entry): Waiting | null {
  const met = state.troubled.find((each) => each.ledgerId === entry.ledgerId && isOfDeletedHouse(each));
  if (met === undefined || entry.kind === 'house') return null;
  const change = changeOf(entry, entry.seenRevision);
  const { ledgerId, trouble } = met;
  return { ...state, troubled: [...state.troubled, { ledgerId, trouble, change, isSealed: false }] };
}

/** What waits, with something more entered that touches no dispute. */
const beyondDisputes = (state: Waiting, entry: Entry): Waiting =>
  besideDeletedHouse(state, entry) ?? putRight(state, entry) ?? appended(state, entry);

/** What waits, with something more entered. */
export function withEntry(state: Waiting, entry: Entry): Waiting {
  const dispute = state.troubled.find(isDisputeOver(entry.id));
  if (dispute === undefined) return beyondDisputes(state, entry);
  const keys = keysOfDispute(dispute);
  const { touching, rest } =
    keys === null || entry.op !== 'update'
      ? { touching: entry.change, rest: NO_CHANGE }
      : cutAt(entry.change, keys);
  const isTouched = keys === null || entry.op !== 'update' || !isEmptyChange(touching);
  const next = isTouched
    ? {
        ...state,
        troubled: replaced(
          state.troubled,
          dispute,
          asList(intoDispute(dispute, laidOf({ ...entry, change: touching }))),
        ),
      }
    : state;
  return isEmptyChange(rest) ? next : beyondDisputes(next, { ...entry, change: rest });
}

/** What waits, with many things entered, in their order: as one after another, at a cost that grows with their number. */
export function withEntries(state: Waiting, entries: readonly Entry[]): Waiting {
  if (state.troubled.length > 0) return entries.reduce(withEntry, state);
  const known = new Set(state.pending.map(({ change }) => change.id));
  let next = state;
  let made: Pending[] = [];
  const withMade = (): Waiting =>
    made.length === 0 ? next : { ...next, pending: [...next.pending, ...made] };
  for (const entry of entries) {
    if (known.has(entry.id)) {
      next = withEntry(withMade(), entry);
      made = [];
    } else {
      made.push({ ledgerId: entry.ledgerId, change: changeOf(entry, baseOf(entry, [])), isSealed: false });
      known.add(entry.id);
    }
  }
  return withMade();
}

/**
 * What waits, after the server turned out to know less of a house than it did: what it lost goes first, and what was made
 * upon lost states is made upon those that it has.
 */
export function afterLoss(
  state: Waiting,
  ledgerId: string,
  lost: readonly Entry[],
  revisionOf: (id: string) => number,
  newId: () => string,
): Waiting {
  const first = withEntries(NOTHING_WAITS, lost);
  const upon = (each: Pending): Pending => {
    const { change } = each;
    const revision = revisionOf(change.id);
    if (each.ledgerId !== ledgerId || change.baseRevision <= revision) return each;
    return { ...each, isSealed: false, change: { ...change, changeId: newId(), baseRevision: revision } };
  };
  return { ...state, pending: [...first.pending, ...state.pending.map(upon)] };
}

/** Marks changes as having left: from now on nothing joins them. */
export function sealed(state: Waiting, changeIds: ReadonlySet<string>): Waiting {
  return {
    ...state,
    pending: state.pending.map((each) =>
      changeIds.has(each.change.changeId) && !each.isSealed ? { ...each, isSealed: true } : each,
    ),
  };
}

export const without = (state: Waiting, changeId: string): Waiting => ({
  ...state,
  pending: state.pending.filter(({ change }) => change.changeId !== changeId),
});

/** Ids of the changes of a record that whoever enters something now has before them: those on their way, and what these had. */
export const seenUnder = ({ pending }: Waiting, recordId: string): readonly string[] => [
  ...new Set(
    pending.flatMap(({ change: { id, changeId, seen = [] } }) =>
      id === recordId ? [...seen, changeId] : [],
    ),
  ),
];

/** What waits without a change that the server took: whoever made what waits behind it had that before them. */
export function afterTaken(state: Waiting, { change: taken }: Pending): Waiting {
  const upon = <Each extends Pending>(each: Each): Each =>
    each.change.id === taken.id ? { ...each, change: havingSeen(each.change, [taken.changeId]) } : each;
  const { pending, troubled } = without(state, taken.changeId);
  return { pending: pending.map(upon), troubled: troubled.map(upon) };
}

/**
 * Changes of a house that wait, in the order in which a screen lays them over its copy: what was refused was made first,
 * and a dispute holds the latest of what it is about.
 */
export function waitingIn({ troubled, pending }: Waiting, ledgerId: string): readonly Change[] {
  const of = (list: readonly Pending[]) =>
    list.filter((waiting) => waiting.ledgerId === ledgerId).map(({ change }) => change);
  const refused = troubled.filter(({ trouble }) => trouble.kind === 'refused');
  const ofDeletedHouse = troubled.filter(isOfDeletedHouse);
  const disputed = troubled.filter((each) => isDisputeOver(each.change.id)(each));
  return [...of(refused), ...of(pending), ...of(ofDeletedHouse), ...of(disputed)];
}
