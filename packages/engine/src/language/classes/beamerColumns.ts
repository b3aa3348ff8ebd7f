import { FILL, INCH, type Sp } from '../../base/lengths';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type EnvironmentEntry, tokensOf } from '../machine/entries';
import { endColumn, beginColumn, enterColumn, leaveColumn } from '../machine/columns';
import { dimenOf } from '../scanning/dimenOf';
import type { Interpreter } from '../machine/interpreter';
import type { BlockNode } from '../../document/blocks';
import { cell, flag } from '../../expansion/cells';
import type { KernInline } from '../../document/inlines';

/** How columns stand on their line. */
const VALIGN = cell<Valign>('columnsvalign', 'center');
/** First lines level, upper edges level, middles, last lines. */
type Valign = 'top' | 'edge' | 'center' | 'bottom';
const VALIGNS: Readonly<Record<string, Valign>> = { t: 'top', T: 'edge', c: 'center', b: 'bottom' };

export const columns: EnvironmentEntry = {
  name: 'columns',
  signature: 'o',
  description: 'Columns side by side.',
  example:
    '\\begin{frame}\\begin{columns}\\begin{column}{.4\\textwidth}ebb\\end{column}\\end{columns}\\end{frame}',
  begin: (it, args) => {
    it.endParagraph();
    const options = textOf(it.p, tokensOf(args, 0)).split(',');
    const said = options.map((option) => VALIGNS[option.trim()]).find(Boolean);
    const { data: own } = it.innermost;
    own.set(VALIGN, said ?? 'center');
    own.set(
      WITHIN,
      options.some((option) => /^\s*(?:onlytextwidth|totalwidth)/.test(option)),
    );
    it.startParagraph(false);
    if (own.get(WITHIN)) return;
    it.add(overMargin(it, 'left'));
    it.add({ kind: 'glue', glue: FILL, ...it.p.place });
  },
  end: (it) => {
    it.mode.hlist?.takeLast('space');
    if (!it.innermost.data.get(WITHIN)) {
      it.add({ kind: 'glue', glue: FILL, ...it.p.place });
      it.add(overMargin(it, 'right'));
    }
    it.endParagraph();
  },
};

/** Columns are spread over the whole paper, unless they say otherwise. */
const WITHIN = flag('columnswithin');

const BEGUN = flag('columnsbegun');

const overMargin = (it: Interpreter, side: 'left' | 'right'): KernInline => {
  const left = it.dimen('oddsidemargin') + INCH;
  const right = it.dimen('paperwidth') - left - it.dimen('textwidth');
  return { kind: 'kern', width: -(side === 'left' ? left : right), ...it.p.place };
};

function startColumn(it: Interpreter, width: Sp): void {
  betweenColumns(it);
  beginColumn(it, width);
  beginAtEdge(it);
}

const valignOf = (it: Interpreter): Valign => data(it)?.get(VALIGN) ?? 'center';

/** A column whose upper edge counts begins with a line of no height (beamer: `\\vbox{}\\vskip-1.4ex`). */
function beginAtEdge(it: Interpreter): void {
  if (valignOf(it) === 'edge') it.execute(it.source('\\vbox{}\\vskip-1.4ex\\relax '));
}

/** A column as it stands beside the others. */
function addColumn(it: Interpreter, blocks: readonly BlockNode[], width: Sp): void {
  const said = valignOf(it);
  const valign = said === 'edge' ? 'top' : said;
  it.add({ kind: 'parbox', blocks, width, valign, ...it.p.place });
  data(it)?.set(BEGUN, true);
}

const data = (it: Interpreter) => it.environments.findLast((e) => e.name === 'columns')?.data;

/** Blanks between columns are none; room is shared among all that stands between them. */
function betweenColumns(it: Interpreter): void {
  it.mode.hlist?.takeLast('space');
  if (data(it)?.get(BEGUN)) it.add({ kind: 'glue', glue: FILL, ...it.p.place });
}

function finishColumn(it: Interpreter): void {
  const { blocks, width } = endColumn(it);
  addColumn(it, blocks, width);
}

export const column: EnvironmentEntry = {
  name: 'column',
  signature: 'om',
  description: 'One of the columns, its width in braces.',
  example: '\\begin{column}{4cm}ebb\\end{column}',
  begin: (it, args) => startColumn(it, dimenOf(it, tokensOf(args, 1))),
  end: finishColumn,
};

/** `\column{width}` in columns: all up to the next one, or to the end of the columns, is its own. */
export function columnCommand(it: Interpreter): void {
  const { p } = it;
  const width = tokensOf(it.readArguments('m', p.command('column')) ?? [], 0);
  const body: Token[] = [];
  let depth = 0;
  for (let t = p.next(); t !== null; t = p.next()) {
    const ends = depth === 0 && t.cat === Cat.Command && (t.text === 'column' || t.text === 'end');
    if (ends || t.cat === 18) {
      p.unread(t);
      break;
    }
    if (t.cat === Cat.Command && t.text === 'begin') depth++;
    if (t.cat === Cat.Command && t.text === 'end') depth--;
    body.push(t);
  }
  beginColumnBox(it, dimenOf(it, width), body);
}

function beginColumnBox(it: Interpreter, width: number, body: readonly Token[]): void {
  betweenColumns(it);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const outer = enterColumn(it, width);
  beginAtEdge(it);
  it.execute(body);
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  addColumn(it, blocks, width);
}
