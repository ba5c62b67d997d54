import { between, dot, type Point } from '../geometry/point';
import { signedArea } from '../geometry/signed-area';

/** The corner of two sides that all but fold back on each other is set out no farther than this allows. */
const SHARPEST = 0.25;

/**
 * An outline set off outwards by a length, each corner along the mean of its sides' normals (mitred). Outwards is by the
 * sign of its own area; one without area stays. Points that are there twice are left out.
 * @example movedOutline([{ x: 0, y: 0 }, { x: 2, y: 0 }, { x: 2, y: 2 }, { x: 0, y: 2 }], 1)[0] // { x: -1, y: -1 }
 */
export function movedOutline(outline: readonly Point[], lengthOut: number): readonly Point[] {
  const corners = outline.filter((corner, i) => {
    const before = outline[(i + outline.length - 1) % outline.length] ?? corner;
    return corner.x !== before.x || corner.y !== before.y;
  });
  const sign = Math.sign(signedArea(corners));
  const normals = corners.map((corner, i): Point => {
    const side = between(corner, corners[(i + 1) % corners.length] ?? corner);
    const length = Math.hypot(side.x, side.y);
    return { x: (sign * side.y) / length, y: (-sign * side.x) / length };
  });
  return corners.map((corner, i) => {
    const before = normals[(i + normals.length - 1) % normals.length] ?? { x: 0, y: 0 };
    const after = normals[i] ?? { x: 0, y: 0 };
    const out = lengthOut / Math.max(1 + dot(before, after), SHARPEST);
    return { x: corner.x + out * (before.x + after.x), y: corner.y + out * (before.y + after.y) };
  });
}
