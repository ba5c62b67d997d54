import { WORK_WORDS } from '@calvet/contract/plan/work-words';
import type { WorkKind } from '@calvet/core/calendar/calendar-input';
import { Button } from '../../ui/button';
import { optionsOf } from '../../ui/choice';
import { Sheet } from '../../ui/sheet';

const WORKS = optionsOf(WORK_WORDS);

interface WorkSheetProps {
  /** What is asked. */
  readonly title: string;
  readonly onChoose: (what: WorkKind) => void;
  readonly onClose: () => void;
}

/** One of the works that a house may have, to be chosen. */
export function WorkSheet({ title, onChoose, onClose }: WorkSheetProps) {
  return (
    <Sheet title={title} onClose={onClose}>
      {WORKS.map(({ value, label }) => (
        <Button key={value} label={label} onPress={() => onChoose(value)} />
      ))}
      <Button kind="quiet" label="Cancel" onPress={onClose} />
    </Sheet>
  );
}
