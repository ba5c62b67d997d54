import { PICTURE_HEADER } from '@calvet/contract';
import { pictureName } from '@calvet/contract/schemas';
import { Router, type Request, type Response } from 'express';
import type { PhotoStore } from '../photo-store/photo-store';
import { readPicture, readThumbnail, type HandedOut } from '../service/take-picture';
import { HttpProblem } from './problems';

/** The name of a picture in a path. */
export function pictureNameOf(value: unknown): string {
  const { error, value: name } = pictureName.required().validate(value);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'malformed-id',
      'sha256',
      'A picture is named by its SHA-256, in hexadecimal.',
    );
  }
  return name as string;
}

type Reading = (store: PhotoStore, sha256: string) => Promise<HandedOut | null>;

/** Hands out pictures and the small ones beside them. */
export function picturesRouter(store: PhotoStore): Router {
  const router = Router();
  const handOut = (read: Reading) => async (request: Request, response: Response) => {
    const found = await read(store, pictureNameOf(request.params.sha256));
    if (found === null) {
      response.set(PICTURE_HEADER, String(request.params.sha256));
      throw new HttpProblem(404, 'unknown-picture', 'sha256', 'No such picture has arrived yet.');
    }
    response.set({
      [PICTURE_HEADER]: String(request.params.sha256),
      'content-type': found.mediaType,
      // Whatever it is, it is shown and not run.
      'content-security-policy': "default-src 'none'; sandbox",
      'content-disposition': 'inline',
      'cache-control': 'private, max-age=31536000, immutable',
    });
    response.send(found.bytes);
  };
  router.head('/:sha256', async (request, response) => {
    const sha256 = pictureNameOf(request.params.sha256);
    const isHere = await store.has(sha256);
    response
      .set(PICTURE_HEADER, sha256)
      .status(isHere ? 204 : 404)
      .end();
  });
  router.get('/:sha256', handOut(readPicture));
  router.get('/:sha256/thumbnail', handOut(readThumbnail));
  return router;
}
