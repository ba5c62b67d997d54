import { asKindedRecord } from '@calvet/contract/changes/ledger';
import type { Change, ChangeOutcome } from '@calvet/contract/changes/change';
import type { KindedRecord } from '@calvet/contract/kinds';
import fc from 'fast-check';
import { HOUSE, LedgerServer } from '../../../contract/test/ledger-server';
import { answeredRecord } from './answered-record';
import { withPending } from './ledger-copy';
import { withDecision, withOutcomes } from './outbox-answers';
import {
  baseOf,
  decisionOn,
  isOfDeletedHouse,
  NOTHING_WAITS,
  sealed,
  seenUnder,
  waitingIn,
  withEntry,
  type Entry,
  type Waiting,
} from './outbox-rules';

/*
 * What waits on a device, against the server's own rules, in every order of events that can be thought of: nothing that
 * somebody entered last is passed over, and nothing that they entered earlier is laid over it.
 */

const RECORDS = ['a', 'b'] as const;
const FIELDS = ['name', 'areaM2', 'grade'] as const;
type RecordId = (typeof RECORDS)[number];
type Field = (typeof FIELDS)[number];

/** A server with a house and its areas. */
class Server extends LedgerServer {
  constructor() {
    super();
    this.takeFrom('maker', [
      change('house', HOUSE, 'create', 0, { name: 'House' }),
      ...RECORDS.map((id) =>
        change('area', id, 'create', 0, { name: 'first', areaM2: 'first', grade: 'first' }),
      ),
    ]);
  }

  takeFrom(device: string, changes: readonly Change[]): ReadonlyMap<string, ChangeOutcome> {
    return new Map(this.take(changes, device).map((outcome) => [outcome.changeId ?? '', outcome]));
  }

  record(id: string) {
    const found = this.records.get(id);
    if (found === undefined) throw new Error(`There is no ${id}.`);
    return found;
  }

  asHeld(id: string): KindedRecord {
    return asKindedRecord(this.record(id));
  }

  /** Somebody else does something, who sees how things stand. */
  other(id: string, op: Change['op'], body: object = {}): void {
    const kind = id === HOUSE ? 'house' : 'area';
    this.takeFrom('other', [change(kind, id, op, this.record(id).revision, body)]);
  }
}

let made = 0;
const newId = (): string => `id-${String(++made).padStart(6, '0')}`;

function change(
  kind: 'house' | 'area',
  id: string,
  op: Change['op'],
  baseRevision: number,
  body: object,
): Change {
  return { changeId: newId(), kind, id, op, baseRevision, body } as unknown as Change;
}

/** A device, on which a person types, sends and decides. */
class Device {
  waiting: Waiting = NOTHING_WAITS;
  /** Every value entered, in order, by its place. */
  readonly entered = new Map<string, string[]>();
  readonly givenUp = new Set<string>();
  /** Values that were before the person's eyes when they typed over them or insisted, by place. */
  readonly seen = new Set<string>();
  private held = new Map<string, KindedRecord>();
  /** Entered in another tab, and not yet here. */
  private late: Entry[] = [];
  /** Where something came late: the server may have had a later entry before. */
  readonly cameLate = new Set<string>();
  private minutes = 0;

  constructor(private readonly server: Server) {
    this.lookUp();
  }

  lookUp(): void {
    this.held = new Map([HOUSE, ...RECORDS].map((id) => [id, this.server.asHeld(id)]));
  }

  private entry(part: Pick<Entry, 'kind' | 'id' | 'op'> & { readonly body?: object }): Entry {
    const { body = {}, ...rest } = part;
    const change = { body: body as Entry['change']['body'], parts: [] };
    const seenRevision = baseOf(
      { ...rest, change, seenRevision: this.held.get(part.id)?.record.revision ?? 0 },
      this.waiting.pending,
    );
    const enteredAt = new Date(++this.minutes * 60_000).toISOString();
    const seen = seenUnder(this.waiting, part.id);
    return { ...rest, change, seenRevision, seen, enteredAt, ledgerId: HOUSE, entryId: newId() };
  }

  private enter(part: Parameters<Device['entry']>[0]): void {
    this.waiting = withEntry(this.waiting, this.entry(part));
  }

  private value(id: RecordId, field: Field): string {
    const place = `${id}.${field}`;
    const values = this.entered.get(place) ?? [];
    const value = `mine ${values.length}`;
    this.entered.set(place, [...values, value]);
    this.look(this.held.get(id), field);
    return value;
  }

  typeInOtherTab(id: RecordId, field: Field): void {
    this.late.push(this.entry({ kind: 'area', id, op: 'update', body: { [field]: this.value(id, field) } }));
    this.cameLate.add(`${id}.${field}`);
  }

