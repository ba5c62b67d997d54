import { useState } from 'react';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';

const CAUTIONS = [
  'Combustion appliances off and kept off; fireplaces without fire or ash; check both again before and after.',
  'Suspect asbestos, vermiculite, lead or mould: do not disturb, do not test.',
  'Fresh sprayed foam: nobody inside until the maker’s re-entry time is over.',
  'A radon stack closed for the test is opened again; so is every other temporary seal.',
] as const;

/** What can hurt somebody when the fan starts. */
export function CautionCard() {
  const [isOpen, setOpen] = useState(false);
  return (
    <Card
      title="Before the fan starts"
      right={<OpenButton isOpen={isOpen} label="Read" onToggle={setOpen} />}
    >
      {isOpen ? (
        CAUTIONS.map((caution) => <Text key={caution}>– {caution}</Text>)
      ) : (
        <Text>Combustion appliances off, no ash in the fireplace, no suspect asbestos, no fresh foam.</Text>
      )}
      <Text look="small" tone="soft">
        Local code and licensed trades decide.
      </Text>
    </Card>
  );
}
