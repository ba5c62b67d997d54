import type { KnownMaterial } from '@calvet/contract/installation/material-library';
import { MATERIAL_GROUP_WORDS } from '@calvet/contract/installation/material';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { PickLine } from '../../ui/pick-line';

interface MaterialLineProps {
  /** What pressing it does, in words. */
  readonly label: string;
  readonly material: KnownMaterial;
  readonly onPress: () => void;
}

/** A material with what is known of it, and from where. */
export function MaterialLine({ label, material, onPress }: MaterialLineProps) {
  const { units } = usePreferences();
  const { name, group, conductivityWmK, conductivityRange, rsi, basis, isOwn } = material;
  const conducts =
    conductivityWmK === null
      ? `R ${figureWithUnit(rsi ?? 0, 'resistance', units)}`
      : figureWithUnit(conductivityWmK, 'conductivity', units);
  const [low, high] = conductivityRange ?? [];
  // What a library says of its range stands in its basis, in SI.
  const isSaid = !isOwn && units === 'metric';
  const range =
    low === undefined || high === undefined || isSaid
      ? ''
      : `, usually ${figureWithUnit(low, 'conductivity', units)} to ${figureWithUnit(high, 'conductivity', units)}`;
  return (
    <PickLine
      label={label}
      title={name}
      figure={conducts}
      detail={`${isOwn ? `Of this practice · ${MATERIAL_GROUP_WORDS[group]}` : MATERIAL_GROUP_WORDS[group]}${range}. ${basis[0]}.`}
      onPress={onPress}
    />
  );
}
