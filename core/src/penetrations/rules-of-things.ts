import { doubtful, wrong, type PenetrationCaution, type PenetrationRule } from './penetration-rule';

/** Rules of what goes through, however it is sealed; among equals the first is told. */
export const THING_RULES: readonly PenetrationRule[] = [
  wrong(
    'flue-only-metal',
    { what: ['flue'], sealNot: ['metalCollar'] },
    'Heat softens or lights this seal',
    'Metal collar with rated sealant, clearance as the maker says',
  ),
  wrong(
    'flue-never-foam',
    { what: ['flue'], seal: ['lowFoam', 'highFoam'] },
    'Foam near heat burns',
    'Take the foam out; metal collar with rated sealant alone',
  ),
  wrong(
    'gas-open',
    { what: ['gasPipe'], sealOnly: ['none', 'fibre'] },
    'Open beside a gas pipe',
    'Leave it; the licensed gas trade sleeves and seals it',
  ),
  doubtful(
    'gas-by-trade',
    { what: ['gasPipe'] },
    'How a gas pipe is sleeved and sealed is for its own trade',
    'Have it looked at by the licensed gas trade',
  ),
  wrong(
    'rated-open',
    { flags: ['fireRated'], sealOnly: ['none', 'fibre'], whatNot: ['flue', 'gasPipe'] },
    'Open in a fire-rated wall or ceiling',
    'Rated fire stop that is airtight too',
  ),
  doubtful(
    'rated-element',
    { flags: ['fireRated'], sealNot: ['ratedStop', 'metalCollar'], whatNot: ['flue'] },
    'A fire-rated wall or ceiling asks for a rated seal',
    'Rated fire stop that is airtight too',
  ),
  wrong(
    'among-connections',
    { flags: ['amongConnections'] },
    'Foam or sealant among connections is a danger, and no seal',
    'A licensed electrician takes it out; seal the entry and the sealing chamber only',
  ),
  doubtful(
    'hot-duct-foam',
    { what: ['hotDuct'], seal: ['lowFoam', 'highFoam', 'putty'] },
    'Heat and grease reach this duct',
    'Collar of metal, or a tape made for heat',
  ),
  wrong(
    'open-end',
    { flags: ['openEnd'] },
    'Air runs through the open end',
    'Cap the stub, plug the conduit; look again when connected',
  ),
  wrong(
    'lines-loose-in-sleeve',
    { flags: ['linesLoose'] },
    'Air runs inside the sleeve, past its sealed mouth',
    'Seal each line on its own at the barrier',
  ),
  wrong(
    'bundle-under-one-collar',
    { whatOr: ['cableBundle'], flagsOr: ['together'], seal: ['grommet', 'tape', 'sheetPatch'] },
    'Air runs between the lines',
    'Separate the lines: a hole and a seal each',
  ),
  doubtful(
    'bundle-in-filler',
    {
      whatOr: ['cableBundle'],
      flagsOr: ['together'],
      seal: [
        'softSealant',
        'putty',
        'lowFoam',
        'highFoam',
        'backerSealant',
        'filledAndCovered',
        'liquidCoat',
        'rigidPatch',
      ],
    },
    'Air runs between the lines where the filler does not reach',
    'Separate the lines: a hole and a seal each',
  ),
  doubtful(
    'box-half',
    {
      what: ['box'],
      seal: ['boxFilled', 'faceSealed'],
      notSealAll: ['boxFilled', 'faceSealed'],
      sealNone: ['gasketedBox'],
    },
    'One of its two seals is missing',
    'Seal the cable entries, and the face to the lining',
  ),
  wrong(
    'light-not-airtight',
    { what: ['recessedLight'], flags: ['notAirtight'] },
    'Air goes through the fitting itself',
    'Another light below the barrier, or an airtight one made to be covered',
  ),
  wrong(
    'light-not-for-cover',
    { what: ['recessedLight'], flags: ['notForCover'] },
    'Not made to be covered: it can overheat',
    'Keep fill clear as its maker says until it is exchanged',
  ),
  wrong(
    'fixing-pulled',
    { what: ['fixing'], seal: ['none'], flags: ['pulledOut'] },
    'A pulled screw leaves an open hole',
    'Seal the hole',
  ),
  wrong(
    'lining-fixing-through-sheet',
    { what: ['fixing'], through: ['sheet'], flags: ['intoCavity'] },
    'A lining fixing must not reach the barrier',
    'Fixing shorter than batten plus board less a margin; patch the hole',
  ),
];

/** What is said beside a judgement, where somebody can get hurt: local code and licensed trades decide. */
export const PENETRATION_CAUTIONS: readonly PenetrationCaution[] = [
  {
    what: ['flue'],
    text: 'Hot parts: clearance and materials follow the maker. Local code and licensed trades decide. Never foam.',
  },
  {
    what: ['gasPipe'],
    text: 'Gas pipe: do not seal, move or touch it yourself. Local code and a licensed gas trade decide.',
  },
  {
    what: ['box', 'recessedLight'],
    text: 'May be live: do not open or touch. Local code and a licensed electrician decide.',
  },
  {
    what: ['hotDuct'],
    text: 'Dryer and hood ducts can burn: local code and licensed trades decide on materials and clearances.',
  },
  {
    what: ['radonPipe'],
    text: 'Soil gas: local code and licensed radon trades decide on opening, closing or changing this pipe.',
  },
  {
    flags: ['fireRated'],
    text: 'This wall or ceiling may need a fire rating: rated materials only. Local code and licensed trades decide.',
  },
];
