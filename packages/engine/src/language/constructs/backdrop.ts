import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { CELLS } from '../machine/cells';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { withPaper } from '../machine/paper';
import { setSize } from './fonts';
import { byPage } from './knownPages';
import { emit } from './pageStyle';

/** One layer, set as if at the top level of the document. */
function layer(it: Interpreter, tokens: readonly Token[]): readonly Inline[] {
  if (tokens.length === 0) return [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright', color: 0 });
  setSize(it, 'normalsize');
  it.write(CELLS.alignment, 'justified');
  const edge = (name: string): readonly Token[] => it.source(name);
  const [inlines, onPaper] = withPaper(it, () =>
    it.inlinesOf([
      ...edge('\\setlength\\unitlength{1pt}\\begin{picture}(0,0)'),
      ...tokens,
      ...edge('\\end{picture}'),
    ]),
  );
  it.closeGroup();
  return [...onPaper, ...inlines];
}

/**
 * `\@backdrop*{behind}{before}`: what `\put` places behind and before the text of the pages from
 * here on, with the star of this page; in pt from the lower left corner of the paper.
 */
function backdrop(it: Interpreter, args: Args, token: Token): void {
  if (!it.read(CELLS.inDocument)) {
    const begin = (tokens: readonly Token[]): Token[] => [
      ...it.source('{'),
      ...tokens,
      ...it.source('}'),
    ];
    const again = [token, ...(isStarred(args) ? it.source('*') : [])];
    return it.execute([
      ...it.source('\\AtBeginDocument'),
      ...begin([...again, ...begin(tokensOf(args, 1)), ...begin(tokensOf(args, 2))]),
    ]);
  }
  const { always, onPages } = byPage(it, () => ({
    under: layer(it, tokensOf(args, 1)),
    over: layer(it, tokensOf(args, 2)),
  }));
  const drawn = onPages ? { ...always, onPages } : always;
  emit(it, { kind: 'backdrop', backdrop: drawn, thisPageOnly: isStarred(args) });
}

export const backdropCommands: readonly CommandEntry[] = [
  {
    name: '@backdrop',
    signature: 'sMM',
    description: 'What stands behind and before the text of pages, placed by \\put.',
    example: '',
    run: backdrop,
  },
];

/**
 * What gathers for all pages, and the names by which packages and the kernel's hooks add to it.
 * Of a page alone it is sent at once.
 */
export const BACKDROP_MACROS = String.raw`
\def\@behindpages{}\def\@beforepages{}
\def\@behindall{}
\def\@sendbackdrop{\@backdrop{\@behindall\@behindpages}{\@beforepages}}
\def\@paintpaper#1{\def\@tempa{#1}\ifx\@tempa\@empty\gdef\@behindall{}\else\gdef\@behindall{\put(0,0){#1\rule{\paperwidth}{\paperheight}}}\fi\@sendbackdrop}
\def\@addbehind#1{\g@addto@macro\@behindpages{#1}\@sendbackdrop}
\def\@addbefore#1{\g@addto@macro\@beforepages{#1}\@sendbackdrop}
\def\@clearbackdrop{\gdef\@behindpages{}\gdef\@beforepages{}\@sendbackdrop}
\def\@addbehindtop#1{\@addbehind{\@fromtop{#1}}}\def\@addbeforetop#1{\@addbefore{\@fromtop{#1}}}
\def\@fromtop#1{\put(0,\strip@pt\paperheight){#1}}
`;
