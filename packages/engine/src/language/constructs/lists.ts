import { CELLS } from '../machine/cells';
import { type Glue, gluePt, negative, NO_GLUE, PT } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { setDimen, setSkip } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { setCounter } from '../machine/counters';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { OpenEnvironment } from '../machine/environments';
import { resumeAfterBlock } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { takeFlag } from '../machine/paragraphMode';
import { passWrapped } from '../machine/wrapped';
import { dressedLabel, makeLabel } from './listLabel';
import {
  AFTER_LIST,
  WRAPPER,
  BEGUN,
  FINISH,
  FIRST_ITEM,
  GENERAL,
  LABEL,
  LABEL_LEFT,
  LABEL_STYLE,
  LIST,
  OVERLAY,
  COVERED_ITEM,
  ITEM_COLOUR,
  TAKES_ITEMS,
  USED_COUNTER,
} from './listData';
import { WRAPPED } from './listWrapped';
import { addGlue, type ListMeasures, measures, ROMAN } from './listMeasures';
import type { ListOptions } from './listOptions';
import {
  ALERT_COLOUR,
  alertsOn,
  cover,
  nextStep,
  overlaySpec,
  showsOn,
  uncover,
} from '../machine/overlays';

/** `\@beginparpenalty`, `\@endparpenalty`, `\@itempenalty` (classes: `-\@lowpenalty`). */
const LIST_PENALTY = -51;

/** Opens a list: margins, spaces, one level deeper (LaTeX's `\list`). */
export function beginList(it: Interpreter, options: ListOptions = {}): void {
  passWrapped(it);
  const trivial = options.trivial ?? false;
  const { level, values } = measures(it, trivial);
  const { data } = it.innermost;
  const behindDisplay = takeFlag(it, CELLS.afterDisplay);
  const vertical = it.mode.hlist === null && !behindDisplay;
  const atItem = it.mode.pendingLabel !== null;
  if (!vertical && !it.mode.restricted) {
    it.mode.hlist?.unskip();
    it.endParagraph();
  }
  const outerParskip = it.skip('parskip');
  const partopSep = options.partopSep ?? values.partopSep;
  const topSep = options.topSep ?? values.topSep;
  const above = addGlue(vertical ? addGlue(topSep, partopSep) : topSep, outerParskip);
  const below = vertical ? addGlue(topSep, partopSep) : topSep;
  const parSep = trivial ? outerParskip : (options.parSep ?? values.parSep);
  if (!trivial) {
    it.write(CELLS.listDepth, level);
    setSkip(it.state, 'topsep', topSep);
    setSkip(it.state, 'parsep', parSep);
    setSkip(it.state, 'partopsep', partopSep);
  }
  const margin =
    options.leftMargin ?? values.margin ?? it.dimen(`leftmargin${ROMAN[Math.min(level, 6) - 1]}`);
  setDimen(it.state, 'leftmargin', margin);
  if (options.labelSep !== undefined) setDimen(it.state, 'labelsep', options.labelSep);
  if (!trivial) {
    setDimen(it.state, 'rightmargin', options.rightMargin ?? 0);
    setDimen(it.state, 'itemindent', options.itemIndent ?? 0);
    setDimen(it.state, 'listparindent', options.listParIndent ?? 0);
  }
  setDimen(it.state, 'labelwidth', options.labelWidth ?? margin - it.dimen('labelsep'));
  setDimen(it.state, 'totalleftmargin', it.dimen('totalleftmargin') + margin);
  setDimen(it.state, 'linewidth', it.dimen('linewidth') - margin - it.dimen('rightmargin'));
  setSkip(it.state, 'parskip', parSep);
  if (!trivial) setDimen(it.state, 'parindent', it.dimen('listparindent'));
  setSkip(it.state, 'itemsep', options.itemSep ?? values.itemSep);
  it.write(CELLS.alignment, 'justified');
  data.set(LIST, {
    above,
    below,
    parSep,
    margin,
    atItem,
    vertical,
    topSep,
    partopSep,
    outerParskip,
  });
  data.set(TAKES_ITEMS, true);
  if (atItem && it.mode.pendingLabel) {
    // A list right behind an outer `\item`: both labels stand on its first line.
    const at = it.p.place;
    it.mode.pendingLabel = [
      { kind: 'kern', width: -margin, ...at },
      ...it.mode.pendingLabel,
      { kind: 'kern', width: margin, ...at },
    ];
  }
}

