import { CARBON_LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, nonNegative, optional, outcome, part, positive, share } from '../schema';

/** Gas that a foam was blown with. */
export interface BlowingAgent {
  /** In a cubic metre of foam. */
  readonly kgM3: number;
  /** Warming of a kilogram of it, in kilograms of CO₂, over a hundred years. */
  readonly gwp: number;
  /** What escapes over the life of the foam. */
  readonly lostShare: number;
}

export interface CarbonLayer {
  readonly thicknessM: number;
  /** Of the face: 0.2 for studs that take a fifth of it; 1 where left out. */
  readonly share?: number;
  /** Emitted in making a cubic metre, kg CO₂e; never below 0. */
  readonly carbonKgM3: number;
  /** Held in a cubic metre of plant matter, kg CO₂. */
  readonly storedKgM3?: number;
  readonly agent?: BlowingAgent;
}

export interface CarbonInput {
  readonly layers: readonly CarbonLayer[];
  readonly effectiveRsi?: number;
}

export interface LayerCarbon {
  readonly emittedKgM2: number;
  readonly agentKgM2: number;
  readonly storedKgM2: number;
}

export interface Carbon extends LayerCarbon {
  readonly layers: readonly LayerCarbon[];
  /** Emitted with the agent, for each m²·K/W; null without an effective R. */
  readonly emittedPerRsi: number | null;
}

/**
 * Greenhouse gases of a build-up, kg CO₂e for each m² of it: emitted in making it (EN 15804, modules A1–A3), by the
 * blowing agent that escapes, and stored in plant matter – told beside, and never taken off.
 * @example carbon({ layers: [{ thicknessM: 0.1, carbonKgM3: 20, storedKgM3: 55 }] }).storedKgM2 // 5.5
 */
export function carbon({ layers, effectiveRsi }: CarbonInput): Carbon {
  const each = layers.map(({ thicknessM, share: of = 1, carbonKgM3, storedKgM3 = 0, agent }): LayerCarbon => {
    const volume = of * thicknessM;
    return {
      emittedKgM2: volume * carbonKgM3,
      agentKgM2: agent === undefined ? 0 : volume * agent.kgM3 * agent.gwp * agent.lostShare,
      storedKgM2: volume * storedKgM3,
    };
  });
  const sum = (member: keyof LayerCarbon): number => each.reduce((total, one) => total + one[member], 0);
  const [emittedKgM2, agentKgM2] = [sum('emittedKgM2'), sum('agentKgM2')];
  return {
    layers: each,
    emittedKgM2,
    agentKgM2,
    storedKgM2: sum('storedKgM2'),
    emittedPerRsi: effectiveRsi === undefined ? null : (emittedKgM2 + agentKgM2) / effectiveRsi,
  };
}

export const blowingAgent = fields<BlowingAgent>({
  kgM3: as('Agent in the foam', nonNegative('density')),
  gwp: as('Its warming against CO₂', nonNegative('plain')),
  lostShare: as('Share that escapes', share()),
});

const carbonFigures = {
  emittedKgM2: as('Emitted', figure('massPerArea')),
  agentKgM2: as('By the blowing agent', figure('massPerArea')),
  storedKgM2: as('Stored', figure('massPerArea')),
};

export const carbonOperation: Operation<CarbonInput, Carbon> = {
  words: {
    shelf: 'heat',
    title: 'Greenhouse gases of a build-up',
    tells: 'What is emitted in making it, what its blowing agent does, and what it stores, told apart.',
    alsoCalled: 'embodied carbon, CO2, GWP, blowing agent, biogenic, EPD, EN 15804',
    mainFigures: ['emittedKgM2', 'agentKgM2', 'storedKgM2', 'emittedPerRsi'],
  },
  schema: fields<CarbonInput>({
    layers: list(
      fields<CarbonLayer>({
        thicknessM: positive('thickness'),
        share: as('Share of the face', optional(share())),
        carbonKgM3: as('Emitted in making it', nonNegative('density')),
        storedKgM3: as('Stored in it', optional(nonNegative('density'))),
        agent: as('Blowing agent', optional(blowingAgent)),
      }),
      1,
      CARBON_LAYERS_MAX,
    ),
    effectiveRsi: as('Effective R', optional(positive('resistance'))),
  }),
  run: carbon,
  output: outcome<Carbon>({
    layers: list(part(carbonFigures)),
    ...carbonFigures,
    emittedPerRsi: as('Emitted for an R of 1', optional(figure('massPerAreaAndR'))),
  }),
};
