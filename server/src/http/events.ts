import type { FormerBase, News } from '@calvet/contract';
import type { RequestHandler } from 'express';
import type { ChangeWatch } from '../service/change-watch';
import { whoAsks } from './principal';

/** So often a line is sent that says nothing, so that both ends find out when the other is gone. */
const SIGN_OF_LIFE_MS = 20_000;

/** Server-sent events: a line for each ledger that has something new. */
export function eventsHandler(watch: ChangeWatch): RequestHandler {
  return (_request, response) => {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    });
    response.write(': here\n\n');
    const leave = watch.subscribe(
      whoAsks(response),
      ({ id, lastChange }) => {
        // Former versions of the app know a ledger by `houseId`.
        const news: News & FormerBase = { ledgerId: id, upTo: lastChange, houseId: id };
        response.write(`data: ${JSON.stringify(news)}\n\n`);
      },
      () => response.end(),
    );
    const timer = setInterval(() => response.write(': here\n\n'), SIGN_OF_LIFE_MS);
    response.on('close', () => {
      clearInterval(timer);
      leave();
    });
  };
}
