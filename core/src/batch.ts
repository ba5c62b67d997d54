import { availableParallelism } from 'node:os';
import { parentPort, Worker } from 'node:worker_threads';
import { answerLine, MOST_CHARACTERS, tooLarge } from './answers';

/** A line of the batch; null where it is too long. */
type Line = string | null;

/** So many lines are answered in one go. */
const BLOCK_LINES = 400;
const MOST_WORKERS = 4;

/** Standard input as lines, many at a time; a line too long comes as null. */
async function* linesOfInput(): AsyncGenerator<readonly Line[]> {
  let rest = '';
  let isTooLong = false;
  for await (const chunk of process.stdin.setEncoding('utf8')) {
    const lines: Line[] = (rest + String(chunk)).split('\n');
    rest = lines.pop() ?? '';
    if (isTooLong && lines.length > 0) lines[0] = null;
    isTooLong &&= lines.length === 0;
    if (rest.length > MOST_CHARACTERS) isTooLong = true;
    if (isTooLong) rest = '';
    yield lines;
  }
  yield isTooLong ? [null] : [rest];
}

/** Lines of input in blocks; the last may be short. */
async function* blocksOfInput(): AsyncGenerator<readonly Line[]> {
  let block: Line[] = [];
  for await (const lines of linesOfInput()) {
    for (const line of lines) {
      if (line !== null && line.trim() === '') continue;
      block.push(line);
      if (block.length < BLOCK_LINES) continue;
      yield block;
      block = [];
    }
  }
  if (block.length > 0) yield block;
}

function answersTo(block: readonly Line[]): string {
  let answers = '';
  for (const line of block) {
    answers += `${JSON.stringify(line === null ? { id: null, output: tooLarge } : answerLine(line))}\n`;
  }
  return answers;
}

/** In a worker: answers the blocks that come. */
export function answerBlocks(): void {
  parentPort?.on('message', (block: readonly Line[]) => parentPort?.postMessage(answersTo(block)));
}

/** A worker that answers one block after the other, in their order. */
class BlockWorker {
  private readonly worker: Worker;
  private readonly waiting: {
    readonly resolve: (answers: string) => void;
    readonly reject: (e: unknown) => void;
  }[] = [];

  constructor(program: URL) {
    this.worker = new Worker(program);
    this.worker.on('message', (answers: string) => this.waiting.shift()?.resolve(answers));
    this.worker.on('error', (error) => this.waiting.shift()?.reject(error));
  }

  answer(block: readonly Line[]): Promise<string> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ resolve, reject });
      this.worker.postMessage(block);
    });
  }

  stop(): Promise<number> {
    return this.worker.terminate();
  }
}

async function write(answers: string): Promise<void> {
  if (process.stdout.write(answers)) return;
  await new Promise((resolve) => process.stdout.once('drain', resolve));
}

/**
 * Answers JSON lines on standard input, line for line and in order. What fits one block is answered at once; more goes
 * round workers, and reading waits while they are busy, so that memory stays bounded.
 * @param program the program that calls {@link answerBlocks} when it runs in a worker
 */
export async function answerBatch(program: URL): Promise<void> {
  const blocks = blocksOfInput();
  const first = await blocks.next();
  const second = first.done === true ? first : await blocks.next();
  if (first.done !== true && second.done === true) await write(answersTo(first.value));
  if (first.done === true || second.done === true) return;

  const workers = Array.from(
    { length: Math.min(MOST_WORKERS, availableParallelism()) },
    () => new BlockWorker(program),
  );
  const underWay: Promise<string>[] = [];
  let turn = 0;
  const give = (block: readonly Line[]): void => {
    const answers = workers[turn++ % workers.length]?.answer(block) ?? Promise.resolve('');
    underWay.push(answers);
  };
  give(first.value);
  give(second.value);
  for await (const block of blocks) {
    give(block);
    if (underWay.length > 3 * workers.length) await write((await underWay.shift()) ?? '');
  }
  for (const answers of underWay) await write(await answers);
  await Promise.all(workers.map((worker) => worker.stop()));
}
