import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { Cat } from '../../tokens/categories';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import {
  COLOUR_LINKS,
  leading,
  LINK_KINDS,
  linkColour,
  linkColourSaid,
} from '../constructs/linking';
import { LINK_CONTENTS, LINK_NOTES } from '../constructs/contentsLinks';
import { plainTitle } from '../constructs/sections';
import { CELLS, type PdfInfoKey } from '../machine/cells';
import { keyValues } from '../scanning/optionLists';
import { optionWords } from '../scanning/optionWords';
import { addLink, addressCommand, addressIn, rawAddress } from './url';

/** What a label names with its kind before it; with a star it is no link. */
const autoref: CommandEntry = {
  name: 'autoref',
  signature: 'sm',
  description: 'What a label names, with its kind before it.',
  example: '\\autoref{eq:tide}',
  run: (it, args) => {
    const label = tokensOf(args, 1);
    const end = it.source('}');
    const kind = [...it.source('\\@autokind{'), ...label, ...end];
    it.p.push([...kind, ...it.source('~\\ref{'), ...label, ...end]);
  },
};

function target(it: Interpreter, tokens: readonly Token[]): string {
  return `#${textOf(it.p, tokens)}`;
}

/** What `\autoref` calls things (hyperref manual, section 7). */
const AUTO_NAMES =
  'equation:Equation footnote:footnote item:item enumi:item enumii:item enumiii:item figure:Figure table:Table part:Part appendix:Appendix chapter:chapter section:section subsection:subsection subsubsection:subsubsection paragraph:paragraph page:page'
    .split(' ')
    .map((pair) => pair.split(':'))
    .map(([kind, name]) => `\\def\\${kind}autorefname{${name}}`)
    .join('') + '\\def\\theHequation{}\\def\\theHsection{}\\def\\theHfigure{}\\def\\theHtable{}';

/** All keys of its options that courses have in their files (hyperref manual, section 4). */
const KEYS: readonly string[] =
  'colorlinks linkcolor urlcolor citecolor filecolor menucolor runcolor anchorcolor allcolors hidelinks bookmarks bookmarksnumbered bookmarksopen bookmarksopenlevel bookmarksdepth bookmarkstype breaklinks pdftitle pdfauthor pdfsubject pdfkeywords pdfcreator pdfproducer pdfborder pdfborderstyle pdfhighlight linkbordercolor urlbordercolor citebordercolor filebordercolor allbordercolors pdfstartview pdfstartpage pdfpagemode pdfpagelayout pdflang pdfencoding pdfa pdfversion unicode backref pagebackref hyperindex hyperfootnotes hyperfigures plainpages pdfpagelabels linktoc linktocpage raiselinks final draft debug verbose implicit hypertexnames naturalnames nesting setpagesize driverfallback pdfusetitle baseurl pdfnewwindow pdftoolbar pdfmenubar pdfwindowui pdffitwindow pdfcenterwindow pdfdisplaydoctitle pdfremotestartview psdextra localanchorname CJKbookmarks frenchlinks ocgcolorlinks destlabel english german french spanish'.split(
    ' ',
  );

/** The address of a link as it is typed, and its words. */
function readLink(it: Interpreter, token: Token): { to: string; words: readonly Token[] } | null {
  const raw = rawAddress(it);
  const args = it.readArguments(raw === null ? 'mM' : 'M', token);
  if (!args) return null;
  const to = raw ?? addressIn(tokensOf(args, 0));
  return { to, words: tokensOf(args, args.length - 1) };
}

