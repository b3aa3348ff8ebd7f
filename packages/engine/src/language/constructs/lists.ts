import { gluePt, PT, type Glue } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { setDimen, setSkip } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/expandables';
import { setCounter } from '../counters';
import type { Args, CommandEntry } from '../entries';
import { tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import { resumeAfterBlock } from '../formulas';
import type { Interpreter } from '../interpreter';
import { makeLabel } from './generalList';
import { addGlue, measures, negative, ROMAN, type ListMeasures } from './listMeasures';
import type { ListOptions } from './listOptions';
import { INVISIBLE, nextStep, overlaySpec, showsOn } from './overlays';

/** `\@beginparpenalty`, `\@endparpenalty`, `\@itempenalty` (classes: `-\@lowpenalty`). */
const LIST_PENALTY = -51;

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
];
