import { extname, join } from 'node:path';
import type { Logger } from 'pino';
import { createApp } from './http/create-app';
import { httpServer } from './http/http-server';
import { openLog } from './http/log';
import { openPhotoStore } from './photo-store/open-photo-store';
import { ChangeWatch } from './service/change-watch';
import { computing } from './service/computing';
import { openPractice } from './service/open-practice';
import { bringAllHome } from './service/pictures';
import { openThreads } from './service/threads';
import { settingsIn, StartTrouble, type Settings } from './settings';
import { openDatabase, whyNotStarted } from './store/database';
import { migrateDatabase } from './store/migrate';
import { allLedgers } from './store/records';

const CLEAN_MS = 6 * 3_600_000;

async function openTables({ databaseUrl }: Settings) {
  try {
    await migrateDatabase(databaseUrl, join(import.meta.dirname, 'store', 'migrations'));
    const database = openDatabase(databaseUrl);
    await openPractice(database.db);
    return database;
  } catch (error) {
    const why = whyNotStarted(error, databaseUrl);
    throw why === null ? error : new StartTrouble(why);
  }
}

async function start(settings: Settings, log: Logger): Promise<void> {
  const database = await openTables(settings);
  // Beside this file: built, or as it stands in the sources.
  const isBuilt = extname(import.meta.filename) === '.js';
  const computations = join(import.meta.dirname, 'service', `long-computation.${isBuilt ? 'cjs' : 'ts'}`);
  const threads = openThreads(computations, (err) => log.error({ err }, 'A thread failed'));
  const photos = await openPhotoStore(process.env);
  const clean = () => {
    photos
      .removeAbandoned(new Date())
      .catch((err: unknown) =>
        log.warn({ err }, 'Pieces of pictures that nobody goes on with are still there'),
      );
  };
  clean();
  setInterval(clean, CLEAN_MS).unref();
  const watch = new ChangeWatch(() => allLedgers(database.db));
  const { webFolder, addresses, trustedProxies, limits } = settings;
  const server = httpServer(
    createApp({
      db: database.db,
      log,
      compute: computing(threads),
      watch,
      photos,
      webFolder,
      addresses,
      trustedProxies,
      limits,
    }),
  );

  server.on('error', (error) => {
    const { code } = error as { readonly code?: string };
    endWith(
      code === 'EADDRINUSE'
        ? new StartTrouble(`Port ${settings.port} is in use: set CALVET_PORT to a free one.`)
        : error,
    );
  });
  server.listen(settings.port, settings.host, () => {
    log.info({ port: settings.port }, 'Listening');
    void bringAllHome({ db: database.db, photos })
      .then((left) => {
        if (left > 0) log.warn({ left }, 'Some pictures of a former version are not under their houses yet');
      })
      .catch((err: unknown) => log.warn({ err }, 'Pictures of a former version were not looked for'));
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
}

/** A sentence for what a person can put right, a stack for what is our fault. */
function endWith(error: unknown): never {
  console.error(error instanceof StartTrouble ? error.message : error);
  process.exit(1);
}

try {
  const settings = settingsIn(process.env, process.cwd());
  const { logLevel: level, logFile: file, logFileMb: fileMb } = settings;
  await start(settings, openLog({ level, file, fileMb }));
} catch (error) {
  endWith(error);
}
