import { textOf } from '../../expansion/expandables';
import { setDimen } from '../../expansion/registers';
import type { EnvironmentEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import { macroEntry } from '../macroEntry';

const multicols = (name: string): EnvironmentEntry => ({
  name,
  signature: 'moo',
  description: 'Text in several columns of equal height.',
  example: `\\begin{${name}}{2}\nEbb and flood.\n\\end{${name}}`,
  package: 'multicol',
  begin: (it, args) => {
    it.endParagraph();
    const open = it.environments.at(-1) as OpenEnvironment;
    const count = Math.max(1, Math.min(10, parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 2));
    it.vlist.push({ kind: 'vspace', glue: it.skip('multicolsep'), behaviour: 'merge' });
    if (args[1]) {
      it.execute(tokensOf(args, 1));
      it.endParagraph();
    }
    const gap = it.dimen('columnsep');
    const width = (it.dimen('linewidth') - (count - 1) * gap) / count;
    const left = it.dimen('totalleftmargin');
    Object.assign(open.data, {
      layout: { count, width, gap, rule: it.dimen('columnseprule') },
      left,
      vlist: it.vlist,
    });
    it.vlist = [];
    for (const length of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, length, width);
    setDimen(it.state, 'totalleftmargin', 0);
    it.setFact('noIndentNext', false, true);
  },
  end: (it) => {
    it.endParagraph();
    const { layout, left, vlist } = (it.environments.at(-1) as OpenEnvironment).data as {
      layout: { count: number; width: number; gap: number; rule: number };
      left: number;
      vlist?: typeof it.vlist;
    };
    // A heading in its argument has ended it before it began.
    if (!vlist) return;
    const blocks = it.vlist;
    it.vlist = vlist;
    it.vlist.push({ kind: 'balanced', layout, left, blocks });
    it.vlist.push({ kind: 'vspace', glue: it.skip('multicolsep'), behaviour: 'merge' });
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
