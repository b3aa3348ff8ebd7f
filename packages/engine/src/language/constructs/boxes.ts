import type { BlockNode } from '../../document/blocks';
import type {
  BoxInline,
  Inline,
  TabularColumn,
  TabularInline,
  TabularRow,
} from '../../document/inlines';
import type { Sp } from '../../base/lengths';
import { setDimen } from '../../expansion/registers';
import { scanDimen } from '../../expansion/scan';
import type { Token } from '../../expansion/meaning';
import type { Args, CommandEntry, EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import type { Interpreter } from '../interpreter';
import { readCell } from '../tableCell';
import type { MathReader } from '../mathReader';
import { glueOf } from './spacing';

/** A length given as an argument, in sp. */
export function dimenOf(it: Interpreter, tokens: readonly Token[]): Sp {
  it.p.push([...tokens, it.p.command('relax')]);
  const length = scanDimen(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return length;
}

type BoxChange = Partial<Omit<BoxInline, 'kind' | 'inlines'>>;

function box(it: Interpreter, inlines: readonly Inline[], change: BoxChange): BoxInline {
  return {
    kind: 'box',
    inlines,
    width: null,
    align: 'center',
    raise: 0,
    hidden: false,
    frame: null,
    grow: false,
    ...it.p.place,
    ...change,
  };
}

const frameOf = (it: Interpreter) => ({ rule: it.dimen('fboxrule'), padding: it.dimen('fboxsep') });
const ALIGNMENTS: Readonly<Record<string, BoxInline['align']>> = {
  l: 'left',
  c: 'center',
  r: 'right',
  s: 'left',
};

function sized(it: Interpreter, args: Args, framed: boolean): BoxInline {
  const inlines = it.inlinesOf(tokensOf(args, 2));
  const width = args[0] ? dimenOf(it, tokensOf(args, 0)) : null;
  const align = ALIGNMENTS[tokensOf(args, 1)[0]?.text ?? 'c'] ?? 'center';
  return box(it, inlines, { width, align, frame: framed ? frameOf(it) : null });
}

/** Inside a formula the same box is a piece of text. */
const inFormula =
  (make: (it: Interpreter, tokens: readonly Token[]) => Inline) =>
  (reader: MathReader, token: Token) => ({
    kind: 'text' as const,
    inlines: [make(reader.it, reader.argument(token))],
    ...reader.span(token),
  });

const simple = (
  name: string,
  description: string,
  make: (it: Interpreter, tokens: readonly Token[]) => Inline,
): CommandEntry => ({
  name,
  signature: 'm',
  description,
  example: `\\${name}{ferry}`,
  run: (it, args) => it.add(make(it, tokensOf(args, 0))),
  math: inFormula(make),
});

/** Boxes on one line, and rules. */
export const boxCommands: readonly CommandEntry[] = [
  simple('mbox', 'Text that is never broken over lines.', (it, t) => box(it, it.inlinesOf(t), {})),
  simple('hbox', 'Text that is never broken over lines.', (it, t) => box(it, it.inlinesOf(t), {})),
  simple('fbox', 'Text in a frame.', (it, t) => box(it, it.inlinesOf(t), { frame: frameOf(it) })),
  {
    name: 'makebox',
    signature: 'oom',
    description: 'Text in a box of a given width.',
    example: '\\makebox[2cm][l]{ebb}',
    run: (it, args) => it.add(sized(it, args, false)),
  },
  {
    name: 'framebox',
    signature: 'oom',
    description: 'Text in a framed box of a given width.',
    example: '\\framebox[2cm]{ebb}',
    run: (it, args) => it.add(sized(it, args, true)),
  },
  {
    name: 'raisebox',
    signature: 'moom',
    description: 'Text raised above the line.',
    example: '\\raisebox{1ex}{ebb}',
    run: (it, args) => {
      const raise = dimenOf(it, tokensOf(args, 0));
      it.add(box(it, it.inlinesOf(tokensOf(args, 3)), { raise }));
    },
  },
  {
    name: 'rule',
    signature: 'omm',
    description: 'A rule of a width and a height.',
    example: '\\rule{2cm}{0.4pt}',
    run: (it, args) => {
      const lift = args[0] ? dimenOf(it, tokensOf(args, 0)) : 0;
      const width = dimenOf(it, tokensOf(args, 1));
      const height = dimenOf(it, tokensOf(args, 2));
      it.add({ kind: 'rule', width, height: height + lift, depth: -lift, ...it.p.place });
    },
  },
  {
    name: 'hrulefill',
    signature: '',
    description: 'A rule that fills the rest of the line.',
    example: 'Name: \\hrulefill',
    run: (it) => {
      const at = it.p.place;
      it.add({
        kind: 'rule',
        width: it.dimen('linewidth') / 3,
        height: it.dimen('fboxrule'),
        depth: 0,
        ...at,
      });
    },
  },
  {
    name: 'hrule',
    signature: '',
    description: 'A rule across the text.',
    example: '\\hrule',
    run: (it) =>
      it.addBlock({
        kind: 'rule',
        width: it.dimen('linewidth'),
        height: it.dimen('fboxrule'),
        left: it.dimen('totalleftmargin'),
      }),
  },
  {
    name: 'parbox',
    signature: 'omM',
    description: 'A paragraph in a box of a given width.',
    example: '\\parbox{4cm}{High water at noon.}',
    run: (it, args) => {
      const position = tokensOf(args, 0)[0]?.text ?? 'c';
      const width = dimenOf(it, tokensOf(args, 1));
      it.add(parbox(it, width, position, () => it.blocksOf(tokensOf(args, 2))));
    },
  },
];

const VALIGN: Readonly<Record<string, 'top' | 'center' | 'bottom'>> = {
  t: 'top',
  c: 'center',
  b: 'bottom',
};

function parbox(
  it: Interpreter,
  width: Sp,
  position: string,
  fill: () => readonly BlockNode[],
): Inline {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  narrow(it, width);
  const blocks = fill();
  it.closeGroup();
  return { kind: 'parbox', blocks, width, valign: VALIGN[position] ?? 'center', ...it.p.place };
}

/** Measures inside a box of paragraphs (LaTeX's `\@parboxrestore`). */
function narrow(it: Interpreter, width: Sp): void {
  for (const name of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, name, width);
  setDimen(it.state, 'totalleftmargin', 0);
  setDimen(it.state, 'parindent', 0);
}

export const minipage: EnvironmentEntry = {
  name: 'minipage',
  signature: 'om',
  description: 'A small page of a given width.',
  example: '\\begin{minipage}{4cm}\nHigh water at noon.\n\\end{minipage}',
  begin: (it, args) => {
    const open = it.environments.at(-1) as OpenEnvironment;
    const width = dimenOf(it, tokensOf(args, 1));
    it.startParagraph();
    Object.assign(open.data, {
      position: tokensOf(args, 0)[0]?.text ?? 'c',
      width,
      hlist: it.hlist,
      vlist: it.vlist,
      restricted: it.restricted,
    });
    it.hlist = null;
    it.vlist = [];
    it.restricted = false;
    narrow(it, width);
    it.skipBlanks();
  },
  end: (it) => {
    it.endParagraph();
    const open = it.environments.at(-1) as OpenEnvironment;
    const blocks = it.vlist;
    const { position, width, hlist, vlist, restricted } = open.data as {
      position: string;
      width: Sp;
      hlist: Interpreter['hlist'];
      vlist: Interpreter['vlist'];
      restricted: boolean;
    };
    it.hlist = hlist;
    it.vlist = vlist;
    it.restricted = restricted;
    it.add({ kind: 'parbox', blocks, width, valign: VALIGN[position] ?? 'center', ...it.p.place });
  },
};

/** Column letters and bars of a `tabular`. */
export function readColumns(
  it: Interpreter,
  tokens: readonly Token[],
): { columns: TabularColumn[]; bars: number[] } {
  const columns: TabularColumn[] = [];
  const bars: number[] = [0];
  for (let i = 0; i < tokens.length; i++) {
    const t = tokens[i] as Token;
    if (t.text === '|') bars[columns.length] = (bars[columns.length] ?? 0) + 1;
    else if ('lcr'.includes(t.text) && t.cell === null && t.text !== '') {
      columns.push({
        align: (ALIGNMENTS[t.text] ?? 'left') as TabularColumn['align'],
        width: null,
      });
    } else if (t.text === 'p' && tokens[i + 1]?.cat === 1) {
      const end = tokens.findIndex((u, k) => k > i && u.cat === 2);
      columns.push({ align: 'left', width: glueOf(it, tokens.slice(i + 2, end)).width });
      i = end;
    } else if (t.text === '@' && tokens[i + 1]?.cat === 1) {
      i = tokens.findIndex((u, k) => k > i && u.cat === 2);
    }
  }
  return { columns, bars };
}

/** `tabular`: rows and columns of text. */
function beginTabular(it: Interpreter, args: Args, token: Token): void {
  const at = it.spanOf(token);
  it.startParagraph();
  const { columns, bars } = readColumns(it, tokensOf(args, 1));
  const rows: TabularRow[] = [];
  let cells: (readonly Inline[])[] = [];
  it.tableRules = 0;
  for (;;) {
    const { inlines, ended } = readCell(it);
    cells.push(inlines);
    if (ended === 'tab') {
      if (cells.length === columns.length) it.p.report('columns-too-many', it.p.place);
      continue;
    }
    const skip = ended === 'row' ? rowSkip(it) : 0;
    rows.push({ cells, rulesAbove: it.tableRules, skip });
    it.tableRules = 0;
    cells = [];
    if (ended === 'end') break;
  }
  const table: TabularInline = {
    kind: 'tabular',
    columns,
    rows,
    bars,
    valign: VALIGN[tokensOf(args, 0)[0]?.text ?? 'c'] ?? 'center',
    baselineSkip: it.skip('baselineskip').width,
    columnSep: it.dimen('tabcolsep'),
    ruleWidth: it.dimen('arrayrulewidth'),
    ...at,
  };
  it.add(table);
}

function rowSkip(it: Interpreter): Sp {
  const args = it.readArguments('so', it.p.command('\\'));
  const skip = args?.[1];
  return Array.isArray(skip) ? glueOf(it, skip as Token[]).width : 0;
}

export const tabular: EnvironmentEntry = {
  name: 'tabular',
  signature: 'om',
  description: 'A table of text: a letter for each column.',
  example: '\\begin{tabular}{lr}\nNorth Pier & 06:40\\\\\nSouth Quay & 07:05\n\\end{tabular}',
  begin: beginTabular,
};

export const tableCommands: readonly CommandEntry[] = [
  {
    name: 'hline',
    signature: '',
    description: 'A rule across the table.',
    example: '\\hline',
    run: (it) => {
      it.tableRules++;
      it.skipBlanks();
    },
    math: (reader) => {
      reader.rules++;
      return null;
    },
  },
];
