import { MADE_BY_HAND, PLAIN_AREA, type AreaInHand } from '../src/installation/area';
import { BUILD_UP_LIBRARY, buildUpOf } from '../src/installation/build-up-library';

const [wall] = BUILD_UP_LIBRARY;
if (wall === undefined) throw new Error('The library is empty.');

/** An area for tests: the first build-up of the library, nobody graded it. */
export const sampleArea: AreaInHand = {
  name: 'Wall',
  kind: 'wall',
  areaM2: 80,
  buildUp: buildUpOf(wall),
  grade: null,
  voidFraction: null,
  ...MADE_BY_HAND,
  ...PLAIN_AREA,
};
