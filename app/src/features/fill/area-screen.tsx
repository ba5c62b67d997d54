import {
  area as areaKind,
  PLAIN_AREA,
  isJudged,
  type Area,
  type AreaBody,
} from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { areaFigures, gradedLayerOf } from '@calvet/contract/installation/area-figures';
import { NAME_MAX } from '@calvet/contract/limits';
import { ownFields } from '@calvet/contract/record';
import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import { useRouter } from 'expo-router';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import useLatestCallback from 'use-latest-callback';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField, TextField } from '../../ui/field';
import { figureWithUnit, resistance } from '../../ui/format';
import { Text } from '../../ui/text';
import { useNote } from '../../ui/undo';
import { PhotosCard } from '../record/photos-card';
import { DeleteAtEnd, Screen } from '../shell/screen';
import { AreaBuildUp } from './area-build-up';
import { ClaimCard } from './claim-card';
import { DefectsCard } from './defects-card';
import { GroundCard } from './ground-card';
import { GradeChoice } from './grade-choice';
import { RequirementChoice } from './requirement-choice';
import { TieToDrawing } from './tie-to-drawing';
import { GRADE_WORDS, judgementWords } from './words';
import { WorthBars } from './worth-bars';
import { useDelete } from '../shell/use-delete';

const KINDS = optionsOf(AREA_WORDS);

function explanationOf({ grade, voidFraction }: Area): string {
  if (voidFraction !== null)
    return 'So much void has no grade. It costs what it costs: have it corrected before it is covered.';
  if (grade !== null) return `Grade ${grade}: ${GRADE_WORDS[grade]}.`;
  return 'Tap what you found. Over 5 % void there is no grade: have it corrected before it is covered.';
}

// What is typed shows first in its field and in the answer; these follow once that is drawn.
const Photos = memo(PhotosCard);
const Grade = memo(GradeChoice);
const Requirement = memo(RequirementChoice);
const Defects = memo(DefectsCard);
const Claim = memo(ClaimCard);
const Ground = memo(GroundCard);
const Tie = memo(TieToDrawing);

interface AreaScreenProps {
  readonly view: HouseView;
  readonly area: Area;
  /** It stands on the screen alone until something is entered. */
  readonly isNew?: boolean;
}

