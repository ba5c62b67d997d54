import { asLine, attack } from './run';

const [url, pid] = process.argv.slice(2);
if (url === undefined || pid === undefined) throw new Error('Run this through "npm run attack".');
const lines = await attack(
  { url, pid: Number(pid) },
  { computations: 600, listeners: 600, besides: 120, requests: 20_000 },
);
lines.forEach((line) => console.log(asLine(line)));
const harmed = lines.filter(({ isWithstood }) => !isWithstood).length;
console.log(`${lines.length - harmed} withstood, ${harmed} did harm`);
process.exit(harmed === 0 ? 0 : 1);
