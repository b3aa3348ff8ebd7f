import { PT } from '../../base/lengths';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { numberIn, placeOf } from './coordinates';
import type { Graphics } from './graphics';
import type { PathReader } from './pathReader';
import type { Walk } from './walk';
import { bare, partsOf, wordsOf } from './words';

/** `let \p1 = (A), \n1 = {…} in`: names for places and numbers in what follows. */
export function readLet(reader: PathReader, walk: Walk): void {
  const { it, reading } = reader;
  const { p } = it;
  const tokens: Token[] = [];
  for (let token = p.next(); token !== null; token = p.next()) {
    if (token.cat === STOP) {
      p.unread(token);
      break;
    }
    // ` in ` stands behind a blank.
    if (token.cat === Cat.Letter && token.text === 'i' && tokens.at(-1)?.cat === Cat.Space) {
      const second = p.next();
      if (second?.text === 'n') break;
      if (second) p.unread(second);
    }
    tokens.push(token);
  }
  const written = tokens.map((t) => (t.cat === Cat.Command ? `\\${t.text} ` : t.text)).join('');
  for (const part of partsOf(written, ',')) {
    const eq = part.indexOf('=');
    const name = /^\\([pn])\s*\{?([^{}]+?)\}?\s*$/.exec(part.slice(0, eq).trim());
    if (!name || eq < 0) continue;
    const value = bare(wordsOf(it, it.source(part.slice(eq + 1).trim())));
    if (name[1] === 'p') namePoint(reader, name[2] ?? '', value, walk.g);
    else {
      const { value: number, hasUnit } = numberIn(reading, value);
      nameValue(reader, 'n', name[2] ?? '', `${number.toFixed(5)}${hasUnit ? 'pt' : ''}`);
    }
  }
}

/** `\p1` gives both coordinates of a place, `\x1` and `\y1` one each. */
function namePoint(reader: PathReader, key: string, words: string, g: Graphics): void {
  const { at } = placeOf(reader.reading, g, words.replace(/^\(([\s\S]*)\)$/, '$1'));
  const [x, y] = [`${(at.x / PT).toFixed(5)}pt`, `${(at.y / PT).toFixed(5)}pt`];
  nameValue(reader, 'p', key, `${x},${y}`);
  nameValue(reader, 'x', key, x);
  nameValue(reader, 'y', key, y);
}

/** `\n1` and its kin look for what their argument names. */
function nameValue({ it }: PathReader, letter: string, key: string, value: string): void {
  it.define(`let:${letter}${key}`, value);
  it.define(letter, `\\csname let:${letter}#1\\endcsname`, 1);
}
