import { PT } from '../../base/lengths';
import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { dimenOf } from '../scanning/dimenOf';

/** multirow: cells over several rows. */
export const multirow: PackageEntry = {
  name: 'multirow',
  description: 'Cells over several rows of a table.',
  options: null,
  commands: [
    {
      name: 'multirow',
      signature: 'omomoM',
      description: 'A cell over several rows: how many, how wide (* for as wide as it is), what.',
      example: '\\begin{tabular}{ll}\\multirow{2}{*}{ebb} & a\\\\ & b\\end{tabular}',
      package: 'multirow',
      run: (it, args) => {
        const rows = parseInt(textOf(it.p, tokensOf(args, 1)), 10) || 1;
        const width = tokensOf(args, 3);
        if (it.mode.table) it.mode.table.rows = rows;
        const star = width[0]?.text === '*' || width[0]?.text === '=';
        const text = tokensOf(args, 5);
        if (star) {
          it.startParagraph();
          // Several lines are set one under another.
          const lines = text.some((t) => t.text === '\\');
          if (lines) {
            it.execute([
              ...it.source('\\begin{tabular}{@{}l@{}}'),
              ...text,
              ...it.source('\\end{tabular}'),
            ]);
            return;
          }
          for (const inline of it.inlinesOf(text)) it.add(inline);
          return;
        }
        const { p } = it;
        it.execute([
          ...it.source(`\\parbox{${dimenOf(it, width) / PT}pt}`),
          p.make(1, '{'),
          ...text,
          p.make(2, '}'),
        ]);
      },
    },
  ],
};
