import { uuid } from '@calvet/contract/schemas';
import type { Request } from 'express';
import { HttpProblem } from './problems';

/** Schema of the id of a house. */
export const houseId = uuid().required();

/** The house that a path names. */
export function houseIdOf(request: Request): string {
  const { error, value } = houseId.validate(request.params.houseId);
  if (error !== undefined)
    throw new HttpProblem(400, 'malformed-id', 'houseId', 'The id of a house is a UUID.');
  return value as string;
}
