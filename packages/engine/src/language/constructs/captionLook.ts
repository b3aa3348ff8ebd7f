import { textOf } from '../../expansion/tokenText';
import { glue } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { cell, cellsBy } from '../../expansion/cells';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import { setCount, setDimen, setSkip } from '../../expansion/registers';
import { Cat } from '../../tokens/categories';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';

/** What `\captionsetup` has said, as names and values. */
export type CaptionOptions = Readonly<Record<string, string>>;
export const CAPTION_OPTIONS = cell<CaptionOptions>('captionoptions', {});
/** What it has said for figures alone, for tables alone, for their parts. */
export const captionOptionsOf = cellsBy<CaptionOptions>('captionoptionsof', {});

/** The options in force for a kind of float. */
export const captionOptions = (it: Interpreter, type: string): CaptionOptions => ({
  ...it.read(CAPTION_OPTIONS),
  ...it.read(captionOptionsOf(type)),
});

/** Fonts, separators and forms of the document's own, by `font:name`, `labelsep:name` and so on. */
export const captionForm = cellsBy<readonly Token[] | null>('captionform', null);

/** The word and the number of a caption. */
export interface CaptionLabel {
  readonly name: readonly Token[];
  readonly number: readonly Token[];
}

const FONTS: Readonly<Record<string, string>> = {
  bf: '\\bfseries',
  it: '\\itshape',
  sl: '\\slshape',
  sc: '\\scshape',
  sf: '\\sffamily',
  tt: '\\ttfamily',
  rm: '\\rmfamily',
  up: '\\upshape',
  md: '\\mdseries',
  normalfont: '\\normalfont',
  singlespacing: '',
};
const SWITCH =
  /^(?:tiny|scriptsize|footnotesize|small|normalsize|large|Large|bfseries|mdseries|itshape|slshape|scshape|upshape|sffamily|ttfamily|rmfamily)$/;

/** `font={small,bf}`, `labelfont=own`: what these names stand for. */
function fontTokens(it: Interpreter, value: string | undefined): readonly Token[] {
  const names = (value ?? '').replace(/[{}]/g, '').split(/[,+]/);
  return names.flatMap((name): readonly Token[] => {
    const word = name.trim();
    const own = it.read(captionForm(`font:${word}`));
    if (own) return own;
    const color = /^color=(.+)$/.exec(word)?.[1];
    if (color) return it.source(`\\color{${color}}`);
    return it.source(FONTS[word] ?? (SWITCH.test(word) ? `\\${word}` : ''));
  });
}

/** caption manual, section 2.2. */
const SEPARATORS: Readonly<Record<string, string>> = {
  colon: ': ',
  period: '. ',
  space: ' ',
  quad: '\\quad ',
  endash: ' -- ',
  none: '',
  newline: '\\\\',
};
const LABELS: Readonly<Record<string, string>> = {
  simple: '#1#2',
  original: '#1#2',
  parens: '#1(#2)',
  brace: '#1#2)',
};

/** “Figure 3” as the label format has it: `#1` the word with a tie, `#2` the number. */
function labelTokens(it: Interpreter, { name, number }: CaptionLabel, options: CaptionOptions) {
  const word = options.name === undefined ? name : it.source(options.name);
  const format = options.labelformat ?? 'simple';
  const own = it.read(captionForm(`labelformat:${format}`));
  // Own forms put their blank themselves (`\bothIfFirst{#1}{~}`).
  // A class may have a macro for each kind of float: its name stands third.
  const kind = (number[0]?.text ?? '').replace(/^the/, '');
  if (own) return withArguments(own, [word, number, it.p.chars(kind)]);
  const tied = word.length > 0 && number.length > 0 ? [...word, it.p.make(Cat.Space, ' ')] : word;
  return withArguments(it.source(LABELS[format] ?? '#1#2'), [tied, number]);
}

function separator(it: Interpreter, options: CaptionOptions): readonly Token[] {
  const name = options.labelsep ?? 'colon';
  // A language may have its own where no package sees to captions (babel-french).
  const own = it.p.command('CaptionSeparator');
  const isOwn = own.cell !== null && it.state.get(own.cell) !== undefined;
  if (isOwn && options.labelsep === undefined && !it.hasPackage('caption')) return [own];
  return it.read(captionForm(`labelsep:${name}`)) ?? it.source(SEPARATORS[name] ?? ': ');
}

