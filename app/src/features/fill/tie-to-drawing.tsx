import type { Area } from '@calvet/contract/installation/area';
import { useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { figureWithUnit } from '../../ui/format';
import { LongList } from '../../ui/long-list';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { useNote } from '../../ui/undo';

interface TieToDrawingProps {
  readonly view: HouseView;
  /** Made by hand, or of a part of the drawing that is gone. */
  readonly area: Area;
}

/** Makes an area one of those that are drawn: its grade and its photos stay, its size is the drawn one. */
export function TieToDrawing({ view, area }: TieToDrawingProps) {
  const { units } = usePreferences();
  const { updateRecord } = useStore();
  const keep = useKeep('area', area);
  const note = useNote();
  const [isOpen, setOpen] = useState(false);
  const free = [...view.drawn.values()].filter(({ isKept }) => !isKept);
  const fitting = [
    ...free.filter(({ kind }) => kind === area.kind),
    ...free.filter(({ kind }) => kind !== area.kind),
  ];
  if (fitting.length === 0) return null;
  const tie = ({ key, name }: (typeof fitting)[number]): void => {
    const { item, itemName, areaM2, kind } = area;
    const before = { item, itemName, name: area.name, areaM2, kind };
    const next = { item: key, itemName: name, name: null, areaM2: null, kind: null };
    keep(next);
    note({
      text: `${area.name} is ${name} now.`,
      undo: () => updateRecord('area', { ...area, ...next } as unknown as Area, before),
    });
  };
  return (
    <Card
      title={area.item === null ? 'Not in the drawing' : 'Its part of the drawing is gone'}
      right={<OpenButton isOpen={isOpen} label="Choose its part" onToggle={setOpen} />}
    >
      <Text look="small" tone="soft">
        {area.item === null
          ? 'It was made by hand and counts beside what is drawn. As a part of the drawing it takes its size from there; its grade and photos stay.'
          : 'What was entered here is kept. Choose the part that it is now, or delete it below.'}
      </Text>
      {isOpen && (
        <LongList items={fitting} what="parts">
          {(part) => (
            <Button
              key={part.key}
              label={`${part.name}${part.areaM2 === null ? '' : `, ${figureWithUnit(part.areaM2, 'area', units)}`}`}
              onPress={() => tie(part)}
            />
          )}
        </LongList>
      )}
    </Card>
  );
}
