import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { setPreferences, usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { TextField } from '../../ui/field';
import { space } from '../../ui/tokens';

const NAME_MAX = 120;

/** Asks once on each device who enters things on it. */
export function NameCard() {
  const { author } = usePreferences();
  const [name, setName] = useState('');
  if (author !== '') return null;
  return (
    <Card title="Who are you?">
      <TextField
        label="Your name, shown beside what you enter"
        maxLength={NAME_MAX}
        value={name}
        onChange={setName}
      />
      <View style={styles.row}>
        <Button
          label="Keep it on this device"
          disabled={name.trim() === ''}
          onPress={() => setPreferences({ author: name.trim() })}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: space.s } });
