import { LEAKS_MAX } from '../limits';
import { DRAUGHT } from '../cautions';
import { REFERENCE_AIR } from '../air/density';
import type { Finding } from '../finding';
import type { Operation, Progress } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  number,
  optional,
  outcome,
  part,
  positive,
  share,
  text,
  type Schema,
} from '../schema';
import type { Triangle } from '../random/distributions';
import { shortestList } from './shortest-list';
import { simulate, type LeakModel } from './simulate';

/** Something open that leaks, and what it takes to mend it. */
export interface OpenItem {
  readonly id: string;
  /** Leakage at 50 Pa. */
  readonly leakM3h?: Triangle;
  /** Effective leakage area at 4 Pa, instead. */
  readonly ela4M2?: Triangle;
  readonly minutes: number;
  /** Share of the leak that a mend takes off. */
  readonly effect?: Triangle;
}

export interface PathToTargetInput {
  readonly q50M3h: number;
  readonly standardErrorLnQ50: number;
  readonly limitM3h: number;
  readonly items: readonly OpenItem[];
  /** Ids of mends whose chance is asked. */
  readonly fixes?: readonly string[];
  /** Chance that the list must reach; 0.9 where left out. */
  readonly confidence?: number;
  readonly draws?: number;
  readonly seed?: number;
}

export interface PathToTarget {
  /** Share of draws whose items fit the test. */
  readonly keptShare: number;
  readonly scaled: boolean;
  readonly chanceNow: number;
  /** With everything mended. */
  readonly chanceAll: number;
  /** With the mends that were asked for. */
  readonly chanceFixes: number | null;
  readonly items: readonly {
    readonly id: string;
    readonly meanLeakM3h: number;
    readonly meanReductionM3h: number;
  }[];
  /** Fewest minutes that reach the confidence; best gain per minute first; null where nothing does. */
  readonly list: {
    readonly ids: readonly string[];
    readonly minutes: number;
    readonly chance: number;
  } | null;
  readonly findings: readonly Finding<'items-exceed-test' | 'target-out-of-reach'>[];
}

const DEFAULT_EFFECT: Triangle = { low: 0.6, likely: 0.9, high: 1 };
const CONFIDENCE = 0.9;
const SEED = 1;
const EXPONENT = 0.65;

/**
 * Leakage at 50 Pa (m³/h) of an effective leakage area at 4 Pa (m²).
 * @example leakOfEla4M3h(0.002) // 95.84
 */
export function leakOfEla4M3h(ela4M2: number): number {
  return ela4M2 * Math.sqrt((2 * 4) / REFERENCE_AIR.densityKgM3) * 3600 * (50 / 4) ** EXPONENT;
}

function ascending(triangle: Triangle, field: string): Triangle {
  if (triangle.low <= triangle.likely && triangle.likely <= triangle.high) return triangle;
  throw new Refusal('not-ascending', field, 'Give them rising: lowest, likeliest, highest.');
}

function leakOf({ leakM3h, ela4M2 }: OpenItem, field: string): Triangle {
  if (leakM3h !== undefined) {
    if (ela4M2 === undefined) return ascending(leakM3h, `${field}.leakM3h`);
    throw new Refusal('conflict', `${field}.leakM3h`, 'Give the leak as a flow or as an area, not both.');
  }
  if (ela4M2 === undefined) {
    throw new Refusal('required', `${field}.leakM3h`, 'Give the leak, as a flow at 50 Pa or as an area.');
  }
  const { low, likely, high } = ascending(ela4M2, `${field}.ela4M2`);
  return { low: leakOfEla4M3h(low), likely: leakOfEla4M3h(likely), high: leakOfEla4M3h(high) };
}

function modelsOf(items: readonly OpenItem[]): readonly LeakModel[] {
  const seen = new Set<string>();
  return items.map((item, i) => {
    const field = `items[${i}]`;
    if (seen.has(item.id)) {
      throw new Refusal('duplicate-id', `${field}.id`, 'This is in the list already.', { value: item.id });
    }
    seen.add(item.id);
    return {
      leak: leakOf(item, field),
      effect: ascending(item.effect ?? DEFAULT_EFFECT, `${field}.effect`),
    };
  });
}

function indicesOf(fixes: readonly string[], items: readonly OpenItem[]): readonly number[] {
  return fixes.map((id, i) => {
    const index = items.findIndex((item) => item.id === id);
    if (index >= 0) return index;
    throw new Refusal('unknown-reference', `fixes[${i}]`, 'There is no such item.', { value: id });
  });
}