/** hyperref: links and bookmarks. Text is set as without it. */
export const hyperref: PackageEntry = {
  name: 'hyperref',
  description: 'Links and bookmarks in the PDF.',
  options: null,
  keys: KEYS,
  requires: ['url', 'nameref'],
  commands: [
    {
      name: 'href',
      signature: 'o',
      description: 'Words that link to an address.',
      example: '\\href{https://tides.example}{tide tables}',
      run: (it, _args, token) => {
        it.startParagraph();
        const link = readLink(it, token);
        if (!link) return;
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        const color = linkColour(it, 'urlcolor');
        if (color !== null) it.changeFont({ color });
        addLink(it, it.inlinesOf(link.words), link.to);
        it.closeGroup();
      },
      math: (reader, token) => {
        const { it } = reader;
        const link = readLink(it, token);
        if (!link) return null;
        const mark = it.p.make(Cat.Math, '$');
        const at = reader.span(token);
        const inlines = it.inlinesOf([mark, ...link.words, mark]);
        return {
          kind: 'text',
          inlines: [{ kind: 'link', inlines, target: link.to, ...at }],
          ...at,
        };
      },
    },
    {
      name: 'hypersetup',
      signature: 'M',
      description: 'Options of hyperref: colours of links, title and author of the PDF.',
      example: '\\hypersetup{colorlinks}',
      run: (it, args) => takeOptions(it, tokensOf(args, 0)),
    },
    {
      name: 'hyperlink',
      signature: 'mM',
      description: 'Words that lead to a target of the document.',
      example: '\\hyperlink{gauge}{the gauge}',
      run: (it, args) =>
        addLink(it, it.inlinesOf(tokensOf(args, 1)), target(it, tokensOf(args, 0))),
    },
    {
      name: 'hypertarget',
      signature: 'mM',
      description: 'A place that \\hyperlink leads to.',
      example: '\\hypertarget{gauge}{The gauge}',
      run: (it, args) => {
        const label = textOf(it.p, tokensOf(args, 0));
        it.startParagraph();
        it.add({ kind: 'anchor', label, ...it.p.place });
        it.execute(tokensOf(args, 1));
      },
    },
    {
      name: 'hyperref',
      signature: 'om',
      description: 'Words that lead to a label.',
      example: '\\hyperref[eq:tide]{the tide}',
      run: (it, args) =>
        addLink(it, it.inlinesOf(tokensOf(args, 1)), target(it, tokensOf(args, 0))),
    },
    {
      name: 'phantomsection',
      signature: '',
      description: 'A place for a label or a line of contents.',
      example: '\\phantomsection',
      run: () => undefined,
    },
    {
      name: '@autokind',
      signature: 'm',
      description: '',
      example: '',
      run: (it, args) => {
        const label = textOf(it.p, tokensOf(args, 0));
        it.startParagraph();
        const ref = { kind: 'ref' as const, label, font: it.font, ...it.p.place };
        it.add(leading(it, { ...ref, what: 'autokind' }));
      },
    },
    autoref,
    macroEntry(
      'texorpdfstring',
      'MM',
      'One text on the page, another in bookmarks.',
      '\\texorpdfstring{$x$}{x}',
      '#1',
    ),
    addressCommand('nolinkurl', 'An address that is no link.', '\\nolinkurl{tides.example}'),
    macroEntry(
      'autopageref',
      'm',
      'The page of what a label names, with its word.',
      '\\autopageref{eq:tide}',
      '\\pageautorefname~\\pageref{#1}',
    ),
    quietEntry('pdfbookmark', 'omm', 'A bookmark of your own.'),
    quietEntry('subpdfbookmark', 'mm', 'A bookmark below the one before.'),
    quietEntry('belowpdfbookmark', 'mm', 'A bookmark of the level below.'),
    quietEntry('MakeLinkTarget', 'om', 'A place that links lead to.'),
    quietEntry('hyperbaseurl', 'm', 'What addresses begin with.'),
    quietEntry('currentpdfbookmark', 'mm', 'A bookmark of your own.'),
    quietEntry('pdfstringdefDisableCommands', 'M', 'Commands that mean nothing in bookmarks.'),
  ],
  source: AUTO_NAMES,
  setup: (it, options) => {
    it.write(LINK_NOTES, true, true);
    if (options.length > 0) takeOptions(it, it.source(options.join(',')));
  },
};

function takeOptions(it: Interpreter, tokens: readonly Token[]): void {
  const words = optionWords(tokens);
  for (const key of LINK_KINDS) {
    const value = words[key] ?? words.allcolors;
    if (value) it.write(linkColourSaid(key), value, true);
  }
  const on = 'colorlinks' in words && words.colorlinks !== 'false';
  if ('colorlinks' in words) it.write(COLOUR_LINKS, on, true);
  if (words.linktoc) {
    const part = /^(?:none|section|page|all)$/.exec(words.linktoc)?.[0];
    it.write(LINK_CONTENTS, (part ?? 'section') as 'none' | 'section' | 'page' | 'all', true);
  }
  if ('linktocpage' in words && words.linktocpage !== 'false')
    it.write(LINK_CONTENTS, 'page', true);
  if ('hyperfootnotes' in words) it.write(LINK_NOTES, words.hyperfootnotes !== 'false', true);
  takePdfInfo(it, tokens);
}

const INFO_KEYS: readonly PdfInfoKey[] = ['title', 'author', 'subject', 'keywords'];

/** `pdftitle` and its kin: what the PDF says of itself. */
function takePdfInfo(it: Interpreter, tokens: readonly Token[]): void {
  const values = keyValues(tokens);
  const said = INFO_KEYS.flatMap((key) => {
    const value = values.get(`pdf${key}`);
    return value ? [[key, plainTitle(it, value).trim()] as const] : [];
  });
  if (said.length > 0)
    it.write(CELLS.pdfInfo, { ...it.read(CELLS.pdfInfo), ...Object.fromEntries(said) }, true);
}
