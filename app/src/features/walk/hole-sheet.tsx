import {
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
  type Seal,
} from '@calvet/core/penetrations/penetration-words';
import { judgePenetration } from '@calvet/core/penetrations/judge';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import { workName } from '@calvet/contract/plan/work';
import { recentWhats, isDueIn, type JudgedPenetration } from '@calvet/contract/walk/judged-penetration';
import {
  penetration as kind,
  PLANE_WORDS,
  type Judged,
  type Penetration,
  type Plane,
} from '@calvet/contract/walk/penetration';
import type { RulesHere } from '@calvet/contract/walk/rules-here';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { OpenButton } from '../../ui/open-button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useToday } from '../../ui/use-today';
import { GapField } from './gap-field';
import { HoleMore } from './hole-more';
import { holeName, judgedWord } from './hole-words';
import { JudgedMark } from './judged-mark';
import type { Holes } from './use-holes';

const WHATS = optionsOf(PENETRATION_WORDS);
const SEALS = optionsOf(SEAL_WORDS).filter(({ value }) => value !== 'none');
const PLANES = optionsOf(PLANE_WORDS);
const THROUGHS = optionsOf(THROUGH_WORDS);
/** So many are offered before one looks at all of them. */
const FIRST_WHATS = 8;
const { fields } = kind;

/** What may close one kind of thing alone. */
const OF_ONE: Readonly<Partial<Record<Seal, readonly Penetration['what'][]>>> = {
  gasketedBox: ['box'],
  boxFilled: ['box'],
  faceSealed: ['box', 'recessedLight'],
  metalCollar: ['flue', 'hotDuct'],
};

const RANK: Readonly<Record<Judged, number>> = { fits: 0, doubtful: 1, wrong: 2 };

/** What may close it, that which fits first. */
function sealsFor({ what, through, gapMm, flags }: Penetration, { penetrations }: RulesHere) {
  const rank = (seal: Seal): number =>
    RANK[
      judgePenetration(
        {
          what,
          through,
          gapMm: gapMm ?? undefined,
          seals: [seal],
          flags: flags.map(({ name }) => name),
        },
        penetrations,
      ).verdict
    ];
  return SEALS.filter(({ value }) => OF_ONE[value]?.includes(what) ?? true)
    .map((option) => ({ option, rank: rank(option.value) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ option }) => option);
}

/** What the rules say of it, and what instead: said at once, with every figure that is entered. */
function Judgement({ judged, phase }: { readonly judged: JudgedPenetration; readonly phase: Phase }) {
  const { planes, cautions, asked, isUnknown, verdict } = judged;
  return (
    <View style={styles.judged} role="status">
      <JudgedMark judged={verdict} word={judgedWord(judged)} />
      {isUnknown && (
        <Text tone="straw">
          It holds a word from a newer version of Calvet: nothing is lost, and its rules cannot be tried here.
          Load the page anew with a signal.
        </Text>
      )}
      {planes.map(({ plane, reason, instead, verdict: said, isOwn }) =>
        said === 'fits' && !isOwn ? null : (
          <Text key={plane}>
            {planes.length > 1 ? `${PLANE_WORDS[plane]}: ` : ''}
            {isOwn ? 'As this house has it. ' : ''}
            {reason === '' || reason === judgedWord(judged) ? '' : `${reason}. `}
            {said === 'fits' || instead === '' ? '' : `Instead: ${instead}.`}
          </Text>
        ),
      )}
      {asked.map((each) => (
        <Text key={`${each.plane} ${each.phase}`} tone="straw">
          {isDueIn(each, phase) ? 'To be closed now' : 'To be closed later'}: {each.what.toLowerCase()}.
        </Text>
      ))}
      {cautions.map((text) => (
        <Text key={text} tone="ember" role="note">
          {text}
        </Text>
      ))}
    </View>
  );
}

interface ChooseWhatProps {
  readonly view: HouseView;
  readonly value: Penetration['what'] | null;
  readonly onChange: (what: Penetration['what']) => void;
}

/** What goes through, what was recorded last first. */
export function ChooseWhat({ view, value, onChange }: ChooseWhatProps) {
  const [isOpen, setOpen] = useState(false);
  const recent = recentWhats(view.penetrations);
  const ordered = [
    ...recent.flatMap((what) => WHATS.filter((each) => each.value === what)),
    ...WHATS.filter((each) => !recent.includes(each.value)),
  ];
  const shown = isOpen ? ordered : ordered.slice(0, FIRST_WHATS);
  return (
    <Labelled label="What goes through">
      <Choice label="What goes through" options={shown} value={value} onChange={onChange} />
      <OpenButton isOpen={isOpen} label="All kinds" onToggle={setOpen} />
    </Labelled>
  );
}

