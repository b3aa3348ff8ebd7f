import { gluePt } from '../../base/lengths';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { BlockNode, TableStretch } from '../../document/blocks';
import { freshTable, readRows, tableCommand, tableNode } from '../constructs/tables';
import type { TableState } from '../machine/tableState';
import { readPreamble } from '../constructs/tablePreamble';
import { caption, FLOAT_TYPE } from '../constructs/floats';
import type { OpenEnvironment } from '../machine/environments';
import { resumeAfterBlock } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { cell } from '../../expansion/cells';

const part = (name: string, what: string): CommandEntry =>
  tableCommand(
    {
      name,
      signature: '',
      description: what,
      example: `\\begin{longtable}{l}ebb\\\\\\${name} flood\\end{longtable}`,
      package: 'longtable',
    },
    (_it, table) => {
      table.parts.push({ name, at: table.count, below: table.rules });
      table.rules = [];
    },
  );

/** The caption of a long table, and behind how many of its rows it stands. */
const CAPTION = cell<{ readonly blocks: readonly BlockNode[]; readonly at: number } | null>(
  'longcaption',
  null,
);

/** The caption of a long table, as wide as the text. */
function longCaption(it: Interpreter, at: number): void {
  const open = it.environments.findLast((e) => e.name === 'longtable') as OpenEnvironment;
  const args = it.readArguments('soM', it.p.command('caption'));
  if (!args) return;
  open.data.set(FLOAT_TYPE, 'table');
  const blocks = it.gather(() => caption(it, args, it.p.command('caption')));
  // Repeated in the head of later pages, it is printed once.
  if (!open.data.get(CAPTION)) open.data.set(CAPTION, { blocks, at });
}

/** longtable: tables that go over several pages. */
export const longtable: PackageEntry = {
  name: 'longtable',
  description: 'Tables that go over several pages, with their head repeated.',
  options: null,
  commands: [
    part('endhead', 'Ends the rows that head every page.'),
    part('endfirsthead', 'Ends the rows that head the first page.'),
    part('endfoot', 'Ends the rows at the foot of every page.'),
    part('endlastfoot', 'Ends the rows at the foot of the last page.'),
  ],
  environments: [
    {
      name: 'longtable',
      signature: 'om',
      description: 'A table that may go over several pages.',
      example: '\\begin{longtable}{lr}\nNorth Pier & 06:40\\\\\n\\end{longtable}',
      package: 'longtable',
      begin: (it, args) => {
        it.endParagraph();
        const { data } = it.innermost;
        const preamble = readPreamble(it, tokensOf(args, 1));
        const table = freshTable(it);
        table.caption = () => longCaption(it, table.count);
        const rows = readRows(it, preamble, 'longtable', table);
        const said = data.get(CAPTION);
        // Behind a row of the body it stands below the table.
        const isBelow = said !== null && said.at > (table.parts.at(-1)?.at ?? 0);
        const gap = { kind: 'vspace', glue: gluePt(6), behaviour: 'plain' } as const;
        const together = { kind: 'penalty', penalty: 10000 } as const;
        const node = tableNode(it, preamble, rows, table, { position: 't', width: null });
        it.mode.vlist.push({ kind: 'vspace', glue: it.skip('bigskipamount'), behaviour: 'merge' });
        if (said && !isBelow) it.mode.vlist.push(...said.blocks, together, gap);
        it.mode.vlist.push({
          kind: 'longtable',
          table: node,
          ...stretches(table),
          width: it.dimen('linewidth'),
          left: it.dimen('totalleftmargin'),
        });
        if (said && isBelow) it.mode.vlist.push(together, gap, ...said.blocks);
        it.mode.vlist.push({ kind: 'vspace', glue: it.skip('bigskipamount'), behaviour: 'merge' });
      },
      end: (it) => {
        it.afterEnvironment = resumeAfterBlock;
      },
    },
  ],
};

const NOTHING: TableStretch = { from: 0, to: 0, below: [] };

/** Heads and feet: each goes from where the one before it ended. Where one of its own is missing, that of all pages serves. */
function stretches({ parts }: TableState) {
  const found = new Map<string, TableStretch>();
  parts.forEach(({ name, at, below }, i) =>
    found.set(name, { from: parts[i - 1]?.at ?? 0, to: at, below }),
  );
  const head = found.get('endhead') ?? NOTHING;
  const foot = found.get('endfoot') ?? NOTHING;
  return {
    firstHead: found.get('endfirsthead') ?? head,
    head,
    foot,
    lastFoot: found.get('endlastfoot') ?? foot,
    body: parts.at(-1)?.at ?? 0,
  };
}