/** “Figure 3: ” in the font of labels. */
function labelInlines(
  it: Interpreter,
  label: CaptionLabel | null,
  options: CaptionOptions,
  isEmpty: boolean,
): Inline[] {
  if (label === null || options.labelformat === 'empty') return [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(fontTokens(it, options.labelfont));
  const out = [
    ...it.inlinesOf([
      ...labelTokens(it, label, options),
      ...(isEmpty && options.labelsep !== undefined ? [] : separator(it, options)),
    ]),
  ];
  it.closeGroup();
  return out;
}

function readGlue(it: Interpreter, tokens: readonly Token[]) {
  it.execute(it.source('\\@tempskipa=').concat(tokens, it.p.command('relax')));
  return it.skip('@tempskipa');
}

const ALIGNS = /^(?:centering|raggedright|raggedleft)$/i;

/** How the lines of a caption stand. */
function alignmentOf(
  it: Interpreter,
  options: CaptionOptions,
  oneLine: boolean,
): 'center' | 'left' | 'right' | 'justified' {
  const named = options.justification ?? 'justified';
  // A way of the document's own, by the command that it uses.
  const own = it.read(captionForm(`justification:${named}`));
  const wished = (own?.find(({ text }) => ALIGNS.test(text))?.text ?? named).toLowerCase();
  const checks = options.singlelinecheck !== 'false' && options.singlelinecheck !== 'off';
  if ((oneLine && checks) || wished.startsWith('center')) return 'center';
  if (wished === 'raggedright') return 'left';
  return wished === 'raggedleft' ? 'right' : 'justified';
}

/** Lines behind the first begin below the text of the caption (`format=hang`), or a length further in (`indention`). */
function hang(it: Interpreter, head: readonly Inline[], options: CaptionOptions): void {
  const by =
    options.format === 'hang'
      ? it.host.measure(head).width
      : options.indention
        ? readGlue(it, it.source(options.indention)).width
        : 0;
  if (by === 0) return;
  setDimen(it.state, 'hangindent', by);
  setCount(it.state, 'hangafter', 1);
}

/** Margins of a caption in sp: `margin=1cm`, `margin={1cm,2cm}`, `width=.8\textwidth`. */
function marginsOf(it: Interpreter, options: CaptionOptions): readonly [number, number] {
  if (options.width !== undefined) {
    const width = readGlue(it, it.source(options.width)).width;
    const side = Math.max(0, (it.dimen('linewidth') - width) / 2);
    return [side, side];
  }
  const said = (options.margin ?? '').split(',').filter((part) => part.trim() !== '');
  const [left = 0, right = left] = said.map((part) => readGlue(it, it.source(part)).width);
  return [left, right];
}

const NO_BREAK: BlockNode = { kind: 'penalty', penalty: 10000 };

/** Captions of programs stand in the text: no page ends between them and their program (listings.sty, `\lst@MakeCaption`). */
const keepsTogether = (it: Interpreter): boolean =>
  textOf(it.p, [it.p.command('@captype')]) === 'lstlisting';

/** Label and text under the rules of the standard classes, or those of `\captionsetup`. */
export function setCaption(
  it: Interpreter,
  label: CaptionLabel | null,
  text: readonly Token[],
  options: CaptionOptions,
): void {
  const { p } = it;
  it.endParagraph();
  const above = options.position === 'top' || options.position === 'above';
  const skip = options.skip ? it.source(options.skip) : null;
  const space: BlockNode = {
    kind: 'vspace',
    glue: skip ? readGlue(it, skip) : it.skip('abovecaptionskip'),
    behaviour: 'plain',
  };
  const vskip = (glue: BlockNode): void => {
    if (keepsTogether(it)) it.mode.vlist.push(NO_BREAK);
    it.mode.vlist.push(glue);
  };
  if (!above) vskip(space);
  it.openGroup({ kind: 'semisimple', span: p.place });
  it.execute(fontTokens(it, options.font));
  const [left, right] = marginsOf(it, options);
  const head = labelInlines(it, label, options, text.length === 0);
  it.execute(fontTokens(it, options.textfont));
  const own = it.read(captionForm(`textformat:${options.textformat ?? ''}`));
  const body = it.inlinesOf(own ? withArguments(own, [text]) : text);
  const whole = [...head, ...body];
  const oneLine = it.host.measure(whole).width <= it.dimen('linewidth') - left - right;
  it.write(CELLS.alignment, alignmentOf(it, options, oneLine));
  setDimen(it.state, 'parindent', 0);
  if (left !== 0 || right !== 0) {
    setSkip(it.state, 'leftskip', glue(left));
    setSkip(it.state, 'rightskip', glue(right));
  }
  it.startParagraph(false);
  if (!oneLine) hang(it, head, options);
  for (const inline of whole) it.add(inline);
  it.endParagraph();
  it.closeGroup();
  vskip(above ? space : { kind: 'vspace', glue: it.skip('belowcaptionskip'), behaviour: 'plain' });
}
