import type { BlowingAgent } from '@calvet/core/thermal/carbon';
import { figure, group, orNull, said, unsaid, type FieldsOf } from '../kind/field';
import { MATERIAL_ID_MAX } from '../limits';

/**
 * What something that is built in is made of, beside what it does against heat: its own copy of the figures, so that nothing
 * which is changed in a library changes a record. Null: not known.
 */
export interface Matter {
  /** Of the library, or of a practice's own material, where the figures were taken from. */
  readonly materialId: string | null;
  /** Vapour-diffusion thickness, dry and damp. */
  readonly sdDryM: number | null;
  readonly sdDampM: number | null;
  readonly densityKgM3: number | null;
  /** Emitted in making a cubic metre, without what is stored. */
  readonly carbonKgM3: number | null;
  readonly storedKgM3: number | null;
  /** Gas that it was blown with. */
  readonly agent: BlowingAgent | null;
}

/** Of what nothing is known beside what it does against heat. */
export const NO_MATTER: Matter = {
  materialId: null,
  sdDryM: null,
  sdDampM: null,
  densityKgM3: null,
  carbonKgM3: null,
  storedKgM3: null,
  agent: null,
};

const sd = (label: string) => unsaid(orNull(figure(label, 'vapourThickness', { min: 0, max: 1e5 })), null);
const perVolume = (label: string, max: number) =>
  unsaid(orNull(figure(label, 'density', { min: 0, max })), null);

/** What each figure of {@link Matter} is given by. */
export const matterFields: FieldsOf<Matter> = {
  materialId: unsaid(said('material', MATERIAL_ID_MAX), null),
  sdDryM: sd('sd dry'),
  sdDampM: sd('sd damp'),
  densityKgM3: perVolume('density', 3e4),
  carbonKgM3: perVolume('emitted', 1e6),
  storedKgM3: perVolume('stored', 1e5),
  agent: unsaid(
    orNull(
      group<BlowingAgent>('blowing agent', {
        kgM3: figure('', 'density', { min: 0, max: 1e4 }),
        gwp: figure('warming', 'plain', { min: 0, max: 1e5 }),
        lostShare: figure('lost', 'share', { min: 0, max: 1 }),
      }),
    ),
    null,
  ),
};
