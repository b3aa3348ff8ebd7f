import { CELLS } from '../machine/cells';
import { PT, type Sp } from '../../base/lengths';
import { composed, scaledTurned, translation } from '../../base/maps';
import { rectangle } from '../../base/paths';
import { pictureName } from '../../base/pictureNames';
import type { Span } from '../../base/spans';
import type { Inline } from '../../document/inlines';
import type { OutsideMark } from '../../document/outsideDrawing';
import { textOf, tokensText } from '../../expansion/tokenText';
import { detach, type Token } from '../../expansion/meaning';
import {
  type Args,
  type CommandEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { wholeFamily } from './keyval';
import { box, withSizes } from '../constructs/boxes';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { reportMissing } from '../constructs/files';
import type { Interpreter } from '../machine/interpreter';
import type { ImageSize } from '../machine/reading';
import { marksOf } from './outsideDrawing';
import { cell } from '../../expansion/cells';
import { tellUnknownKeys } from '../scanning/unknownKeys';
import { exampleImage } from './exampleImages';

const ENDINGS = ['', '.pdf', '.png', '.jpg', '.jpeg', '.svg', '.PNG', '.JPG', '.eps'];

/** What `\graphicspath` names. */
const FOLDERS = cell<readonly string[]>('graphicspath', []);

/** The file a picture's name stands for, looked for in the folders of `\graphicspath` too. */
export function pictureFile(it: Interpreter, name: string): string | null {
  const folders = it.read(FOLDERS);
  const names = new Set(it.host.files());
  const plain = name
    .trim()
    .replace(/^(\.\/)+/, '')
    .replace(/^"|"$/g, '');
  for (const folder of ['', ...folders])
    for (const ending of ENDINGS) {
      const path = (folder + plain + ending).replace(/^(\.\/)+/, '');
      if (names.has(path)) return path;
    }
  return null;
}

/** Of the frame where a picture should be that is not there. */
const UNKNOWN_SIZE = { width: 120 * PT, height: 80 * PT };

/** What a picture is asked to be. */
interface Wanted {
  readonly width: Sp | null;
  readonly height: Sp | null;
  readonly scale: number;
  readonly angle: number;
  readonly keep: boolean;
  readonly trim: readonly Sp[] | null;
  readonly clip: boolean;
  /** Of a file with several pages, the one that is shown. */
  readonly page: number;
}

function wanted(it: Interpreter, tokens: readonly Token[]): Wanted {
  const keys = keyValues(tokens);
  const length = (key: string): Sp | null => {
    const value = keys.get(key);
    if (!value || value.length === 0) return null;
    const text = tokensText(value).trim();
    return text === '!' ? null : dimenOf(it, value);
  };
  const number = (key: string, fallback: number): number => {
    const value = parseFloat(textOf(it.p, keys.get(key) ?? []));
    return Number.isFinite(value) ? value : fallback;
  };
  const on = (key: string): boolean =>
    keys.has(key) && textOf(it.p, keys.get(key) ?? []) !== 'false';
  const trim = keys.get('trim') ?? keys.get('viewport');
  return {
    width: length('width'),
    height: length('height') ?? length('totalheight'),
    scale: number('scale', 1),
    angle: number('angle', 0),
    keep: on('keepaspectratio'),
    trim: trim ? trimOf(it, trim) : null,
    clip: on('clip'),
    page: Math.max(1, Math.floor(number('page', 1))),
  };
}

/** Four lengths, in big points where no unit is given. */
function trimOf(it: Interpreter, tokens: readonly Token[]): Sp[] {
  return textOf(it.p, tokens)
    .split(/\s+/)
    .filter((part) => part !== '')
    .map((part) => dimenOf(it, it.source(/[a-z]/.test(part) ? part : `${part}bp`)));
}

/** Natural size fitted to what is asked: one length keeps the shape, two stretch it unless told to keep it. */
function sizeFor(natural: { width: Sp; height: Sp }, want: Wanted): { width: Sp; height: Sp } {
  const { width, height } = natural;
  if (want.width !== null && want.height !== null) {
    if (!want.keep) return { width: want.width, height: want.height };
    const factor = Math.min(want.width / width, want.height / height);
    return { width: width * factor, height: height * factor };
  }
  const factor =
    want.width !== null
      ? want.width / width
      : want.height !== null
        ? want.height / height
        : want.scale;
  return { width: width * factor, height: height * factor };
}

/** The keys of a picture (graphicx manual, section 4.4; adjustbox has more). */
const PICTURE_KEYS =
  'bb bbllx bblly bburx bbury natwidth natheight hiresbb viewport trim angle origin width height totalheight keepaspectratio scale clip draft final type ext read command quiet page pagebox interpolate decodearray alt artifact actualtext tagging'.split(
    ' ',
  );
/** `graphics` alone has no keys. */
const isPlain = (it: Interpreter): boolean =>
  it.hasPackage('graphics') && !it.hasPackage('graphicx');

function includeGraphics(it: Interpreter, args: Args, token: Token): Inline {
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, it.p.here()) };
  const name = textOf(it.p, tokensOf(args, 3));
  if (!isPlain(it) && !it.hasPackage('adjustbox'))
    tellUnknownKeys(it, tokensOf(args, 1), PICTURE_KEYS);
  const want = wanted(it, withDefaults(it, tokensOf(args, 1), name));
  if (isPlain(it) && tokensOf(args, 1).some(({ text }) => text === '='))
    it.p.report('package-needed', span, { name: 'A size by its name', package: 'graphicx' });
  return shownPicture(it, name, want, span);
}

