import { dequal } from 'dequal';
import {
  closestCenter,
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type Modifier,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import {
  createContext,
  memo,
  use,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactElement,
} from 'react';
import useLatestCallback from 'use-latest-callback';
import Icon from './icon-font/icon-set';
import { Text } from './text';
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
  /** Draws one; its {@link SortableGrip} stands where it is put. It is drawn anew where anything that it is given is another. */
  readonly children: (item: Item, position: number) => ReactElement;
}

/** A finger that only presses moves nothing. The same object at each drawing: another one draws every entry anew. */
const DRAGGED = { activationConstraint: { distance: 4 } };

const STEPS: Readonly<Record<string, -1 | 1>> = { ArrowUp: -1, ArrowDown: 1 };

/** Entries of a list stay in its column. */
const upAndDown: Modifier = ({ transform }) => ({ ...transform, x: 0 });
const MODIFIERS = [upAndDown];

const nothing = (): undefined => undefined;
/** What is done is said here, in the words of the list. */
const SAID_HERE = {
  screenReaderInstructions: { draggable: '' },
  announcements: {
    onDragStart: nothing,
    onDragOver: nothing,
    onDragEnd: nothing,
    onDragCancel: nothing,
  },
};

/** Entries that are put into another order: dragged by a grip, or moved by the arrows while it has the focus. */
export function SortableList<Item extends Sorted>({
  items,
  nameOf,
  onMove,
  children,
}: SortableListProps<Item>) {
  const sensors = useSensors(useSensor(PointerSensor, DRAGGED));
  const keysId = useId();
  const [said, setSaid] = useState('');
  const list = useRef<HTMLDivElement>(null);
  /** The entry that was moved by its keys: it keeps the focus in its new place. */
  const movedByKeys = useRef<string | null>(null);
  useLayoutEffect(() => {
    if (movedByKeys.current === null) return;
    const grips = list.current?.querySelectorAll<HTMLElement>('[data-grip]') ?? [];
    [...grips].find((grip) => grip.dataset.grip === movedByKeys.current)?.focus();
    movedByKeys.current = null;
  }, [items]);
  const order = items.map(({ id }) => id).join(' ');
  // The same list while the order is the same: another one draws every entry anew.
  const ids = useMemo(() => order.split(' '), [order]);
  const placeOf = (id: UniqueIdentifier): number => items.findIndex((item) => item.id === id);
  const move = (from: number, to: number): void => {
    const item = items[from];
    if (item === undefined || from === to || to < 0 || to >= items.length) return;
    setSaid(`${nameOf(item, from)} is at place ${to + 1} of ${items.length}.`);
    onMove(from, to);
  };
  const byKeys = useLatestCallback((id: string, event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    movedByKeys.current = id;
    const from = placeOf(id);
    move(from, from + step);
  });
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      modifiers={MODIFIERS}
      accessibility={SAID_HERE}
      onDragEnd={({ active, over }) => {
        if (over !== null) move(placeOf(active.id), placeOf(over.id));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <div ref={list}>
          {items.map((item, position) => (
            <SortableEntry
              key={item.id}
              id={item.id}
              name={nameOf(item, position)}
              keysId={keysId}
              onKeyDown={byKeys}
            >
              {children(item, position)}
            </SortableEntry>
          ))}
        </div>
      </SortableContext>
      <span id={keysId} hidden>
        The arrow keys move it.
      </span>
      <Text look="small" tone="soft" role="status">
        {said}
      </Text>
    </DndContext>
  );
}

/** What the grip of an entry needs of it. */
interface GripOf {
  readonly id: string;
  readonly name: string;
  readonly keysId: string;
  readonly isDragging: boolean;
  readonly listeners: ReturnType<typeof useSortable>['listeners'];
  readonly setNode: (node: HTMLElement | null) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

const Grip = createContext<GripOf | null>(null);

/** By which an entry of a list is moved; it stands within what the entry draws. */
export function SortableGrip() {
  const palette = usePalette();
  const grip = use(Grip);
  if (grip === null) return null;
  const { id, name, keysId, isDragging, listeners, setNode, onKeyDown } = grip;
  return (
    <button
      ref={setNode}
      type="button"
      {...listeners}
      data-grip={id}
      aria-label={`Move ${name}`}
      aria-describedby={keysId}
      onKeyDown={onKeyDown}
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
}

interface SortableEntryProps {
  /** By which it is known among the others. */
  readonly id: string;
  /** What it is called. */
  readonly name: string;
  /** Of what says which keys move it. */
  readonly keysId: string;
  /** Called with each key that is pressed on its grip: the same function at each drawing. */
  readonly onKeyDown: (id: string, event: KeyboardEvent) => void;
  /** What stands in it. */
  readonly children: ReactElement;
}

/** What an entry draws is the same where it is given the same, though it was put down anew. */
function isSame(before: SortableEntryProps, now: SortableEntryProps): boolean {
  const { children: drawn, ...rest } = before;
  const { children: next, ...others } = now;
  return dequal(rest, others) && drawn.type === next.type && dequal(drawn.props, next.props);
}

const SortableEntry = memo(function SortableEntry({
  id,
  name,
  keysId,
  onKeyDown,
  children,
}: SortableEntryProps) {
  const palette = usePalette();
  const { listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const press = useLatestCallback((event: KeyboardEvent) => onKeyDown(id, event));
  const grip = useMemo(
    () => ({ id, name, keysId, isDragging, listeners, setNode: setActivatorNodeRef, onKeyDown: press }),
    [id, name, keysId, isDragging, listeners, setActivatorNodeRef, press],
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
      <Grip value={grip}>{children}</Grip>
    </div>
  );
}, isSame);
