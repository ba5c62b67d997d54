/** @jest-environment node */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Members of the `…Props` of a file that stand without a comment. */
function uncommented(source: string): readonly string[] {
  const props = [...source.matchAll(/interface (\w*Props)\b[^{]*\{\n([\s\S]*?)\n\}/g)];
  return props.flatMap(([, name = '', body = '']) => {
    const lines = body.split('\n');
    return lines.flatMap((line, i) => {
      const [, member] = /^ {2}(?:readonly )?(\w+)\??: /.exec(line) ?? [];
      return member !== undefined && !/\*\/\s*$/.test(lines[i - 1] ?? '') ? [`${name}.${member}`] : [];
    });
  });
}

test('a member without a comment is found', () => {
  const source =
    'interface KeyProps extends Other<A> {\n  /** Said. */\n  readonly a: string;\n  readonly b?: () => void;\n}\n';
  expect(uncommented(source)).toEqual(['KeyProps.b']);
});

test('whoever uses a piece of the interface reads what each of its members means', () => {
  const files = readdirSync(__dirname, { recursive: true, encoding: 'utf8' });
  const pieces = files.filter((file) => /\.tsx$/.test(file) && !/\.test\.tsx$/.test(file));
  expect(pieces.length).toBeGreaterThan(15);
  expect(
    pieces.flatMap((file) =>
      uncommented(readFileSync(join(__dirname, file), 'utf8')).map((each) => [file, each]),
    ),
  ).toEqual([]);
});
