import type { BodyChange } from '@calvet/contract/changes/parts';
import type { PhotoSubject } from '@calvet/contract/photos/photo';
import { v7 } from 'uuid';
import type { ReadyPicture } from '../picture/messages';
import { answeredRecord } from './answered-record';
import { CatchingUp } from './catching-up';
import { Copies } from './copies';
import { EntryTimes } from './entry-times';
import { Following } from './following';
import { copiesOf, type LedgerCopy } from './ledger-copy';
import type { ToldHouses } from './house-summaries';
import { Keeping } from './keeping';
import type { LocalDatabase } from './local-database';
import type { Kept, KeptUpload, KeptWaiting, PictureOfHouse } from './local-schema';
import { Outbox } from './outbox';
import { baseOf, decisionOn, NO_CHANGE, type Choice, type Entry, type Troubled } from './outbox-rules';
import { photoBody, Pictures, takeUpHeld } from './pictures';
import { Reachability } from './reachability';
import { recordWriting } from './record-writing';
import type { Rescued } from './rescue-file';
import { Room } from './room';
import { Sender } from './sender';
import type { StoreOptions, Wish } from './store-options';
import { Tabs, type TabMessage } from './tabs';
import { TakingAlong } from './taking-along';
import { Typing } from './typing';
import { UploadQueue } from './upload-queue';

export type Store = ReturnType<typeof createStore>;

/**
 * What this device holds and what waits to be sent: the one door of the screens to the server and to local storage. It does
 * nothing before `start`.
 */
