import { FILL } from '../../base/lengths';
import { textOf } from '../../expansion/expandables';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import { dimenOf, enterColumn, leaveColumn } from '../constructs/boxes';
import type { OpenEnvironment } from '../environments';
import type { Interpreter } from '../interpreter';

export const columns: EnvironmentEntry = {
  name: 'columns',
  signature: 'o',
  description: 'Columns side by side.',
  example:
    '\\begin{frame}\\begin{columns}\\begin{column}{.4\\textwidth}ebb\\end{column}\\end{columns}\\end{frame}',
  begin: (it, args) => {
    it.endParagraph();
    const top = /[tT]/.test(textOf(it.p, tokensOf(args, 0)));
    (it.environments.at(-1) as OpenEnvironment).data.valign = top ? 'top' : 'center';
    it.startParagraph(false);
    it.add({ kind: 'glue', glue: FILL, ...it.p.place });
  },
  end: (it) => {
    it.add({ kind: 'glue', glue: FILL, ...it.p.place });
    it.endParagraph();
  },
};

function beginColumn(it: Interpreter, width: number): void {
  const open = it.environments.at(-1) as OpenEnvironment;
  open.data.width = width;
  it.hlist?.unskip();
  open.data.outer = enterColumn(it, width);
}

function endColumn(it: Interpreter): void {
  const open = it.environments.at(-1) as OpenEnvironment;
  const blocks = leaveColumn(it, open.data.outer as ReturnType<typeof enterColumn>);
  const around = it.environments.findLast((e) => e.name === 'columns');
  const valign = (around?.data.valign as 'top' | 'center' | undefined) ?? 'center';
  it.add({ kind: 'parbox', blocks, width: open.data.width as number, valign, ...it.p.place });
  it.add({ kind: 'glue', glue: FILL, ...it.p.place });
}

export const column: EnvironmentEntry = {
  name: 'column',
  signature: 'om',
  description: 'One of the columns, its width in braces.',
  example: '\\begin{column}{4cm}ebb\\end{column}',
  begin: (it, args) => beginColumn(it, dimenOf(it, tokensOf(args, 1))),
  end: endColumn,
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
  it.hlist?.unskip();
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const outer = enterColumn(it, width);
  it.execute(body);
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  const around = it.environments.findLast((e) => e.name === 'columns');
  const valign = (around?.data.valign as 'top' | 'center' | undefined) ?? 'center';
  it.add({ kind: 'parbox', blocks, width, valign, ...it.p.place });
  it.add({ kind: 'glue', glue: FILL, ...it.p.place });
}
