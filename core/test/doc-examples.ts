import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A worked example of a doc comment: what is to be run, and what it is said to give. */
interface DocExample {
  readonly file: string;
  readonly code: string;
  readonly given: string;
}

const EXAMPLE = /^ \* @example (.*)$/gm;

/** Every `@example CODE // VALUE` in the sources of a folder. */
export function docExamples(folder: string): readonly DocExample[] {
  const files = readdirSync(folder, { recursive: true }).map(String);
  return files
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .flatMap((file) =>
      [...readFileSync(join(folder, file), 'utf8').matchAll(EXAMPLE)].map(([, text = '']) => {
        const [code = '', given = ''] = text.split(' // ');
        return { file, code, given };
      }),
    );
}

/** A figure as it is written: what was worked out is right where it rounds to it, or begins with it before "…". */
class Figure {
  constructor(private readonly text: string) {}

  fits(value: unknown): boolean {
    if (typeof value !== 'number') return false;
    const isCut = this.text.endsWith('…');
    const digits = this.text.replace('…', '').split('.')[1]?.length ?? 0;
    const off = Math.abs(value - Number.parseFloat(this.text));
    return off <= (isCut ? 1 : 0.5) * 10 ** -digits + 1e-12;
  }
}

function fits(expected: unknown, value: unknown): boolean {
  if (expected instanceof Figure) return expected.fits(value);
  if (typeof expected !== 'object' || expected === null) return Object.is(expected, value);
  if (typeof value !== 'object' || value === null) return false;
  const keys = Object.keys(expected);
  return (
    keys.length === Object.keys(value).length &&
    keys.every((key) =>
      fits((expected as Record<string, unknown>)[key], (value as Record<string, unknown>)[key]),
    )
  );
}

const NUMBER = /(?<![\w'".])-?\d+(?:\.\d+)?…?(?![\w'"])/g;
const TEXTS = /('[^']*')/;

/** What an example says it gives, as a value; words behind a figure are its unit. */
function expectedOf(given: string): unknown {
  const literal = /^-?\d/.test(given) ? (/^-?[\d.]+…?/.exec(given)?.[0] ?? given) : given;
  const source = literal
    .split(TEXTS)
    .map((part) => (part.startsWith("'") ? part : part.replace(NUMBER, (text) => `figure('${text}')`)))
    .join('');
  return new Function('figure', `return (${source})`)((text: string) => new Figure(text));
}

/** Runs an example, with what its module and others export at hand; null where it gives what it says. */
export function troubleWith(
  { code, given }: DocExample,
  scope: Readonly<Record<string, unknown>>,
): string | null {
  const names = Object.keys(scope).filter((name) => name !== 'default');
  const value: unknown = new Function(...names, `return (${code})`)(...names.map((name) => scope[name]));
  return fits(expectedOf(given), value) ? null : `gives ${JSON.stringify(value)}, not ${given}`;
}

const EXPORTED = /(\/\*\*(?:(?!\*\/)[\s\S])*\*\/\n)?export (?:function (\w+)|const (\w+) = (?:<[^>]*>)?\()/g;

/** Exported functions of a folder's sources whose doc comment has no example, as `file name`. */
export function withoutExample(folder: string, isLookedAt: (file: string) => boolean): readonly string[] {
  const files = readdirSync(folder, { recursive: true }).map(String);
  return files
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && isLookedAt(file))
    .flatMap((file) =>
      [...readFileSync(join(folder, file), 'utf8').matchAll(EXPORTED)].flatMap(
        ([, comment = '', named = '', constant = '']) =>
          comment.includes(' * @example ') ? [] : [`${file} ${named}${constant}`],
      ),
    );
}
