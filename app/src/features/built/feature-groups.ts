import type { FeatureUse } from '@calvet/contract';
import type { HousePart } from './parts-of-house';

interface FeatureGroup {
  readonly title: string;
  readonly uses: readonly FeatureUse[];
}

/** What a house may have, by what one looks through a drawing for. */
export const FEATURE_GROUPS: readonly FeatureGroup[] = [
  {
    title: 'Against outer walls',
    uses: [
      'tubOnOuterWall',
      'showerOnOuterWall',
      'fireplace',
      'stairOnOuterWall',
      'pocketDoor',
      'wallNiche',
      'equipmentBoard',
      'partitionsMeetingEnvelope',
      'wallNotReachable',
    ],
  },
  {
    title: 'Floors, ceilings, hidden spaces',
    uses: [
      'bathOnFramedFloor',
      'dropCeiling',
      'serviceChase',
      'basementStair',
      'slabDuct',
      'soundPartitions',
      'recessedLights',
    ],
  },
  {
    title: 'Roofs',
    uses: [
      'ventedEaves',
      'windTightUnderlay',
      'roofLineInsulated',
      'kneeWall',
      'skylightShaft',
      'overhangAddedLater',
      'parapet',
      'buriedRoofBarrier',
    ],
  },
  { title: 'Projections', uses: ['bayWindow', 'porchRoof', 'dormer'] },
  {
    title: 'Services',
    uses: [
      'plannedService',
      'serviceSleeve',
      'radonStack',
      'flue',
      'combustionAppliance',
      'ductedVentilation',
      'throughWallFan',
    ],
  },
  {
    title: 'Structure and rest',
    uses: [
      'joistHangersInMasonry',
      'ledgerOnMasonry',
      'steelThroughWall',
      'rainGap',
      'loggerInAssembly',
      'existingHouse',
    ],
  },
];

const ROOFS: ReadonlySet<FeatureUse> = new Set([
  'ventedEaves',
  'windTightUnderlay',
  'roofLineInsulated',
  'kneeWall',
  'skylightShaft',
  'overhangAddedLater',
  'parapet',
  'buriedRoofBarrier',
  'dormer',
  'recessedLights',
]);
const HOUSE_OR_STOREY: ReadonlySet<FeatureUse> = new Set([
  'combustionAppliance',
  'ductedVentilation',
  'existingHouse',
  'soundPartitions',
  'dropCeiling',
  'slabDuct',
  'basementStair',
  'bathOnFramedFloor',
]);

/** The kind of part that something is put on first; it may be moved to any other. */
export function usualPart(use: FeatureUse): HousePart['kind'] {
  if (ROOFS.has(use)) return 'roof';
  if (use === 'radonStack' || use === 'rainGap') return 'house';
  return HOUSE_OR_STOREY.has(use) ? 'storey' : 'wall';
}
