import { cell, cellsBy } from '../../expansion/cells';
import { textOf, tokensText } from '../../expansion/tokenText';
import { keyValues } from '../scanning/optionLists';
import type { BlockNode } from '../../document/blocks';
import type { Token } from '../../expansion/meaning';
import { type CommandEntry, tokensOf, type PackageEntry } from '../machine/entries';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';
import { takeFlag } from '../machine/paragraphMode';
import { SIZES } from '../machine/sizes';
import { setDimen, setSkip } from '../../expansion/registers';
import { beginBox, braced, endBox } from './colourBoxes';

/** What mdframed calls its settings, as those of coloured boxes. */
const MD_KEYS: Readonly<Record<string, string>> = {
  backgroundcolor: 'colback',
  linecolor: 'colframe',
  fontcolor: 'coltext',
  linewidth: 'boxrule',
  innerleftmargin: 'left',
  innerrightmargin: 'right',
  innertopmargin: 'top',
  innerbottommargin: 'bottom',
  frametitle: 'title',
  frametitlebackgroundcolor: 'colbacktitle',
  frametitlefont: 'fonttitle',
  roundcorner: 'arc',
  skipabove: 'before skip',
  skipbelow: 'after skip',
  userdefinedwidth: 'width',
};

/** Sides whose lines can be left out. */
const SIDES = ['top', 'bottom', 'left', 'right'] as const;

const isOn = (value: readonly Token[]): boolean =>
  value.length === 0 || /true/.test(value.map(({ text }) => text).join(''));

/** Settings with the styles they name put in their place (mdframed manual, section 5). */
function withStyles(
  it: Interpreter,
  tokens: readonly Token[],
  depth = 0,
): [string, readonly Token[]][] {
  return [...keyValues(tokens)].flatMap(([key, value]): [string, readonly Token[]][] =>
    key === 'style' && depth < 9
      ? withStyles(it, it.read(mdStyle(tokensText(value).trim())), depth + 1)
      : [[key, value]],
  );
}

/** Settings of mdframed written as keys of coloured boxes; others have nothing to do here. */
function asBoxKeys(it: Interpreter, tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  const put = (key: string, value: readonly Token[]): number =>
    out.push(...it.p.chars(`,${key}=`), ...braced(it, value));
  const hidden = new Map<string, boolean>();
  let width: readonly Token[] = it.source('.4pt');
  for (const [key, said] of withStyles(it, tokens)) {
    // Lengths without a unit are in points (`defaultunit`).
    const bare = /^-?[\d.]+$/.test(tokensText(said).trim());
    const value = bare ? [...said, ...it.p.chars('pt')] : said;
    const known = MD_KEYS[key];
    if (known) put(known, value);
    if (key === 'roundcorner') out.push(...it.p.chars(',rounded corners'));
    const side = SIDES.find((one) => key === `${one}line`);
    if (key === 'linewidth' || key === 'outerlinewidth') width = value;
    if (side) hidden.set(side, !isOn(value));
    else if (key === 'hidealllines') for (const one of SIDES) hidden.set(one, isOn(value));
    else if (key === 'nobreak' && isOn(value)) out.push(...it.p.chars(',unbreakable'));
    else if (key === 'innermargin' || key === 'leftmargin') put('left skip', value);
    else if (key === 'outermargin' || key === 'rightmargin') put('right skip', value);
  }
  for (const [side, isHidden] of hidden) put(`${side}rule`, isHidden ? it.source('0pt') : width);
  return out;
}

/**
 * What a frame is without settings: 10 pt inside at the sides, four tenths of the document's line
 * above and below, and the room of a list around it.
 */
function plainFrame(it: Interpreter): string {
  const [, line] = SIZES.normalsize?.[it.read(CELLS.baseSize)] ?? [10, 12];
  const room = `${0.4 * line}pt`;
  return [
    'breakable,colback=white,colframe=black,boxrule=.4pt,sharp corners,boxsep=0pt,left=10pt,right=10pt',
    `top=${room},bottom=${room},coltitle=black,colbacktitle=white`,
    'before skip=\\topsep,after skip=\\topsep',
  ].join(',');
}

const BEHIND_HEADING = cell('mdbehindheading', false);

/** Paragraphs inside are as outside, but for the first one, which stands as behind a heading. */
function beginFrame(it: Interpreter, settings: readonly Token[]): void {
  it.endParagraph();
  const behindHeading = takeFlag(it, CELLS.afterHeading);
  const indent = it.dimen('parindent');
  const between = it.skip('parskip');
  beginBox(it, [
    ...it.source(plainFrame(it)),
    ...asBoxKeys(it, [...it.read(MD_STYLES), ...it.p.chars(','), ...settings]),
  ]);
  it.innermost.data.set(BEHIND_HEADING, behindHeading);
  setDimen(it.state, 'parindent', indent);
  setSkip(it.state, 'parskip', between);
  it.write(CELLS.noIndentNext, true, true);
}

/** Below its top, so that the line that follows keeps off it by `\\lineskip` alone. */
function hung(it: Interpreter, frame: BlockNode): BlockNode {
  if (frame.kind === 'framed') return { ...frame, hung: true };
  if (frame.kind !== 'loosebox' || frame.inline.kind !== 'box') return frame;
  const { height } = it.host.measure([frame.inline]);
  return { ...frame, inline: { ...frame.inline, raise: frame.inline.raise - height } };
}

/** Room at the end of what is framed goes (`\\unskip`). */
function endFrame(it: Interpreter): void {
  it.endParagraph();
  const { vlist } = it.mode;
  if (vlist.at(-1)?.kind === 'vspace') vlist.pop();
  const outside = it.innermost.data;
  endBox(it);
  standApart(it, outside.get(BEHIND_HEADING));
}

