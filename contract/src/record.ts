/** What every record carries beside its own fields. */
export interface RecordBase {
  /** UUIDv7, made by whoever creates the record. */
  readonly id: string;
  readonly houseId: string;
  /** 1 when created; one more with each accepted change. */
  readonly revision: number;
  /** ISO 8601, UTC. */
  readonly updatedAt: string;
  readonly updatedBy: string;
  readonly deletedAt: string | null;
}

/** A whole record: its own fields and what every record carries. */
export type Stored<Body> = Body & RecordBase;

/** The fields that a record has for itself, without those that every record carries. */
export function ownFields(record: RecordBase): Readonly<Record<string, unknown>> {
  const { id, houseId, revision, updatedAt, updatedBy, deletedAt, ...own } = record;
  return own;
}
