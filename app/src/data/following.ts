import { apiPaths, type News } from '@calvet/contract';
import { Listeners } from './listeners';

const START_MS = 500;
const AGAIN_MS = 5000;

interface Following {
  readonly onNews: (news: News) => void;
  /** The server can be heard: what was said before may have been missed. */
  readonly onOpen: () => void;
}

let isHeard = false;
const listeners = new Listeners();

function setHeard(next: boolean): void {
  if (isHeard === next) return;
  isHeard = next;
  listeners.tell();
}

/** True while the server tells by itself what is new; else it has to be asked. */
export function isServerHeard(): boolean {
  return isHeard;
}

export const subscribeToHearing = listeners.subscribe;

/**
 * Listens to what is new on the server while the page is in sight: browsers allow a few connections to one server, and
 * pages that nobody looks at must not take them from the one in use.
 */
export function followServer({ onNews, onOpen }: Following): void {
  let source: EventSource | null = null;
  const follow = (): void => {
    const isInSight = document.visibilityState === 'visible';
    if (isInSight && source === null) start();
    if (!isInSight) stop();
  };
  const start = (): void => {
    source = new EventSource(apiPaths.events);
    source.onopen = () => {
      setHeard(true);
      onOpen();
    };
    source.onerror = () => {
      setHeard(false);
      // The browser tries again by itself, but not after an answer that was no stream.
      if (source?.readyState !== EventSource.CLOSED) return;
      source = null;
      setTimeout(follow, AGAIN_MS);
    };
    source.onmessage = ({ data }: MessageEvent<string>) => onNews(JSON.parse(data) as News);
  };
  const stop = (): void => {
    source?.close();
    source = null;
    setHeard(false);
  };
  document.addEventListener('visibilitychange', follow);
  // The first screen comes first.
  setTimeout(follow, START_MS);
}
