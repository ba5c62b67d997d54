import { isDeepStrictEqual } from 'node:util';
import { crowd } from './phones';

/** Eight phones on servers that are given by their addresses; ends with 1 where not all end in one state. */
const servers = process.argv.slice(2);
const started = Date.now();
const { phones, fresh } = await crowd({ servers, phones: 8, changesEach: 500 });
const states = phones.map(({ copy }) => Object.fromEntries(copy));
const truth = Object.fromEntries(fresh.copy);
const astray = states.filter((state) => !isDeepStrictEqual(state, truth)).length;
const asked = phones.reduce((sum, phone) => sum + phone.asked, 0);
console.log(
  `${phones.length} phones, ${fresh.copy.size} records, ${asked} disputes, ${((Date.now() - started) / 1000).toFixed(1)} s: ` +
    (astray === 0 ? 'everyone has the same house.' : `${astray} phones have another house.`),
);
process.exit(astray === 0 && fresh.copy.size > phones.length ? 0 : 1);
