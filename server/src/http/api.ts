import type { ChangeOutcome } from '@calvet/contract';
import { Router, type RequestHandler } from 'express';
import { acceptChanges } from '../service/accept-changes';
import type { ChangeWatch } from '../service/change-watch';
import type { Compute } from '../service/computing';
import { HouseSummaries } from '../service/house-summaries';
import { confirmPictures, houseShowing } from '../service/pictures';
import { readChanges, readChangesOf, readDeletedHouses, readHouses } from '../service/read-changes';
import { ping, type Database } from '../store/database';
import type { PhotoStore } from '../photo-store/photo-store';
import { guardsOf, type AddressLimits } from './address-limits';
import { batchOf, namesOf, sinceOf, sinceOfLedgers } from './asked';
import { eventsHandler } from './events';
import { asFormerly } from './former-changes';
import { bytesOf, jsonBody } from './json-bodies';
import { only } from './only';
import { houseIdOf, ledgerIdOf } from './paths';
import { addPictureRoutes } from './pictures';
import { recognise, recogniseAnybody, whoAsks, type Recognise } from './principal';
import { HttpProblem } from './problems';
import { uploadsHandler } from './uploads';

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

/** What is told here is of this moment: nothing between here and a screen keeps it. */
const notKept: RequestHandler = (_request, response, next) => {
  response.setHeader('cache-control', 'no-store');
  next();
};

export interface ApiOptions {
  readonly db: Database;
  readonly compute: Compute;
  readonly watch: ChangeWatch;
  readonly photos: PhotoStore;
  readonly limits: AddressLimits;
  /** Who asks; anybody, where left out. */
  readonly recognisedBy?: Recognise;
}

const READ = only('GET', 'HEAD');
const SEND = only('POST');

/** The API under its prefix: thin handlers that parse, call a service and answer. */
export function apiRouter({
  db,
  compute,
  watch,
  photos,
  limits,
  recognisedBy = recogniseAnybody,
}: ApiOptions): Router {
  const router = Router();
  const pictures = { db, photos };
  const guards = guardsOf(limits);
  const summaries = new HouseSummaries(db);
  router.use(notKept);
  router
    .route('/health')
    .get((_request, response) => {
      response.json({ status: 'ok' });
    })
    .all(READ);
  router
    .route('/ready')
    .get(async (_request, response) => {
      await ping(db);
      response.json({ status: 'ready' });
    })
    .all(READ);

  router.use(guards.requests, recognise(recognisedBy));
  router
    .route('/houses')
    .get(async (_request, response) => {
      response.json(await readHouses(db, whoAsks(response), summaries));
    })
    .all(READ);
  router
    .route('/houses/deleted')
    .get(async (_request, response) => {
      response.json(await readDeletedHouses(db, whoAsks(response)));
    })
    .all(READ);
  router.route('/events').get(guards.listeners, eventsHandler(watch)).all(READ);
  router
    .route('/changes')
    .get(async (request, response) => {
      response.json(await readChangesOf(db, whoAsks(response), sinceOfLedgers(request)));
    })
    .all(READ);

  const tellChanges: RequestHandler = async (request, response) => {
    response.json(await readChanges(db, whoAsks(response), ledgerIdOf(request), sinceOf(request)));
  };
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
  const changes = only('GET', 'HEAD', 'POST');
  router
    .route('/ledgers/:ledgerId/changes')
    .get(tellChanges)
    .post(...jsonBody, takeChanges)
    .all(changes);
  router
    .route('/houses/:houseId/changes')
    .get(asFormerly(tellChanges))
    .post(...jsonBody, asFormerly(takeChanges))
    .all(changes);

  router
    .route('/houses/:houseId/pictures/confirm')
    .post(...jsonBody, async (request, response) => {
      const names = namesOf(request);
      response.json({
        held: await confirmPictures(pictures, whoAsks(response), houseIdOf(request), names),
      });
    })
    .all(SEND);
  router
    .route('/pictures/confirm')
    .post(...jsonBody, async (request, response) => {
      const held: string[] = [];
      for (const name of namesOf(request)) {
        const house = await houseShowing(pictures, name);
        if (house !== null) held.push(...(await confirmPictures(pictures, whoAsks(response), house, [name])));
      }
      response.json({ held });
    })
    .all(SEND);
  addPictureRoutes(router, pictures);
  const takeUploads = uploadsHandler(pictures);
  router.all('/houses/:houseId/uploads{/:id}', guards.uploads, takeUploads);
  // Former versions of the app do not say which house a picture belongs to.
  router.all('/uploads{/:id}', guards.uploads, takeUploads);

  router
    .route('/compute/:operation')
    .post(guards.computations, ...jsonBody, async (request, response) => {
      const gone = new AbortController();
      response.on('close', () => gone.abort());
      try {
        const { operation } = request.params;
        response.json(
          await compute(whoAsks(response), operation ?? '', request.body, bytesOf(request), gone.signal),
        );
      } catch (error) {
        // Nobody waits for the answer any more.
        if (!gone.signal.aborted) throw error;
      }
    })
    .all(SEND);
  return router;
}
