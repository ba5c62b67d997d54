import { keysOf, type Change, type Kind } from '@calvet/contract';
import type { Quantity } from '@calvet/core';

interface FieldWords {
  readonly label: string;
  readonly quantity?: Quantity;
}

/** What the fields of records are called where a change is spoken of. */
const FIELDS: Readonly<Record<string, FieldWords>> = {
  name: { label: 'Name' },
  place: { label: 'Place' },
  builder: { label: 'Builder' },
  volumeM3: { label: 'Volume', quantity: 'volume' },
  floorAreaM2: { label: 'Floor area', quantity: 'area' },
  envelopeAreaM2: { label: 'Envelope area', quantity: 'area' },
  heightM: { label: 'Height', quantity: 'length' },
  storeys: { label: 'Storeys', quantity: 'count' },
  bedrooms: { label: 'Bedrooms', quantity: 'count' },
  target: { label: 'Airtightness target' },
  referenceMethod: { label: 'Reference conditions' },
  assemblyMethod: { label: 'How build-ups are computed' },
  filmConvention: { label: 'Surface films' },
  gradeSchool: { label: 'What a grade means' },
  kind: { label: 'Kind' },
  areaM2: { label: 'Area', quantity: 'area' },
  buildUp: { label: 'Build-up' },
  grade: { label: 'Grade' },
  voidFraction: { label: 'Void', quantity: 'share' },
  stage: { label: 'Stage' },
  performedOn: { label: 'Day' },
  indoorTemperatureC: { label: 'Indoor temperature', quantity: 'temperature' },
  outdoorTemperatureC: { label: 'Outdoor temperature', quantity: 'temperature' },
  altitudeM: { label: 'Altitude', quantity: 'altitude' },
  airPressurePa: { label: 'Barometric pressure', quantity: 'airPressure' },
  windMs: { label: 'Wind', quantity: 'wind' },
  fanRanges: { label: 'Fan ranges' },
  depressurise: { label: 'Readings, depressurising' },
  pressurise: { label: 'Readings, pressurising' },
  note: { label: 'Note' },
  sha256: { label: 'Picture' },
  widthPx: { label: 'Picture width' },
  heightPx: { label: 'Picture height' },
  bytes: { label: 'Picture size' },
  caption: { label: 'Caption' },
  marks: { label: 'Marks' },
  subject: { label: 'What it shows' },
  beforeId: { label: 'Photo before' },
  takenAt: { label: 'Taken' },
};

const RUN_PARTS: Readonly<Record<string, string>> = {
  readings: 'A reading',
  baselineBeforePa: 'Baseline before',
  baselineAfterPa: 'Baseline after',
};

/** What parts of fields are called, by their path. */
const PARTS: Readonly<Record<string, string>> = {
  'buildUp.name': 'Name of the build-up',
  'buildUp.frameAlignment': 'How the frames stand',
  'buildUp.gradedLayer': 'Graded layer',
  'buildUp.layers': 'A layer',
  fanRanges: 'A fan range',
  marks: 'A mark',
  ...Object.fromEntries(
    (['depressurise', 'pressurise'] as const).flatMap((direction) =>
      Object.entries(RUN_PARTS).map(([part, label]) => [
        `${direction}.${part}`,
        `${label}, ${direction === 'depressurise' ? 'depressurising' : 'pressurising'}`,
      ]),
    ),
  ),
};

/** Label and quantity of a field of a record, a part of one, or an entry of its lists. */
export function fieldWords(path: string): FieldWords {
  const [place = path, id] = path.split('#');
  if (id === '') return { label: `Order: ${(FIELDS[place.split('.')[0] ?? ''] ?? { label: place }).label}` };
  const part = id === undefined && !place.includes('.') ? undefined : PARTS[place];
  return part === undefined ? (FIELDS[place] ?? { label: place }) : { label: part };
}

/** What each kind of record is called. */
export const KIND_WORDS: Readonly<Record<Kind, string>> = {
  house: 'House',
  area: 'Area',
  airtightnessTest: 'Door test',
  photo: 'Photo',
};

/** What a change is about: the kind of record, with its name where one is known. */
export function subjectOf({ kind, body }: Change, known?: string): string {
  const name = 'name' in body && typeof body.name === 'string' ? body.name : known;
  return name === undefined || name === '' ? KIND_WORDS[kind] : `${KIND_WORDS[kind]} “${name}”`;
}

/** What a change does, in a few words. */
export function deedOf(change: Change): string {
  const { op } = change;
  switch (op) {
    case 'create':
      return 'new';
    case 'delete':
      return 'deleted';
    case 'restore':
      return 'put back';
    case 'update':
      return [...new Set(keysOf(change).map((key) => fieldWords(key).label))]
        .map((label, i) => {
          return i === 0 ? label.charAt(0).toLowerCase() + label.slice(1) : label.toLowerCase();
        })
        .join(', ');
  }
}
