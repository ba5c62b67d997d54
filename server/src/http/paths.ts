import { uuid } from '@calvet/contract/schemas';
import type { Request } from 'express';
import { HttpProblem } from './problems';

/** Schema of the id of a house, or of another ledger. */
export const ledgerId = uuid().required();

function idIn(request: Request, name: string, of: string): string {
  const { error, value } = ledgerId.validate(request.params[name]);
  if (error !== undefined) throw new HttpProblem(400, 'malformed-id', name, `The id of ${of} is a UUID.`);
  return value as string;
}

/** The house that a path names. */
export const houseIdOf = (request: Request): string => idIn(request, 'houseId', 'a house');

/** The ledger that a path names. */
export const ledgerIdOf = (request: Request): string => idIn(request, 'ledgerId', 'a ledger');
