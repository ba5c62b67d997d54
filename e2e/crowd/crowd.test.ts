import { startServer, type RunningServer } from '../../server/test/running-server';
import { crowd } from './crowd';

const SESSIONS = Number(process.env.CALVET_CROWD_SESSIONS ?? 40);
const FIRST = Number(process.env.CALVET_CROWD_SEED ?? 1);

jest.setTimeout(120_000 + SESSIONS * 10_000);

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

test(`${SESSIONS} faulty sessions from seed ${FIRST} lose nothing, double nothing, and overwrite nothing unseen`, async () => {
  let entered = 0;
  for (let seed = FIRST; seed < FIRST + SESSIONS; seed++) {
    const result = await crowd({
      server: () => server.url,
      databaseUrl: server.databaseUrl,
      people: 3,
      actionsEach: 60,
      seed,
    });
    entered += result.entered;
    const { lost, doubled, unseen, astray } = result;
    expect({ seed, lost, doubled, unseen, astray }).toEqual({
      seed,
      lost: [],
      doubled: [],
      unseen: [],
      astray: [],
    });
  }
  expect(entered).toBeGreaterThan(SESSIONS * 50);
});
