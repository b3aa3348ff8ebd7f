import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { box } from '../constructs/boxes';
import { typewriterInlines } from '../constructs/verbatim';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn } from '../scanning/optionLists';
import { isOn, type Keys, numberOf, style, word } from './listingKeys';
import {
  type CodePart,
  type CodeState,
  type Language,
  START,
  splitCode,
} from './listingsLanguages';

/** What stands for something else in a program: `{->}{{$\to$}}2`. */
interface Literal {
  readonly from: string;
  readonly to: readonly Token[];
  readonly columns: number;
}

/** How the parts of a program are set. */
export interface CodeLook {
  readonly keys: Keys;
  readonly language: Language;
  readonly literals: readonly Literal[];
  readonly escapes: readonly (readonly [string, string])[];
  readonly mathEscape: boolean;
  /** What stands between two signs is in a style of its own (`moredelim`). */
  readonly delims: readonly Delim[];
  readonly textComments: boolean;
  readonly tabSize: number;
  readonly stringBlanks: boolean;
  readonly blanks: boolean;
  /** Signs stand as near as they would in text. */
  readonly flexible: boolean;
}

export function codeLook(it: Interpreter, keys: Keys, language: Language): CodeLook {
  const char = tokensText(style(keys, 'escapechar')).replace(/^\\/, '');
  const inside = escapeMarks(style(keys, 'escapeinside'));
  return {
    keys,
    language,
    literals: literalsOf(style(keys, 'literate')),
    escapes: [...(char ? [[char, char] as const] : []), ...(inside ? [inside] : [])],
    mathEscape: isOn(it, keys, 'mathescape'),
    delims: delimsOf([...(keys.get('delim') ?? []), ...(keys.get('moredelim') ?? [])]),
    textComments: isOn(it, keys, 'texcl'),
    tabSize: Math.max(1, numberOf(it, keys, 'tabsize', 8)),
    stringBlanks: isOn(it, keys, 'showstringspaces', true),
    blanks: isOn(it, keys, 'showspaces'),
    flexible: /fullflexible/.test(word(it, keys, 'columns')),
  };
}

/** `{(*}{*)}`, or two single characters. */
function escapeMarks(tokens: readonly Token[]): readonly [string, string] | null {
  const marks = groupsIn(tokens).map((group) => tokensText(group).replace(/\\(?=[^A-Za-z])/g, ''));
  if (marks.length >= 2) return [marks[0] as string, marks[1] as string];
  const plain = tokensText(tokens)
    .replace(/\\(?=[^A-Za-z])/g, '')
    .trim();
  return plain.length >= 2 ? [plain[0] as string, plain.slice(1)] : null;
}

function literalsOf(tokens: readonly Token[]): Literal[] {
  const out: Literal[] = [];
  let at = 0;
  const group = (): Token[] | null => {
    while (tokens[at] && tokens[at]?.cat !== Cat.Begin) at++;
    if (!tokens[at]) return null;
    const start = ++at;
    for (let depth = 1; at < tokens.length; at++) {
      if (tokens[at]?.cat === Cat.Begin) depth++;
      else if (tokens[at]?.cat === Cat.End && --depth === 0) break;
    }
    return tokens.slice(start, at++);
  };
  for (;;) {
    const from = group();
    const to = from && group();
    if (!from || !to) return out.sort((a, b) => b.from.length - a.from.length);
    const digits: string[] = [];
    while (/^\d$/.test(tokens[at]?.text ?? '')) digits.push(tokens[at++]?.text ?? '');
    const spelt = tokensText(from).replace(/\\(?=[^A-Za-z])/g, '');
    if (spelt !== '') out.push({ from: spelt, to, columns: Number(digits.join('') || 1) });
  }
}

/** The work of a word in its style and of one without, in the measure of an expansion. */
const PART_WORK = 20;
const PLAIN_WORK = 2;

/** Tabs as blanks up to the next stop. */
export function untabbed(line: string, size: number): string {
  let out = '';
  for (const char of line) out += char === '\t' ? ' '.repeat(size - (out.length % size)) : char;
  return out;
}

