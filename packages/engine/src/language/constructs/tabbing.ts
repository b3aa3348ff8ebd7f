import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { FIL, glue, type Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { cell } from '../../expansion/cells';
import { getDimen, setDimen, setSkip } from '../../expansion/registers';
import type { CommandEntry, EnvironmentEntry } from '../machine/entries';
import { InlineList } from '../machine/inlineList';
import type { Interpreter } from '../machine/interpreter';
import type { Mode } from '../machine/modes';
import { LIST } from './listData';
import { beginTrivial, endList } from './lists';

/** Where the tab stops are, and the line that is being put together (lttab.dtx). */
interface Tabs {
  /** Positions of the stops from the left margin; the first is the margin. */
  stops: Sp[];
  /** At which stop this line and the next one begin, and the stop that was reached last. */
  margin: number;
  nextMargin: number;
  current: number;
  line: Inline[];
  width: Sp;
  /** What stands behind it goes to the right margin. */
  atRight: boolean;
  /** The mode outside of the field that is open; null between fields. */
  outside: Mode | null;
  readonly pushed: Pick<Tabs, 'stops' | 'margin' | 'nextMargin'>[];
}

const TABS = cell<Tabs | null>('tabs', null);

const tabsOf = (it: Interpreter): Tabs | null =>
  it.environments.findLast(({ data }) => data.get(TABS) !== null)?.data.get(TABS) ?? null;

/** A field is a group and a box on one line: declarations end with it. */
function startField(it: Interpreter, tabs: Tabs): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const hlist = new InlineList(it.read(CELLS.divisions));
  tabs.outside = it.pushMode({ hlist, restricted: true });
  it.skipBlanks();
}

/** Ends the field; what it holds. */
function stopField(it: Interpreter, tabs: Tabs): { inlines: readonly Inline[]; width: Sp } {
  const { hlist } = it.mode;
  if (!tabs.outside || !hlist) return { inlines: [], width: 0 };
  const inlines = hlist.finish();
  it.popMode(tabs.outside);
  tabs.outside = null;
  it.closeGroup();
  return { inlines, width: it.host.measure(inlines).width };
}

/** Ends the field and puts it into the line. */
function addField(it: Interpreter, tabs: Tabs): void {
  const { inlines, width } = stopField(it, tabs);
  if (tabs.atRight) tabs.line.push({ kind: 'glue', glue: FIL, ...it.p.place });
  tabs.line.push(...inlines);
  tabs.width += width;
}

function startLine(it: Interpreter, tabs: Tabs): void {
  tabs.margin = tabs.nextMargin;
  tabs.current = tabs.margin;
  tabs.line = [];
  tabs.width = 0;
  tabs.atRight = false;
  startField(it, tabs);
}

/** The line becomes a box on the page, as high and deep as a strut; it never breaks. */
function stopLine(it: Interpreter, tabs: Tabs): void {
  if (tabs.outside) it.mode.hlist?.unskip();
  addField(it, tabs);
  const at = it.p.place;
  const margin = tabs.stops[tabs.margin] ?? 0;
  const inlines: Inline[] = [{ kind: 'kern', width: margin, ...at }, ...tabs.line];
  it.startParagraph(false);
  it.mode.nextIndent = 0;
  it.execute(it.source('\\strut'));
  it.add({
    ...emptyBox(it),
    inlines,
    ...(tabs.atRight ? { width: it.dimen('linewidth'), align: 'fill' as const } : {}),
  });
  it.endParagraph();
}

function command(
  name: string,
  description: string,
  run: (it: Interpreter, tabs: Tabs) => void,
): CommandEntry {
  return {
    name,
    signature: '',
    description,
    example: '',
    run: (it) => {
      const tabs = tabsOf(it);
      if (tabs?.outside) run(it, tabs);
    },
  };
}

/** Goes to a stop, backwards too where the text is longer. */
function goTo(it: Interpreter, tabs: Tabs, stop: number): void {
  const margin = tabs.stops[tabs.margin] ?? 0;
  const width = (tabs.stops[stop] ?? 0) - margin - tabs.width;
  tabs.line.push({ kind: 'kern', width, ...it.p.place });
  tabs.width += width;
}

