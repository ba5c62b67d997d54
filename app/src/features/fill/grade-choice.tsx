import { area, GRADED_VOID_MAX, type AreaBody } from '@calvet/contract/installation/area';
import type { InstallationGrade } from '@calvet/core/thermal/grade-adjustment';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { EntryStage } from '../../data/typing';
import { NumberField } from '../../ui/field';
import { LineMark, type Mark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { GRADE_WORDS } from './words';

const GRADES = ['I', 'II', 'III'] as const satisfies readonly InstallationGrade[];
/** How each grade is drawn. */
export const GRADE_MARKS: Readonly<Record<InstallationGrade, Mark>> = {
  I: 'solid',
  II: 'half',
  III: 'broken',
};
const OVER = `> ${GRADED_VOID_MAX * 100} %`;

/** What somebody found the work to be: a grade, or a share of void that is too large for one. */
export type Judgement = Pick<AreaBody, 'grade' | 'voidFraction'>;

const NOT_JUDGED: Judgement = { grade: null, voidFraction: null };

interface KeyProps {
  readonly label: string;
  readonly text: string;
  readonly mark: Mark;
  readonly isChosen: boolean;
  readonly onPress: () => void;
}

function Key({ label, text, mark, isChosen, onPress }: KeyProps) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-pressed={isChosen}
      aria-label={label}
      onPress={onPress}
      style={[
        styles.key,
        { backgroundColor: palette.card, borderColor: palette.line },
        isChosen && { borderColor: palette.ink, borderWidth: 2 },
      ]}
    >
      <LineMark mark={isChosen ? mark : 'thin'} width={40} />
      <Text look={isChosen ? 'figureStrong' : 'figure'} numberOfLines={1}>
        {text}
      </Text>
    </Pressable>
  );
}

interface GradeChoiceProps {
  readonly areaName: string;
  readonly judged: Judgement;
  /** Neither a grade nor a share takes back what was said. */
  readonly onChange: (judgement: Judgement, stage?: EntryStage) => void;
}

/** The grade of the work in one tap; tapped again it is taken back. Work too bad for a grade goes by its share of void. */
export function GradeChoice({ areaName, judged, onChange }: GradeChoiceProps) {
  const [isAsked, setAsked] = useState(false);
  const isOver = judged.voidFraction !== null || (isAsked && judged.grade === null);
  return (
    <View style={styles.choice}>
      <View role="group" aria-label={`Grade of ${areaName}`} style={styles.row}>
        {GRADES.map((grade) => {
          const isChosen = grade === judged.grade && !isOver;
          return (
            <Key
              key={grade}
              label={`Grade ${grade}: ${GRADE_WORDS[grade]}`}
              text={grade}
              mark={GRADE_MARKS[grade]}
              isChosen={isChosen}
              onPress={() => {
                setAsked(false);
                onChange(isChosen ? NOT_JUDGED : { grade, voidFraction: null });
              }}
            />
          );
        })}
        <Key
          label={`${OVER} void: no grade`}
          text={OVER}
          mark="broken"
          isChosen={isOver}
          onPress={() => {
            setAsked(!isOver);
            if (isOver || judged.grade !== null) onChange(NOT_JUDGED);
          }}
        />
      </View>
      {isOver && (
        <NumberField
          label="Void, of the cavity"
          quantity="share"
          value={judged.voidFraction}
          bounds={area.fields.voidFraction.bounds}
          onCommit={(voidFraction, stage) => onChange({ grade: null, voidFraction }, stage)}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  choice: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  key: {
    flexGrow: 1,
    flexBasis: 60,
    minHeight: 56,
    borderWidth: 1,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
    gap: 4,
  },
});
