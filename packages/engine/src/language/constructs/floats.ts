import { restoreParagraphs } from '../machine/columns';
import { CELLS } from '../machine/cells';
import type { BlockNode } from '../../document/blocks';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import type { Sp } from '../../base/lengths';
import { setDimen } from '../../expansion/registers';
import { counterText, refStepCounter } from '../machine/counters';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  tokensOf,
} from '../machine/entries';
import type { OpenEnvironment } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { captionOptions, setCaption, type CaptionLabel } from './captionLook';
import { addContentsLine } from './contents';
import { resumeAfterBlock } from '../machine/formulas';
import { singleSpaced } from '../machine/lineSpacing';
import { setSize } from './fonts';
import { renameFix } from '../machine/unknown';
import { plainTitle } from './sections';
import { cell, ownName } from '../../expansion/cells';
import type { Mode } from '../machine/modes';

/** `[here]` for `[h]`: places by their names. */
const PLACES: Readonly<Record<string, string>> = { here: 'h', top: 't', bottom: 'b', page: 'p' };

function reportPlace(it: Interpreter, own: readonly Token[], letters: string, isH: boolean): void {
  const span = { from: own[0]?.from ?? 0, to: own.at(-1)?.to ?? 0 };
  if (own[0]?.chunk !== it.p.reader.chunk) return;
  if (isH) return it.p.report('package-needed', span, { name: `[${letters}]`, package: 'float' });
  const named = PLACES[letters.trim().toLowerCase()];
  const kept = letters.replace(/[^htbp!]/g, '');
  const fix = renameFix(it, own, named ?? ([...new Set(kept)].join('') || 'htbp'));
  it.p.report('float-place-unknown', span, { letters }, fix);
}

/** Letters of `[htbp!H]`; what is not given is `tbp` (article.cls). */
function placementOf(it: Interpreter, own: unknown, kind: string): string {
  // On slides nothing floats.
  if (it.read(CELLS.overlay) !== null) return 'H';
  if (!Array.isArray(own)) {
    const preset = it.p.command(`fps@${kind}`);
    return it.state.get(it.state.cell(preset.text)) === undefined ? 'tbp' : textOf(it.p, [preset]);
  }
  const letters = textOf(it.p, own as Token[]);
  if (letters.includes('H')) {
    if (!it.hasPackage('float')) reportPlace(it, own as Token[], letters, true);
    return 'H';
  }
  if (/[^htbp!\s]/.test(letters)) reportPlace(it, own as Token[], letters, false);
  const places = letters.replace(/[^htbp!]/g, '');
  // `h` alone is taken for `ht` (LaTeX kernel).
  if (places.replace('!', '') === 'h') return `${places}t`;
  return places === '' || places === '!' ? `${places}tbp` : places;
}

/** What kind of float is open: a figure, a table, a part of one. */
export const FLOAT_TYPE = cell<string | null>('floattype', null);

/** The caption of a float whose style says where it goes; null in other floats. */
export const CAPTION_HELD = cell<BlockNode[] | null>('captionheld', null);

/** The innermost float that is open, or what stands for one. */
export const openFloat = (it: Interpreter): OpenEnvironment | undefined =>
  it.environments.findLast(({ data }) => data.get(FLOAT_TYPE) !== null);

const FLOAT = cell<{
  readonly wide: boolean;
  readonly placement: string;
  readonly outer: Mode;
} | null>('float', null);

/** Stands for the kind of the float that is open, where a document asks for none. */
const OF_FLOAT = ownName('offloat');

/** A float's contents are gathered apart from the text around it. */
function beginFloat(it: Interpreter, args: Args, type: string, wide: boolean): void {
  const { data } = it.innermost;
  data.set(FLOAT_TYPE, type);
  it.define('@captype', OF_FLOAT);
  data.set(FLOAT, {
    wide: wide && it.dimen('columnwidth') < it.dimen('textwidth'),
    placement: placementOf(it, args[0], type),
    outer: it.pushMode({ atTop: true }),
  });
  const width = wide ? it.dimen('textwidth') : it.dimen('columnwidth');
  for (const name of ['hsize', 'linewidth']) setDimen(it.state, name, width);
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  singleSpaced(it);
  setSize(it, 'normalsize');
  restoreParagraphs(it);
  if (it.read(CELLS.overlay) !== null) it.write(CELLS.alignment, 'center');
  it.write(CELLS.inMinipage, true);
  it.skipBlanks();
}

