import type { Fix, RawFinding } from '../findings/finding';
import { callsOf, partnerOf, partsNamed, shapeOf, type Call } from '../source/shape';
import type { SessionBlock } from './block';
import { formulaAdvice } from './formulaAdvice';
import { italicLetters, spansIn } from './formulaSpans';
import { bareNames, leaningNames, type WrittenName } from './slashes';
import { structureAdvice } from './structureAdvice';
import { withoutCode, withoutComments, withoutPictures } from './visibleSource';

/** What a block's source says that matters beyond the block. */
export interface SourceNotes {
  readonly findings: readonly RawFinding[];
  /** Commands without arguments that stand for words: what is defined here. */
  readonly ownWords: readonly string[];
  /** Commands used here with a blank and a letter behind them: name and place of the blank. */
  readonly swallowed: readonly {
    readonly name: string;
    readonly from: number;
    readonly to: number;
  }[];
  /** Labels that are referred to. */
  readonly referred: readonly string[];
  readonly title: { readonly from: number; readonly to: number } | null;
  readonly printsTitle: boolean;
  /** Lines that load packages or name the class, their line's end included. */
  readonly loads: readonly {
    readonly what: string;
    readonly line: string;
    readonly from: number;
    readonly to: number;
  }[];
  readonly beginsDocument: boolean;
  /** Where its first Chinese character stands; -1 when it has none. */
  readonly chineseAt: number;
  /** Headings, by the names of their commands. */
  readonly headings: readonly WrittenName[];
  /** Commands without their backslash, and with a slash in its place. */
  readonly bare: readonly WrittenName[];
  readonly leaning: readonly WrittenName[];
}

/** Found once for each block: a block's source never changes. */
export const notesOf = (block: SessionBlock): SourceNotes => (block.notes ??= readNotes(block));

/** Words alone, in which there is nothing to note. */
const CHINESE = /[\u3400-\u9fff]/;
const BARE = /^[^\\$"%/{\u3400-\u9fff]*$/;
const NOTHING: SourceNotes = {
  findings: [],
  ownWords: [],
  swallowed: [],
  referred: [],
  title: null,
  printsTitle: false,
  loads: [],
  beginsDocument: false,
  chineseAt: -1,
  headings: [],
  bare: [],
  leaning: [],
};

function readNotes(block: SessionBlock): SourceNotes {
  if (BARE.test(block.source) && !block.source.includes('...')) return NOTHING;
  const code = withoutCode(block.source);
  const plain = withoutComments(code);
  const text = withoutFormulas(plain, block);
  const shape = shapeOf(plain);
  const title = callsOf(shape, ['title'], 'om').find(({ args }) => args[1]);
  return {
    findings: [
      ...(block.reading.findings.some(isLeftOpen) ? [] : commentsBehindNumbers(code)),
      ...letterNames(plain, block),
      ...wordsInFormulas(plain, block),
      ...textBeforeItems(plain),
      ...captionsBehindLabels(plain),
      ...straightQuotes(withoutPictures(text)),
      ...typedDots(withoutPictures(plain)),
      ...structureAdvice(shape, block),
      ...formulaAdvice(shape, text, block),
    ],
    ownWords: [...plain.matchAll(OWN_WORD)].map(([, name = '']) => name),
    swallowed: [...text.matchAll(SWALLOWED)].map((found) => {
      const from = found.index;
      return { name: found[1] ?? '', from, to: from + 1 + (found[1] ?? '').length };
    }),
    referred: [...plain.matchAll(REFERENCES)].flatMap(([, ...names]) =>
      names.flatMap((one) => (one ?? '').split(',').map((name) => name.trim())),
    ),
    title: title ? { from: title.from, to: title.behind } : null,
    printsTitle: PRINTS_TITLE.test(plain),
    loads: callsOf(shape, ['usepackage', 'documentclass'], 'om')
      .filter(({ args }) => args[1])
      .map(({ name, from, to }) => ({
        what: name,
        line: plain.slice(from, to),
        from,
        to: to + (/^[ \t]*\n?/.exec(plain.slice(to))?.[0].length ?? 0),
      })),
    beginsDocument: partsNamed(shape, 'begin', 'document').length > 0,
    chineseAt: block.source.search(CHINESE),
    headings: partsNamed(shape, 'command', 'chapter', 'section', 'subsection', 'subsubsection').map(
      ({ name, from }) => ({ name, from }),
    ),
    bare: bareNames(text),
    leaning: leaningNames(text),
  };
}

const OWN_WORD =
  /\\(?:newcommand|renewcommand|providecommand)\*?\s*\{?\\([A-Za-z]+)\}?\s*\{[^{}\\]*[\p{L}\p{N}]\}/gu;
const SWALLOWED = /\\([A-Za-z]+)[ \t]+(?=[\p{L}\p{N}(])/gu;
const REFERENCES =
  /\\(?:[A-Za-z]*ref(?:range|num(?:ber)?)?)\*?(?:\[[^\]{}]*\])*\{([^{}]*)\}(?:\{([^{}]*)\})?|\\hyperref\[([^\]]*)\]/g;
