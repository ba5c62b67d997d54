import { Slot } from 'expo-router';
import { NewVersionBar } from '../features/shell/new-version-bar';
import { TroubleBanner } from '../features/shell/sync-mark';
import { KeypadHost } from '../ui/keypad/keypad';
import { useFontFiles } from '../ui/font-files';
import { Theme } from '../ui/theme';
import { NoteHost } from '../ui/undo';

export { PageFailed as ErrorBoundary } from '../features/shell/page-failed';

export default function RootLayout() {
  useFontFiles();
  return (
    <Theme>
      <KeypadHost>
        <NoteHost>
          <NewVersionBar />
          <TroubleBanner />
          <Slot />
        </NoteHost>
      </KeypadHost>
    </Theme>
  );
}
