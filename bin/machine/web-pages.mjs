import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { pagesIn } from './pages.mjs';

const scriptFolder = (folder) => join(folder, '_expo', 'static', 'js', 'web');

/** Which files of the app went into which script; what says so is of no use to anyone who opens the app, and goes. */
function takeScriptContents(folder) {
  const scripts = readdirSync(scriptFolder(folder)).filter((name) => name.endsWith('.js'));
  return scripts.map((name) => {
    const file = join(scriptFolder(folder), name);
    const { sources } = JSON.parse(readFileSync(`${file}.map`, 'utf8'));
    rmSync(`${file}.map`);
    writeFileSync(file, readFileSync(file, 'utf8').replace(/\n\/\/# (sourceMappingURL|debugId)=.*/g, ''));
    const own = sources.flatMap((source) => /^\/app\/(src\/.*)$/.exec(source)?.[1] ?? []);
    return { url: `/_expo/static/js/web/${name}`, files: new Set(own) };
  });
}

/** Letters that the app itself writes; others are fetched where they occur. */
const FIRST_FONTS = /\/fonts\/(?:(?!-more\.)[^)])*\.woff2/g;

/** The page names its fonts itself, instead of leading to a file that does. */
function withFonts(page, styles) {
  const link = '<link rel="stylesheet" href="/fonts/fonts.css" />';
  if (!page.includes(link)) throw new Error('The page does not name its fonts.');
  const fonts = [...styles.matchAll(FIRST_FONTS)].map(
    ([href]) => `<link rel="preload" href="${href}" as="font" type="font/woff2" crossorigin />`,
  );
  return page.replace(link, `${fonts.join('')}<style>${styles.trim()}</style>`);
}

/**
 * Makes the page fetch in one go what it needs: fonts and scripts are named in it. Which scripts an address needs beside
 * those of every page is written into `pages.json`, by address.
 */
export function finishPages(folder, appFolder) {
  const file = join(folder, 'index.html');
  const styles = readFileSync(join(folder, 'fonts', 'fonts.css'), 'utf8');
  const page = withFonts(readFileSync(file, 'utf8'), styles);
  writeFileSync(file, page);
  const scripts = takeScriptContents(folder).filter(({ url }) => !page.includes(url));
  const pages = Object.entries(pagesIn(join(appFolder, 'src', 'routes'))).map(([address, files]) => [
    address,
    scripts.filter((script) => files.some((file) => script.files.has(file))).map(({ url }) => url),
  ]);
  writeFileSync(join(folder, 'pages.json'), JSON.stringify(Object.fromEntries(pages), null, 1));
}

const PACKED = /\.(js|css|html|json|webmanifest)$/;
const LEAST_BYTES = 1000;

/** Packs what is text as tightly as can be, once, instead of at each request. */
export function packFiles(folder) {
  const files = readdirSync(folder, { recursive: true }).map(String);
  for (const name of files.filter((each) => PACKED.test(each))) {
    const content = readFileSync(join(folder, name));
    if (content.length < LEAST_BYTES) continue;
    const size = { [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(content, { params: size }));
    writeFileSync(join(folder, `${name}.gz`), gzipSync(content, { level: 9 }));
  }
}