function endFloat(it: Interpreter): void {
  it.endParagraph();
  const open = it.innermost;
  const float = open.data.get(FLOAT);
  if (!float) return;
  const { wide, placement, outer } = float;
  const width = it.dimen('hsize');
  const blocks = it.popMode(outer).vlist;
  if (placement === 'H') {
    // The paragraph that it stands in ends as it would without it.
    it.afterEnvironment = (inner) => {
      placeHere(inner, blocks, width);
      resumeAfterBlock(inner);
    };
    return;
  }
  const { from, to } = { from: open.span.from, to: it.p.place.to };
  const node = {
    kind: 'float' as const,
    type: open.data.get(FLOAT_TYPE) ?? '',
    placement,
    wide,
    width,
    blocks,
    from,
    to,
  };
  if (it.mode.hlist) it.mode.hlist.add({ kind: 'migrant', node, from, to });
  else it.mode.vlist.push(node);
  it.afterEnvironment = (inner) => {
    // In vertical mode a float leaves no trace; in a paragraph the blank behind it goes.
    if (inner.mode.hlist) inner.skipBlanks();
  };
}

/** `[H]`: not a float at all (package float). */
function placeHere(it: Interpreter, blocks: readonly BlockNode[], width: Sp): void {
  const space = it.skip('intextsep');
  it.addBlock({ kind: 'vspace', glue: space, behaviour: 'merge' });
  const inline = { kind: 'parbox' as const, blocks, width, valign: 'top' as const, ...it.p.place };
  const spacing = {
    baselineSkip: it.skip('baselineskip'),
    lineSkip: it.skip('lineskip'),
    lineSkipLimit: it.dimen('lineskiplimit'),
  };
  it.mode.vlist.push({ kind: 'loosebox', inline, left: it.dimen('totalleftmargin'), spacing });
  it.mode.vlist.push({ kind: 'vspace', glue: space, behaviour: 'merge' });
}

/** The float, or what stands for one, that a caption belongs to. */
export const floatTypeOf = (it: Interpreter): string | null => {
  const type = openFloat(it)?.data.get(FLOAT_TYPE) ?? null;
  // What a document says within a float counts for more than the float.
  const meaning = it.state.meaning(it.state.cell('@captype'));
  const said = meaning?.kind === 'macro' ? meaning.body.map(({ text }) => text).join('') : null;
  return said === null || said === OF_FLOAT ? type : said;
};

/** `\caption*[short]{text}`: stepped, listed, and set centred when it fits one line. */
export function caption(it: Interpreter, args: Args, token: Token): void {
  const type = floatTypeOf(it);
  if (type === null) {
    const stranger = it.read(CELLS.unknownPackages).length > 0;
    // An environment of a package that is not known may be a float: that is told already.
    if (!stranger) it.p.report('caption-outside', it.spanOf(token));
    if (stranger) it.execute(tokensOf(args, 2));
    return;
  }
  const starred = isStarred(args);
  const text = tokensOf(args, 2);
  const short = Array.isArray(args[1]) ? tokensOf(args, 1) : text;
  const { p } = it;
  if (!starred) {
    refStepCounter(it, type);
    it.write(CELLS.currentTitle, plainTitle(it, text));
  }
  // The number is the float's, for labels anywhere in it; what follows goes where the caption goes.
  const release = holdCaption(it);
  if (!starred) {
    addContentsLine(it, listOf(it, type), type, [p.command(`the${type}`)], short);
    numberMark(it, type, token);
  }
  const own = it.state.meaning(it.state.cell('@makecaption'));
  const words = p.command(`fnum@${type}`);
  const hasWords = it.state.get(it.state.cell(words.text)) !== undefined;
  const label: CaptionLabel | null = starred
    ? null
    : hasWords
      ? { name: [words], number: [] }
      : { name: [p.command(`${type}name`)], number: [p.command(`the${type}`)] };
  if (own?.kind === 'macro') {
    it.endParagraph();
    it.call(
      '@makecaption',
      hasWords ? [words] : label ? [...label.name, p.make(10, ' '), ...label.number] : [],
      text,
    );
    it.endParagraph();
    return release();
  }
  setCaption(it, label, text, captionOptions(it, type));
  release();
}

