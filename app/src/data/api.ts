import {
  apiPaths,
  AUTHOR_HEADER,
  CLOCK_HEADER,
  DEVICE_HEADER,
  PICTURE_HEADER,
} from '@calvet/contract/api-paths';
import {
  isChangesAnswer,
  isChangesOfLedgers,
  isChangesPage,
  isConfirmedPictures,
  isDeletedHousesAnswer,
  isHousesAnswer,
  isProblem,
} from '@calvet/contract/answers';
import type {
  Change,
  ChangeOutcome,
  ChangesOfLedgers,
  ChangesPage,
  DeletedHousesAnswer,
  HousesAnswer,
} from '@calvet/contract/changes/change';
import type { Problem } from '@calvet/contract/problem';
import type { PictureOfHouse } from './local-schema';

/** Our server answered, and not as was hoped. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** No answer of our server came: there is no network or no server, or somebody else answered in its place. */
export class Unreachable extends Error {
  constructor(
    message: string,
    /** Of the answer that came, if any did; 0 where none did. */
    readonly status = 0,
    /** Whoever answered wants to be left alone for so long. */
    readonly retryAfterMs: number | null = null,
  ) {
    super(message);
  }
}

export interface ApiOptions {
  readonly fetch: typeof globalThis.fetch;
  /** Before every path; empty where the app comes from the server itself. */
  readonly origin?: string;
  /** Who writes, as every writing request says. */
  readonly author: () => string;
  readonly device: string;
  /** What this device's clock shows, milliseconds since 1970. */
  readonly now: () => number;
  readonly timeoutMs?: number;
}

/** The one door to the server. Every answer is checked for what it must be. */
export interface Api {
  readonly houses: () => Promise<HousesAnswer>;
  readonly deletedHouses: () => Promise<DeletedHousesAnswer>;
  /** What is new in several houses, of as many as go into one answer. */
  readonly changesOf: (since: ReadonlyMap<string, number>) => Promise<ChangesOfLedgers>;
  readonly changesSince: (houseId: string, since: number) => Promise<ChangesPage>;
  /** Sends changes, and gives back what became of each. */
  readonly sendChanges: (
    houseId: string,
    changes: readonly Change[],
  ) => Promise<ReadonlyMap<string, ChangeOutcome>>;
  readonly isReady: () => Promise<boolean>;
  readonly hasPicture: (picture: PictureOfHouse) => Promise<boolean>;
  /** Of these pictures of a house, those that the server has just read and found whole. */
  readonly confirmPictures: (houseId: string, sha256s: readonly string[]) => Promise<readonly string[]>;
  /** A picture's bytes; null where the server says that it has none. */
  readonly picture: (picture: PictureOfHouse, size: 'full' | 'thumbnail') => Promise<Blob | null>;
  /** What every writing request says of who sends it. */
  readonly senderHeaders: () => Readonly<Record<string, string>>;
  readonly url: (path: string) => string;
}

const TIMEOUT_MS = 20_000;
/** Until a person gave a name. */
const NO_NAME = 'A device without a name';

/** How long an answer asks to be left alone, where it does: `Retry-After` in seconds or as a date. */
export function retryAfterIn(header: string | null, now: number): number | null {
  if (header === null || header.trim() === '') return null;
  const seconds = Number(header);
  const ms = Number.isNaN(seconds) ? Date.parse(header) - now : seconds * 1000;
  return Number.isNaN(ms) ? null : Math.max(0, ms);
}

async function jsonOf(response: Response): Promise<unknown> {
  try {
    return await response.json();
  } catch {
    return undefined;
  }
}

