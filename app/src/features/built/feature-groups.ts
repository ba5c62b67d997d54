import type { FeatureUse } from '@calvet/contract/plan/feature';
import type { HousePart } from './parts-of-house';

interface FeatureGroup {
  readonly title: string;
  /** The kind of part that these are put on first. */
  readonly part: HousePart['kind'];
  readonly uses: readonly FeatureUse[];
}

/** What a house may have, by what one looks through a drawing for. */
export const FEATURE_GROUPS: readonly FeatureGroup[] = [
  {
    title: 'Against outer walls',
    part: 'wall',
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
    part: 'storey',
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
    part: 'roof',
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
  { title: 'Projections', part: 'wall', uses: ['bayWindow', 'porchRoof', 'dormer'] },
  {
    title: 'Services',
    part: 'wall',
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
    part: 'wall',
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

/** Where something is put first that is not where the rest of its group is. */
const ELSEWHERE: Partial<Readonly<Record<FeatureUse, HousePart['kind']>>> = {
  serviceChase: 'wall',
  recessedLights: 'roof',
  dormer: 'roof',
  combustionAppliance: 'storey',
  ductedVentilation: 'storey',
  existingHouse: 'storey',
  radonStack: 'house',
  rainGap: 'house',
};

/** The kind of part that something is put on first; it may be moved to any other. */
export const usualPart = (use: FeatureUse): HousePart['kind'] =>
  ELSEWHERE[use] ?? FEATURE_GROUPS.find(({ uses }) => uses.includes(use))?.part ?? 'wall';