function findingsOf(scaled: boolean, isOutOfReach: boolean): PathToTarget['findings'] {
  const findings: PathToTarget['findings'][number][] = [];
  if (scaled) {
    findings.push({
      rule: 'items-exceed-test',
      severity: 'warn',
      message: 'The open items add up to more than the test found: their leakage was scaled down to it.',
    });
  }
  if (isOutOfReach) {
    findings.push({
      rule: 'target-out-of-reach',
      severity: 'warn',
      message: 'All mends together do not reach the target with enough certainty: look for more leaks.',
    });
  }
  return findings;
}

/**
 * The chance of meeting an airtightness target, now, with chosen mends and with all, and the shortest list of mends
 * that reaches it. Monte Carlo with a seed: same input, same output. Flows in m³/h at 50 Pa.
 * @example pathToTarget(examples['pathToTarget.evaluate']).chanceNow // 0
 * @throws {Refusal} `required`, `conflict`, `not-ascending`, `duplicate-id`, `unknown-reference`
 */
export function pathToTarget(input: PathToTargetInput, progress: Progress = () => undefined): PathToTarget {
  const { q50M3h, standardErrorLnQ50, limitM3h, items, fixes, confidence = CONFIDENCE, seed = SEED } = input;
  const simulation = simulate(
    {
      q50M3h,
      standardErrorLnQ50,
      limitM3h,
      items: modelsOf(items),
      fixes: fixes === undefined ? null : indicesOf(fixes, items),
      seed,
    },
    input.draws,
    progress,
  );
  const found = shortestList(
    simulation,
    items.map(({ minutes }) => minutes),
    limitM3h,
    confidence,
  );
  const { keptShare, scaled, chanceNow, chanceAll, chanceFixes } = simulation;
  return {
    keptShare,
    scaled,
    chanceNow,
    chanceAll,
    chanceFixes,
    items: items.map(({ id }, i) => ({
      id,
      meanLeakM3h: simulation.meanLeakM3h[i] ?? 0,
      meanReductionM3h: simulation.meanReductionM3h[i] ?? 0,
    })),
    list:
      found === null
        ? null
        : {
            ids: found.items.map((i) => items[i]?.id ?? ''),
            minutes: found.minutes,
            chance: found.chance,
          },
    findings: findingsOf(scaled, found === null),
  };
}

const triangle = (corner: Schema): ReturnType<typeof fields<Triangle>> =>
  fields<Triangle>({ low: corner, likely: corner, high: corner });

export const pathToTargetOperation: Operation<PathToTargetInput, PathToTarget> = {
  words: {
    shelf: 'airtightness',
    title: 'Shortest way to the target',
    tells: 'The mends that reach the limit in the least time, and the chance that they do.',
    alsoCalled: 'air sealing, optimise, priorities, what to seal first, cheapest, ACH50, target',
    mainFigures: ['list.chance', 'list.ids', 'list.minutes', 'chanceNow'],
    caution: DRAUGHT,
  },
  schema: fields<PathToTargetInput>({
    q50M3h: as('q50', positive('flow')),
    standardErrorLnQ50: as('Standard error of q50', share()),
    limitM3h: as('q50 at the limit', positive('flow')),
    items: as(
      'Leaks',
      list(
        fields<OpenItem>({
          id: as('Name', text()),
          leakM3h: as('Leak at 50 Pa', optional(triangle(nonNegative('flow')))),
          ela4M2: as('Leak area, ELA at 4 Pa', optional(triangle(nonNegative('leakArea')))),
          minutes: positive('duration'),
          effect: as('Share that a mend closes', optional(triangle(share()))),
        }),
        1,
        LEAKS_MAX,
      ),
    ),
    fixes: as('Mends to try together', optional(list(text(), 0, LEAKS_MAX)), 'mend'),
    confidence: as('Chance to reach', optional(share())),
    draws: optional(number({ quantity: 'count', min: 1000, max: 1_000_000, whole: true })),
    seed: as('Seed of the draws', optional(number({ quantity: 'count', whole: true }))),
  }),
  run: pathToTarget,
  takesLong: true,
  output: outcome<PathToTarget>({
    keptShare: as('Draws kept', figure('share')),
    scaled: as('Leaks scaled to the test', boolean()),
    chanceNow: figure('share'),
    chanceAll: as('Chance with all mends', figure('share')),
    chanceFixes: as('Chance with these mends', optional(figure('share'))),
    items: as(
      'Leaks',
      list(
        part({
          id: as('Name', text()),
          meanLeakM3h: figure('flow'),
          meanReductionM3h: figure('flow'),
        }),
      ),
    ),
    list: as(
      'Shortest list',
      optional(
        part({
          ids: as('Mends', list(text())),
          minutes: figure('duration'),
          chance: figure('share'),
        }),
      ),
    ),
  }),
};
