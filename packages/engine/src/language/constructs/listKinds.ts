import { CELLS, type Alignment } from '../machine/cells';
import { glue, gluePt } from '../../base/lengths';
import { setDimen, setSkip } from '../../expansion/registers';
import { detach, type Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { counterText, counterValue, setCounter, stepCounter, nameNext } from '../machine/counters';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { beginGeneral } from './generalList';
import { ROMAN } from './listMeasures';
import { labelModel, modelMargin } from './labelModel';
import {
  bothOf,
  LABEL_ALIGNS,
  listKeys,
  listLabel,
  listOptions,
  listStart,
  refFormat,
  resumes,
  understood,
  withDefaults,
} from './listOptions';
import {
  AFTER_LIST,
  DESCRIPTION,
  FINISH,
  FIRST_ITEM,
  LABEL,
  LABEL_FONT,
  LABEL_LEFT,
  LABEL_PLACE,
  LABEL_STYLE,
  LABEL_TOKENS,
  OVERLAY,
} from './listData';
import { dressedLabel } from './listLabel';
import { alignOf } from './listPlacement';
import { cellsBy } from '../../expansion/cells';
import { beginList, beginQuoted, beginTrivial, endList } from './lists';
import { wrapsList, WRAPPED } from './listWrapped';
import { checkListOptions } from './listSlips';

const MARKS = ['labelitemi', 'labelitemii', 'labelitemiii', 'labelitemiv'];

/** Options of a list; `[<+->]` says how a talk uncovers its items. */
function listArguments(it: Interpreter, args: Args): readonly Token[] {
  const tokens = tokensOf(args, 0);
  if (tokens[0]?.text !== '<' || it.read(CELLS.overlay) === null) return tokens;
  const spec = tokens.map((t) => t.text).join('');
  it.innermost.data.set(OVERLAY, spec.replace(/[<>]/g, ''));
  return [];
}

export function beginItemize(it: Interpreter, args: Args, kind = 'itemize'): void {
  checkListOptions(it, kind, tokensOf(args, 0));
  const options = withDefaults(it, kind, listArguments(it, args));
  if (wrapsList(it, kind, tokensOf(args, 0), options)) return;
  const depth = Math.min(it.read(CELLS.itemizeDepth) + 1, 4);
  it.write(CELLS.itemizeDepth, depth);
  beginList(it, listOptions(it, options));
  const custom = listLabel(it, options, null);
  const tokens = custom ?? [it.p.command(MARKS[depth - 1] as string)];
  const { data } = it.innermost;
  data.set(LABEL, (inner: Interpreter) => dressedLabel(inner, data, tokens));
  heedKeys(it, options);
}

export function beginEnumerate(it: Interpreter, args: Args, kind = 'enumerate'): void {
  checkListOptions(it, kind, tokensOf(args, 0));
  const depth = Math.min(it.read(CELLS.enumerateDepth) + 1, 4);
  const counter = `enum${ROMAN[depth - 1]}`;
  const usualPlace = `${kind}:${depth}`;
  const written = resumedOptions(it, listArguments(it, args), usualPlace);
  const options = withDefaults(it, kind, written);
  if (wrapsList(it, kind, tokensOf(args, 0), options)) return;
  it.write(CELLS.enumerateDepth, depth);
  const model =
    it.hasPackage('enumerate') && !understood(it) ? labelModel(it, options, counter) : null;
  beginList(it, {
    ...listOptions(it, options),
    ...(model ? { leftMargin: modelMargin(it, model, counter) } : {}),
  });
  const { data } = it.innermost;
  const series = seriesOf(listKeys(it, options));
  const place = series === '' ? usualPlace : `series:${series}`;
  const resumed = resumes(it, options) ? it.read(lastNumber(place)) : null;
  it.define('@enumctr', counter);
  setCounter(it.state, counter, resumed ?? listStart(it, options) - 1);
  data.set(FINISH, (inner: Interpreter) => {
    const last = counterValue(inner.state, counter);
    for (const kept of new Set([usualPlace, place])) {
      inner.write(lastNumber(kept), last, true);
      inner.write(lastOptions(kept), detach(written), true);
    }
  });
  const ref = model?.number ?? refFormat(it, options, counter);
  const custom =
    model?.label ??
    listLabel(it, options, counter) ??
    listLabel(it, data.get(OVERLAY) === null ? tokensOf(args, 0) : [], counter);
  const label = joinedLabel(it, options, counter) ?? custom;
  data.set(LABEL_TOKENS, label ?? [it.p.command(`label${counter}`)]);
  heedKeys(it, options);
  data.set(LABEL, (inner: Interpreter) => {
    stepCounter(inner.state, counter);
    if (label) {
      const printed = dressedLabel(inner, data, label);
      const shown = ref ? inner.inlinesOf(ref) : inner.inlinesOf(label);
      const value = shown.map((i) => (i.kind === 'text' ? i.text : '')).join('');
      nameNext(inner, { value, shown: null, kind: counter });
      return printed;
    }
    const value = prefix(inner, depth) + counterText(inner, counter);
    nameNext(inner, { value, shown: null, kind: counter });
    return dressedLabel(inner, data, [inner.p.command(`label${counter}`)]);
  });
}

/** The lists that a list goes on with by name (`series`, `resume=`). */
const seriesOf = (keys: ReadonlyMap<string, readonly Token[]>): string =>
  ['series', 'resume', 'resume*'].map((key) => keyText(keys, key)).find((name) => name !== '') ??
  '';

/** Where the last number of a list of a kind is kept, for one that goes on (`resume`). */
const lastNumber = cellsBy<number | null>('lastnumber', null);

/** What such a list was asked to be, for one that goes on in its way (`resume*`). */
const lastOptions = cellsBy<readonly Token[]>('lastoptions', []);

/** `\restartlist`: the next list of a kind does not go on with the numbers of the last one. */
export const restartList = (it: Interpreter, kind: string): void =>
  it.write(lastNumber(`${kind}:1`), null, true);

/** Options behind those of the list that this one goes on with. */
function resumedOptions(
  it: Interpreter,
  written: readonly Token[],
  usualPlace: string,
): readonly Token[] {
  const keys = listKeys(it, written);
  if (!keys.has('resume*')) return written;
  const series = seriesOf(keys);
  const kept = it.read(lastOptions(series === '' ? usualPlace : `series:${series}`));
  return [...kept, ...it.p.chars(','), ...written];
}

/** `\p@enumii` and its kin: what stands before the number in references (article.cls). */
function prefix(it: Interpreter, depth: number): string {
  if (depth === 1) return '';
  const first = counterText(it, 'enumi');
  if (depth === 2) return first;
  const second = `${first}(${counterText(it, 'enumii')})`;
  return depth === 3 ? second : second + counterText(it, 'enumiii');
}

export function beginDescription(it: Interpreter, args: Args, kind = 'description'): void {
  checkListOptions(it, kind, tokensOf(args, 0));
  const options = withDefaults(it, kind, tokensOf(args, 0));
  if (wrapsList(it, kind, tokensOf(args, 0), options)) return;
  beginList(it, listOptions(it, options));
  const { data } = it.innermost;
  const keys = listKeys(it, options);
  const style = keyText(keys, 'style');
  const isStandard = style === '' || style === 'standard' || style === 'unboxed';
  if (isStandard && it.read(CELLS.overlay) === null) {
    // article.cls: the label starts at the outer margin, its text right behind it.
    if (!keys.has('labelwidth')) setDimen(it.state, 'labelwidth', 0);
    setDimen(it.state, 'itemindent', -it.dimen('leftmargin'));
  } else {
    // `\\descriptionlabel` begins with as much room as stands behind the box.
    const sep = it.read(CELLS.overlay) === null ? 0 : it.dimen('labelsep');
    setDimen(it.state, 'labelwidth', it.dimen('leftmargin') - sep);
    setDimen(it.state, 'itemindent', 0);
  }
  data.set(DESCRIPTION, true);
  data.set(LABEL_LEFT, true);
  data.set(LABEL, (inner: Interpreter) => dressedLabel(inner, data, []));
  heedKeys(it, options);
  data.set(LABEL_STYLE, isStandard ? '' : style);
}

const keyText = (keys: ReadonlyMap<string, readonly Token[]>, name: string): string =>
  tokensText(keys.get(name) ?? []).trim();

/** Fonts and sides of labels, and what is carried out around a list, as enumitem's keys say. */
function heedKeys(it: Interpreter, options: readonly Token[]): void {
  const keys = listKeys(it, options);
  const { data } = it.innermost;
  data.set(LABEL_LEFT, alignOf(keys, data.get(LABEL_LEFT)));
  data.set(LABEL_FONT, keys.get('font') ?? keys.get('format') ?? []);
  data.set(FIRST_ITEM, bothOf(keys, 'first'));
  data.set(LABEL_PLACE, it.read(LABEL_ALIGNS)[keyText(keys, 'align')] ?? []);
  if (data.get(WRAPPED)) return;
  data.set(AFTER_LIST, bothOf(keys, 'after'));
  it.execute(bothOf(keys, 'before'));
}

/** `label*`: the label of the list around it, and this. */
function joinedLabel(
  it: Interpreter,
  options: readonly Token[],
  counter: string,
): readonly Token[] | null {
  const own = listKeys(it, options).get('label*');
  if (!own) return null;
  const outer = it.environments
    .slice(0, -1)
    .findLast(({ data }) => data.get(LABEL_TOKENS).length > 0);
  const mine = listLabel(
    it,
    [...it.p.chars('label='), it.p.make(1, '{'), ...own, it.p.make(2, '}')],
    counter,
  );
  return [...(outer?.data.get(LABEL_TOKENS) ?? []), ...(mine ?? [])];
}

/** Environments whose text is centred or ragged. */
function aligned(name: string, alignment: Alignment, description: string): EnvironmentEntry {
  return {
    name,
    signature: '',
    description,
    example: `\\begin{${name}}\nHigh water\n\\end{${name}}`,
    begin: (it) => {
      beginTrivial(it);
      it.write(CELLS.alignment, alignment);
    },
    end: endList,
  };
}

const alignmentSwitch = (
  name: string,
  alignment: Alignment,
  description: string,
): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `{\\${name} High water\\par}`,
  run: (it) => it.write(CELLS.alignment, alignment),
});

const quoted = (name: string, indented: boolean, description: string): EnvironmentEntry => ({
  name,
  signature: '',
  description,
  example: `\\begin{${name}}\nThe tide waits for nobody.\n\\end{${name}}`,
  begin: (it) => {
    beginQuoted(it, indented);
    // `\listparindent 1.5em` and `\parsep 0pt plus 1pt` (article.cls), which \quote does not set.
    if (indented) setSkip(it.state, 'parskip', gluePt(0, 1));
    setDimen(it.state, 'parindent', indented ? Math.round(1.5 * it.em) : 0);
    if (!indented) it.write(CELLS.noIndentNext, true, true);
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

/** How lines are set from here on. */
export const alignments: readonly CommandEntry[] = [
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
