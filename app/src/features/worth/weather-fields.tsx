import { weatherOf } from '@calvet/contract/house/climates';
import { heatTermFields, type WeatherMonth } from '@calvet/contract/house/heat-terms';
import type { House } from '@calvet/contract/house/house';
import { takenAsFahrenheit } from '@calvet/contract/house/weather-doubts';
import { StyleSheet, View } from 'react-native';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { FieldGrid, GivenField } from '../../ui/field';
import { MONTHS } from '../../ui/months';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const { temperatureC, relativeHumidity } = heatTermFields.weather.item.members;

const USUAL: WeatherMonth = { temperatureC: 10, relativeHumidity: 0.75 };

/** The months of a house's own weather, in place of those of its climate. */
export function WeatherFields({ house }: { readonly house: House }) {
  const keep = useKeep('house', house);
  const { weather } = house;
  if (weather.length === 0) {
    return (
      <Button
        label="Enter months of its own"
        icon="plus"
        onPress={() => keep({ weather: weatherOf(house) ?? MONTHS.map(() => USUAL) })}
      />
    );
  }
  const set = (at: number, change: Partial<WeatherMonth>, stage?: EntryStage): void =>
    keep({ weather: weather.map((month, i) => (i === at ? { ...month, ...change } : month)) }, stage);
  const fahrenheit = takenAsFahrenheit(weather);
  return (
    <View style={styles.all} role="group" aria-label="Months of its own">
      <Text look="small" tone="soft">
        Means of each month outdoors. They count in place of the climate’s.
      </Text>
      {fahrenheit !== null && (
        <>
          <Text role="status" tone="straw">
            A month so hot is known nowhere. Were these figures in °F?
          </Text>
          <Button label="Take them as °F" onPress={() => keep({ weather: fahrenheit })} />
        </>
      )}
      {weather.map((month, i) => (
        <FieldGrid key={MONTHS[i]}>
          <GivenField
            label={MONTHS[i] ?? ''}
            quantity={temperatureC.quantity}
            value={month.temperatureC}
            bounds={temperatureC.bounds}
            onFigure={(si, stage) => set(i, { temperatureC: si }, stage)}
          />
          <GivenField
            label={`Humidity in ${(MONTHS[i] ?? '').slice(0, 3)}`}
            quantity={relativeHumidity.quantity}
            value={month.relativeHumidity}
            bounds={relativeHumidity.bounds}
            onFigure={(si, stage) => set(i, { relativeHumidity: si }, stage)}
          />
        </FieldGrid>
      ))}
      <Button kind="quiet" label="Use the climate’s months" onPress={() => keep({ weather: [] })} />
    </View>
  );
}

const styles = StyleSheet.create({ all: { gap: space.s } });
