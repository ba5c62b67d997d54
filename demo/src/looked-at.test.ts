import { notStored } from '@calvet/contract';
import { barrierHere } from '@calvet/contract/continuity/barrier-here';
import { generateWalk } from '@calvet/contract/walk/generate-walk';
import { looksOf } from '@calvet/contract/walk/looks';
import { orphansOf } from '@calvet/contract/walk/orphans';
import { standingVerdicts } from '@calvet/contract/walk/standing-verdicts';
import type { Mend } from '@calvet/contract/walk/mend';
import type { Penetration } from '@calvet/contract/walk/penetration';
import type { Verdict } from '@calvet/contract/walk/verdict';
import { seedBatches } from './changes';
import { drawHouse } from './draw-house';
import { demoHouses } from './scenario';

const walked = demoHouses.filter(({ walkedOn }) => walkedOn !== undefined);

test('a house of the scenario has been walked', () => {
  expect(walked.length).toBeGreaterThan(0);
});

test.each(walked)(
  'what was found in $house.name has its place in its walk, and says where it is broken',
  (demo) => {
    const batch = seedBatches.find(({ changes }) =>
      changes.some(({ kind, body }) => kind === 'house' && 'name' in body && body.name === demo.house.name),
    );
    const of = <T>(kind: string): readonly T[] =>
      (batch?.changes ?? [])
        .filter((change) => change.kind === kind)
        .map(({ id, body }) => ({ ...body, ...notStored(id, batch?.houseId ?? '') }) as T);
    const drawing = drawHouse(demo.key, demo.begun, demo.plan);
    const walk = generateWalk(drawing);
    if (walk.state !== 'walked') throw new Error(JSON.stringify(walk));
    const [verdicts, penetrations, mends] = [
      of<Verdict>('verdict'),
      of<Penetration>('penetration'),
      of<Mend>('mend'),
    ];
    expect(verdicts.length).toBeGreaterThan(20);
    const standing = standingVerdicts(verdicts);
    expect(orphansOf(walk, { standing, penetrations, mends })).toEqual({
      verdicts: [],
      penetrations: [],
      leaks: [],
    });
    const names = new Map(
      walk.stops.flatMap(({ checkpoints }) => checkpoints.map(({ key, itemName }) => [key, itemName])),
    );
    for (const [key, { counts }] of standing) expect(counts.placeName).toBe(names.get(key));

    const looks = looksOf(walk, {
      houseId: batch?.houseId ?? '',
      works: drawing.works,
      standing,
      calendar: null,
    });
    const { trace } = barrierHere(walk, { looks, penetrations, mends });
    expect(trace.breaks.filter(({ kind }) => kind === 'junction-open').length).toBe(2);
    expect(trace.breaks.filter(({ kind }) => kind === 'penetration-open').length).toBe(2);
    expect(trace.continuityByLength).toBeGreaterThan(0.1);
    expect(trace.continuityByLength).toBeLessThan(0.9);
  },
);
