import {
  changeBetween,
  changedBody,
  ownFields,
  valueAt,
  type Bodies,
  type Change,
  type Kind,
  type KindedRecord,
  type PartChange,
} from '@calvet/contract';
import { seededRandom } from '@calvet/core/random/distributions';
import { v7 } from 'uuid';
import { isOfDeletedHouse, waitingIn, type Troubled } from '../../app/src/data/outbox-rules';
import { EMPTY_COPY, withPending } from '../../app/src/data/ledger-copy';
import type { Store } from '../../app/src/data/store';
import { areaBody, testBody } from '../../server/test/records';
import { Device, type Weather } from './device';

/** A value that somebody entered, which stands nowhere else. */
export interface Entered {
  readonly device: string;
  readonly recordId: string;
  /** The field, part or entry that it was entered into. */
  readonly key: string;
  readonly value: string;
  /** In which of the person's tabs. */
  readonly tab: Store;
  /** What stood there on the screen before. */
  readonly over: string;
}

type Chance = readonly (readonly [weight: number, weather: Weather])[];

export const ROUGH: Chance = [
  [60, 'fine'],
  [12, 'answer lost'],
  [12, 'offline'],
  [6, 'portal'],
  [4, 'gateway'],
  [3, 'too many'],
  [3, 'empty'],
];

const comparable = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value));

interface PersonOptions {
  readonly houseId: string;
  readonly server: () => string;
  readonly seed: number;
  readonly weather: Chance;
  readonly clockOff?: number;
}

/** A person with a device, who enters, deletes and decides, and remembers what they saw and said. */
export class Person {
  readonly device: Device;
  readonly entered: Entered[] = [];
  /** Values that they gave up in a dispute. */
  readonly givenUp = new Set<string>();
  /** By record and key, every value that was on their screen. */
  readonly seen = new Map<string, Set<string>>();
  isFine = false;
  private readonly random: () => number;
  private count = 0;

  constructor(private readonly options: PersonOptions) {
    this.random = seededRandom(options.seed);
    this.device = new Device({
      server: options.server,
      weather: () => this.weather(),
      clockOff: options.clockOff,
      random: this.random,
    });
  }

  private weather(): Weather {
    if (this.isFine) return 'fine';
    const { weather } = this.options;
    let left = this.random() * weather.reduce((sum, [weight]) => sum + weight, 0);
    for (const [weight, kind] of weather) {
      left -= weight;
      if (left <= 0) return kind;
    }
    return 'fine';
  }

  private oneOf<Item>(items: readonly Item[]): Item | undefined {
    return items[Math.floor(this.random() * items.length)];
  }

  /** What a tab shows of the house. */
  private shown(tab: Store): ReadonlyMap<string, KindedRecord> {
    const { houseId } = this.options;
    const copy = tab.copies.all().get(houseId) ?? EMPTY_COPY;
    return withPending(copy, houseId, waitingIn(tab.outbox.getState(), houseId)).records;
  }

  private look(record: object, kind: Kind, recordId: string, key: string): void {
    const seen = this.seen.get(`${recordId} ${key}`) ?? new Set();
    seen.add(comparable(valueAt(kind, record as Readonly<Record<string, unknown>>, key)));
    this.seen.set(`${recordId} ${key}`, seen);
  }

  /** Does something in one of the tabs. */
  async act(): Promise<void> {
    const tab = this.oneOf(this.device.tabs);
    if (tab === undefined) return;
    const dice = this.random();
    if (dice < 0.62) this.type(tab);
    else if (dice < 0.7) this.make(tab);
    else if (dice < 0.74) this.deleteOrRestore(tab);
    else if (dice < 0.78) this.decide(tab);
    else if (dice < 0.9) await tab.refreshHouses().catch(() => undefined);
    else if (dice < 0.93) await this.reload(tab);
    else if (dice < 0.95) await this.otherTab();
    else if (dice < 0.96) this.deleteOrRestoreHouse(tab);
    else await new Promise((resolve) => setTimeout(resolve, this.random() * 12));
  }

  private async reload(tab: Store): Promise<void> {
    await this.device.kill(tab);
    await this.device.openTab();
  }

  private async otherTab(): Promise<void> {
    const [first, second] = this.device.tabs;
    if (first !== undefined && second !== undefined) await this.device.kill(first);
    else await this.device.openTab();
  }

  private make(tab: Store): void {
    const { houseId } = this.options;
    const value = this.nextValue();
    if (this.random() < 0.5) {
      const id = tab.createRecord(houseId, 'area', { ...areaBody, name: value });
      this.note(tab, id, 'name', value);
    } else {
      const id = tab.createRecord(houseId, 'airtightnessTest', {
        ...testBody,
        depressurise: null,
        note: value,
      });
      this.note(tab, id, 'note', value);
    }
  }

  private note(tab: Store, recordId: string, key: string, value: unknown, over?: unknown): void {
    const device = this.device.id;
    this.entered.push({ device, recordId, key, value: comparable(value), tab, over: comparable(over) });
  }

  private nextValue(): string {
    return `${this.device.id.slice(-6)} ${this.count++}`;
  }

