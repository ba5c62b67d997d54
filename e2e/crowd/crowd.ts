import type { Kind, PartChange } from '@calvet/contract';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { v7 } from 'uuid';
import { EMPTY_COPY } from '../../app/src/data/ledger-copy';
import { sampleHouse } from '../../contract/test/sample-house';
import { ask } from '../../server/test/asking';
import { createHouse } from '../../server/test/records';
import { Person, ROUGH, valuesIn, type Entered } from './people';

interface CrowdOptions {
  readonly server: () => string;
  readonly databaseUrl: string;
  readonly people: number;
  readonly actionsEach: number;
  readonly seed: number;
  /** Told after each round how much is done, 0…1. */
  readonly onShare?: (share: number) => Promise<void> | void;
}

/** What became of everything that was entered. */
export interface CrowdResult {
  readonly entered: number;
  readonly onServer: number;
  /** Entered, and neither on the server, nor superseded, nor given up, nor waiting for a decision. */
  readonly lost: readonly Omit<Entered, 'tab' | 'over'>[];
  /** Taken more than once. */
  readonly doubled: readonly string[];
  /** Values of others that were overwritten by somebody who had not seen them. */
  readonly unseen: readonly string[];
  /** Devices that hold another house than the server. */
  readonly astray: readonly string[];
  readonly asked: number;
}

interface HistoryRow extends RowDataPacket {
  readonly change_id: string;
  readonly kind: Kind;
  readonly record_id: string;
  readonly op: string;
  readonly body: string | object;
  readonly parts: string | readonly PartChange[] | null;
  readonly device: string;
}

const parsed = <T>(value: string | T): T => (typeof value === 'string' ? (JSON.parse(value) as T) : value);

