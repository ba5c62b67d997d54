import { isMainThread } from 'node:worker_threads';
import { outputOrRefusal, MOST_CHARACTERS, notJson, parse, tooLarge } from './answers';
import { answerBatch, answerBlocks } from './batch';
import { operationNames } from './operations';

const USAGE = `Usage:
  npm run -s compute -- NAME < input.json      one operation; JSON in, JSON out
  npm run -s compute -- --batch < lines.jsonl  {"id","operation","input"} a line in, {"id","output"} a line out
Operations: ${operationNames.join(', ')}
`;

/** All of standard input; null where it is too large. */
async function wholeInput(): Promise<string | null> {
  let source = '';
  for await (const chunk of process.stdin.setEncoding('utf8')) {
    source += String(chunk);
    if (source.length > MOST_CHARACTERS) return null;
  }
  return source;
}

async function single(operation: string): Promise<void> {
  const source = await wholeInput();
  const parsed = source === null ? null : parse(source);
  const output = parsed === null ? tooLarge : parsed.ok ? outputOrRefusal(operation, parsed.value) : notJson;
  process.stdout.write(`${JSON.stringify(output)}\n`);
  if (typeof output === 'object' && output !== null && 'error' in output) process.exitCode = 2;
}

const [name] = process.argv.slice(2);
if (!isMainThread) {
  answerBlocks();
} else if (name === undefined || name === '--help') {
  process.stderr.write(USAGE);
  process.exitCode = name === undefined ? 2 : 0;
} else if (name === '--batch') {
  await answerBatch(new URL(import.meta.url));
} else {
  await single(name);
}
