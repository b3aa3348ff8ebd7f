import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { classesOf, gathered, isOn, type Keys, languageKeys, style, wordsOf } from './listingKeys';
import { nearestName } from '../../base/nearest';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** What marks words, comments and strings in a programming language. */
interface Known {
  readonly keywords: ReadonlySet<string>;
  readonly lineComments: readonly string[];
  readonly blockComments?: readonly (readonly [string, string])[];
  readonly strings: string;
  /** Marks of strings that go on over lines. */
  readonly longStrings?: readonly string[];
  /** Words behind a # at the start of a line. */
  readonly directives?: boolean;
  /** Capitals and small letters are the same. */
  readonly anyCase?: boolean;
  /** Words that stand out behind a backslash alone. */
  readonly texcs?: ReadonlySet<string>;
}

/** The same with what a document adds to it: words by their classes, those that stand out. */
export interface Language extends Omit<Known, 'keywords' | 'texcs'> {
  readonly keywords: ReadonlyMap<string, number>;
  readonly texcs: ReadonlyMap<string, number>;
  readonly ndkeywords: ReadonlySet<string>;
  readonly emph: ReadonlyMap<string, number>;
  /** Characters that words are made of besides letters, digits and _. */
  readonly letters: string;
}

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));

const C_LIKE =
  'break case char const continue default do double else enum extern float for goto if int long register return short signed sizeof static struct switch typedef union unsigned void volatile while';

const SLASHES = [['/*', '*/']] as const;

