import { readdirSync, readFileSync, writeFileSync, existsSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import subsetFont from 'subset-font';

const require = createRequire(import.meta.url);
const sources = join(import.meta.dirname, 'src');
const folder = join(sources, 'ui', 'icon-font');

/** Icons that pieces of Paper draw by themselves. */
const OF_PAPER = ['check', 'close', 'magnify', 'menu-down', 'chevron-left', 'chevron-right', 'alert-circle'];
/** Any word in quotes that is the name of an icon: a few glyphs too many cost less than one that is missing. */
const USED = /['"]([a-z][a-z0-9-]+)['"]/g;

function sourceFiles(path) {
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) => {
    const full = join(path, entry.name);
    if (entry.isDirectory()) return sourceFiles(full);
    return /\.tsx?$/.test(entry.name) && !entry.name.includes('.test.') ? [full] : [];
  });
}

/** Glyphs of the icons that the sources name, by name: code points of the icon font. */
export function usedGlyphs() {
  const all = require('@expo/vector-icons/build/vendor/react-native-vector-icons/glyphmaps/MaterialCommunityIcons.json');
  const named = sourceFiles(sources).flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(USED)].map(([, name]) => name),
  );
  const names = [...new Set([...OF_PAPER, ...named])].filter((name) => Object.hasOwn(all, name)).sort();
  return Object.fromEntries(names.map((name) => [name, all[name]]));
}

async function writeFont() {
  const glyphs = usedGlyphs();
  const text = `${JSON.stringify(glyphs, null, 2)}\n`;
  const list = join(folder, 'glyphs.json');
  if (existsSync(list) && readFileSync(list, 'utf8') === text) return;
  const whole =
    require.resolve('@expo/vector-icons/build/vendor/react-native-vector-icons/Fonts/MaterialCommunityIcons.ttf');
  const letters = Object.values(glyphs)
    .map((code) => String.fromCodePoint(code))
    .join('');
  writeFileSync(
    join(folder, 'icons.ttf'),
    await subsetFont(readFileSync(whole), letters, { targetFormat: 'truetype' }),
  );
  writeFileSync(list, text);
}

if (process.argv[1] === import.meta.filename) await writeFont();
