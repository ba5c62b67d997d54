/** What a ledger is of: one house, or the practice that looks at houses. */
export const LEDGER_KINDS = ['house', 'practice'] as const;
export type LedgerKind = (typeof LEDGER_KINDS)[number];

/**
 * Records that are written down together, in one order: they have a counter, a history, and a copy on a device. The first of
 * them bears the ledger's own id: the house, or the practice.
 */
export interface LedgerKey {
  readonly id: string;
  readonly kind: LedgerKind;
}

/** The one practice, as long as nobody signs in. */
export const PRACTICE_ID = '00000000-0000-7000-8000-000000000001';
