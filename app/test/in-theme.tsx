import { render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Theme } from '../src/ui/theme';
import { NoteHost } from '../src/ui/undo';

/** Renders a piece as it stands in the app: in the house style, with a place for notes. */
export function renderInTheme(piece: ReactNode): RenderResult {
  return render(
    <Theme>
      <NoteHost>{piece}</NoteHost>
    </Theme>,
  );
}
