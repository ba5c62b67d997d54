import { SHELVES, wordsOf, type Shelf } from './catalogue';

/** Small letters and figures alone: `R-Value` and `r value` are one. */
function folded(text: string): string {
  return text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

const joined = (text: string): string => folded(text).replaceAll(' ', '');

/** True where every word that was typed is found, or all of them written as one. */
function goesBy(wanted: string, text: string): boolean {
  const words = folded(wanted).split(' ');
  const all = ` ${folded(text)}`;
  return words.every((word) => all.includes(word)) || joined(text).includes(joined(wanted));
}

/** What can be worked out that goes by these words, shelf by shelf; everything where nothing was typed. */
export function shelvesFor(wanted: string): readonly Shelf[] {
  return SHELVES.map(({ title, names }) => ({
    title,
    names: names.filter((name) => {
      const { title: own, tells, alsoCalled } = wordsOf(name);
      return goesBy(wanted, `${title}, ${own}, ${tells}, ${alsoCalled}`);
    }),
  })).filter(({ names }) => names.length > 0);
}
