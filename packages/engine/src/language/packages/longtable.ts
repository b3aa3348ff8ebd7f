import { gluePt } from '../../base/lengths';
import type { CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import { freshTable, readRows, tableCommand, tableNode } from '../constructs/tables';
import { readPreamble } from '../constructs/tablePreamble';
import { caption } from '../constructs/floats';
import type { OpenEnvironment } from '../environments';
import { resumeAfterBlock } from '../formulas';
import type { Interpreter } from '../interpreter';

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
      if (name === 'endhead') table.headRows = table.count;
      else if (name === 'endfirsthead') table.head = table.count;
      else table.footAt = [...table.footAt, table.count];
    },
  );

/** The caption of a long table stands above its first row, as wide as the text. */
function longCaption(it: Interpreter): void {
  const open = it.environments.findLast((e) => e.name === 'longtable') as OpenEnvironment;
  const args = it.readArguments('soM', it.p.command('caption'));
  if (!args) return;
  const outer = { hlist: it.hlist, vlist: it.vlist, restricted: it.restricted };
  it.hlist = null;
  it.restricted = false;
  it.vlist = [];
  open.data.floatType = 'table';
  caption(it, args, it.p.command('caption'));
  const blocks = it.vlist;
  Object.assign(it, outer);
  // Repeated in the head of later pages, it is printed once.
  if (open.data.caption === undefined) open.data.caption = blocks;
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
        const open = it.environments.at(-1) as OpenEnvironment;
        const preamble = readPreamble(it, tokensOf(args, 1));
        const table = freshTable();
        table.caption = () => longCaption(it);
        const all = readRows(it, preamble, 'longtable', table);
        const caption0 = open.data.caption as typeof it.vlist | undefined;
        const { rows, head } = arrange(all, table);
        const node = tableNode(it, preamble, rows, table, { position: 't', width: null });
        it.vlist.push({ kind: 'vspace', glue: it.skip('bigskipamount'), behaviour: 'merge' });
        if (caption0)
          it.vlist.push(
            ...caption0,
            { kind: 'penalty', penalty: 10000 },
            { kind: 'vspace', glue: gluePt(6), behaviour: 'plain' },
          );
        it.vlist.push({
          kind: 'longtable',
          table: node,
          head,
          width: it.dimen('linewidth'),
          left: it.dimen('totalleftmargin'),
        });
        it.vlist.push({ kind: 'vspace', glue: it.skip('bigskipamount'), behaviour: 'merge' });
      },
      end: (it) => {
        it.afterEnvironment = resumeAfterBlock;
      },
    },
  ],
};

/** Rows in the order they are printed: the first page's head, the body, the last page's foot. */
function arrange<Row>(
  all: readonly Row[],
  table: { head: number | null; headRows: number | null; footAt: readonly number[] },
) {
  const first = table.head ?? 0;
  const headEnd = table.headRows ?? first;
  const feet = table.footAt;
  const bodyStart = Math.max(headEnd, ...feet, 0);
  const foot = feet.length > 0 ? all.slice(feet.length > 1 ? feet[0] : headEnd, feet.at(-1)) : [];
  const head = first > 0 ? all.slice(0, first) : all.slice(0, headEnd);
  return { rows: [...head, ...all.slice(bodyStart), ...foot], head: head.length };
}