/** Keys that hold for every picture (`\setkeys{Gin}{…}`). */
const GIN = cell<readonly Token[]>('gin', []);

/** The keys of a picture behind those of all, which may speak of its own size (`\Gin@nat@width`). */
function withDefaults(it: Interpreter, own: readonly Token[], name: string): readonly Token[] {
  const all = it.read(GIN);
  if (all.length === 0) return own;
  const file = pictureFile(it, name);
  const found = file === null ? null : it.host.imageSize(file, 1);
  const { width, height } = found === null || 'why' in found ? UNKNOWN_SIZE : found;
  it.define('Gin@nat@width', `${Math.round(width)}sp`);
  it.define('Gin@nat@height', `${Math.round(height)}sp`);
  return [...all, ...it.p.chars(','), ...own];
}

/** A picture of the assignment as it is wanted; a frame of its size, and a finding, where it cannot be shown. */
function shownPicture(it: Interpreter, name: string, want: Wanted, span: Span): Inline {
  const file = pictureFile(it, name);
  const found = file === null ? exampleImage(name) : it.host.imageSize(file, want.page);
  if (found === null) reportMissing(it, name, span);
  else if ('why' in found)
    it.p.report('picture-unreadable', span, { name: file ?? name, ...found });
  const known = found === null || 'why' in found ? null : found;
  if (known && want.page > (known.pages ?? 1)) reportNoPage(it, name, want.page, known, span);
  const blank = known === null || it.read(CELLS.draft);
  const size = known ?? UNKNOWN_SIZE;
  const cut = cropOf(size, want);
  const asked = sizeFor(cut.size, want);
  const [width, height] = [Math.round(asked.width), Math.round(asked.height)];
  const image: Inline =
    known?.marks && !blank
      ? drawnPicture(it, known.marks, { known, cut, width, height }, span)
      : {
          kind: 'image',
          file: pictureName(file ?? name, Math.min(want.page, known?.pages ?? 1)),
          width,
          height,
          crop: cut.crop,
          blank,
          ...span,
        };
  if (want.angle === 0) return image;
  return box(it, [image], { transform: { x: 1, y: 1, degrees: want.angle } });
}

