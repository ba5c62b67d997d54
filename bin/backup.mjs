import { resolve } from 'node:path';
import { backUp, restore, verify } from './machine/backup.mjs';
import { exitWith, Trouble } from './machine/processes.mjs';

const [deed, folder] = process.argv.slice(2);
const DEEDS = ['write', 'restore', 'verify'];

async function main() {
  if (folder === undefined || !DEEDS.includes(deed)) {
    throw new Trouble(
      `Say what to do and where: ${DEEDS.map((each) => `npm run backup -- ${each} FOLDER`).join(', or ')}`,
    );
  }
  const place = resolve(folder);
  if (deed === 'verify') {
    const { rows, tables, isCompared } = await verify({ from: place });
    const told = isCompared
      ? 'all as they were written'
      : 'which a backup of a former version has nothing to compare with';
    console.log(`The backup can be brought back: ${rows} rows in ${tables} tables, ${told}.`);
    return;
  }
  const databaseUrl = process.env.CALVET_DATABASE_URL;
  const photoFolder = process.env.CALVET_PHOTO_FOLDER;
  const photoBucket = process.env.CALVET_PHOTO_BUCKET;
  if (!databaseUrl) throw new Trouble('Set CALVET_DATABASE_URL to the database, as for the server.');
  if (deed === 'write') {
    const { pictures } = await backUp({ databaseUrl, photoFolder, photoBucket, to: place });
    console.log(`The database and ${pictures} new files of pictures are in ${place}.`);
  } else {
    const { pictures } = await restore({ databaseUrl, photoFolder, photoBucket, from: place });
    console.log(`The database is back, and ${pictures} files of pictures with it.`);
  }
}

main().catch(exitWith);
