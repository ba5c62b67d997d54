import { resolve } from 'node:path';
import { backUp, restore } from './machine/backup.mjs';
import { exitWith, Trouble } from './machine/processes.mjs';

const [deed, folder] = process.argv.slice(2);
const databaseUrl = process.env.CALVET_DATABASE_URL;
const photoFolder = process.env.CALVET_PHOTO_FOLDER;

async function main() {
  if (!databaseUrl) throw new Trouble('Set CALVET_DATABASE_URL to the database, as for the server.');
  if (folder === undefined || !['write', 'restore'].includes(deed)) {
    throw new Trouble(
      'Say what to do and where: npm run backup -- write FOLDER, or npm run backup -- restore FOLDER',
    );
  }
  const place = resolve(folder);
  if (deed === 'write') {
    const { pictures } = await backUp({ databaseUrl, photoFolder, to: place });
    console.log(`The database and ${pictures} new files of pictures are in ${place}.`);
  } else {
    const { pictures } = await restore({ databaseUrl, photoFolder, from: place });
    console.log(`The database is back, and ${pictures} files of pictures with it.`);
  }
}

main().catch(exitWith);