function reportNoPage(
  it: Interpreter,
  name: string,
  page: number,
  { pages = 1 }: ImageSize,
  span: Span,
): void {
  const why = pages === 1 ? 'it has one page only' : `it has ${pages} pages only`;
  it.p.report('picture-unreadable', span, {
    name,
    why,
    todo: `ask for a page up to ${pages}, not ${page}`,
  });
}

interface Fitted {
  readonly known: ImageSize;
  readonly cut: ReturnType<typeof cropOf>;
  readonly width: Sp;
  readonly height: Sp;
}

/** A picture that is drawn with marks of the page, cut and scaled to the size it is given. */
function drawnPicture(
  it: Interpreter,
  marks: readonly OutsideMark[],
  { known, cut, width, height }: Fitted,
  span: Span,
): Inline {
  const [left, bottom] = cut.crop ?? [0, 0];
  const scale = scaledTurned(width / cut.size.width, height / cut.size.height, 0);
  const map = composed(scale, translation(-left * known.width, -bottom * known.height));
  const clip = rectangle(
    left * known.width,
    bottom * known.height,
    cut.size.width,
    cut.size.height,
  );
  return {
    kind: 'drawing',
    marks: [{ kind: 'group', map, clip, marks: marksOf(it, marks, span) }],
    bounds: { left: 0, right: width, low: 0, high: height },
    ...span,
  };
}

function cropOf(size: { width: Sp; height: Sp }, { trim, clip }: Wanted) {
  if (!trim || trim.length < 4 || !clip) return { size, crop: null };
  const [left, bottom, right, top] = trim as [Sp, Sp, Sp, Sp];
  const crop = [
    left / size.width,
    bottom / size.height,
    right / size.width,
    top / size.height,
  ] as const;
  return {
    size: {
      width: Math.max(PT, size.width - left - right),
      height: Math.max(PT, size.height - bottom - top),
    },
    crop,
  };
}

/** Scaled, mirrored or turned contents. */
function transformed(
  it: Interpreter,
  tokens: readonly Token[],
  x: number,
  y: number,
  degrees: number,
): void {
  it.add(box(it, it.inlinesOf(tokens), { transform: { x, y, degrees } }));
}

const numberOf = (it: Interpreter, tokens: readonly Token[]): number => {
  const value = parseFloat(textOf(it.p, tokens));
  return Number.isFinite(value) ? value : 1;
};

function resizeBox(it: Interpreter, args: Args): void {
  const inlines = it.inlinesOf(tokensOf(args, 3));
  const size = it.host.measure(inlines);
  const asked = (i: number): Sp | null => {
    const tokens = tokensOf(args, i);
    return tokensText(tokens).trim() === '!'
      ? null
      : withSizes(it, inlines, () => dimenOf(it, tokens));
  };
  const [width, height] = [asked(1), asked(2)];
  const high = isStarred(args) ? size.height + size.depth : size.height;
  const sx = width !== null && size.width > 0 ? width / size.width : null;
  const sy = height !== null && high > 0 ? height / high : null;
  it.add(box(it, inlines, { transform: { x: sx ?? sy ?? 1, y: sy ?? sx ?? 1, degrees: 0 } }));
}