/** One area of the envelope: what it is worth, the grade of its work, its build-up. */
export function AreaScreen({ view, area, isNew = false }: AreaScreenProps) {
  const { house } = view;
  const router = useRouter();
  const note = useNote();
  const { units } = usePreferences();
  /** What was typed and cannot be a name. */
  const [noName, setNoName] = useState<string | null>(null);
  const figures = areaFigures(house, area);
  const isGradable = gradedLayerOf(area.buildUp) !== null;
  /** Its work can be judged and is not yet. */
  const isOpen = isGradable && !isJudged(area);
  const { updateRecord, makeIfNew } = useStore();
  const keep = useLatestCallback(useKeep('area', area));
  const makeFirst = useLatestCallback(() => makeIfNew('area', area));
  const laterArea = useDeferredValue(area);
  const laterView = useDeferredValue(view);
  const laterFigures = useDeferredValue(figures);
  const subject = useMemo(() => ({ kind: 'area' as const, id: area.id }), [area.id]);
  const drawn = area.item === null ? undefined : view.drawn.get(area.item);
  const kept = withoutDrawn(area);
  /** The way back to what the drawing says, where something else was entered. */
  const backToDrawing = (name: 'name' | 'kind' | 'areaM2') =>
    drawn !== undefined && kept[name] !== null ? (
      <Button label="As drawn" onPress={() => keep({ [name]: null })} />
    ) : undefined;
  const sizeHint =
    drawn === undefined || drawn.areaM2 === null
      ? null
      : kept.areaM2 === null
        ? 'As drawn, without its openings'
        : `Drawn: ${figureWithUnit(drawn.areaM2, 'area', units)}`;
  const forget = (): void => {
    const nothing = {
      name: null,
      kind: null,
      areaM2: null,
      buildUp: null,
      grade: null,
      voidFraction: null,
      ...PLAIN_AREA,
    };
    const before = ownFields(kept) as Partial<AreaBody>;
    keep(nothing);
    note({
      text: `${area.name} is as it was drawn.`,
      undo: () => updateRecord('area', { ...kept, ...nothing }, before),
    });
  };
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('area', area, `${area.name} was deleted.`);
    router.replace({ pathname: '/houses/[houseId]', params: { houseId: house.id } });
  };
  return (
    <Screen
      name={area.name}
      detail={`${house.name} · ${AREA_WORDS[area.kind]}`}
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the plan"
    >
      {figures.state === 'figures' ? (
        <>
          <Text look="answer" level={2}>
            {isOpen
              ? `Worth ${resistance(figures.framed.effectiveRsi, units)} once its work is Grade I`
              : `Worth ${resistance(figures.built.effectiveRsi, units)} as built`}
          </Text>
          <Card>
            <WorthBars figures={figures} isGraded={!isOpen} showU />
            {figures.isInGround && (
              <Text look="small" tone="soft">
                With the ground that it lies in: ISO 13370, mean of a year.
              </Text>
            )}
            {figures.openFrom !== null && (
              <Text look="small" tone="soft">
                From {area.buildUp.layers[figures.openFrom]?.name || `layer ${figures.openFrom + 1}`} outwards
                nothing counts: air from outside moves there.
              </Text>
            )}
            {figures.gradeCostWK !== null && figures.gradeCostWK > 0 && (
              <Text>
                {judgementWords(area)} costs {figureWithUnit(figures.gradeCostWK, 'heatLoss', units)}
                {figures.equivalentEmptyAreaM2 !== null &&
                  `, as much as ${figureWithUnit(figures.equivalentEmptyAreaM2, 'area', units)} of it left empty`}
                .
              </Text>
            )}
            {figures.findings.map(({ rule, message, layer }, i) => (
              <Text key={`${rule} ${i}`} tone="straw">
                {layer !== undefined && `${area.buildUp.layers[layer]?.name || `Layer ${layer + 1}`}: `}
                {message}
              </Text>
            ))}
          </Card>
        </>
      ) : (
        <Text look="answer" tone="ember" level={2}>
          {figures.refusal.message}
        </Text>
      )}
      {isGradable && (
        <Card title="Grade of the work">
          <Grade areaName={area.name} judged={laterArea} onChange={keep} />
          <Text look="small" tone="soft">
            {explanationOf(area)}
          </Text>
        </Card>
      )}
      <Photos
        view={laterView}
        subject={subject}
        onBeforeAdding={makeFirst}
        hint="Show the work before it is covered: the cavity as it was filled, a void with a tape beside it."
      />
      <Card title="Area">
        <TextField
          label="Name"
          maxLength={NAME_MAX}
          value={noName ?? area.name}
          message={noName === null ? null : 'Give the area a name.'}
          onChange={(text) => {
            const isName = text.trim() !== '';
            setNoName(isName ? null : text);
            if (isName) keep({ name: text });
          }}
        />
        {backToDrawing('name')}
        <Labelled label="Kind">
          <Choice
            label="Kind of area"
            options={KINDS}
            value={area.kind}
            onChange={(kind) => keep({ kind })}
          />
          {backToDrawing('kind')}
        </Labelled>
        <NumberField
          label="Size"
          quantity="area"
          value={area.areaM2}
          bounds={areaKind.fields.areaM2.bounds}
          message={area.areaM2 === null && !isNew ? 'Without its size it is in no sum of the house.' : null}
          hint={sizeHint}
          below={backToDrawing('areaM2')}
          onCommit={(si, stage) => keep({ areaM2: si }, stage)}
        />
        <Requirement area={laterArea} keep={keep} />
      </Card>
      {isGradable && (
        <Defects house={laterView.house} defects={view.defects} area={laterArea} onBeforeAdding={makeFirst} />
      )}
      {laterFigures.state === 'figures' && <Claim area={laterArea} figures={laterFigures} keep={keep} />}
      <Ground area={laterArea} keep={keep} />
      <AreaBuildUp view={view} area={area} figures={figures} />
      {drawn === undefined && !isNew && <Tie view={laterView} area={laterArea} />}
      {!isNew && drawn === undefined && <DeleteAtEnd label="Delete area" onPress={remove} />}
      {drawn?.isKept === true && <DeleteAtEnd label="Forget what was entered here" onPress={forget} />}
    </Screen>
  );
}
