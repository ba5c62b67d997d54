import {
  findMaterials,
  materialsOf,
  ownMaterial,
  type KnownMaterial,
} from '@calvet/contract/installation/material-library';
import type { Material } from '@calvet/contract/installation/material';
import { NAME_MAX } from '@calvet/contract/limits';
import { useMemo, useState } from 'react';
import { recentMaterials, rememberMaterial } from '../../data/recent-materials';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { LongList } from '../../ui/long-list';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { MaterialLine } from '../materials/material-line';
import { NewMaterial, unknownMaterial } from '../materials/new-material';

interface MaterialSheetProps {
  /** Materials of the practice. */
  readonly own: readonly Material[];
  readonly title: string;
  readonly onPick: (material: KnownMaterial) => void;
  readonly onClose: () => void;
}

/** Chooses a material by searching for it; what was chosen last stands first. */
export function MaterialSheet({ own, title, onPick, onClose }: MaterialSheetProps) {
  const [asked, setAsked] = useState('');
  const [isMaking, setMaking] = useState(false);
  const all = useMemo(() => materialsOf(own), [own]);
  const recent = useMemo(() => recentMaterials(), []);
  const found = useMemo(() => {
    const matching = findMaterials(all, asked);
    const rank = ({ id }: KnownMaterial): number => {
      const at = recent.indexOf(id);
      return at < 0 ? recent.length : at;
    };
    return asked.trim() === '' ? [...matching].sort((a, b) => rank(a) - rank(b)) : matching;
  }, [all, asked, recent]);
  const take = (material: KnownMaterial): void => {
    rememberMaterial(material.id);
    onPick(material);
  };
  if (isMaking) {
    return (
      <Sheet title="A material of our own" onClose={onClose}>
        <NewMaterial
          begin={unknownMaterial(asked.trim())}
          onKept={(id, body) => take(ownMaterial({ id, ...body }))}
          onCancel={() => setMaking(false)}
        />
      </Sheet>
    );
  }
  return (
    <Sheet title={title} onClose={onClose}>
      <TextField label="Search" maxLength={NAME_MAX} value={asked} onChange={setAsked} />
      {found.length === 0 && (
        <Text role="status">
          Nothing is called so. Describe it below, or close this and enter the layer’s own figures.
        </Text>
      )}
      <LongList items={found} what="materials">
        {(material) => (
          <MaterialLine
            key={material.id}
            label={`Take ${material.name}`}
            material={material}
            onPress={() => take(material)}
          />
        )}
      </LongList>
      <Button label="A material of our own" icon="plus" onPress={() => setMaking(true)} />
    </Sheet>
  );
}
