import type { Sp } from '../../base/lengths';
import { CELLS } from '../machine/cells';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import {
  CAPTION_OPTIONS,
  captionForm,
  captionOptionsOf,
  setCaption,
} from '../constructs/captionLook';
import {
  caption as captionCommand,
  floatTypeOf,
  openFloat,
  FLOAT_TYPE,
} from '../constructs/floats';
import {
  counterExists,
  labelValue,
  newCounter,
  stepCounter,
  nameNext,
  refStepCounter,
} from '../machine/counters';
import { addContentsLine } from '../constructs/contents';
import { refCommand } from '../constructs/references';
import { beginColumn, endColumn, enterColumn, leaveColumn } from '../machine/columns';
import { dimenOf } from '../scanning/dimenOf';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, macroEntry } from '../machine/macroEntry';
import { optionWords } from '../scanning/optionWords';
import { cell, flag } from '../../expansion/cells';

/** Options for all captions, or for those of the kinds named: `figure`, `subtable`, `figure,table`. */
function setUp(it: Interpreter, tokens: readonly Token[], kinds: string): void {
  const words = optionWords(tokens);
  const named = kinds.split(',').filter((kind) => kind.trim() !== '');
  if (named.length === 0) it.write(CAPTION_OPTIONS, { ...it.read(CAPTION_OPTIONS), ...words });
  for (const kind of named) {
    const options = captionOptionsOf(kind.trim());
    it.write(options, { ...it.read(options), ...words });
  }
}

/** `\\DeclareCaptionFont{name}{…}` and its kin keep a form under a name. */
const formEntry = (name: string, key: string, what: string, example: string): CommandEntry => ({
  name,
  signature: 'mM',
  description: `A name for ${what} of captions.`,
  example,
  package: 'caption',
  run: (it, args) =>
    it.write(captionForm(`${key}:${textOf(it.p, tokensOf(args, 0))}`), tokensOf(args, 1), true),
});

/** caption: how captions look. */
export const caption: PackageEntry = {
  name: 'caption',
  description: 'How captions look: font, label, place.',
  options: null,
  commands: [
    {
      name: 'captionsetup',
      signature: 'soM',
      description: 'How captions look: labelfont, font, labelsep, justification, width, position.',
      example: '\\captionsetup{labelfont=bf}',
      package: 'caption',
      run: (it, args) =>
        setUp(it, tokensOf(args, 2), args[1] ? textOf(it.p, tokensOf(args, 1)) : ''),
    },
    {
      name: 'captionof',
      signature: 'smoM',
      description: 'A caption outside a float, for a figure or table that stays in place.',
      example: '\\captionof{figure}{The gauge}',
      package: 'caption',
      run: (it, args, token) => {
        // No group: a label behind it is the caption's.
        const cell = it.state.cell('@captype');
        const before = it.state.get(cell);
        it.define('@captype', textOf(it.p, tokensOf(args, 1)).trim());
        captionCommand(it, [isStarred(args), args[2] ?? null, args[3] ?? null], token);
        it.state.set(cell, before);
      },
    },
    macroEntry(
      'ContinuedFloat',
      '',
      'This float goes on with the number of the one before.',
      '\\ContinuedFloat',
      '',
    ),
    formEntry('DeclareCaptionFont', 'font', 'a font', '\\DeclareCaptionFont{tide}{\\bfseries}'),
    formEntry(
      'DeclareCaptionLabelFormat',
      'labelformat',
      'a form of labels',
      '\\DeclareCaptionLabelFormat{tide}{#1 (#2)}',
    ),
    formEntry(
      'DeclareCaptionLabelSeparator',
      'labelsep',
      'what stands behind labels',
      '\\DeclareCaptionLabelSeparator{dash}{ --- }',
    ),
    formEntry(
      'DeclareCaptionTextFormat',
      'textformat',
      'a form of texts',
      '\\DeclareCaptionTextFormat{tide}{#1.}',
    ),
    formEntry('DeclareCaptionFormat', 'format', 'a form', '\\DeclareCaptionFormat{tide}{#1#2#3}'),
    idleEntry('DeclareCaptionListFormat', 'mM', 'A form of entries of lists.'),
    formEntry(
      'DeclareCaptionJustification',
      'justification',
      'the alignment',
      '\\DeclareCaptionJustification{port}{\\raggedleft}\\captionsetup{justification=port}',
    ),
    idleEntry('DeclareCaptionStyle', 'mom', 'A name for several options of captions.'),
    idleEntry('clearcaptionsetup', 'om', 'Takes options of a kind back.'),
    macroEntry(
      'bothIfFirst',
      'mm',
      'Both, unless the first is empty.',
      '\\bothIfFirst{a}{b}',
      '\\def\\@tempa{#1}\\ifx\\@tempa\\@empty\\else#1#2\\fi',
    ),
    macroEntry(
      'bothIfSecond',
      'mm',
      'Both, unless the second is empty.',
      '\\bothIfSecond{a}{b}',
      '\\def\\@tempa{#2}\\ifx\\@tempa\\@empty\\else#1#2\\fi',
    ),
  ],
  setup: (it, options) => {
    // What the class has of its own is the package's now.
    it.state.set(it.state.cell('@makecaption'), undefined, true);
    if (options.length > 0) setUp(it, it.source(options.join(',')), '');
  },
};