const LANGUAGES: Readonly<Record<string, Known>> = {
  python: {
    keywords: words(
      'and as assert async await break class continue def del elif else except False finally for from global if import in is lambda None nonlocal not or pass print raise return True try while with yield',
    ),
    lineComments: ['#'],
    strings: '"\'',
    longStrings: ['"""', "'''"],
  },
  c: {
    keywords: words(C_LIKE),
    lineComments: ['//'],
    blockComments: SLASHES,
    strings: '"\'',
    directives: true,
  },
  'c++': {
    keywords: words(
      `${C_LIKE} auto bool catch class constexpr delete explicit export false friend inline mutable namespace new nullptr operator private protected public template this throw true try typename using virtual`,
    ),
    lineComments: ['//'],
    blockComments: SLASHES,
    strings: '"\'',
    directives: true,
  },
  java: {
    keywords: words(
      `${C_LIKE} abstract boolean byte catch class extends false final finally implements import instanceof interface new null package private protected public super synchronized this throw throws true try`,
    ),
    lineComments: ['//'],
    blockComments: SLASHES,
    strings: '"\'',
  },
  matlab: {
    keywords: words(
      'break case catch continue else elseif end for function global if otherwise persistent return switch try while',
    ),
    lineComments: ['%'],
    strings: "'",
  },
  r: {
    keywords: words(
      'break else FALSE for function if in Inf NA NaN next NULL repeat return TRUE while library',
    ),
    lineComments: ['#'],
    strings: '"\'',
  },
  haskell: {
    keywords: words(
      'case class data deriving do else if import in infix infixl infixr instance let module newtype of then type where',
    ),
    lineComments: ['--'],
    blockComments: [['{-', '-}']],
    strings: '"',
  },
  sql: {
    keywords: words(
      'SELECT FROM WHERE AND OR NOT INSERT INTO VALUES UPDATE SET DELETE CREATE TABLE JOIN ON GROUP BY ORDER HAVING AS',
    ),
    lineComments: ['--'],
    blockComments: SLASHES,
    strings: "'",
    anyCase: true,
  },
  javascript: {
    keywords: words(
      'await async break case catch class const continue default delete do else export extends false finally for function if import in instanceof let new null return super switch this throw true try typeof undefined var void while yield',
    ),
    lineComments: ['//'],
    blockComments: SLASHES,
    strings: '"\'`',
  },
  bash: {
    keywords: words(
      'case do done elif else esac fi for function if in then until while export return',
    ),
    lineComments: ['#'],
    strings: '"\'',
  },
  tex: {
    keywords: new Set(),
    texcs: words(
      'addtocounter alph appendix arabic author begin bibliography bibliographystyle bigskip caption centering chapter cite cleardoublepage clearpage date def documentclass edef else emph end ensuremath fi footnote frac gdef hfill hline hspace if ifnum ifx include includegraphics input item itshape label left let linebreak long maketitle makeatletter makeatother mathbb mathbf mathrm medskip multicolumn newcommand newcounter newenvironment newlength newline newpage newtheorem noindent pageref pagestyle par paragraph part providecommand ref relax renewcommand renewenvironment right section setcounter setlength sqrt subsection subsubsection sum table tableofcontents textbf textit textrm textsc textsf texttt textwidth thispagestyle title today url usepackage verb vspace',
    ),
    lineComments: ['%'],
    strings: '',
  },
  html: {
    keywords: words('html head body div span p a img table tr td th ul li ol script style title'),
    lineComments: [],
    blockComments: [['<!--', '-->']],
    strings: '"',
    anyCase: true,
  },
  julia: {
    keywords: words(
      'baremodule begin break catch const continue do else elseif end export false finally for function global if import let local macro module quote return struct true try using while',
    ),
    lineComments: ['#'],
    blockComments: [['#=', '=#']],
    strings: '"',
    longStrings: ['"""'],
  },
  octave: {
    keywords: words(
      'break case catch continue else elseif end endif endfor endwhile endfunction for function global if otherwise return switch try while',
    ),
    lineComments: ['%', '#'],
    strings: '"\'',
  },
  pascal: {
    keywords: words(
      'and array begin case const div do downto else end file for function goto if in label mod nil not of or packed procedure program record repeat set then to type until var while with',
    ),
    lineComments: ['//'],
    blockComments: [
      ['{', '}'],
      ['(*', '*)'],
    ],
    strings: "'",
    anyCase: true,
  },
  fortran: {
    keywords: words(
      'allocate call case character complex contains cycle deallocate dimension do double else elseif end enddo endif exit function if implicit in inout integer intent interface logical module none only out parameter precision print program read real recursive return select stop subroutine then type use where while write',
    ),
    lineComments: ['!'],
    strings: '"\'',
    anyCase: true,
  },
  lisp: {
    keywords: words('defun let lambda if cond car cdr cons setq defmacro progn loop'),
    lineComments: [';'],
    strings: '"',
  },
  prolog: {
    keywords: words('is mod not fail true'),
    lineComments: ['%'],
    blockComments: SLASHES,
    strings: "'",
  },
  make: {
    keywords: words('ifdef ifndef ifeq ifneq else endif include define endef'),
    lineComments: ['#'],
    strings: '',
  },
  xml: { keywords: new Set(), lineComments: [], blockComments: [['<!--', '-->']], strings: '"' },
  mathematica: {
    keywords: words(
      'Module Block With If While For Do Table Plot Solve Function Return Sin Cos Exp Log',
    ),
    lineComments: [],
    blockComments: [['(*', '*)']],
    strings: '"',
  },
};
/** Other names of the same. */
const ALSO: Readonly<Record<string, string>> = {
  sh: 'bash', ksh: 'bash', csh: 'bash', cpp: 'c++', latex: 'tex', wolfram: 'mathematica', py: 'python', js: 'javascript', delphi: 'pascal',
}; // prettier-ignore

const NONE: Known = { keywords: new Set(), lineComments: [], strings: '' };

const plainName = (name: string): string =>
  name
    .replace(/^\[.*\]/, '')
    .replace(/[{}]/g, '')
    .trim()
    .toLowerCase();

/** The language of a name such as `Python` or `[ISO]C++`, with what the document defines and adds. */
/** Languages that listings has besides those whose words are known here (its manual, section 2.2). */
const OTHERS =
  'abap acm acmscript acsl ada algol ant assembler awk basic bash c c++ caml cil clean cobol command.com comal 80 comsol csh delphi eiffel elan elisp erlang euphoria fortran gap gcl gnuplot go hansl haskell html idl inform java jvmis ksh lingo lisp llvm logo lua make mathematica matlab mercury metapost miranda mizar ml modula-2 mupad nastran oberon-2 ocl octave orc oz pascal perl php pl/i plasm postscript pov prolog promela pstricks python r reduce rexx rsl ruby s sas scala scilab sh shelxl simula sml sparql sql swift tcl tex vbscript verilog vhdl vrml xml xslt'.split(
    ' ',
  );