  arrive(): void {
    this.waiting = this.late.splice(0).reduce(withEntry, this.waiting);
  }

  type(id: RecordId, field: Field): void {
    const place = `${id}.${field}`;
    const value = this.value(id, field);
    this.enter({ kind: 'area', id, op: 'update', body: { [field]: value } });
    // Whatever waits and whatever is asked about, what was typed is on the screen.
    expect({ place, shown: this.shown(id)[field] }).toEqual({ place, shown: value });
  }

  private look(item: KindedRecord | undefined, field: string): void {
    const record = item?.record as unknown as Record<string, unknown>;
    this.seen.add(`${String(record['id'])}.${field} ${String(record[field])}`);
  }

  private shown(id: RecordId): Record<string, unknown> {
    const records = new Map([[id as string, this.server.asHeld(id)]]);
    const view = withPending({ upTo: 0, records }, HOUSE, waitingIn(this.waiting, HOUSE));
    return view.records.get(id)?.record as unknown as Record<string, unknown>;
  }

  delete(id: RecordId): void {
    this.enter({ kind: 'area', id, op: 'delete' });
  }

  restore(id: RecordId): void {
    this.enter({ kind: 'area', id, op: 'restore' });
  }

  send(most: number, isAnswered: boolean): void {
    const leaving = this.waiting.pending.slice(0, most).map(({ change }) => change);
    if (leaving.length === 0) return;
    this.waiting = sealed(this.waiting, new Set(leaving.map(({ changeId }) => changeId)));
    const outcomes = this.server.takeFrom('mine', leaving);
    if (!isAnswered) return;
    this.takeUp(outcomes);
    this.waiting = withOutcomes(this.waiting, outcomes, newId);
  }

  /** What is held follows the answers. */
  private takeUp(outcomes: ReadonlyMap<string, ChangeOutcome>): void {
    for (const pending of this.waiting.pending) {
      const { id, changeId } = pending.change;
      const held = this.held.get(id);
      const answered = answeredRecord(pending, outcomes.get(changeId), held)?.item;
      if (answered === undefined) continue;
      const isNewer = answered.record.revision >= (held?.record.revision ?? 0);
      if (isNewer) this.held.set(answered.record.id, answered);
    }
  }

  decide(which: number, isMine: boolean): void {
    const { troubled } = this.waiting;
    const one = troubled[which % Math.max(1, troubled.length)];
    if (one === undefined) return;
    const group = isOfDeletedHouse(one) ? troubled.filter(isOfDeletedHouse) : [one];
    if (!isMine) {
      for (const { change: given } of group)
        for (const [field, value] of Object.entries(given.body))
          this.givenUp.add(`${given.id}.${field} ${value}`);
    }
    const held = this.server.asHeld(one.change.id);
    if (isMine && !isOfDeletedHouse(one))
      for (const field of Object.keys(one.change.body)) {
        this.look(held, field);
        if (one.trouble.kind === 'conflict') this.look(one.trouble.current, field);
      }
    this.waiting = withDecision(
      this.waiting,
      decisionOn(group, isMine ? 'mine' : 'theirs', isOfDeletedHouse(one) ? undefined : held),
      newId,
    );
  }

  comeToRest(): void {
    for (let i = 0; this.waiting.pending.length > 0; i++) {
      if (i > 50) throw new Error('It does not come to rest.');
      this.send(100, true);
    }
  }
}

const record = fc.constantFrom(...RECORDS);
const field = fc.constantFrom(...FIELDS);
const events = fc.oneof(
  { weight: 6, arbitrary: fc.record({ does: fc.constant('type' as const), id: record, field }) },
  {
    weight: 4,
    arbitrary: fc.record({
      does: fc.constant('send' as const),
      most: fc.integer({ min: 1, max: 4 }),
      isAnswered: fc.boolean(),
    }),
  },
  {
    weight: 3,
    arbitrary: fc.record({ does: fc.constant('decide' as const), which: fc.nat(5), isMine: fc.boolean() }),
  },
  { weight: 3, arbitrary: fc.record({ does: fc.constant('other types' as const), id: record, field }) },
  { weight: 1, arbitrary: fc.record({ does: fc.constant('type in other tab' as const), id: record, field }) },
  {
    weight: 1,
    arbitrary: fc.record({ does: fc.constantFrom('look up' as const, 'house' as const, 'arrive' as const) }),
  },
  {
    weight: 1,
    arbitrary: fc.record({ does: fc.constantFrom('delete' as const, 'restore' as const), id: record }),
  },
  {
    weight: 1,
    arbitrary: fc.record({ does: fc.constant('other deletes or restores' as const), id: record }),
  },
);

