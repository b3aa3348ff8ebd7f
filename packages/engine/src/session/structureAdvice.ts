import type { Fix, RawFinding } from '../findings/finding';
import { callsOf, partnerOf, partsNamed, type Part, type Shape } from '../source/shape';
import type { SessionBlock } from './block';
import { spansIn } from './formulaSpans';

/** What the shape of a block tells: labels that name nothing, scripts of one sign, rows and arguments with nothing in them. */
export function structureAdvice(shape: Shape, block: SessionBlock): RawFinding[] {
  return [
    ...shortScripts(shape.text, block),
    ...labelsBehind(shape),
    ...labelsUnnumbered(shape, block),
    ...emptyRows(shape),
    ...emptyArguments(shape),
    ...declarationsWithBraces(shape.text),
    ...wordsWithoutBraces(shape.text),
    ...optionsBehind(shape.text),
    ...sharesInPercent(block.source),
  ];
}

const edit = (title: string, from: number, to: number, text: string): Fix => ({
  title,
  edits: [{ from, to, text }],
});

/** More than one sign behind `^` or `_` that is meant to be raised or lowered: a number, one with a sign, a start of a sum. */
const SHORT =
  /(?<!\\)[\^_](\d{2,}|-\s*(?:\d+|[A-Za-z])(?![A-Za-z])|[A-Za-z]\s*=\s*-?\w+(?=\s*\^))/g;

function shortScripts(text: string, block: SessionBlock): RawFinding[] {
  const spans = spansIn(block.reading.nodes);
  const out = new Map<number, RawFinding>();
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const [from = 0, to = 0] = spans.slice(i, i + 2);
    for (const { index, 0: whole, 1: signs = '' } of text.slice(from, to).matchAll(SHORT)) {
      const at = from + index;
      const fix = edit('Put braces around it', at + 1, at + whole.length, `{${signs}}`);
      const args = { sign: whole.charAt(0), signs };
      out.set(at, { code: 'script-short', from: at, to: at + whole.length, args, fix });
    }
  }
  return [...out.values()];
}

const NUMBERED = /^(?:equation|align|alignat|flalign|gather|multline|eqnarray)$/;
const STARRED = /^(?:equation|align|alignat|flalign|gather|multline|eqnarray)\*$|^displaymath$/;
const LABEL = /^\s*(\\label\{[^{}\n]*\})/;

/** `\end{equation}\label{eq:a}`: the label names what stands before the formula. */
const labelsBehind = (shape: Shape): RawFinding[] =>
  partsNamed(shape, 'end').flatMap((end) => {
    const found = NUMBERED.test(end.name) ? LABEL.exec(shape.text.slice(end.to)) : null;
    const label = found?.[1];
    if (!found || !label) return [];
    const to = end.to + found[0].length;
    const fix = {
      title: 'Move it into the formula',
      edits: [
        { from: end.from, to: end.from, text: label },
        { from: to - label.length, to, text: '' },
      ],
    };
    const args = { name: end.name };
    return [{ code: 'label-behind-formula' as const, from: to - label.length, to, args, fix }];
  });

/** A label in a formula without a number; its button gives it one. */
function labelsUnnumbered(shape: Shape, { reading }: SessionBlock): RawFinding[] {
  const labels = partsNamed(shape, 'command', 'label');
  if (labels.length === 0) return [];
  const tags = partsNamed(shape, 'command', 'tag', 'tag*');
  // A command of the document's own may have given it a number.
  const numbered = new Set(
    reading.labels.filter(({ value }) => value !== '').map(({ name }) => name),
  );
  return partsNamed(shape, 'begin').flatMap((begin) => {
    const end = STARRED.test(begin.name) ? partnerOf(shape, begin) : null;
    if (!end) return [];
    const isInside = ({ from }: Part): boolean => from > begin.to && from < end.from;
    const inside = labels.find(isInside);
    if (!inside || tags.some(isInside)) return [];
    const named = /^\s*\{([^{}]*)\}/.exec(shape.text.slice(inside.to))?.[1];
    if (named !== undefined && numbered.has(named)) return [];
    const name = begin.name === 'displaymath' ? 'equation' : begin.name.slice(0, -1);
    const renamed = (part: Part) => {
      const from = shape.text.indexOf(begin.name, part.from);
      return { from, to: from + begin.name.length, text: name };
    };
    const fix = { title: 'Number the formula', edits: [renamed(begin), renamed(end)] };
    const args = { name: begin.name };
    const { from, to } = inside;
    return [{ code: 'label-unnumbered' as const, from, to, args, fix }];
  });
}

const ROWS = /^(?:align|alignat|flalign|gather|eqnarray)\*?$/;

/** `\\` behind the last row: one more row, with nothing in it but a number. */
const emptyRows = (shape: Shape): RawFinding[] =>
  shape.parts.flatMap((end, i) => {
    if (end.kind !== 'end' || !ROWS.test(end.name)) return [];
    const last = shape.parts[i - 1];
    if (last?.kind !== 'row' || shape.text.slice(last.to, end.from).trim() !== '') return [];
    const { from, to } = last;
    const args = { name: end.name };
    return [{ code: 'row-empty' as const, from, to, args, fix: edit('Take it out', from, to, '') }];
  });

