import Papa from 'papaparse';
import { newWork } from '../plan/work';
import { notStored } from '../record';
import { newMend } from '../walk/mend';
import type { MendHere } from './mend-list';
import { writeMendsCsv } from './write-mends-csv';

const mend: MendHere = {
  record: { ...newMend('Front wall', '2027-03-08'), ...notStored('m', 'h'), reason: '=1+1' },
  from: 'leak',
  checkpoint: null,
  placeName: 'Front wall, "north"',
  stop: 'wall/g1',
  what: 'Open joint',
  why: '',
  how: 'Sealant, soft',
  trade: 'airSealer',
  minutes: 20,
  leak: { low: 1.234, likely: 3, high: 8 },
  state: 'notYet',
  cover: { work: { ...newWork('lining', 'h'), ...notStored('w', 'h') }, start: '2027-04-05' },
  visit: null,
  isUnvisited: true,
};

test('each mend is a line, words and figures as they are, nothing of it a formula', () => {
  const { data } = Papa.parse<Record<string, string>>(writeMendsCsv([mend]), {
    header: true,
    skipEmptyLines: true,
  });
  expect(data).toEqual([
    {
      place: 'Front wall, "north"',
      what: 'Open joint',
      why: '',
      how: 'Sealant, soft',
      trade: 'Air sealer',
      minutes: '20',
      before: 'Walls lined',
      before_day: '2027-04-05',
      visit: '',
      leak_m3h_low: '1.2',
      leak_m3h_likely: '3',
      leak_m3h_high: '8',
      state: 'Not yet',
      reason: "'=1+1",
    },
  ]);
  expect(writeMendsCsv([]).trim().split('\n')).toHaveLength(1);
});