const opOf = (server: Server, id: string) => (server.record(id).deletedAt === null ? 'delete' : 'restore');

function play(sequence: readonly (typeof events extends fc.Arbitrary<infer Event> ? Event : never)[]) {
  const server = new Server();
  const device = new Device(server);
  let others = 0;
  for (const event of sequence) {
    switch (event.does) {
      case 'type':
        device.type(event.id, event.field);
        break;
      case 'type in other tab':
        device.typeInOtherTab(event.id, event.field);
        break;
      case 'arrive':
        device.arrive();
        break;
      case 'send':
        device.send(event.most, event.isAnswered);
        break;
      case 'decide':
        device.decide(event.which, event.isMine);
        break;
      case 'other types':
        server.other(event.id, 'update', { [event.field]: `theirs ${others++}` });
        break;
      case 'other deletes or restores':
        server.other(event.id, opOf(server, event.id));
        break;
      case 'look up':
        device.lookUp();
        break;
      case 'house':
        server.other(HOUSE, opOf(server, HOUSE));
        break;
      case 'delete':
        device.delete(event.id);
        break;
      case 'restore':
        device.restore(event.id);
        break;
    }
  }
  device.arrive();
  device.comeToRest();
  return { server, device };
}

/** Values of this device that the server took, in their order, by place. */
function taken({ history }: Server): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>();
  for (const { device, recordId, body } of history) {
    if (device !== 'mine') continue;
    for (const [name, value] of Object.entries(body)) {
      const place = `${recordId}.${name}`;
      found.set(place, [...(found.get(place) ?? []), String(value)]);
    }
  }
  return found;
}

/** Values of somebody else that this device overwrote, and that nobody had seen there. */
function overwrittenUnseen({ history }: Server, { seen }: Device): readonly string[] {
  const last = new Map<string, { readonly device: string; readonly value: string }>();
  return history.flatMap(({ device, recordId, body }) =>
    Object.entries(body).flatMap(([name, given]) => {
      const [place, value] = [`${recordId}.${name}`, String(given)];
      const before = last.get(place);
      last.set(place, { device, value });
      const isUnseen =
        device === 'mine' && before?.device === 'other' && !seen.has(`${place} ${before.value}`);
      return isUnseen ? [`${place}: ${before.value} gave way to ${value}`] : [];
    }),
  );
}

test('what was entered last is taken, asked about or given up; nothing earlier comes after it, nothing unseen gives way', () => {
  fc.assert(
    fc.property(fc.array(events, { minLength: 4, maxLength: 30 }), (sequence) => {
      const { server, device } = play(sequence);
      expect(overwrittenUnseen(server, device)).toEqual([]);
      const onServer = taken(server);
      for (const [place, values] of device.entered) {
        const last = values.at(-1) ?? '';
        const [id = '', name = ''] = place.split('.');
        const isAskedAbout = device.waiting.troubled.some(
          ({ change: { id: of, body } }) => of === id && (body as Record<string, unknown>)[name] === last,
        );
        const there = onServer.get(place) ?? [];
        expect({
          place,
          last,
          isKept: there.includes(last) || isAskedAbout || device.givenUp.has(`${place} ${last}`),
        }).toEqual({ place, last, isKept: true });
        if (device.cameLate.has(place)) continue;
        const order = there.map((value) => values.indexOf(value));
        expect({ place, order }).toEqual({ place, order: [...order].sort((a, b) => a - b) });
      }
    }),
    { numRuns: 1500 },
  );
});

/** One field is typed in the other tab alone: what comes late from there may be older than what was typed here meanwhile. */
const isOwn = (event: Parameters<typeof play>[0][number]): boolean => {
  switch (event.does) {
    case 'type':
      return event.field !== 'name';
    case 'type in other tab':
      return event.field === 'name';
    case 'arrive':
    case 'send':
    case 'look up':
      return true;
    default:
      return false;
  }
};

test('nobody is asked about entries of their own, whatever is lost on the way and whichever tab they come from', () => {
  fc.assert(
    fc.property(fc.array(events.filter(isOwn), { minLength: 4, maxLength: 30 }), (sequence) => {
      const { server, device } = play(sequence);
      expect(device.waiting).toEqual(NOTHING_WAITS);
      for (const [place, values] of device.entered) {
        const [id = '', name = ''] = place.split('.');
        expect(server.record(id).body[name]).toBe(values.at(-1));
      }
    }),
    { numRuns: 600 },
  );
});
