import type { ValidationError } from 'joi';
import type { Refusal, RefusalCode } from '@calvet/core/refusal';

/** Codes that only records know, beside those of the computation. */
export type RecordRefusalCode = RefusalCode | 'empty' | 'text-too-long' | 'wrong-form' | 'unknown-field';

/** What does not fit in a record: a stable code, the field's path, a sentence, and the bound where there is one. */
export interface FieldRefusal {
  readonly code: RecordRefusalCode;
  readonly field: string;
  readonly message: string;
  readonly bound?: number | string;
}

const CODES: Readonly<Record<string, RecordRefusalCode>> = {
  'any.required': 'required',
  'any.only': 'unknown-option',
  'array.base': 'not-a-list',
  'array.max': 'list-length',
  'array.min': 'list-length',
  'array.sparse': 'required',
  'array.unique': 'conflict',
  'boolean.base': 'not-a-boolean',
  day: 'not-a-day',
  'number.base': 'not-a-number',
  'number.greater': 'out-of-range',
  'number.infinity': 'not-a-number',
  'number.integer': 'not-a-whole-number',
  'number.less': 'out-of-range',
  'number.max': 'out-of-range',
  'number.min': 'out-of-range',
  'number.unsafe': 'out-of-range',
  'object.base': 'not-an-object',
  'object.unknown': 'unknown-field',
  'string.base': 'not-a-string',
  'string.empty': 'empty',
  'string.isoDate': 'wrong-form',
  'string.lowercase': 'wrong-form',
  'string.max': 'text-too-long',
  'string.pattern.invert.name': 'wrong-form',
  'string.pattern.name': 'wrong-form',
};

const BOUND_WORDS: Readonly<Record<string, string>> = {
  'number.greater': 'above',
  'number.less': 'below',
  'number.min': 'at least',
  'number.max': 'at most',
  'array.min': 'at least',
  'array.max': 'at most',
  'string.max': 'at most',
};

function messageFor(code: RecordRefusalCode, type: string, bound: number | string | undefined): string {
  switch (code) {
    case 'required':
      return 'This is missing.';
    case 'empty':
      return 'This cannot be empty.';
    case 'not-a-number':
      return 'This must be a number.';
    case 'not-a-whole-number':
      return 'This must be a whole number.';
    case 'out-of-range':
      return bound === undefined
        ? 'This number is out of all proportion.'
        : `This must be ${BOUND_WORDS[type] ?? 'within'} ${bound}.`;
    case 'list-length':
      return `This list takes ${BOUND_WORDS[type] ?? 'about'} ${String(bound)}.`;
    case 'text-too-long':
      return `This text can have ${String(bound)} characters.`;
    case 'unknown-option':
      return `This must be one of: ${String(bound)}.`;
    case 'unknown-field':
      return 'No such field is known.';
    case 'not-a-day':
      return 'This must be a day, written YYYY-MM-DD.';
    case 'wrong-form':
      return 'This does not have the form it must have.';
    default:
      return 'This is not of the right kind.';
  }
}

function fieldPath(path: readonly (string | number)[]): string {
  return path.reduce<string>((text, part) => {
    if (typeof part === 'number') return `${text}[${part}]`;
    return text === '' ? part : `${text}.${part}`;
  }, '');
}

/** The first thing that a Joi schema found wrong, in the words and codes of Calvet. */
export function refusalOf(error: ValidationError): FieldRefusal {
  const [first] = error.details;
  if (first === undefined) return { code: 'wrong-form', field: '', message: error.message };
  const context: Record<string, unknown> = first.context ?? {};
  const { limit, valids } = context;
  const bound =
    typeof limit === 'number'
      ? limit
      : Array.isArray(valids)
        ? valids.filter((value) => value !== null).join(', ')
        : undefined;
  const code = context.name === 'filled' ? 'empty' : (CODES[first.type] ?? 'wrong-form');
  return { code, field: fieldPath(first.path), message: messageFor(code, first.type, bound), bound };
}

/** A refusal of the computation in the same shape as one of a record. */
export function refusalFromCore(refusal: Refusal): FieldRefusal {
  return { code: refusal.code, field: refusal.field, message: refusal.message, bound: refusal.bound };
}
