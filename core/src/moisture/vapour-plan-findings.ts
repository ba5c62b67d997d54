import { exceeds, fallsBelow, type Finding } from '../finding';
import { isVariable, type PlannedLayer } from './vapour-layer';
import type { Drive, VapourPlane } from './vapour-plan';

export type VapourPlanRule =
  | 'foam-too-thin'
  | 'control-too-cold'
  | 'no-control-inside'
  | 'outer-layer-tighter'
  | 'tight-inside-inward-drive'
  | 'vapour-trap'
  | 'variable-behind-tight';

export type VapourPlanFinding = Finding<VapourPlanRule>;

/** What the rules look at. */
export interface SortedPlan {
  readonly layers: readonly PlannedLayer[];
  readonly drive: Drive;
  readonly control: PlannedLayer | null;
  readonly plane: VapourPlane | null;
  readonly tightSdM: number;
  readonly controlSdM: number;
}

type Rule = (plan: SortedPlan) => readonly VapourPlanFinding[];

const planeLayer = ({ layers, plane }: SortedPlan): PlannedLayer | undefined =>
  plane === null ? undefined : layers[plane.layer];

/** Finding at a plane that is too cold: the share of R outside of it, against the least. */
const atPlane = (
  { plane }: SortedPlan,
  rule: VapourPlanRule,
  severity: 'fail' | 'warn',
  message: string,
): readonly VapourPlanFinding[] =>
  plane === null
    ? []
    : [
        {
          rule,
          severity,
          message,
          value: plane.shareOutside,
          ...(plane.leastShareOutside === null ? {} : { limit: plane.leastShareOutside }),
          layer: plane.layer,
        },
      ];

const coldFoam: Rule = (plan) =>
  plan.plane?.holds === false && planeLayer(plan)?.kind === 'foam'
    ? atPlane(
        plan,
        'foam-too-thin',
        plan.control === null ? 'fail' : 'warn',
        'The foam is too thin for what lies inside of it: its inner face falls below the dew point of the rooms.',
      )
    : [];

const coldControl: Rule = (plan) =>
  plan.plane?.holds === false && plan.control?.at === plan.plane.layer
    ? atPlane(
        plan,
        'control-too-cold',
        'fail',
        'The layer that controls vapour lies too far out: it is colder than the dew point of the rooms.',
      )
    : [];

const noControl: Rule = (plan) =>
  plan.plane?.holds === false && plan.control === null
    ? atPlane(
        plan,
        'no-control-inside',
        'warn',
        'Nothing on the warm side keeps vapour from a layer that falls below the dew point of the rooms.',
      )
    : [];

const tighterOutside: Rule = (plan) => {
  const { layers, control, plane } = plan;
  if (control === null) return [];
  const upTo = plane?.holds === true ? plane.layer : layers.length;
  const tighter = layers.find(
    ({ at, kind, sdDryM }) =>
      at > control.at && at < upTo && kind !== 'foam' && exceeds(sdDryM, control.sdDryM),
  );
  if (tighter === undefined) return [];
  return [
    {
      rule: 'outer-layer-tighter',
      severity: 'warn',
      message: 'A layer further out is tighter than the one that controls vapour: what gets in dries slowly.',
      value: tighter.sdDryM,
      limit: control.sdDryM,
      layer: tighter.at,
    },
  ];
};

const tightInside: Rule = ({ layers, tightSdM }) => {
  const tight = layers.find(({ isInside, sdDampM }) => isInside && !fallsBelow(sdDampM, tightSdM));
  if (tight === undefined) return [];
  return [
    {
      rule: 'tight-inside-inward-drive',
      severity: 'warn',
      message: 'Vapour is driven inwards here, and a tight layer inside holds it: it condenses behind it.',
      value: tight.sdDampM,
      limit: tightSdM,
      layer: tight.at,
    },
  ];
};

const trap: Rule = ({ layers, tightSdM }) => {
  const tight = layers.filter(({ sdDampM }) => !fallsBelow(sdDampM, tightSdM));
  const outer = tight.find(({ at }, i) => i > 0 && at - (tight[i - 1]?.at ?? at) > 1);
  if (outer === undefined) return [];
  return [
    {
      rule: 'vapour-trap',
      severity: 'warn',
      message: 'Two tight layers hold what lies between them: moisture that gets in cannot dry out.',
      limit: tightSdM,
      layer: outer.at,
    },
  ];
};

const variableShutIn: Rule = ({ layers, tightSdM, controlSdM }) => {
  const variable = layers.find(
    (layer) =>
      isVariable(layer) &&
      !fallsBelow(layer.sdDryM, controlSdM) &&
      layers.some(({ at, sdDampM }) => at < layer.at && !fallsBelow(sdDampM, tightSdM)),
  );
  if (variable === undefined) return [];
  return [
    {
      rule: 'variable-behind-tight',
      severity: 'warn',
      message: 'The membrane opens when damp, but a tight layer inside of it keeps it from drying inwards.',
      limit: tightSdM,
      layer: variable.at,
    },
  ];
};

/**
 * Where a build-up contradicts the way in which it is kept dry.
 * @example vapourPlanFindings({ layers: [], drive: 'both', control: null, plane: null, tightSdM: 3.5, controlSdM: 0.5 }) // []
 */
export function vapourPlanFindings(plan: SortedPlan): readonly VapourPlanFinding[] {
  const unlessInward: readonly Rule[] = [coldFoam, coldControl, noControl, tighterOutside];
  const rules: readonly Rule[] = [
    ...(plan.drive === 'inward' ? [] : unlessInward),
    ...(plan.drive === 'outward' ? [] : [tightInside]),
    trap,
    variableShutIn,
  ];
  return rules.flatMap((rule) => rule(plan));
}
