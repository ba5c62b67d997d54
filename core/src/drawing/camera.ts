/** A place in the scene: metres to the right along the wall, up, and out of the wall towards who looks. */
export type Place = readonly [x: number, y: number, z: number];
/** A place in the picture, in pixels from its upper left corner. */
export type Pixel = readonly [x: number, y: number];

/** Where a picture is taken from, and how large it is. */
export interface Camera {
  readonly from: Place;
  /** Turned to the right and upwards, in radians. */
  readonly yaw: number;
  readonly pitch: number;
  /** Distance, in pixels, at which a metre is as many pixels long. */
  readonly focalPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Where a place of the scene is in the picture. */
export function project({ from, yaw, pitch, focalPx, widthPx, heightPx }: Camera, [x, y, z]: Place): Pixel {
  const [dx, dy, dz] = [x - from[0], y - from[1], z - from[2]];
  const right = dx * Math.cos(yaw) + dz * Math.sin(yaw);
  const ahead = dx * Math.sin(yaw) - dz * Math.cos(yaw);
  const up = dy * Math.cos(pitch) - ahead * Math.sin(pitch);
  const depth = Math.max(0.05, dy * Math.sin(pitch) + ahead * Math.cos(pitch));
  return [widthPx / 2 + (focalPx * right) / depth, heightPx / 2 - (focalPx * up) / depth];
}

/** Size of a flat outline, in the unit of its places squared. */
export function areaOf(outline: readonly (readonly [number, number])[]): number {
  const twice = outline.reduce((sum, [x, y], i) => {
    const [nextX, nextY] = outline[(i + 1) % outline.length] ?? [0, 0];
    return sum + x * nextY - nextX * y;
  }, 0);
  return Math.abs(twice) / 2;
}
