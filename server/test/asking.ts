import type { HouseSummary, PagesByLedger, RecordBase } from '@calvet/contract';

/** Members of all answers of the API together; a test looks at those that it expects. */
export interface AnswerBody {
  readonly code: string;
  readonly field: string;
  readonly bound?: number | string;
  readonly status: number | string;
  readonly results: readonly {
    readonly outcome: string;
    readonly changeNumber: number;
    readonly revision: number;
  }[];
  readonly records: readonly {
    readonly kind: string;
    readonly record: RecordBase & { readonly name: string };
  }[];
  readonly houses: readonly RecordBase[];
  readonly counters: Readonly<Record<string, number>>;
  readonly pages: PagesByLedger;
  readonly summaries: Readonly<Record<string, HouseSummary>>;
  readonly upTo: number;
  readonly more: boolean;
  readonly dewPointC: number;
  readonly findings: readonly { readonly rule: string }[];
}

export interface Answer {
  readonly status: number;
  readonly type: string;
  readonly text: string;
  readonly body: AnswerBody;
}

/** Asks a server; the body is JSON unless it is given as text. */
export async function ask(url: string, init: RequestInit & { json?: unknown } = {}): Promise<Answer> {
  const { json, ...rest } = init;
  const response = await fetch(url, {
    ...rest,
    ...(json === undefined
      ? {}
      : {
          method: 'POST',
          body: JSON.stringify(json),
          headers: { 'content-type': 'application/json', ...rest.headers },
        }),
  });
  const text = await response.text();
  const type = response.headers.get('content-type') ?? '';
  const body = (type.includes('json') ? JSON.parse(text) : {}) as AnswerBody;
  return { status: response.status, type, body, text };
}
