import type { EditorView } from '@codemirror/view';
import { argumentsAt, callsOf, partsNamed, shapeOf, type Shape } from '@odd-compass/engine/shape';
import { loading } from '../source/loading';

/** A part of the text: where it stands. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** A picture in the text: its command, what stands in brackets, the name of its file. */
export interface PlacedPicture extends Span {
  /** What stands between the brackets; empty at the place where they would stand when there are none. */
  readonly options: Span;
  readonly bracketed: boolean;
  readonly name: Span & { readonly text: string };
}

/** The pictures of a text; `base` is where it stands in the whole. */
export function picturesIn(text: string, base = 0): PlacedPicture[] {
  return callsOf(shapeOf(text), ['includegraphics'], 'som').flatMap((call): PlacedPicture[] => {
    const [, options, name] = call.args;
    if (!name) return [];
    const at = (span: Span): Span => ({ from: base + span.from, to: base + span.to });
    return [
      {
        ...at(call),
        bracketed: options !== null,
        options: at(options ?? { from: call.behind, to: call.behind }),
        name: { ...at(name), text: name.text },
      },
    ];
  });
}

/** Options that say how large a picture is; the others stay. */
const SIZE = /^\s*(width|height|scale|totalheight|keepaspectratio)\b/;
const WIDTH = /(?:^|,)\s*width\s*=\s*([\d.]*)\s*\\(?:textwidth|linewidth|columnwidth|hsize)/;

/** The width as a share of the text's, when it is given so; null else. */
export function shareOf(options: string): number | null {
  const found = WIDTH.exec(options);
  return found ? Number(found[1] === '' ? 1 : found[1]) : null;
}

/** The options with the width as a share of the text's, in hundredths. */
export function withShare(options: string, share: number): string {
  const rounded = Math.max(0.05, Math.round(share * 100) / 100);
  const others = options.split(',').filter((part) => part.trim() !== '' && !SIZE.test(part));
  return [`width=${rounded === 1 ? '' : rounded}\\textwidth`, ...others].join(',');
}

/** Big points to centimetres. */
const CM = 2.54 / 72;

/** The options of a picture that was drawn larger or smaller: as a share of the text when it had one, else in centimetres. */
export function withDrawnWidth(options: string, before: number, after: number): string {
  const share = shareOf(options);
  if (share !== null) return withShare(options, Math.min(1, (share * after) / before));
  const others = options.split(',').filter((part) => part.trim() !== '' && !SIZE.test(part));
  return [`width=${(after * CM).toFixed(1)}cm`, ...others].join(',');
}

/** The change that gives a picture on the page another width, in big points; null when its command is not in the block. */
export function drawnWidthChange(
  source: string,
  base: number,
  file: string,
  before: number,
  after: number,
) {
  const stem = file.replace(/\.[a-z]+$/, '');
  const picture = picturesIn(source, base).find(
    ({ name }) => name.text === file || name.text === stem,
  );
  if (!picture) return null;
  const { options, bracketed } = picture;
  const text = source.slice(options.from - base, options.to - base);
  const written = withDrawnWidth(text, before, after);
  return { ...options, insert: bracketed ? written : `[${written}]` };
}

/** The change that gives a picture a width. */
export function widthChange(text: string, picture: PlacedPicture, share: number) {
  const { options, bracketed } = picture;
  const written = withShare(text, share);
  return { ...options, insert: bracketed ? written : `[${written}]` };
}

/** How wide a picture that was just dropped becomes, as a share of the text. */
const FIRST_SHARE = 0.6;

/** What stands for a new picture: a figure with caption and label. */
export const figureSource = (name: string): string =>
  `\\begin{figure}[htbp]
  \\centering
  \\includegraphics[width=${FIRST_SHARE}\\textwidth]{${name}}
  \\caption{}
  \\label{fig:${name.replace(/\.[a-z]+$/, '')}}
\\end{figure}`;

/**
 * Writes a picture where it was dropped: into the picture command on that line, or as a
 * figure behind its paragraph, with the caret in its caption.
 */
export function insertFigure(view: EditorView, name: string, at: number): void {
  const { state } = view;
  const line = state.doc.lineAt(at);
  const [there] = picturesIn(line.text, line.from);
  if (there) {
    view.dispatch(
      state.update(
        { changes: { ...there.name, insert: name }, userEvent: 'input.drop' },
        { changes: loading(state, 'graphicx') },
      ),
    );
    return view.focus();
  }
  const place = placeBehind(state.doc.toString(), at);
  const insert = `\n${figureSource(name)}\n`;
  view.dispatch(
    state.update(
      {
        changes: { from: place, insert },
        selection: { anchor: place + insert.indexOf('\\caption{') + '\\caption{'.length },
        userEvent: 'input.drop',
        scrollIntoView: true,
      },
      { changes: loading(state, 'graphicx') },
    ),
  );
  view.focus();
}

/** The end of the paragraph at a place, within the document. */
export function placeBehind(text: string, at: number): number {
  const begin = text.indexOf('\\begin{document}');
  const first = begin < 0 ? 0 : begin + '\\begin{document}'.length;
  const last = text.indexOf('\\end{document}', first);
  const from = Math.max(first, at);
  const blank = /\n[ \t]*\n/.exec(text.slice(from));
  const end = blank ? from + blank.index + 1 : text.length;
  const limit = last < 0 ? text.length : last;
  return Math.min(end, limit);
}

/** The parts of a figure or of a floating table: what can be changed about it. */
export interface FloatParts {
  readonly name: string;
  readonly placement: (Span & { readonly text: string }) | null;
  /** Where the placement would stand. */
  readonly placementAt: number;
  readonly centred: Span | null;
  readonly caption: (Span & { readonly text: string }) | null;
  readonly label: (Span & { readonly text: string }) | null;
  readonly pictures: readonly PlacedPicture[];
}

/** What stands in the braces behind the first of a command; null when there is none. */
function argumentOf(shape: Shape, command: string): (Span & { readonly text: string }) | null {
  const argument = callsOf(shape, [command], 'som').find(({ args }) => args[2])?.args[2];
  return argument ? { from: argument.from, to: argument.to, text: argument.text } : null;
}

/** Reads a float from its `\begin` to its `\end`; `base` is where it stands. */
export function readFloat(text: string, base: number): FloatParts {
  const shift = <T extends Span>(span: T | null): T | null =>
    span && { ...span, from: span.from + base, to: span.to + base };
  const shape = shapeOf(text);
  const [begin] = partsNamed(shape, 'begin');
  const placementAt = begin?.to ?? 0;
  const [given = null] = text[placementAt] === '[' ? argumentsAt(shape, placementAt, 'o') : [];
  const [centred = null] = partsNamed(shape, 'command', 'centering');
  // With a line of its own, the line; with its blanks else.
  const line = centred && /(?<=\n)[ \t]*$/.exec(text.slice(0, centred.from))?.[0];
  const behind = /^[ \t]*\n?/.exec(text.slice(centred?.to))?.[0] ?? '';
  const before = behind.endsWith('\n') ? (line?.length ?? 0) : 0;
  return {
    name: begin?.name ?? '',
    placement: given && shift({ from: given.from, to: given.to, text: given.text }),
    placementAt: base + placementAt,
    centred: centred && shift({ from: centred.from - before, to: centred.to + behind.length }),
    caption: shift(argumentOf(shape, 'caption')),
    label: shift(argumentOf(shape, 'label')),
    pictures: picturesIn(text, base),
  };
}
