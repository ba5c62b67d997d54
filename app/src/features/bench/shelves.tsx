import type { OperationName } from '@calvet/core/operations';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { TextField } from '../../ui/field';
import Icon from '../../ui/icon-font/icon-set';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space, TOUCH } from '../../ui/tokens';
import { slugOf, wordsOf } from './catalogue';
import { shelvesFor } from './find-operations';

interface ShelvesProps {
  readonly chosen?: OperationName | null;
  /** In the narrow column beside a form: titles only. */
  readonly isCompact?: boolean;
}

/** Everything that can be worked out, found by a word or by its shelf. */
export function Shelves({ chosen = null, isCompact = false }: ShelvesProps) {
  const palette = usePalette();
  const [filter, setFilter] = useState('');
  const shelves = shelvesFor(filter);
  return (
    <View style={styles.shelves}>
      <TextField label="Find by a word" value={filter} onChange={setFilter} />
      {shelves.length === 0 && <Text tone="soft">Nothing here goes by that word.</Text>}
      {shelves.map(({ title, names }) => (
        <View key={title} role="group" aria-label={title}>
          <Text look="strong" tone="soft" level={2} style={styles.title}>
            {title}
          </Text>
          <View style={[styles.shelf, { backgroundColor: palette.card, borderColor: palette.line }]}>
            {names.map((name, i) => {
              const isChosen = name === chosen;
              return (
                <LinkArea
                  key={name}
                  href={{ pathname: '/bench/[operation]', params: { operation: slugOf(name) } }}
                  label={wordsOf(name).title}
                  isHere={isChosen}
                  style={(isHovered) => [
                    styles.entry,
                    i > 0 && { borderTopWidth: 1, borderTopColor: palette.line },
                    (isHovered || isChosen) && { backgroundColor: palette.lakeTint },
                  ]}
                >
                  <View style={styles.words}>
                    <Text look={isChosen || !isCompact ? 'strong' : 'body'}>{wordsOf(name).title}</Text>
                    {!isCompact && (
                      <Text look="small" tone="soft">
                        {wordsOf(name).tells}
                      </Text>
                    )}
                  </View>
                  {!isCompact && <Icon name="chevron-right" size={22} color={palette.soft} />}
                </LinkArea>
              );
            })}
          </View>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  shelves: { gap: space.l },
  title: { paddingBottom: space.xs },
  shelf: { borderWidth: 1, borderRadius: 4 },
  entry: {
    minHeight: TOUCH,
    paddingHorizontal: space.m,
    paddingVertical: space.s,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
  },
  words: { flex: 1 },
});
