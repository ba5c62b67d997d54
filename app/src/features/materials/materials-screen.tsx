import {
  findMaterials,
  materialsOf,
  type KnownMaterial,
} from '@calvet/contract/installation/material-library';
import type { Material } from '@calvet/contract/installation/material';
import { NAME_MAX } from '@calvet/contract/limits';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useMaterials } from '../../data/hooks';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { TextField } from '../../ui/field';
import { FoldLine } from '../../ui/fold-line';
import { LongList } from '../../ui/long-list';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { useDelete } from '../shell/use-delete';
import { MaterialFields } from './material-fields';
import { MaterialFiles } from './material-files';
import { MaterialLine } from './material-line';
import { alteredMaterial, NewMaterial, unknownMaterial } from './new-material';

interface OwnLineProps {
  readonly material: Material;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

function OwnLine({ material, isOpen, onToggle }: OwnLineProps) {
  const keep = useKeep('material', material);
  const deleteIt = useDelete();
  return (
    <View style={styles.own} role="group" aria-label={material.name}>
      <FoldLine
        label={`${material.name}: ${isOpen ? 'close' : 'change'}`}
        title={material.name}
        detail={`${material.alters === null ? 'Our own' : 'Other figures than the library’s'} · ${material.basis}`}
        isOpen={isOpen}
        onToggle={onToggle}
      />
      {isOpen && (
        <>
          <MaterialFields
            material={material}
            onChange={(change, stage) => {
              // Both must say something: what is cleared stays what it was until it is written anew.
              if (change.name?.trim() !== '' && change.basis?.trim() !== '') keep(change, stage);
            }}
          />
          <Text look="small" tone="soft">
            Build-ups keep the figures that they were made with.
          </Text>
          <Button
            kind="quiet"
            icon="trash-can-outline"
            label={`Take out ${material.name}`}
            onPress={() => deleteIt('material', material, `${material.name} was taken out of the library.`)}
          />
        </>
      )}
    </View>
  );
}

/** What is built with: the materials of the practice, and the library that comes with the app. */
export function MaterialsScreen() {
  const own = useMaterials();
  const [asked, setAsked] = useState('');
  const [openId, setOpenId] = useState<string | null>(null);
  /** What is being described; null: nothing. */
  const [begun, setBegun] = useState<{ readonly from: KnownMaterial | null } | null>(null);
  const library = useMemo(() => materialsOf(own).filter(({ isOwn }) => !isOwn), [own]);
  const found = useMemo(() => findMaterials(library, asked), [library, asked]);
  return (
    <Screen
      name="Materials"
      detail="Every house of this practice builds with them"
      back="/practice"
      backLabel="Back to the practice"
    >
      <Card title="Of this practice">
        {own.length === 0 && (
          <Text tone="soft">
            None yet. Describe one of your own, or take one of the library below and give it your figures.
          </Text>
        )}
        {own.map((material) => (
          <OwnLine
            key={material.id}
            material={material}
            isOpen={openId === material.id}
            onToggle={() => setOpenId(openId === material.id ? null : material.id)}
          />
        ))}
        {begun === null ? (
          <Button label="A material of our own" icon="plus" onPress={() => setBegun({ from: null })} />
        ) : (
          <NewMaterial
            key={begun.from?.id ?? 'new'}
            begin={begun.from === null ? unknownMaterial('') : alteredMaterial(begun.from)}
            onKept={(id) => {
              setBegun(null);
              setOpenId(id);
            }}
            onCancel={() => setBegun(null)}
          />
        )}
        <MaterialFiles own={own} />
      </Card>
      <Card title="Library">
        <Text look="small" tone="soft">
          Generic materials, no makers: figures to start from. A label or a declared value goes before them.
        </Text>
        <TextField label="Search" maxLength={NAME_MAX} value={asked} onChange={setAsked} />
        {found.length === 0 && <Text role="status">Nothing in the library is called so.</Text>}
        <LongList items={found} what="materials">
          {(material) => (
            <MaterialLine
              key={material.id}
              label={`Give ${material.name} figures of our own`}
              material={material}
              onPress={() => setBegun({ from: material })}
            />
          )}
        </LongList>
      </Card>
    </Screen>
  );
}

const styles = StyleSheet.create({ own: { gap: space.s } });
