import { answerWithSteps } from './answer-with-steps';
import type { Report, Request } from './messages';

const report = (message: Report): void => self.postMessage(message);

self.onmessage = ({ data: { name, input } }: MessageEvent<Request>) => {
  try {
    const answer = answerWithSteps(name, input, (share) => report({ kind: 'progress', share }));
    report({ kind: 'answer', answer });
  } catch (error) {
    report({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
  }
};
