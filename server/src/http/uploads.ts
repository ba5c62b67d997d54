import { randomUUID } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import { apiPaths, PICTURE_BYTES_MAX } from '@calvet/contract';
import { ERRORS, Server as TusServer } from '@tus/server';
import type { RequestHandler } from 'express';
import { NodeRequest, sendNodeResponse } from 'srvx/node';
import { UnknownLedger } from '../service/accept-changes';
import { NoRoom } from '../photo-store/photo-store';
import { maySend, takePicture, type Pictures } from '../service/pictures';
import { houseIdOf } from './paths';
import { pictureNameOf } from './pictures';
import { whoAsks } from './principal';
import { HttpProblem, problemBody, problemOf } from './problems';

/** The protocol also knows how to read an upload back, which nobody here needs. */
const METHODS = new Set(['OPTIONS', 'POST', 'HEAD', 'PATCH', 'DELETE']);

interface ProtocolError {
  readonly status_code?: number;
  readonly body?: string;
}

/** What the protocol's own errors are called here. */
function asProblem(error: unknown): HttpProblem {
  const { status_code: status, body = '' } = error as ProtocolError;
  if (status === undefined) return problemOf(error);
  return new HttpProblem(status, status === 413 ? 'picture-too-large' : 'upload-refused', '', body.trim());
}

/** The id of an upload says of which house it is: nothing is read to find that out. */
const idIn = (houseId: string | null): string => (houseId === null ? '' : `${houseId}.`) + randomUUID();
const houseIn = (id: string): string | null => (id.includes('.') ? (id.split('.')[0] ?? null) : null);

/**
 * Takes the pictures of a house in, piece by piece, by the tus protocol 1.0: whoever is cut off asks how much is here, and
 * goes on from there. Each upload says in its metadata, as `sha256`, which picture it brings.
 */
export function uploadsHandler(pictures: Pictures): RequestHandler {
  const { photos: store } = pictures;
  /** The houses that the requests under way are about; null where a former version of the app does not say. */
  const houses = new WeakMap<globalThis.Request, string | null>();
  const houseOf = (request: globalThis.Request): string | null => houses.get(request) ?? null;
  const tus = new TusServer({
    path: apiPaths.formerUploads,
    datastore: store.incoming,
    maxSize: PICTURE_BYTES_MAX,
    allowedOrigins: () => false,
    generateUrl: (request, { id }) => {
      const houseId = houseOf(request);
      return `${houseId === null ? apiPaths.formerUploads : apiPaths.uploads(houseId)}/${id}`;
    },
    namingFunction: (request) => idIn(houseOf(request)),
    onIncomingRequest: async (request, id) => {
      const isNew = request.method === 'POST' || request.method === 'OPTIONS';
      if (!isNew && houseIn(id) !== houseOf(request)) throw ERRORS.FILE_NOT_FOUND;
    },
    onUploadCreate: async (_request, upload) => {
      pictureNameOf(upload.metadata?.sha256);
      if (!(await store.hasRoomFor(upload.size ?? PICTURE_BYTES_MAX))) throw new NoRoom();
      return {};
    },
    onUploadFinish: async (request, upload) => {
      const bytes = await buffer(store.incoming.read(upload.id));
      try {
        await takePicture(pictures, houseOf(request), pictureNameOf(upload.metadata?.sha256), bytes);
      } finally {
        // Taken or refused: there is nothing to go on with.
        await store.incoming.remove(upload.id);
      }
      return {};
    },
    onResponseError: async (_request, error) => {
      const problem = asProblem(error);
      const isFull = problem.status >= 500 && !(await store.hasRoomFor(0));
      const told = isFull ? problemOf(new NoRoom()) : problem;
      return { status_code: told.status, body: JSON.stringify(problemBody(told)) };
    },
  });
  return async (request, response) => {
    if (!METHODS.has(request.method)) {
      throw new HttpProblem(405, 'unknown-method', '', 'Pictures are sent here, not read.');
    }
    const houseId = request.params.houseId === undefined ? null : houseIdOf(request);
    if (!maySend(whoAsks(response))) throw new UnknownLedger();
    const asked = new NodeRequest({ req: request, res: response });
    houses.set(asked, houseId);
    const answer = await tus.handleWeb(asked);
    if (answer.status >= 400) answer.headers.set('content-type', 'application/problem+json');
    await sendNodeResponse(response, answer);
  };
}
