// Lists what is unsent on this device and saves it to a file, where the app itself does not start.
const DATABASE = 'calvet';

const settled = (request) =>
  new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });

/** The device's database as it is, of whichever version; null where there is none. */
function open() {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(DATABASE);
    // There was none, and none is made.
    request.onupgradeneeded = () => request.transaction.abort();
    request.onsuccess = () => resolve(request.result);
    request.onblocked = () => reject(new Error('Another tab holds it: close the other tabs.'));
    request.onerror = () => (request.error?.name === 'AbortError' ? resolve(null) : reject(request.error));
  });
}

async function all(database, store) {
  if (!database.objectStoreNames.contains(store)) return [];
  return settled(database.transaction(store).objectStore(store).getAll());
}

const asDataUrl = (blob) =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result);
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(blob);
  });

/** Everything that the server does not have: changes in the order of sending, entries of other tabs, whole pictures. */
async function unsent(database) {
  const [outbox, entries, uploads] = await Promise.all(
    ['outbox', 'entries', 'uploads'].map((store) => all(database, store)),
  );
  const pictures = [];
  for (const { sha256, houseId } of uploads) {
    const kept = await settled(database.transaction('pictures').objectStore('pictures').get(sha256));
    if (kept?.full) pictures.push({ sha256, houseId, picture: await asDataUrl(kept.full) });
  }
  return {
    changes: outbox.sort((a, b) => a.order - b.order).map(({ waiting }) => waiting),
    entries: entries.map(({ entry }) => entry),
    pictures,
  };
}

const DEEDS = { create: 'New', update: 'Changed', delete: 'Deleted', restore: 'Put back' };
const KINDS = { house: 'house', area: 'area', airtightnessTest: 'door test', photo: 'photo' };

/** A change that waits, or an entry that another tab made, in words. */
function words(line) {
  const { op, kind, body, change, enteredAt } = line.change?.op === undefined ? line : line.change;
  const name = body?.name ?? change?.body?.name;
  const what = `${DEEDS[op] ?? op} ${KINDS[kind] ?? kind}${name === undefined ? '' : ` “${name}”`}`;
  return enteredAt === undefined ? what : `${what}, ${new Date(enteredAt).toLocaleString()}`;
}

function save(found) {
  const savedAt = new Date().toISOString();
  const file = new Blob(
    [JSON.stringify({ format: 'calvet-unsent', version: 1, savedAt, ...found }, null, 1)],
    {
      type: 'application/json',
    },
  );
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = `calvet-unsent-${savedAt.slice(0, 10)}.json`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

async function show() {
  const answer = document.getElementById('answer');
  const database = await open();
  const found = database === null ? { changes: [], entries: [], pictures: [] } : await unsent(database);
  database?.close();
  const lines = [...found.changes, ...found.entries];
  const count = lines.length + found.pictures.length;
  if (count === 0) {
    answer.textContent = 'Nothing on this device is unsent.';
    return;
  }
  answer.textContent = `Unsent: ${lines.length} entries and ${found.pictures.length} pictures.`;
  const button = document.getElementById('save');
  button.hidden = false;
  button.addEventListener('click', () => save(found));
  for (const line of lines) {
    const item = document.createElement('li');
    item.textContent = words(line);
    document.getElementById('list').append(item);
  }
}

show().catch((error) => {
  document.getElementById('answer').textContent = `The device’s database cannot be read: ${error.message}`;
});