/** The innermost list that is open. */
function openList(it: Interpreter): OpenEnvironment | null {
  return it.environments.findLast(({ data }) => data.get(TAKES_ITEMS)) ?? null;
}

/**
 * Space before an item: that above the list for its first, that between items for the others. What
 * is taken off for the paragraph to come is `\parskip` as it stands by now.
 */
function itemSpace(it: Interpreter, open: OpenEnvironment): void {
  const { data } = open;
  const first = !data.get(BEGUN);
  const list = data.get(LIST);
  data.set(BEGUN, true);
  if (first && list?.atItem) {
    // `\\@donoparitem`: of the item's list but the difference of the spaces between paragraphs is added.
    const glue = addGlue(list.outerParskip, negative(it.skip('parskip')));
    it.mode.vlist.push({ kind: 'vspace', glue, behaviour: 'plain' });
    return;
  }
  if (it.mode.pendingLabel) {
    it.startParagraph();
    it.endParagraph();
  }
  it.endParagraph();
  if (first && takeFlag(it, CELLS.afterHeading)) {
    // `\\@nbitem`: right behind a heading there is but the difference of the spaces between paragraphs.
    const { outerParskip = NO_GLUE } = list ?? {};
    const difference = addGlue(outerParskip, negative(it.skip('parskip')));
    it.mode.vlist.push({ kind: 'vspace', glue: difference, behaviour: 'merge' });
    return;
  }
  if (first && list && it.mode.atTop) {
    // `\\addvspace` does nothing there, and a paragraph on top of a list has no `\\parskip` (§1091).
    it.mode.vlist.push({ kind: 'vspace', glue: negative(it.skip('parskip')), behaviour: 'plain' });
    return;
  }
  it.mode.vlist.push({ kind: 'penalty', penalty: LIST_PENALTY, added: true });
  if (first && list) {
    it.mode.vlist.push({ kind: 'vspace', glue: list.above, behaviour: 'merge' });
    it.mode.vlist.push({ kind: 'vspace', glue: negative(it.skip('parskip')), behaviour: 'merge' });
  } else it.mode.vlist.push({ kind: 'vspace', glue: it.skip('itemsep'), behaviour: 'merge' });
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
  const { data } = open;
  const preset = data.get(OVERLAY);
  const steps = spec ?? (preset === null ? null : nextStep(it, preset));
  const before = data.get(ITEM_COLOUR);
  if (steps === null && before === null) return;
  if (data.get(COVERED_ITEM)) uncover(it);
  data.set(ITEM_COLOUR, before ?? it.font.color);
  it.changeFont({ color: before ?? it.font.color });
  if (steps !== null && alertsOn(it, steps)) it.changeFont({ color: it.read(ALERT_COLOUR) });
  const isCovered = steps !== null && !showsOn(it, steps) && it.read(CELLS.veil) === null;
  if (isCovered) cover(it);
  data.set(COVERED_ITEM, isCovered);
}

/** `\\item` in a list without marks begins a paragraph, and no more: its `\\@itemlabel` is empty. */
function signless(it: Interpreter, name: string, at: { from: number; to: number }): void {
  it.p.report('item-without-sign', at, { name });
  if (it.mode.pendingLabel) it.startParagraph();
  it.endParagraph();
  it.mode.vlist.push({ kind: 'vspace', glue: it.skip('itemsep'), behaviour: 'merge' });
  it.startParagraph(false);
}

function item(it: Interpreter, args: Args, token: Token): void {
  const open = openList(it);
  const at = it.spanOf(token);
  if (!open) {
    const markless = it.environments.findLast(({ data }) => data.get(LIST));
    if (markless) return signless(it, markless.name, at);
    it.p.report('item-outside-list', at);
    it.endParagraph();
    it.startParagraph();
    it.character('•', at);
    it.add({ kind: 'kern', width: 5 * PT, ...at });
    return;
  }
  const spec = it.read(CELLS.overlay) === null ? null : overlaySpec(it);
  if (spec !== null) args = it.readArguments('o', token) ?? args;
  itemSpace(it, open);
  it.execute(open.data.get(FIRST_ITEM));
  open.data.set(FIRST_ITEM, []);
  showItem(it, open, spec);
  const own = args[0];
  const label = open.data.get(LABEL);
  const inlines = Array.isArray(own) ? ownLabel(it, open, own as Token[]) : (label?.(it) ?? []);
  const before = it.mode.pendingLabel ?? [];
  it.mode.pendingLabel = [...before, ...placedLabel(it, open, inlines, at)];
  it.skipBlanks();
}

