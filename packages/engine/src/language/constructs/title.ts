import { addGlue } from './listMeasures';
import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { FILL, glue, gluePt, PT } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { detach, type Token } from '../../expansion/meaning';
import { setDimen } from '../../expansion/registers';
import { Cat } from '../../tokens/categories';
import { counterValue, setCounter } from '../machine/counters';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { parameterise } from '../../expansion/definitions';
import { clearPage, isOn } from './chapters';
import { changeColumns } from './columns';
import { setSize } from './fonts';
import { beginQuoted, endList } from './lists';
import { emptyPage, plainPage, setPage } from './pageStyle';

/** `\title` and its kin: kept as `\@title` …, where templates look for them. */
export const keep = (name: string, what: string): CommandEntry => ({
  name,
  signature: 'oM',
  description: `${what}, printed by \\maketitle.`,
  example: `\\${name}{…}`,
  run: (it, args) => setTitlePart(it, name, tokensOf(args, 1)),
});

export function setTitlePart(it: Interpreter, name: string, tokens: readonly Token[]): void {
  it.define(`@${name}`, '');
  const cell = it.state.cell(`@${name}`);
  const macro = it.state.meaning(cell);
  if (macro?.kind !== 'macro') return;
  it.state.set(cell, { ...macro, body: detach(parameterise(tokens)) }, true);
}

/** The tokens of a part of the title, or undefined. */
export function titlePart(it: Interpreter, name: string): readonly Token[] | undefined {
  const meaning = it.state.meaning(it.state.cell(`@${name}`));
  return meaning?.kind === 'macro'
    ? meaning.body.map((t) => ({ ...t, ...it.p.place, chunk: -1 }))
    : undefined;
}

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

/** Centred lines at a size, as blocks of their own. */
export function centred(it: Interpreter, size: string, fill: () => void): BlockNode[] {
  return it.gather(() => {
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    it.write(CELLS.alignment, 'center');
    setSize(it, size);
    fill();
    it.endParagraph();
    it.closeGroup();
  });
}

export const space = (points: number): BlockNode => ({
  kind: 'vspace',
  glue: gluePt(points),
  behaviour: 'plain',
});
/** Above and below a `center`: `\\topsep` and `\\partopsep` as they stand. */
const around = (it: Interpreter): BlockNode => ({
  kind: 'vspace',
  glue: addGlue(it.skip('topsep'), it.skip('partopsep')),
  behaviour: 'merge',
});
const fill: BlockNode = { kind: 'vspace', glue: FILL, behaviour: 'plain' };

/** Authors as columns of lines, side by side as far as there is room (`\and`). */
export function authorSource(it: Interpreter, tokens: readonly Token[]): Token[] {
  const { p } = it;
  const table = (lines: readonly Token[]): Token[] => [
    ...it.source('\\begin{tabular}[t]{c}'),
    ...lines,
    ...it.source('\\end{tabular}'),
  ];
  return splitAtCommand(tokens, 'and').flatMap((author, i) => [
    ...(i > 0 ? it.source('\\hskip 1em plus .17fil\\relax') : []),
    ...table(author),
    ...(i < 0 ? [p.command('relax')] : []),
  ]);
}

/** `{\\large \\@date}\\par`: the group closes before the paragraph, whose lines are as far apart as those around. */
const dateLine = (it: Interpreter, date: readonly Token[]): BlockNode[] =>
  centred(it, 'normalsize', () => {
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    setSize(it, 'large');
    it.execute(date);
    it.closeGroup();
  });

/** Title, authors and date of article: `\LARGE`, `\large`, and article.cls's spaces. */
function titleBlocks(it: Interpreter, title: readonly Token[]): BlockNode[] {
  const em = it.em / PT;
  const date = titlePart(it, 'date') ?? [it.p.command('today')];
  const author = titlePart(it, 'author') ?? [];
  return [
    space(2 * em),
    around(it),
    ...centred(it, 'LARGE', () => it.execute(title)),
    space(1.5 * em),
    ...centred(it, 'large', () => it.execute(authorSource(it, author))),
    space(em),
    ...(date.length > 0 ? dateLine(it, date) : []),
    around(it),
    space(1.5 * em),
  ];
}