/** A line of code in pieces that are set one after another; `state` says what was open before it. */
export function codeLine(
  it: Interpreter,
  line: string,
  look: CodeLook,
  state: CodeState = START,
): { readonly pieces: (readonly Inline[])[]; readonly state: CodeState } {
  const pieces: (readonly Inline[])[] = [];
  let open = state;
  for (const stretch of stretches(untabbed(line, look.tabSize), look)) {
    if (stretch.kind === 'text') {
      pieces.push(it.inlinesOf(it.source(stretch.text)));
      continue;
    }
    const { delim } = stretch;
    const split = splitCode(stretch.text, look.language, open);
    if (!delim) open = split.state;
    if (delim) {
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      it.execute(delim.style);
    }
    const parts: readonly CodePart[] =
      delim && !delim.more ? [{ kind: 'plain', text: stretch.text }] : split.parts;
    for (const part of parts) {
      const isPlain = part.kind === 'plain' || styleOfPart(part, look.keys).length === 0;
      if (!it.p.spend(isPlain ? PLAIN_WORK : PART_WORK, 'lstlisting'))
        return { pieces, state: open };
      for (const piece of partPieces(it, part, look)) pieces.push(piece);
    }
    if (delim) it.closeGroup();
  }
  return { pieces, state: open.open?.end === null ? START : open };
}

interface Stretch {
  readonly kind: 'code' | 'text' | 'delim';
  readonly text: string;
  readonly delim?: Delim;
}

/** `moredelim=**[is][style]{open}{close}`: signs, whether they are shown, and the style between them. */
export interface Delim {
  readonly open: string;
  /** Null: it goes to the end of the line. */
  readonly close: string | null;
  readonly shown: boolean;
  readonly style: readonly Token[];
  /** Words within have their own styles too. */
  readonly more: boolean;
}

/** Delimiters as the key says them; those whose type is not known are left out. */
export function delimsOf(values: readonly (readonly Token[])[]): Delim[] {
  return values.flatMap((value): Delim[] => {
    const stars = value.filter(({ text }, i) => text === '*' && i < 2).length;
    const options: Token[][] = [];
    let rest = value.slice(stars);
    while (rest[0]?.text === '[') {
      const end = rest.findIndex(({ text }) => text === ']');
      if (end < 0) break;
      options.push(rest.slice(1, end));
      rest = rest.slice(end + 1);
    }
    const type = tokensText(options[0] ?? []).trim();
    const signs = groupsIn(rest).map((group) => tokensText(group).replace(/\\(?=[^A-Za-z])/g, ''));
    const [open = '', close = open] = signs.length > 0 ? signs : [tokensText(rest).trim()];
    if (open === '' || !/^i?[sl]$/.test(type)) return [];
    const isLine = type.endsWith('l');
    const look = { open, shown: !type.startsWith('i'), style: options[1] ?? [], more: stars > 0 };
    return [{ ...look, close: isLine ? null : close }];
  });
}

/** A line cut where the language of documents is escaped to, and at delimiters. */
function stretches(line: string, look: CodeLook): Stretch[] {
  const marks: readonly (readonly [string, string | null, Delim?])[] = [
    ...look.escapes,
    ...(look.mathEscape ? [['$', '$'] as const] : []),
    ...look.delims.map((delim) => [delim.open, delim.close, delim] as const),
  ];
  if (marks.length === 0) return [{ kind: 'code', text: line }];
  const out: Stretch[] = [];
  let rest = line;
  while (rest !== '') {
    const starts = marks.map(([open]) => rest.indexOf(open)).map((at) => (at < 0 ? Infinity : at));
    const at = Math.min(...starts);
    const [open, close, delim] = marks[starts.indexOf(at)] ?? ['', ''];
    const closes = close === null ? rest.length : rest.indexOf(close, at + open.length);
    const end = at === Infinity ? -1 : closes;
    if (end < 0) {
      out.push({ kind: 'code', text: rest });
      break;
    }
    if (at > 0) out.push({ kind: 'code', text: rest.slice(0, at) });
    const inner = rest.slice(at + open.length, end);
    if (delim) {
      const text = delim.shown ? open + inner + (close ?? '') : inner;
      out.push({ kind: 'delim', text, delim });
    } else out.push({ kind: 'text', text: open === '$' ? `$${inner}$` : inner });
    rest = rest.slice(end + (close ?? '').length);
  }
  return out;
}

function styleOfPart({ kind, n = 1 }: CodePart, keys: Keys): readonly Token[] {
  const numbered = n > 1 ? `${n}` : '';
  switch (kind) {
    case 'plain':
      return [];
    case 'keyword':
      return style(
        keys,
        keys.has(`keywordstyle${numbered}`) ? `keywordstyle${numbered}` : 'keywordstyle',
      );
    case 'emph':
      return style(keys, keys.has(`emphstyle${numbered}`) ? `emphstyle${numbered}` : 'emphstyle');
    case 'directive':
      return style(keys, keys.has('directivestyle') ? 'directivestyle' : 'keywordstyle');
    case 'ndkeyword':
      return style(keys, keys.has('ndkeywordstyle') ? 'ndkeywordstyle' : 'keywordstyle');
    default:
      return style(keys, `${kind}style`);
  }
}

