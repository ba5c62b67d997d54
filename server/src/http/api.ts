import { API, BATCH_MAX, CONFIRM_MAX, LEDGERS_ASKED_MAX, type ChangeOutcome } from '@calvet/contract';
import { pictureName } from '@calvet/contract/schemas';
import express, { Router, type Request, type RequestHandler } from 'express';
import Joi from 'joi';
import { acceptChanges } from '../service/accept-changes';
import type { ChangeWatch } from '../service/change-watch';
import type { Compute } from '../service/computing';
import { HouseSummaries } from '../service/house-summaries';
import { readChanges, readChangesOf, readDeletedHouses, readHouses } from '../service/read-changes';
import { ping, type Database } from '../store/database';
import type { PhotoStore } from '../photo-store/photo-store';
import { eventsHandler } from './events';
import { confirmPictures, houseShowing } from '../service/pictures';
import { asFormerly } from './former-changes';
import { houseIdOf, ledgerId, ledgerIdOf } from './paths';
import { addPictureRoutes } from './pictures';
import { recognise, recogniseAnybody, whoAsks, type Recognise } from './principal';
import { HttpProblem } from './problems';
import { uploadsHandler } from './uploads';

const BODY_BYTES_MAX = 1_000_000;

const since = Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).default(0);
const ledgersSince = Joi.array()
  .items(Joi.array().ordered(ledgerId, since.required()).length(2))
  .min(1)
  .max(LEDGERS_ASKED_MAX)
  .required();
const pictureNames = Joi.array().items(pictureName).min(1).max(CONFIRM_MAX).required();
const batch = Joi.array().min(1).max(BATCH_MAX).required();

function sinceOf(request: Request): number {
  const { error, value } = since.validate(request.query.since);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'out-of-range',
      'since',
      'The change number must be a whole number, 0 or more.',
    );
  }
  return value as number;
}

/** "LEDGER:N,LEDGER:N" by ledger. */
function sinceOfLedgers(request: Request): ReadonlyMap<string, number> {
  const pairs = String(request.query.since ?? '')
    .split(',')
    .map((pair) => pair.split(':'));
  const { error, value } = ledgersSince.validate(pairs);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'malformed-list',
      'since',
      `Ask for 1 to ${LEDGERS_ASKED_MAX} ledgers as ID:NUMBER, with commas between.`,
    );
  }
  return new Map(value as [string, number][]);
}

function batchOf(request: Request): readonly unknown[] {
  const { error, value } = batch.validate(
    (request.body as { readonly changes?: unknown } | undefined)?.changes,
  );
  if (error !== undefined) {
    throw new HttpProblem(422, 'list-length', 'changes', `Send a list of 1 to ${BATCH_MAX} changes.`);
  }
  return value as readonly unknown[];
}

function namesOf(request: Request): readonly string[] {
  const { sha256s } = (request.body ?? {}) as { readonly sha256s?: unknown };
  const { error, value } = pictureNames.validate(sha256s);
  if (error !== undefined) {
    throw new HttpProblem(422, 'list-length', 'sha256s', `Send a list of 1 to ${CONFIRM_MAX} SHA-256.`);
  }
  return value as readonly string[];
}

/** The first change of a batch that was not taken, as a problem that carries the answers to all. */
function notAccepted(results: readonly ChangeOutcome[]): HttpProblem | null {
  const i = results.findIndex(({ outcome }) => outcome === 'refused' || outcome === 'conflict');
  const first = results[i];
  if (first === undefined) return null;
  if (first.outcome === 'refused')
    return new HttpProblem(422, first.code, first.field, first.message, { results });
  return new HttpProblem(
    409,
    'old-revision',
    `changes[${i}].baseRevision`,
    'The record was changed meanwhile: compare with the newer state that comes along.',
    { results },
  );
}

/** A sender whose body is refused for its size is cut off once nothing has come of it for so long. */
const DRAIN_IDLE_MS = 10_000;

/** Lets a sender finish, so that they hear why they were refused instead of finding the line cut. */
async function readOff(request: Request): Promise<void> {
  await new Promise<void>((resolve) => {
    let timer = setTimeout(resolve, DRAIN_IDLE_MS);
    const end = (): void => {
      clearTimeout(timer);
      resolve();
    };
    request.once('close', end);
    request.once('end', end);
    // Reading it is what lets it go on.
    request.on('data', () => {
      clearTimeout(timer);
      timer = setTimeout(resolve, DRAIN_IDLE_MS);
    });
  });
}

