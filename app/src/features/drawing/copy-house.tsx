import { NAME_MAX } from '@calvet/contract/limits';
import { ownFields } from '@calvet/contract/record';
import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import type { Area } from '@calvet/contract/installation/area';
import type { HouseBody } from '@calvet/contract/house/house';
import { copiedDrawing, copiedKey, type CopiedDrawing } from '@calvet/contract/plan/copied-drawing';
import { itemId } from '@calvet/contract/plan/item-key';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { TextField } from '../../ui/field';
import { OpenButton } from '../../ui/open-button';
import { DayField } from '../../ui/day-field';
import { Text } from '../../ui/text';
import { useToday } from '../../ui/use-today';

const SIDES = [
  { value: 'same', label: 'As it is' },
  { value: 'mirrored', label: 'Mirrored' },
] as const;

/** What of an area was planned, for a copy of its house; null where nothing was. */
function plannedOf(area: Area, houseId: string, copy: CopiedDrawing) {
  const { name, kind, areaM2, buildUp, claimedRsi, claimedBy, ground, requirement, item, itemName } =
    withoutDrawn(area);
  const asked = { claimedRsi, claimedBy, ground, requirement };
  const says = [name, kind, areaM2, buildUp, ...Object.values(asked)].some((value) => value !== null);
  const key = item === null ? null : copiedKey(item, copy);
  if (!says || (item !== null && key === null)) return null;
  return {
    id: key === null ? v7() : itemId(houseId, key),
    body: {
      name,
      kind,
      areaM2,
      buildUp,
      ...asked,
      openedSpots: [],
      grade: null,
      voidFraction: null,
      item: key,
      itemName,
    },
  };
}

/** Makes a house like this one, with nothing in it of what was recorded here. */
export function CopyHouse({ view }: { readonly view: HouseView }) {
  const router = useRouter();
  const { createHouse, createRecord } = useStore();
  const [isOpen, setOpen] = useState(false);
  const [name, setName] = useState(`${view.house.name}, copy`);
  const [side, setSide] = useState<(typeof SIDES)[number]['value']>('same');
  const [startsOn, setStartsOn] = useState(useToday());
  const isDated = view.works.some(({ pinnedStart }) => pinnedStart !== null);
  const hasName = name.trim() !== '';
  const make = (): void => {
    const body = { ...(ownFields(withoutDrawn(view.house)) as unknown as HouseBody), name };
    const houseId = createHouse(body);
    const copy = copiedDrawing(view, houseId, { isMirrored: side === 'mirrored', startsOn });
    for (const { kind, id, body: drawn } of copy.records) createRecord(houseId, kind, drawn, id);
    for (const area of view.areas) {
      const planned = plannedOf(area, houseId, copy);
      if (planned !== null) createRecord(houseId, 'area', planned.body, planned.id);
    }
    router.push({ pathname: '/houses/[houseId]', params: { houseId } });
  };
  return (
    <Card title="Copy this house" right={<OpenButton isOpen={isOpen} label="Copy" onToggle={setOpen} />}>
      <Text look="small" tone="soft">
        Its drawing, sizes, target, build-ups and works go along; grades, tests and photos do not.
      </Text>
      {isOpen && (
        <>
          <TextField
            label="Name of the copy"
            maxLength={NAME_MAX}
            value={name}
            message={hasName ? null : 'Give the house a name.'}
            onChange={setName}
          />
          {isDated && <DayField label="Its first work begins on" value={startsOn} onChange={setStartsOn} />}
          <Choice label="How it stands" options={SIDES} value={side} onChange={setSide} />
          <Button label="Make the copy" kind="main" grow disabled={!hasName} onPress={make} />
        </>
      )}
    </Card>
  );
}
