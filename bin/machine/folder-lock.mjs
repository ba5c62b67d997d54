import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureProgram } from './debian.mjs';
import { Trouble } from './processes.mjs';

const HELD_BY_ANOTHER = 7;

/** Who holds a folder, as they wrote it down. */
function holderOf(note) {
  try {
    return readFileSync(note, 'utf8');
  } catch {
    return 'another command';
  }
}

/**
 * Takes a folder for this process alone, for as long as it lives: of two that start in one checkout the second is told who
 * was first, and stops nothing. The lock is the system's, held by a child that ends when this process does, however it ends.
 * @param what the command, as a person would write it
 */
export async function holdFolder(folder, what) {
  mkdirSync(folder, { recursive: true });
  const program = await ensureProgram('flock', 'util-linux', 'keeps two starts apart');
  const note = join(folder, 'held-by');
  const lock = ['--nonblock', `--conflict-exit-code=${HELD_BY_ANOTHER}`, join(folder, 'lock')];
  const child = spawn(program, [...lock, 'sh', '-c', 'echo held; exec cat'], {
    // Of a group of its own, so that what a terminal sends to all does not let go before this process has ended.
    detached: true,
    stdio: ['pipe', 'pipe', 'ignore'],
  });
  const code = await new Promise((resolve, reject) => {
    child.once('error', reject);
    child.once('exit', resolve);
    child.stdout.once('data', () => resolve(null));
  });
  if (code === HELD_BY_ANOTHER) {
    throw new Trouble(
      `${folder} is in use by ${holderOf(note)}. It goes on undisturbed; stop it first to start ${what} here.`,
    );
  }
  if (code !== null) throw new Trouble(`${folder} could not be locked (flock ended with ${code}).`);
  writeFileSync(note, `${what} (process ${process.pid}, since ${new Date().toISOString()})`);
  child.unref();
  child.stdin.unref();
  child.stdout.unref();
}
