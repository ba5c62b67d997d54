import { useKeptIn } from '../../data/hooks';
import type { KeptIn } from '../../data/keeping';
import { Button } from '../../ui/button';
import { NoticeBar } from './notice-bar';

const WORDS: Readonly<Record<Exclude<KeptIn, 'device' | 'opening'>, string>> = {
  page: 'Nothing is kept on this device just now. Leave this page open until everything is sent.',
  'page of an older version':
    'A newer version of Calvet is in use in another tab. Open this page anew: until then nothing that you enter here is kept.',
};

/** Says plainly that what is entered lives as long as this page, while that is so. */
export function KeepingBar() {
  const keptIn = useKeptIn();
  if (keptIn === 'device' || keptIn === 'opening') return null;
  return (
    <NoticeBar isWarning words={WORDS[keptIn]}>
      {keptIn === 'page of an older version' && (
        <Button label="Open it anew" onPress={() => location.reload()} />
      )}
    </NoticeBar>
  );
}
