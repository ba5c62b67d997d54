import type { Batts, BattsInput } from '../take-off/batts';
import { USUAL_MARGIN_M, type Fixing, type FixingInput } from '../take-off/fixing';
import { CAN_L, CARTRIDGE_L, JOINT_WASTE, type Joints, type JointsInput } from '../take-off/joint';
import { USUAL_WASTE, type Packs, type PacksInput } from '../take-off/packs';
import { CORNER_ALLOWANCE_M, type Sheet, type SheetInput } from '../take-off/sheet';
import { eachTerm, found, step, sumOf, whereNotGiven, type Step } from './step';

const WASTE = 'what is cut off or spoilt, where nobody says another share';
const NO_LAP = 'nothing is turned there, where nobody says so';

export function explainPacks(input: PacksInput, output: Packs): readonly Step[] {
  const { needed: n, wasteShare: w = USUAL_WASTE, packSize: s, onHand: h = 0 } = input;
  const there = whereNotGiven({ h: input.onHand }, 'nothing is there, where nobody says so');
  return [
    step(
      'With waste',
      'q = n·(1 + w)',
      { n, w },
      output.withWaste,
      '',
      whereNotGiven({ w: input.wasteShare }, WASTE),
    ),
    step(
      'Whole packs, none where enough is there',
      'k = max(0, ceil((q − h) / s))',
      { q: output.withWaste, h, s },
      output.packs,
      '',
      there,
    ),
    step(
      'Left over',
      'l = k·s + h − q',
      { k: output.packs, s, h, q: output.withWaste },
      output.left,
      '',
      there,
    ),
  ];
}

export function explainBatts(input: BattsInput, output: Batts): readonly Step[] {
  const [first] = output.groups;
  const [cavity] = input.cavities;
  const w = input.wasteShare ?? USUAL_WASTE;
  const all = sumOf(
    'b',
    output.groups.map(({ batts }) => batts),
  );
  return [
    ...(first === undefined || cavity === undefined
      ? []
      : [
          found(
            'First size: strips that one batt gives, a little wider than the cavity',
            first.stripsPerBatt,
          ),
          found('First size: height above whole batts', first.restM, 'm'),
          found('First size: batts for whole lengths and cut pieces', first.batts),
        ]),
    step(
      'Batts of every size',
      `B = ${all.terms}`,
      all.values,
      output.batts,
      '',
      eachTerm(all.values, (i) => `batts of size ${i}`),
    ),
    step(
      'With waste',
      'W = ceil(B·(1 + w))',
      { B: output.batts, w },
      output.withWaste,
      '',
      whereNotGiven({ w: input.wasteShare }, WASTE),
    ),
    step('Packs', 'k = ceil(W / p)', { W: output.withWaste, p: input.batt.perPack }, output.packs),
    found('Joints between pieces, each to be looked at', output.joints),
  ];
}

export function explainSheet(input: SheetInput, output: Sheet): readonly Step[] {
  const { direction, lengthM: L, heightM: h, rollWidthM: b, rollLengthM: r, lapM: u } = input;
  const {
    floorLapM: f = 0,
    topLapM: o = 0,
    corners: c = 0,
    cornerAllowanceM: a = CORNER_ALLOWANCE_M,
  } = input;
  const run = L + c * a;
  const turned = {
    ...whereNotGiven({ f: input.floorLapM, o: input.topLapM }, NO_LAP),
    ...whereNotGiven({ c: input.corners }, 'no corners, where nobody says so'),
    ...whereNotGiven({ a: input.cornerAllowanceM }, 'what a corner takes more, m, where nobody says so'),
  };
  const begin = step('Length with corners', 'l = L + c·a', { L, c, a }, run, 'm', turned);
  const sealant = f > 0 ? [step('Two lines of sealant', 's = 2·l', { l: run }, output.sealantM, 'm')] : [];
  if (direction === 'up') {
    const strip = h + f + o;
    return [
      begin,
      step('Strips', 'n = max(1, ceil((l − u) / (b − u)))', { l: run, u, b }, output.runs),
      step('Length of a strip', 'z = h + f + o', { h, f, o }, strip, 'm', turned),
      step('Sheet', 'S = n·z', { n: output.runs, z: strip }, output.sheetM, 'm'),
      found('Rolls, whole strips from each', output.rolls),
      step(
        'Tape between strips and along',
        't = (n − 1)·h + l',
        { n: output.runs, h, l: run },
        output.tapeM,
        'm',
      ),
      ...sealant,
    ];
  }
  const mark = b - f;
  return [
    begin,
    step('Mark of the first run', 'm = b − f', { b, f }, mark, 'm', turned),
    step(
      'Runs',
      'n = 1 + max(0, ceil((h + o − m) / (b − u)))',
      { h, o, m: mark, b, u },
      output.runs,
      '',
      turned,
    ),
    step('Sheet', 'S = n·l', { n: output.runs, l: run }, output.sheetM, 'm'),
    step(
      'Rolls, each after the first a lap shorter',
      'R = 1 + max(0, ceil((S − r) / (r − u)))',
      { S: output.sheetM, r, u },
      output.rolls,
    ),
    step(
      'Tape along and between rolls',
      't = S + (R − 1)·b',
      { S: output.sheetM, R: output.rolls, b },
      output.tapeM,
      'm',
    ),
    ...sealant,
  ];
}

