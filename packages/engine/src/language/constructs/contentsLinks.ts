import { inFont } from '../../document/inFont';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { cell, flag } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { linkColour } from './linking';

/** Which part of a line of contents is a link (hyperref manual, section 4.3: `linktoc`). */
export const LINK_CONTENTS = cell<'none' | 'section' | 'page' | 'all'>('linktoc', 'section');

/** The place that a line of contents leads to: named by what the line says. */
const placeOf = (kind: string, text: readonly Token[]): string =>
  `${kind}.${tokensText(text).replace(/\s+/g, ' ').trim()}`;

/** Marks the place of what a line of contents names, where lines are links. */
export function markContentsPlace(it: Interpreter, kind: string, text: readonly Token[]): void {
  if (!it.hasPackage('hyperref') || it.read(LINK_CONTENTS) === 'none') return;
  const name = placeOf(kind, text);
  if (it.mode.hlist) it.add({ kind: 'anchor', label: name, ...it.p.place });
  else it.mode.vlist.push({ kind: 'label', name });
}

/** A part of a line as a link, in the colour of links. */
function linked(it: Interpreter, part: readonly Inline[], target: string): Inline[] {
  if (part.length === 0) return [];
  const color = linkColour(it, 'linkcolor');
  const plain = { ...it.font, color: 0 };
  const inlines = color === null ? part : inFont(part, plain, { ...plain, color });
  return [{ kind: 'link', inlines, target: `#${target}`, ...it.p.place }];
}

/** What stands between the words of a line and its page: dots, or what fills the line. */
const isFill = (inline: Inline): boolean =>
  inline.kind === 'glue' && (inline.leader !== undefined || inline.glue.stretchOrder > 0);

/** Makes links of the lines that were set since there were `before` blocks. */
export function linkContentsLines(
  it: Interpreter,
  before: number,
  kind: string,
  text: readonly Token[],
): void {
  const what = it.read(LINK_CONTENTS);
  if (!it.hasPackage('hyperref') || what === 'none') return;
  const target = placeOf(kind, text);
  const { vlist } = it.mode;
  vlist.splice(
    before,
    Infinity,
    ...vlist.slice(before).map((block): BlockNode => {
      if (block.kind !== 'paragraph') return block;
      const { inlines } = block;
      const fill = inlines.findLastIndex(isFill);
      const words = fill < 0 ? inlines : inlines.slice(0, fill);
      const page = fill < 0 ? [] : inlines.slice(fill + 1);
      const between = fill < 0 ? [] : inlines.slice(fill, fill + 1);
      return {
        ...block,
        inlines: [
          ...(what === 'page' ? words : linked(it, words, target)),
          ...between,
          ...(what === 'section' ? page : linked(it, page, target)),
        ],
      };
    }),
  );
}

/** Marks of notes are links (`hyperfootnotes`). */
export const LINK_NOTES = flag('linknotes');
/** How many notes there are before: the place of each is named by that. */
const NOTES_BEFORE = cell('notesbefore', 0);

/** The name of the place of the next note; null where marks are no links. */
export function nextNotePlace(it: Interpreter): string | null {
  if (!it.hasPackage('hyperref') || !it.read(LINK_NOTES)) return null;
  const count = it.read(NOTES_BEFORE) + 1;
  it.write(NOTES_BEFORE, count, true);
  return `Hfootnote.${count}`;
}

/** The mark of a note as a link to it. */
export const linkedMark = (it: Interpreter, mark: Inline, place: string | null): Inline =>
  place === null ? mark : (linked(it, [mark], place)[0] ?? mark);

/** The note with its place at its beginning. */
export function placedNote(
  it: Interpreter,
  blocks: readonly BlockNode[],
  place: string | null,
): readonly BlockNode[] {
  const at = blocks.findIndex(({ kind }) => kind === 'paragraph');
  return blocks.map((block, i) =>
    place !== null && i === at && block.kind === 'paragraph'
      ? { ...block, inlines: [{ kind: 'anchor', label: place, ...it.p.place }, ...block.inlines] }
      : block,
  );
}
