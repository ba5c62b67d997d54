import { takesLong, type OperationName } from '@calvet/core/operations';
import { useEffect, useMemo, useRef, useState } from 'react';
import { answerWithSteps } from './answer-with-steps';
import type { Answer } from './messages';
import { computeInWorker } from './worker-door';

/** What is known of an answer: it is here, on its way, stopped, or could not be had. */
export type Answering<Name extends OperationName> =
  | { readonly state: 'here'; readonly answer: Answer<Name> }
  | { readonly state: 'under way'; readonly share: number; readonly stop: () => void }
  | { readonly state: 'stopped'; readonly again: () => void }
  | { readonly state: 'failed'; readonly message: string; readonly again: () => void };

/** Figures in an input beyond which even a short computation holds up the screen. */
const MANY_FIGURES = 2000;
/** So long after the last key a long computation starts. */
const PAUSE_MS = 250;

function countFigures(input: unknown): number {
  if (typeof input !== 'object' || input === null) return 1;
  return Object.values(input).reduce<number>((sum, each) => sum + countFigures(each), 0);
}

/** True for what is computed in a worker: operations that take long, and inputs that make any take long. */
export function belongsInWorker(name: OperationName, input: unknown): boolean {
  return takesLong(name) || countFigures(input) > MANY_FIGURES;
}

type InWorker<Name extends OperationName> =
  | { readonly state: 'under way'; readonly share: number }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'here'; readonly answer: Answer<Name> };

/** What a worker said, and in answer to what. */
interface Heard<Name extends OperationName> {
  readonly input: object | null;
  readonly attempt: number;
  readonly said: InWorker<Name>;
}

function useWorkerAnswer<Name extends OperationName>(name: Name, input: object | null) {
  const [attempt, setAttempt] = useState(0);
  const [heard, setHeard] = useState<Heard<Name> | null>(null);
  const halt = useRef(() => {});
  useEffect(() => {
    if (input === null) return;
    const hear = (said: InWorker<Name>) => setHeard({ input, attempt, said });
    const timer = setTimeout(() => {
      const computation = computeInWorker(name, input, (share) => hear({ state: 'under way', share }));
      halt.current = computation.stop;
      computation.answer.then(
        (answer) => hear({ state: 'here', answer }),
        (error: Error) => hear({ state: 'failed', message: error.message }),
      );
    }, PAUSE_MS);
    halt.current = () => clearTimeout(timer);
    return () => halt.current();
  }, [name, input, attempt]);
  // What was said of another input, or before it was asked again, does not count.
  const isOfThis = heard !== null && heard.input === input && heard.attempt === attempt;
  const said: InWorker<Name> = isOfThis ? heard.said : { state: 'under way', share: 0 };
  return {
    said,
    stop: () => {
      halt.current();
      setHeard({ input, attempt, said: { state: 'stopped' } });
    },
    again: () => setAttempt((before) => before + 1),
  };
}

/**
 * The answer of an operation to an input, computed here where it is short and in a worker where it is not; null
 * while there is no input to compute from.
 * @param input the same object for as long as it is the same input
 */
export function useAnswer<Name extends OperationName>(
  name: Name,
  input: object | null,
): Answering<Name> | null {
  const inWorker = input !== null && belongsInWorker(name, input);
  const here = useMemo(
    () => (input === null || inWorker ? null : answerWithSteps(name, input)),
    [inWorker, name, input],
  );
  const { said, stop, again } = useWorkerAnswer(name, inWorker ? input : null);
  if (input === null) return null;
  if (here !== null) return { state: 'here', answer: here };
  switch (said.state) {
    case 'under way':
      return { ...said, stop };
    case 'here':
      return said;
    case 'stopped':
    case 'failed':
      return { ...said, again };
  }
}
