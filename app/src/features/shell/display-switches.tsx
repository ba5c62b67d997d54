import { useColorScheme } from 'react-native';
import { setPreferences, usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';

/** Metric or imperial, for every figure on every screen. */
export function UnitSwitch() {
  const { units } = usePreferences();
  const other = units === 'metric' ? 'imperial' : 'metric';
  return (
    <Button
      kind="quiet"
      label={units === 'metric' ? 'Metric' : 'Imperial'}
      onPress={() => setPreferences({ units: other })}
    />
  );
}

/** Paper or night. */
export function AppearanceSwitch() {
  const { appearance } = usePreferences();
  const scheme = useColorScheme();
  const isDark = appearance === 'system' ? scheme === 'dark' : appearance === 'dark';
  return (
    <Button
      kind="quiet"
      iconOnly
      icon={isDark ? 'white-balance-sunny' : 'weather-night'}
      label={isDark ? 'Switch to light' : 'Switch to dark'}
      onPress={() => setPreferences({ appearance: isDark ? 'light' : 'dark' })}
    />
  );
}
