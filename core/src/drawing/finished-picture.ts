import type { Ink } from './ink';

/** The light of a torch over all of a picture, brightest a little off the middle; darker the less daylight there is. */
export function torchLight({ between, camera: { widthPx, heightPx } }: Ink, daylight: number): string {
  const [cx, cy] = [between(0.44, 0.56), between(0.42, 0.54)];
  const dark = (1 - daylight).toFixed(2);
  return (
    `<radialGradient id="torch" cx="${cx.toFixed(3)}" cy="${cy.toFixed(3)}" r="0.62">` +
    '<stop offset="0" stop-color="#fff3d0" stop-opacity="0.16"/>' +
    '<stop offset="0.35" stop-color="#0a0d14" stop-opacity="0.04"/>' +
    `<stop offset="1" stop-color="#05070c" stop-opacity="${dark}"/></radialGradient>` +
    `<rect width="${widthPx}" height="${heightPx}" fill="url(#torch)"/>`
  );
}

/** All that was drawn as an SVG, under a light, with the words that say what the picture is. */
export function finishedPicture(ink: Ink, light: string): string {
  const { widthPx, heightPx } = ink.camera;
  const { defs, body } = ink.drawn();
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" font-family="sans-serif">` +
    `<defs>${defs}</defs><rect width="${widthPx}" height="${heightPx}" fill="#1a1712"/>${body}${light}` +
    `<rect x="0" y="${heightPx - 44}" width="232" height="44" fill="#05070c" fill-opacity="0.6"/>` +
    `<text x="18" y="${heightPx - 14}" font-size="24" fill="#f4f1ea" letter-spacing="2">drawn sample</text></svg>`
  );
}
