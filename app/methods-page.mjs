import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Marked } from 'marked';

const book = join(import.meta.dirname, '..', 'docs', 'methods.md');
/** What is put beside the app as it is; made, and ignored by git. */
const folder = join(import.meta.dirname, 'public');

const STYLE = `
:root{color-scheme:light dark;--paper:#F4F1EA;--card:#FFF;--ink:#14202A;--soft:#4A555E;--line:#D8D2C4;--lake:#134A73}
@media (prefers-color-scheme:dark){:root{--paper:#0E161C;--card:#17222B;--ink:#EEF2F4;--soft:#B2BDC5;--line:#3A4A56;--lake:#8AC6F4}}
body{margin:0 auto;max-width:52rem;padding:1rem 1rem 6rem;background:var(--paper);color:var(--ink);font:1rem/1.5 CalvetText,sans-serif}
h1,h2,h3,strong,th{font-family:CalvetTextBold,sans-serif;font-weight:400}
h1{font-size:1.6rem;line-height:1.2;margin:2.5rem 0 .5rem;border-top:1px solid var(--line);padding-top:1rem}
h1:first-of-type{border:0;margin-top:0}
h2,h3{font-size:1.15rem;margin:2rem 0 .5rem;scroll-margin-top:1rem}
h3:target{background:var(--card);outline:.5rem solid var(--card);border-left:4px solid var(--lake);padding-left:.6rem}
a{color:var(--lake)}
code{font-family:CalvetFigure,monospace;font-size:.9em;overflow-wrap:anywhere}
pre{background:var(--card);border:1px solid var(--line);padding:.75rem;overflow-x:auto}
pre code{overflow-wrap:normal}
table{border-collapse:collapse}td,th{border-top:1px solid var(--line);padding:.35rem .75rem .35rem 0;text-align:left;vertical-align:top}
`;

/** The anchor of a section: `insulation.battCompression` → `insulation-batt-compression`. */
const anchorOf = (name) => name.replace('.', '-').replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** The book as a page; each computation's heading carries its anchor. */
export function methodsPage(markdown) {
  const renderer = {
    heading({ tokens, depth }) {
      const name = tokens.find(
        ({ type, text }) => type === 'codespan' && /^[a-zA-Z]+\.[a-zA-Z]+$/.test(text),
      )?.text;
      const id = name === undefined ? '' : ` id="${anchorOf(name)}"`;
      return `<h${depth}${id}>${this.parser.parseInline(tokens)}</h${depth}>\n`;
    },
  };
  const body = new Marked({ renderer }).parse(markdown);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Methods – Calvet</title>
<link rel="stylesheet" href="/fonts/fonts.css">
<style>${STYLE}</style>
</head>
<body>
<p><a href="/bench">To the bench</a></p>
${body}</body>
</html>
`;
}

/** Writes the page to where the export of the app takes them up. */
export function writeMethodsPage() {
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, 'methods.html'), methodsPage(readFileSync(book, 'utf8')));
}

if (process.argv[1] === import.meta.filename) writeMethodsPage();