const PRINTS_TITLE =
  /\\(?:make[ \t]*title(?:[A-Z][a-z]*)?|titlepage|titleframe|inserttitle|thetitle|@title|printtitle|makebeamertitle)\b|\\begin\{titlepage\}/;

function withoutFormulas(plain: string, block: SessionBlock): string {
  const spans = spansIn(block.reading.nodes);
  const extents = Array.from({ length: spans.length >> 1 }, (_, i) => ({
    from: spans[2 * i] as number,
    to: Math.min(plain.length, spans[2 * i + 1] as number),
  })).sort((one, other) => one.from - other.from);
  let out = '';
  let at = 0;
  for (const { from, to } of extents) {
    if (to <= at) continue;
    const start = Math.max(at, from);
    out += plain.slice(at, start) + ' '.repeat(to - start);
    at = to;
  }
  return out + plain.slice(at);
}

const edit = (title: string, from: number, to: number, text: string): Fix => ({
  title,
  edits: [{ from, to, text }],
});

/** What a comment may have taken the end of is told of as that. */
const isLeftOpen = ({ code }: RawFinding): boolean => /-unclosed$/.test(code);

/** `50% of`: the sign makes a comment of what stands behind it. */
function commentsBehindNumbers(code: string): RawFinding[] {
  return [...code.matchAll(/^[^%\n]*\d%(?=[^\n%]*\p{L})/gmu)].map((found) => {
    const at = found.index + found[0].length - 1;
    return {
      code: 'comment-after-number',
      from: at,
      to: at + 1,
      args: {},
      fix: edit('Write \\%', at, at + 1, '\\%'),
    };
  });
}

