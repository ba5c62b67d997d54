import { builtServer } from './machine/built-server.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { exitWith } from './machine/processes.mjs';
import { ensureWebApp } from './machine/web-app.mjs';

/** Builds the web app and the server, and says where they are. */
async function main() {
  await ensurePackages();
  const webFolder = await ensureWebApp();
  console.log(`Web app: CALVET_WEB_FOLDER=${webFolder}`);
  console.log(`Server:  node --enable-source-maps ${await builtServer()}`);
}

main().catch(exitWith);
