import type { CDPSession } from '@playwright/test';

interface Initiator {
  readonly type: string;
  readonly url?: string;
  readonly stack?: Stack;
}

interface Stack {
  readonly callFrames: readonly { readonly url: string }[];
  readonly parent?: Stack;
}

const urlsOf = (stack: Stack | undefined): readonly string[] =>
  stack === undefined ? [] : [...stack.callFrames.map(({ url }) => url), ...urlsOf(stack.parent)];

/**
 * Counts how many requests of a page had to wait for one another. The page is the first wave; what it names is the second;
 * what a piece of one wave asks for belongs to the next.
 */
export class Waves {
  private readonly waveOf = new Map<string, number>();
  private readonly urlOf = new Map<string, string>();
  private bytes = 0;
  private dataRequests = 0;

  constructor(session: CDPSession) {
    session.on('Network.requestWillBeSent', ({ requestId, request, initiator }) => {
      if (this.waveOf.has(request.url) || !request.url.startsWith('http')) return;
      this.urlOf.set(requestId, request.url);
      this.waveOf.set(request.url, 1 + this.waveBefore(initiator));
      if (new URL(request.url).pathname.startsWith('/api/')) this.dataRequests += 1;
    });
    session.on('Network.loadingFinished', ({ encodedDataLength }) => {
      this.bytes += encodedDataLength;
    });
  }

  /** As it stands now. */
  sofar(): { readonly deepest: number; readonly bytes: number; readonly dataRequests: number } {
    return { deepest: Math.max(...this.waveOf.values()), bytes: this.bytes, dataRequests: this.dataRequests };
  }

  /** The wave of what asked. */
  private waveBefore({ type, url, stack }: Initiator): number {
    const askers = [...(url === undefined ? [] : [url]), ...urlsOf(stack)];
    const waves = askers.flatMap((asker) => this.waveOf.get(asker) ?? []);
    if (waves.length > 0) return Math.max(...waves);
    // Asked for by nothing that is known: the page itself, or what the whole page led to.
    return type === 'other' ? 0 : Math.max(0, ...this.waveOf.values());
  }
}
