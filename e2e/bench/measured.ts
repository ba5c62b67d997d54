import {
  apiPaths,
  BATCH_MAX,
  MADE_BY_HAND,
  ownFields,
  type AreaBody,
  type Change,
  type HouseBody,
} from '@calvet/contract';
import { demoHouses, viewOfDemo } from '@calvet/demo';
import { v7 } from 'uuid';

const [sample] = demoHouses;
if (sample === undefined) throw new Error('The demo is not whole.');
const { house, areas } = viewOfDemo(sample);
const area = areas.find(({ kind }) => kind === 'wall');
if (area === undefined) throw new Error('The demo is not whole.');

/** A house and an area of the demo, of which what is measured is made, as if they were not drawn. */
export const sampleHouse = ownFields(house) as unknown as HouseBody;
export const sampleArea = { ...(ownFields(area) as unknown as AreaBody), ...MADE_BY_HAND };

/** A change that makes a record. */
export const create = (kind: Change['kind'], body: Change['body'], id = v7()): Change => ({
  changeId: v7(),
  kind,
  id,
  baseRevision: 0,
  op: 'create',
  body,
});

/**
 * Brings changes of a house to a server, batch by batch.
 * @throws where the server answers anything but yes
 */
export async function post(server: string, houseId: string, changes: readonly Change[]): Promise<void> {
  for (let i = 0; i < changes.length; i += BATCH_MAX) {
    const response = await fetch(server + apiPaths.changes(houseId), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ changes: changes.slice(i, i + BATCH_MAX) }),
    });
    if (!response.ok) throw new Error(`A house was answered with ${response.status}.`);
  }
}

/** The value below which a share of a list lies. */
export const at = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))] ?? NaN;

export const middle = (list: readonly number[]): number => at(list, 0.5);