const commands: readonly CommandEntry[] = [
  {
    name: 'includegraphics',
    signature: 'soom',
    description: 'A picture: PNG, JPEG, PDF, SVG or EPS; its size by width, height or scale.',
    example: '\\includegraphics[width=.6\\textwidth]{gauge}',
    package: 'graphicx',
    run: (it, args, token) =>
      it.add(
        includeGraphics(
          it,
          args[2] ? [args[0] ?? false, args[2], null, args[3] ?? null] : args,
          token,
        ),
      ),
    math: (reader, token) => {
      const args = reader.it.readArguments('soom', token);
      if (!args) return null;
      return {
        kind: 'text',
        inlines: [includeGraphics(reader.it, args, token)],
        ...reader.span(token),
      };
    },
  },
  {
    name: 'graphicspath',
    signature: 'm',
    description: 'Folders that pictures are looked for in.',
    example: '\\graphicspath{{pictures/}}',
    package: 'graphicx',
    run: (it, args) => {
      const folders = [...tokensText(tokensOf(args, 0)).matchAll(/\{([^}]*)\}/g)].map((hit) =>
        (hit[1] ?? '').trim(),
      );
      it.write(FOLDERS, folders, true);
    },
  },
  {
    name: 'rotatebox',
    signature: 'omM',
    description: 'Text turned counter-clockwise by degrees.',
    example: '\\rotatebox{90}{ferry}',
    package: 'graphicx',
    run: (it, args) => transformed(it, tokensOf(args, 2), 1, 1, numberOf(it, tokensOf(args, 1))),
  },
  {
    name: 'scalebox',
    signature: 'moM',
    description: 'Text scaled by a factor; brackets give another one for its height.',
    example: '\\scalebox{2}{ferry}',
    package: 'graphicx',
    run: (it, args) => {
      const x = numberOf(it, tokensOf(args, 0));
      transformed(it, tokensOf(args, 2), x, args[1] ? numberOf(it, tokensOf(args, 1)) : x, 0);
    },
  },
  {
    name: 'reflectbox',
    signature: 'M',
    description: 'Text seen in a mirror.',
    example: '\\reflectbox{ferry}',
    package: 'graphicx',
    run: (it, args) => transformed(it, tokensOf(args, 0), -1, 1, 0),
  },
  {
    name: 'resizebox',
    signature: 'smmM',
    description: 'Text scaled to a width and a height; ! keeps its shape.',
    example: '\\resizebox{3cm}{!}{ferry}',
    package: 'graphicx',
    run: resizeBox,
  },
  {
    name: wholeFamily('Gin'),
    signature: 'm',
    description: 'Options for all pictures that come.',
    example: '',
    run: (it, args) =>
      it.write(GIN, detach([...it.read(GIN), ...it.p.chars(','), ...tokensOf(args, 0)])),
  },
  {
    name: 'DeclareGraphicsRule',
    signature: 'mmmm',
    description: 'How files of an ending are read; it is known here.',
    example: '\\DeclareGraphicsRule{*}{mps}{*}{}',
    run: () => undefined,
  },
  {
    name: 'DeclareGraphicsExtensions',
    signature: 'm',
    description: 'Endings of picture files that are tried.',
    example: '\\DeclareGraphicsExtensions{.pdf,.png}',
    package: 'graphicx',
    run: () => undefined,
  },
];

/** graphicx: pictures, and text scaled and turned. */
export const graphicx: PackageEntry = {
  name: 'graphicx',
  description: 'Pictures; text scaled, turned and mirrored.',
  options: null,
  commands,
  requires: ['keyval'],
  source: String.raw`\newdimen\Gin@a\newdimen\Gin@b
\def\Gscale@div#1#2#3{\Gin@a\dimexpr#2\relax\Gin@b\dimexpr#3\relax\ifdim\Gin@b=0pt \def#1{1}\else\edef#1{\fpeval{round(\strip@pt\Gin@a/\strip@pt\Gin@b,5)}}\fi}
\def\Gin@extensions{.pdf,.png,.jpg,.eps}\def\Gin@drafttrue{}\def\Gin@draftfalse{}
`,
  setup: (it, options) => {
    if (options.includes('draft')) it.write(CELLS.draft, true, true);
  },
};
export const graphics: PackageEntry = {
  ...graphicx,
  name: 'graphics',
  // Its sizes have no names: those are what the x stands for.
  commands: (graphicx.commands ?? []).map((entry) =>
    entry.name === 'includegraphics'
      ? { ...entry, package: 'graphics', example: '\\includegraphics{gauge}' }
      : entry,
  ),
};
