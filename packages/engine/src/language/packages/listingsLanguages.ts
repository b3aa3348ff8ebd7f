/** What marks words, comments and strings in a programming language. */
export interface Language {
  readonly keywords: ReadonlySet<string>;
  readonly lineComments: readonly string[];
  readonly strings: string;
}

const words = (text: string): ReadonlySet<string> => new Set(text.split(' '));

const C_LIKE =
  'break case char const continue default do double else enum extern float for goto if int long register return short signed sizeof static struct switch typedef union unsigned void volatile while';

const LANGUAGES: Readonly<Record<string, Language>> = {
  python: {
    keywords: words(
      'and as assert async await break class continue def del elif else except False finally for from global if import in is lambda None nonlocal not or pass print raise return True try while with yield',
    ),
    lineComments: ['#'],
    strings: '"\'',
  },
  c: { keywords: words(C_LIKE), lineComments: ['//'], strings: '"\'' },
  'c++': {
    keywords: words(
      `${C_LIKE} auto bool catch class constexpr delete explicit export false friend inline mutable namespace new nullptr operator private protected public template this throw true try typename using virtual`,
    ),
    lineComments: ['//'],
    strings: '"\'',
  },
  java: {
    keywords: words(
      `${C_LIKE} abstract boolean byte catch class extends false final finally implements import instanceof interface new null package private protected public super synchronized this throw throws true try`,
    ),
    lineComments: ['//'],
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
    strings: '"',
  },
  sql: {
    keywords: words(
      'SELECT FROM WHERE AND OR NOT INSERT INTO VALUES UPDATE SET DELETE CREATE TABLE JOIN ON GROUP BY ORDER HAVING AS',
    ),
    lineComments: ['--'],
    strings: "'",
  },
  bash: {
    keywords: words(
      'case do done elif else esac fi for function if in then until while export return',
    ),
    lineComments: ['#'],
    strings: '"\'',
  },
};

const NONE: Language = { keywords: new Set(), lineComments: [], strings: '' };

/** The language of a name such as `Python` or `[ISO]C++`, with words added to it. */
export function keywordsOf(name: string, more: string, comment: string): Language {
  const key = name
    .replace(/^\[.*\]/, '')
    .replace(/[{}]/g, '')
    .trim()
    .toLowerCase();
  const base = LANGUAGES[key] ?? NONE;
  const extra = more
    .replace(/[{}]/g, '')
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '');
  const line = /\[l\]\s*\{?([^}\]]+)/.exec(comment)?.[1];
  return {
    ...base,
    keywords: extra.length > 0 ? new Set([...base.keywords, ...extra]) : base.keywords,
    lineComments: line ? [...base.lineComments, line.trim()] : base.lineComments,
  };
}

export interface CodePart {
  readonly text: string;
  readonly kind: 'plain' | 'keyword' | 'comment' | 'string';
}

/** A line of code cut into words, strings and what follows a comment's sign. */
export function splitCode(line: string, language: Language): CodePart[] {
  const parts: CodePart[] = [];
  let plain = '';
  const flush = (): void => {
    if (plain !== '') parts.push({ text: plain, kind: 'plain' });
    plain = '';
  };
  for (let i = 0; i < line.length;) {
    const rest = line.slice(i);
    if (language.lineComments.some((sign) => rest.startsWith(sign))) {
      flush();
      parts.push({ text: rest, kind: 'comment' });
      return parts;
    }
    const char = rest[0] as string;
    if (language.strings.includes(char)) {
      const end = closing(rest, char);
      flush();
      parts.push({ text: rest.slice(0, end), kind: 'string' });
      i += end;
      continue;
    }
    const word = /^[A-Za-z_]\w*/.exec(rest)?.[0];
    if (word && language.keywords.has(word)) {
      flush();
      parts.push({ text: word, kind: 'keyword' });
    } else plain += word ?? char;
    i += (word ?? char).length;
  }
  flush();
  return parts;
}

/** Where a string ends: behind its second mark, one behind a backslash not counted. */
function closing(text: string, mark: string): number {
  for (let i = 1; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === mark) return i + 1;
  }
  return text.length;
}
