import { Slot } from 'expo-router';
import { MeasuringProvider } from '../data/as-drawn';
import { KeepingBar } from '../features/shell/keeping-bar';
import { NewVersionBar } from '../features/shell/new-version-bar';
import { SkipLink } from '../features/shell/skip-link';
import { SyncAnnouncer } from '../features/shell/sync-mark';
import { TroubleBanner } from '../features/shell/trouble-banner';
import { StoreProvider } from '../data/store-context';
import { KeypadHost } from '../ui/keypad/keypad';
import { Theme } from '../ui/theme';
import { NoteHost } from '../ui/undo';

export { PageFailed as ErrorBoundary } from '../features/shell/page-failed';

/** Comes with the Bench: what both share would otherwise be in what every page loads. */
const fetchMeasuring = () => import('../features/bench-and-drawing');

export default function RootLayout() {
  return (
    <Theme>
      <StoreProvider>
        <KeypadHost>
          <NoteHost>
            <SkipLink />
            <SyncAnnouncer />
            <NewVersionBar />
            <KeepingBar />
            <TroubleBanner />
            <MeasuringProvider value={fetchMeasuring}>
              <Slot />
            </MeasuringProvider>
          </NoteHost>
        </KeypadHost>
      </StoreProvider>
    </Theme>
  );
}
