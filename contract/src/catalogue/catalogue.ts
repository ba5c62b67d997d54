import type { Phase } from '../plan/own-checkpoint';
import type { CoverEvent, Trade } from '../plan/work-words';
import file from './catalogue.json';

const { lists } = file;

/** What of a house calls for a checkpoint. */
export type Need = keyof typeof lists.needs;

type Groups = typeof lists.schools;
/** A way to build that calls for a checkpoint. */
export type SchoolWord = { [G in keyof Groups]: keyof Groups[G] }[keyof Groups];

export type Subject = keyof typeof lists.subject;
/** From where something is seen. */
export type SeenFrom = keyof typeof lists.from;
export type Evidence = keyof typeof lists.evidence;
/** Class of leakage at 50 Pa of one place where a checkpoint fails. */
export type LeakClass = keyof typeof lists.leak;

/** Where a checkpoint is put. */
export type PutAt =
  'perHouse' | 'perStorey' | 'perWall' | 'perArea' | 'perOpening' | 'perFeature' | 'perJunction';

/** One thing that a person can judge on the spot. Its id is for ever; its texts may be improved. */
export interface Checkpoint {
  readonly id: string;
  /** What should be true. */
  readonly title: string;
  readonly phase: Phase;
  readonly subject: Subject;
  readonly at: PutAt;
  readonly from: SeenFrom;
  /** Any one of them calls for it; none: it is always called for. */
  readonly needs: readonly Need[];
  /** Any one word of each group that is named calls for it; none: however it is built. */
  readonly schools: readonly SchoolWord[];
  readonly what: string;
  readonly good: string;
  readonly fails: readonly string[];
  readonly why: string;
  /** The first is offered first. */
  readonly evidence: readonly Evidence[];
  readonly trade: Trade;
  readonly coverEvent: CoverEvent;
  readonly beyondMinimum: boolean;
  readonly caution: string | null;
  /** To mend one ordinary failure at one place; our estimate. */
  readonly typicalMinutes: number;
  readonly leak: LeakClass;
}

/** Changes when its texts or entries do. */
export const CATALOGUE_VERSION: number = file.version;

/** In the order in which they are shown within one place and phase. */
export const CHECKPOINTS = file.checkpoints as readonly Checkpoint[];

/** The words of the catalogue, with what they are called. */
export const CATALOGUE_WORDS = lists;

const GROUP_OF = new Map(
  Object.entries(lists.schools).flatMap(([group, words]) =>
    Object.keys(words).map((word) => [word, group] as const),
  ),
);

/** The words of a checkpoint by their groups. */
const schoolGroups = new Map(
  CHECKPOINTS.map(({ id, schools }) => {
    const groups = new Map<string, SchoolWord[]>();
    for (const word of schools) {
      const group = GROUP_OF.get(word) ?? '';
      groups.set(group, [...(groups.get(group) ?? []), word]);
    }
    return [id, [...groups.values()]] as const;
  }),
);

/** True where a way to build calls for a checkpoint: any word inside a group, every group that it names. */
export const suitsSchools = ({ id }: Pick<Checkpoint, 'id'>, built: ReadonlySet<SchoolWord>): boolean =>
  (schoolGroups.get(id) ?? []).every((words) => words.some((word) => built.has(word)));

/** True where what is there calls for a checkpoint. */
export const suitsNeeds = ({ needs }: Pick<Checkpoint, 'needs'>, has: (need: Need) => boolean): boolean =>
  needs.length === 0 || needs.some(has);
