import { render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { Store } from '../src/data/store';
import { StoreProvider } from '../src/data/store-context';
import { Theme } from '../src/ui/theme';
import { NoteHost } from '../src/ui/undo';
import { testStore } from './test-store';

/** Renders a piece as it stands in the app: in the house style, over a store, with a place for notes. */
export function renderInTheme(piece: ReactNode, store: Store = testStore()): RenderResult {
  return render(
    <Theme>
      <StoreProvider store={store}>
        <NoteHost>{piece}</NoteHost>
      </StoreProvider>
    </Theme>,
  );
}