  /** Types into a field, a reading or a layer of something that is there. */
  private type(tab: Store): void {
    const there = [...this.shown(tab).values()].filter(({ record }) => record.deletedAt === null);
    const item = this.oneOf(there.filter(({ kind }) => kind === 'area' || kind === 'airtightnessTest'));
    if (item === undefined) {
      this.make(tab);
      return;
    }
    if (item.kind === 'area') this.typeArea(tab, item);
    else if (item.kind === 'airtightnessTest') this.typeTest(tab, item);
  }

  private update<K extends Kind>(
    tab: Store,
    item: KindedRecord & { kind: K },
    key: string,
    body: object,
  ): void {
    this.look(item.record, item.kind, item.record.id, key);
    tab.updateRecord(item.kind, item.record as never, body as never);
    const wished = { ...ownFields(item.record), ...body };
    const over = valueAt(item.kind, ownFields(item.record), key);
    this.note(tab, item.record.id, key, valueAt(item.kind, wished, key), over);
  }

  private typeArea(tab: Store, item: KindedRecord & { kind: 'area' }): void {
    const { buildUp } = item.record;
    const layer = this.oneOf(buildUp?.layers ?? []);
    if (this.random() < 0.5 || buildUp === null || layer === undefined) {
      this.update(tab, item, 'name', { name: this.nextValue() });
      return;
    }
    const layers = buildUp.layers.map((each) =>
      each.id === layer.id ? { ...each, name: this.nextValue() } : each,
    );
    this.update(tab, item, `buildUp.layers#${layer.id}`, { buildUp: { ...buildUp, layers } });
  }

  private typeTest(tab: Store, item: KindedRecord & { kind: 'airtightnessTest' }): void {
    const dice = this.random();
    if (dice < 0.3) {
      this.update(tab, item, 'note', { note: this.nextValue() });
      return;
    }
    const run = item.record.depressurise ?? { baselineBeforePa: [], baselineAfterPa: [], readings: [] };
    const known = dice < 0.6 ? this.oneOf(run.readings) : undefined;
    const reading = {
      ...(known ?? { id: v7(), pressurePa: null, flowM3h: null, fanPressurePa: null, fanRange: null }),
      struckOut: this.nextValue(),
    };
    const readings =
      known === undefined
        ? [...run.readings, reading]
        : run.readings.map((each) => (each.id === known.id ? reading : each));
    if (readings.length > 190) return;
    this.update(tab, item, `depressurise.readings#${reading.id}`, { depressurise: { ...run, readings } });
  }

  private deleteOrRestore(tab: Store): void {
    const { houseId } = this.options;
    const items = [...this.shown(tab).values()].filter(({ kind }) => kind !== 'house');
    const item = this.oneOf(items);
    if (item === undefined) return;
    const { id, deletedAt } = item.record;
    if (deletedAt === null) tab.deleteRecord(houseId, item.kind, id);
    else tab.restoreRecord(houseId, item.kind, id);
  }

  private deleteOrRestoreHouse(tab: Store): void {
    const { houseId } = this.options;
    const house = this.shown(tab).get(houseId);
    if (house === undefined) return;
    if (house.record.deletedAt === null) {
      if (this.random() < 0.5) tab.deleteRecord(houseId, 'house', houseId);
    } else tab.restoreRecord(houseId, 'house', houseId);
  }

  /** Settles one question, as it stands on the screen. */
  decide(tab: Store): boolean {
    const troubled = this.oneOf(tab.outbox.getState().troubled);
    if (troubled === undefined) return false;
    const isMine = this.random() < 0.5;
    const settled = isOfDeletedHouse(troubled)
      ? tab.outbox.getState().troubled.filter(isOfDeletedHouse)
      : [troubled];
    settled.forEach((each) => this.lookAtDispute(tab, each));
    if (!isMine) settled.forEach((each) => this.giveUp(each.change));
    tab.decide(settled, troubled.trouble.kind === 'refused' ? 'again' : isMine ? 'mine' : 'theirs');
    return true;
  }

  private lookAtDispute(tab: Store, { change, trouble, ledgerId }: Troubled): void {
    if (trouble.kind !== 'conflict') return;
    const held = tab.copies.recordOf(ledgerId, change.id) ?? trouble.current;
    for (const key of keysIn(change)) {
      this.look(held.record, change.kind, change.id, key);
      this.look(trouble.current.record, change.kind, change.id, key);
    }
  }

  private giveUp(change: Change): void {
    for (const { key, value } of valuesIn(change)) this.givenUp.add(`${change.id} ${key} ${value}`);
  }
}

function keysIn({ body, parts = [] }: Pick<Change, 'body' | 'parts'>): readonly string[] {
  return [
    ...Object.keys(body),
    ...parts.map((part) => ('id' in part ? `${part.path}#${part.id}` : part.path)),
  ];
}

/** Every value that a change brings, by the key that it is entered under. */
export function valuesIn(change: {
  readonly kind: Kind;
  readonly body: object;
  readonly parts?: readonly PartChange[] | null;
}): readonly { readonly key: string; readonly value: string }[] {
  // What a body holds is looked at entry by entry too, since later entries join a creation.
  const within = changeBetween(change.kind, {}, change.body as Readonly<Record<string, unknown>>);
  const parts = [...within.parts, ...(change.parts ?? [])];
  const body = changedBody(change.kind, {}, { body: within.body as Partial<Bodies[Kind]>, parts });
  return keysIn({ body: within.body, parts }).map((key) => ({
    key,
    value: comparable(valueAt(change.kind, body, key)),
  }));
}