/** The same on a page of its own (`titlepage`). */
function titlePageBlocks(it: Interpreter, title: readonly Token[]): BlockNode[] {
  const date = titlePart(it, 'date') ?? [it.p.command('today')];
  const author = titlePart(it, 'author') ?? [];
  return [
    { kind: 'vspace', glue: gluePt(0), behaviour: 'keep' },
    fill,
    space(60),
    ...centred(it, 'LARGE', () => it.execute(title)),
    space(36),
    ...centred(it, 'large', () => it.execute(authorSource(it, author))),
    space(18),
    ...centred(it, 'large', () => it.execute(date)),
    fill,
  ];
}

/** The notes themselves follow the title on the list (`\@thanks`), so that its last item is no space. */
const behindNotes: BlockNode = {
  kind: 'vspace',
  glue: gluePt(0),
  behaviour: 'plain',
  closed: true,
};

/** In a title, notes are marked by signs, and counted apart (`\thanks`). */
function withSigns(it: Interpreter, act: () => void): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.define('thefootnote', '\\fnsymbol{footnote}');
  const outer = it.state.cell('thefootnote');
  void outer;
  setCounter(it.state, 'footnote', 0);
  act();
  if (counterValue(it.state, 'footnote') > 0) it.mode.vlist.push(behindNotes);
  it.closeGroup();
  it.define('thefootnote', '\\arabic{footnote}');
  setCounter(it.state, 'footnote', 0);
}

/** Does `\maketitle` stand before what it prints, or before the text begins? Then it is told where it belongs. */
function standsEarly(it: Interpreter, token: Token, hasTitle: boolean): boolean {
  const { text, base, pos, chunk } = it.p.reader;
  if (token.chunk !== chunk || !it.p.atFile) return false;
  const inText = it.read(CELLS.inDocument);
  if (inText && hasTitle) return false;
  const ahead = text.slice(pos);
  it.p.reach = Math.max(it.p.reach, text.length);
  const wanted = inText
    ? /\\title\s*\{[^{}\n]*\}[ \t]*\n?/.exec(ahead)
    : /\\begin\{document\}[ \t]*\n?/.exec(ahead);
  if (!wanted) return false;
  const from = token.from;
  const to = token.to + (/^[ \t]*\n/.exec(text.slice(base + token.to))?.[0].length ?? 0);
  const at = pos - base + wanted.index + wanted[0].length;
  const lead = wanted[0].endsWith('\n') ? '' : '\n';
  const title = inText ? 'Move it behind the title' : 'Move it behind \\begin{document}';
  it.p.report(
    'maketitle-early',
    { from: token.from, to: token.to },
    { what: inText ? '\\title' : '\\begin{document}' },
    {
      title,
      edits: [
        { from, to, text: '' },
        { from: at, to: at, text: `${lead}\\maketitle\n` },
      ],
    },
  );
  return true;
}

/** `\maketitle` of the standard classes. */
export function makeTitle(it: Interpreter, token: Token): void {
  const at = it.spanOf(token);
  const title = titlePart(it, 'title');
  if (standsEarly(it, token, Boolean(title))) return;
  if (!title) it.p.report('title-missing', at);
  it.endParagraph();
  const own = it.state.meaning(it.state.cell('@maketitle'));
  withSigns(it, () => {
    if (own?.kind === 'macro') return isOn(it, 'titlepage') ? ownTitlePage(it) : ownTitle(it);
    if (isOn(it, 'titlepage')) return titleOnPage(it, title ?? []);
    if (isOn(it, 'twocolumn')) {
      changeColumns(it, true, () => titleBlocks(it, title ?? []));
      it.mode.vlist.push(...plainOnly(it));
      return;
    }
    it.startParagraph(false);
    it.add(emptyBox(it));
    it.endParagraph();
    it.mode.vlist.push(...titleBlocks(it, title ?? []), ...plainOnly(it));
  });
}

function plainOnly(it: Interpreter): BlockNode[] {
  return it.gather(() => plainPage(it));
}

