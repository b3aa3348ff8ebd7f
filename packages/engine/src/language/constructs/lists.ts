import { glue, gluePt, PT, type Glue } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { setDimen, setSkip } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/expandables';
import { counterText, counterValue, setCounter, stepCounter } from '../counters';
import type { Args, CommandEntry, EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import { resumeAfterBlock } from '../formulas';
import type { Interpreter } from '../interpreter';
import { beginGeneral, makeLabel } from './generalList';
import { INVISIBLE, nextStep, overlaySpec, showsOn } from './overlays';
import {
  listLabel,
  listOptions,
  listStart,
  refFormat,
  resumes,
  withDefaults,
  type ListOptions,
} from './listOptions';

/** `\@beginparpenalty`, `\@endparpenalty`, `\@itempenalty` (classes: `-\@lowpenalty`). */
const LIST_PENALTY = -51;

export interface ListMeasures {
  readonly topSep: Glue;
  readonly parSep: Glue;
  readonly itemSep: Glue;
  readonly partopSep: Glue;
}

/** `\@listi` to `\@listiii` of size10, size11, size12; deeper levels are as the third. */
const MEASURES: Readonly<Record<number, readonly [ListMeasures, ListMeasures, ListMeasures]>> = {
  10: [
    {
      topSep: gluePt(8, 2, 4),
      parSep: gluePt(4, 2, 1),
      itemSep: gluePt(4, 2, 1),
      partopSep: gluePt(2, 1, 1),
    },
    {
      topSep: gluePt(4, 2, 1),
      parSep: gluePt(2, 1, 1),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(2, 1, 1),
    },
    {
      topSep: gluePt(2, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
  11: [
    {
      topSep: gluePt(9, 3, 5),
      parSep: gluePt(4.5, 2, 1),
      itemSep: gluePt(4.5, 2, 1),
      partopSep: gluePt(3, 1, 1),
    },
    {
      topSep: gluePt(4.5, 2, 1),
      parSep: gluePt(2, 1, 1),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(3, 1, 1),
    },
    {
      topSep: gluePt(2, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
  12: [
    {
      topSep: gluePt(10, 4, 6),
      parSep: gluePt(5, 2.5, 1),
      itemSep: gluePt(5, 2.5, 1),
      partopSep: gluePt(3, 2, 2),
    },
    {
      topSep: gluePt(5, 2.5, 1),
      parSep: gluePt(2.5, 1, 1),
      itemSep: gluePt(2.5, 1, 1),
      partopSep: gluePt(3, 2, 2),
    },
    {
      topSep: gluePt(2.5, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2.5, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
};

const ROMAN = ['i', 'ii', 'iii', 'iv', 'v', 'vi'];

export const addGlue = (a: Glue, b: Glue): Glue => ({
  ...a,
  width: a.width + b.width,
  stretch: a.stretch + b.stretch,
  shrink: a.shrink + b.shrink,
});
const negative = (g: Glue): Glue => glue(-g.width, -g.stretch, -g.shrink);

/** The measures of the list level that would be opened now; of the open one, where none is opened. */
function measures(it: Interpreter, trivial: boolean): { level: number; values: ListMeasures } {
  const depth = it.fact<number>('listDepth') ?? 0;
  const level = trivial ? Math.max(1, depth) : depth + 1;
  const table = MEASURES[it.fact<number>('baseSize') ?? 10] ?? MEASURES[10];
  return {
    level,
    values: (table as (typeof MEASURES)[number])[Math.min(level, 3) - 1] as ListMeasures,
  };
}

/** Opens a list: margins, spaces, one level deeper (LaTeX's `\list`). */
export function beginList(it: Interpreter, options: ListOptions = {}): void {
  const trivial = options.trivial ?? false;
  const { level, values } = measures(it, trivial);
  const open = it.environments.at(-1) as OpenEnvironment;
  const vertical = it.hlist === null;
  const atItem = it.pendingLabel !== null;
  if (!vertical && !it.restricted) {
    it.hlist?.unskip();
    it.endParagraph();
  }
  const outerParskip = it.skip('parskip');
  const topSep = options.topSep ?? values.topSep;
  const above = addGlue(vertical ? addGlue(topSep, values.partopSep) : topSep, outerParskip);
  const below = vertical ? addGlue(topSep, values.partopSep) : topSep;
  const parSep = trivial ? outerParskip : (options.parSep ?? values.parSep);
  if (!trivial) it.setFact('listDepth', level);
  const margin = options.leftMargin ?? it.dimen(`leftmargin${ROMAN[Math.min(level, 6) - 1]}`);
  setDimen(it.state, 'leftmargin', margin);
  setDimen(it.state, 'labelwidth', margin - it.dimen('labelsep'));
  setDimen(it.state, 'totalleftmargin', it.dimen('totalleftmargin') + margin);
  setDimen(it.state, 'linewidth', it.dimen('linewidth') - margin - it.dimen('rightmargin'));
  setSkip(it.state, 'parskip', parSep);
  if (!trivial) setDimen(it.state, 'parindent', it.dimen('listparindent'));
  setSkip(it.state, 'itemsep', options.itemSep ?? values.itemSep);
  it.setFact('alignment', 'justified');
  const { partopSep } = values;
  Object.assign(open.data, { list: true, first: true, above, below, parSep, margin, atItem });
  Object.assign(open.data, { vertical, topSep, partopSep });
  if (atItem && it.pendingLabel) {
    // A list right behind an outer `\item`: both labels stand on its first line.
    const at = it.p.place;
    it.pendingLabel = [
      { kind: 'kern', width: -margin, ...at },
      ...it.pendingLabel,
      { kind: 'kern', width: margin, ...at },
    ];
  }
}

/** The innermost list that is open. */
function openList(it: Interpreter): OpenEnvironment | null {
  for (let i = it.environments.length - 1; i >= 0; i--) {
    const open = it.environments[i] as OpenEnvironment;
    if (open.data.list === true) return open;
  }
  return null;
}

/** Space before an item: that above the list for its first, that between items for the others. */
function itemSpace(it: Interpreter, open: OpenEnvironment): void {
  const { data } = open;
  const first = data.first === true;
  data.first = false;
  if (first && data.atItem === true) return;
  if (it.pendingLabel) {
    it.startParagraph();
    it.endParagraph();
  }
  it.endParagraph();
  if (first && it.fact<boolean>('afterHeading') === true) {
    it.setFact('afterHeading', false, true);
    return;
  }
  it.vlist.push({ kind: 'penalty', penalty: LIST_PENALTY });
  if (first) {
    it.vlist.push({ kind: 'vspace', glue: data.above as Glue, behaviour: 'merge' });
    it.vlist.push({ kind: 'vspace', glue: negative(data.parSep as Glue), behaviour: 'plain' });
  } else it.vlist.push({ kind: 'vspace', glue: it.skip('itemsep'), behaviour: 'merge' });
}

/** The label in its box, right against the text (LaTeX's `\makelabel`). */
function labelBox(
  it: Interpreter,
  label: readonly Inline[],
  at: { from: number; to: number },
  left: boolean,
): Inline[] {
  const width = it.dimen('labelwidth');
  const sep = it.dimen('labelsep');
  return [
    { kind: 'kern', width: it.dimen('itemindent') - (width + sep), ...at },
    {
      kind: 'box',
      inlines: label,
      width,
      align: left ? 'left' : 'right',
      raise: 0,
      hidden: false,
      frame: null,
      grow: true,
      ...at,
    },
    { kind: 'kern', width: sep, ...at },
  ];
}

/** In a talk, an item that is not to be seen yet keeps its room. */
function showItem(it: Interpreter, open: OpenEnvironment, spec: string | null): void {
  const preset = open.data.overlay as string | undefined;
  const steps = spec ?? (preset === undefined ? null : nextStep(it, preset));
  if (steps === null && open.data.hides !== true) return;
  open.data.color = open.data.color ?? it.font.color;
  open.data.hides = true;
  const hidden = steps !== null && !showsOn(it, steps);
  it.changeFont({ color: hidden ? INVISIBLE : (open.data.color as number) });
}

function item(it: Interpreter, args: Args, token: Token): void {
  const open = openList(it);
  const at = it.spanOf(token);
  if (!open) {
    it.p.report('item-outside-list', at);
    it.endParagraph();
    it.startParagraph();
    it.character('•', at);
    it.add({ kind: 'kern', width: 5 * PT, ...at });
    return;
  }
  const spec = it.fact<number>('overlay') === undefined ? null : overlaySpec(it);
  if (spec !== null) args = it.readArguments('o', token) ?? args;
  itemSpace(it, open);
  showItem(it, open, spec);
  const own = args[0];
  const label = open.data.label as ((it: Interpreter) => readonly Inline[]) | undefined;
  const inlines = Array.isArray(own) ? ownLabel(it, open, own as Token[]) : (label?.(it) ?? []);
  const before = it.pendingLabel ?? [];
  it.pendingLabel = [...before, ...labelBox(it, inlines, at, open.data.description === true)];
  it.skipBlanks();
}

function ownLabel(
  it: Interpreter,
  open: OpenEnvironment,
  tokens: readonly Token[],
): readonly Inline[] {
  if (open.data.general === true) return makeLabel(it, tokens);
  if (open.data.description !== true) return it.inlinesOf(tokens);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: it.textFamily, shape: 'upright', series: 'bold' });
  const inlines = it.inlinesOf(tokens);
  it.closeGroup();
  return inlines;
}

/** Closes a list: space below it, and text that follows at once goes on without indent. */
export function endList(it: Interpreter): void {
  const open = it.environments.at(-1);
  if (it.pendingLabel) it.startParagraph();
  it.endParagraph();
  (open?.data.finish as ((it: Interpreter) => void) | undefined)?.(it);
  it.vlist.push({ kind: 'penalty', penalty: LIST_PENALTY });
  const below = (open?.data.below as Glue | undefined) ?? gluePt(8, 2, 4);
  it.vlist.push({ kind: 'vspace', glue: below, behaviour: 'merge' });
  it.afterEnvironment = resumeAfterBlock;
}

const MARKS = ['labelitemi', 'labelitemii', 'labelitemiii', 'labelitemiv'];

/** Options of a list; `[<+->]` says how a talk uncovers its items. */
function listArguments(it: Interpreter, args: Args): readonly Token[] {
  const tokens = tokensOf(args, 0);
  if (tokens[0]?.text !== '<' || it.fact<number>('overlay') === undefined) return tokens;
  const open = it.environments.at(-1) as OpenEnvironment;
  open.data.overlay = tokens
    .map((t) => t.text)
    .join('')
    .replace(/[<>]/g, '');
  return [];
}

export function beginItemize(it: Interpreter, args: Args, kind = 'itemize'): void {
  const depth = Math.min((it.fact<number>('itemizeDepth') ?? 0) + 1, 4);
  it.setFact('itemizeDepth', depth);
  const options = withDefaults(it, kind, listArguments(it, args));
  beginList(it, listOptions(it, options));
  const open = it.environments.at(-1) as OpenEnvironment;
  const custom = listLabel(it, options, null);
  const tokens = custom ?? [it.p.command(MARKS[depth - 1] as string)];
  open.data.label = (inner: Interpreter) => inner.inlinesOf(tokens);
}

export function beginEnumerate(it: Interpreter, args: Args, kind = 'enumerate'): void {
  const depth = Math.min((it.fact<number>('enumerateDepth') ?? 0) + 1, 4);
  it.setFact('enumerateDepth', depth);
  const counter = `enum${ROMAN[depth - 1]}`;
  const options = withDefaults(it, kind, listArguments(it, args));
  beginList(it, listOptions(it, options));
  const open = it.environments.at(-1) as OpenEnvironment;
  const resumed = resumes(it, options) ? it.state.get(lastNumber(it, kind, depth)) : undefined;
  setCounter(it.state, counter, (resumed as number | undefined) ?? listStart(it, options) - 1);
  open.data.finish = (inner: Interpreter) =>
    inner.state.set(lastNumber(inner, kind, depth), counterValue(inner.state, counter), true);
  open.data.ref = refFormat(it, options, counter);
  const custom =
    listLabel(it, options, counter) ??
    listLabel(it, open.data.overlay === undefined ? tokensOf(args, 0) : [], counter);
  open.data.label = (inner: Interpreter) => {
    stepCounter(inner.state, counter);
    if (custom) {
      const label = inner.inlinesOf(custom);
      const ref = open.data.ref as readonly Token[] | null;
      const shown = ref ? inner.inlinesOf(ref) : label;
      const value = shown.map((i) => (i.kind === 'text' ? i.text : '')).join('');
      inner.setFact('currentLabel', { value, shown: null, kind: counter });
      return label;
    }
    const value = prefix(inner, depth) + counterText(inner, counter);
    inner.setFact('currentLabel', { value, shown: null, kind: counter });
    return inner.inlinesOf([inner.p.command(`label${counter}`)]);
  };
}

/** Where the last number of a list of a kind is kept, for one that goes on (`resume`). */
const lastNumber = (it: Interpreter, kind: string, depth: number) =>
  it.state.cell(`\u0001lastnumber:${kind}:${depth}`);

/** `\p@enumii` and its kin: what stands before the number in references (article.cls). */
function prefix(it: Interpreter, depth: number): string {
  if (depth === 1) return '';
  const first = counterText(it, 'enumi');
  if (depth === 2) return first;
  const second = `${first}(${counterText(it, 'enumii')})`;
  return depth === 3 ? second : second + counterText(it, 'enumiii');
}

export function beginDescription(it: Interpreter, args: Args, kind = 'description'): void {
  const options = withDefaults(it, kind, tokensOf(args, 0));
  beginList(it, listOptions(it, options));
  const open = it.environments.at(-1) as OpenEnvironment;
  // `\labelwidth` 0 and `\itemindent -\leftmargin` (article.cls): the label starts at the outer margin.
  setDimen(it.state, 'labelwidth', it.dimen('leftmargin') - it.dimen('labelsep'));
  open.data.description = true;
}

/** The space above what is set apart, and below it. */
export interface Spaces {
  readonly above: Glue;
  readonly below: Glue;
}

/** What is set apart as a list is, its paragraphs as they were: theorems, proofs, centred lines (LaTeX's `\trivlist`). */
export function beginTrivial(it: Interpreter, spaces?: (measures: ListMeasures) => Spaces): void {
  beginList(it, { leftMargin: 0, trivial: true });
  const { data } = it.environments.at(-1) as OpenEnvironment;
  if (spaces) Object.assign(data, spaces(measures(it, true).values));
  startMarkless(it);
}

/** A list without marks, set in from both margins, for quotations. */
export function beginQuoted(it: Interpreter): void {
  const margin = it.dimen('leftmargini');
  beginList(it, { leftMargin: margin });
  setDimen(it.state, 'linewidth', it.dimen('linewidth') - margin);
  startMarkless(it);
}

function startMarkless(it: Interpreter): void {
  const open = it.environments.at(-1) as OpenEnvironment;
  open.data.list = false;
  itemSpace(it, open);
}

/** Environments whose text is centred or ragged. */
function aligned(name: string, alignment: string, description: string): EnvironmentEntry {
  return {
    name,
    signature: '',
    description,
    example: `\\begin{${name}}\nHigh water\n\\end{${name}}`,
    begin: (it) => {
      beginTrivial(it);
      it.setFact('alignment', alignment);
    },
    end: endList,
  };
}

const alignmentSwitch = (name: string, alignment: string, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `{\\${name} High water\\par}`,
  run: (it) => it.setFact('alignment', alignment),
});

const quoted = (name: string, indented: boolean, description: string): EnvironmentEntry => ({
  name,
  signature: '',
  description,
  example: `\\begin{${name}}\nThe tide waits for nobody.\n\\end{${name}}`,
  begin: (it) => {
    beginQuoted(it);
    // `\listparindent 1.5em` and `\parsep 0pt plus 1pt` (article.cls), which \quote does not set.
    if (indented) setSkip(it.state, 'parskip', gluePt(0, 1));
    setDimen(it.state, 'parindent', indented ? Math.round(1.5 * it.em) : 0);
    if (!indented) it.setFact('noIndentNext', true, true);
  },
  end: endList,
});

/** Lists, and the environments built on them. */
export const listEnvironments: readonly EnvironmentEntry[] = [
  {
    name: 'itemize',
    signature: 'o',
    description: 'A list with marks.',
    example: '\\begin{itemize}\n  \\item ebb\n  \\item flood\n\\end{itemize}',
    begin: (it, args) => beginItemize(it, args),
    end: endList,
  },
  {
    name: 'enumerate',
    signature: 'o',
    description: 'A numbered list.',
    example: '\\begin{enumerate}\n  \\item ebb\n  \\item flood\n\\end{enumerate}',
    begin: (it, args) => beginEnumerate(it, args),
    end: endList,
  },
  {
    name: 'description',
    signature: 'o',
    description: 'A list of terms and what they mean.',
    example: '\\begin{description}\n  \\item[ebb] falling water\n\\end{description}',
    begin: (it, args) => beginDescription(it, args),
    end: endList,
  },
  {
    name: 'list',
    signature: 'MM',
    description: 'A list of your own: its label, and its measures.',
    example: '\\begin{list}{--}{\\setlength{\\leftmargin}{2cm}}\n\\item ebb\n\\end{list}',
    begin: beginGeneral,
    end: endList,
  },
  {
    name: 'trivlist',
    signature: '',
    description: 'A list without margins.',
    example: '\\begin{trivlist}\n\\item ebb\n\\end{trivlist}',
    begin: (it) => {
      beginList(it, { leftMargin: 0 });
      setDimen(it.state, 'labelwidth', 0);
    },
    end: endList,
  },
  {
    name: 'verse',
    signature: '',
    description: 'Verses: lines end with \\\\, stanzas with a blank line.',
    example: '\\begin{verse}\nThe tide comes in,\\\\\nthe tide goes out.\n\\end{verse}',
    begin: (it) => {
      const hang = Math.round(1.5 * it.em);
      beginQuoted(it);
      setSkip(it.state, 'leftskip', glue(hang));
      setDimen(it.state, 'parindent', -hang);
    },
    end: endList,
  },
  aligned('center', 'center', 'Lines centred between the margins.'),
  aligned('flushleft', 'left', 'Lines that start at the left margin and end where they end.'),
  aligned('flushright', 'right', 'Lines that end at the right margin.'),
  quoted('quote', false, 'A short quotation, set in from both margins.'),
  quoted('quotation', true, 'A quotation of several paragraphs.'),
];

export const listCommands: readonly CommandEntry[] = [
  {
    name: 'item',
    signature: 'o',
    description: 'Starts an item of a list; brackets give it a label of its own.',
    example: '\\item the first ferry',
    run: item,
  },
  {
    name: 'usecounter',
    signature: 'm',
    description: 'In the measures of a list: its items are counted by this counter.',
    example:
      '\\newcounter{ferry}\\begin{list}{\\arabic{ferry}.}{\\usecounter{ferry}}\\item ebb\\end{list}',
    run: (it, args) => {
      const name = textOf(it.p, tokensOf(args, 0));
      setCounter(it.state, name, 0);
      it.state.set(it.state.cell('\u0001usecounter'), name);
    },
  },
  alignmentSwitch('centering', 'center', 'Centres the lines from here on.'),
  alignmentSwitch('raggedright', 'left', 'Lines end where they end.'),
  alignmentSwitch('raggedleft', 'right', 'Lines end at the right margin.'),
];

/** Marks and numbers of the classes (article.cls). */
export const listMacros: Readonly<Record<string, string>> = {
  labelitemi: '\\textbullet',
  labelitemii: '\\normalfont\\bfseries\\textendash',
  labelitemiii: '$\\ast$',
  labelitemiv: '\\textperiodcentered',
  labelenumi: '\\theenumi.',
  labelenumii: '(\\theenumii)',
  labelenumiii: '\\theenumiii.',
  labelenumiv: '\\theenumiv.',
  theenumi: '\\arabic{enumi}',
  theenumii: '\\alph{enumii}',
  theenumiii: '\\roman{enumiii}',
  theenumiv: '\\Alph{enumiv}',
};
