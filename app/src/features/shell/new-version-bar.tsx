import { takeNewVersion, useNewVersion, useNewVersionInUse } from '../../data/new-version';
import { Button } from '../../ui/button';
import { NoticeBar } from './notice-bar';

/** Offers a newer version of the app; the one in use goes on until the person takes it. */
export function NewVersionBar() {
  const isWaiting = useNewVersion();
  const isInUse = useNewVersionInUse();
  if (isInUse) {
    return (
      <NoticeBar words="Another tab uses a newer version of Calvet. Open this page anew; what you entered is kept.">
        <Button label="Open it anew" onPress={() => location.reload()} />
      </NoticeBar>
    );
  }
  if (!isWaiting) return null;
  return (
    <NoticeBar words="A newer version of Calvet is here. What you entered is kept.">
      <Button label="Take it up" onPress={takeNewVersion} />
    </NoticeBar>
  );
}
