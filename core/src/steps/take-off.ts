import type { Batts, BattsInput } from '../take-off/batts';
import type { Fixing, FixingInput } from '../take-off/fixing';
import type { Joints, JointsInput } from '../take-off/joint';
import { USUAL_WASTE, type Packs, type PacksInput } from '../take-off/packs';
import type { Sheet, SheetInput } from '../take-off/sheet';
import { found, step, sumOf, type Step } from './step';

export function explainPacks(input: PacksInput, output: Packs): readonly Step[] {
  const { needed: n, wasteShare: w = USUAL_WASTE, packSize: s, onHand: h = 0 } = input;
  return [
    step('With waste', 'q = n·(1 + w)', { n, w }, output.withWaste),
    step(
      'Whole packs, none where enough is there',
      'k = max(0, ceil((q − h) / s))',
      { q: output.withWaste, h, s },
      output.packs,
    ),
    step('Left over', 'l = k·s + h − q', { k: output.packs, s, h, q: output.withWaste }, output.left),
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
    step('Batts of every size', `B = ${all.terms}`, all.values, output.batts),
    step('With waste', 'W = ceil(B·(1 + w))', { B: output.batts, w }, output.withWaste),
    step('Packs', 'k = ceil(W / p)', { W: output.withWaste, p: input.batt.perPack }, output.packs),
    found('Joints between pieces, each to be looked at', output.joints),
  ];
}

export function explainSheet(input: SheetInput, output: Sheet): readonly Step[] {
  const { direction, lengthM: L, heightM: h, rollWidthM: b, rollLengthM: r, lapM: u } = input;
  const { floorLapM: f = 0, topLapM: o = 0, corners: c = 0, cornerAllowanceM: a = 0.05 } = input;
  const run = L + c * a;
  const begin = step('Length with corners', 'l = L + c·a', { L, c, a }, run, 'm');
  const sealant = f > 0 ? [step('Two lines of sealant', 's = 2·l', { l: run }, output.sealantM, 'm')] : [];
  if (direction === 'up') {
    const strip = h + f + o;
    return [
      begin,
      step('Strips', 'n = max(1, ceil((l − u) / (b − u)))', { l: run, u, b }, output.runs),
      step('Length of a strip', 'z = h + f + o', { h, f, o }, strip, 'm'),
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
    step('Mark of the first run', 'm = b − f', { b, f }, mark, 'm'),
    step('Runs', 'n = 1 + max(0, ceil((h + o − m) / (b − u)))', { h, o, m: mark, b, u }, output.runs),
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
  const { wasteShare: w = 0.15, cartridgeLitres: c = 0.31, canLitres: k = 25 } = input;
  const litres = (isFoam: boolean) =>
    sumOf(
      'v',
      output.joints
        .filter((_, i) => (input.joints[i]?.kind === 'foam') === isFoam)
        .map((each) => each.litres),
    );
  const [sealant, foam] = [litres(false), litres(true)];
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
          ),
        ]
      : []),
    ...(output.foamLitres > 0
      ? [
          step('Foam together', `F = ${foam.terms}`, foam.values, output.foamLitres, 'l'),
          step('Cans with waste', 'n = ceil(F·(1 + w) / k)', { F: output.foamLitres, w, k }, output.cans),
        ]
      : []),
  ];
}

export function explainFixing(input: FixingInput, output: Fixing): readonly Step[] {
  const through = sumOf('p', input.passesM);
  const { leastHoldM: h, limitM: e, marginM: m = 0.003, areaM2: A, perM2: n } = input;
  return [
    step('At least', `l = ${through.terms} + h`, { ...through.values, h }, output.leastLengthM, 'm'),
    ...(e === undefined || output.greatestLengthM === null
      ? []
      : [step('At most, short of what must stay whole', 'g = e − m', { e, m }, output.greatestLengthM, 'm')]),
    ...(output.chosenM === null ? [] : [found('Shortest that can be had between', output.chosenM, 'm')]),
    ...(output.count === null || A === undefined || n === undefined
      ? []
      : [step('How many', 'N = ceil(A·n)', { A, n }, output.count)]),
  ];
}
