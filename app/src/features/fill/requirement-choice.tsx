import { area as areaKind, type Area, type OwnRequirement } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import type { Keep } from '../../data/use-keep';
import { Choice } from '../../ui/choice';
import { GivenField, Labelled } from '../../ui/field';

const { members } = areaKind.fields.requirement;

type Asked = 'kind' | 'asWall' | 'u' | 'r';

const USUAL_U = 0.25;
const NOTHING: OwnRequirement = { leastRsi: null, greatestUValue: null, asKind: null };

function askedAs(requirement: OwnRequirement | null): Asked {
  if (requirement === null) return 'kind';
  if (requirement.greatestUValue !== null) return 'u';
  if (requirement.leastRsi !== null) return 'r';
  return requirement.asKind === null ? 'kind' : 'asWall';
}

const BY: Readonly<Record<Asked, OwnRequirement | null>> = {
  kind: null,
  asWall: { ...NOTHING, asKind: 'wall' },
  u: { ...NOTHING, greatestUValue: USUAL_U },
  r: { ...NOTHING, leastRsi: 1 / USUAL_U },
};

interface RequirementChoiceProps {
  readonly area: Area;
  /** Takes fields of the area. */
  readonly keep: Keep<'area'>;
}

/** What is asked of one area: what is asked of its kind, what is asked of walls, or something of its own. */
export function RequirementChoice({ area, keep }: RequirementChoiceProps) {
  const { requirement, kind } = area;
  const asked = askedAs(requirement);
  const options = [
    { value: 'kind' as const, label: `As every ${AREA_WORDS[kind].toLowerCase()}` },
    ...(kind === 'wall' ? [] : [{ value: 'asWall' as const, label: 'As the wall' }]),
    { value: 'u' as const, label: 'A U of its own' },
    { value: 'r' as const, label: 'An R of its own' },
  ];
  return (
    <>
      <Labelled label="Asked of it">
        <Choice
          label="Asked of it"
          options={options}
          value={asked}
          onChange={(value) => {
            if (value !== asked) keep({ requirement: BY[value] });
          }}
        />
      </Labelled>
      {asked === 'u' && requirement !== null && (
        <GivenField
          label="U at most"
          quantity="transmittance"
          value={requirement.greatestUValue}
          bounds={members.greatestUValue.bounds}
          onFigure={(si, stage) => keep({ requirement: { ...NOTHING, greatestUValue: si } }, stage)}
        />
      )}
      {asked === 'r' && requirement !== null && (
        <GivenField
          label="R at least"
          quantity="resistance"
          value={requirement.leastRsi}
          bounds={members.leastRsi.bounds}
          onFigure={(si, stage) => keep({ requirement: { ...NOTHING, leastRsi: si } }, stage)}
        />
      )}
    </>
  );
}
