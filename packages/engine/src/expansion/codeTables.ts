import { categoryOf, Cat, withCategory } from '../tokens/categories';
import { activeName } from '../tokens/reader';
import { readGeneralText } from './arguments';
import { cellsBy } from './cells';
import { takePrefix } from './definitions';
import type { Primitive, Token } from './meaning';
import type { Processor } from './processor';
import { scanInt } from './scan';

type Table = 'lccode' | 'uccode' | 'sfcode' | 'mathcode' | 'delcode';

/** What a document assigns, by table and character; null where nothing was. */
const codes = cellsBy<number | null>('code', null);
const codeOf = (p: Processor, table: Table, char: number): number | null =>
  p.state.read(codes(`${table}:${char}`));

/** The values of the format where a document says nothing (The TeXbook, appendix B). */
function startOf(table: Table, char: number): number {
  const text = String.fromCodePoint(Math.max(0, char));
  const isLetter = text.toLowerCase() !== text.toUpperCase();
  if (table === 'lccode') return isLetter ? (text.toLowerCase().codePointAt(0) ?? 0) : 0;
  if (table === 'uccode') return isLetter ? (text.toUpperCase().codePointAt(0) ?? 0) : 0;
  if (table !== 'sfcode') return table === 'mathcode' ? char : -1;
  if (/[A-Z]/.test(text)) return 999;
  return { '.': 3000, '?': 3000, '!': 3000, ':': 2000, ';': 1500, ',': 1250 }[text] ?? 1000;
}

const codeTable = (name: Table): Primitive => ({
  kind: 'primitive',
  name,
  run: (p) => {
    const { global } = takePrefix(p);
    const char = scanInt(p);
    p.takeChar('=');
    p.state.write(codes(`${name}:${char}`), scanInt(p), global);
  },
  read: (p) => {
    const char = scanInt(p);
    return { type: 'count', value: codeOf(p, name, char) ?? startOf(name, char) };
  },
});

/** A character in the other case, by the document's table where it says so. */
function changed(p: Processor, table: 'lccode' | 'uccode', char: string): string {
  const own = codeOf(p, table, char.codePointAt(0) ?? 0);
  if (own !== null) return own === 0 ? char : String.fromCodePoint(own);
  return table === 'lccode' ? char.toLowerCase() : char.toUpperCase();
}

/** `\lowercase`, `\uppercase`: characters of the argument, commands left alone. Active ones change their meaning too. */
const changeCase = (name: string, table: 'lccode' | 'uccode'): Primitive => ({
  kind: 'primitive',
  name,
  run: (p, caller) => {
    const tokens = readGeneralText(p, caller);
    p.push(
      tokens.map((t): Token => {
        if (t.cat === Cat.Command) return t;
        const text = [...t.text].map((char) => changed(p, table, char)).join('');
        if (text === t.text) return t;
        return t.cat === Cat.Active
          ? { ...t, text, cell: p.state.cell(activeName(text)) }
          : { ...t, text };
      }),
    );
  },
});

/** Carriage returns end lines as newlines do here. */
const [RETURN, NEWLINE] = [13, 10];

const catcode: Primitive = {
  kind: 'primitive',
  name: 'catcode',
  run: (p) => {
    const prefix = takePrefix(p);
    const named = scanInt(p);
    const char = named === RETURN ? NEWLINE : named;
    p.takeChar('=');
    const cat = scanInt(p);
    if (cat >= 0 && cat <= 15 && char >= 0)
      p.setCategories(withCategory(p.categories, char, cat), prefix.global);
  },
  read: (p) => ({
    type: 'count',
    value: categoryOf(p.categories, Math.max(0, scanInt(p))),
  }),
};

/** Tables of codes by character, and the change of case that goes by two of them (The TeXbook, chapter 7). */
export const codeTables: readonly Primitive[] = [
  catcode,
  changeCase('lowercase', 'lccode'),
  changeCase('uppercase', 'uccode'),
  ...(['lccode', 'uccode', 'sfcode', 'mathcode', 'delcode'] as const).map(codeTable),
];
