import type {
  BaselineReading,
  BuildUpLayer,
  HouseBody,
  NamedFanRange,
  PhotoMark,
  TestReading,
} from '@calvet/contract';
import type { Quantity, UnitSystem } from '@calvet/core';
import { figureWithUnit } from '../../ui/format';

type Entry = Readonly<Record<string, unknown>>;

function readingWords(reading: TestReading, units: UnitSystem): string {
  const { pressurePa, flowM3h, fanPressurePa, fanRange, struckOut } = reading;
  const parts = [
    ...(pressurePa === null ? [] : [figureWithUnit(pressurePa, 'housePressure', units)]),
    ...(flowM3h === null ? [] : [figureWithUnit(flowM3h, 'flow', units)]),
    ...(fanPressurePa === null ? [] : [`fan ${figureWithUnit(fanPressurePa, 'housePressure', units)}`]),
    ...(fanRange === null ? [] : [fanRange]),
    ...(struckOut === null ? [] : [`struck out: ${struckOut}`]),
  ];
  return parts.length === 0 ? 'an empty reading' : parts.join(', ');
}

function layerWords(layer: BuildUpLayer, units: UnitSystem): string {
  const name = layer.name === '' ? 'a layer' : layer.name;
  switch (layer.kind) {
    case 'resistance':
      return `${name}, R ${figureWithUnit(layer.rsi, 'resistance', units)}`;
    case 'material':
      return `${name}, ${figureWithUnit(layer.thicknessM, 'thickness', units)} of ${figureWithUnit(layer.conductivityWmK, 'conductivity', units)}`;
    case 'framed':
      return `${name}, cavity R ${figureWithUnit(layer.cavityRsi, 'resistance', units)}, ${figureWithUnit(layer.framingFraction, 'share', units)} framing`;
  }
}

const share = (value: number): string => `${Math.round(value * 100)}`;

function markWords(mark: PhotoMark): string {
  switch (mark.kind) {
    case 'arrow':
      return `an arrow to ${share(mark.to.x)} % across, ${share(mark.to.y)} % down`;
    case 'ring':
      return `a ring at ${share(mark.centre.x)} % across, ${share(mark.centre.y)} % down`;
    case 'outline':
      return `an outline of ${mark.points.length} corners`;
    case 'text':
      return `“${mark.text}”`;
  }
}

const rangeWords = ({ name, coefficient, exponent, minPa, maxPa }: NamedFanRange): string =>
  `${name}: ${coefficient} · p^${exponent}, ${minPa} to ${maxPa} Pa`;

/** An entry of a list, as it can be told apart from another. */
function entryWords(path: string, entry: Entry, units: UnitSystem): string {
  const [list = ''] = path.split('.').slice(-1);
  switch (list) {
    case 'readings':
      return readingWords(entry as unknown as TestReading, units);
    case 'baselineBeforePa':
    case 'baselineAfterPa':
      return figureWithUnit((entry as unknown as BaselineReading).pressurePa, 'housePressure', units);
    case 'layers':
      return layerWords(entry as unknown as BuildUpLayer, units);
    case 'marks':
      return markWords(entry as unknown as PhotoMark);
    case 'fanRanges':
      return rangeWords(entry as unknown as NamedFanRange);
    default:
      return 'other entries';
  }
}

const SHOWN_ENTRIES = 6;

function listWords(path: string, entries: readonly unknown[], units: UnitSystem): string {
  if (entries.length === 0) return 'none';
  const shown = entries
    .slice(0, SHOWN_ENTRIES)
    .map((entry) =>
      typeof entry === 'object' && entry !== null ? entryWords(path, entry as Entry, units) : String(entry),
    );
  const more = entries.length - shown.length;
  return `${shown.join(' · ')}${more > 0 ? ` · and ${more} more` : ''}`;
}

function objectWords(path: string, value: Entry, units: UnitSystem): string {
  if (path === 'target') {
    const { quantity, limit } = value as unknown as HouseBody['target'];
    return `${quantity} ${limit}`;
  }
  const lists = Object.entries(value).filter((pair): pair is [string, unknown[]] => Array.isArray(pair[1]));
  const name = typeof value.name === 'string' && value.name !== '' ? `“${value.name}”: ` : '';
  return `${name}${lists.map(([list, entries]) => listWords(`${path}.${list}`, entries, units)).join('; ')}`;
}

/**
 * A value of a record, as a person can compare it with another.
 * @param path where it stands: a field, a part, or an entry of a list
 */
export function valueWords(
  path: string,
  value: unknown,
  quantity: Quantity | undefined,
  units: UnitSystem,
): string {
  if (value === undefined && path.includes('#')) return 'deleted';
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'number') return figureWithUnit(value, quantity ?? 'plain', units);
  if (typeof value === 'string') return `“${value}”`;
  const [place = path, id] = path.split('#');
  if (Array.isArray(value)) return listWords(place, value, units);
  if (typeof value !== 'object') return String(value);
  return id === undefined
    ? objectWords(place, value as Entry, units)
    : entryWords(place, value as Entry, units);
}
