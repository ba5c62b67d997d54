import type { CalendarHere } from '../calendar/calendar-here';
import type { Checkpoint } from '../catalogue/catalogue';
import { BARRIER_CHECKPOINT } from '../continuity/junction-states';
import { itemId, itemKey } from '../plan/item-key';
import type { OwnCheckpoint } from '../plan/own-checkpoint';
import type { Work } from '../plan/work';
import type { Trade } from '../plan/work-words';
import { notStored } from '../record';
import { withSealByWidth, BY_WIDTH } from '@calvet/core/penetrations/seal-by-width';
import { PENETRATION_WORDS, type PenetrationWhat } from '@calvet/core/penetrations/penetration-words';
import type { Walk } from '../walk/generate-walk';
import { judgedPenetration } from '../walk/judged-penetration';
import { newMend, type Mend, type MendState } from '../walk/mend';
import type { Penetration } from '../walk/penetration';
import { RULES_AS_GIVEN, type RulesHere } from '../walk/rules-here';
import type { Standing } from '../walk/standing-verdicts';
import { leakOfGap, leakOfHoles, type LeakRange } from './leak-range';

/** Something to be mended, with all that its trade has to know. */
export interface MendHere {
  /** What was added to it; of one to which nothing was, its record to be. */
  readonly record: Mend;
  readonly from: 'verdict' | 'penetration' | 'leak';
  /** Key of the checkpoint of a verdict; else null. */
  readonly checkpoint: string | null;
  readonly placeName: string;
  /** Key of the stop of the walk; null: it is gone. */
  readonly stop: string | null;
  readonly what: string;
  readonly why: string;
  readonly how: string;
  readonly trade: Trade;
  readonly minutes: number;
  readonly leak: LeakRange;
  readonly state: MendState;
  /** The work that covers it, and when that begins; null: none with a date. */
  readonly cover: { readonly work: Work; readonly start: string } | null;
  /** The last visit of its trade before that; null: none is planned, or nothing covers it. */
  readonly visit: Work | null;
  /** It is covered, and its trade does not come before. */
  readonly isUnvisited: boolean;
}

/** What is known of a house that has mends. */
export interface MendsKnown {
  readonly houseId: string;
  readonly standing: ReadonlyMap<string, Standing>;
  readonly penetrations: readonly Penetration[];
  readonly mends: readonly Mend[];
  readonly works: readonly Work[];
  readonly calendar: CalendarHere | null;
  readonly own: readonly OwnCheckpoint[];
  /** As the catalogue has them; undefined of one that it does not have, or while it is not read. */
  readonly checkpointOf: (id: string) => Checkpoint | undefined;
  /** As the house has them. */
  readonly rules?: RulesHere;
}

/** The id of what is added to the mend of a verdict or a penetration, the same on every device. */
export const mendId = (houseId: string, of: string): string => itemId(houseId, `mend/${of}`);

/** To close one hole, and each further one like it; our own estimate, to be changed at each mend. */
const FIRST_HOLE_MIN = 10;
const NEXT_HOLE_MIN = 3;
const LEAK_MIN = 20;
/** A leak of which no length is known. */
const LEAK_LENGTH_MM = 500;
const OWN_MIN = 20;

/** Whose licensed or usual work a hole is; else the air sealer's. */
const TRADE_OF: Readonly<Partial<Record<PenetrationWhat, Trade>>> = {
  box: 'electrician',
  recessedLight: 'electrician',
  gasPipe: 'plumber',
  radonPipe: 'plumber',
  flue: 'heating',
  duct: 'ventilation',
  hotDuct: 'ventilation',
  frameGap: 'windowFitter',
};

/** A mend before it is known what covers it. */
type Asked = Omit<MendHere, 'cover' | 'visit' | 'isUnvisited'> & { readonly coveredAs: string | null };

function ofVerdicts({ stops }: Walk, known: MendsKnown): readonly Asked[] {
  const { classes } = known.rules ?? RULES_AS_GIVEN;
  const stopOf = new Map(stops.flatMap(({ key, checkpoints }) => checkpoints.map((here) => [here.key, key])));
  const added = new Map(known.mends.flatMap((mend) => (mend.verdict === null ? [] : [[mend.verdict, mend]])));
  return [...known.standing].flatMap(([key, { counts }]): readonly Asked[] => {
    if (counts.value !== 'mend') return [];
    const of = known.checkpointOf(counts.checkpoint);
    const own = known.own.find(({ id }) => id === counts.checkpoint);
    const record = added.get(counts.id) ?? {
      ...newMend(counts.placeName, counts.seenOn),
      ...notStored(mendId(known.houseId, counts.id), known.houseId),
      verdict: counts.id,
      item: counts.item,
    };
    const reasons = [
      ...counts.reasons.map(({ name }) => name),
      ...(counts.note === null ? [] : [counts.note]),
    ];
    return [
      {
        record,
        from: 'verdict',
        checkpoint: key,
        placeName: counts.placeName,
        stop: stopOf.get(key) ?? null,
        what: record.what ?? of?.title ?? own?.title ?? 'A checkpoint that is no longer asked',
        why: record.why ?? (reasons.length > 0 ? reasons.join('; ') : (of?.why ?? '')),
        how: record.how ?? of?.good ?? '',
        trade: record.trade ?? of?.trade ?? own?.trade ?? 'airSealer',
        minutes: record.minutes ?? of?.typicalMinutes ?? OWN_MIN,
        leak: classes[record.leak ?? of?.leak ?? 'small'],
        state: record.state,
        coveredAs: key,
      },
    ];
  });
}

