import { createHash } from 'node:crypto';
import { compute } from '../operations';
import { measuredShares } from '../photo/regions';
import { cavityTruth, drawnCavity, GENERATOR_VERSION, SEED_MAX, type DrawnCavity } from './drawn-cavity';

const COUNT = 4000;
const drawn = (seed: number): DrawnCavity => drawnCavity({ version: GENERATOR_VERSION, seed });

describe('over four thousand seeds', () => {
  const counts: Record<string, number> = { I: 0, II: 0, III: 0, none: 0 };
  const causes = new Set<string>();
  const astray: string[] = [];

  beforeAll(() => {
    for (let seed = 1; seed <= COUNT; seed++) {
      const { truth, regions, cornersPx, widthPx, heightPx, cavityWidthM, cavityHeightM } = cavityTruth({
        version: GENERATOR_VERSION,
        seed,
      });
      counts[truth.grade] = (counts[truth.grade] ?? 0) + 1;
      for (const { cause } of regions) causes.add(cause);
      const isIn = ({ x, y }: { readonly x: number; readonly y: number }): boolean =>
        x >= 0 && x <= widthPx && y >= 0 && y <= heightPx;
      if (!cornersPx.every(isIn)) astray.push(`${seed}: a corner is out of the picture`);
      if (!regions.every(({ outlinePx }) => outlinePx.every(isIn)))
        astray.push(`${seed}: an outline is out of the picture`);
      if (regions.length < 1 || regions.length > 4) astray.push(`${seed}: ${regions.length} flaws`);
      const outlined = regions.map(({ outlinePx, fill }) => ({ outline: outlinePx, fill }));
      const shares = measuredShares(cornersPx, outlined);
      const sum = (isEmpty: boolean): number =>
        shares.reduce((total, share, i) => total + ((outlined[i]?.fill === 0) === isEmpty ? share : 0), 0);
      const off = Math.max(
        Math.abs(sum(true) - truth.voidFraction),
        Math.abs(sum(false) - truth.compressedFraction),
      );
      if (off > 1e-6) astray.push(`${seed}: measured ${off} off the truth`);
      // An outline that left its cavity would be larger than what of it lies within.
      if (seed % 20 === 0) {
        const photo = { corners: cornersPx, cavityWidthM, cavityHeightM };
        const outlines = regions.map(({ outlinePx }) => outlinePx);
        const found = compute('photo.regions', { ...photo, regions: outlined });
        if (Math.abs(found.voidFraction - truth.voidFraction) > 1e-6) astray.push(`${seed}: void`);
        if (Math.abs(found.compressedFraction - truth.compressedFraction) > 1e-6)
          astray.push(`${seed}: pressed`);
        const wide = compute('photo.voids', {
          ...photo,
          corners: cornersPx.map(({ x, y }, i) => ({
            x: x + (i === 0 || i === 3 ? -40 : 40),
            y: y + (i < 2 ? -40 : 40),
          })),
          outlines,
        });
        const all = compute('photo.voids', { ...photo, outlines });
        if (wide.voidFraction > all.voidFraction + 1e-9) astray.push(`${seed}: an outline leaves its cavity`);
      }
    }
  });

  test('each grade is the truth of about a quarter, and every cause is there', () => {
    for (const [grade, count] of Object.entries(counts)) {
      expect([grade, count / COUNT >= 0.22, count / COUNT <= 0.28]).toEqual([grade, true, true]);
    }
    expect([...causes].sort()).toEqual(
      [
        'alongEdge',
        'behindBox',
        'behindPipe',
        'crushedEdge',
        'cutShort',
        'missingPiece',
        'roundCable',
        'slipped',
      ].sort(),
    );
  });

  test('outlines lie in their cavity and in the picture, and measured they give the truth', () => {
    expect(astray).toEqual([]);
  });
});

test('the same seed gives the same picture, byte by byte, another one another', () => {
  for (const seed of [1, 77, 202648001, SEED_MAX]) {
    expect(drawn(seed)).toEqual(drawn(seed));
    expect(drawn(seed).svg).not.toBe(drawn(seed - 1 || 2).svg);
  }
});

test('what is drawn stays what it was: pictures that somebody was shown can be shown again', () => {
  const { svg, truth } = drawn(202648001);
  expect([createHash('sha256').update(svg).digest('hex').slice(0, 16), truth.grade]).toEqual([
    'ea800488b7b10750',
    'III',
  ]);
});

test.each([
  ['an unknown version', { version: 2, seed: 1 }, 'unknown-option', 'version'],
  ['no seed', { version: 1, seed: 0 }, 'out-of-range', 'seed'],
  ['a broken seed', { version: 1, seed: 1.5 }, 'out-of-range', 'seed'],
])('%s is refused', (_name, input, code, field) => {
  expect(() => drawnCavity(input)).toThrow(expect.objectContaining({ code, field }));
});
