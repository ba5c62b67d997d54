import { Link, usePathname, useRouter, type Href } from 'expo-router';
import { useEffect, useLayoutEffect, type RefObject } from 'react';

/** What the browser knows of where one was; null where it does not tell. */
const browserHistory = (): Navigation | null =>
  typeof window !== 'undefined' && 'navigation' in window ? window.navigation : null;

const addressOf = (entry: NavigationHistoryEntry): string => {
  const { pathname, search } = new URL(entry.url ?? 'about:blank');
  return pathname + search;
};

/** The page that one was on last under an address, of those that lie before this one. */
export function visitBefore(history: Navigation | null, address: string): NavigationHistoryEntry | null {
  const here = history?.currentEntry?.index ?? 0;
  const before = history?.entries().slice(0, here) ?? [];
  return before.findLast((entry) => addressOf(entry) === address) ?? null;
}

/** Goes back to a page: to where one was on it, if one came from there; else there anew. */
export function useGoBack(): (to: Href) => void {
  const router = useRouter();
  return (to) => {
    const history = browserHistory();
    const visit = visitBefore(history, Link.resolveHref(to));
    if (visit === null) router.navigate(to);
    else history?.traverseTo(visit.key);
  };
}

/** How far each page of the history was scrolled, as long as the app is open. */
const scrolled = new Map<string, number>();
/** By these a hand scrolls. */
const SCROLLING = ['wheel', 'touchstart', 'keydown'] as const;
/** A page that grows slower than this is shown from its top. */
const PATIENCE_MS = 3000;

const keyOf = (path: string): string | null => {
  const key = browserHistory()?.currentEntry?.key;
  return key === undefined ? null : `${key} ${path}`;
};

/** Scrolls to a height once what is shown is high enough; a hand that scrolls meanwhile has its way. */
function scrollWhenHigh(scroller: HTMLElement, top: number): () => void {
  const reach = () => {
    if (scroller.scrollHeight - scroller.clientHeight < top) return false;
    scroller.scrollTop = top;
    return true;
  };
  if (reach()) return () => undefined;
  const watch = new ResizeObserver(() => {
    if (reach()) end();
  });
  const end = () => {
    watch.disconnect();
    clearTimeout(timer);
    for (const event of SCROLLING) window.removeEventListener(event, end);
  };
  const timer = setTimeout(end, PATIENCE_MS);
  for (const child of scroller.children) watch.observe(child);
  for (const event of SCROLLING) window.addEventListener(event, end);
  return end;
}

/** Keeps how far a page was scrolled, and scrolls there again when one comes back to it. */
export function useScrollMemory(scroller: RefObject<HTMLElement | null>): void {
  const path = usePathname();
  useLayoutEffect(() => {
    const key = keyOf(path);
    const top = key === null ? undefined : scrolled.get(key);
    if (scroller.current === null || top === undefined) return undefined;
    return scrollWhenHigh(scroller.current, top);
  }, [scroller, path]);
  useEffect(() => {
    const node = scroller.current;
    const keep = () => {
      const key = keyOf(path);
      // The page that is being left is not the one that the history is at by then.
      if (node !== null && key !== null && location.pathname === path) scrolled.set(key, node.scrollTop);
    };
    node?.addEventListener('scroll', keep, { passive: true });
    return () => node?.removeEventListener('scroll', keep);
  }, [scroller, path]);
}