/** Bold where nothing is said, as listings does it: words of the language; comments lean. */
const STANDARD: Readonly<Record<string, string>> = {
  keyword: '\\bfseries ',
  ndkeyword: '\\bfseries ',
  directive: '\\bfseries ',
  comment: '\\itshape ',
};
const standardStyle = (it: Interpreter, { kind }: CodePart, keys: Keys): readonly Token[] =>
  keys.has(`${kind === 'directive' || kind === 'ndkeyword' ? 'keyword' : kind}style`)
    ? []
    : it.source(STANDARD[kind] ?? '');

/** Commands at the end of a style that take the word as their argument: what they come to. */
const TAKING: Readonly<Record<string, string>> = {
  textbf: '\\bfseries ',
  textit: '\\itshape ',
  textsl: '\\slshape ',
  textsc: '\\scshape ',
  texttt: '\\ttfamily ',
  emph: '\\itshape ',
  underbar: '',
};

/** A part in its style, cut into words and what stands between them. */
function partPieces(it: Interpreter, part: CodePart, look: CodeLook): (readonly Inline[])[] {
  const { p } = it;
  if (part.kind === 'comment' && look.textComments) return [textComment(it, part, look)];
  const own = styleOfPart(part, look.keys);
  const tokens = own.length > 0 ? own : standardStyle(it, part, look.keys);
  const visible = look.blanks || (part.kind === 'string' && look.stringBlanks);
  const set = (): (readonly Inline[])[] =>
    withLiterals(part.text, look.literals).flatMap((piece): (readonly Inline[])[] =>
      typeof piece === 'string'
        ? (piece.match(/ +|[^\s\w]|\w+|\s/g) ?? []).map((bit) =>
            codeInlines(it, bit, look, visible),
          )
        : [literal(it, piece, look)],
    );
  if (tokens.length === 0) return set();
  it.openGroup({ kind: 'semisimple', span: p.place });
  const taking = TAKING[tokens.at(-1)?.text ?? ''];
  it.execute(taking === undefined ? tokens : [...tokens.slice(0, -1), ...it.source(taking)]);
  const pieces = set();
  it.closeGroup();
  return pieces;
}

/** A comment whose words are the language of documents (`texcl`); the signs that begin it are as they are typed. */
function textComment(it: Interpreter, part: CodePart, look: CodeLook): readonly Inline[] {
  const [signs = ''] = /^[^\w\s\\$]*/.exec(part.text) ?? [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(styleOfPart(part, look.keys));
  const inlines = [
    ...typewriterInlines(it, signs, false, it.font.family),
    ...it.inlinesOf(it.source(part.text.slice(signs.length))),
  ];
  it.closeGroup();
  return inlines;
}

function withLiterals(text: string, literals: readonly Literal[]): (string | Literal)[] {
  if (literals.length === 0) return [text];
  const out: (string | Literal)[] = [];
  let plain = '';
  for (let i = 0; i < text.length;) {
    const found = literals.find(({ from }) => text.startsWith(from, i));
    if (!found) plain += text[i++];
    else {
      if (plain !== '') out.push(plain);
      plain = '';
      out.push(found);
      i += found.from.length;
    }
  }
  return plain === '' ? out : [...out, plain];
}

/** The width of a column: what a sign of typewriter takes, or 0.6 em. */
const column = (it: Interpreter): number =>
  it.font.family === 'mono'
    ? it.host.measure(typewriterInlines(it, 'x')).width
    : Math.round(0.6 * it.font.size);

function literal(
  it: Interpreter,
  { to, columns }: Literal,
  { flexible }: CodeLook,
): readonly Inline[] {
  const inlines = it.inlinesOf(to);
  return flexible ? inlines : [box(it, inlines, { width: columns * column(it) })];
}

/** Characters on a grid of 0.6 em, as listings sets them unless told otherwise; in typewriter they are as wide by themselves. */
function codeInlines(
  it: Interpreter,
  text: string,
  { flexible }: CodeLook,
  visible: boolean,
): Inline[] {
  if (it.font.family === 'mono') return typewriterInlines(it, text, visible);
  const at = it.p.place;
  const width = Math.round(0.6 * it.font.size);
  return [...text].flatMap((char): Inline[] => {
    if (char === ' ' && !visible) return [{ kind: 'kern', width, ...at }];
    const inlines: Inline[] = [
      { kind: 'text', text: char === ' ' ? '␣' : char, font: it.font, ...at },
    ];
    return flexible ? inlines : [box(it, inlines, { width })];
  });
}
