import { doubtful, fits, wrong, type PenetrationRule } from './penetration-rule';
import { FIRM, FRAME_RULES_BY_WIDTH, RULES_BY_WIDTH, SERVICES_AND_GAPS } from './rules-by-width';

/** Rules of each seal; among equals the first is told. */
export const SEAL_RULES: readonly PenetrationRule[] = [
  fits('flue-metal', { what: ['flue'], seal: ['metalCollar'] }),
  fits('rated-stop', { seal: ['ratedStop'], whatNot: ['flue'], flags: ['fireRated'] }),
  doubtful(
    'rated-stop-elsewhere',
    { seal: ['ratedStop'], whatNot: ['flue'], flagsNot: ['fireRated'] },
    'Made against fire; airtight only if its maker says so',
    'Say that it is airtight, or add a seal for air',
  ),
  fits('metal-collar-cool', {
    seal: ['metalCollar'],
    whatNot: ['flue', 'box', 'recessedLight', 'fixing', 'frameGap'],
  }),
  wrong(
    'hot-duct-open',
    { seal: ['none', 'fibre'], what: ['hotDuct'] },
    'Open',
    'Collar of metal, or a tape made for heat, as its maker and local code say',
  ),
  wrong(
    'box-open',
    { seal: ['none', 'fibre'], what: ['box'] },
    'Open',
    'Seal the cable entries, and the face to the lining',
  ),
  wrong(
    'light-open',
    { seal: ['none', 'fibre'], what: ['recessedLight'] },
    'Open round the fitting',
    'Gasket or soft sealant between fitting and ceiling, of a kind its maker allows',
  ),
  wrong(
    'moving-open',
    { seal: ['none', 'fibre'], whatOr: ['steel', 'joistEnd'], flagsOr: ['moves'] },
    'Open, and the joint moves',
    'Flexible: sheet or tape with slack, or backer and soft sealant',
  ),
  wrong(
    'fibre-is-no-seal',
    { seal: ['fibre'], whatNot: ['gasPipe'] },
    'Fibre filters air, it does not stop it',
    'Take it out; seal by the width of the gap',
  ),
  wrong(
    'nothing',
    { seal: ['none'], whatNot: ['fixing', 'flue', 'gasPipe'] },
    'Open',
    'Seal by the width of the gap',
  ),
  ...RULES_BY_WIDTH,
  fits('rigid-patch', { what: SERVICES_AND_GAPS, through: FIRM, seal: ['rigidPatch'] }),
  fits('collar-on-round', {
    what: [
      'cable',
      'conduit',
      'waterPipe',
      'wastePipe',
      'ventStack',
      'duct',
      'hotDuct',
      'serviceLine',
      'radonPipe',
    ],
    seal: ['grommet'],
  }),
  doubtful(
    'collar-on-odd',
    {
      what: ['drainCutout', 'floorFlange', 'sleeve', 'steel', 'joistEnd', 'hanger', 'oldHole', 'seam'],
      seal: ['grommet'],
    },
    'A collar fits round things only',
    'Sheet patch cut to shape, every edge taped or bedded',
  ),
  fits('mortar-in-masonry', { what: SERVICES_AND_GAPS, through: ['masonry'], seal: ['mortar'] }),
  wrong(
    'mortar-elsewhere',
    { what: SERVICES_AND_GAPS, through: ['board', 'timber', 'sheet', 'lining'], seal: ['mortar'] },
    'Cracks away from anything that moves',
    'Sealant that stays soft, by the width of the gap',
  ),
  fits('sheet-patch-on-sheet', {
    what: [...SERVICES_AND_GAPS, 'box'],
    through: ['sheet'],
    seal: ['sheetPatch'],
  }),
  doubtful(
    'sheet-bead-or-tape',
    {
      what: SERVICES_AND_GAPS,
      through: ['sheet'],
      seal: ['softSealant', 'putty', 'tape', 'backerSealant', 'liquidCoat', 'rigidPatch'],
    },
    'A sheet moves; bead and pleated tape work loose',
    'Collar, or patch with all edges taped',
  ),
  wrong(
    'sheet-foam',
    { what: SERVICES_AND_GAPS, through: ['sheet'], seal: ['lowFoam', 'highFoam', 'filledAndCovered'] },
    'Foam does not hold to a sheet and tears it',
    'Collar, or patch with all edges taped',
  ),
  wrong(
    'stiff-seal-on-moving-joint',
    {
      whatOr: ['steel', 'joistEnd'],
      flagsOr: ['moves'],
      seal: ['mortar', 'rigidPatch', 'lowFoam', 'highFoam'],
    },
    'The joint moves and breaks a stiff seal',
    'Flexible: sheet or tape with slack, or backer and soft sealant',
  ),
  doubtful(
    'coat-on-moving-joint',
    { whatOr: ['steel', 'joistEnd'], flagsOr: ['moves'], seal: ['liquidCoat'] },
    'A coat bridges little movement',
    'Flexible strip in the coat, or backer and soft sealant',
  ),
  fits('airtight-box', { what: ['box'], seal: ['gasketedBox'] }),
  fits('box-both', { what: ['box'], sealAll: ['boxFilled', 'faceSealed'] }),
  doubtful(
    'box-filler',
    {
      what: ['box'],
      seal: ['softSealant', 'putty', 'lowFoam', 'highFoam', 'tape', 'backerSealant'],
      sealNone: ['boxFilled', 'faceSealed', 'gasketedBox'],
    },
    'Foam or sealant round a box leaves its own holes open',
    'Seal the cable entries, and the face to the lining',
  ),
  fits('light-sealed', {
    what: ['recessedLight'],
    seal: ['softSealant', 'gasketedBox', 'faceSealed', 'tape'],
    flagsNot: ['notAirtight', 'notForCover'],
  }),
  fits('fixing-sealed', {
    what: ['fixing'],
    seal: ['softSealant', 'tape', 'putty', 'liquidCoat', 'sheetPatch'],
    flagsNot: ['pulledOut'],
  }),
  doubtful(
    'fixing-bare',
    { what: ['fixing'], seal: ['none'], flagsNot: ['pulledOut'] },
    'A small hole, and there are many',
    'A dab of sealant or tape on each that missed; leave it in',
  ),
  fits('fixing-pulled-sealed', {
    what: ['fixing'],
    flags: ['pulledOut'],
    seal: ['softSealant', 'tape', 'putty', 'liquidCoat', 'sheetPatch'],
  }),
  wrong(
    'frame-high-foam',
    { what: ['frameGap'], seal: ['highFoam'] },
    'High-expansion foam bows the frame',
    'Low-expansion foam, or backer and sealant',
  ),
  ...FRAME_RULES_BY_WIDTH,
];
