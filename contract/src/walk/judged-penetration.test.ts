import { judgePenetration } from '@calvet/core/penetrations/judge';
import { PENETRATION_WORDS, type Seal } from '@calvet/core/penetrations/penetration-words';
import { samplePenetration, sealed } from '../../test/sample-penetration';
import { barrierPhase, isDueIn, judgedPenetration, recentWhats } from './judged-penetration';
import type { Penetration } from './penetration';

const judged = (more: Partial<Penetration>, barrier: Parameters<typeof judgedPenetration>[1] = null) =>
  judgedPenetration(samplePenetration(more), barrier);

test('what the rules propose, why, and what instead', () => {
  const found = judged({ gapMm: 4, seals: [sealed('softSealant')] });
  expect(found).toMatchObject({ verdict: 'fits', isOpen: false, isUnknown: false, asked: [] });
  expect(found.planes).toEqual([
    {
      plane: 'barrier',
      isOwn: false,
      ...judgePenetration({ what: 'cable', through: 'board', gapMm: 4, seals: ['softSealant'] }),
    },
  ]);
  const open = judged({ gapMm: 4 });
  expect(open).toMatchObject({ verdict: 'wrong', isOpen: true });
  expect(open.planes[0]?.instead).toMatch(/sealant that stays soft/i);
});

test('of several layers the worst counts, and is told first', () => {
  const found = judged({ gapMm: 40, seals: [sealed('rigidPatch', 'outer'), sealed('softSealant')] });
  expect(found.verdict).toBe('wrong');
  expect(found.planes.map(({ plane, verdict }) => [plane, verdict])).toEqual([
    ['barrier', 'wrong'],
    ['outer', 'fits'],
  ]);
});

test('the inspector decides, and a caution stands all the same', () => {
  const flue = judged({ what: 'flue', gapMm: 10, seals: [sealed('lowFoam')], decided: 'fits' });
  expect(flue.verdict).toBe('fits');
  expect(flue.cautions.join()).toMatch(/local code and licensed trades/i);
  for (const what of ['flue', 'gasPipe', 'box', 'recessedLight', 'hotDuct', 'radonPipe'] as const)
    expect(judged({ what, decided: 'fits' }).cautions).not.toEqual([]);
  expect(judged({ flags: [{ name: 'fireRated' }] }).cautions.join()).toMatch(/fire rating/);
});

test('where one device said nothing closes it and another what does, that counts', () => {
  expect(judged({ gapMm: 4, seals: [sealed('none'), sealed('softSealant')] })).toMatchObject({
    verdict: 'fits',
    isOpen: false,
  });
  expect(judged({ seals: [sealed('none')] }).isOpen).toBe(true);
});

describe('a second seal is asked for, in its phase', () => {
  const asks = (more: Partial<Penetration>, barrier: Parameters<typeof judgedPenetration>[1] = null) =>
    judged(more, barrier).asked.map(({ plane, phase }) => [plane, phase]);

  test('a box: its cable entries, and its face once it is lined; one made airtight needs neither', () => {
    expect(asks({ what: 'box' })).toEqual([
      ['barrier', 'beforeFill'],
      ['barrier', 'finished'],
    ]);
    const filled = { what: 'box', seals: [sealed('boxFilled')] } as const;
    expect(asks(filled)).toEqual([['barrier', 'finished']]);
    expect(judged(filled).verdict).toBe('doubtful');
    expect(
      asks({ what: 'box', seals: [sealed('boxFilled'), sealed('faceSealed', 'barrier', 'finished')] }),
    ).toEqual([]);
    expect(judged({ what: 'box', seals: [sealed('boxFilled'), sealed('faceSealed')] }).verdict).toBe('fits');
    expect(asks({ what: 'box', seals: [sealed('gasketedBox')] })).toEqual([]);
  });

  test('a sleeve: itself in its outer layer, each of its lines at the barrier when that is made', () => {
    expect(asks({ what: 'sleeve' }, 'barrierInnerMembrane')).toEqual([
      ['outer', 'beforeFill'],
      ['barrier', 'vapourControl'],
    ]);
    const outer = { what: 'sleeve', gapMm: 4, seals: [sealed('softSealant', 'outer')] } as const;
    expect(asks(outer, 'barrierInnerMembrane')).toEqual([['barrier', 'vapourControl']]);
    const both = { ...outer, seals: [...outer.seals, sealed('grommet', 'barrier', 'vapourControl')] };
    expect(asks({ ...both, flags: [{ name: 'linesLoose' }] }, 'barrierInnerMembrane')).toHaveLength(1);
    expect(asks(both, 'barrierInnerMembrane')).toEqual([]);
  });

  test('any other hole that is closed in another layer alone: at the air barrier', () => {
    expect(asks({ seals: [sealed('softSealant', 'outer')] }, 'barrierInnerSheathing')).toEqual([
      ['barrier', 'vapourControl'],
    ]);
    expect(asks({ seals: [sealed('softSealant')] })).toEqual([]);
  });

  test('it is due once its phase has come', () => {
    const [face] = judged({ what: 'box', seals: [sealed('boxFilled')] }).asked;
    if (face === undefined) throw new Error('nothing is asked');
    expect([isDueIn(face, 'beforeFill'), isDueIn(face, 'finished')]).toEqual([false, true]);
    expect([
      barrierPhase(null),
      barrierPhase('barrierMasonryCoat'),
      barrierPhase('barrierGasketedLining'),
    ]).toEqual(['beforeFill', 'beforeFill', 'finished']);
  });
});

test('a word from a newer version is said, and nothing of the record is lost', () => {
  const hole = { gapMm: 4, seals: [{ ...sealed('tape'), seal: 'siliconeWeb' as Seal }] };
  expect(judged(hole)).toMatchObject({ verdict: 'doubtful', isUnknown: true, isOpen: false, planes: [] });
  expect(judged({ ...hole, decided: 'wrong' }).verdict).toBe('wrong');
});

test('a gap of nothing and of two metres is judged, whatever goes through', () => {
  for (const what of Object.keys(PENETRATION_WORDS) as Penetration['what'][]) {
    for (const gapMm of [0, 2000]) {
      const { planes, verdict } = judged({ what, gapMm, seals: [sealed('tape')] });
      expect(planes).toHaveLength(1);
      expect(['fits', 'doubtful', 'wrong']).toContain(verdict);
    }
  }
});

test('what was recorded last is offered first, each once', () => {
  const holes = (['cable', 'box', 'cable', 'duct'] as const).map((what) => samplePenetration({ what }));
  expect(recentWhats(holes)).toEqual(['duct', 'cable', 'box']);
});
