import type { Change, ChangeOutcome, KindedRecord } from '@calvet/contract';
import { seededRandom } from '@calvet/core/random/distributions';
import { v7 } from 'uuid';
import { areaBody, change, createHouse } from './records';
import { ask } from './asking';

const BATCH = 40;

/** A server that is away, or whose database is. */
const isAway = (status: number): boolean => status >= 500;

async function answerOr503(asking: () => ReturnType<typeof ask>): ReturnType<typeof ask> {
  try {
    return await asking();
  } catch {
    return { status: 503, type: '', text: '', body: {} as never };
  }
}

/** A phone as far as sync goes: what it holds, what waits, and a signal that comes and goes. */
export class Phone {
  readonly device = v7();
  readonly copy = new Map<string, KindedRecord['record']>();
  queue: Change[] = [];
  made = 0;
  asked = 0;
  private upTo = 0;

  /** @param urls where the changes of the house are, with each of the servers that may be asked */
  constructor(
    private readonly urls: readonly string[],
    private readonly random: () => number,
  ) {}

  private get url(): string {
    return this.oneOf(this.urls);
  }

  private oneOf<Item>(items: readonly Item[]): Item {
    return items[Math.floor(this.random() * items.length)] as Item;
  }

  /** Does something to an area that it knows, or makes one. */
  edit(): void {
    this.made++;
    const areas = [...this.copy.values()].filter((record) => 'buildUp' in record);
    const there = areas.filter(({ deletedAt }) => deletedAt === null);
    if (there.length === 0 || this.random() < 0.08) {
      this.queue.push(change({ body: { ...areaBody, name: `Wall ${this.made}` } }));
      return;
    }
    const { id, revision } = this.oneOf(there);
    const body = this.oneOf([
      { name: `Named ${this.made}` },
      { grade: this.oneOf(['I', 'II', 'III'] as const) },
      { areaM2: 1 + this.made },
      { name: `Both ${this.made}`, areaM2: 2 + this.made },
    ]);
    const isDeletion = this.random() < 0.03;
    this.queue.push(
      change({
        id,
        baseRevision: revision,
        op: isDeletion ? 'delete' : 'update',
        body: isDeletion ? {} : body,
      }),
    );
  }

  /** Brings its copy up to date; false where the server cannot be reached. */
  async look(): Promise<boolean> {
    for (;;) {
      const { status, body } = await answerOr503(() => ask(`${this.url}?since=${this.upTo}`));
      if (isAway(status)) return false;
      if (status !== 200) throw new Error(`Looking was answered with ${status}.`);
      for (const { record } of body.records) this.copy.set(record.id, record as KindedRecord['record']);
      this.upTo = body.upTo;
      if (!body.more) return true;
    }
  }

  /** Sends what waits, unless the signal goes before it leaves; the answer may be lost on its way. */
  async send(isReliable = false): Promise<void> {
    const batch = this.queue.slice(0, BATCH);
    if (batch.length === 0 || (!isReliable && this.random() < 0.15)) return;
    const { status, body } = await answerOr503(() =>
      ask(this.url, { json: { changes: batch }, headers: { 'x-calvet-device': this.device } }),
    );
    if (isAway(status)) return;
    if (status !== 200 && status !== 409) throw new Error(`A batch was answered with ${status}.`);
    if (!isReliable && this.random() < 0.2) return;
    const results = body.results as unknown as readonly ChangeOutcome[];
    const again = batch.flatMap((each, i): Change[] => {
      const result = results[i];
      if (result?.outcome !== 'conflict') return [];
      this.asked++;
      // The person keeps theirs or gives way; an area that is gone stays gone.
      const { record } = result.current;
      if (record.deletedAt !== null || this.random() < 0.5) return [];
      return [{ ...each, changeId: v7(), baseRevision: record.revision }];
    });
    this.queue = [...again, ...this.queue.slice(batch.length)];
  }
}

interface Crowd {
  /** Addresses of the servers, all over one database. */
  readonly servers: readonly string[];
  readonly phones: number;
  readonly changesEach: number;
  /** Told after each look of the first phone how much of its work is done, 0…1. */
  readonly onShare?: (share: number) => Promise<void> | void;
  readonly seed?: number;
}

export interface CrowdResult {
  readonly phones: readonly Phone[];
  /** A device that saw nothing of it and fetches all at the end. */
  readonly fresh: Phone;
}

async function lookAtLast(phone: Phone): Promise<void> {
  while (!(await phone.look())) await pause(50);
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/**
 * Phones that all write in one house, each with whatever server its signal leads to, until everything is sent and everyone
 * has looked once more.
 */
export async function crowd(plan: Crowd): Promise<CrowdResult> {
  const { servers, phones: count, changesEach, onShare, seed = 1 } = plan;
  const houseId = v7();
  const urls = servers.map((server) => `${server}/api/v1/houses/${houseId}/changes`);
  const first = await ask(urls[0] ?? '', { json: { changes: [createHouse(houseId)] } });
  if (first.status !== 200) throw new Error(`The house was answered with ${first.status}.`);
  const phones = Array.from({ length: count }, (_, i) => new Phone(urls, seededRandom(seed + i)));
  await Promise.all(
    phones.map(async (phone, i) => {
      const random = seededRandom(seed + 100 + i);
      await phone.look();
      while (phone.made < changesEach) {
        phone.edit();
        if (random() < 0.1) await phone.send();
        if (random() < 0.1) {
          await phone.look();
          if (i === 0) await onShare?.(phone.made / changesEach);
        }
      }
    }),
  );
  for (const phone of phones) {
    while (phone.queue.length > 0) {
      const before = phone.queue.length;
      await phone.send(true);
      if (phone.queue.length === before) await pause(50);
    }
  }
  const fresh = new Phone(urls, seededRandom(0));
  await Promise.all([...phones, fresh].map(lookAtLast));
  return { phones, fresh };
}
