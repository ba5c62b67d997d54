import type { Page } from '@playwright/test';

/** A device's database as it was written down from a browser. */
export interface FormerDevice {
  readonly version: number;
  readonly stores: Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>;
}

/** Writes a device's database as the first versions of the app kept it. */
export async function keepFormer(page: Page, device: FormerDevice): Promise<void> {
  await page.evaluate(async ({ version, stores }) => {
    const opening = indexedDB.open('calvet', version);
    opening.onupgradeneeded = () => {
      const db = opening.result;
      db.createObjectStore('copies', { keyPath: 'houseId' });
      db.createObjectStore('records', { keyPath: ['houseId', 'id'] });
      db.createObjectStore('outbox', { keyPath: 'changeId' });
      db.createObjectStore('lists', { keyPath: 'name' });
      db.createObjectStore('pictures', { keyPath: 'sha256' }).createIndex('house', 'houseId');
      db.createObjectStore('uploads', { keyPath: 'sha256' });
      db.createObjectStore('taken', { keyPath: 'houseId' });
    };
    const db = await new Promise<IDBDatabase>((resolve) => {
      opening.onsuccess = () => resolve(opening.result);
    });
    const blobOf = (kept: { readonly type: string; readonly base64: string } | null) =>
      kept &&
      new Blob([Uint8Array.from(atob(kept.base64), (char) => char.charCodeAt(0))], { type: kept.type });
    const tx = db.transaction(Object.keys(stores), 'readwrite');
    for (const [store, rows] of Object.entries(stores)) {
      for (const row of rows) {
        const { full, thumbnail } = row as { full: never; thumbnail: never };
        const pictures = store === 'pictures' ? { full: blobOf(full), thumbnail: blobOf(thumbnail) } : {};
        tx.objectStore(store).put({ ...row, ...pictures });
      }
    }
    await new Promise((resolve) => {
      tx.oncomplete = resolve;
    });
    db.close();
  }, device);
}
