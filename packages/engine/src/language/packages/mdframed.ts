import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensOf, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
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

/** Settings of mdframed written as keys of coloured boxes; others have nothing to do here. */
function asBoxKeys(it: Interpreter, tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  let part: Token[] = [];
  let depth = 0;
  const put = (): void => {
    const eq = part.findIndex((t) => t.text === '=');
    const name = part
      .slice(0, Math.max(0, eq))
      .map((t) => t.text)
      .join('')
      .trim();
    const key = MD_KEYS[name];
    if (key) out.push(...it.p.chars(`,${key}`), ...part.slice(eq));
    if (name === 'hidealllines' && /true/.test(part.map((t) => t.text).join('')))
      out.push(...it.p.chars(',boxrule=0pt'));
    part = [];
  };
  for (const token of tokens) {
    if (token.cat === 1) depth++;
    else if (token.cat === 2) depth--;
    if (depth === 0 && token.text === ',' && token.cell === null) put();
    else part.push(token);
  }
  put();
  return out;
}

const MD_START =
  'breakable,colback=white,colframe=black,boxrule=.4pt,sharp corners,left=9pt,right=9pt,top=4pt,bottom=4pt,coltitle=black,colbacktitle=white';
const MD_STYLES = cell<readonly Token[]>('mdframedsetup', []);

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
      begin: (it, args) =>
        beginBox(it, [
          ...it.source(MD_START),
          ...asBoxKeys(it, it.read(MD_STYLES)),
          ...asBoxKeys(it, tokensOf(args, 0)),
        ]),
      end: endBox,
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
    {
      name: 'newmdenv',
      signature: 'om',
      package: 'mdframed',
      description: 'An environment of your own that is a frame.',
      example: '\\newmdenv[linewidth=1pt]{note}\\begin{note}High water\\end{note}',
      run: (it, args) =>
        it.execute([
          it.p.command('newenvironment'),
          ...braced(it, tokensOf(args, 1)),
          ...braced(it, [
            ...it.source('\\begin{mdframed}['),
            ...tokensOf(args, 0),
            ...it.p.chars(']'),
          ]),
          ...braced(it, it.source('\\end{mdframed}')),
        ]),
    },
  ],
};
