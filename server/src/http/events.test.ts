import type { News } from '@calvet/contract';
import { v7 } from 'uuid';
import { change, createHouse } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

describe('what is new is told', () => {
  /** The pieces of news on a line that stays open, as they come. */
  async function listen(url: string, signal: AbortSignal) {
    const response = await fetch(`${url}/api/v1/events`, { signal });
    const heard: News[] = [];
    const reading = (async () => {
      let text = '';
      for await (const piece of response.body ?? []) {
        text += Buffer.from(piece as Uint8Array).toString();
        const lines = text.split('\n');
        text = lines.pop() ?? '';
        for (const line of lines) if (line.startsWith('data: ')) heard.push(JSON.parse(line.slice(6)));
      }
    })().catch(() => undefined);
    return { response, heard, reading };
  }
  const until = async (holds: () => boolean) => {
    for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(holds()).toBe(true);
  };

  test('by the process that took it, and by another on the same database', async () => {
    const houseId = v7();
    await ask(`${server.url}/api/v1/ledgers/${houseId}/changes`, {
      json: { changes: [createHouse(houseId)] },
    });
    const second = await startServer({ databaseUrl: server.databaseUrl });
    const end = new AbortController();
    try {
      const [near, far] = await Promise.all([server, second].map(({ url }) => listen(url, end.signal)));
      expect(near?.response.headers.get('content-type')).toBe('text/event-stream');
      await new Promise((resolve) => setTimeout(resolve, 300));
      const changesUrl = `${server.url}/api/v1/ledgers/${houseId}/changes`;
      await ask(changesUrl, { json: { changes: [change({})] } });
      const isNews = ({ ledgerId, upTo }: News) => ledgerId === houseId && upTo === 2;
      await until(() => near?.heard.some(isNews) === true && far?.heard.some(isNews) === true);
      expect(near?.heard.filter(isNews)).toHaveLength(1);
    } finally {
      end.abort();
      await second.close();
    }
  });

  test('until the server stops, which ends the line', async () => {
    const stopping = await startServer();
    const { reading } = await listen(stopping.url, new AbortController().signal);
    await stopping.close();
    await reading;
  });
});
