import {
  BUILD_UP_FILE_BYTES_MAX,
  readMaterialsFile,
  writeMaterialsFile,
} from '@calvet/contract/installation/build-up-file';
import type { Material } from '@calvet/contract/installation/material';
import { PRACTICE_ID } from '@calvet/contract/ledger';
import { ownFields } from '@calvet/contract/record';
import { dequal } from 'dequal';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePractice } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { space } from '../../ui/tokens';
import { JsonFileButton } from '../shell/json-file-button';

/** What was brought in, in words. */
function broughtWords(count: number, known: number): string {
  const came = count === 1 ? '1 material was brought in.' : `${count} materials were brought in.`;
  return known === 0 ? came : `${came} ${known === 1 ? '1 was' : `${known} were`} here already.`;
}

/** The practice's materials to a file, and from one: what is here already stays once. */
export function MaterialFiles({ own }: { readonly own: readonly Material[] }) {
  const practice = usePractice();
  const { createRecord, makeIfNew } = useStore();
  return (
    <View style={styles.row}>
      <Button
        label="Save them to a file"
        icon="file-download-outline"
        disabled={own.length === 0}
        onPress={() => saveFile('materials.json', writeMaterialsFile(own), 'application/json')}
      />
      <JsonFileButton
        label="Bring some in from a file"
        fileLabel="File of materials"
        bytesMax={BUILD_UP_FILE_BYTES_MAX}
        onText={(text, read) => {
          const all = readMaterialsFile(text, read);
          const fresh = all.filter(({ body }) => !own.some((each) => dequal(ownFields(each), body)));
          if (fresh.length > 0) makeIfNew('practice', practice);
          for (const { body } of fresh) createRecord(PRACTICE_ID, 'material', body, v7());
          return broughtWords(fresh.length, all.length - fresh.length);
        }}
      />
    </View>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