async function historyOf(databaseUrl: string, houseId: string) {
  const connection = await createConnection(databaseUrl);
  const [rows] = await connection.query<HistoryRow[]>(
    'select change_id, kind, record_id, op, body, parts, device from ledger_change where ledger_id = ? order by change_number',
    [houseId],
  );
  await connection.end();
  return rows.map((row) => ({
    changeId: row.change_id,
    op: row.op,
    kind: row.kind,
    recordId: row.record_id,
    device: row.device,
    values: valuesIn({
      kind: row.kind,
      body: parsed<object>(row.body),
      parts: row.parts === null ? [] : parsed<readonly PartChange[]>(row.parts),
    }),
  }));
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Waits until nothing is on its way any more, then brings everyone up to date. */
async function comeToRest(people: readonly Person[], houseId: string): Promise<void> {
  people.forEach((person) => (person.isFine = true));
  // Some looks in a row: a decision made in one tab is on its way to the tab that sends.
  for (let look = 0, still = 0; still < 3; look++) {
    const tabs = people.flatMap(({ device }) => device.tabs);
    tabs.forEach((tab) => tab.tryNow());
    still = tabs.every((tab) => tab.outbox.getState().pending.length === 0) ? still + 1 : 0;
    if (look > 1500) {
      const left = tabs.map((tab) => ({
        toSend: tab.outbox.toSend().pending,
        shown: tab.outbox.getState().pending,
        phase: tab.outbox.getState().phase,
        keptIn: tab.keeping.where(),
      }));
      throw new Error(`The crowd does not come to rest: ${JSON.stringify(left).slice(0, 4000)}`);
    }
    await pause(10);
  }
  for (const tab of people.flatMap(({ device }) => device.tabs)) await tab.refreshLedger(houseId);
  await pause(20);
}

/**
 * People who all write in one house, each with a device of two tabs now and then, over a network that loses answers and a
 * portal that gives false ones, until everything is sent that can be.
 */
export async function crowd(options: CrowdOptions): Promise<CrowdResult> {
  const { server, databaseUrl, people: count, actionsEach, seed, onShare } = options;
  const houseId = v7();
  const made = await ask(`${server()}/api/v1/ledgers/${houseId}/changes`, {
    json: { changes: [createHouse(houseId, sampleHouse)] },
  });
  if (made.status !== 200) throw new Error(`The house was answered with ${made.status}.`);
  const hours = (i: number) => (i % 3) * 26 * 3_600_000 - 26 * 3_600_000;
  const people = Array.from(
    { length: count },
    (_, i) => new Person({ houseId, server, seed: seed * 1000 + i, weather: ROUGH, clockOff: hours(i) }),
  );
  for (const person of people) {
    person.isFine = true;
    const tab = await person.device.openTab();
    await tab.refreshLedger(houseId);
    person.isFine = false;
  }
  await Promise.all(
    people.map(async (person, i) => {
      for (let done = 0; done < actionsEach; done++) {
        await person.act();
        // Others have their turn, and what was sent comes back.
        if (done % 5 === 0) await pause(0);
        if (i === 0) await onShare?.(done / actionsEach);
      }
    }),
  );
  await comeToRest(people, houseId);
  const result = await judge(people, houseId, databaseUrl, server());
  for (const { device } of people) await device.close();
  return result;
}

async function judge(
  people: readonly Person[],
  houseId: string,
  databaseUrl: string,
  server: string,
): Promise<CrowdResult> {
  const history = await historyOf(databaseUrl, houseId);
  const taken = new Map<string, string[]>();
  for (const { changeId, op, recordId, values } of history) {
    for (const { key, value } of values) {
      const name = `${recordId} ${key} ${value}`;
      taken.set(name, [...(taken.get(name) ?? []), `${op} ${changeId}`]);
    }
  }
  const entered = people.flatMap((person) => person.entered);
  const waiting = new Set(
    people.flatMap(({ device }) =>
      device.tabs.flatMap((tab) =>
        tab.outbox
          .getState()
          .troubled.flatMap(({ change }) =>
            valuesIn(change).map(({ key, value }) => `${change.id} ${key} ${value}`),
          ),
      ),
    ),
  );
  const lost = people.flatMap((person) =>
    person.entered.filter((each, at) => {
      const name = `${each.recordId} ${each.key} ${each.value}`;
      if (taken.has(name) || waiting.has(name) || person.givenUp.has(name)) return false;
      return !isSuperseded(person.entered, each, at);
    }),
  );
  const known = new Set(entered.map(({ recordId, key, value }) => `${recordId} ${key} ${value}`));
  const doubled = [...taken]
    .filter(([name, by]) => by.length > 1 && known.has(name))
    .map(([name, by]) => `${name} by ${by.join(', ')}`);
  const now = await everythingOf(server, houseId);
  const astray = people.flatMap(({ device }) =>
    device.tabs.flatMap((tab) => {
      const { records } = tab.copies.all().get(houseId) ?? EMPTY_COPY;
      const held = Object.fromEntries([...records].map(([id, { record }]) => [id, record]));
      const differing = Object.keys({ ...now, ...held }).filter((id) => !isSame(held[id], now[id]));
      return differing.map((id) => `${device.name} ${JSON.stringify(held[id])} ${JSON.stringify(now[id])}`);
    }),
  );
  return {
    entered: entered.length,
    onServer: [...known].filter((name) => taken.has(name)).length,
    lost: lost.map(({ tab: _tab, over: _over, ...rest }) => rest),
    doubled,
    unseen: overwrittenUnseen(people, history),
    astray,
    asked: people.reduce((sum, { givenUp }) => sum + givenUp.size, 0),
  };
}

/**
 * The same person entered something else there later; or at once in another tab, which is what it is where the one was not
 * on the screen of the other yet: then either may come first.
 */
function isSuperseded(entered: readonly Entered[], one: Entered, at: number): boolean {
  return entered.some(
    ({ recordId, key, tab, value }, i) =>
      recordId === one.recordId &&
      key === one.key &&
      (i > at || (i < at && tab !== one.tab && value !== one.over)),
  );
}

/** Who wrote last, when, and what former versions call the ledger, is the server's to say; what was written is the same everywhere. */
function isSame(held: object | undefined, now: object | undefined): boolean {
  const content = (record: object | undefined) => {
    const { updatedAt, updatedBy, deletedAt, houseId, ...rest } = (record ?? {}) as Record<string, unknown>;
    return { ...rest, isDeleted: deletedAt !== null && deletedAt !== undefined };
  };
  return canonical(content(held)) === canonical(content(now));
}

/** JSON with its members in order: what is fetched and what is kept have members in orders of their own. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, member: unknown) =>
    typeof member === 'object' && member !== null && !Array.isArray(member)
      ? Object.fromEntries(Object.entries(member).sort(([a], [b]) => a.localeCompare(b)))
      : member,
  );
}

async function everythingOf(server: string, houseId: string): Promise<Readonly<Record<string, object>>> {
  const found: Record<string, object> = {};
  for (let since = 0; ;) {
    const { body } = await ask(`${server}/api/v1/ledgers/${houseId}/changes?since=${since}`);
    for (const { record } of body.records) found[record.id] = record;
    since = body.upTo;
    if (!body.more) return found;
  }
}

type History = Awaited<ReturnType<typeof historyOf>>;

function overwrittenUnseen(people: readonly Person[], history: History): readonly string[] {
  const seen = new Map(people.map((person) => [person.device.id, person.seen]));
  const last = new Map<string, { readonly device: string; readonly value: string }>();
  const found: string[] = [];
  for (const { recordId, device, values } of history) {
    for (const { key, value } of values) {
      const place = `${recordId} ${key}`;
      const before = last.get(place);
      const wasSeen =
        seen
          .get(device)
          ?.get(place)
          ?.has(before?.value ?? '') ?? false;
      if (before !== undefined && before.device !== device && before.value !== value && !wasSeen) {
        found.push(`${place}: ${before.value} by ${before.device} gave way to ${value} by ${device}`);
      }
      last.set(place, { device, value });
    }
  }
  return found;
}
