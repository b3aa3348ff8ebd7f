import { gluePt } from '../../base/lengths';
import type { CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import type { TableStretch } from '../../document/blocks';
import {
  freshTable,
  readRows,
  tableCommand,
  tableNode,
  type TableState,
} from '../constructs/tables';
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
      table.parts.push({ name, at: table.count, below: table.rules });
      table.rules = [];
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
        const rows = readRows(it, preamble, 'longtable', table);
        const caption0 = open.data.caption as typeof it.vlist | undefined;
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
          ...stretches(table),
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
