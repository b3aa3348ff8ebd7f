import { CELLS } from '../machine/cells';
import { textOf } from '../../expansion/tokenText';
import { setDimen } from '../../expansion/registers';
import { type Args, type EnvironmentEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { Token } from '../../expansion/meaning';
import { macroEntry } from '../machine/macroEntry';
import type { Sp } from '../../base/lengths';
import type { ColumnLayout } from '../../document/page';
import { cell } from '../../expansion/cells';
import type { Mode } from '../machine/modes';

/** What the columns that have begun are like, and the mode around them. */
const COLUMNS = cell<{
  readonly layout: ColumnLayout;
  readonly left: Sp;
  readonly outer: Mode;
} | null>('multicolumns', null);

/** How much room is asked for, in braces. */
const braced = (it: Interpreter, said: Args[number] | undefined): readonly Token[] => [
  it.p.make(1, '{'),
  ...(Array.isArray(said) ? (said as Token[]) : it.source('50pt')),
  it.p.make(2, '}'),
];

const multicols = (name: string): EnvironmentEntry => ({
  name,
  signature: 'moo',
  description: 'Text in several columns of equal height.',
  example: `\\begin{${name}}{2}\nEbb and flood.\n\\end{${name}}`,
  package: 'multicol',
  begin: (it, args) => {
    it.endParagraph();
    const open = it.innermost;
    const count = Math.max(1, Math.min(10, parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 2));
    // Columns do not begin where a few lines are left (`\premulticols`).
    it.execute([...it.source('\\@needroom'), ...braced(it, args[2])]);
    it.mode.vlist.push({ kind: 'vspace', glue: it.skip('multicolsep'), behaviour: 'merge' });
    if (args[1]) {
      it.execute(tokensOf(args, 1));
      it.endParagraph();
      // A heading in its argument has ended it before it began.
      if (it.innermost !== open) return;
    }
    const gap = it.dimen('columnsep');
    const width = (it.dimen('linewidth') - (count - 1) * gap) / count;
    const left = it.dimen('totalleftmargin');
    const layout = { count, width, gap, rule: it.dimen('columnseprule') };
    open.data.set(COLUMNS, { layout, left, outer: it.pushMode() });
    for (const length of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, length, width);
    setDimen(it.state, 'totalleftmargin', 0);
    it.write(CELLS.noIndentNext, false, true);
  },
  end: (it) => {
    it.endParagraph();
    const columns = it.innermost.data.get(COLUMNS);
    if (!columns) return;
    const { layout, left, outer } = columns;
    const blocks = it.popMode(outer).vlist;
    it.mode.vlist.push({ kind: 'balanced', layout, left, blocks });
    it.mode.vlist.push({ kind: 'vspace', glue: it.skip('multicolsep'), behaviour: 'merge' });
  },
});

/** multicol: several columns of equal height on one page. */
export const multicol: PackageEntry = {
  name: 'multicol',
  description: 'Several columns of equal height.',
  options: null,
  environments: [multicols('multicols'), multicols('multicols*')],
  commands: [
    macroEntry(
      'columnbreak',
      '',
      'Starts the next column.',
      '\\begin{multicols}{2}a\\columnbreak b\\end{multicols}',
      '\\pagebreak',
    ),
  ],
};
