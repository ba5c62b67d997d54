import { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
import { figure, id, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { FEATURES_MAX, NAME_MAX, WALL_LENGTH_MAX_M } from '../limits';
import type { Stored } from '../record';

/** What a house has beside what is drawn of it, by where it is put, in words. */
export const FEATURE_WORDS = {
  bayWindow: 'Bay window',
  porchRoof: 'Porch or lean-to roof against the wall',
  dormer: 'Dormer',
  overhangAddedLater: 'Roof overhang added later',
  parapet: 'Parapet',
  buriedRoofBarrier: 'Barrier under a later roof or deck',
  wallNotReachable: 'Wall nobody can reach once it stands',
  ventedEaves: 'Vented eaves',
  windTightUnderlay: 'Underlay as wind stop',
  roofLineInsulated: 'Roof deck insulated, attic indoors',
  kneeWall: 'Knee wall',
  skylightShaft: 'Light shaft through an attic',
  tubOnOuterWall: 'Tub on an outer wall',
  showerOnOuterWall: 'Shower on an outer wall',
  fireplace: 'Fireplace on an outer wall',
  stairOnOuterWall: 'Stair on an outer wall',
  bathOnFramedFloor: 'Bathroom on a framed floor',
  pocketDoor: 'Pocket door reaching an outer wall',
  wallNiche: 'Niche in an outer wall',
  serviceChase: 'Chase to attic, cold floor or outer wall',
  dropCeiling: 'Dropped ceiling or boxed-in soffit',
  equipmentBoard: 'Equipment board on an outer wall',
  partitionsMeetingEnvelope: 'Inner walls that meet the envelope',
  soundPartitions: 'Inner walls in the sound scope',
  basementStair: 'Stair down to an unheated basement',
  slabDuct: 'Ducts or island pipes through the slab',
  serviceSleeve: 'Service sleeve to an outdoor unit',
  radonStack: 'Radon pipe',
  flue: 'Flue or chimney',
  combustionAppliance: 'Appliance that burns fuel',
  recessedLights: 'Recessed lights in the top ceiling',
  ductedVentilation: 'Ducted ventilation',
  throughWallFan: 'Fans through the wall',
  joistHangersInMasonry: 'Joist hangers built into masonry',
  ledgerOnMasonry: 'Joist ledger fixed to masonry',
  steelThroughWall: 'Steel through the wall',
  rainGap: 'Vented gap behind the cladding',
  loggerInAssembly: 'Logger left inside a wall or roof',
  existingHouse: 'House or part from before this job',
  plannedService: 'Planned service',
} as const;

export type FeatureUse = keyof typeof FEATURE_WORDS;

/** What a planned service brings through the envelope. */
export type ServiceWhat = keyof typeof SERVICE_WORDS;

/** Something of a house that calls for a look of its own, and where it is. */
export interface FeatureBody {
  readonly use: FeatureUse;
  /** Of a planned service: what comes through; else null. */
  readonly what: ServiceWhat | null;
  /** Null: told by its use and where it is. */
  readonly name: string | null;
  /** Id of the wall, the storey or the roof that it is on; of the house where it is no one place. */
  readonly on: string;
  /** From the start of its wall to its middle; null: somewhere. */
  readonly alongM: number | null;
  readonly count: number;
  /** Of a hole that a planned service needs; null: not known. */
  readonly widthM: number | null;
  /** Between joists whose ends are built in, two hangers to each; null: as many as the count says. */
  readonly spacingM: number | null;
}

export type Feature = Stored<FeatureBody>;

export const feature = kindOf<FeatureBody>()({
  word: 'Feature',
  ledger: 'house',
  list: 'features',
  title: ['name', 'use'],
  order: 'as made',
  page: 'built',
  isShown: false,
  fields: {
    use: option('What it is', FEATURE_WORDS),
    what: orNull(option('What comes through', SERVICE_WORDS)),
    name: said('Name', NAME_MAX),
    on: id('On'),
    alongM: orNull(figure('Along its wall', 'length', { min: 0, max: WALL_LENGTH_MAX_M })),
    count: figure('Count', 'count', { min: 1, max: FEATURES_MAX, whole: true }),
    widthM: orNull(figure('Width of the hole', 'thickness', { above: 0, max: 3 })),
    spacingM: orNull(figure('Spacing', 'length', { above: 0, max: 10 })),
  },
});

/** A feature of a kind, somewhere, nothing else said. */
export const newFeature = (use: FeatureUse, on: string): FeatureBody => ({
  use,
  what: null,
  name: null,
  on,
  alongM: null,
  count: 1,
  widthM: null,
  spacingM: null,
});
