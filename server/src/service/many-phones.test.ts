import type { Change, ChangeOutcome, KindedRecord } from '@calvet/contract';
import { seededRandom } from '@calvet/core/random/distributions';
import { v7 } from 'uuid';
import { areaBody, change, createHouse } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

const PHONES = 8;
const CHANGES_EACH = 500;
const BATCH = 40;

/** A phone as far as sync goes: what it holds, what waits, and a signal that comes and goes. */
class Phone {
  readonly device = v7();
  readonly copy = new Map<string, KindedRecord['record']>();
  queue: Change[] = [];
  made = 0;
  asked = 0;
  private upTo = 0;

  constructor(
    private readonly url: string,
    private readonly random: () => number,
  ) {}

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

  async look(): Promise<void> {
    for (;;) {
      const { body } = await ask(`${this.url}?since=${this.upTo}`);
      for (const { record } of body.records) this.copy.set(record.id, record as KindedRecord['record']);
      this.upTo = body.upTo;
      if (!body.more) return;
    }
  }

  /** Sends what waits, unless the signal goes before it leaves; the answer may be lost on its way. */
  async send(isReliable = false): Promise<void> {
    const batch = this.queue.slice(0, BATCH);
    if (batch.length === 0 || (!isReliable && this.random() < 0.15)) return;
    const { status, body } = await ask(this.url, {
      json: { changes: batch },
      headers: { 'x-calvet-device': this.device },
    });
    expect([200, 409]).toContain(status);
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

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

test('eight phones with a signal that comes and goes end in the state of the server, record by record', async () => {
  const houseId = v7();
  const url = `${server.url}/api/v1/houses/${houseId}/changes`;
  await ask(url, { json: { changes: [createHouse(houseId)] } });
  const phones = Array.from({ length: PHONES }, (_, i) => new Phone(url, seededRandom(i + 1)));
  await Promise.all(
    phones.map(async (phone, i) => {
      const random = seededRandom(100 + i);
      await phone.look();
      while (phone.made < CHANGES_EACH) {
        phone.edit();
        if (random() < 0.1) await phone.send();
        if (random() < 0.1) await phone.look();
      }
    }),
  );
  for (const phone of phones) while (phone.queue.length > 0) await phone.send(true);
  await Promise.all(phones.map((phone) => phone.look()));

  const fresh = new Phone(url, seededRandom(0));
  await fresh.look();
  expect(fresh.copy.size).toBeGreaterThan(PHONES);
  for (const phone of phones) {
    expect(Object.fromEntries(phone.copy)).toEqual(Object.fromEntries(fresh.copy));
  }
  expect(phones.reduce((sum, { asked }) => sum + asked, 0)).toBeGreaterThan(0);
});
