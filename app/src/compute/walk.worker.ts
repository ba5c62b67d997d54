import { generateWalk } from '@calvet/contract/walk/generate-walk';
import type { WalkReport, WalkRequest } from './walk-messages';

self.onmessage = ({ data: { number, planned } }: MessageEvent<WalkRequest>) => {
  const report = (message: WalkReport): void => self.postMessage(message);
  try {
    report({ kind: 'walk', number, walk: generateWalk(planned) });
  } catch (error) {
    report({ kind: 'failed', number, message: error instanceof Error ? error.message : String(error) });
  }
};