async function requireJson(request: Request): Promise<void> {
  if (Number(request.get('content-length') ?? 0) > BODY_BYTES_MAX) {
    await readOff(request);
    throw new HttpProblem(413, 'body-too-large', '', 'A request may have 1 MB: send it in parts.');
  }
  if (request.is('application/json') === false) {
    throw new HttpProblem(415, 'not-json', '', 'Send JSON, with the content type application/json.');
  }
}

export interface ApiOptions {
  readonly db: Database;
  readonly compute: Compute;
  readonly watch: ChangeWatch;
  readonly photos: PhotoStore;
  /** Who asks; anybody, where left out. */
  readonly recognisedBy?: Recognise;
}

/** Bytes of the bodies that were read, unpacked. */
const sizes = new WeakMap<object, number>();
const bytesOf = (request: Request): number => sizes.get(request) ?? 0;

/** The API under its prefix: thin handlers that parse, call a service and answer. */
export function apiRouter({
  db,
  compute,
  watch,
  photos,
  recognisedBy = recogniseAnybody,
}: ApiOptions): Router {
  const router = Router();
  const pictures = { db, photos };
  router.get('/health', (_request, response) => {
    response.json({ status: 'ok' });
  });
  router.get('/ready', async (_request, response) => {
    await ping(db);
    response.json({ status: 'ready' });
  });
  router.use(recognise(recognisedBy));
  const summaries = new HouseSummaries(db);
  router.get('/houses', async (_request, response) => {
    response.json(await readHouses(db, whoAsks(response), summaries));
  });
  router.get('/houses/deleted', async (_request, response) => {
    response.json(await readDeletedHouses(db, whoAsks(response)));
  });
  router.get('/events', eventsHandler(watch));
  router.get('/changes', async (request, response) => {
    response.json(await readChangesOf(db, whoAsks(response), sinceOfLedgers(request)));
  });
  const tellChanges: RequestHandler = async (request, response) => {
    response.json(await readChanges(db, whoAsks(response), ledgerIdOf(request), sinceOf(request)));
  };
  router.get('/ledgers/:ledgerId/changes', tellChanges);
  router.get('/houses/:houseId/changes', asFormerly(tellChanges));

  addPictureRoutes(router, pictures);
  const takeUploads = uploadsHandler(pictures);
  router.all('/houses/:houseId/uploads{/:id}', takeUploads);
  // Former versions of the app do not say which house a picture belongs to.
  router.all('/uploads{/:id}', takeUploads);

  router.use(async (request, _response, next) => {
    if (request.method === 'POST') await requireJson(request);
    next();
  });
  router.use(
    express.json({
      limit: BODY_BYTES_MAX,
      strict: false,
      verify: (request, _response, body) => void sizes.set(request, body.length),
    }),
  );
  const takeChanges: RequestHandler = async (request, response) => {
    const { results, state } = await acceptChanges(
      db,
      whoAsks(response),
      ledgerIdOf(request),
      batchOf(request),
    );
    if (state !== null) watch.tell(state);
    const problem = notAccepted(results);
    if (problem !== null) throw problem;
    response.json({ results });
  };
  router.post('/ledgers/:ledgerId/changes', takeChanges);
  router.post('/houses/:houseId/changes', asFormerly(takeChanges));
  router.post('/houses/:houseId/pictures/confirm', async (request, response) => {
    const names = namesOf(request);
    response.json({ held: await confirmPictures(pictures, whoAsks(response), houseIdOf(request), names) });
  });
  router.post('/pictures/confirm', async (request, response) => {
    const held: string[] = [];
    for (const name of namesOf(request)) {
      const house = await houseShowing(pictures, name);
      if (house !== null) held.push(...(await confirmPictures(pictures, whoAsks(response), house, [name])));
    }
    response.json({ held });
  });
  router.post('/compute/:operation', async (request, response) => {
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    try {
      const { operation } = request.params;
      response.json(await compute(whoAsks(response), operation, request.body, bytesOf(request), gone.signal));
    } catch (error) {
      // Nobody waits for the answer any more.
      if (!gone.signal.aborted) throw error;
    }
  });
  router.use((request) => {
    throw new HttpProblem(
      404,
      'unknown-path',
      '',
      `Nothing answers ${request.method} ${API}${request.path}.`,
    );
  });
  return router;
}
