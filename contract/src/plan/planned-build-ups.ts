import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { v7 } from 'uuid';
import type { BuildUp } from '../installation/area';
import type { PlannedBuildUp } from './plan';

/** The build-ups of a drawing where every area of a kind that names no other has this one. */
export function withPlannedBuildUp(
  all: readonly PlannedBuildUp[],
  use: EnvelopeKind,
  buildUp: BuildUp,
): readonly PlannedBuildUp[] {
  const at = all.findIndex((each) => each.use === use);
  return at === -1
    ? [...all, { ...buildUp, id: v7(), use }]
    : all.map((each, i) => (i === at ? { ...each, ...buildUp } : each));
}