/** A language that listings does not have, where a near one is; others may come with a file of their own. */
function tellLanguage(it: Interpreter, keys: Keys): void {
  const written = style(keys, 'language');
  const name = tokensText(written)
    .replace(/^\[[^\]]*\]/, '')
    .trim();
  const small = name.toLowerCase();
  if (OTHERS.includes(small) || !/^[A-Za-z+-]+$/.test(name)) return;
  const near = nearestName(small, [...OTHERS, ...Object.keys(LANGUAGES)]);
  if (near === null) return;
  tellUnknownKey(it, written, [], near.charAt(0).toUpperCase() + near.slice(1));
}

export function languageOf(it: Interpreter, keys: Keys): Language {
  const name = plainName(tokensText(style(keys, 'language')));
  const own = it.read(languageKeys(name));
  const base = own ? plainName(own.base) : name;
  const known = LANGUAGES[ALSO[base] ?? base] ?? NONE;
  if (known === NONE && base !== '') tellLanguage(it, keys);
  const said = own ? withDefinition(it, own.keys, keys) : keys;
  const anyCase = said.has('sensitive') ? !isOn(it, said, 'sensitive') : (known.anyCase ?? false);
  const spelt = (word: string): string => (anyCase ? word.toLowerCase() : word);
  const keywords = new Map<string, number>(
    [...known.keywords].map((word) => [spelt(word), 1] as const),
  );
  if (said.has('keywords')) keywords.clear();
  for (const key of ['keywords', 'morekeywords', 'otherkeywords', 'directives', 'moredirectives'])
    for (const n of classesOf(said, key))
      for (const word of wordsOf(it, said, n > 1 ? `${key}${n}` : key))
        keywords.set(spelt(word), n);
  for (const word of wordsOf(it, said, 'deletekeywords')) keywords.delete(spelt(word));
  const texcs = new Map<string, number>([...(known.texcs ?? [])].map((word) => [word, 1] as const));
  for (const key of ['texcs', 'moretexcs'])
    for (const n of classesOf(said, key))
      for (const word of wordsOf(it, said, n > 1 ? `${key}${n}` : key)) texcs.set(word, n);
  const emph = new Map<string, number>();
  for (const key of ['emph', 'moreemph'])
    for (const n of classesOf(said, key))
      for (const word of wordsOf(it, said, n > 1 ? `${key}${n}` : key)) emph.set(word, n);
  const { line, block } = commentsOf(said);
  const strings = [...(said.get('string') ?? []), ...(said.get('morestring') ?? [])].map((value) =>
    tokensText(value)
      .replace(/\[[^\]]*\]/, '')
      .replace(/[{}\\]/g, '')
      .trim(),
  );
  return {
    ...known,
    keywords,
    texcs,
    ndkeywords: new Set([
      ...wordsOf(it, said, 'ndkeywords'),
      ...wordsOf(it, said, 'morendkeywords'),
    ]),
    emph,
    anyCase,
    lineComments: [...known.lineComments, ...line],
    blockComments: [...(known.blockComments ?? []), ...block],
    strings: known.strings + strings.join(''),
    letters: tokensText(style(said, 'alsoletter')).replace(/[{},\s]/g, ''),
  };
}

/** What the definition of a language says, before what is said of the program. */
function withDefinition(it: Interpreter, definition: readonly Token[], keys: Keys): Keys {
  const own = new Map(gathered(it, definition));
  for (const [key, values] of keys) own.set(key, [...(own.get(key) ?? []), ...values]);
  return own;
}

/** Comments that a document adds: `[l]//`, `[s]{/*}{*}/`. */
function commentsOf(keys: Keys): { line: string[]; block: (readonly [string, string])[] } {
  const line: string[] = [];
  const block: (readonly [string, string])[] = [];
  for (const value of [...(keys.get('comment') ?? []), ...(keys.get('morecomment') ?? [])]) {
    const text = tokensText(value);
    const kind = /^\[(\w)/.exec(text)?.[1] ?? 'l';
    const marks = text
      .replace(/^\[[^\]]*\]/, '')
      .split(/[{}]+/)
      .map((mark) => mark.replace(/\\(?=[^A-Za-z])/g, '').trim())
      .filter((mark) => mark !== '');
    const [first, second] = marks;
    if (first && kind === 'l') line.push(first);
    else if (first && second) block.push([first, second]);
  }
  return { line, block };
}

