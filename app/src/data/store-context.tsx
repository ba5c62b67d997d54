import { createContext, use, useState, type ReactNode } from 'react';
import { appStore } from './app-store';
import type { Store } from './store';

const StoreContext = createContext<Store | null>(null);

interface StoreProviderProps {
  /** Another one than that of this browser, as in tests. */
  readonly store?: Store;
  readonly children: ReactNode;
}

/** Gives the screens within their store. */
export function StoreProvider({ store, children }: StoreProviderProps) {
  const [used] = useState(() => store ?? appStore());
  return <StoreContext value={used}>{children}</StoreContext>;
}

/** The store of the screens: what is entered, and what is held. */
export function useStore(): Store {
  const store = use(StoreContext);
  if (store === null) throw new Error('This screen stands outside a store.');
  return store;
}
