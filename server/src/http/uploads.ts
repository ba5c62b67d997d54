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
import { only } from './only';
import { HttpProblem, problemOf } from './problems';

/** The protocol also knows how to read an upload back, which nobody here needs. */
const METHODS = ['OPTIONS', 'POST', 'HEAD', 'PATCH', 'DELETE'];
const otherwise = only(...METHODS);

interface ProtocolError {
  readonly status_code?: number;
  readonly body?: string;
}

const refusedAs = (status: number, told: string): HttpProblem =>
  new HttpProblem(
    status,
    status === 413 ? 'picture-too-large' : 'upload-refused',
    '',
    `The protocol of uploads, tus 1.0, is not kept: ${told.trim()}`,
  );

/** The protocol's own errors as they are told here; all others as they are. */
function asThrown(error: unknown): unknown {
  const { status_code: status, body = '' } = error as ProtocolError;
  return status === undefined ? error : refusedAs(status, body);
}

/** How much more a request brings; as much as it may where it does not say. */
const bytesIn = (request: globalThis.Request): number =>
  Number(request.headers.get('content-length') ?? PICTURE_BYTES_MAX);

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
  /** Why requests under way are refused. */
  const refusals = new WeakMap<globalThis.Request, unknown>();
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
      if (request.method === 'PATCH' && !(await store.hasRoomFor(bytesIn(request)))) throw new NoRoom();
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
    onResponseError: async (request, error) => {
      const thrown = asThrown(error);
      const isFull = problemOf(thrown).status >= 500 && !(await store.hasRoomFor(0));
      refusals.set(request, isFull ? new NoRoom() : thrown);
      return undefined;
    },
  });
  return async (request, response, next) => {
    if (!METHODS.includes(request.method)) {
      await otherwise(request, response, next);
      return;
    }
    // A request is what its method says.
    delete request.headers['x-http-method-override'];
    const houseId = request.params.houseId === undefined ? null : houseIdOf(request);
    if (!maySend(whoAsks(response))) throw new UnknownLedger();
    const asked = new NodeRequest({ req: request, res: response });
    houses.set(asked, houseId);
    const answer = await tus.handleWeb(asked);
    if (refusals.has(asked)) throw refusals.get(asked);
    if (answer.status >= 400) throw refusedAs(answer.status, await answer.text());
    await sendNodeResponse(response, answer);
  };
}
