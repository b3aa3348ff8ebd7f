import { textOf, tokensText } from '../../expansion/expandables';
import type { Token } from '../../expansion/meaning';
import type { CommandEntry, EnvironmentEntry, PackageEntry } from '../entries';
import { isStarred, tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import { keyValues } from '../constructs/listOptions';
import {
  CAPTION_CELL,
  caption as captionCommand,
  captionOptions,
  setCaption,
} from '../constructs/floats';
import { counterExists, labelValue, newCounter, stepCounter } from '../counters';
import { addContentsLine } from '../constructs/contents';
import { refCommand } from '../constructs/references';
import { dimenOf, enterColumn, leaveColumn } from '../constructs/boxes';
import type { Interpreter } from '../interpreter';
import { macroEntry } from '../macroEntry';

/** Options as names and values in words. */
export function optionWords(tokens: readonly Token[]): Record<string, string> {
  const out: Record<string, string> = {};
  for (const [key, value] of keyValues(tokens))
    out[key] = tokensText(value).replace(/[{}]/g, '').trim();
  return out;
}

function setUp(it: Interpreter, tokens: readonly Token[]): void {
  it.state.set(it.state.cell(CAPTION_CELL), { ...captionOptions(it), ...optionWords(tokens) });
}

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
      run: (it, args) => setUp(it, tokensOf(args, 2)),
    },
    {
      name: 'captionof',
      signature: 'smoM',
      description: 'A caption outside a float, for a figure or table that stays in place.',
      example: '\\captionof{figure}{The gauge}',
      package: 'caption',
      run: (it, args, token) => {
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        const type = textOf(it.p, tokensOf(args, 1));
        it.execute(it.source(`\\def\\@captype{${type}}`));
        captionCommand(it, [isStarred(args), args[2] ?? null, args[3] ?? null], token);
        it.closeGroup();
      },
    },
    macroEntry(
      'ContinuedFloat',
      '',
      'This float goes on with the number of the one before.',
      '\\ContinuedFloat',
      '',
    ),
    macroEntry(
      'DeclareCaptionFont',
      'mM',
      'A name for a font of captions.',
      '\\DeclareCaptionFont{tide}{}',
      '',
    ),
    macroEntry(
      'DeclareCaptionLabelFormat',
      'mM',
      'A name for a form of labels.',
      '\\DeclareCaptionLabelFormat{tide}{}',
      '',
    ),
    macroEntry(
      'DeclareCaptionFormat',
      'mM',
      'A name for a form of captions.',
      '\\DeclareCaptionFormat{tide}{}',
      '',
    ),
  ],
  setup: (it, options) => {
    if (options.length > 0) setUp(it, it.source(options.join(',')));
  },
};

/** The counter of parts of a figure or table, made when first needed. */
function subCounter(it: Interpreter): string {
  const float = it.environments.findLast(
    (e) => e.data.floatType !== undefined && e.data.sub !== true,
  );
  const type = (float?.data.floatType as string | undefined) ?? 'figure';
  const counter = `sub${type}`;
  if (!counterExists(it.state, counter)) {
    newCounter(it, counter, type);
    it.define(`the${counter}`, `\\alph{${counter}}`);
  }
  return counter;
}

/** A caption “(a) text” under its part. */
function subCaption(
  it: Interpreter,
  text: readonly Token[],
  short: readonly Token[],
  starred: boolean,
): void {
  const counter = subCounter(it);
  const type = counter.slice(3);
  if (!starred) {
    stepCounter(it.state, counter);
    // Parts are numbered before the caption of the whole: their figure's number is the next one.
    const outer = Number(it.state.get(it.state.register('count', `c@${type}`)) ?? 0);
    const float = it.environments.findLast((e) => e.data.floatType === type && e.data.sub !== true);
    const done = float?.data.captioned === true;
    const cell = it.state.register('count', `c@${type}`);
    if (!done) it.state.set(cell, outer + 1, true);
    const own = it.p.command(`the${counter}`);
    it.setFact('currentLabel', {
      ...labelValue(it, [it.p.command(`the${type}`), own], counter),
      part: labelValue(it, [own], counter).value,
    });
    if (!done) it.state.set(cell, outer, true);
    addContentsLine(it, 'losub', counter, [it.p.command(`the${counter}`)], short);
  }
  const label = starred
    ? []
    : [...it.p.chars('('), it.p.command(`the${counter}`), ...it.p.chars(')')];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(it.source('\\small'));
  setCaption(it, label, text, { ...captionOptions(it), labelsep: 'space' });
  it.closeGroup();
}

const subFloat = (name: string): EnvironmentEntry => ({
  name,
  signature: 'ooom',
  description: 'A part of a figure or table with a caption of its own; in braces its width.',
  example: `\\begin{figure}\\begin{${name}}{.4\\textwidth}x\\caption{A}\\end{${name}}\\end{figure}`,
  package: 'subcaption',
  begin: (it, args) => {
    const open = it.environments.at(-1) as OpenEnvironment;
    const width = dimenOf(it, tokensOf(args, 3));
    it.startParagraph();
    const position = tokensOf(args, 0)[0]?.text ?? 'b';
    Object.assign(open.data, { position, width, floatType: 'sub', sub: true });
    open.data.outer = enterColumn(it, width);
    it.setFact('inSubfloat', true);
    it.skipBlanks();
  },
  end: (it) => {
    const open = it.environments.at(-1) as OpenEnvironment;
    const blocks = leaveColumn(it, open.data.outer as ReturnType<typeof enterColumn>);
    const valign =
      open.data.position === 't' ? 'top' : open.data.position === 'c' ? 'center' : 'bottom';
    it.add({ kind: 'parbox', blocks, width: open.data.width as number, valign, ...it.p.place });
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
    if (it.fact<boolean>('inSubfloat') !== true) {
      const float = it.environments.findLast((e) => e.data.floatType !== undefined);
      if (float) float.data.captioned = true;
      return captionCommand(it, args, token);
    }
    const text = tokensOf(args, 2);
    subCaption(it, text, args[1] ? tokensOf(args, 1) : text, isStarred(args));
  },
};

/** subcaption: parts of figures and tables. */
export const subcaption: PackageEntry = {
  name: 'subcaption',
  description: 'Parts of a figure or table with captions of their own.',
  options: null,
  requires: ['caption'],
  commands: [
    captionInPart,
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
        const contents = tokensOf(args, 5);
        const width = args[3]
          ? dimenOf(it, tokensOf(args, 3))
          : it.host.measure(it.inlinesOf(contents)).width;
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        const outer = enterColumn(it, width);
        it.setFact('alignment', 'center');
        it.startParagraph(false);
        it.execute(contents);
        it.endParagraph();
        subCaption(it, tokensOf(args, 2), tokensOf(args, 2), isStarred(args));
        const blocks = leaveColumn(it, outer);
        it.closeGroup();
        it.add({ kind: 'parbox', blocks, width, valign: 'bottom', ...it.p.place });
      },
    },
    { ...refCommand('subref', 'part', false, 'The letter of a part.'), package: 'subcaption' },
  ],
  environments: [subFloat('subfigure'), subFloat('subtable')],
};