function ofPenetrations(walk: Walk, known: MendsKnown): readonly Asked[] {
  const rules = known.rules ?? RULES_AS_GIVEN;
  const areas = new Map(walk.areas.map((area) => [area.key, area.barrier]));
  const stops = new Set(walk.stops.map(({ key }) => key));
  const added = new Map(
    known.mends.flatMap((mend) => (mend.penetration === null ? [] : [[mend.penetration, mend]])),
  );
  return known.penetrations.flatMap((hole): readonly Asked[] => {
    const { verdict, planes } = judgedPenetration(hole, areas.get(hole.item) ?? null, rules);
    if (hole.made !== 'made' || verdict !== 'wrong') return [];
    const record = added.get(hole.id) ?? {
      ...newMend(hole.placeName, hole.seenOn),
      ...notStored(mendId(known.houseId, hole.id), known.houseId),
      penetration: hole.id,
      item: hole.item,
    };
    const [worst] = planes;
    const word = (PENETRATION_WORDS as Readonly<Record<string, string>>)[hole.what] ?? 'A hole';
    return [
      {
        record,
        from: 'penetration',
        checkpoint: null,
        placeName: hole.placeName,
        stop: stops.has(hole.stop) ? hole.stop : null,
        what: record.what ?? (hole.count > 1 ? `${hole.count} × ${word}` : word),
        why: record.why ?? worst?.reason ?? '',
        how: record.how ?? worst?.instead ?? '',
        trade: record.trade ?? TRADE_OF[hole.what] ?? 'airSealer',
        minutes: record.minutes ?? FIRST_HOLE_MIN + NEXT_HOLE_MIN * (hole.count - 1),
        leak: record.leak === null ? leakOfHoles(hole, verdict) : rules.classes[record.leak],
        state: record.state,
        coveredAs: itemKey.checkpoint(BARRIER_CHECKPOINT, hole.item),
      },
    ];
  });
}

function ofLeaks(walk: Walk, { mends, rules }: MendsKnown): readonly Asked[] {
  const { classes } = rules ?? RULES_AS_GIVEN;
  const stops = new Set(walk.stops.map(({ key }) => key));
  return mends
    .filter(({ verdict, penetration }) => verdict === null && penetration === null)
    .map((record): Asked => {
      const { leak, gapMm, lengthMm, item, stop } = record;
      const measured = gapMm === null ? classes.medium : leakOfGap(lengthMm ?? LEAK_LENGTH_MM, gapMm);
      return {
        record,
        from: 'leak',
        checkpoint: null,
        placeName: record.placeName,
        stop: stop !== null && stops.has(stop) ? stop : null,
        what: record.what ?? 'Leak',
        why: record.why ?? '',
        how: record.how ?? withSealByWidth(BY_WIDTH, 'board', gapMm ?? undefined),
        trade: record.trade ?? 'airSealer',
        minutes: record.minutes ?? LEAK_MIN,
        leak: leak === null ? measured : classes[leak],
        state: record.state,
        coveredAs: item === null ? null : itemKey.checkpoint(BARRIER_CHECKPOINT, item),
      };
    });
}

/** What covers a mend, and who comes before. */
function covered(asked: Asked, { calendar, works }: MendsKnown): MendHere {
  const { coveredAs, ...mend } = asked;
  const bare: MendHere = { ...mend, cover: null, visit: null, isUnvisited: false };
  if (calendar?.state !== 'dated' || coveredAs === null) return bare;
  const dates = calendar.works;
  const work = works.find(({ id }) => id === calendar.covers.get(coveredAs));
  const start = work === undefined ? null : (dates.get(work.id)?.start ?? null);
  if (work === undefined || start === null) return bare;
  const visits = works.filter((each) => {
    const begins = dates.get(each.id)?.start ?? null;
    return (
      each.id !== work.id &&
      each.trade === mend.trade &&
      each.doneOn === null &&
      begins !== null &&
      begins < start
    );
  });
  const visit =
    visits.sort((a, b) => ((dates.get(a.id)?.start ?? '') < (dates.get(b.id)?.start ?? '') ? 1 : -1))[0] ??
    null;
  return { ...bare, cover: { work, start }, visit, isUnvisited: visit === null };
}

const LAST = '9999';

/**
 * All that is to be mended in a house, in the order that matters: what is covered first, then what saves most for each minute,
 * then as the house is walked.
 */
export function mendList(walk: Walk, known: MendsKnown): readonly MendHere[] {
  const order = new Map(walk.stops.map(({ key }, i) => [key, i]));
  const at = ({ stop }: MendHere): number => order.get(stop ?? '') ?? walk.stops.length;
  const gain = ({ leak, minutes }: MendHere): number => leak.likely / Math.max(1, minutes);
  return [...ofVerdicts(walk, known), ...ofPenetrations(walk, known), ...ofLeaks(walk, known)]
    .map((asked) => covered(asked, known))
    .sort((a, b) => {
      const [one, other] = [a.cover?.start ?? LAST, b.cover?.start ?? LAST];
      if (one !== other) return one < other ? -1 : 1;
      return gain(b) - gain(a) || at(a) - at(b);
    });
}
