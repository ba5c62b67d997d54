import type { ChangeOutcome } from '@calvet/contract';
import type { RequestHandler } from 'express';
import { HttpProblem, problemOf } from './problems';

const CODE = 'unknown-ledger';
const FORMER = { code: 'unknown-house', field: 'houseId', message: 'No house has this id.' } as const;

const inFormerWords = (outcome: ChangeOutcome): ChangeOutcome =>
  outcome.outcome === 'refused' && outcome.code === CODE
    ? // Former versions of the app wait where they read this code.
      ({ ...outcome, code: FORMER.code } as unknown as ChangeOutcome)
    : outcome;

/** Answers of the paths that former versions of the app know: to them every ledger is a house. */
export const asFormerly =
  (handler: RequestHandler): RequestHandler =>
  async (request, response, next) => {
    request.params.ledgerId = request.params.houseId ?? '';
    try {
      await handler(request, response, next);
    } catch (error) {
      const { status, code, field, message, extra } = problemOf(error);
      if (code === CODE && extra.results === undefined)
        throw new HttpProblem(status, FORMER.code, FORMER.field, FORMER.message);
      if (field === 'ledgerId') throw new HttpProblem(status, code, FORMER.field, message);
      if (extra.results === undefined) throw error;
      const results = extra.results.map(inFormerWords);
      throw new HttpProblem(status, code === CODE ? FORMER.code : code, field, message, { results });
    }
  };
