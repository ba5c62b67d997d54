import { computeByName } from './operations';
import { Refusal } from './refusal';

/**
 * What an operation answers, or why it refused.
 * @example outputOrRefusal('air.dewPoint', { temperatureC: 21, relativeHumidity: 0.45 }).dewPointC // 8.622
 */
export function outputOrRefusal(operation: unknown, input: unknown): unknown {
  try {
    return computeByName(operation, input);
  } catch (error) {
    if (error instanceof Refusal) return error.toJSON();
    throw error;
  }
}

/** An input longer than this is refused, so that memory stays bounded whatever comes in. */
export const MOST_CHARACTERS = 4_000_000;

export const notJson = { error: { code: 'malformed-json', field: '', message: 'This is not JSON.' } };
export const tooLarge = {
  error: {
    code: 'input-too-large',
    field: '',
    message: `One input takes up to ${MOST_CHARACTERS} characters.`,
    bound: MOST_CHARACTERS,
  },
};

/**
 * JSON, or that it is none.
 * @example parse('{') // { ok: false }
 */
export function parse(
  source: string,
): { readonly ok: true; readonly value: unknown } | { readonly ok: false } {
  try {
    return { ok: true, value: JSON.parse(source) as unknown };
  } catch {
    return { ok: false };
  }
}

/**
 * The answer to a line of a batch: its id with figures or a refusal.
 * @example answerLine('{"id":1,"operation":"air.dewPoint","input":{"temperatureC":21,"relativeHumidity":0.45}}').output.dewPointC // 8.622
 */
export function answerLine(line: string): unknown {
  const parsed = parse(line);
  if (!parsed.ok) return { id: null, output: notJson };
  const {
    id = null,
    operation,
    input,
  } = (parsed.value ?? {}) as {
    readonly id?: unknown;
    readonly operation?: unknown;
    readonly input?: unknown;
  };
  return { id, output: outputOrRefusal(operation, input) };
}