/** Gathers a caption apart where the float's style places it; answers what ends that. */
function holdCaption(it: Interpreter): () => void {
  const held = openFloat(it)?.data.get(CAPTION_HELD);
  if (!held) return () => undefined;
  it.endParagraph();
  const outer = it.pushMode({ atTop: true });
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  restoreParagraphs(it);
  setSize(it, 'normalsize');
  return () => {
    it.closeGroup();
    held.push(...it.popMode(outer).vlist);
  };
}

/** The ending of the list that a kind of float is noted in. */
const listOf = (it: Interpreter, type: string): string => {
  const ending = it.p.command(`ext@${type}`);
  const known = it.state.get(it.state.cell(ending.text)) !== undefined;
  return known ? textOf(it.p, [ending]) : `lo${type.slice(0, 1)}`;
};

/** What the float is called and its number, for the list of what stands on the sheet. */
function numberMark(it: Interpreter, type: string, token: Token): void {
  const { from, to } = it.spanOf(token);
  const what = plainTitle(it, [it.p.command(`${type}name`)]);
  it.endParagraph();
  it.mode.vlist.push({ kind: 'number', what, number: counterText(it, type), from, to });
}

const floatEnvironment = (
  name: string,
  type: string,
  wide: boolean,
  what: string,
): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: `${what}, placed where it fits${wide ? ', over all columns' : ''}.`,
  example: `\\begin{${name}}\n\\centering The gauge\n\\caption{A gauge}\n\\end{${name}}`,
  begin: (it, args) => beginFloat(it, args, type, wide),
  end: endFloat,
  detail: { type, wide },
});

/** Both environments of a new kind of float. */
export const floatKind = (type: string, what: string): EnvironmentEntry[] => [
  floatEnvironment(type, type, false, what),
  floatEnvironment(`${type}*`, type, true, what),
];

export const floatEnvironments: readonly EnvironmentEntry[] = [
  ...floatKind('figure', 'A figure'),
  ...floatKind('table', 'A table'),
];

export const floatCommands: readonly CommandEntry[] = [
  {
    name: 'caption',
    signature: 'soM',
    description: 'The caption of a figure or table; brackets give a short one for its list.',
    example: '\\begin{figure}\n\\caption{The gauge at noon}\n\\end{figure}',
    run: caption,
  },
  // Classes and preambles make kinds of their own of these (the kernel's `ltfloat.dtx`).
  ...[
    { begin: '@float', end: 'end@float', wide: false },
    { begin: '@dblfloat', end: 'end@dblfloat', wide: true },
  ].flatMap(({ begin, end, wide }): CommandEntry[] => [
    {
      name: begin,
      signature: 'mo',
      description: 'Begins a float of a kind.',
      example: '',
      run: (it, args) => {
        const given = args[1] ? tokensOf(args, 1) : null;
        beginFloat(it, [given], textOf(it.p, tokensOf(args, 0)).trim(), wide);
      },
    },
    { name: end, signature: '', description: 'Ends it.', example: '', run: endFloat },
  ]),
];

export const FLOAT_SOURCE = String.raw`
\newcounter{topnumber}\setcounter{topnumber}{2}
\newcounter{bottomnumber}\setcounter{bottomnumber}{1}
\newcounter{totalnumber}\setcounter{totalnumber}{3}
\newcounter{dbltopnumber}\setcounter{dbltopnumber}{2}
\def\topfraction{.7}\def\bottomfraction{.3}\def\textfraction{.2}\def\floatpagefraction{.5}
\def\dbltopfraction{.7}\def\dblfloatpagefraction{.5}
`;
