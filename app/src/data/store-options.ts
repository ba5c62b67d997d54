import type { Bodies, Kind } from '@calvet/contract/kinds';
import type { BodyChange } from '@calvet/contract/changes/parts';
import type { ChangeOp } from '@calvet/contract/changes/change';
import type { Api } from './api';
import type { Clock } from './clock';
import type { Stream } from './following';
import type { LocalDatabase } from './local-database';
import type { Channel, Locks } from './tabs';

/** Something that is to be done to a record. */
export interface Wish {
  readonly ledgerId: string;
  readonly kind: Kind;
  readonly id: string;
  readonly op: ChangeOp;
  /** Of a creation: the whole body. */
  readonly body?: Partial<Bodies[Kind]>;
  /** Of an update: what changed. */
  readonly change?: BodyChange;
}

export interface StoreOptions {
  readonly api: Api;
  readonly clock: Clock;
  /** Opens the device's own database; null where there is none. */
  readonly openLocal: ((options: Parameters<typeof LocalDatabase.open>[0]) => Promise<LocalDatabase>) | null;
  /** Tabs of one name share a device. */
  readonly name: string;
  readonly locks: Locks | null;
  readonly channel: Channel | null;
  readonly isVisible: () => boolean;
  /** Null where the server cannot tell by itself. */
  readonly openStream: ((path: string) => Stream) | null;
  readonly gatherMs?: number;
  readonly retryMs?: readonly number[];
  readonly faultMs?: number;
  /** How long the device's database has to open. */
  readonly openMs?: number;
}
