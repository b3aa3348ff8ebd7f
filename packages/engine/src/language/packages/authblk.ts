import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type Args, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceCommand } from '../machine/macroEntry';
import { setTitlePart } from '../constructs/title';
import { cell } from '../../expansion/cells';

/** An author or an affiliation, in the order in which they were named. */
interface Line {
  readonly kind: 'author' | 'affiliation';
  readonly mark: string;
  readonly text: readonly Token[];
}
const LINES = cell<readonly Line[]>('authblk', []);

function add(it: Interpreter, kind: Line['kind'], args: Args): void {
  const mark = args[0] ? textOf(it.p, tokensOf(args, 0)) : '';
  it.write(LINES, [...it.read(LINES), { kind, mark, text: tokensOf(args, 1) }], true);
  setTitlePart(it, 'author', listed(it, it.read(LINES)));
}

const raised = (it: Interpreter, mark: string): Token[] =>
  mark === '' ? [] : it.source(`\\textsuperscript{${mark}}`);

/** Authors in a row, with what marks their places. */
const named = (it: Interpreter, authors: readonly Line[]): Token[] =>
  authors.flatMap(({ mark, text }, i) => {
    const last = i === authors.length - 1;
    const before = i === 0 ? '' : last ? (authors.length > 2 ? 'Authands' : 'Authand') : 'Authsep';
    return [...(before === '' ? [] : it.source(`\\${before} `)), ...text, ...raised(it, mark)];
  });

/** Places below one another, the first a little apart from the authors. */
const places = (it: Interpreter, lines: readonly Line[]): Token[] =>
  lines.flatMap(({ mark, text }, i) => [
    ...it.source(i === 0 ? '\\\\[\\affilsep]' : '\\\\'),
    it.p.make(Cat.Begin, '{'),
    ...it.source('\\Affilfont '),
    ...raised(it, mark),
    ...text,
    it.p.make(Cat.End, '}'),
  ]);

/** All authors and the places below them; where no mark says who belongs where, in blocks side by side. */
function listed(it: Interpreter, lines: readonly Line[]): Token[] {
  const of = (kind: Line['kind'], among: readonly Line[]) =>
    among.filter((one) => one.kind === kind);
  const whole = (among: readonly Line[]): Token[] => [
    ...it.source('\\Authfont '),
    ...named(it, of('author', among)),
    ...places(it, of('affiliation', among)),
  ];
  if (lines.some(({ mark }) => mark !== '')) return whole(lines);
  const blocks: Line[][] = [];
  for (const line of lines)
    if (line.kind === 'author' && blocks.at(-1)?.at(-1)?.kind !== 'author') blocks.push([line]);
    else (blocks.at(-1) ?? (blocks[0] = [])).push(line);
  return blocks.flatMap((block, i) => [...(i > 0 ? it.source('\\and ') : []), ...whole(block)]);
}

/** authblk: authors with numbered affiliations. */
export const authblk: PackageEntry = {
  name: 'authblk',
  description: 'Authors with numbered affiliations.',
  options: null,
  commands: [
    {
      name: 'author',
      signature: 'oM',
      description: 'An author; brackets number the affiliation.',
      example: '\\author[1]{M. Quill}',
      package: 'authblk',
      run: (it, args) => add(it, 'author', args),
    },
    {
      name: 'affil',
      signature: 'oM',
      description: 'An affiliation with its number.',
      example: '\\affil[1]{Harbour College}',
      package: 'authblk',
      run: (it, args) => add(it, 'affiliation', args),
    },
  ],
  described: [
    sourceCommand('Authfont', '', 'The type of authors.', '\\renewcommand\\Authfont{\\bfseries}'),
    sourceCommand(
      'Affilfont',
      '',
      'The type of their places.',
      '\\renewcommand\\Affilfont{\\small}',
    ),
    sourceCommand('Authsep', '', 'What stands between authors.', '\\renewcommand\\Authsep{; }'),
    sourceCommand(
      'Authand',
      '',
      'What stands between two authors.',
      '\\renewcommand\\Authand{ \\& }',
    ),
    sourceCommand(
      'Authands',
      '',
      'What stands before the last of several authors.',
      '\\renewcommand\\Authands{ \\& }',
    ),
  ],
  source: String.raw`\newcommand\Authfont{}\newcommand\Affilfont{}\newcommand\Authsep{, }\newcommand\Authand{ and }\newcommand\Authands{, and }\newlength\affilsep\setlength\affilsep{1em}`,
};
