import { whereNothingIsDrawn } from '@calvet/contract/plan/undrawn';
import type { asDrawn, Drawn } from '@calvet/contract/plan/as-drawn';
import { createContext, use } from 'react';
import useSWR from 'swr';
import type { KeptHouseView } from './ledger-copy';
import { withTyped, type AllTyped } from './typing';

/** A house as screens see it: what its records leave to its drawing, filled in. */
export type HouseView = Drawn<KeptHouseView>;

/** What measures drawings. */
interface Measuring {
  readonly asDrawn: typeof asDrawn;
}

/** Fetches what measures drawings: no house without one needs it, and so no page loads it by itself. */
export type FetchMeasuring = () => Promise<Measuring>;

const MeasuringContext = createContext<FetchMeasuring>(() =>
  Promise.reject(new Error('This screen stands where nothing measures drawings.')),
);

/** Says to the screens within where what measures drawings comes from. */
export const MeasuringProvider = MeasuringContext.Provider;

/** It does not change while the page is open. */
const ONCE = { revalidateIfStale: false, revalidateOnFocus: false, revalidateOnReconnect: false } as const;

/** True where a drawing has something to say of a house. */
export const isDrawn = ({ storeys }: Pick<KeptHouseView, 'storeys'>): boolean => storeys.length > 0;

const filledIn = new WeakMap<KeptHouseView, HouseView>();

/** All of a view that a drawing is measured from. */
const MEASURED = ['house', 'areas', 'plans', 'storeys', 'zones', 'roofs', 'openings'] as const;

interface MeasuredLast {
  readonly view: KeptHouseView;
  readonly filled: HouseView;
}

/** What was measured last of a house. */
const measuredLast = new WeakMap<KeptHouseView['house'], MeasuredLast>();

/** A view with what its drawing says, as it was measured before where nothing of that changed. */
function measuredOnce(view: KeptHouseView, measuring: Measuring, typed: AllTyped): HouseView {
  if (typed.size > 0) return measuring.asDrawn(view, (area) => withTyped(area, typed));
  const last = measuredLast.get(view.house);
  if (last !== undefined && MEASURED.every((name) => last.view[name] === view[name])) {
    const { house, areas, roofs, drawing, drawn } = last.filled;
    return { ...view, house, areas, roofs, drawing, drawn };
  }
  const filled = measuring.asDrawn(view);
  measuredLast.set(view.house, { view, filled });
  return filled;
}

/** A view with what its drawing says; the same each time for one into which nothing is typed. Undefined where it cannot be measured yet. */
export function viewAsDrawn(
  view: KeptHouseView,
  measuring: Measuring | undefined,
  typed: AllTyped = new Map(),
): HouseView | undefined {
  const before = typed.size === 0 ? filledIn.get(view) : undefined;
  if (before !== undefined) return before;
  if (isDrawn(view) && measuring === undefined) return undefined;
  const filled: HouseView =
    isDrawn(view) && measuring !== undefined
      ? measuredOnce(view, measuring, typed)
      : { ...view, ...whereNothingIsDrawn(view), drawing: { state: 'none' }, drawn: new Map() };
  if (typed.size === 0) filledIn.set(view, filled);
  return filled;
}

/** What measures drawings, once it is needed and there. */
export function useMeasuring(isNeeded: boolean): {
  readonly measuring: Measuring | undefined;
  readonly error: Error | undefined;
  readonly retry: () => void;
} {
  const fetchMeasuring = use(MeasuringContext);
  const { data, error, mutate } = useSWR<Measuring, Error>(
    isNeeded ? 'what measures drawings' : null,
    fetchMeasuring,
    ONCE,
  );
  return { measuring: data, error, retry: () => void mutate() };
}
