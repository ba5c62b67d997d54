import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Subject } from '@calvet/contract/catalogue/catalogue';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import type { CheckpointHere, StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { photosToJudge, takenOn } from '@calvet/contract/walk/by-photo';
import { itemId } from '@calvet/contract/plan/item-key';
import { isLeft, type Look } from '@calvet/contract/walk/looks';
import { askedAt, askedOn, nextLeft, partOf, phasesNow, type Round } from '@calvet/contract/walk/round';
import { VERDICT_WORDS, type VerdictValue } from '@calvet/contract/walk/verdict';
import { useMemo, useState } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { keepWalkPlace, useWalkPlace, type WalkPlace } from '../../data/walk-place';
import { useSettling } from '../../ui/use-settling';
import { useLooks } from '../stops/use-looks';
import { useVerdicts, type HowToGive } from '../stops/use-verdicts';

/** Somebody who presses twice means once: so long after moving on, nothing that is pressed counts. */
const SETTLING_MS = 300;

/** What was done last, and the way back. */
interface Said {
  readonly text: string;
  readonly undo: () => void;
  /** Where a verdict was given: one goes back there. */
  readonly at?: { readonly stop: string; readonly checkpoint: string };
}

/** Where somebody is on the walk, what they look at, and how they go on. */
export interface Walking {
  readonly stop: StopHere;
  /** Of all stops, from 1. */
  readonly number: number;
  /** What is asked here on this round. */
  readonly asked: readonly CheckpointHere[];
  /** What is looked at now; null: nothing is asked here. */
  readonly current: CheckpointHere | null;
  readonly looks: ReadonlyMap<string, Look>;
  readonly round: Round;
  readonly leftHere: number;
  /** Left on this part of the house, and on the whole round. */
  readonly leftOnPart: number;
  readonly leftOnRound: number;
  /** Something is to be mended here and is being told. */
  readonly isTelling: boolean;
  readonly said: Said | null;
  /** What the stop was called that one was at and that is gone from the drawing; null: it is there. */
  readonly goneStop: string | null;
  readonly give: (value: VerdictValue, how?: HowToGive) => void;
  /** How many photos of places wait for somebody to judge them. */
  readonly photosLeft: number;
  /** Photos are judged, and no place is walked. */
  readonly isByPhoto: boolean;
  readonly judgeByPhoto: (isByPhoto: boolean) => void;
  readonly goOn: () => void;
  readonly goTo: (stop: string, checkpoint?: string | null) => void;
  /** To the stop before, or after. */
  readonly step: (by: 1 | -1) => void;
  /** To the checkpoint before, or after, at this stop. */
  readonly stepHere: (by: 1 | -1) => void;
  readonly takeBack: () => void;
  /** Something else was done here, with its way back. */
  readonly tell: (said: Pick<Said, 'text' | 'undo'>) => void;
  readonly choosePhase: (part: string, phase: Phase) => void;
  readonly chooseSubject: (subject: Subject | null) => void;
  /** Each part of the house goes on with the first phase in which something is left. */
  readonly beginNextRound: () => void;
}

/** What somebody chose before holds as long as something is left in it. */
function phasesToBegin(
  stops: readonly StopHere[],
  looks: ReadonlyMap<string, Look>,
  chosen: Readonly<Record<string, Phase>> = {},
): ReadonlyMap<string, Phase> {
  const now = phasesNow(stops, looks);
  const isOpen = (part: string, phase: Phase): boolean =>
    stops.some(
      (stop) =>
        partOf(stop) === part &&
        stop.checkpoints.some((here) => here.phase === phase && isLeft(looks.get(here.key))),
    );
  return new Map([...now, ...Object.entries(chosen).filter(([part, phase]) => isOpen(part, phase))]);
}

/** The walk of a house, one place at a time. It is resumed where somebody left it on this device. */
export function useWalking(view: HouseView, walk: Walk, calendar: CalendarHere | null): Walking {
  const { stops } = walk;
  const houseId = view.house.id;
  const { standing, give } = useVerdicts(view, walk);
  const looks = useLooks(view, walk, calendar, standing);
  const place = useWalkPlace(houseId);
  // A part of the house stays at its phase until somebody goes on, also once nothing is left in it.
  const [phases, setPhases] = useState(() => phasesToBegin(stops, looks, place?.phases));
  const subject = place?.subject ?? null;
  /** What is judged by photos alone, as it was when somebody began; null: they walk. */
  const [only, setOnly] = useState<ReadonlySet<string> | null>(null);
  const toJudge = useMemo(
    () => photosToJudge(walk, houseId, view.photos, looks),
    [walk, houseId, view.photos, looks],
  );
  const round = useMemo(
    (): Round => ({ phases, subject, ...(only === null ? {} : { only }) }),
    [phases, subject, only],
  );
  const [telling, setTelling] = useState<string | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const settling = useSettling(SETTLING_MS);
  const onRound = useMemo(() => askedOn(stops, round), [stops, round]);

  const first = nextLeft(stops, onRound, looks, { stop: '', key: null }) ?? onRound[0];
  const kept = stops.find(({ key }) => key === place?.stop);
  const stop = kept ?? first?.stop ?? stops[0];
  if (stop === undefined) throw new Error('A walk has at least the stop of the whole house.');
  const asked = askedAt(stop, round);
  const here = asked.find(({ key }) => key === place?.checkpoint);
  const current = here ?? asked.find(({ key }) => isLeft(looks.get(key))) ?? asked[0] ?? null;
  const part = partOf(stop);
  const isLeftHere = ({ key }: CheckpointHere): boolean => isLeft(looks.get(key));
  const left = onRound.filter((each) => isLeftHere(each.here));

  const keep = (change: Partial<WalkPlace>): void =>
    keepWalkPlace(houseId, {
      stop: stop.key,
      name: stop.name,
      checkpoint: current?.key ?? null,
      phases: Object.fromEntries(phases),
      subject,
      ...change,
    });
  const photosOf = (key: string) => {
    const id = itemId(houseId, key);
    return view.photos.filter((photo) => photo.subject.id === id);
  };
  const goTo = (to: string, checkpoint: string | null = null): void => {
    const target = stops.find(({ key }) => key === to);
    if (target === undefined) return;
    setTelling(null);
    settling.begin();
    keep({ stop: to, name: target.name, checkpoint });
  };
  /** On another round one goes on with what is left on it here, else at the next place. */
  const goOnWith = (next: Round): void => {
    setPhases(next.phases);
    setTelling(null);
    const to = nextLeft(stops, askedOn(stops, next), looks, { stop: stop.key, key: null });
    keep({
      phases: Object.fromEntries(next.phases),
      subject: next.subject,
      checkpoint: to?.here.key ?? null,
      ...(to === null ? {} : { stop: to.stop.key, name: to.stop.name }),
    });
  };
  const goOn = (): void => {
    const next = nextLeft(stops, onRound, looks, { stop: stop.key, key: current?.key ?? null });
    if (next === null) setTelling(null);
    else goTo(next.stop.key, next.here.key);
  };
  const step = (by: 1 | -1): void => {
    const to = stops[(stops.indexOf(stop) + by + stops.length) % stops.length];
    if (to !== undefined) goTo(to.key);
  };
  return {
    stop,
    number: stops.indexOf(stop) + 1,
    asked,
    current,
    looks,
    round,
    leftHere: asked.filter(isLeftHere).length,
    leftOnPart: left.filter((each) => partOf(each.stop) === part).length,
    leftOnRound: left.length,
    isTelling: telling !== null && telling === current?.key,
    said,
    goneStop: place !== null && kept === undefined ? place.name : null,
    give: (value, how = {}) => {
      if (current === null || !settling.isOver()) return;
      const look = looks.get(current.key);
      const photo = only === null ? undefined : photosOf(current.key).at(-1);
      const judged: HowToGive =
        photo === undefined
          ? {}
          : { looked: 'byPhoto', photo: photo.id, seenOn: takenOn(photo) ?? undefined };
      const undo = give(current, value, {
        ...judged,
        ...how,
        isSaid: true,
        isAnew: look?.state === 'again' || look?.state === 'covered',
      });
      if (undo !== null)
        setSaid({
          text: VERDICT_WORDS[value],
          undo,
          at: { stop: stop.key, checkpoint: current.key },
        });
      if (value === 'mend') {
        keep({});
        setTelling(current.key);
      } else goOn();
    },
    photosLeft: toJudge.size,
    isByPhoto: only !== null,
    judgeByPhoto: (isByPhoto) => {
      const keys = isByPhoto ? new Set(toJudge.keys()) : null;
      setOnly(keys);
      goOnWith({ phases, subject, ...(keys === null ? {} : { only: keys }) });
    },
    goOn,
    goTo,
    step,
    stepHere: (by) => {
      const at = current === null ? -1 : asked.indexOf(current);
      const to = asked[at + by];
      if (to !== undefined) goTo(stop.key, to.key);
    },
    takeBack: () => {
      if (said === null) return;
      said.undo();
      setSaid(null);
      if (said.at !== undefined) goTo(said.at.stop, said.at.checkpoint);
    },
    tell: setSaid,
    choosePhase: (of, phase) => goOnWith({ phases: new Map([...phases, [of, phase]]), subject }),
    chooseSubject: (next) => goOnWith({ phases, subject: next }),
    beginNextRound: () => goOnWith({ phases: phasesNow(stops, looks), subject: null }),
  };
}
