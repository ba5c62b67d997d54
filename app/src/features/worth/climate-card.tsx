import { CLIMATES } from '@calvet/contract/house/climates';
import { USUAL_INDOOR } from '@calvet/contract/house/indoor-rule';
import {
  heatTermFields,
  INDOOR_RULE_WORDS,
  OCCUPANCY_WORDS,
  type IndoorTerms,
} from '@calvet/contract/house/heat-terms';
import type { House } from '@calvet/contract/house/house';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';
import { WeatherFields } from './weather-fields';

const PLACES = CLIMATES.map(({ id, kind }) => ({
  value: id,
  label: `${kind.charAt(0).toUpperCase()}${kind.slice(1)}`,
}));
const RULES = optionsOf(INDOOR_RULE_WORDS);
const OCCUPANCY = optionsOf(OCCUPANCY_WORDS);
const CLASSES = [1, 2, 3, 4, 5].map((each) => ({ value: String(each), label: String(each) }));
const COOLING = [
  { value: 'no', label: 'Not cooled' },
  { value: 'yes', label: 'Cooled' },
] as const;
const COOLED = { cooledToC: 24, cooledHumidity: 0.5 };
const { members } = heatTermFields.indoor;

/** Where a house stands, how its rooms are used, and what heats it. */
export function ClimateCard({ house }: { readonly house: House }) {
  const keep = useKeep('house', house);
  const indoor = house.indoor ?? USUAL_INDOOR;
  const set = (change: Partial<IndoorTerms>, stage?: EntryStage): void =>
    keep({ indoor: { ...indoor, ...change } }, stage);
  return (
    <Card title="Climate, rooms and heating">
      <Labelled label="Climate">
        <Choice
          label="Climate"
          options={PLACES}
          value={house.climateId}
          onChange={(climateId) => {
            const chosen = CLIMATES.find(({ id }) => id === climateId);
            if (chosen === undefined) return;
            keep({
              climateId,
              winterDesignC: chosen.winterDesignC,
              dailySpreadK: chosen.dailySpreadK,
              indoor: {
                ...indoor,
                rule: chosen.indoorRule,
                humidityClass:
                  chosen.indoorRule === 'humidityClass' ? (indoor.humidityClass ?? 3) : indoor.humidityClass,
                ...(chosen.isCooledUsually ? COOLED : { cooledToC: null, cooledHumidity: null }),
              },
            });
          }}
        />
      </Labelled>
      <Text look="small" tone="soft">
        Invented places, one of each kind: take the design temperature of where the house stands.
      </Text>
      <WeatherFields house={house} />
      <FieldGrid>
        <NumberField
          label="Coldest design day"
          quantity="temperature"
          value={house.winterDesignC}
          bounds={heatTermFields.winterDesignC.bounds}
          onCommit={(si, stage) => keep({ winterDesignC: si }, stage)}
        />
        <NumberField
          label="Ventilation"
          quantity="flow"
          value={house.ventilationM3h}
          bounds={heatTermFields.ventilationM3h.bounds}
          onCommit={(si, stage) => keep({ ventilationM3h: si }, stage)}
        />
        <NumberField
          label="Heat it recovers"
          quantity="share"
          value={house.heatRecovery}
          bounds={heatTermFields.heatRecovery.bounds}
          onCommit={(si, stage) => keep({ heatRecovery: si }, stage)}
        />
        <NumberField
          label="Price of a kWh"
          quantity="pricePerKwh"
          value={house.energyPrice}
          bounds={heatTermFields.energyPrice.bounds}
          onCommit={(si, stage) => keep({ energyPrice: si }, stage)}
        />
        <NumberField
          label="Efficiency of the heater"
          quantity="share"
          value={house.heaterEfficiency}
          bounds={heatTermFields.heaterEfficiency.bounds}
          onCommit={(si, stage) => keep({ heaterEfficiency: si }, stage)}
        />
      </FieldGrid>
      <Labelled label="How damp its rooms are">
        <Choice
          label="How damp its rooms are"
          options={RULES}
          value={indoor.rule}
          onChange={(rule) =>
            set({
              rule,
              humidityClass: rule === 'humidityClass' ? (indoor.humidityClass ?? 3) : indoor.humidityClass,
              relativeHumidity: rule === 'fixed' ? (indoor.relativeHumidity ?? 0.4) : indoor.relativeHumidity,
            })
          }
        />
      </Labelled>
      {indoor.rule === 'humidityClass' && (
        <Labelled label="Class: 1 stores, 2 offices, 3 homes, 4 crowded homes and kitchens, 5 laundries and pools">
          <Choice
            label="Class of humidity"
            options={CLASSES}
            value={indoor.humidityClass === null ? null : String(indoor.humidityClass)}
            onChange={(value) => set({ humidityClass: Number(value) })}
          />
        </Labelled>
      )}
      {indoor.rule === 'outdoorTemperature' && (
        <Labelled label="People in it">
          <Choice
            label="People in it"
            options={OCCUPANCY}
            value={indoor.occupancy ?? 'normal'}
            onChange={(occupancy) => set({ occupancy })}
          />
        </Labelled>
      )}
      <FieldGrid>
        {indoor.rule === 'fixed'
          ? [
              <GivenField
                key="kept"
                label="Humidity indoors"
                quantity="share"
                value={indoor.relativeHumidity}
                bounds={members.relativeHumidity.bounds}
                onFigure={(si, stage) => set({ relativeHumidity: si }, stage)}
              />,
            ]
          : []}
        {indoor.rule === 'outdoorTemperature'
          ? []
          : [
              <NumberField
                key="warm"
                label="Temperature indoors"
                quantity="temperature"
                value={indoor.temperatureC}
                bounds={members.temperatureC.bounds}
                hint="Empty: 20 °C"
                onCommit={(si, stage) => set({ temperatureC: si }, stage)}
              />,
            ]}
      </FieldGrid>
      <Labelled label="In summer">
        <Choice
          label="In summer"
          options={COOLING}
          value={indoor.cooledToC === null ? 'no' : 'yes'}
          onChange={(value) => set(value === 'yes' ? COOLED : { cooledToC: null, cooledHumidity: null })}
        />
      </Labelled>
    </Card>
  );
}
