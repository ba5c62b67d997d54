import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type Modifier,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { ReactNode } from 'react';
import Icon from './icon-font/icon-set';
import { usePalette } from './theme';
import { TOUCH } from './tokens';

interface Sorted {
  readonly id: string;
}

interface SortableListProps<Item extends Sorted> {
  /** In their order. */
  readonly items: readonly Item[];
  /** What one is called, for those who do not see it. */
  readonly nameOf: (item: Item, position: number) => string;
  /** Called once one was put into another place. */
  readonly onMove: (from: number, to: number) => void;
  /** Draws one; the grip by which it is moved stands where it is put. */
  readonly children: (item: Item, position: number, grip: ReactNode) => ReactNode;
}

/** A finger that only presses moves nothing. */
const DRAG_FROM_PX = 4;

/** Entries of a list stay in its column. */
const upAndDown: Modifier = ({ transform }) => ({ ...transform, x: 0 });

/** Entries that are put into another order: by a grip, or by its keys (space, arrows, space). */
export function SortableList<Item extends Sorted>({
  items,
  nameOf,
  onMove,
  children,
}: SortableListProps<Item>) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const placeOf = (id: UniqueIdentifier): number => items.findIndex((item) => item.id === id);
  const called = (id: UniqueIdentifier): string => {
    const at = placeOf(id);
    const item = items[at];
    return item === undefined ? '' : nameOf(item, at);
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${called(active.id)} is taken up.`,
    onDragOver: ({ active, over }) =>
      over === null
        ? undefined
        : `${called(active.id)} is at place ${placeOf(over.id) + 1} of ${items.length}.`,
    onDragEnd: ({ active, over }) =>
      over === null
        ? `${called(active.id)} is where it was.`
        : `${called(active.id)} was put at place ${placeOf(over.id) + 1} of ${items.length}.`,
    onDragCancel: ({ active }) => `${called(active.id)} is where it was.`,
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      modifiers={[upAndDown]}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable: 'Space takes it up, arrows move it, space puts it down, Escape puts it back.',
        },
      }}
      onDragEnd={({ active, over }) => {
        if (over === null || over.id === active.id) return;
        onMove(placeOf(active.id), placeOf(over.id));
      }}
    >
      <SortableContext items={items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {items.map((item, position) => (
          <SortableEntry key={item.id} id={item.id} name={nameOf(item, position)}>
            {(grip) => children(item, position, grip)}
          </SortableEntry>
        ))}
      </SortableContext>
    </DndContext>
  );
}

interface SortableEntryProps {
  /** By which it is known among the others. */
  readonly id: string;
  /** What it is called. */
  readonly name: string;
  /** Draws it with its grip. */
  readonly children: (grip: ReactNode) => ReactNode;
}

function SortableEntry({ id, name, children }: SortableEntryProps) {
  const palette = usePalette();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id });
  const grip = (
    <button
      ref={setActivatorNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-label={`Move ${name}`}
      style={{
        width: TOUCH,
        height: TOUCH,
        flexShrink: 0,
        padding: 0,
        border: 0,
        background: 'transparent',
        cursor: isDragging ? 'grabbing' : 'grab',
        // A finger on the grip moves the entry and not the page.
        touchAction: 'none',
      }}
    >
      <Icon name="drag" size={22} color={palette.soft} />
    </button>
  );
  return (
    <div
      ref={setNodeRef}
      style={{
        transform: CSS.Translate.toString(transform),
        transition: transition ?? undefined,
        background: isDragging ? palette.lakeTint : undefined,
        position: 'relative',
        zIndex: isDragging ? 1 : undefined,
      }}
    >
      {children(grip)}
    </div>
  );
}