/** Of a part of a figure: that it is one, and where its line goes through it. */
const IS_PART = flag('floatpart');
const POSITION = cell('partposition', 'b');
/** Of a figure: its own caption has come. */
const CAPTIONED = flag('captioned');

/** The counter of parts of a figure or table, made when first needed. */
function subCounter(it: Interpreter): string {
  const float = it.environments.findLast(
    ({ data }) => data.get(FLOAT_TYPE) !== null && !data.get(IS_PART),
  );
  const type = float?.data.get(FLOAT_TYPE) ?? 'figure';
  const counter = `sub${type}`;
  if (!counterExists(it.state, counter)) {
    newCounter(it, counter, type);
    it.define(`the${counter}`, `\\alph{${counter}}`);
  }
  return counter;
}

/** Counts a part of a figure or table; a label that follows names it. Gives its counter. */
function stepPart(it: Interpreter): string {
  const counter = subCounter(it);
  const type = counter.slice(3);
  stepCounter(it.state, counter);
  // Parts are numbered before the caption of the whole: their figure's number is the next one.
  const outer = Number(it.state.get(it.state.register('count', `c@${type}`)) ?? 0);
  const float = it.environments.findLast(
    ({ data }) => data.get(FLOAT_TYPE) === type && !data.get(IS_PART),
  );
  const done = float?.data.get(CAPTIONED) ?? false;
  const cell = it.state.register('count', `c@${type}`);
  if (!done) it.state.set(cell, outer + 1, true);
  const own = it.p.command(`the${counter}`);
  nameNext(it, {
    ...labelValue(it, [it.p.command(`the${type}`), own], counter),
    part: labelValue(it, [own], counter).value,
  });
  if (!done) it.state.set(cell, outer, true);
  return counter;
}

/** A caption “(a) text” under its part, which was counted; without its letter where that is not. */
function setPartCaption(
  it: Interpreter,
  counter: string,
  text: readonly Token[],
  short: readonly Token[] | null,
): void {
  const number = [it.p.command(`the${counter}`)];
  if (short) addContentsLine(it, 'losub', counter, number, short);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(it.source('\\small'));
  setCaption(it, short ? { name: [], number } : null, text, {
    ...it.read(CAPTION_OPTIONS),
    labelformat: 'parens',
    labelsep: 'space',
    // The defaults of subcaption, and of subfig (`captionskip`).
    skip: it.hasPackage('subfig') ? '4pt' : '6pt',
    ...it.read(captionOptionsOf(counter)),
    ...it.read(captionOptionsOf('sub')),
  });
  it.closeGroup();
}

/** A caption “(a) text” under its part. */
function subCaption(
  it: Interpreter,
  text: readonly Token[],
  short: readonly Token[],
  starred: boolean,
): void {
  const counter = starred ? subCounter(it) : stepPart(it);
  setPartCaption(it, counter, text, starred ? null : short);
}

/** Contents and what stands below them, as wide as the contents or as is said: one box in the line. */
function boxedPart(
  it: Interpreter,
  contents: readonly Token[],
  said: Sp | null,
  below: () => void,
): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  // Carried out once: what is counted and labelled in it is so once.
  const inlines = said === null ? it.inlinesOf(contents) : null;
  const width = said ?? it.host.measure(inlines ?? []).width;
  const outer = enterColumn(it, width);
  it.write(CELLS.alignment, 'center');
  it.startParagraph(false);
  if (inlines === null) it.execute(contents);
  else for (const inline of inlines) it.add(inline);
  it.endParagraph();
  below();
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  it.add({ kind: 'parbox', blocks, width, valign: 'bottom', ...it.p.place });
}