export interface CodePart {
  readonly text: string;
  readonly kind:
    'plain' | 'keyword' | 'ndkeyword' | 'emph' | 'directive' | 'comment' | 'string' | 'identifier';
  /** The class of a word. */
  readonly n?: number;
}

/** What is open behind a stretch of a line: a comment or a string, and what ends it; null is the end of the line. */
export interface CodeState {
  readonly open: { readonly kind: 'comment' | 'string'; readonly end: string | null } | null;
}
export const START: CodeState = { open: null };

/** A line of code cut into words, strings and comments; of those that go on over lines, what is open behind it. */
export function splitCode(
  line: string,
  language: Language,
  state: CodeState = START,
): { readonly parts: CodePart[]; readonly state: CodeState } {
  const parts: CodePart[] = [];
  let plain = '';
  const add = (text: string, kind: CodePart['kind'], n?: number): void => {
    if (plain !== '') parts.push({ text: plain, kind: 'plain' });
    plain = '';
    if (text !== '') parts.push({ text, kind, ...(n === undefined ? {} : { n }) });
  };
  let { open } = state;
  const wordAt = new RegExp(
    `[A-Za-z_${language.letters.replace(/[\\\]^-]/g, '\\$&')}][\\w${language.letters.replace(/[\\\]^-]/g, '\\$&')}]*`,
    'y',
  );
  for (let i = 0; i < line.length;) {
    if (open) {
      const end = open.end === null ? -1 : line.indexOf(open.end, i);
      const to = end < 0 ? line.length : end + (open.end?.length ?? 0);
      add(line.slice(i, to), open.kind);
      if (end >= 0) open = null;
      i = to;
      continue;
    }
    const long = language.longStrings?.find((mark) => line.startsWith(mark, i));
    const block = language.blockComments?.find(([mark]) => line.startsWith(mark, i));
    if (long || block) {
      const [begin, end] = block ?? [long as string, long as string];
      const at = line.indexOf(end, i + begin.length);
      const to = at < 0 ? line.length : at + end.length;
      const kind = block ? 'comment' : 'string';
      add(line.slice(i, to), kind);
      if (at < 0) open = { kind, end };
      i = to;
      continue;
    }
    if (language.lineComments.some((sign) => line.startsWith(sign, i))) {
      add(line.slice(i), 'comment');
      open = { kind: 'comment', end: null };
      break;
    }
    const char = line[i] as string;
    if (language.strings.includes(char)) {
      const to = closing(line, i, char);
      add(line.slice(i, to), 'string');
      i = to;
      continue;
    }
    wordAt.lastIndex = i;
    const word = wordAt.exec(line)?.[0];
    if (word === undefined) {
      const directive =
        char === '#' && language.directives ? /^#\s*\w+/.exec(line.slice(i))?.[0] : undefined;
      if (directive && line.slice(0, i).trim() === '') add(directive, 'directive');
      else plain += char;
      i += directive && line.slice(0, i).trim() === '' ? directive.length : 1;
      continue;
    }
    const spelt = language.anyCase ? word.toLowerCase() : word;
    const emph = language.emph.get(word);
    const behindStroke = line[i - 1] === '\\' ? language.texcs.get(word) : undefined;
    const keyword = language.keywords.get(spelt) ?? behindStroke;
    if (emph !== undefined) add(word, 'emph', emph);
    else if (keyword !== undefined) add(word, 'keyword', keyword);
    else if (language.ndkeywords.has(word)) add(word, 'ndkeyword');
    else add(word, 'identifier');
    i += word.length;
  }
  add('', 'plain');
  return { parts, state: { open } };
}

/** Where a string ends: behind its second mark, one behind a backslash not counted. */
function closing(text: string, from: number, mark: string): number {
  for (let i = from + 1; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === mark) return i + 1;
  }
  return text.length;
}
