import type { Change, ChangeOutcome, FieldCollision } from '@calvet/contract/changes/change';
import type { Kind, KindedRecord } from '@calvet/contract/kinds';
import { withDecision, withOutcomes } from '../src/data/outbox-answers';
import {
  decisionOn,
  isOfDeletedHouse,
  sealed,
  withEntry,
  type Choice,
  type Entry,
  type Waiting,
} from '../src/data/outbox-rules';

let count = 0;
export const newId = () => `new-${count++}`;

/** Ids begin anew. */
export const forgetIds = () => {
  count = 0;
};

/** Something entered; what is left out is of a wall at revision 3. */
export const entry = (part: Partial<Entry> & { readonly body?: object }): Entry => {
  const { body = {}, ...rest } = part;
  return {
    entryId: newId(),
    ledgerId: 'h',
    kind: 'area',
    id: 'a',
    op: 'update',
    change: { body: body as Entry['change']['body'], parts: [] },
    seenRevision: 3,
    enteredAt: '2026-11-03T10:20:00.000Z',
    ...rest,
  };
};
/** What waits, with more entered. */
export const enter = (state: Waiting, ...parts: (Partial<Entry> & { readonly body?: object })[]): Waiting =>
  parts.map(entry).reduce(withEntry, state);
/** All of it has left. */
export const sealAll = (state: Waiting) =>
  sealed(state, new Set(state.pending.map(({ change }) => change.changeId)));
export const changes = (state: Waiting) => state.pending.map(({ change }) => change);

/** A record as the server has it. */
export const current = (revision: number, more: object = {}, kind: Kind = 'area', id = 'a') =>
  ({
    kind,
    record: { id, ledgerId: 'h', revision, deletedAt: null, name: 'Theirs', ...more },
  }) as unknown as KindedRecord;
const over = (...fields: string[]): readonly FieldCollision[] =>
  fields.map((field) => ({ field, by: 'Ada', at: '2026-11-03T10:20:00.000Z' }));
/** The server answers all that waits. */
export const answer = (state: Waiting, outcomeOf: (change: Change) => Partial<ChangeOutcome>): Waiting =>
  withOutcomes(
    state,
    new Map(
      changes(state).map((change) => [
        change.changeId,
        { changeId: change.changeId, ...outcomeOf(change) } as ChangeOutcome,
      ]),
    ),
    newId,
  );
export const conflict = (record: KindedRecord, ...fields: string[]) => ({
  outcome: 'conflict' as const,
  current: record,
  fields: over(...fields),
});
/** A person decides the first question. */
export const decide = (state: Waiting, choice: Choice, held?: KindedRecord): Waiting => {
  const group = state.troubled.some(isOfDeletedHouse) ? state.troubled : state.troubled.slice(0, 1);
  return withDecision(state, decisionOn(group, choice, held), newId);
};