export function createStore(options: StoreOptions) {
  const { api, clock } = options;
  const tabs = new Tabs(options);
  const reachability = new Reachability(clock, options.retryMs);
  const keeping = new Keeping({
    open: options.openLocal,
    limitMs: options.openMs,
    rewrite: (local) => rewrite(local),
    onTakenUp: (kept) => takeUp(kept),
    onNoRoom: () => void room.make(),
  });
  const local = keeping.database;
  const copies = new Copies({ tabs, local });
  const outbox: Outbox = new Outbox({
    post: (message) => tabs.post(message),
    local,
    newId: () => v7(),
    onWaiting: () => sender.gather(),
  });
  const sender = new Sender({
    api,
    clock,
    outbox,
    reachability,
    isLeading: outbox.isLeading,
    onAnswered: (batch, outcomes) => {
      for (const pending of batch) {
        const { ledgerId, change } = pending;
        const held = copies.recordOf(ledgerId, change.id);
        const answered = answeredRecord(pending, outcomes.get(change.changeId), held);
        if (answered !== null) copies.take(ledgerId, [answered.item], 0);
      }
    },
    // Where it cannot be told just now, it is found out again.
    onUnknownLedger: (ledgerId) => catchingUp.tellAgain(ledgerId).catch(() => true),
    gatherMs: options.gatherMs,
    faultMs: options.faultMs,
  });
  const pictures: Pictures = new Pictures({ api, local, makeRoom: () => room.make() });
  const uploads: UploadQueue = new UploadQueue({
    clock,
    reachability,
    isLeading: outbox.isLeading,
    send: (upload, onUrl, onShare) => pictures.send(upload, onUrl, onShare),
    onChange: (upload) => local()?.keepUploads([upload]),
    onGone: (upload) => {
      local()?.dropUpload(upload);
      if (!uploads.holds(upload.sha256)) pictures.wasSent(upload.sha256);
    },
    onState: (state) => tabs.post({ kind: 'uploads', state }),
  });
  const taking = new TakingAlong({ copies, pictures, local, tabs, isLeading: outbox.isLeading });
  const catchingUp = new CatchingUp({
    api,
    clock,
    copies,
    outbox,
    settled: keeping.settled,
    onReached: () => {
      reachability.worked();
      if (options.isVisible()) following?.start();
    },
    onUnreachable: () => {
      reachability.missed();
      following?.stop();
    },
    onHouses: (told) => {
      houses = told;
      local()?.keepHouses(told);
    },
    onLost: (ledgerId) => tabs.post({ kind: 'lost', ledgerId }),
    writeLost,
  });
  const room = new Room({
    api,
    local,
    copies,
    outbox,
    uploads,
    taking,
    refreshLedger: catchingUp.refreshLedger,
  });
  const following =
    options.openStream === null
      ? null
      : new Following({
          open: options.openStream,
          clock,
          onNews: (news) => void catchingUp.hear(news),
          onOpen: () => {
            reachability.worked();
            catchingUp.lineOpened();
          },
        });
  const typing = new Typing();
  const entryTimes = new EntryTimes(clock);
  let isClosed = false;
  let houses: ToldHouses | null = null;
  function takeUp(kept: Kept): void {
    entryTimes.follow([
      ...kept.outbox.map(({ waiting }) => waiting.change),
      ...kept.entries.map(({ entry }) => entry),
    ]);
    copies.takeUp(copiesOf(kept));
    // Where this tab sends already, what it holds goes on after what the device kept.
    if (outbox.isLeading()) outbox.lead(kept.outbox, kept.entries);
    else {
      outbox.follow(kept);
      tabs.post({ kind: 'tell me' });
    }
    houses = kept.houses;
    taking.takeUp(kept.taken);
    uploads.add(kept.uploads);
  }

  /** The device's database was lost: what the page knows is written into a new one. */
  function rewrite(database: LocalDatabase): void {
    copies.rewrite(database);
    outbox.rewrite(database);
    database.keepUploads(uploads.getState().waiting);
    taking.rewrite(database);
    pictures.rewrite(database);
    if (houses !== null) database.keepHouses(houses);
  }

  /** The server lost something of a house, its pictures too perhaps; where it has those, it says so before they are sent. */
  function writeLost(ledgerId: string, lost: readonly Wish[], told: LedgerCopy): void {
    outbox.writeLost(ledgerId, lost.map(entryOf), (id) => told.records.get(id)?.record.revision ?? 0);
    const again = lost.flatMap(({ kind, op, body }): KeptUpload[] =>
      kind === 'photo' &&
      op === 'create' &&
      body !== undefined &&
      'sha256' in body &&
      body.sha256 !== undefined
        ? [{ sha256: body.sha256, houseId: ledgerId, url: null }]
        : [],
    );
    void takeUpHeld(pictures, uploads, again, (upload) => local()?.keepUploads([upload]));
  }

  function hear(message: TabMessage): void {
    switch (message.kind) {
      case 'entered':
        outbox.take(message.entries.map((entry) => ({ entry, order: null })));
        void outbox.takeEntered();
        break;
      case 'outbox':
        outbox.hear(message);
        break;
      case 'decide':
        if (outbox.isLeading()) outbox.decide(message.decision);
        break;
      case 'leads':
        tabs.post({ kind: 'tell me' });
        outbox.tellOwn();
        break;
      case 'tell me':
        if (outbox.isLeading()) void outbox.tellAll();
        break;
      case 'records':
      case 'replaced':
        copies.hear(message);
        break;
      case 'lost':
        if (outbox.isLeading()) void catchingUp.tellAgain(message.ledgerId).catch(() => undefined);
        break;
      case 'taken':
        taking.takeUp(message.houseIds);
        break;
      case 'uploads':
        uploads.hear(message.state);
        break;
      case 'upload':
        if (outbox.isLeading()) uploads.add([message.upload]);
        break;
      case 'drop upload':
        if (outbox.isLeading()) uploads.letGo(message.picture);
        break;
      case 'try now':
        if (outbox.isLeading()) tryNow();
        break;
      case 'let me':
        break;
    }
  }

  /** What the device has kept of what waits; read again where its database came meanwhile. */
  async function keptNow(): Promise<readonly [KeptWaiting | undefined, readonly KeptUpload[] | undefined]> {
    for (;;) {
      const database = local();
      await database?.settled();
      const kept = await Promise.all([database?.loadWaiting(), database?.loadUploads()]);
      if (database === local()) return kept;
    }
  }

  /** This tab sends from now on: it takes up what all tabs have written. */
  async function lead(): Promise<void> {
    await keeping.settled;
    const [waiting, kept] = await keptNow();
    if (isClosed) return;
    outbox.lead(waiting?.outbox ?? [], waiting?.entries ?? []);
    // Entered while that was read.
    await outbox.takeEntered();
    tabs.post({ kind: 'leads' });
    uploads.add(kept ?? uploads.getState().waiting);
    taking.fetchSoon();
  }

  async function rest(): Promise<void> {
    outbox.rest();
    sender.rest();
    uploads.rest();
    await local()?.settled();
  }

  function entryOf(wish: Wish): Entry {
    const { ledgerId, kind, id, op, body = {}, change: wished = NO_CHANGE } = wish;
    const done = op === 'create' ? { body: body as BodyChange['body'], parts: [] } : wished;
    const { pending, troubled } = outbox.getState();
    // Of whichever tab, and whatever the clock: what is entered over something comes after it.
    if (op !== 'create')
      entryTimes.follow(
        [...pending, ...troubled].flatMap(({ change }) => (change.id === id ? [change] : [])),
      );
    const heldRevision = copies.recordOf(ledgerId, id)?.record.revision ?? 0;
    return {
      entryId: v7(),
      ledgerId,
      kind,
      id,
      op,
      change: done,
      // What lies under something that waits was not on the screen, whichever tab sends it.
      seenRevision: baseOf({ id, op, change: done, seenRevision: heldRevision }, pending),
      enteredAt: entryTimes.next(),
    };
  }

  /** Enters many things in one go. */
  function writeAll(wishes: readonly Wish[]): void {
    if (wishes.length > 0) outbox.write(wishes.map(entryOf));
  }

  /** Tries at once to send what waits, whatever was tried before. */
  function tryNow(): void {
    reachability.tryNow();
    if (outbox.isLeading()) {
      sender.sendNow();
      uploads.retryNow();
    } else tabs.post({ kind: 'try now' });
  }

  function upload(one: KeptUpload): void {
    local()?.keepUploads([one]);
    uploads.add([one]);
    tabs.post({ kind: 'upload', upload: one });
  }

  const records = recordWriting({ copies, outbox, typing, writeAll });

  return {
    outbox,
    copies,
    typing,
    pictures,
    uploads,
    taking,
    keeping,
    reachability,
    following,
    api,

    /** Opens what the device kept, and begins to send. */
    start: async (): Promise<void> => {
      keeping.start();
      tabs.start({ onLead: lead, onRest: rest, onMessage: hear });
      await keeping.settled;
    },

    /** Comes to rest; for tests, and for nothing else. */
    close: (): void => {
      isClosed = true;
      outbox.rest();
      sender.rest();
      uploads.rest();
      following?.stop();
      taking.close();
      catchingUp.close();
      tabs.close();
      keeping.close();
    },

    /** The page came into sight or went out of it. */
    lookedAt: (isVisible: boolean): void => {
      if (!isVisible) {
        following?.stop();
        return;
      }
      tabs.wantToLead();
      if (!reachability.isDown()) following?.start();
    },

    /** Calls where something may have been missed. */
    onMissed: (listener: () => void): void => {
      catchingUp.askBy(listener);
    },

    /** The list of houses as it was last told; null before. */
    knownHouses: (): ToldHouses | null => houses,
    refreshLedger: catchingUp.refreshLedger,
    refreshHouses: catchingUp.refreshHouses,
    writeAll,
    tryNow,
    /** Settles one question, as it is shown. */
    decide: (group: readonly Troubled[], choice: Choice): void => {
      const [first] = group;
      if (first === undefined) return;
      outbox.decide(decisionOn(group, choice, copies.recordOf(first.ledgerId, first.change.id)));
    },

    ...records,

    /**
     * Takes a picture in: kept on the device, tied to its record, and sent when there is a signal.
     * @returns the id of the photo
     * @throws {NoRoomOnDevice}
     */
    addPhoto: async (
      houseId: string,
      picture: ReadyPicture,
      subject: PhotoSubject,
      beforeId: string | null = null,
    ): Promise<string> => {
      // The picture first: a record of a picture that was not kept would promise what nobody has.
      const { sha256, full, thumbnail } = picture;
      await pictures.keep({ sha256, houseId, full, thumbnail });
      const id = records.createRecord(houseId, 'photo', photoBody(picture, subject, beforeId));
      upload({ sha256, houseId, url: null });
      // Whoever is told that it was added may close the app.
      await local()?.settled();
      return id;
    },

    /**
     * Takes up what another device, or this one before its app failed, held unsent: it is sent like what is entered here.
     * @returns how many entries are new here; null where another tab sends, which is to do it
     * @throws {NoRoomOnDevice}
     */
    bringBack: async ({ changes, pictures: rescued }: Rescued): Promise<number | null> => {
      if (!outbox.isLeading()) return null;
      for (const { sha256, houseId, full } of rescued) {
        await pictures.keep({ sha256, houseId, full, thumbnail: null });
        upload({ sha256, houseId, url: null });
      }
      const fresh = outbox.bringBack(changes);
      await local()?.settled();
      return fresh;
    },

    /** Lets go of a picture that the server did not take. */
    letGoOfPicture: (picture: PictureOfHouse): void => {
      uploads.letGo(picture);
      tabs.post({ kind: 'drop upload', picture });
    },

    takeAlong: (houseId: string): void => {
      taking.take(houseId);
      void catchingUp.refreshLedger(houseId).catch(() => undefined);
    },

    /** True where something of a house is on this device alone. */
    holdsUnsent: room.holdsUnsent,
    freeHouse: room.freeHouse,
  };
}