export function explainJoints(input: JointsInput, output: Joints): readonly Step[] {
  const { wasteShare: w = JOINT_WASTE, cartridgeLitres: c = CARTRIDGE_L, canLitres: k = CAN_L } = input;
  const litres = (isFoam: boolean) =>
    sumOf(
      'v',
      output.joints
        .filter((_, i) => (input.joints[i]?.kind === 'foam') === isFoam)
        .map((each) => each.litres),
    );
  const [sealant, foam] = [litres(false), litres(true)];
  const usual = {
    ...whereNotGiven({ w: input.wasteShare }, WASTE),
    ...whereNotGiven({ c: input.cartridgeLitres }, 'litres in a cartridge, where nobody says so'),
    ...whereNotGiven({ k: input.canLitres }, 'litres that a can yields, where nobody says so'),
  };
  return [
    ...input.joints.flatMap((joint, i) => {
      const take = output.joints[i];
      if (take === undefined || i > 2) return [];
      const { lengthM: l, gapM: g } = joint;
      return [
        joint.kind === 'line'
          ? step(`Bead ${i + 1}`, 'v = π / 4·g^2·l·1000', { π: Math.PI, g, l }, take.litres, 'l', {
              π: 'ratio of a circle’s round to its width',
            })
          : step(`Joint ${i + 1}`, 'v = l·g·d·1000', { l, g, d: take.depthM ?? NaN }, take.litres, 'l', {
              d: 'its depth: as given, or of sealant half the gap, 6 to 12 mm',
            }),
      ];
    }),
    ...(output.sealantLitres > 0
      ? [
          step('Sealant together', `Q = ${sealant.terms}`, sealant.values, output.sealantLitres, 'l'),
          step(
            'Cartridges with waste',
            'n = ceil(Q·(1 + w) / c)',
            { Q: output.sealantLitres, w, c },
            output.cartridges,
            '',
            usual,
          ),
        ]
      : []),
    ...(output.foamLitres > 0
      ? [
          step('Foam together', `F = ${foam.terms}`, foam.values, output.foamLitres, 'l'),
          step(
            'Cans with waste',
            'n = ceil(F·(1 + w) / k)',
            { F: output.foamLitres, w, k },
            output.cans,
            '',
            usual,
          ),
        ]
      : []),
  ];
}

export function explainFixing(input: FixingInput, output: Fixing): readonly Step[] {
  const through = sumOf('p', input.passesM);
  const { leastHoldM: h, limitM: e, marginM: m = USUAL_MARGIN_M, areaM2: A, perM2: n } = input;
  return [
    step('At least', `l = ${through.terms} + h`, { ...through.values, h }, output.leastLengthM, 'm'),
    ...(e === undefined || output.greatestLengthM === null
      ? []
      : [
          step(
            'At most, short of what must stay whole',
            'g = e − m',
            { e, m },
            output.greatestLengthM,
            'm',
            whereNotGiven({ m: input.marginM }, 'kept clear of it, m, where nobody says so'),
          ),
        ]),
    ...(output.chosenM === null ? [] : [found('Shortest that can be had between', output.chosenM, 'm')]),
    ...(output.count === null || A === undefined || n === undefined
      ? []
      : [step('How many', 'N = ceil(A·n)', { A, n }, output.count)]),
  ];
}
