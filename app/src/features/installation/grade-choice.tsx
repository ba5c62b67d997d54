import type { InstallationGrade } from '@calvet/core';
import { Pressable, StyleSheet, View } from 'react-native';
import { LineMark, type Mark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { GRADE_WORDS } from './words';

const GRADES = ['I', 'II', 'III'] as const satisfies readonly InstallationGrade[];
const MARKS: Readonly<Record<InstallationGrade, Mark>> = { I: 'solid', II: 'half', III: 'broken' };

interface GradeChoiceProps {
  readonly areaName: string;
  readonly grade: InstallationGrade | null;
  /** Null takes the grade back. */
  readonly onChange: (grade: InstallationGrade | null) => void;
}

/** The grade of the work in one tap; tapped again it is taken back. */
export function GradeChoice({ areaName, grade, onChange }: GradeChoiceProps) {
  const palette = usePalette();
  return (
    <View role="group" aria-label={`Grade of ${areaName}`} style={styles.row}>
      {GRADES.map((each) => {
        const chosen = each === grade;
        return (
          <Pressable
            key={each}
            role="button"
            aria-pressed={chosen}
            aria-label={`Grade ${each}: ${GRADE_WORDS[each]}`}
            onPress={() => onChange(chosen ? null : each)}
            style={[
              styles.key,
              { backgroundColor: palette.card, borderColor: palette.line },
              chosen && { borderColor: palette.ink, borderWidth: 2 },
            ]}
          >
            <LineMark mark={chosen ? MARKS[each] : 'thin'} width={40} />
            <Text look={chosen ? 'figureStrong' : 'figure'}>{each}</Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: space.s },
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
