import { SAID_MAX } from '@calvet/contract/limits';
import {
  JUDGED_WORDS,
  penetration as kind,
  type Judged,
  type Penetration,
} from '@calvet/contract/walk/penetration';
import { FLAG_WORDS } from '@calvet/core/penetrations/penetration-words';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { OpenButton } from '../../ui/open-button';
import { SaidField } from '../../ui/said-field';
import { PhotosCard } from '../record/photos-card';
import { HOLE_RULES, HoleRule } from './hole-rule';
import type { Holes } from './use-holes';

const FLAGS = optionsOf(FLAG_WORDS);
const { fields } = kind;
const AS_JUDGED = 'asJudged';

/** What else is known of holes, and by which rule they are judged. */
export function HoleMore({
  hole,
  holes,
  view,
}: {
  readonly hole: Penetration;
  readonly holes: Holes;
  readonly view: HouseView;
}) {
  const keep = useKeep('penetration', hole);
  const [isRuleOpen, setRuleOpen] = useState(false);
  const [worst] = holes.judge(hole).planes;
  const rule = HOLE_RULES.find(({ id }) => id === worst?.rule);
  return (
    <>
      {rule !== undefined && (
        <OpenButton isOpen={isRuleOpen} label="The rule that decides" onToggle={setRuleOpen} />
      )}
      {rule !== undefined && isRuleOpen && <HoleRule view={view} rule={rule} />}
      <Labelled label="Through which area">
        <Choice
          label="Through which area"
          options={holes.areas.map(({ key, name }) => ({ value: key, label: name }))}
          value={hole.item}
          onChange={(item) => keep({ item })}
        />
      </Labelled>
      <Labelled label="What else is known">
        <ManyChoice
          label="What else is known"
          options={FLAGS}
          values={hole.flags.map(({ name }) => name)}
          onChange={(names) => keep({ flags: names.map((name) => ({ name })) })}
        />
      </Labelled>
      <NumberField
        label="Round one of them"
        quantity="gap"
        value={hole.perimeterMm}
        bounds={fields.perimeterMm.bounds}
        hint={hole.perimeterMm === null ? 'Empty: as such a thing usually has.' : null}
        onCommit={(perimeterMm, stage) => keep({ perimeterMm }, stage)}
      />
      <Labelled label="What you hold of it">
        <Choice<Judged | typeof AS_JUDGED>
          label="What you hold of it"
          options={[{ value: AS_JUDGED, label: 'What the rules say' }, ...optionsOf(JUDGED_WORDS)]}
          value={hole.decided ?? AS_JUDGED}
          onChange={(value) => keep({ decided: value === AS_JUDGED ? null : value })}
        />
      </Labelled>
      <NumberField
        label="Leak of one of them at 50 Pa"
        quantity="flow"
        value={hole.leakM3H}
        bounds={fields.leakM3H.bounds}
        hint={hole.leakM3H === null ? 'Empty: as it follows from its width.' : null}
        onCommit={(leakM3H, stage) => keep({ leakM3H }, stage)}
      />
      <SaidField label="Note" maxLength={SAID_MAX} value={hole.note} onChange={(note) => keep({ note })} />
      <PhotosCard
        view={view}
        subject={{ kind: 'penetration', id: hole.id }}
        hint="How it is closed, before it is covered."
      />
    </>
  );
}
