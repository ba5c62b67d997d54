import { heaterKwh, paybackOf } from '@calvet/contract/house/heating-year';
import { bestMends } from '@calvet/contract/installation/priced-defects';
import { number } from '@calvet/core/schema';
import { useMemo, useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { FieldGrid, NumberField } from '../../ui/field';
import { decimals, figureWithUnit } from '../../ui/format';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';

const MONEY = number({ quantity: 'money', min: 0, max: 1e9 });

/** The mends of insulation that save most for each minute, and when they have paid for themselves. */
export function MendsCard({ view }: { readonly view: HouseView }) {
  const { house, areas, defects } = view;
  const { units } = usePreferences();
  const [cost, setCost] = useState<number | null>(null);
  const [avoided, setAvoided] = useState<number | null>(null);
  const best = useMemo(() => bestMends(house, areas, defects), [house, areas, defects]);
  if (best.length === 0) return null;
  const savedWK = best.reduce((sum, { deltaUAWK }) => sum + deltaUAWK, 0);
  const kwh = heaterKwh(house, savedWK);
  const pays = cost === null ? null : paybackOf(house, savedWK, cost, avoided ?? 0);
  return (
    <Card title="Mends that save most in a minute">
      {best.map(({ defect, deltaUAWK }) => (
        <LinkArea
          key={defect.id}
          href={{
            pathname: '/houses/[houseId]/areas/[areaId]',
            params: { houseId: house.id, areaId: defect.area },
          }}
        >
          <Text look="strong">{defect.name}</Text>
          <Text look="small" tone="soft">
            {areas.find(({ id }) => id === defect.area)?.name ?? ''} ·{' '}
            {figureWithUnit(deltaUAWK, 'pointTransmittance', units)} for{' '}
            {figureWithUnit(defect.minutes ?? 0, 'duration', units)}
          </Text>
        </LinkArea>
      ))}
      <Text>
        Together {figureWithUnit(savedWK, 'heatLoss', units, 2)}
        {kwh === null ? '' : `, ${figureWithUnit(kwh, 'energy', units)} a year through the heater`}.
      </Text>
      <FieldGrid>
        <NumberField
          label="What mending them costs"
          quantity="money"
          value={cost}
          bounds={MONEY}
          onCommit={(si) => setCost(si)}
        />
        <NumberField
          label="Less for a smaller heater"
          quantity="money"
          value={avoided}
          bounds={MONEY}
          onCommit={(si) => setAvoided(si)}
        />
      </FieldGrid>
      {cost !== null && (
        <Text role="status" tone={pays === null ? 'straw' : undefined}>
          {pays === null
            ? 'For the payback, say below in which climate the house stands, what its heater gives, and what a kWh costs.'
            : pays.simpleYears === null
              ? 'It saves nothing that could pay for it.'
              : pays.simpleYears === 0
                ? 'It costs nothing more from the first day.'
                : `Paid back after ${decimals(pays.simpleYears, 1)} years.`}
        </Text>
      )}
    </Card>
  );
}