/** Opens the door to a server. */
export function createApi(options: ApiOptions): Api {
  const { fetch, origin = '', author, device, now, timeoutMs = TIMEOUT_MS } = options;
  const url = (path: string): string => origin + path;

  async function ask(path: string, init: RequestInit = {}): Promise<Response> {
    try {
      return await fetch(url(path), { ...init, signal: AbortSignal.timeout(timeoutMs) });
    } catch {
      throw new Unreachable('The server cannot be reached.');
    }
  }

  const stranger = ({ status, headers }: Response): Unreachable =>
    new Unreachable(
      `Something answered ${status}, and it was not Calvet.`,
      status,
      retryAfterIn(headers.get('retry-after'), now()),
    );

  /** What our server says against a request; throws where it was not our server. */
  async function problemOf(response: Response): Promise<Problem> {
    const isOfProblems = response.headers.get('content-type')?.includes('problem+json') === true;
    const body = isOfProblems ? await jsonOf(response) : undefined;
    if (!isProblem(body)) throw stranger(response);
    if (body.status === 503 || body.status === 429) {
      const wait = retryAfterIn(response.headers.get('retry-after'), now());
      throw new Unreachable(body.detail, body.status, wait);
    }
    return body;
  }

  async function answer<Answer>(
    path: string,
    isAnswer: (value: unknown) => value is Answer,
    init?: RequestInit,
  ): Promise<Answer> {
    const response = await ask(path, init);
    if (!response.ok) throw new ApiProblem(await problemOf(response));
    const body = await jsonOf(response);
    if (!isAnswer(body)) throw stranger(response);
    return body;
  }

  const senderHeaders = (): Readonly<Record<string, string>> => ({
    [AUTHOR_HEADER]: encodeURIComponent(author() || NO_NAME),
    [DEVICE_HEADER]: device,
    [CLOCK_HEADER]: new Date(now()).toISOString(),
  });

  const sending = (body: unknown): RequestInit => ({
    method: 'POST',
    headers: { 'content-type': 'application/json', ...senderHeaders() },
    body: JSON.stringify(body),
  });

  /** Outcomes by change; an answer that does not speak of every change that was sent is none. */
  function outcomesOf(
    changes: readonly Change[],
    results: readonly ChangeOutcome[] | undefined,
  ): ReadonlyMap<string, ChangeOutcome> | null {
    if (results?.length !== changes.length) return null;
    const isOfEach = changes.every(({ changeId }, i) => results[i]?.changeId === changeId);
    return isOfEach
      ? new Map(
          changes.flatMap(({ changeId }, i) => (results[i] === undefined ? [] : [[changeId, results[i]]])),
        )
      : null;
  }

  async function sendChanges(houseId: string, changes: readonly Change[]) {
    const path = apiPaths.changes(houseId);
    try {
      const { results } = await answer(path, isChangesAnswer, sending({ changes }));
      const outcomes = outcomesOf(changes, results);
      if (outcomes === null) throw new Unreachable('The answer speaks of other changes.', 200);
      return outcomes;
    } catch (error) {
      const outcomes = error instanceof ApiProblem ? outcomesOf(changes, error.problem.results) : null;
      if (outcomes !== null) return outcomes;
      throw error;
    }
  }

  async function hasPicture({ houseId, sha256 }: PictureOfHouse): Promise<boolean> {
    const response = await ask(apiPaths.picture(houseId, sha256), { method: 'HEAD' });
    if (response.headers.get(PICTURE_HEADER) !== sha256) throw stranger(response);
    return response.status === 204;
  }

  async function picture(
    { houseId, sha256 }: PictureOfHouse,
    size: 'full' | 'thumbnail',
  ): Promise<Blob | null> {
    const pathOf = size === 'full' ? apiPaths.picture : apiPaths.thumbnail;
    const response = await ask(pathOf(houseId, sha256));
    if (response.headers.get(PICTURE_HEADER) !== sha256) throw stranger(response);
    if (response.status === 404) return null;
    if (!response.ok) throw stranger(response);
    const blob = await response.blob();
    if (!blob.type.startsWith('image/')) throw stranger(response);
    return blob;
  }

  return {
    houses: () => answer(apiPaths.houses, isHousesAnswer),
    deletedHouses: () => answer(apiPaths.deletedHouses, isDeletedHousesAnswer),
    changesOf: (since) => answer(apiPaths.changesOf(since), isChangesOfLedgers),
    changesSince: (houseId, since) => answer(`${apiPaths.changes(houseId)}?since=${since}`, isChangesPage),
    sendChanges,
    isReady: async () => {
      try {
        const response = await ask(apiPaths.ready);
        const body = (await jsonOf(response)) as { readonly status?: unknown } | undefined;
        return response.ok && body?.status === 'ready';
      } catch {
        return false;
      }
    },
    hasPicture,
    confirmPictures: async (houseId, sha256s) => {
      const { held } = await answer(
        apiPaths.confirmPictures(houseId),
        isConfirmedPictures,
        sending({ sha256s }),
      );
      return held.filter((sha256) => sha256s.includes(sha256));
    },
    picture,
    senderHeaders,
    url,
  };
}
