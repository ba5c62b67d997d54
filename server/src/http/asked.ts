import { BATCH_MAX, CONFIRM_MAX, LEDGERS_ASKED_MAX } from '@calvet/contract';
import { pictureName } from '@calvet/contract/schemas';
import type { Request } from 'express';
import Joi from 'joi';
import { ledgerId } from './paths';
import { HttpProblem } from './problems';

const since = Joi.number().integer().min(0).max(Number.MAX_SAFE_INTEGER).default(0);
const ledgersSince = Joi.array()
  .items(Joi.array().ordered(ledgerId, since.required()).length(2))
  .min(1)
  .max(LEDGERS_ASKED_MAX)
  .required();
const pictureNames = Joi.array().items(pictureName).min(1).max(CONFIRM_MAX).required();
const batch = Joi.array().min(1).max(BATCH_MAX).required();

/** The change number after which changes are asked for. */
export function sinceOf(request: Request): number {
  const { error, value } = since.validate(request.query.since);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'out-of-range',
      'since',
      'The change number must be a whole number, 0 or more.',
    );
  }
  return value as number;
}

/** "LEDGER:N,LEDGER:N" by ledger. */
export function sinceOfLedgers(request: Request): ReadonlyMap<string, number> {
  const pairs = String(request.query.since ?? '')
    .split(',')
    .map((pair) => pair.split(':'));
  const { error, value } = ledgersSince.validate(pairs);
  if (error !== undefined) {
    throw new HttpProblem(
      400,
      'malformed-list',
      'since',
      `Ask for 1 to ${LEDGERS_ASKED_MAX} ledgers as ID:NUMBER, with commas between.`,
    );
  }
  return new Map(value as [string, number][]);
}

/** The changes of a batch, none of them read yet. */
export function batchOf(request: Request): readonly unknown[] {
  const { error, value } = batch.validate(
    (request.body as { readonly changes?: unknown } | undefined)?.changes,
  );
  if (error !== undefined) {
    throw new HttpProblem(422, 'list-length', 'changes', `Send a list of 1 to ${BATCH_MAX} changes.`);
  }
  return value as readonly unknown[];
}

/** Names of pictures in a body. */
export function namesOf(request: Request): readonly string[] {
  const { sha256s } = (request.body ?? {}) as { readonly sha256s?: unknown };
  const { error, value } = pictureNames.validate(sha256s);
  if (error !== undefined) {
    throw new HttpProblem(422, 'list-length', 'sha256s', `Send a list of 1 to ${CONFIRM_MAX} SHA-256.`);
  }
  return value as readonly string[];
}