const UPRIGHT =
  /(?<![\\A-Za-z@#])(arcsin|arccos|arctan|sinh|cosh|tanh|sin|cos|tan|cot|log|ln|exp|lim|max|min|sup|inf|det|dim|ker|gcd)(?![A-Za-z])/g;
const PHRASES = 'for all|such that|if and only if|if|and|for|where|otherwise|when|then|with|or';
/** May there be a name or a word in it? */
const SPEAKING = new RegExp(`${UPRIGHT.source}|(?<![A-Za-z])(?:${PHRASES})(?![A-Za-z])`);

/** A formula with its own marks: one that came about in a command stands for the whole call. */
const MARKED =
  /^(?:\$(?:\\.|[^$\\])*\$|\$\$[^$]*\$\$|\\\([\s\S]*\\\)|\\\[[\s\S]*\\\]|\\begin\{[\s\S]*\})$/;

/** Letters that are no product of variables: of names, of words that are words, of arguments. */
const OTHER_LETTERS = '#';

/** Each formula of the block, in it only the letters that are set as variables. */
function formulasOf(plain: string, block: SessionBlock): { from: number; source: string }[] {
  if (block.reading.findings.some(({ code }) => code === 'formula-unclosed')) return [];
  const spans = spansIn(block.reading.nodes);
  const out = new Map<number, { from: number; source: string }>();
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const [from = 0, to = 0] = spans.slice(i, i + 2);
    const source = plain.slice(from, to);
    if (MARKED.test(source) && SPEAKING.test(source)) out.set(from, { from, source });
  }
  if (out.size === 0) return [];
  const letters = italicLetters(block.reading.nodes);
  return [...out.values()].map(({ from, source }) => ({
    from,
    source: source.replace(/[A-Za-z]/g, (letter: string, at: number) =>
      letters.has(from + at) ? letter : OTHER_LETTERS,
    ),
  }));
}

/** `sin x` in a formula: the letters of a name set as a product. */
function letterNames(plain: string, block: SessionBlock): RawFinding[] {
  return formulasOf(plain, block).flatMap(({ from, source }) =>
    [...source.matchAll(UPRIGHT)].map(({ index, 1: name = '' }) => ({
      code: 'name-in-letters' as const,
      from: from + index,
      to: from + index + name.length,
      args: { name },
      fix: edit(`Write \\${name}`, from + index, from + index, '\\'),
    })),
  );
}

const WORDS = new RegExp(`(?<=\\s|^|[0-9})\\],])(${PHRASES})(?=\\s|\\$|\\\\[)\\]]|$)`, 'g');

/** `x if y > 0` in a formula: words set as a product of letters. */
function wordsInFormulas(plain: string, block: SessionBlock): RawFinding[] {
  return formulasOf(plain, block).flatMap(({ from, source }) => {
    const money = moneyAround(plain, from, source);
    if (money) return [money];
    return [...source.matchAll(WORDS)].map(({ index, 1: words = '' }) => {
      const at = from + index;
      const [before, behind] = [
        /[ \t]$/.test(source.slice(0, index)) ? 1 : 0,
        /^[ \t]/.test(source.slice(index + words.length)) ? 1 : 0,
      ];
      return {
        code: 'words-in-formula' as const,
        from: at,
        to: at + words.length,
        args: { words },
        fix: edit(
          `Set “${words}” as words`,
          at - before,
          at + words.length + behind,
          `\\text{${before ? ' ' : ''}${words}${behind ? ' ' : ''}}`,
        ),
      };
    });
  });
}

/** `$5 and then $7`: two sums of money, and what stands between them taken for a formula. */
function moneyAround(plain: string, from: number, source: string): RawFinding | null {
  const to = from + source.length;
  if (!/^\$\d[\d.,]*\s+#*[a-z]/.test(source) || !/^\d/.test(plain.slice(to))) return null;
  const signs = [from, to - 1].map((at) => ({ from: at, to: at + 1, text: '\\$' }));
  const fix = { title: 'Print the $ signs', edits: signs };
  return { code: 'money-as-formula', from, to, args: {}, fix };
}

const FIRST_IN_LIST =
  /\\begin\{(?:itemize|enumerate)\}(?:\[[^\]]*\])?\s*(?=[^\s\\[%]|\\(?:emph|text|LaTeX|TeX)|\$)(?!\\item)/g;

function textBeforeItems(plain: string): RawFinding[] {
  return [...plain.matchAll(FIRST_IN_LIST)].map((found) => {
    const at = found.index + found[0].length;
    return {
      code: 'text-before-item',
      from: at,
      to: at + 1,
      args: {},
      fix: edit('Start an item here', at, at, '\\item '),
    };
  });
}

/** A label before the caption has the number of what came before. */
function captionsBehindLabels(plain: string): RawFinding[] {
  const shape = shapeOf(plain);
  const captions = callsOf(shape, ['caption', 'subcaption'], 'som');
  // Parts of a figure hold their captions, and the labels in those.
  const parts = [
    ...callsOf(shape, ['subfloat', 'subfigure'], 'oom'),
    ...callsOf(shape, ['subcaptionbox'], 'om'),
  ];
  const labels = callsOf(shape, ['label'], 'm').filter(
    ({ from }) =>
      !parts.some((part) => from > part.from && from < part.to) &&
      !/\\phantom(?:sub)?caption\s*$/.test(plain.slice(Math.max(0, from - 40), from)),
  );
  return partsNamed(shape, 'begin', 'figure', 'figure*', 'table', 'table*').flatMap((begin) => {
    const end = partnerOf(shape, begin);
    const isInside = ({ from }: Call): boolean => from > begin.from && from < (end?.from ?? 0);
    const label = labels.find(isInside);
    const caption = captions.find(isInside);
    const name = label?.args[0]?.text;
    if (!label || !caption?.args[2] || name === undefined || label.from > caption.from) return [];
    const before = /[ \t]*$/.exec(plain.slice(0, label.from))?.[0].length ?? 0;
    const behind = plain[label.to] === '\n' ? 1 : 0;
    const found: RawFinding = {
      code: 'label-before-caption',
      from: label.from,
      to: label.to,
      args: { name, kind: begin.name.replace('*', '') },
      fix: {
        title: 'Put it behind the caption',
        edits: [
          { from: label.from - before, to: label.to + behind, text: '' },
          { from: caption.to, to: caption.to, text: `\\label{${name}}` },
        ],
      },
    };
    return [found];
  });
}

/** `"so"`: both marks come out as closing ones. */
function straightQuotes(text: string): RawFinding[] {
  return [...text.matchAll(/(?<![\\\w])"([\p{L}\p{N}](?:[^"\n]{0,80}?[^"\s])?)"(?!\w)/gu)].map(
    (found) => {
      const { index } = found;
      const end = index + found[0].length;
      return {
        code: 'quotes-straight',
        from: index,
        to: end,
        args: {},
        fix: {
          title: "Write ``…''",
          edits: [
            { from: index, to: index + 1, text: '``' },
            { from: end - 1, to: end, text: "''" },
          ],
        },
      };
    },
  );
}

function typedDots(plain: string): RawFinding[] {
  return [...plain.matchAll(/(?<!\.)\.\.\.(?!\.)/g)].map(({ index }) => {
    const letter = /[A-Za-z]/.test(plain[index + 3] ?? '');
    return {
      code: 'dots-typed',
      from: index,
      to: index + 3,
      args: {},
      fix: edit(
        'Write \\dots',
        index,
        index + 3,
        letter ? '\\dots ' : '\\dots{}'.slice(0, plain[index + 3] === ' ' ? 7 : 5),
      ),
    };
  });
}
