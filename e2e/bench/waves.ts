import type { CDPSession } from '@playwright/test';

interface Initiator {
  readonly type: string;
  readonly url?: string;
}

/**
 * Counts how many requests of a page had to wait for one another. The page is the first wave; what it names is the second;
 * what a script asks for comes after the last wave that had brought a script or data by then, since that is what may have
 * led to it.
 */
export class Waves {
  private readonly waveOf = new Map<string, number>();
  private readonly urlOf = new Map<string, string>();
  /** Of scripts and data that have come. */
  private deepestRun = 0;
  private bytes = 0;
  private dataRequests = 0;

  constructor(session: CDPSession) {
    session.on('Network.requestWillBeSent', ({ requestId, request, initiator }) => {
      if (this.waveOf.has(request.url) || !request.url.startsWith('http')) return;
      this.urlOf.set(requestId, request.url);
      this.waveOf.set(request.url, 1 + this.waveBefore(initiator));
      if (new URL(request.url).pathname.startsWith('/api/')) this.dataRequests += 1;
    });
    session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      this.bytes += encodedDataLength;
      const url = this.urlOf.get(requestId);
      if (url === undefined || !/\.js$|\/api\//.test(url)) return;
      this.deepestRun = Math.max(this.deepestRun, this.waveOf.get(url) ?? 0);
    });
  }

  /** As it stands now. */
  sofar(): { readonly deepest: number; readonly bytes: number; readonly dataRequests: number } {
    return { deepest: Math.max(...this.waveOf.values()), bytes: this.bytes, dataRequests: this.dataRequests };
  }

  /** The wave of what asked. */
  private waveBefore({ type, url }: Initiator): number {
    if (type === 'script') return this.deepestRun;
    return url === undefined ? 0 : (this.waveOf.get(url) ?? 0);
  }
}
