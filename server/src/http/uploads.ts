import { apiPaths, PICTURE_BYTES_MAX } from '@calvet/contract';
import { Server as TusServer, type Upload } from '@tus/server';
import type { RequestHandler } from 'express';
import { NodeRequest, sendNodeResponse } from 'srvx/node';
import { NoRoom, type PhotoStore } from '../photo-store/photo-store';
import { takePicture } from '../service/take-picture';
import { pictureNameOf } from './pictures';
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

async function wholeOf({ incoming }: PhotoStore, { id }: Upload): Promise<Buffer> {
  const pieces: Buffer[] = [];
  for await (const piece of incoming.read(id)) pieces.push(piece);
  return Buffer.concat(pieces);
}

/**
 * Takes pictures in, piece by piece, by the tus protocol 1.0: whoever is cut off asks how much is here, and goes on from
 * there. Each upload says in its metadata, as `sha256`, which picture it brings.
 */
export function uploadsHandler(store: PhotoStore): RequestHandler {
  const tus = new TusServer({
    path: apiPaths.uploads,
    datastore: store.incoming,
    relativeLocation: true,
    maxSize: PICTURE_BYTES_MAX,
    allowedOrigins: () => false,
    onUploadCreate: async (_request, upload) => {
      pictureNameOf(upload.metadata?.sha256);
      if (!(await store.hasRoomFor(upload.size ?? PICTURE_BYTES_MAX))) throw new NoRoom();
      return {};
    },
    onUploadFinish: async (_request, upload) => {
      const bytes = await wholeOf(store, upload);
      try {
        await takePicture(store, pictureNameOf(upload.metadata?.sha256), bytes);
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
    const answer = await tus.handleWeb(new NodeRequest({ req: request, res: response }));
    if (answer.status >= 400) answer.headers.set('content-type', 'application/problem+json');
    await sendNodeResponse(response, answer);
  };
}
