import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { StopHere } from '@calvet/contract/walk/generate-walk';
import useLatestCallback from 'use-latest-callback';
import { Button } from '../../ui/button';
import Icon from '../../ui/icon-font/icon-set';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';

/** A stop as it is called where one stands. */
export const stopName = ({ name, room }: Pick<StopHere, 'name' | 'room'>): string =>
  room === null ? name : `${room} · ${name}`;

interface PlaceBarProps {
  readonly stop: StopHere;
  /** In walking order, from 1; and of how many. */
  readonly number: number;
  readonly of: number;
  /** What is left, in words. */
  readonly detail: string;
  readonly onStep: (by: 1 | -1) => void;
  /** Shows all places. */
  readonly onChoose: () => void;
}

/** Where one is: the place before and after in one tap, any other in two. */
export function PlaceBar({ onStep, onChoose, ...rest }: PlaceBarProps) {
  return <Drawn {...rest} onStep={useLatestCallback(onStep)} onChoose={useLatestCallback(onChoose)} />;
}

const Drawn = memo(function Drawn({ stop, number, of, detail, onStep, onChoose }: PlaceBarProps) {
  const palette = usePalette();
  return (
    <View style={[styles.bar, { borderBottomColor: palette.line }]}>
      <Button kind="quiet" iconOnly icon="chevron-left" label="Place before" onPress={() => onStep(-1)} />
      <Pressable
        role="button"
        aria-label={`${stopName(stop)}, ${number} of ${of}: all places`}
        onPress={onChoose}
        style={styles.names}
      >
        <Text look="strong" numberOfLines={1}>
          {stopName(stop)}
        </Text>
        <View style={styles.below}>
          <Text look="small" tone="soft" style={styles.detail}>
            {number} of {of} · {detail}
          </Text>
          <Icon name="chevron-down" size={18} color={palette.soft} />
        </View>
      </Pressable>
      <Button kind="quiet" iconOnly icon="chevron-right" label="Place after" onPress={() => onStep(1)} />
    </View>
  );
});

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    borderBottomWidth: 1,
    paddingHorizontal: space.xs,
    minHeight: 56,
  },
  names: { flex: 1, minWidth: 0, minHeight: 48, justifyContent: 'center' },
  below: { flexDirection: 'row', alignItems: 'center', gap: space.xs },
  detail: { flexShrink: 1 },
});
