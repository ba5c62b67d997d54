import { isDay } from '@calvet/core/day';
import { useState } from 'react';
import { View } from 'react-native';
import { Labelled } from './field';
import { day } from './format';
import { Text } from './text';
import { usePalette } from './theme';
import { dark, fonts, rem, TOUCH } from './tokens';

interface DayFieldProps {
  /** Stands over the field. */
  readonly label: string;
  /** YYYY-MM-DD. */
  readonly value: string;
  /** Called with each whole day, YYYY-MM-DD. */
  readonly onChange: (isoDay: string) => void;
}

/** A day, entered with the calendar that the browser brings. It follows what others enter, but while it is typed in. */
export function DayField({ label, value, onChange }: DayFieldProps) {
  const palette = usePalette();
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? value;
  return (
    <Labelled label={label} message={isDay(shown) ? null : 'Enter a day.'}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 12 }}>
        <input
          type="date"
          aria-label={label}
          value={shown}
          onBlur={() => setDraft(null)}
          onChange={({ target }) => {
            setDraft(target.value);
            if (isDay(target.value)) onChange(target.value);
          }}
          style={{
            minHeight: TOUCH,
            maxWidth: '100%',
            boxSizing: 'border-box',
            padding: '0 10px',
            border: `1px solid ${palette.line}`,
            borderRadius: 3,
            background: palette.card,
            color: palette.ink,
            fontFamily: fonts.figure,
            fontSize: rem(16),
            colorScheme: palette === dark ? 'dark' : 'light',
          }}
        />
        <Text look="small" tone="soft">
          {isDay(shown) ? day(shown) : ''}
        </Text>
      </View>
    </Labelled>
  );
}
