import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import subsetFont from 'subset-font';

const require = createRequire(import.meta.url);
const sources = join(import.meta.dirname, 'src');
const glyphList = join(sources, 'ui', 'icon-font', 'glyphs.json');
/** Where the export of the app takes them up; made, and ignored by git. */
const folder = join(import.meta.dirname, 'public', 'fonts');

const families = JSON.parse(readFileSync(join(sources, 'ui', 'font-families.json'), 'utf8'));

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

const atkinson = (width, weight) =>
  `@expo-google-fonts/atkinson-hyperlegible-${width.toLowerCase()}/${weight}/AtkinsonHyperlegible${width}_${weight}.ttf`;

const SOURCES = {
  text: atkinson('Next', '400Regular'),
  bold: atkinson('Next', '700Bold'),
  heavy: atkinson('Next', '800ExtraBold'),
  figure: atkinson('Mono', '400Regular'),
  figureBold: atkinson('Mono', '700Bold'),
  icons: '@expo/vector-icons/build/vendor/react-native-vector-icons/Fonts/MaterialCommunityIcons.ttf',
};

/** What the app itself writes stands in the first; letters that names may need beside them are fetched where they occur. */
const LETTERS = [
  {
    part: '',
    ranges: [
      [0x20, 0xff],
      [0x370, 0x3ff],
      [0x2000, 0x2bff],
    ],
  },
  {
    part: '-more',
    ranges: [
      [0x100, 0x36f],
      [0x400, 0x1fff],
    ],
  },
];

const lettersIn = (ranges) =>
  ranges
    .flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)))
    .join('');

const hex = (code) => code.toString(16).toUpperCase();
const unicodeRange = (ranges) => ranges.map(([from, to]) => `U+${hex(from)}-${hex(to)}`).join(',');

/** Makes one file of a font, its name with a hash of it, and the rule that names it. */
async function writeSubset(name, part, letters, more) {
  const whole = readFileSync(require.resolve(SOURCES[name]));
  const subset = await subsetFont(whole, letters, { targetFormat: 'woff2' });
  const hash = createHash('sha256').update(subset).digest('hex').slice(0, 32);
  const file = `${name}${part}.${hash}.woff2`;
  writeFileSync(join(folder, file), subset);
  return `@font-face{font-family:${families[name]};src:url(/fonts/${file}) format("woff2");${more}}`;
}

/** Makes the fonts of the app, and the style sheet that names them, as files beside it. */
export async function writeFonts() {
  const glyphs = usedGlyphs();
  const text = `${JSON.stringify(glyphs, null, 2)}\n`;
  const mark = join(folder, '.made');
  const wanted = text + JSON.stringify(SOURCES) + readFileSync(import.meta.filename, 'utf8');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  writeFileSync(glyphList, text);
  const icons = Object.values(glyphs).map((code) => String.fromCodePoint(code));
  const rules = [await writeSubset('icons', '', icons.join(''), 'font-display:block')];
  for (const name of Object.keys(SOURCES).filter((each) => each !== 'icons')) {
    for (const { part, ranges } of LETTERS) {
      const more = `font-display:swap;unicode-range:${unicodeRange(ranges)}`;
      rules.push(await writeSubset(name, part, lettersIn(ranges), more));
    }
  }
  writeFileSync(join(folder, 'fonts.css'), `${rules.join('\n')}\n`);
  writeFileSync(mark, wanted);
}

if (process.argv[1] === import.meta.filename) await writeFonts();
