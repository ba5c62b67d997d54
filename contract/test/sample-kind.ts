import { figure, filled, group, id, list, option, orNull, text, unsaid } from '../src/kind/field';
import { kindOf } from '../src/kind/kind';
import type * as Kinds from '../src/kinds';

interface SampleEntry {
  readonly id: string;
  readonly note: string;
}

export interface SampleBody {
  readonly name: string;
  readonly depthM: number | null;
  readonly state: 'open' | 'shut';
  readonly entries: readonly SampleEntry[];
  /** Came later than the rest. */
  readonly areaId: string | null;
}

/** A kind of record that no version has, to see that one file is all it takes. */
export const sample = kindOf<SampleBody>()({
  word: 'Sample',
  ledger: 'house',
  list: 'samples',
  title: ['name', 'state'],
  order: 'as made',
  page: 'samples',
  isShown: true,
  fields: {
    name: filled('Name', 40),
    depthM: orNull(figure('Depth', 'length', { above: 0, max: 5 })),
    state: option('State', { open: 'Open', shut: 'Shut' }),
    entries: list<SampleEntry>(
      'Entries',
      'An entry',
      group<SampleEntry>('', { id: id(''), note: text('', 40) }),
      { key: 'id', most: 3 },
    ),
    areaId: unsaid(orNull(id('Area', 'area')), null),
  },
});

export const sampleBody: SampleBody = {
  name: 'Core 1',
  depthM: 0.2,
  state: 'open',
  entries: [],
  areaId: null,
};

/** The module that lists the kinds, with the sample among them: everything else of it is as it is. */
export function kindsWithSample(real: typeof Kinds): object {
  Object.assign(real.kinds, { sample });
  (real.KINDS as string[]).push('sample');
  return { ...real, fieldsOf: (kind: Kinds.Kind) => Object.keys(real.kindNamed(kind).fields) };
}
