import { glue, gluePt, PT } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline, TabularInline } from '../../document/inlines';
import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import type { CommandEntry, EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import type { Interpreter } from '../interpreter';
import { setSize } from './fonts';
import { beginTrivial, endList } from './lists';

const cellOf = (it: Interpreter, name: string) => it.state.cell(`\u0001title:${name}`);

const keep = (name: string, what: string): CommandEntry => ({
  name,
  signature: 'M',
  description: `${what}, printed by \\maketitle.`,
  example: `\\${name}{…}`,
  run: (it, args) => it.state.set(cellOf(it, name), tokensOf(args, 0), true),
});

/** The list cut at a command, outside braces. */
export function splitAtCommand(tokens: readonly Token[], name: string): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && token.cat === Cat.Command && token.text === name) parts.push([]);
    else parts.at(-1)?.push(token);
  }
  return parts;
}

/** One author as a column of centred lines. */
function authorBox(it: Interpreter, tokens: readonly Token[]): TabularInline {
  const lines = splitAtCommand(tokens, '\\');
  return {
    kind: 'tabular',
    columns: [{ align: 'center', width: null }],
    rows: [
      ...lines.map((line) => ({ cells: [it.inlinesOf(line)], rulesAbove: 0, skip: 0 })),
      { cells: [[]], rulesAbove: 0, skip: 0 },
    ],
    valign: 'top',
    baselineSkip: it.skip('baselineskip').width,
    columnSep: it.dimen('tabcolsep'),
    bars: [],
    ruleWidth: 0,
    ...it.p.place,
  };
}

/** Lines centred on the page at a size: what the kind of title part needs. */
function centred(it: Interpreter, size: string, fill: () => void): BlockNode[] {
  const outer = it.vlist;
  it.vlist = [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.setFact('alignment', 'center');
  setSize(it, size);
  it.startParagraph(false);
  fill();
  it.endParagraph();
  it.closeGroup();
  const nodes = it.vlist;
  it.vlist = outer;
  return nodes;
}

const space = (points: number): BlockNode => ({
  kind: 'vspace',
  glue: gluePt(points),
  behaviour: 'plain',
});

/** `\maketitle` of article: title, authors and date, with article.cls's spaces around them. */
function makeTitle(it: Interpreter, token: Token): void {
  const at = it.spanOf(token);
  const read = (name: string) => it.state.get(cellOf(it, name)) as readonly Token[] | undefined;
  const title = read('title');
  if (!title) it.p.report('title-missing', at);
  it.endParagraph();
  const em = it.font.size / PT;
  it.startParagraph(false);
  it.add(it.emptyBox());
  it.endParagraph();
  it.vlist.push(space(2 * em), { kind: 'vspace', glue: gluePt(10, 3, 5), behaviour: 'merge' });
  it.vlist.push(...centred(it, 'LARGE', () => addAll(it, title ?? [])), space(1.5 * em));
  it.vlist.push(...centred(it, 'large', () => addAuthors(it, read('author') ?? [])));
  const date = read('date') ?? [it.p.command('today')];
  if (date.length > 0) it.vlist.push(space(em), ...centred(it, 'large', () => addAll(it, date)));
  it.vlist.push({ kind: 'vspace', glue: gluePt(10, 3, 5), behaviour: 'merge' }, space(1.5 * em));
  it.vlist.push({ kind: 'pagestyle', style: 'plain', thisPageOnly: true });
}

function addAll(it: Interpreter, tokens: readonly Token[]): void {
  splitAtCommand(tokens, '\\').forEach((line, i) => {
    if (i > 0) it.add({ kind: 'break', skip: 0, fill: false, ...it.p.place });
    for (const inline of it.inlinesOf(line)) it.add(inline);
  });
}

function addAuthors(it: Interpreter, tokens: readonly Token[]): void {
  if (tokens.length === 0) return;
  splitAtCommand(tokens, 'and').forEach((author, i) => {
    const gap: Inline = {
      kind: 'glue',
      // `\and`: `\hskip 1em plus .17fil`
      glue: { ...glue(it.font.size), stretch: Math.round(0.17 * PT), stretchOrder: 1 },
      ...it.p.place,
    };
    if (i > 0) it.add(gap);
    it.add(authorBox(it, author));
  });
}

export const titleCommands: readonly CommandEntry[] = [
  keep('title', 'The title'),
  keep('author', 'The author; several are parted by \\and'),
  keep('date', 'The date; empty braces print none'),
  {
    name: 'maketitle',
    signature: '',
    description: 'Prints title, author and date.',
    example: '\\maketitle',
    run: (it, _args, token) => makeTitle(it, token),
  },
  {
    name: 'thanks',
    signature: 'm',
    description: 'A note on an author.',
    example: '\\author{M. Quill\\thanks{Harbour office}}',
    run: () => undefined,
  },
];

/** `abstract` of article: a small heading, then a quotation in small type. */
export const abstractEnvironment: EnvironmentEntry = {
  name: 'abstract',
  signature: '',
  description: 'A summary under the title.',
  example: '\\begin{abstract}\nWe time the ferries.\n\\end{abstract}',
  begin: (it) => {
    it.endParagraph();
    setSize(it, 'small');
    it.vlist.push({ kind: 'vspace', glue: gluePt(10, 3, 5), behaviour: 'merge' });
    it.vlist.push(
      ...centred(it, 'small', () => {
        it.changeFont({ series: 'bold' });
        for (const inline of it.inlinesOf([it.p.command('abstractname')])) it.add(inline);
      }),
    );
    it.vlist.push({ kind: 'vspace', glue: glue(-0.5 * it.font.size), behaviour: 'plain' });
    beginTrivial(it, it.dimen('leftmargini'));
  },
  end: endList,
};
