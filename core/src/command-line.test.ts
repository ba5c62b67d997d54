import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import fc from 'fast-check';
import { anyInput, mutatedInput } from '../test/any-input';

const root = join(__dirname, '../..');

function run(args: readonly string[], input: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, 'bin/compute.mjs'), ...args], {
    cwd: root,
    input,
    encoding: 'utf8',
  });
  return {
    status,
    lines: stdout
      .trim()
      .split('\n')
      .map((line) => (line === '' ? null : JSON.parse(line))),
    stderr,
  };
}

test('one operation: JSON in, JSON out', () => {
  const { status, lines } = run(['air.dewPoint'], '{"temperatureC":20,"relativeHumidity":0.5}');
  expect(status).toBe(0);
  expect(lines[0].dewPointC).toBeCloseTo(9.269, 3);
});

test('a refusal is answered in full and fails', () => {
  const { status, lines } = run(['air.dewPoint'], '{"temperatureC":20}');
  expect(status).toBe(2);
  expect(lines[0].error).toMatchObject({ code: 'required', field: 'relativeHumidity' });
});

test('a batch answers line for line, past what cannot be read', () => {
  const { status, lines } = run(
    ['--batch'],
    [
      '{"id":1,"operation":"air.dewPoint","input":{"vapourPressurePa":1000}}',
      'not json',
      '',
      '{"id":"b","operation":"air.guess","input":{}}',
      '{"id":3,"operation":"thermal.house","input":{"areas":[{"areaM2":10,"uValue":0.2}]}}',
    ].join('\n'),
  );
  expect(status).toBe(0);
  expect(lines.map(({ id }) => id)).toEqual([1, null, 'b', 3]);
  expect(lines[1].output.error.code).toBe('malformed-json');
  expect(lines[2].output.error).toMatchObject({ code: 'unknown-operation', field: 'operation' });
  expect(lines[3].output.transmissionWK).toBeCloseTo(2, 12);
});

test('an input too large is refused, and the lines after it are answered', () => {
  const readings = Array.from({ length: 200_000 }, () => '{"pressurePa":-50,"flowM3h":1000}').join();
  const large = `{"runs":[{"readings":[${readings}]}]}`;
  const alone = run(['airtightness.multiPoint'], large);
  expect(alone.status).toBe(2);
  expect(alone.lines[0].error).toMatchObject({ code: 'input-too-large', field: '' });
  const good = '{"id":2,"operation":"air.dewPoint","input":{"vapourPressurePa":1000}}';
  const { status, lines } = run(['--batch'], [good, large, good].join('\n'));
  expect(status).toBe(0);
  expect(lines.map(({ id, output }) => [id, output.error?.code])).toEqual([
    [2, undefined],
    [null, 'input-too-large'],
    [2, undefined],
  ]);
});

test('random lines are each answered with figures or a refusal', () => {
  const lines = fc
    .sample(
      fc.oneof(
        fc.jsonValue().map((value) => JSON.stringify(value)),
        anyInput.map((value) => JSON.stringify(value)),
        mutatedInput.map((value) => JSON.stringify(value)),
        fc.string({ maxLength: 40 }),
      ),
      { numRuns: 600, seed: 9 },
    )
    .map((line) => line.replace(/[\r\n]/g, ' '))
    .filter((line) => line.trim() !== '');
  const answered = run(['--batch'], lines.join('\n'));
  expect(answered.status).toBe(0);
  expect(answered.lines).toHaveLength(lines.length);
  for (const { output } of answered.lines) expect(output).toEqual(expect.any(Object));
  expect(answered.stderr).toBe('');
});

test('without a name it says how it is used', () => {
  const { status, stderr } = run([], '');
  expect(status).toBe(2);
  expect(stderr).toContain('airtightness.multiPoint');
});
