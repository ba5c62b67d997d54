import { crowd } from '../../test/phones';
import { startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

test('eight phones with a signal that comes and goes end in the state of the server, record by record', async () => {
  const { phones, fresh } = await crowd({ servers: [server.url], phones: 8, changesEach: 500 });
  expect(fresh.copy.size).toBeGreaterThan(phones.length);
  for (const phone of phones) {
    expect(Object.fromEntries(phone.copy)).toEqual(Object.fromEntries(fresh.copy));
  }
  expect(phones.reduce((sum, { asked }) => sum + asked, 0)).toBeGreaterThan(0);
});
