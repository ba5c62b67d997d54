import { PICTURE_HEADER } from '@calvet/contract';
import { pictureName } from '@calvet/contract/schemas';
import type { Request, RequestHandler, Response, Router } from 'express';
import {
  hasPicture,
  houseShowing,
  readPicture,
  readThumbnail,
  type HandedOut,
  type Pictures,
} from '../service/pictures';
import type { Principal } from '../service/rights';
import { only } from './only';
import { houseIdOf } from './paths';
import { whoAsks } from './principal';
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

const READ = only('GET', 'HEAD');

type Looking<Found> = (
  pictures: Pictures,
  principal: Principal,
  houseId: string,
  sha256: string,
) => Promise<Found>;

/** Hands out the pictures of houses and the small ones beside them. */
export function addPictureRoutes(router: Router, pictures: Pictures): void {
  /** Looks for the picture that a request is about, in the house that it names; former versions of the app name none. */
  async function look<Found>(
    request: Request,
    response: Response,
    found: Looking<Found>,
  ): Promise<Found | null> {
    const sha256 = pictureNameOf(request.params.sha256);
    response.set(PICTURE_HEADER, sha256);
    const houseId =
      request.params.houseId === undefined ? await houseShowing(pictures, sha256) : houseIdOf(request);
    return houseId === null ? null : found(pictures, whoAsks(response), houseId, sha256);
  }

  const handOut =
    (read: Looking<HandedOut | null>): RequestHandler =>
    async (request, response) => {
      const found = await look(request, response, read);
      if (found === null) {
        throw new HttpProblem(404, 'unknown-picture', 'sha256', 'No such picture has arrived yet.');
      }
      response.set({
        'content-type': found.mediaType,
        // Whatever it is, it is shown and not run.
        'content-security-policy': "default-src 'none'; sandbox",
        'content-disposition': 'inline',
        'cache-control': 'private, max-age=31536000, immutable',
      });
      response.send(found.bytes);
    };

  for (const at of ['/houses/:houseId/pictures/:sha256', '/pictures/:sha256']) {
    router
      .route(at)
      .head(async (request, response) => {
        const isHere = await look(request, response, hasPicture);
        response.status(isHere === true ? 204 : 404).end();
      })
      .get(handOut(readPicture))
      .all(READ);
    router.route(`${at}/thumbnail`).get(handOut(readThumbnail)).all(READ);
  }
}
