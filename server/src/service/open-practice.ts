import { NEW_PRACTICE, PRACTICE_ID, type Change } from '@calvet/contract';
import type { Database } from '../store/database';
import { acceptChanges } from './accept-changes';
import type { Principal } from './rights';

/** The same for every process that starts, so that it counts once. */
const BEGIN: Change<'practice'> = {
  changeId: '00000000-0000-7000-8000-000000000002',
  kind: 'practice',
  id: PRACTICE_ID,
  baseRevision: 0,
  op: 'create',
  body: NEW_PRACTICE,
};

/** Sees to it that the one practice is there, with its settings as its first record. */
export async function openPractice(db: Database): Promise<void> {
  const ourselves: Principal = {
    who: { name: 'Calvet', device: '', now: new Date(), clock: null },
    practice: PRACTICE_ID,
    role: 'all',
  };
  await acceptChanges(db, ourselves, PRACTICE_ID, [BEGIN]);
}
