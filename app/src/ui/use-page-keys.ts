import { useEffect } from 'react';
import useLatestCallback from 'use-latest-callback';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea') || target.isContentEditable);

/** Something is settled in a sheet before the page goes on. */
const isSheetOpen = (): boolean => document.querySelector('dialog[open]') !== null;

/**
 * Keys of a keyboard that do something on a page, by their names (`KeyboardEvent.key`). They mean nothing while somebody
 * types, while a sheet is open, where what has the focus takes the key itself, and together with Ctrl, Alt or Meta.
 */
export function usePageKeys(keys: Readonly<Record<string, () => void>>): void {
  const press = useLatestCallback((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
    if (isTyping(event.target) || isSheetOpen()) return;
    const deed = keys[event.key];
    if (deed === undefined) return;
    event.preventDefault();
    deed();
  });
  useEffect(() => {
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [press]);
}
