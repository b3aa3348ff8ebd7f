import { type PackageEntry, tokensOf } from '../machine/entries';
import { dimenOf } from '../scanning/dimenOf';
import { seenAround } from '../machine/overlays';
import { freshTable, readRows, tableNode } from '../constructs/tables';
import { readPreamble } from '../constructs/tablePreamble';

/** tabularx: tables of a given width whose `X` columns share what is left. */
export const tabularx: PackageEntry = {
  name: 'tabularx',
  description: 'Tables of a given width; columns X share what is left of it.',
  options: null,
  requires: ['array'],
  environments: [
    {
      name: 'tabularx',
      signature: 'mom',
      description: 'A table of a given width; columns X hold paragraphs and share what is left.',
      example: '\\begin{tabularx}{6cm}{lX}\nebb & falling water\n\\end{tabularx}',
      package: 'tabularx',
      begin: (it, args) => {
        it.startParagraph();
        const width = dimenOf(it, tokensOf(args, 0));
        const position = tokensOf(args, 1)[0]?.text ?? 'c';
        const preamble = readPreamble(it, tokensOf(args, 2));
        const table = freshTable(it);
        const rows = readRows(it, preamble, 'tabularx', table);
        const flexible = preamble.columns.some(({ column }) => column.flexible);
        it.add(
          seenAround(
            it,
            tableNode(it, preamble, rows, table, { position, width: flexible ? width : null }),
          ),
        );
      },
    },
  ],
};