/** A label in its box, and what follows it by the style of the list (enumitem manual, 3.6). */
function placedLabel(
  it: Interpreter,
  open: OpenEnvironment,
  label: readonly Inline[],
  at: { from: number; to: number },
): Inline[] {
  const style = open.data.get(LABEL_STYLE);
  const width = it.dimen('labelwidth');
  const isWide = it.host.measure(label).width > width;
  if (style === 'multiline' && isWide) {
    const paragraph = it.gather(() => {
      it.write(CELLS.alignment, 'left');
      it.startParagraph(false);
      for (const inline of label) it.add(inline);
      it.endParagraph();
    });
    const box: Inline = { kind: 'parbox', blocks: paragraph, width, valign: 'top', ...at };
    return labelBox(it, [box], at, true);
  }
  const placed = labelBox(it, label, at, open.data.get(LABEL_LEFT));
  if (style !== 'nextline' || !isWide) return placed;
  return [...placed.slice(0, -1), { kind: 'break', skip: 0, fill: true, ...at }];
}

function ownLabel(
  it: Interpreter,
  open: OpenEnvironment,
  tokens: readonly Token[],
): readonly Inline[] {
  if (open.data.get(GENERAL)) return makeLabel(it, tokens);
  return dressedLabel(it, open.data, tokens);
}

/** Closes a list: space below it, and text that follows at once goes on without indent. */
export function endList(it: Interpreter): void {
  const data = it.environments.at(-1)?.data;
  if (data?.get(WRAPPER)) return;
  if (it.mode.pendingLabel) it.startParagraph();
  it.execute(data?.get(AFTER_LIST) ?? []);
  it.endParagraph();
  if (data?.get(TAKES_ITEMS) && !data.get(BEGUN)) emptyList(it);
  data?.get(FINISH)?.(it);
  const list = data?.get(LIST);
  // `\\@noparlist`: what began at an item ends as that does.
  if (list?.atItem) return;
  it.mode.vlist.push({ kind: 'penalty', penalty: LIST_PENALTY, added: true });
  const below = list?.below ?? gluePt(8, 2, 4);
  it.mode.vlist.push({ kind: 'vspace', glue: below, behaviour: 'merge' });
  const closing = data?.get(WRAPPED) ?? null;
  it.afterEnvironment = closing ? (outer) => outer.p.push(closing) : resumeAfterBlock;
}

/** The `\\end` of a list in which no item was begun (LaTeX's `\\@noitemerr`). */
function emptyList(it: Interpreter): void {
  const { name, span } = it.innermost;
  it.p.report('list-empty', span, { name });
}

/** The space above what is set apart, and below it. */
export interface Spaces {
  readonly above: Glue;
  readonly below: Glue;
}

/** What is set apart as a list is, its paragraphs as they were: theorems, proofs, centred lines (LaTeX's `\trivlist`). */
export function beginTrivial(it: Interpreter, spaces?: (measures: ListMeasures) => Spaces): void {
  beginList(it, { leftMargin: 0, trivial: true });
  const { data } = it.innermost;
  const list = data.get(LIST);
  if (spaces && list) data.set(LIST, { ...list, ...spaces(measures(it, true).values) });
  startMarkless(it);
}

/** A list without marks, set in from both margins, for quotations. */
export function beginQuoted(it: Interpreter, isQuotation = false): void {
  const margin = it.dimen('leftmargini');
  // `\\quotation` sets `\\parsep` to 0pt plus 1pt; `\\quote` leaves it (article.cls).
  beginList(it, { leftMargin: margin, ...(isQuotation ? { parSep: gluePt(0, 1) } : {}) });
  setDimen(it.state, 'linewidth', it.dimen('linewidth') - margin);
  startMarkless(it);
}

function startMarkless(it: Interpreter): void {
  const open = it.innermost;
  open.data.set(TAKES_ITEMS, false);
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
      it.write(USED_COUNTER, name);
    },
  },
];
