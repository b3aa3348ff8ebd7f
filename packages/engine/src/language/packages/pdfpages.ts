import { PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { cell } from '../../expansion/cells';
import { reportMissing } from '../constructs/files';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues, splitAt } from '../scanning/optionLists';
import { pictureFile } from './graphicx';
import { tellUnknownKeys } from '../scanning/unknownKeys';

type Keys = ReadonlyMap<string, readonly Token[]>;

/** What `\includepdfset` says for all that follow. */
const SETTINGS = cell<Keys>('includepdfset', new Map());

/** Pages that a range may bring at most, whatever numbers stand in it. */
const MOST_PAGES = 500;

/** Keys that are for `\includegraphics`. */
const FOR_PICTURES = ['width', 'height', 'scale', 'angle', 'trim', 'viewport', 'clip', 'draft'];
const OWN = [
  'pages', 'page', 'nup', 'landscape', 'delta', 'offset', 'column', 'frame', 'noautoscale',
  'pagecommand', 'pagecommand*', 'addtotoc', 'keepaspectratio', 'openright',
]; // prettier-ignore

/**
 * The pages that a list names, in its order: numbers, ranges that may run back or be open, `last`,
 * and null for an empty place.
 */
export function pagesNamed(list: string, count: number): (number | null)[] {
  const number = (text: string, open: number): number => {
    const last = /^last(?:-(\d+))?$/.exec(text);
    if (last) return count - Number(last[1] ?? 0);
    return text === '' ? open : Number(text);
  };
  return list.split(',').flatMap((part): (number | null)[] => {
    const words = part.replace(/\s+/g, '');
    if (words === '' || words === '{}') return [null];
    const range = /^((?:last(?:-\d+)?)?|\d+)-((?:last(?:-\d+)?)?|\d+)$/.exec(words);
    if (!range || /^last-\d+$/.test(words)) return [number(words, 1)];
    const [from, to] = [number(range[1] ?? '', 1), number(range[2] ?? '', count)];
    const step = from <= to ? 1 : -1;
    const length = Math.min(MOST_PAGES, Math.abs(to - from) + 1);
    return Array.from({ length }, (_, i) => from + i * step);
  });
}

/** A place of the paper where a page of the file is put: lower left corner and size. */
export interface Cell {
  readonly x: Sp;
  readonly y: Sp;
  readonly width: Sp;
  readonly height: Sp;
}

/** The places of one sheet, so many across and down, in rows or in columns from the upper left. */
export function cellsOf(
  paper: { readonly width: Sp; readonly height: Sp },
  [across, down]: readonly [number, number],
  [dx, dy]: readonly [Sp, Sp],
  inColumns: boolean,
): Cell[] {
  const width = (paper.width - (across - 1) * dx) / across;
  const height = (paper.height - (down - 1) * dy) / down;
  return Array.from({ length: across * down }, (_, i): Cell => {
    const column = inColumns ? Math.floor(i / down) : i % across;
    const row = inColumns ? i % down : Math.floor(i / across);
    return {
      x: column * (width + dx),
      y: paper.height - (row + 1) * height - row * dy,
      width,
      height,
    };
  });
}

/** Where a place lies when the paper is turned a quarter to the left. */
const turned = ({ x, y, width, height }: Cell, paperWidth: Sp): Cell => ({
  x: paperWidth - y - height,
  y: x,
  width: height,
  height: width,
});

/** Two lengths one after the other. */
function pairOf(it: Interpreter, tokens: readonly Token[] | undefined): [Sp, Sp] {
  const [x, y] = textOf(it.p, tokens ?? [])
    .trim()
    .split(/\s+/)
    .map((part) => (part === '' ? 0 : dimenOf(it, it.source(part))));
  return [x ?? 0, y ?? 0];
}

const isOn = (keys: Keys, name: string): boolean =>
  keys.has(name) && tokensText(keys.get(name) ?? []).trim() !== 'false';

function gridOf(it: Interpreter, keys: Keys): [number, number] {
  const found = /(\d+)\s*x\s*(\d+)/.exec(textOf(it.p, keys.get('nup') ?? []));
  const count = (text: string | undefined): number => Math.min(20, Math.max(1, Number(text ?? 1)));
  return [count(found?.[1]), count(found?.[2])];
}

/** So many points, as numbers of pictures are. */
const unit = (length: Sp): string => (length / PT).toFixed(4);

/** The options of the picture in a place: fitted into it unless sizes are told. */
function pictureOptions(keys: Keys, page: number, { width, height }: Cell): string {
  const given = FOR_PICTURES.filter((key) => keys.has(key) && key !== 'scale').map((key) => {
    const value = tokensText(keys.get(key) ?? []);
    return value === '' ? key : `${key}={${value}}`;
  });
  const scale = Number(tokensText(keys.get('scale') ?? []).trim() || 1);
  const sized = keys.has('width') || keys.has('height');
  const size = isOn(keys, 'noautoscale')
    ? [`scale=${scale}`]
    : sized
      ? []
      : [`width=${unit(width * scale)}pt`, `height=${unit(height * scale)}pt`, 'keepaspectratio'];
  const keeps = sized && isOn(keys, 'keepaspectratio') ? ['keepaspectratio'] : [];
  return [`page=${page}`, ...given, ...size, ...keeps].join(',');
}