function ownTitle(it: Interpreter): void {
  it.call('@maketitle');
  it.endParagraph();
  plainPage(it);
}

/** The document's own title block on a page of its own. */
function ownTitlePage(it: Interpreter): void {
  clearPage(it, false);
  emptyPage(it);
  it.mode.vlist.push({ kind: 'vspace', glue: gluePt(0), behaviour: 'keep' }, fill);
  it.call('@maketitle');
  it.endParagraph();
  it.mode.vlist.push(fill);
  clearPage(it, false);
  if (!isOn(it, 'twoside') && !isOn(it, 'titlecounts')) setPage(it, 1, null);
}

function titleOnPage(it: Interpreter, title: readonly Token[]): void {
  clearPage(it, false);
  emptyPage(it);
  it.mode.vlist.push(...titlePageBlocks(it, title));
  clearPage(it, false);
  if (!isOn(it, 'twoside')) setPage(it, 1, null);
}

export const titleCommands: readonly CommandEntry[] = [
  keep('title', 'The title'),
  keep('author', 'The author; several are parted by \\and'),
  keep('date', 'The date; empty braces print none'),
  {
    name: 'maketitle',
    signature: '',
    description: 'Prints title, author and date.',
    example: '\\title{Tides}\\maketitle',
    run: (it, _args, token) => makeTitle(it, token),
  },
];

/** A small heading, then a quotation in small type (article.cls). */
function beginAbstract(it: Interpreter): void {
  it.endParagraph();
  if (isOn(it, 'titlepage')) {
    clearPage(it, false);
    emptyPage(it);
    it.mode.vlist.push({ kind: 'vspace', glue: gluePt(0), behaviour: 'keep' }, fill);
    it.mode.vlist.push(...abstractHead(it, 'normalsize'));
    it.startParagraph(false);
    return;
  }
  if (isOn(it, 'twocolumn')) {
    it.execute(it.source('\\section*{\\abstractname}'));
    return;
  }
  setSize(it, 'small');
  const above = around(it);
  it.mode.vlist.push(above, ...abstractHead(it, 'small'));
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ series: 'bold' });
  const bold = it.em;
  it.closeGroup();
  // `\\vspace{-.5em}` within the bold font, the end of `center`, then `\\quotation` (article.cls).
  it.mode.vlist.push(
    {
      kind: 'vspace',
      glue: glue(Math.round(-0.5 * bold)),
      behaviour: 'plain',
      closed: true,
    },
    above,
  );
  beginQuoted(it, true);
  setDimen(it.state, 'parindent', Math.round(1.5 * it.em));
}

const abstractHead = (it: Interpreter, size: string): BlockNode[] =>
  centred(it, size, () => {
    it.changeFont({ series: 'bold' });
    const name: readonly Inline[] = it.inlinesOf([it.p.command('abstractname')]);
    for (const inline of name) it.add(inline);
  });

function endAbstract(it: Interpreter): void {
  it.endParagraph();
  if (isOn(it, 'titlepage')) {
    it.mode.vlist.push(fill);
    clearPage(it, false);
    return;
  }
  if (!isOn(it, 'twocolumn')) endList(it);
}

/** `abstract` and `titlepage`. */
export const titleEnvironments: readonly EnvironmentEntry[] = [
  {
    name: 'abstract',
    signature: '',
    description: 'A summary under the title.',
    example: '\\begin{abstract}\nWe time the ferries.\n\\end{abstract}',
    begin: beginAbstract,
    end: endAbstract,
  },
  {
    name: 'titlepage',
    signature: '',
    description: 'A page of its own, without a number, laid out as you like.',
    example: '\\begin{titlepage}\nTides\n\\end{titlepage}',
    begin: (it) => {
      clearPage(it, isOn(it, 'openright'));
      emptyPage(it);
      setPage(it, isOn(it, 'twoside') ? 1 : 0, null);
      it.write(CELLS.noIndentNext, false, true);
    },
    end: (it) => {
      it.endParagraph();
      clearPage(it, false);
      if (!isOn(it, 'twoside')) setPage(it, 1, null);
    },
  },
];