/** `\\subfloat[list][caption]{contents}`: counted before its contents; no caption where no bracket says one. */
export function subfloat(it: Interpreter, args: Args): void {
  const [list, caption] = [args[0] ?? null, args[1] ?? null];
  it.startParagraph();
  const counter = stepPart(it);
  boxedPart(it, tokensOf(args, 2), null, () => {
    if (list === null) return;
    const text = caption === null ? tokensOf(args, 0) : tokensOf(args, 1);
    setPartCaption(it, counter, text, tokensOf(args, 0));
  });
}

const subFloat = (name: string): EnvironmentEntry => ({
  name,
  signature: 'ooom',
  description: 'A part of a figure or table with a caption of its own; in braces its width.',
  example: `\\begin{figure}\\begin{${name}}{.4\\textwidth}x\\caption{A}\\end{${name}}\\end{figure}`,
  package: 'subcaption',
  begin: (it, args) => {
    const { data } = it.innermost;
    const width = dimenOf(it, tokensOf(args, 3));
    it.startParagraph();
    data.set(POSITION, tokensOf(args, 0)[0]?.text ?? 'b');
    data.set(FLOAT_TYPE, 'sub');
    data.set(IS_PART, true);
    beginColumn(it, width);
    it.write(CELLS.inSubfloat, true);
    it.skipBlanks();
  },
  end: (it) => {
    const { blocks, width } = endColumn(it);
    const position = it.innermost.data.get(POSITION);
    const valign = position === 't' ? 'top' : position === 'c' ? 'center' : 'bottom';
    it.add({ kind: 'parbox', blocks, width, valign, ...it.p.place });
  },
});

/** `\caption` in a part is the part's own. */
const captionInPart: CommandEntry = {
  name: 'caption',
  signature: 'soM',
  description: 'The caption of a figure, a table, or a part of one.',
  example: '\\begin{figure}\\caption{The gauge}\\end{figure}',
  package: 'subcaption',
  run: (it, args, token) => {
    if (!it.read(CELLS.inSubfloat)) {
      openFloat(it)?.data.set(CAPTIONED, true);
      return captionCommand(it, args, token);
    }
    const text = tokensOf(args, 2);
    subCaption(it, text, args[1] ? tokensOf(args, 1) : text, isStarred(args));
  },
};

/** A caption of which only the number is there, for labels. */
const phantom = (name: string, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\begin{figure}\\begin{subfigure}{3cm}x\\${name}\\label{x}\\end{subfigure}\\caption{y}\\end{figure}`,
  package: 'subcaption',
  run: (it) => {
    const type = floatTypeOf(it);
    if (name === 'phantomsubcaption' || it.read(CELLS.inSubfloat)) stepPart(it);
    else if (type !== null) refStepCounter(it, type);
  },
});

/** subcaption: parts of figures and tables. */
export const subcaption: PackageEntry = {
  name: 'subcaption',
  description: 'Parts of a figure or table with captions of their own.',
  options: null,
  requires: ['caption'],
  commands: [
    captionInPart,
    phantom('phantomcaption', 'Counts a figure, or a part of one, without a caption.'),
    phantom('phantomsubcaption', 'Counts a part of a figure without a caption.'),
    {
      name: 'subcaption',
      signature: 'soM',
      description: 'The caption of a part.',
      example: '\\begin{figure}\\subcaption{The gauge}\\end{figure}',
      package: 'subcaption',
      run: (it, args) => subCaption(it, tokensOf(args, 2), tokensOf(args, 2), isStarred(args)),
    },
    {
      name: 'subcaptionbox',
      signature: 'soMooM',
      description: 'A part with its caption: the caption, a width, the contents.',
      example: '\\begin{figure}\\subcaptionbox{The gauge}{x}\\end{figure}',
      package: 'subcaption',
      run: (it, args) => {
        const said = args[3] ? dimenOf(it, tokensOf(args, 3)) : null;
        boxedPart(it, tokensOf(args, 5), said, () =>
          subCaption(it, tokensOf(args, 2), tokensOf(args, 2), isStarred(args)),
        );
      },
    },
    { ...refCommand('subref', 'part', false, 'The letter of a part.'), package: 'subcaption' },
  ],
  environments: [subFloat('subfigure'), subFloat('subtable')],
};
