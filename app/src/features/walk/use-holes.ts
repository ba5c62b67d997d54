import { itemId } from '@calvet/contract/plan/item-key';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import type { Work } from '@calvet/contract/plan/work';
import { areasAt, throughOf } from '@calvet/contract/walk/areas-at';
import type { AreaHere, HoleHere, StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { judgedPenetration, type JudgedPenetration } from '@calvet/contract/walk/judged-penetration';
import type { Penetration, PenetrationBody } from '@calvet/contract/walk/penetration';
import { Reopening } from '@calvet/contract/walk/reopened';
import { rulesHere, type RulesHere } from '@calvet/contract/walk/rules-here';
import { useCallback, useMemo } from 'react';
import { v7 } from 'uuid';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useNote } from '../../ui/undo';
import { useToday } from '../../ui/use-today';
import { stopName } from './place-bar';

/** Holes at one place that somebody recorded, each with how it is closed. */
export interface JudgedHole {
  readonly hole: Penetration;
  readonly judged: JudgedPenetration;
  /** What was connected through it since somebody looked; null: nothing. */
  readonly again: Work | null;
}

/** Holes at one place, and the ways to record them. */
export interface Holes {
  readonly here: readonly JudgedHole[];
  /** Planned, and not made yet as far as somebody said. */
  readonly toCome: readonly HoleHere[];
  /** What was recorded last in this house, anywhere; null: nothing yet. */
  readonly last: Penetration | null;
  /** Areas that the holes of this place may go through, the nearest first. */
  readonly areas: readonly AreaHere[];
  readonly judge: (hole: Penetration) => JudgedPenetration;
  readonly rules: RulesHere;
  /** Records one, and gives back its id. */
  readonly add: (what: Penetration['what']) => string;
  /** The same again as the last one. */
  readonly repeat: () => string | null;
  /** A planned one was made; gives back its id. */
  readonly make: (planned: HoleHere) => string;
  readonly remove: (hole: Penetration) => void;
  /** What was connected through a hole since somebody looked at it; null: nothing. */
  readonly againAfter: (hole: Penetration) => Work | null;
}

const MM_PER_M = 1000;

/** The holes of a house at one place of its walk. */
export function useHoles(
  view: HouseView,
  walk: Walk,
  {
    stop,
    phase,
    onDone,
  }: {
    readonly stop: StopHere;
    readonly phase: Phase;
    /** Told what was done, with its way back. */
    readonly onDone: (done: { readonly text: string; readonly undo: () => void }) => void;
  },
): Holes {
  const { createRecord, deleteRecord, restoreRecord } = useStore();
  const note = useNote();
  const today = useToday();
  const { penetrations } = view;
  const houseId = view.house.id;
  const barriers = useMemo(() => new Map(walk.areas.map(({ key, barrier }) => [key, barrier])), [walk]);
  const rules = rulesHere(view.plans[0]);
  const judge = useCallback(
    (hole: Penetration): JudgedPenetration => judgedPenetration(hole, barriers.get(hole.item) ?? null, rules),
    [barriers, rules],
  );
  const reopening = useMemo(() => new Reopening(view.works, walk, houseId), [view.works, walk, houseId]);
  const areas = useMemo(() => areasAt(stop, walk), [stop, walk]);
  const made = new Set(penetrations.map(({ planned }) => planned));
  const [nearest] = areas;
  const last = penetrations.at(-1) ?? null;
  const bare = (what: Penetration['what'], area: AreaHere | undefined): PenetrationBody => ({
    what,
    through: throughOf(area?.barrier ?? null),
    item: area?.key ?? 'house',
    stop: stop.key,
    placeName: stopName(stop),
    planned: null,
    count: 1,
    gapMm: null,
    perimeterMm: null,
    seals: [],
    flags: [],
    made: 'made',
    seenOn: today,
    decided: null,
    leakM3H: null,
    note: null,
  });
  const tell = (text: string, id: string): string => {
    let isTakenBack = false;
    const undo = (): void => {
      if (!isTakenBack) deleteRecord(houseId, 'penetration', id);
      isTakenBack = true;
    };
    note({ text, undo, isSaid: true });
    onDone({ text, undo });
    return id;
  };
  return {
    here: useMemo(
      () =>
        penetrations
          .filter((hole) => hole.stop === stop.key)
          .map((hole) => ({
            hole,
            judged: judge(hole),
            again: reopening.afterHole(hole),
          })),
      [penetrations, stop.key, judge, reopening],
    ),
    toCome: walk.holes.filter((hole) => hole.stop === stop.key && !made.has(hole.key)),
    last,
    areas,
    judge,
    rules,
    add: (what) => tell('hole', createRecord(houseId, 'penetration', bare(what, nearest))),
    repeat: () => {
      if (last === null) return null;
      const { what, through, gapMm, perimeterMm, seals, flags } = last;
      const body = {
        ...bare(what, nearest),
        through,
        gapMm,
        perimeterMm,
        flags,
        seals: seals.map((seal) => ({ ...seal, id: v7(), phase })),
      };
      return tell('hole', createRecord(houseId, 'penetration', body));
    },
    make: (planned) => {
      const on =
        areas.find(({ at }) => at.wall === planned.at.wall && at.roof === planned.at.roof) ?? nearest;
      const body = {
        ...bare(planned.what, on),
        planned: planned.key,
        count: planned.count,
        // What is planned is the width of the hole, and not of the gap round what goes through.
        perimeterMm: planned.widthM === null ? null : Math.round(Math.PI * planned.widthM * MM_PER_M),
        note: planned.name,
      };
      const id = itemId(houseId, `penetration/${planned.key}`);
      return tell('planned hole', createRecord(houseId, 'penetration', body, id));
    },
    againAfter: (hole) => reopening.afterHole(hole),
    remove: (hole) => {
      deleteRecord(houseId, 'penetration', hole.id);
      note({
        text: 'A hole was deleted.',
        undo: () => restoreRecord(houseId, 'penetration', hole.id),
      });
    },
  };
}