/**
 * The frame stands on the list without space between lines above it, behind a heading without any
 * room of its own; elsewhere that is added to what is there.
 */
function standApart(it: Interpreter, behindHeading: boolean): void {
  const [above, frame, below] = it.mode.vlist.splice(-3);
  if (above?.kind === 'vspace' && !behindHeading)
    it.mode.vlist.push({ ...above, behaviour: 'plain' });
  it.mode.vlist.push({ kind: 'nointerline' });
  if (frame) it.mode.vlist.push(hung(it, frame));
  if (below) it.mode.vlist.push(below);
}

const MD_STYLES = cell<readonly Token[]>('mdframedsetup', []);
const mdStyle = cellsBy<readonly Token[]>('mdframedstyle', []);

/** An environment stands in a frame from here on. */
function surround(it: Interpreter, name: readonly Token[], options: readonly Token[]): void {
  const hook = (place: string, code: readonly Token[]): Token[] => [
    it.p.command('@hookenv'),
    ...braced(it, name),
    ...braced(it, it.p.chars(place)),
    ...braced(it, code),
  ];
  const begin = [...it.source('\\begin{mdframed}['), ...braced(it, options), ...it.p.chars(']')];
  it.execute([...hook('before', begin), ...hook('after', it.source('\\end{mdframed}'))]);
}

const definesStyle = (name: string, description: string, adds: boolean): CommandEntry => ({
  name,
  signature: 'mm',
  package: 'mdframed',
  description,
  example: `\\${name}{tide}{linewidth=1pt}\\begin{mdframed}[style=tide]Ebb\\end{mdframed}`,
  run: (it, args) => {
    const style = mdStyle(textOf(it.p, tokensOf(args, 0)));
    const before = adds ? [...it.read(style), ...it.p.chars(',')] : [];
    it.write(style, [...before, ...tokensOf(args, 1)], true);
  },
});

/** mdframed: paragraphs in frames that are told of by keys. */
export const mdframed: PackageEntry = {
  name: 'mdframed',
  description: 'Paragraphs in a frame, with colours, margins and a title.',
  options: null,
  requires: ['xcolor'],
  environments: [
    {
      name: 'mdframed',
      signature: 'o',
      package: 'mdframed',
      description: 'Paragraphs in a frame.',
      example: '\\begin{mdframed}[backgroundcolor=yellow!10]\nHigh water\n\\end{mdframed}',
      begin: (it, args) => beginFrame(it, tokensOf(args, 0)),
      end: endFrame,
    },
  ],
  commands: [
    {
      name: 'mdfsetup',
      signature: 'm',
      package: 'mdframed',
      description: 'Settings of the frames that follow.',
      example: '\\mdfsetup{linewidth=1pt}',
      run: (it, args) =>
        it.write(MD_STYLES, [...it.read(MD_STYLES), ...it.p.chars(','), ...tokensOf(args, 0)]),
    },
    definesStyle('mdfdefinestyle', 'Settings under a name, for style=.', false),
    definesStyle('mdfapptodefinestyle', 'Adds to the settings under a name.', true),
    {
      name: 'mdfsubtitle',
      signature: 'om',
      package: 'mdframed',
      description: 'A title within a frame.',
      example: '\\begin{mdframed}Ebb\\mdfsubtitle{Flood}High\\end{mdframed}',
      run: (it, args) =>
        it.execute([
          ...it.source('\\par\\medskip\\noindent{\\bfseries '),
          ...tokensOf(args, 1),
          ...it.source('\\par}\\nobreak\\smallskip '),
        ]),
    },
    {
      name: 'surroundwithmdframed',
      signature: 'om',
      package: 'mdframed',
      description: 'Puts an environment that is there into frames.',
      example: '\\surroundwithmdframed[linewidth=1pt]{quote}\\begin{quote}Ebb\\end{quote}',
      run: (it, args) => surround(it, tokensOf(args, 1), tokensOf(args, 0)),
    },
    ...['newmdtheoremenv', 'mdtheorem'].map((name): CommandEntry => ({
      name,
      signature: 'omomo',
      package: 'mdframed',
      description: 'A kind of theorem in frames.',
      example: `\\${name}[linewidth=1pt]{law}{Law}\\begin{law}Ebb\\end{law}`,
      run: (it, args) => {
        surround(it, tokensOf(args, 1), tokensOf(args, 0));
        const bracketed = (at: number): Token[] =>
          args[at] ? [...it.p.chars('['), ...tokensOf(args, at), ...it.p.chars(']')] : [];
        it.execute([
          it.p.command('newtheorem'),
          ...braced(it, tokensOf(args, 1)),
          ...bracketed(2),
          ...braced(it, tokensOf(args, 3)),
          ...bracketed(4),
        ]);
      },
    })),
    ...['newmdenv', 'renewmdenv'].map((name): CommandEntry => ({
      name,
      signature: 'om',
      package: 'mdframed',
      description: 'An environment of your own that is a frame.',
      example: `\\newmdenv{note}\\${name}[linewidth=1pt]{${name === 'newmdenv' ? 'tide' : 'note'}}`,
      run: (it, args) =>
        it.execute([
          it.p.command(name === 'newmdenv' ? 'newenvironment' : 'renewenvironment'),
          ...braced(it, tokensOf(args, 1)),
          ...braced(it, [
            ...it.source('\\begin{mdframed}['),
            ...tokensOf(args, 0),
            ...it.p.chars(']'),
          ]),
          ...braced(it, it.source('\\end{mdframed}')),
        ]),
    })),
  ],
};
