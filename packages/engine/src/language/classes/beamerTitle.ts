import { PT } from '../../base/lengths';
import { centred, space, titlePart } from '../constructs/title';
import { framedBlocks } from '../constructs/framedBlocks';
import { enterColumn, leaveColumn } from '../machine/columns';
import type { Interpreter } from '../machine/interpreter';
import { colourOfPart, ownColour } from './beamerColours';
import { partFont, templateOf } from './beamerTemplates';
import { LOOK } from './beamerThemes';

/** Parts of the title page: their type, the room above, and what stands around their words. */
const PARTS: readonly (readonly [name: string, size: string, above: number])[] = [
  ['author', 'normalsize', 18],
  ['institute', 'small', 6],
  ['date', 'normalsize', 12],
];

const ROOM = 8 * PT;

/** A line of the title page, in the colour and type of its part. */
function part(it: Interpreter, name: string, size: string, words: number | null): void {
  const tokens = titlePart(it, name) ?? (name === 'date' ? [it.p.command('today')] : []);
  if (tokens.length === 0) return;
  it.mode.vlist.push(
    ...centred(it, size, () => {
      if (words !== null) it.changeFont({ color: words });
      it.execute([...it.read(partFont(name)), ...tokens]);
    }),
  );
}

/** Title and subtitle, on the ground of titles where the look has blocks with grounds. */
function heading(it: Interpreter): void {
  const { filled, bar, round } = it.read(LOOK);
  const ground = ownColour(it, 'title', 'bg') ?? (filled ? (bar?.ground ?? null) : null);
  const words =
    ownColour(it, 'title', 'fg') ??
    (ground !== null ? bar?.words : undefined) ??
    colourOfPart(it, 'title', 'fg');
  const set = (): void => {
    part(it, 'title', 'Large', words);
    if ((titlePart(it, 'subtitle') ?? []).length > 0) it.mode.vlist.push(space(4));
    part(it, 'subtitle', 'normalsize', ownColour(it, 'subtitle', 'fg') ?? words);
  };
  if (ground === null) return set();
  const width = it.dimen('linewidth');
  // `\\frame{\\titlepage}` has no environment around it.
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const outer = enterColumn(it, width - 2 * ROOM);
  it.mode.atTop = true;
  set();
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  const shape = {
    rules: [0, 0, 0, 0] as const,
    room: [ROOM, ROOM, ROOM, ROOM] as const,
    arc: round ? 4 * PT : 0,
    frame: ground,
    ground,
    titleGround: null,
  };
  it.mode.vlist.push(
    framedBlocks(it, shape, { blocks, left: it.dimen('totalleftmargin'), width, title: null }),
  );
}

/** `\titlepage`: by the template of the document, or our own. */
export function titleFrame(it: Interpreter): void {
  const own = templateOf(it, 'title page');
  if (own) return it.execute(own);
  it.endParagraph();
  heading(it);
  for (const [name, size, above] of PARTS) {
    if (titlePart(it, name) === null && name !== 'date') continue;
    it.mode.vlist.push(space(above));
    part(it, name, size, ownColour(it, name, 'fg'));
  }
  it.execute(
    it.source(
      '\\ifx\\inserttitlegraphic\\@empty\\else{\\centering\\vskip12pt\\inserttitlegraphic\\par}\\fi ',
    ),
  );
}