/** What `\=`, `\>` and their kin are within the environment. */
export const tabbingCommands: readonly CommandEntry[] = [
  command('@settab', 'Sets a tab stop.', (it, tabs) => {
    addField(it, tabs);
    tabs.current++;
    tabs.stops[tabs.current] = (tabs.stops[tabs.margin] ?? 0) + tabs.width;
    startField(it, tabs);
  }),
  command('@rtab', 'Goes to the next tab stop.', (it, tabs) => {
    addField(it, tabs);
    if (tabs.current < tabs.stops.length - 1) goTo(it, tabs, ++tabs.current);
    startField(it, tabs);
  }),
  command('@ltab', 'Begins the line one tab stop further left.', (it, tabs) => {
    addField(it, tabs);
    if (tabs.margin > 0) tabs.current = --tabs.margin;
    startField(it, tabs);
  }),
  command('@tabplus', 'The lines that follow begin one tab stop further right.', (_it, tabs) => {
    if (tabs.nextMargin < tabs.stops.length - 1) tabs.nextMargin++;
  }),
  command('@tabminus', 'The lines that follow begin one tab stop further left.', (_it, tabs) => {
    if (tabs.nextMargin > 0) tabs.nextMargin--;
  }),
  command('@tablab', 'What stands before it ends at the tab stop.', (it, tabs) => {
    const { inlines, width } = stopField(it, tabs);
    const gap = getDimen(it.state, 'tabbingsep');
    const at = it.p.place;
    tabs.line.push({ kind: 'kern', width: -width - gap, ...at }, ...inlines);
    tabs.line.push({ kind: 'kern', width: gap, ...at });
    startField(it, tabs);
  }),
  command('@tabrj', 'What stands behind it goes to the right margin.', (it, tabs) => {
    addField(it, tabs);
    tabs.atRight = true;
    startField(it, tabs);
  }),
  command('@tabkill', 'Sets the tab stops of the line, which is not printed.', (it, tabs) => {
    stopField(it, tabs);
    startLine(it, tabs);
  }),
  {
    name: '@tabcr',
    signature: 'so',
    description: 'Ends a line of tabs.',
    example: '',
    run: (it, args) => {
      const tabs = tabsOf(it);
      if (!tabs?.outside) return;
      stopLine(it, tabs);
      if (args[0] === true) it.mode.vlist.push({ kind: 'penalty', penalty: 10000 });
      if (Array.isArray(args[1])) it.call('vspace', args[1]);
      startLine(it, tabs);
    },
  },
  command('@pushtabs', 'Keeps the tab stops for later.', (it, tabs) => {
    addField(it, tabs);
    const { stops, margin, nextMargin } = tabs;
    tabs.pushed.push({ stops: [...stops], margin, nextMargin });
    startField(it, tabs);
  }),
  command('@poptabs', 'The tab stops that were kept.', (it, tabs) => {
    addField(it, tabs);
    Object.assign(tabs, tabs.pushed.pop() ?? {});
    tabs.current = tabs.margin;
    startField(it, tabs);
  }),
  {
    name: '@tabend',
    signature: '',
    description: 'Ends the line before an environment ends.',
    example: '',
    run: (it) => {
      const tabs = it.environments.at(-1)?.data.get(TABS);
      if (tabs?.outside) stopLine(it, tabs);
      it.p.push([it.p.command('@tabrealend')]);
    },
  },
];

/** Accents that are signs of the environment there; `\\a=` and its kin print them. */
const ACCENTS = ['=', "'", '`'];
const SIGNS = {
  '>': '@rtab',
  '<': '@ltab',
  '=': '@settab',
  '+': '@tabplus',
  '-': '@tabminus',
  '`': '@tabrj',
  "'": '@tablab',
  '\\': '@tabcr',
  kill: '@tabkill',
  pushtabs: '@pushtabs',
  poptabs: '@poptabs',
  end: '@tabend',
};

const MEANINGS = [
  '\\let\\@tabrealend\\end',
  ...ACCENTS.map((char) => `\\expandafter\\let\\csname @tabacc${char}\\endcsname\\${char}`),
  '\\def\\a#1{\\csname @tabacc#1\\endcsname}',
  ...Object.entries(SIGNS).map(([sign, command]) => `\\let\\${sign}\\${command}`),
].join('');

function beginTabbing(it: Interpreter): void {
  beginTrivial(it);
  it.mode.vlist.push({ kind: 'vspace', glue: it.skip('parskip'), behaviour: 'plain' });
  setSkip(it.state, 'parskip', glue(0));
  setSkip(it.state, 'lineskip', glue(0));
  setDimen(it.state, 'parindent', 0);
  it.write(CELLS.alignment, 'left');
  const { data } = it.innermost;
  const list = data.get(LIST);
  if (list) data.set(LIST, { ...list, parSep: it.skip('parskip') });
  it.execute(it.source(MEANINGS));
  const tabs: Tabs = {
    stops: [0],
    margin: 0,
    nextMargin: 0,
    current: 0,
    line: [],
    width: 0,
    atRight: false,
    outside: null,
    pushed: [],
  };
  data.set(TABS, tabs);
  startLine(it, tabs);
}

/** `tabbing`: lines with tab stops, set as a list is (LaTeX's `\trivlist`). */
export const tabbingEnvironment: EnvironmentEntry = {
  name: 'tabbing',
  signature: '',
  description: 'Lines with tab stops: \\= sets one, \\> goes to the next.',
  example: '\\begin{tabbing}ferry \\= noon\\\\ a \\> b\\end{tabbing}',
  begin: beginTabbing,
  end: endList,
};