function sheetSource(
  it: Interpreter,
  keys: Keys,
  file: string,
  pages: readonly (number | null)[],
): string {
  const paper = { width: it.dimen('paperwidth'), height: it.dimen('paperheight') };
  const lies = isOn(keys, 'landscape');
  const sheet = lies ? { width: paper.height, height: paper.width } : paper;
  const cells = cellsOf(
    sheet,
    gridOf(it, keys),
    pairOf(it, keys.get('delta')),
    isOn(keys, 'column'),
  );
  const [right, up] = pairOf(it, keys.get('offset'));
  return cells
    .map((place, i) => {
      const page = pages[i];
      if (page === null || page === undefined) return '';
      const picture = `\\includegraphics[${pictureOptions(keys, page, place)}]{${file}}`;
      const framed = isOn(keys, 'frame') ? `{\\fboxsep0pt\\fbox{${picture}}}` : picture;
      const at = lies ? turned(place, paper.width) : place;
      const shown = lies ? `\\rotatebox{90}{${framed}}` : framed;
      return `\\put(${unit(at.x + right)},${unit(at.y + up)}){\\makebox(${unit(at.width)},${unit(at.height)}){${shown}}}`;
    })
    .join('');
}

/** What `addtotoc` asks for at a page: five words for each entry. */
function contentsAt(it: Interpreter, keys: Keys, pages: readonly (number | null)[]): Token[] {
  const words = splitAt(keys.get('addtotoc') ?? [], ',');
  const out: Token[] = [];
  for (let i = 0; i + 4 < words.length; i += 5) {
    const [page = [], kind = [], , heading = [], label = []] = words.slice(i, i + 5);
    if (!pages.includes(Number(tokensText(page).trim()))) continue;
    out.push(
      ...it.source(`${it.hasPackage('hyperref') ? '\\phantomsection' : ''}\\addcontentsline{toc}{`),
      ...kind,
    );
    out.push(
      ...it.source('}{'),
      ...heading,
      ...it.source('}\\label{'),
      ...label,
      ...it.source('}'),
    );
  }
  return out;
}

/** The sheets of paper that the pages of one file take up. */
function sheetsOf(it: Interpreter, keys: Keys, file: string, count: number): Token[] {
  const pages = pagesNamed(
    textOf(it.p, keys.get('pages') ?? keys.get('page') ?? it.source('1')),
    count,
  );
  const [across, down] = gridOf(it, keys);
  const each = across * down;
  const out: Token[] = it.source(isOn(keys, 'openright') ? '\\cleardoublepage' : '\\clearpage');
  for (let i = 0; i < Math.min(pages.length, MOST_PAGES); i += each) {
    const here = pages.slice(i, i + each);
    const first = i === 0 ? keys.get('pagecommand*') : undefined;
    const command = first ?? keys.get('pagecommand') ?? it.source('\\thispagestyle{empty}');
    out.push(
      ...it.source(
        `\\makeatletter\\@backdrop*{${sheetSource(it, keys, file, here)}}{}\\makeatother`,
      ),
      ...it.source('\\null '),
      ...command,
      ...contentsAt(it, keys, here),
      ...it.source('\\clearpage '),
    );
  }
  return out;
}

function includePdf(it: Interpreter, args: Args, token: Token): void {
  const name = textOf(it.p, tokensOf(args, 1)).trim();
  const own = keyValues(tokensOf(args, 0));
  tellUnknownKeys(it, tokensOf(args, 0), [...OWN, ...FOR_PICTURES]);
  const keys: Keys = new Map([...it.read(SETTINGS), ...own]);
  const file = pictureFile(it, name);
  const found = file === null ? null : it.host.imageSize(file, 1);
  if (file === null || found === null) return reportMissing(it, name, it.spanOf(token));
  const pages = 'why' in found ? 1 : (found.pages ?? 1);
  it.execute(sheetsOf(it, keys, file, pages));
}

const commands: readonly CommandEntry[] = [
  {
    name: 'includepdf',
    signature: 'om',
    description: 'Whole pages of another PDF, a page of paper each; which ones and how by keys.',
    example: '\\includepdf[pages=1]{gauge}',
    package: 'pdfpages',
    run: includePdf,
  },
  {
    name: 'includepdfset',
    signature: 'm',
    description: 'Keys for all pages of other PDFs from here on.',
    example: '\\includepdfset{pages=-}',
    package: 'pdfpages',
    run: (it, args) =>
      it.write(SETTINGS, new Map([...it.read(SETTINGS), ...keyValues(tokensOf(args, 0))])),
  },
];

/** pdfpages: pages of other PDFs as pages of the document. */
export const pdfpages: PackageEntry = {
  name: 'pdfpages',
  description: 'Pages of other PDFs as pages of the document.',
  options: ['draft', 'final', 'demo', 'enable-survey'],
  requires: ['graphicx'],
  commands,
};
