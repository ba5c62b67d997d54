import { AUTHOR_HEADER, DEVICE_HEADER, type Problem } from '@calvet/contract';
import { deviceId } from './device';
import { authorOnDevice } from './preferences';

/** The server answered, and not as was hoped. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** No answer came: no network, or no server. */
export class Unreachable extends Error {}

/** Until a person gave a name. */
const NO_NAME = 'A device without a name';
const TIMEOUT_MS = 20_000;

async function answerOf(response: Response): Promise<unknown> {
  if (response.ok) return response.json();
  const isProblem = response.headers.get('content-type')?.includes('problem+json') === true;
  if (!isProblem) throw new Unreachable(`The server answered ${response.status}.`);
  const problem = (await response.json()) as Problem;
  if (problem.status >= 500) throw new Unreachable(problem.detail);
  throw new ApiProblem(problem);
}

async function request(path: string, init: RequestInit): Promise<unknown> {
  return answerOf(await asked(path, init));
}

async function asked(path: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(path, { ...init, signal: AbortSignal.timeout(TIMEOUT_MS) });
  } catch {
    throw new Unreachable('The server cannot be reached.');
  }
}

/** True where the server has what is at a path. */
export async function isOnServer(path: string): Promise<boolean> {
  const { ok, status } = await asked(path, { method: 'HEAD' });
  if (status >= 500) throw new Unreachable(`The server answered ${status}.`);
  return ok;
}

/** Bytes from the API; null where the server has none. */
export async function getBlob(path: string): Promise<Blob | null> {
  const response = await asked(path, {});
  if (response.status === 404) return null;
  if (!response.ok) throw new Unreachable(`The server answered ${response.status}.`);
  return response.blob();
}

/** What every writing request says of who sends it. */
export function senderHeaders(): Readonly<Record<string, string>> {
  return {
    [AUTHOR_HEADER]: encodeURIComponent(authorOnDevice() || NO_NAME),
    [DEVICE_HEADER]: deviceId,
  };
}

/** Reads from the API. */
export async function getJson<Answer>(path: string): Promise<Answer> {
  return (await request(path, {})) as Answer;
}

/** Sends to the API. */
export async function postJson<Answer>(path: string, body: unknown): Promise<Answer> {
  const init = {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...senderHeaders() },
    body: JSON.stringify(body),
  };
  return (await request(path, init)) as Answer;
}
