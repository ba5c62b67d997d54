import {
  MARK_WORDS,
  MARK_TEXT_MAX,
  PHOTO_MARK_KINDS,
  type PhotoMark,
  type PicturePoint,
} from '@calvet/contract/photos/photo';
import { PHOTO_MARKS_MAX } from '@calvet/contract/limits';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { Button } from '../../ui/button';
import { Choice, type Option } from '../../ui/choice';
import { TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { markInTheMiddle, moved } from './draw-mark';

export type Tool = PhotoMark['kind'];

const TOOLS: readonly Option<Tool>[] = PHOTO_MARK_KINDS.map((kind) => ({
  value: kind,
  label: MARK_WORDS[kind],
}));
const HOW: Readonly<Record<Tool, string>> = {
  arrow: 'Draw from where it begins to what it points at.',
  ring: 'Draw from the middle outwards.',
  outline: 'Draw around it.',
  text: 'Tap where the words go.',
};
const STEP = 0.03;
const STEPS = [
  { label: 'left', icon: 'arrow-left', dx: -STEP, dy: 0 },
  { label: 'right', icon: 'arrow-right', dx: STEP, dy: 0 },
  { label: 'up', icon: 'arrow-up', dx: 0, dy: -STEP },
  { label: 'down', icon: 'arrow-down', dx: 0, dy: STEP },
] as const;

interface WordsEntryProps {
  readonly at: PicturePoint;
  readonly onDone: (mark: PhotoMark | null) => void;
}

function WordsEntry({ at, onDone }: WordsEntryProps) {
  const [text, setText] = useState('');
  return (
    <View style={styles.words}>
      <TextField
        label="Words in the picture"
        maxLength={MARK_TEXT_MAX}
        value={text}
        onChange={setText}
        autoFocus
      />
      <View style={styles.row}>
        <Button
          label="Put them there"
          kind="main"
          disabled={text.trim() === ''}
          onPress={() => onDone({ id: v7(), kind: 'text', at, text: text.trim() })}
        />
        <Button label="Leave it" onPress={() => onDone(null)} />
      </View>
    </View>
  );
}

interface MarkLineProps {
  readonly mark: PhotoMark;
  readonly onChange: (mark: PhotoMark) => void;
  readonly onRemove: () => void;
}

function MarkLine({ mark, onChange, onRemove }: MarkLineProps) {
  const [isMoving, setMoving] = useState(false);
  const name = mark.kind === 'text' ? `“${mark.text}”` : MARK_WORDS[mark.kind];
  return (
    <View style={styles.line}>
      <Text style={styles.name} numberOfLines={1}>
        {name}
      </Text>
      {isMoving &&
        STEPS.map(({ label, icon, dx, dy }) => (
          <Button
            key={label}
            kind="quiet"
            iconOnly
            icon={icon}
            label={`Move ${name} ${label}`}
            onPress={() => onChange(moved(mark, dx, dy))}
          />
        ))}
      <Button
        kind="quiet"
        iconOnly
        icon="cursor-move"
        label={isMoving ? `${name} stands right` : `Move ${name}`}
        onPress={() => setMoving(!isMoving)}
      />
      <Button kind="quiet" iconOnly icon="trash-can-outline" label={`Remove ${name}`} onPress={onRemove} />
    </View>
  );
}

interface MarkToolsProps {
  readonly marks: readonly PhotoMark[];
  readonly tool: Tool | null;
  /** Where words are to go, once a person has tapped there. */
  readonly wordsAt: PicturePoint | null;
  readonly onTool: (tool: Tool | null) => void;
  readonly onMarks: (marks: readonly PhotoMark[]) => void;
}

/** What can be drawn on a photo, and what has been. */
export function MarkTools({ marks, tool, wordsAt, onTool, onMarks }: MarkToolsProps) {
  const isFull = marks.length >= PHOTO_MARKS_MAX;
  const add = (mark: PhotoMark | null): void => {
    if (mark !== null) onMarks([...marks, mark]);
    onTool(null);
  };
  return (
    <View style={styles.tools}>
      {isFull ? (
        <Text tone="soft">A photo takes {PHOTO_MARKS_MAX} marks. Remove one to draw another.</Text>
      ) : (
        <Choice
          label="Draw on the photo"
          options={TOOLS}
          value={tool}
          onChange={(next) => onTool(next === tool ? null : next)}
          even
        />
      )}
      {tool !== null && wordsAt === null && (
        <View style={styles.how}>
          <Text tone="soft" style={styles.name}>
            {HOW[tool]}
          </Text>
          {tool !== 'text' && (
            <Button label="In the middle" kind="quiet" onPress={() => add(markInTheMiddle(tool, v7()))} />
          )}
        </View>
      )}
      {wordsAt !== null && <WordsEntry at={wordsAt} onDone={add} />}
      {marks.map((mark) => (
        <MarkLine
          key={mark.id}
          mark={mark}
          onChange={(next) => onMarks(marks.map((each) => (each.id === next.id ? next : each)))}
          onRemove={() => onMarks(marks.filter((each) => each.id !== mark.id))}
        />
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  tools: { gap: space.s },
  row: { flexDirection: 'row', gap: space.s },
  words: { gap: space.s },
  how: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 48 },
  line: { flexDirection: 'row', alignItems: 'center', minHeight: 48 },
  name: { flex: 1, minWidth: 0 },
});
