import { join } from 'node:path';
import { workFolder } from './machine/checkout.mjs';
import { startCluster } from './machine/galera.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { holdFolder } from './machine/folder-lock.mjs';
import { freePort } from './machine/free-port.mjs';
import { exitWith, run, startedParts } from './machine/processes.mjs';
import { startServer } from './machine/server.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

const folder = join(workFolder, 'cluster');
const isCheck = process.argv.includes('--check');

/** Phones on both servers while a node is killed and rejoins. */
async function check(cluster, servers) {
  let isOver = false;
  const phones = run(
    process.execPath,
    [
      '--import',
      'tsx',
      'e2e/crowd/on-servers.ts',
      cluster.urlsFrom(0).split(' ')[0],
      ...servers.map(({ url }) => url),
    ],
    {},
  ).finally(() => (isOver = true));
  await new Promise((resolve) => setTimeout(resolve, 3000));
  await cluster.kill(0);
  console.log(`Node 1 was killed${isOver ? ', too late' : ''}.`);
  await new Promise((resolve) => setTimeout(resolve, 3000));
  await cluster.rejoin(0);
  console.log('Node 1 is back and in step.');
  const code = await phones;
  await cluster.inStep();
  return code ?? 1;
}

async function main() {
  await ensurePackages();
  const webFolder = isCheck ? undefined : await ensureWebApp();
  await holdFolder(folder, 'npm run cluster');
  const started = startedParts();
  try {
    const cluster = started.add(await startCluster({ folder }));
    const servers = [];
    for (const first of [0, 1]) {
      const server = await startServer({
        port: await freePort(),
        databaseUrl: cluster.urlsFrom(first),
        webFolder,
        folder: join(folder, `server${first + 1}`),
        env: { CALVET_PHOTO_FOLDER: join(folder, 'photos') },
      });
      servers.push(started.add(server));
    }
    if (isCheck) {
      const code = await check(cluster, servers);
      await started.stop();
      process.exit(code);
    }
    console.log('Three database nodes and two servers are ready:');
    for (const { url } of servers) console.log(`  ${url}`);
  } catch (error) {
    await started.stop();
    throw error;
  }
}

main().catch(exitWith);