/** What closes a hole in one layer. */
function Seals({
  hole,
  plane,
  phase,
  rules,
}: {
  readonly rules: RulesHere;
  readonly hole: Penetration;
  readonly plane: Plane;
  readonly phase: Phase;
}) {
  const keep = useKeep('penetration', hole);
  const today = useToday();
  const there = hole.seals.filter((each) => each.plane === plane);
  return (
    <ManyChoice
      label={`Closed by, ${PLANE_WORDS[plane].toLowerCase()}`}
      options={sealsFor(hole, rules)}
      values={there.map(({ seal }) => seal)}
      onChange={(values) =>
        keep(({ seals }) => ({
          seenOn: today,
          seals: [
            ...seals.filter((each) => each.plane !== plane || values.includes(each.seal)),
            ...values
              .filter((seal) => !seals.some((each) => each.plane === plane && each.seal === seal))
              .map((seal) => ({ id: v7(), plane, phase, seal })),
          ],
        }))
      }
    />
  );
}

interface HoleSheetProps {
  readonly view: HouseView;
  readonly holes: Holes;
  readonly phase: Phase;
  readonly placeName: string;
  /** Null: it is being added. */
  readonly hole: Penetration | null;
  /** Told the id of one that was added. */
  readonly onAdded: (id: string) => void;
  readonly onMove: () => void;
  readonly onClose: () => void;
}

/** Holes of one kind at one place: what, how many, how wide, closed by what. Each tap is kept. */
export function HoleSheet(props: HoleSheetProps) {
  const { hole, view, holes, phase, placeName, onAdded, onMove, onClose } = props;
  return (
    <Sheet
      title={hole === null ? `A hole: ${placeName}` : `${holeName(hole)}: ${hole.placeName}`}
      onClose={onClose}
    >
      {hole === null ? (
        <ChooseWhat view={view} value={null} onChange={(what) => onAdded(holes.add(what))} />
      ) : (
        <Recorded key={hole.id} {...{ hole, view, holes, phase, onMove, onClose }} />
      )}
      {hole === null && <Button kind="quiet" label="Cancel" onPress={onClose} />}
    </Sheet>
  );
}

interface RecordedProps extends Pick<HoleSheetProps, 'view' | 'holes' | 'phase' | 'onMove' | 'onClose'> {
  readonly hole: Penetration;
}

function Recorded({ hole, view, holes, phase, onMove, onClose }: RecordedProps) {
  const keep = useKeep('penetration', hole);
  const [isMore, setMore] = useState(false);
  const [areLayersShown, setLayersShown] = useState(() =>
    hole.seals.some(({ plane }) => plane !== 'barrier'),
  );
  const judged = holes.judge(hole);
  const again = holes.againAfter(hole);
  const today = useToday();
  const planes = areLayersShown ? PLANES.map(({ value }) => value) : (['barrier'] as const);
  return (
    <>
      <Judgement judged={judged} phase={phase} />
      {again !== null && (
        <View style={styles.row}>
          <Text tone="straw" role="status">
            “{workName(again)}” began after somebody looked at it: look again.
          </Text>
          <Button label="Looked again" onPress={() => keep({ seenOn: today })} />
        </View>
      )}
      <GapField value={hole.gapMm} onChange={(gapMm, stage) => keep({ gapMm }, stage)} />
      {planes.map((plane) => (
        <Labelled key={plane} label={`Closed by, ${PLANE_WORDS[plane].toLowerCase()}`}>
          <Seals hole={hole} plane={plane} phase={phase} rules={holes.rules} />
        </Labelled>
      ))}
      <View style={styles.row}>
        <OpenButton isOpen={areLayersShown} label="Closed in another layer too" onToggle={setLayersShown} />
      </View>
      <Labelled label="Through what">
        <Choice
          label="Through what"
          options={THROUGHS}
          value={hole.through}
          onChange={(through) => keep({ through })}
        />
      </Labelled>
      <NumberField
        label="How many"
        quantity="count"
        value={hole.count}
        bounds={fields.count.bounds}
        isRequired
        onCommit={(count, stage) => count !== null && keep({ count }, stage)}
      />
      <View style={styles.row}>
        <OpenButton isOpen={isMore} label="More" onToggle={setMore} />
        <Button kind="quiet" icon="arrow-right" label="Move it" onPress={onMove} />
        <Button
          kind="quiet"
          icon="trash-can-outline"
          label="Delete it"
          onPress={() => {
            onClose();
            holes.remove(hole);
          }}
        />
      </View>
      {isMore && <HoleMore hole={hole} holes={holes} view={view} />}
      <Button kind="main" label="Done" onPress={onClose} />
    </>
  );
}

const styles = StyleSheet.create({
  judged: { gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
