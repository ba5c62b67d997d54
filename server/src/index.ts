import { extname, join } from 'node:path';
import pino from 'pino';
import { createApp } from './http/create-app';
import { httpServer } from './http/http-server';
import { openPhotoStore } from './photo-store/open-photo-store';
import { ChangeWatch } from './service/change-watch';
import { computing } from './service/computing';
import { openPractice } from './service/open-practice';
import { openThreads } from './service/threads';
import { bringAllHome } from './service/pictures';
import { openDatabase } from './store/database';
import { migrateDatabase } from './store/migrate';
import { allLedgers } from './store/records';

const url = process.env.CALVET_DATABASE_URL;
if (url === undefined || url === '') {
  console.error('Set CALVET_DATABASE_URL to the MariaDB database that Calvet may use.');
  process.exit(1);
}

const CLEAN_MS = 6 * 3_600_000;
const port = Number(process.env.CALVET_PORT ?? 4310);
const log = pino({ level: process.env.CALVET_LOG_LEVEL ?? 'info' });
await migrateDatabase(url, join(import.meta.dirname, 'store', 'migrations'));
const database = openDatabase(url);
await openPractice(database.db);
// Beside this file, in the same language: built, or as it stands in the sources.
const computations = join(import.meta.dirname, 'service', `long-computation${extname(import.meta.filename)}`);
const threads = openThreads(computations, (err) => log.error({ err }, 'A thread failed'));
const photos = await openPhotoStore(process.env);
// Pieces of pictures that nobody goes on with.
setInterval(() => {
  void photos.incoming
    .deleteExpired()
    .catch((err: unknown) => log.warn({ err }, 'Old pieces are still there'));
}, CLEAN_MS).unref();
const watch = new ChangeWatch(() => allLedgers(database.db));
const server = httpServer(
  createApp({
    db: database.db,
    log,
    compute: computing(threads),
    watch,
    photos,
    webFolder: process.env.CALVET_WEB_FOLDER,
  }),
);

server.on('error', (error) => {
  log.fatal({ err: error }, 'The server cannot listen');
  process.exit(1);
});
server.listen(port, process.env.CALVET_HOST ?? '127.0.0.1', () => {
  log.info({ port }, 'Listening');
  void bringAllHome({ db: database.db, photos }).catch((err: unknown) =>
    log.warn({ err }, 'Some pictures of a former version are not under their houses yet'),
  );
});

let stopping = false;
function stop(signal: string): void {
  if (stopping) return;
  stopping = true;
  log.info({ signal }, 'Stopping');
  watch.close();
  server.close(() => {
    void Promise.allSettled([database.close(), threads.close()]).then(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 3000).unref();
}
process.on('SIGTERM', () => stop('SIGTERM'));
process.on('SIGINT', () => stop('SIGINT'));
if (process.connected) process.on('disconnect', () => stop('disconnect'));
