import { API, BATCH_MAX, CONFIRM_MAX, HOUSES_ASKED_MAX, type ChangeOutcome } from '@calvet/contract';
import { pictureName, uuid } from '@calvet/contract/schemas';
import express, { Router, type Request } from 'express';
import Joi from 'joi';
import { acceptChanges } from '../service/accept-changes';
import type { ChangeWatch } from '../service/change-watch';
import type { Compute } from '../service/computing';
import { readChanges, readChangesOf, readDeletedHouses, readHouses } from '../service/read-changes';
import { ping, type Database } from '../store/database';
import type { PhotoStore } from '../photo-store/photo-store';
import { eventsHandler } from './events';
import { confirmPictures } from '../service/take-picture';
import { picturesRouter } from './pictures';
import { HttpProblem } from './problems';
import { decideRights, whoAsks } from './rights';
import { uploadsHandler } from './uploads';

const BODY_BYTES_MAX = 1_000_000;

const houseId = uuid().required();
const since = Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).default(0);
const housesSince = Joi.array()
  .items(Joi.array().ordered(houseId, since.required()).length(2))
  .min(1)
  .max(HOUSES_ASKED_MAX)
  .required();
const pictureNames = Joi.array().items(pictureName).min(1).max(CONFIRM_MAX).required();
const batch = Joi.array().min(1).max(BATCH_MAX).required();

function houseIdOf(request: Request): string {
  const { error, value } = houseId.validate(request.params.houseId);
  if (error !== undefined)
    throw new HttpProblem(400, 'malformed-id', 'houseId', 'The id of a house is a UUID.');
  return value as string;
}

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

/** "HOUSE:N,HOUSE:N" by house. */
function sinceOfHouses(request: Request): ReadonlyMap<string, number> {
  const pairs = String(request.query.since ?? '')
    .split(',')
    .map((pair) => pair.split(':'));
  const { error, value } = housesSince.validate(pairs);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'malformed-list',
      'since',
      `Ask for 1 to ${HOUSES_ASKED_MAX} houses as ID:NUMBER, with commas between.`,
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
}

/** Number of the last change that a batch led to; null where none was taken. */
function lastTaken(results: readonly ChangeOutcome[]): number | null {
  const numbers = results.flatMap((result) => (result.outcome === 'applied' ? [result.changeNumber] : []));
  return numbers.at(-1) ?? null;
}

/** The API under its prefix: thin handlers that parse, call a service and answer. */
export function apiRouter({ db, compute, watch, photos }: ApiOptions): Router {
  const router = Router();
  router.get('/health', (_request, response) => {
    response.json({ status: 'ok' });
  });
  router.get('/ready', async (_request, response) => {
    await ping(db);
    response.json({ status: 'ready' });
  });
  router.use(decideRights);
  router.get('/houses', async (request, response) => {
    response.json(await readHouses(db, request.query.with === 'changes'));
  });
  router.get('/houses/deleted', async (_request, response) => {
    response.json(await readDeletedHouses(db, new Date()));
  });
  router.get('/events', eventsHandler(watch));
  router.get('/changes', async (request, response) => {
    response.json(await readChangesOf(db, sinceOfHouses(request)));
  });
  router.get('/houses/:houseId/changes', async (request, response) => {
    response.json(await readChanges(db, houseIdOf(request), sinceOf(request)));
  });

  router.use('/pictures', picturesRouter(photos));
  router.all('/uploads{/:id}', uploadsHandler(photos));

  router.use(async (request, _response, next) => {
    if (request.method === 'POST') await requireJson(request);
    next();
  });
  router.use(express.json({ limit: BODY_BYTES_MAX, strict: false }));
  router.post('/houses/:houseId/changes', async (request, response) => {
    const id = houseIdOf(request);
    const results = await acceptChanges(db, id, batchOf(request), whoAsks(response));
    const upTo = lastTaken(results);
    if (upTo !== null) watch.tell({ houseId: id, upTo });
    const problem = notAccepted(results);
    if (problem !== null) throw problem;
    response.json({ results });
  });
  router.post('/pictures/confirm', async (request, response) => {
    response.json({ held: await confirmPictures(photos, namesOf(request)) });
  });
  router.post('/compute/:operation', async (request, response) => {
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    try {
      response.json(await compute(request.params.operation, request.body, gone.signal));
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
