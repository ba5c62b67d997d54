/** Forms that were left half filled and wait where they were; kept on the device. */
const keyOf = (form: string): string => `calvet.half-filled.${form}`;

/** What was filled in of a form; null where nothing was, or where it cannot be read. */
export function halfFilled(form: string): Readonly<Record<string, unknown>> | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(form)) ?? 'null');
    return typeof kept === 'object' && kept !== null ? (kept as Readonly<Record<string, unknown>>) : null;
  } catch {
    return null;
  }
}

/** Keeps what is filled in so far; null: it is done with. */
export function keepHalfFilled(form: string, fields: object | null): void {
  try {
    if (fields === null) localStorage.removeItem(keyOf(form));
    else localStorage.setItem(keyOf(form), JSON.stringify(fields));
  } catch {
    // Without storage it is there as long as the screen is.
  }
}
