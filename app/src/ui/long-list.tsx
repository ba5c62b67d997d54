import { useState, type ReactNode } from 'react';
import { Button } from './button';

/** More than this an eye does not take in, and a phone does not draw in one go. */
const FIRST = 40;

interface LongListProps<Item> {
  /** All of them; those in sight are drawn. */
  readonly items: readonly Item[];
  /** What the items are called together, as in “Show all 200 areas”. */
  readonly what: string;
  /** Wraps what is shown, where it is not simply one below the other. */
  readonly wrap?: (children: ReactNode) => ReactNode;
  /** Draws one. */
  readonly children: (item: Item) => ReactNode;
}

/** The first items of a list, and the way to the rest. */
export function LongList<Item>({ items, what, wrap = (shown) => shown, children }: LongListProps<Item>) {
  const [isWhole, setWhole] = useState(false);
  const shown = isWhole ? items : items.slice(0, FIRST);
  return (
    <>
      {wrap(shown.map(children))}
      {shown.length < items.length && (
        <Button label={`Show all ${items.length} ${what}`} onPress={() => setWhole(true)} />
      )}
    </>
  );
}
