import { house, type HouseBody } from '@calvet/contract/house/house';
import type { ReactNode } from 'react';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { Text } from '../../ui/text';

/** Ways of reckoning, with what they are called over their choices. */
const LABELS = {
  referenceMethod: 'Reference conditions of a test',
  assemblyMethod: 'How build-ups are computed',
  filmConvention: 'Surface films',
  gradeSchool: 'What a grade means',
} as const;

export type Convention = keyof typeof LABELS;

const CONVENTIONS = Object.keys(LABELS) as readonly Convention[];

export const isConvention = (name: string): name is Convention => Object.hasOwn(LABELS, name);

/** What may be chosen of a way of reckoning, in its words. */
export function conventionOptions<C extends Convention>(name: C): readonly Option<HouseBody[C]>[] {
  const words: Readonly<Record<string, string>> = house.fields[name as Convention].words;
  return Object.entries(words).map(([value, label]) => ({ value: value as HouseBody[C], label }));
}

interface ConventionChoiceProps<C extends Convention> {
  readonly name: C;
  readonly value: HouseBody[C] | null;
  readonly onChange: (value: HouseBody[C]) => void;
}

/** One way of reckoning, to choose. */
export function ConventionChoice<C extends Convention>({ name, value, onChange }: ConventionChoiceProps<C>) {
  return (
    <Labelled label={LABELS[name]}>
      <Choice label={LABELS[name]} options={conventionOptions(name)} value={value} onChange={onChange} />
    </Labelled>
  );
}

/** All ways of reckoning, one below the other. */
export function ConventionsCard({ children }: { readonly children: (name: Convention) => ReactNode }) {
  return (
    <Card title="Conventions">
      <Text look="small" tone="soft">
        Follow what your programme asks for. Results name the way that was used.
      </Text>
      {CONVENTIONS.map(children)}
    </Card>
  );
}
