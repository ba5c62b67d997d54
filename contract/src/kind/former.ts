import { v5 } from 'uuid';

/** So that every device that reads a record of a former form gives its entries the same ids. */
export function idFor(recordId: string, path: string, position: number): string {
  return v5(`${recordId}/${path}/${position}`, v5.URL);
}