/** Commands that say nothing without their argument. */
const SAYING = [
  'section',
  'subsection',
  'subsubsection',
  'chapter',
  'caption',
  'label',
  'ref',
  'eqref',
  'cite',
  'footnote',
];

const emptyArguments = (shape: Shape): RawFinding[] =>
  callsOf(shape, SAYING, 'som').flatMap(({ name, from, to, args }) =>
    args[2]?.text.trim() === ''
      ? [{ code: 'argument-empty' as const, from, to, args: { name: name.replace('*', '') } }]
      : [],
  );

/** What changes the look from there on, and the command that changes that of its argument; none for sizes and alignment. */
const DECLARATIONS: Readonly<Record<string, string>> = {
  bf: 'textbf',
  bfseries: 'textbf',
  it: 'textit',
  itshape: 'textit',
  em: 'emph',
  tt: 'texttt',
  ttfamily: 'texttt',
  sc: 'textsc',
  scshape: 'textsc',
  sf: 'textsf',
  sffamily: 'textsf',
};
const DECLARED =
  /\\(bf|bfseries|it|itshape|em|tt|ttfamily|sc|scshape|sf|sffamily|tiny|scriptsize|footnotesize|small|large|Large|LARGE|huge|Huge|centering)\{((?:[^{}\n\\]|\\[a-zA-Z]+)+)\}(?=[ \t]*\n?[ \t]*(?:[^\s}\\&]|\\(?!end|item|par|\\)))/g;

/** `\bf{so} and on`: the braces do not end what the command begins. */
function declarationsWithBraces(text: string): RawFinding[] {
  return [...text.matchAll(DECLARED)].flatMap(
    ({ index, 0: whole, 1: name = '', 2: inner = '' }) => {
      if (inGroup(text, index)) return [];
      const to = index + whole.length;
      const command = DECLARATIONS[name];
      const written = command ? `\\${command}{${inner}}` : `{\\${name} ${inner}}`;
      const fix = edit(
        `Write ${command ? `\\${command}{…}` : `{\\${name} …}`}`,
        index,
        to,
        written,
      );
      const span = { from: index, to: index + name.length + 1 };
      return [{ code: 'declaration-with-braces' as const, ...span, args: { name }, fix }];
    },
  );
}

/** Does a group around that place end in the same paragraph, so that what is begun there ends with it? */
function inGroup(text: string, at: number): boolean {
  const start = text.lastIndexOf('\n\n', at) + 1;
  const before = text.slice(start, at).replace(/\\[{}]/g, '');
  const count = (sign: string): number => before.split(sign).length - 1;
  return count('{') > count('}');
}

const BEHIND =
  /\\includegraphics(\{[^{}]*\})([{[])([^{}[\]\n]*\b(?:width|height|scale|angle)\s*=[^{}[\]\n]*)[\]}]/g;

/** `\includegraphics{boat.png}[width=3cm]`: what stands behind the name is printed. */
const optionsBehind = (text: string): RawFinding[] =>
  [...text.matchAll(BEHIND)].map(({ index, 0: whole, 1: file = '', 3: options = '' }) => {
    const to = index + whole.length;
    const name = index + '\\includegraphics'.length;
    const from = name + file.length;
    const edits = [
      { from: name, to: name, text: `[${options}]` },
      { from, to, text: '' },
    ];
    const fix = { title: 'Put it before the file', edits };
    return { code: 'options-behind' as const, from, to, args: {}, fix };
  });

const PERCENT =
  /\\includegraphics\*?\[[^\]\n%]*?\b(width|height|scale)\s*=\s*(\d+(?:\.\d+)?)\s*\\?%/g;

/** `[width=50%]`: the sign makes a comment of the rest, and a share is written otherwise. */
const sharesInPercent = (source: string): RawFinding[] =>
  [...source.matchAll(PERCENT)].map(({ index, 0: whole, 1: key = '', 2: number = '' }) => {
    const to = index + whole.length;
    const from = index + whole.lastIndexOf(number);
    const share = String(Number(number) / 100);
    const text = key === 'scale' ? share : `${share}\\text${key}`;
    return {
      code: 'share-in-percent' as const,
      from,
      to,
      args: { number },
      fix: edit(`Write ${text}`, from, to, text),
    };
  });

const BARE_WORD = /\\(text(?:bf|it|tt|sc|sf)|emph|underline)[ \t]+(([A-Za-z])[A-Za-z]+)/g;

/** `\textbf Note`: the command works on the first letter alone. */
const wordsWithoutBraces = (text: string): RawFinding[] =>
  [...text.matchAll(BARE_WORD)].map(
    ({ index, 0: whole, 1: name = '', 2: word = '', 3: letter = '' }) => {
      const to = index + whole.length;
      const fix = edit('Put the word in braces', index, to, `\\${name}{${word}}`);
      return { code: 'word-without-braces' as const, from: index, to, args: { name, letter }, fix };
    },
  );
