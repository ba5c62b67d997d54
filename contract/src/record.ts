/** What every record carries beside its own fields. */
export interface RecordBase {
  /** UUIDv7, made by whoever creates the record. */
  readonly id: string;
  /** The house or the practice that it is of. */
  readonly ledgerId: string;
  /** 1 when created; one more with each accepted change. */
  readonly revision: number;
  /** ISO 8601, UTC. */
  readonly updatedAt: string;
  readonly updatedBy: string;
  readonly deletedAt: string | null;
}

/** What every record carries, of one that no server has yet. */
export const notStored = (id: string, ledgerId: string): RecordBase => ({
  id,
  ledgerId,
  revision: 0,
  updatedAt: '',
  updatedBy: '',
  deletedAt: null,
});

/** As former versions of the app call the ledger of a record; the server says both for one version. */
export interface FormerBase {
  readonly houseId?: string;
}

/** A whole record: its own fields and what every record carries. */
export type Stored<Body> = Body & RecordBase;

/** The fields that a record has for itself, without those that every record carries. */
export function ownFields(record: RecordBase): Readonly<Record<string, unknown>> {
  const { id, ledgerId, revision, updatedAt, updatedBy, deletedAt, houseId, ...own } = record as RecordBase &
    FormerBase;
  return own;
}
