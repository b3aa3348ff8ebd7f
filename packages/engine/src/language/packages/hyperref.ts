import type { Inline } from '../../document/inlines';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { readRaw } from '../constructs/verbatim';
import { Cat } from '../../tokens/categories';
import {
  COLOUR_LINKS,
  leading,
  LINK_KINDS,
  linkColour,
  linkColourSaid,
} from '../constructs/linking';
import { plainTitle } from '../constructs/sections';
import { CELLS, type PdfInfoKey } from '../machine/cells';
import { keyValues } from '../scanning/optionLists';
import { optionWords } from '../scanning/optionWords';

/** An address as it is typed: what stands between braces, or between two equal characters. */
function readAddress(it: Interpreter): string {
  it.p.skipSpaces();
  const token = it.p.next();
  if (!token) return '';
  if (token.cat !== Cat.Begin) return readRaw(it, token.text).text;
  const raw = rawGroup(it);
  if (raw !== null) return raw.replace(/\\([%#_&{}~])/g, '$1').replace(/\s+/g, '');
  it.p.unread(token);
  const args = it.readArguments('m', it.p.command('url'));
  return tokensText(tokensOf(args ?? [], 0))
    .replace(/\\([%#_&{}~])\s?/g, '$1')
    .replace(/\\ /g, ' ')
    .replace(/\s+/g, '');
}

/** What stands between braces in the file, a per cent sign included; null where tokens wait already. */
function rawGroup(it: Interpreter): string | null {
  const reader = it.p.nextSource;
  if (!reader) return null;
  let depth = 1;
  let out = '';
  for (let char = reader.rawChar(); char !== '' && char !== '\n'; char = reader.rawChar()) {
    if (char === '{') depth++;
    else if (char === '}' && --depth === 0) break;
    out += char;
  }
  if (reader === it.p.reader) it.p.reach = Math.max(it.p.reach, reader.pos);
  return out;
}

/** An address in typewriter, with places to break behind its signs. */
function address(it: Interpreter, text: string): Inline[] {
  const { place } = it.p;
  const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
  const font = it.intern({ ...it.font, family: 'mono', series: 'medium', shape: 'upright' });
  const out: Inline[] = [];
  for (const part of text.split(/(?<=[/.?&=_#:-])/)) {
    if (part === '') continue;
    if (out.length > 0) out.push({ kind: 'penalty', penalty: 200, ...at });
    out.push({ kind: 'text', text: part, font, ...at });
  }
  return out;
}

export function addLink(it: Interpreter, inlines: readonly Inline[], target: string): void {
  const { place } = it.p;
  it.add({ kind: 'link', inlines, target, from: place.from, to: Math.max(place.to, it.p.here()) });
}

export const urlCommand: CommandEntry = {
  name: 'url',
  signature: '',
  description: 'An address, in typewriter; it may break behind its signs.',
  example: '\\url{https://tides.example}',
  run: (it) => {
    it.startParagraph();
    const text = readAddress(it);
    addLink(it, address(it, text), text);
  },
};

const pathCommand: CommandEntry = {
  ...urlCommand,
  name: 'path',
  description: 'The name of a file, in typewriter.',
  example: '\\path{notes/tides.tex}',
  run: (it) => {
    it.startParagraph();
    for (const inline of address(it, readAddress(it))) it.add(inline);
  },
};

/** url: addresses. */
export const url: PackageEntry = {
  name: 'url',
  description: 'Addresses in typewriter.',
  options: null,
  commands: [urlCommand, pathCommand, quietEntry('urlstyle', 'm', 'The font of addresses.')],
};

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
      signature: 'omM',
      description: 'Words that link to an address.',
      example: '\\href{https://tides.example}{tide tables}',
      run: (it, args) => {
        it.startParagraph();
        const to = tokensText(tokensOf(args, 1)).replace(/\\([%#_&~])\s?/g, '$1');
        it.openGroup({ kind: 'semisimple', span: it.p.place });
        const color = linkColour(it, 'urlcolor');
        if (color !== null) it.changeFont({ color });
        addLink(it, it.inlinesOf(tokensOf(args, 2)), to);
        it.closeGroup();
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
    macroEntry(
      'nolinkurl',
      'm',
      'An address that is no link.',
      '\\nolinkurl{tides.example}',
      '\\texttt{#1}',
    ),
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
