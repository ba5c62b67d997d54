import { request } from 'node:http';
import { connect } from 'node:net';

/** What a server said to one request. */
export interface Told {
  /** 0 where it hung up. */
  readonly status: number;
  readonly code: string;
  readonly field: string;
}

/** The server that is attacked. */
export interface Target {
  readonly url: string;
  readonly pid: number;
}

const CUT: Told = { status: 0, code: 'hung up', field: '' };

function toldOf(status: number, text: string): Told {
  try {
    const { code = '', field = '' } = JSON.parse(text) as Partial<Told>;
    return { status, code, field };
  } catch {
    return { status, code: '', field: '' };
  }
}

export interface Asked {
  readonly method?: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string | Buffer;
  /** Hangs up after so many milliseconds. */
  readonly hangsUpAfterMs?: number;
}

/** Asks as anybody may, with headers that a browser would not send. */
export function askAs(
  { url }: Target,
  path: string,
  { method = 'GET', headers = {}, body, hangsUpAfterMs }: Asked = {},
): Promise<Told> {
  return new Promise((resolve) => {
    const asked = request(url + path, { method, headers, agent: false }, (response) => {
      let text = '';
      response.on('data', (piece: Buffer) => (text += piece.toString()));
      response.on('end', () => resolve(toldOf(response.statusCode ?? 0, text)));
      response.on('error', () => resolve(CUT));
    });
    asked.on('error', () => resolve(CUT));
    if (hangsUpAfterMs !== undefined) setTimeout(() => asked.destroy(), hangsUpAfterMs);
    asked.end(body);
  });
}

/** Asks with JSON, given as text so that it may be of any shape. */
export const postText = (to: Target, path: string, body: string, headers = {}): Promise<Told> =>
  askAs(to, path, { method: 'POST', headers: { 'content-type': 'application/json', ...headers }, body });

/** Writes bytes to the line as they are, and reads what comes back first. */
export function askRaw({ url }: Target, bytes: string): Promise<Told> {
  const { hostname, port } = new URL(url);
  return new Promise((resolve) => {
    const line = connect(Number(port), hostname, () =>
      line.write(bytes.replaceAll('HOST', `${hostname}:${port}`)),
    );
    let text = '';
    line.on('data', (piece) => {
      text += piece.toString();
      const status = /^HTTP\/1\.1 (\d+)/.exec(text)?.[1];
      if (status !== undefined) {
        line.destroy();
        resolve({ ...CUT, code: '', status: Number(status) });
      }
    });
    line.on('error', () => resolve(CUT));
    line.on('close', () => resolve(CUT));
  });
}
