import type { KindedRecord } from '@calvet/contract/kinds';
import type { LedgerCopy } from './ledger-copy';
import { UPGRADES, type KeptChange, type KeptUpload, type PictureOfHouse } from './local-schema';
import type { Decision, Entry } from './outbox-rules';
import type { UploadsState } from './upload-queue';

/** What of `navigator.locks` is needed here. */
export interface Locks {
  readonly request: (name: string, holding: () => Promise<void>) => Promise<void>;
}

/** What of `BroadcastChannel` is needed here. */
export interface Channel {
  postMessage: (message: unknown) => void;
  onmessage: ((event: { readonly data: unknown }) => void) | null;
  close: () => void;
}

/** What tabs of one browser tell each other. */
export type TabMessage =
  /** A tab that does not send has kept something for the one that does; here, where the device keeps nothing. */
  | { readonly kind: 'entered'; readonly entries: readonly Entry[] }
  /** What waits has changed. */
  | {
      readonly kind: 'outbox';
      readonly changed: readonly KeptChange[];
      readonly gone: readonly string[];
      /** Entries of other tabs that are part of it now. */
      readonly took: readonly string[];
      readonly phase: 'idle' | 'sending' | 'unreachable';
      /** True where this is all that waits, and not what changed of it. */
      readonly isAll: boolean;
    }
  | { readonly kind: 'decide'; readonly decision: Decision }
  /** Another tab sends from now on. */
  | { readonly kind: 'leads' }
  /** A tab wants to know all that waits. */
  | { readonly kind: 'tell me' }
  /** A person looks at this tab: whoever sends unseen is to leave it to this one. */
  | { readonly kind: 'let me' }
  | {
      readonly kind: 'records';
      readonly ledgerId: string;
      /** These are all that changed after this number … */
      readonly since: number;
      /** … up to this one. */
      readonly upTo: number;
      readonly records: readonly KindedRecord[];
    }
  | { readonly kind: 'replaced'; readonly ledgerId: string; readonly copy: LedgerCopy | null }
  | { readonly kind: 'lost'; readonly ledgerId: string }
  | { readonly kind: 'taken'; readonly houseIds: readonly string[] }
  | { readonly kind: 'uploads'; readonly state: UploadsState }
  | { readonly kind: 'upload'; readonly upload: KeptUpload }
  | { readonly kind: 'drop upload'; readonly picture: PictureOfHouse }
  | { readonly kind: 'try now' };

/** Tabs of another version of the app keep things in another form: they settle who sends, and tell each other nothing else. */
const FORM = UPGRADES.length;

type PostedMessage = TabMessage & { readonly form?: number };

interface TabsOptions {
  /** Tabs of one name share what they hold. */
  readonly name: string;
  /** Null where the browser has none: then every tab sends for itself. */
  readonly locks: Locks | null;
  readonly channel: Channel | null;
  readonly isVisible: () => boolean;
}

interface Roles {
  /** This tab sends from now on. */
  readonly onLead: () => Promise<void>;
  /** Another tab is to send: this one comes to rest. */
  readonly onRest: () => Promise<void>;
  readonly onMessage: (message: TabMessage) => void;
}

/**
 * The tabs of one browser: one of them sends, the one that a person looks at where there are several. Which one is settled
 * by a lock of the browser, which goes to another tab when its holder is closed or ends.
 */
export class Tabs {
  private roles: Roles | null = null;
  private isHolding = false;
  private isClosed = false;
  private letGo: () => void = () => undefined;

  constructor(private readonly options: TabsOptions) {}

  start(roles: Roles): void {
    this.roles = roles;
    const { channel } = this.options;
    if (channel !== null) {
      channel.onmessage = ({ data }) => this.hear(data as PostedMessage);
    }
    this.queueUp();
    this.wantToLead();
  }

  post(message: TabMessage): void {
    const posted: PostedMessage = { ...message, form: FORM };
    if (!this.isClosed) this.options.channel?.postMessage(posted);
  }

  /** Asks the tab that sends to leave it to this one. */
  wantToLead(): void {
    if (!this.isHolding && this.options.isVisible()) this.post({ kind: 'let me' });
  }

  close(): void {
    if (this.isClosed) return;
    this.isClosed = true;
    this.isHolding = false;
    this.options.channel?.close();
    this.letGo();
  }

  private hear(message: PostedMessage): void {
    if (this.isClosed) return;
    if (message.kind === 'let me') void this.giveWay();
    else if (message.form === FORM) this.roles?.onMessage(message);
  }

  private queueUp(): void {
    const { locks, name } = this.options;
    if (locks === null) void this.hold();
    else void locks.request(name, () => this.hold()).catch(() => undefined);
  }

  private async hold(): Promise<void> {
    if (this.isClosed) return;
    const released = new Promise<void>((resolve) => {
      this.letGo = resolve;
    });
    this.isHolding = true;
    await this.roles?.onLead();
    await released;
  }

  private async giveWay(): Promise<void> {
    if (!this.isHolding || this.options.isVisible()) return;
    this.isHolding = false;
    await this.roles?.onRest();
    this.letGo();
    if (!this.isClosed) this.queueUp();
  }
}
