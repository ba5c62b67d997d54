import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Sheet } from '../../ui/sheet';
import { JunctionSheet } from '../continuity/junction-sheet';
import { HoleSheet } from './hole-sheet';
import { LeakSheet } from './leak-sheet';
import { movedTo } from './moved-hole';
import { stopName } from './place-bar';
import { PlaceList } from './place-list';
import type { PlaceRecords } from './use-place-records';
import type { Walking } from './use-walking';

interface RecordSheetsProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly walking: Walking;
  readonly barrier: BarrierHere;
  readonly records: PlaceRecords;
}

/** The hole, leak or junction that is open at a place. */
export function RecordSheets({ view, walk, walking, barrier, records }: RecordSheetsProps) {
  const { updateRecord } = useStore();
  const { opened, hole, holes, leaks, phase, openHole, moveHole, close } = records;
  const junction =
    opened?.kind === 'junction' ? barrier.junctions.find(({ key }) => key === opened.key) : undefined;
  const move = (to: string): void => {
    const target = walk.stops.find(({ key }) => key === to);
    if (target !== undefined && hole !== null) updateRecord('penetration', hole, movedTo(target, walk, hole));
    close();
  };
  return (
    <>
      {(opened?.kind === 'newHole' || (opened?.kind === 'hole' && hole !== null)) && (
        <HoleSheet
          view={view}
          holes={holes}
          phase={phase}
          placeName={stopName(walking.stop)}
          hole={opened.kind === 'newHole' ? null : hole}
          onAdded={openHole}
          onMove={() => hole !== null && moveHole(hole.id)}
          onClose={close}
        />
      )}
      {opened?.kind === 'move' && hole !== null && (
        <Sheet title="Where is it?" onClose={close}>
          <PlaceList
            view={view}
            walk={walk}
            round={walking.round}
            looks={walking.looks}
            here={hole.stop}
            onChoose={move}
          />
        </Sheet>
      )}
      {junction !== undefined && (
        <JunctionSheet view={view} item={junction} barrier={barrier} onClose={close} />
      )}
      {leaks.open !== null && (
        <LeakSheet
          view={view}
          leak={leaks.open}
          isNew={leaks.isNew}
          onDelete={leaks.remove}
          onClose={leaks.close}
        />
      )}
    </>
  );
}
