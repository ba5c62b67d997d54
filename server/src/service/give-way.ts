import { readlinkSync } from 'node:fs';
import { setPriority, constants } from 'node:os';
import { basename } from 'node:path';
import { isMainThread } from 'node:worker_threads';

/**
 * Lets this thread compute only with what everybody else leaves of the processors: somebody who waits for a list of houses
 * waits for no computation. Only Linux tells threads apart; elsewhere all go on alike.
 */
export function giveWay(): void {
  if (isMainThread) return;
  try {
    const thread = Number(basename(readlinkSync('/proc/thread-self')));
    setPriority(thread, constants.priority.PRIORITY_BELOW_NORMAL);
  } catch {
    // Somebody does not allow it: computations are as they were.
  }
}
