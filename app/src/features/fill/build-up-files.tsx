import type { BuildUp } from '@calvet/contract/installation/area';
import {
  BUILD_UP_FILE_BYTES_MAX,
  readBuildUpsFile,
  writeBuildUpsFile,
} from '@calvet/contract/installation/build-up-file';
import { StyleSheet, View } from 'react-native';
import { useMaterials } from '../../data/hooks';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { space } from '../../ui/tokens';
import { JsonFileButton } from '../shell/json-file-button';

/** What came with a file, in words. */
function broughtWords({ length }: readonly BuildUp[], unknown: readonly string[]): string {
  const came = length === 1 ? '1 build-up came with the file.' : `${length} build-ups came with the file.`;
  const chosen = `${came} Choose one above.`;
  return unknown.length === 0
    ? chosen
    : `${chosen} Not known here, kept with the figures of the file: ${unknown.join(', ')}.`;
}

interface BuildUpFilesProps {
  /** Build-ups of the house, each once. */
  readonly ofHouse: () => readonly BuildUp[];
  /** Called with those of a file. */
  readonly onBrought: (buildUps: readonly BuildUp[]) => void;
}

/** The build-ups of a house to a file, and some from one. */
export function BuildUpFiles({ ofHouse, onBrought }: BuildUpFilesProps) {
  const own = useMaterials();
  return (
    <View style={styles.row}>
      <JsonFileButton
        label="Take one from a file"
        fileLabel="File of build-ups"
        bytesMax={BUILD_UP_FILE_BYTES_MAX}
        onText={(text, read) => {
          const { buildUps, unknown } = readBuildUpsFile(text, own, read);
          onBrought(buildUps);
          return broughtWords(buildUps, unknown);
        }}
      />
      <Button
        label="Save all of this house to a file"
        icon="file-download-outline"
        onPress={() => saveFile('build-ups.json', writeBuildUpsFile(ofHouse()), 'application/json')}
      />
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
