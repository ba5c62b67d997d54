import type { RequestHandler } from 'express';
import { HttpProblem } from './problems';

/** Stands after the handlers of a path, and says which methods it has. */
export function only(...methods: readonly string[]): RequestHandler {
  const allow = methods.join(', ');
  return ({ method }) => {
    throw new HttpProblem(
      405,
      'unknown-method',
      '',
      `${method} is not done here; ${allow} is.`,
      {},
      { allow },
    );
  };
}
