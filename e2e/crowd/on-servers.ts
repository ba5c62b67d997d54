import { crowd } from './crowd';

/** Eight devices on servers that are given by their addresses, after that of the database; ends with 1 where not all is well. */
const [databaseUrl = '', ...servers] = process.argv.slice(2);
const started = Date.now();
const { entered, lost, doubled, unseen, astray } = await crowd({
  server: () => servers[Math.floor(Math.random() * servers.length)] ?? '',
  databaseUrl,
  people: 8,
  actionsEach: 300,
  seed: Date.now() % 1000,
});
const troubles = Object.entries({ lost, doubled, unseen, astray }).filter(([, list]) => list.length > 0);
const seconds = ((Date.now() - started) / 1000).toFixed(1);
console.log(
  `8 devices, ${entered} entries, ${seconds} s: ${troubles.length === 0 ? 'everyone has the same house, and nothing was lost.' : JSON.stringify(troubles)}`,
);
process.exit(troubles.length === 0 ? 0 : 1);
