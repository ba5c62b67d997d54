import type {
  ChangesAnswer,
  ChangesOfLedgers,
  ChangesPage,
  ConfirmedPictures,
  DeletedHousesAnswer,
  HousesAnswer,
} from './changes/change';
import type { Problem } from './problem';

/*
 * What answers of the server are known by. Whatever stands between a device and the server – a portal that wants a
 * password, a proxy, another server – answers too, and says 200.
 */

type Members = Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isList = (value: unknown, isMember: (member: unknown) => boolean): boolean =>
  Array.isArray(value) && value.every(isMember);
const isCount = (value: unknown): boolean => Number.isSafeInteger(value) && (value as number) >= 0;
const isText = (value: unknown): value is string => typeof value === 'string';

const isRecord = (value: unknown): boolean =>
  isObject(value) &&
  isText(value.id) &&
  isText(value.ledgerId) &&
  isCount(value.revision) &&
  'deletedAt' in value;
const isKinded = (value: unknown): boolean => isObject(value) && isText(value.kind) && isRecord(value.record);

function isOutcome(value: unknown): boolean {
  if (!isObject(value)) return false;
  switch (value.outcome) {
    case 'applied':
    case 'already-applied':
      return (
        isText(value.changeId) &&
        isCount(value.revision) &&
        isCount(value.changeNumber) &&
        (value.current === undefined || isKinded(value.current))
      );
    case 'conflict':
      return (
        isText(value.changeId) &&
        isKinded(value.current) &&
        isList(
          value.fields,
          (field) => isObject(field) && isText(field.field) && isText(field.by) && isText(field.at),
        )
      );
    case 'refused':
      return isText(value.code) && isText(value.field) && isText(value.message);
    default:
      return false;
  }
}

export function isChangesAnswer(value: unknown): value is ChangesAnswer {
  return isObject(value) && isList(value.results, isOutcome);
}

export function isChangesPage(value: unknown): value is ChangesPage {
  return (
    isObject(value) &&
    isList(value.records, isKinded) &&
    isCount(value.upTo) &&
    typeof value.more === 'boolean'
  );
}

const isPages = (value: unknown): boolean => isObject(value) && isList(Object.values(value), isChangesPage);

export function isChangesOfLedgers(value: unknown): value is ChangesOfLedgers {
  return isObject(value) && isPages(value.pages);
}

const isSummary = (value: unknown): boolean =>
  isObject(value) && 'latest' in value && 'tightness' in value && isObject(value.envelope);

export function isHousesAnswer(value: unknown): value is HousesAnswer {
  return (
    isObject(value) &&
    isList(value.houses, isRecord) &&
    isObject(value.counters) &&
    isList(Object.values(value.counters), isCount) &&
    (value.summaries === undefined ||
      (isObject(value.summaries) && isList(Object.values(value.summaries), isSummary)))
  );
}

export function isDeletedHousesAnswer(value: unknown): value is DeletedHousesAnswer {
  return isObject(value) && isList(value.houses, isRecord);
}

export function isConfirmedPictures(value: unknown): value is ConfirmedPictures {
  return isObject(value) && isList(value.held, isText);
}

/** A problem of this server, and no proxy's. */
export function isProblem(value: unknown): value is Problem {
  return (
    isObject(value) &&
    isText(value.type) &&
    value.type.startsWith('urn:calvet:problem:') &&
    isCount(value.status) &&
    isText(value.detail) &&
    isText(value.code) &&
    isText(value.field) &&
    (value.results === undefined || isList(value.results, isOutcome))
  );
}
