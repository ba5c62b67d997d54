import type { PenetrationRule, RuleConditions, SealVerdict } from './penetration-rule';
import type { PenetrationThrough, PenetrationWhat, Seal } from './penetration-words';

/** Up to which width of the gap, in mm, how a seal closes it; where it does not fit, why, and what instead. */
type Step = readonly [upToMm: number, verdict: SealVerdict, reason?: string, instead?: string];
type Steps = Readonly<Partial<Record<Seal, readonly Step[]>>>;

/** What seals are held against by the width of the gap. */
export const SERVICES_AND_GAPS: readonly PenetrationWhat[] = [
  'cable',
  'cableBundle',
  'conduit',
  'waterPipe',
  'wastePipe',
  'ventStack',
  'drainCutout',
  'floorFlange',
  'duct',
  'hotDuct',
  'serviceLine',
  'sleeve',
  'gasPipe',
  'radonPipe',
  'steel',
  'joistEnd',
  'hanger',
  'oldHole',
  'seam',
];

/** What does not give way as a sheet does. */
export const FIRM: readonly PenetrationThrough[] = ['board', 'timber', 'masonry', 'lining'];

const THROUGH_FIRM: Steps = {
  softSealant: [
    [6, 'fits'],
    [
      25,
      'doubtful',
      'Too wide to hold without a backer behind it',
      'Backer and sealant, or low-expansion foam',
    ],
    [75, 'wrong', 'Too wide for a bead', 'Fill or backer, then an airtight layer over it'],
    [Infinity, 'wrong', 'Too wide for a bead', 'Rigid patch with sealed edges'],
  ],
  putty: [
    [6, 'fits'],
    [
      25,
      'doubtful',
      'Too wide to hold without a backer behind it',
      'Backer and sealant, or low-expansion foam',
    ],
    [75, 'wrong', 'Too wide for a bead', 'Fill or backer, then an airtight layer over it'],
    [Infinity, 'wrong', 'Too wide for a bead', 'Rigid patch with sealed edges'],
  ],
  lowFoam: [
    [6, 'doubtful', 'The nozzle does not reach in; foam sits on the face', 'Sealant that stays soft'],
    [25, 'fits'],
    [
      75,
      'doubtful',
      'Foam this wide is fill; its skin cracks and gets cut',
      'Leave it as fill, airtight layer over it',
    ],
    [Infinity, 'wrong', 'Too wide for foam', 'Rigid patch with sealed edges'],
  ],
  highFoam: [
    [
      25,
      'doubtful',
      'Swells as it likes, leaves hollows, pushes parts apart',
      'Low-expansion foam, or backer and sealant',
    ],
    [
      75,
      'doubtful',
      'Foam this wide is fill; its skin cracks and gets cut',
      'Leave it as fill, airtight layer over it',
    ],
    [Infinity, 'wrong', 'Too wide for foam', 'Rigid patch with sealed edges'],
  ],
  backerSealant: [
    [25, 'fits'],
    [75, 'doubtful', 'Wide bead on a soft backer', 'Fill or backer, then an airtight layer over it'],
    [Infinity, 'wrong', 'Too wide for backer and bead', 'Rigid patch with sealed edges'],
  ],
  filledAndCovered: [
    [75, 'fits'],
    [Infinity, 'doubtful', 'Nothing firm behind a cover this wide', 'Rigid patch with sealed edges'],
  ],
  tape: [
    [6, 'fits'],
    [
      25,
      'doubtful',
      'Tape that bridges a gap hollows and lets go',
      'Backer and sealant below, or a sheet patch',
    ],
    [75, 'wrong', 'Too wide for tape alone', 'Fill or backer, then an airtight layer over it'],
    [Infinity, 'wrong', 'Too wide for tape alone', 'Rigid patch with sealed edges'],
  ],
  sheetPatch: [
    [75, 'fits'],
    [Infinity, 'doubtful', 'Nothing firm behind a patch this wide', 'Rigid patch with sealed edges'],
  ],
  liquidCoat: [
    [3, 'fits'],
    [6, 'doubtful', 'The coat shrinks into the gap', 'Fleece in the coat, or sealant first'],
    [75, 'wrong', 'A coat does not bridge this', 'Fill or backer, then an airtight layer over it'],
    [Infinity, 'wrong', 'A coat does not bridge this', 'Rigid patch with sealed edges'],
  ],
};

const ROUND_A_FRAME: Steps = {
  softSealant: [
    [6, 'fits'],
    [
      25,
      'doubtful',
      'Too wide to hold without a backer behind it',
      'Backer and sealant, or low-expansion foam',
    ],
    [Infinity, 'wrong', 'Too wide for a bead', 'Pack with timber or board, then seal what is left'],
  ],
  lowFoam: [
    [6, 'doubtful', 'The nozzle does not reach in', 'Sealant that stays soft'],
    [25, 'fits'],
    [Infinity, 'doubtful', 'Wide: foam alone moves and shrinks', 'Airtight tape or sheet over it'],
  ],
  backerSealant: [
    [25, 'fits'],
    [Infinity, 'doubtful', 'Wide bead on a soft backer', 'Airtight tape or sheet over it'],
  ],
  tape: [
    [25, 'fits'],
    [Infinity, 'doubtful', 'Tape needs something firm behind it', 'Fill first, then tape'],
  ],
  sheetPatch: [
    [75, 'fits'],
    [Infinity, 'doubtful', 'Sheet needs something firm behind it', 'Pack first, then sheet'],
  ],
  filledAndCovered: [
    [75, 'fits'],
    [Infinity, 'doubtful', 'Nothing firm behind', 'Pack with timber or board, then seal'],
  ],
  liquidCoat: [
    [3, 'fits'],
    [25, 'doubtful', 'The coat does not bridge the gap', 'Backer or fleece first, then the coat'],
    [Infinity, 'wrong', 'A coat does not bridge this', 'Pack, then seal'],
  ],
};

/** One rule for each step of each seal. */
function rulesFor(all: Steps, prefix: string, where: RuleConditions): readonly PenetrationRule[] {
  return Object.entries(all).flatMap(([seal, steps]) =>
    steps.map(([upToMm, verdict, reason = '', instead = ''], i): PenetrationRule => {
      const gapAboveMm = steps[i - 1]?.[0];
      const isLast = upToMm === Infinity;
      return {
        id: `${prefix}${seal}-${isLast ? `above-${gapAboveMm}` : `up-to-${upToMm}`}`,
        when: {
          ...where,
          seal: [seal as Seal],
          ...(gapAboveMm === undefined ? {} : { gapAboveMm }),
          ...(isLast ? {} : { gapUpToMm: upToMm }),
        },
        verdict,
        reason,
        instead,
      };
    }),
  );
}

export const RULES_BY_WIDTH = rulesFor(THROUGH_FIRM, '', { what: SERVICES_AND_GAPS, through: FIRM });
export const FRAME_RULES_BY_WIDTH = rulesFor(ROUND_A_FRAME, 'frame-', {
  what: ['frameGap'],
  through: [...FIRM, 'sheet'],
});
