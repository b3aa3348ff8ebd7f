import type { EnvironmentEntry } from '../machine/entries';
import { tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { cell } from '../../expansion/cells';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { PT, type Sp } from '../../base/lengths';
import { beginColumn, endColumn } from '../machine/columns';
import { box } from '../constructs/boxes';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { framedBlocks } from '../constructs/framedBlocks';
import { colourOfPart } from './beamerColours';
import { partFont } from './beamerTemplates';

/** What `beamercolorbox` is told of (beamer user guide, section 12.7). */
interface ColourBox {
  readonly width: Sp;
  readonly height: Sp | null;
  readonly depth: Sp | null;
  readonly sep: Sp;
  readonly left: Sp;
  readonly right: Sp;
  readonly round: boolean;
  readonly ground: number | null;
  /** It stands in a line, not between paragraphs. */
  readonly inLine: boolean;
}
const OPEN = cell<ColourBox | null>('slidecolourbox', null);

function read(it: Interpreter, options: readonly Token[], part: string): ColourBox {
  const keys = keyValues(options);
  const length = (key: string): Sp | null => {
    const given = keys.get(key);
    return given && given.length > 0 ? dimenOf(it, given) : null;
  };
  const isOn = (key: string): boolean =>
    keys.has(key) && textOf(it.p, keys.get(key) ?? []).trim() !== 'false';
  return {
    width: length('wd') ?? it.dimen('linewidth'),
    height: length('ht'),
    depth: length('dp'),
    sep: length('sep') ?? 0,
    left: length('leftskip') ?? 0,
    right: length('rightskip') ?? 0,
    round: isOn('rounded'),
    ground: isOn('ignorebg') ? null : colourOfPart(it, part, 'bg'),
    inLine: it.mode.hlist !== null,
  };
}

/** A box on the ground of a part, in the colour and type of its words. */
export const beamercolorbox: EnvironmentEntry = {
  name: 'beamercolorbox',
  signature: 'om',
  description: 'Text on the ground of a part of slides.',
  example:
    '\\begin{frame}\\begin{beamercolorbox}[sep=4pt,center]{palette primary}High water\\end{beamercolorbox}\\end{frame}',
  begin: (it, args) => {
    const part = textOf(it.p, tokensOf(args, 1)).trim();
    const options = tokensOf(args, 0);
    const open = read(it, options, part);
    it.innermost.data.set(OPEN, open);
    const { width, sep, left, right } = open;
    beginColumn(it, Math.max(PT, width - 2 * sep - left - right));
    const align = ['center', 'left', 'right'].find((key) => keyValues(options).has(key));
    const sides = { center: '\\centering ', right: '\\raggedleft ', left: '\\raggedright ' };
    it.execute(it.source(sides[(align ?? 'left') as keyof typeof sides]));
    const words = colourOfPart(it, part, 'fg');
    if (words !== null) it.changeFont({ color: words });
    it.execute(it.read(partFont(part)));
  },
  end: (it) => {
    it.endParagraph();
    const { blocks } = endColumn(it);
    const open = it.innermost.data.get(OPEN);
    if (!open) return;
    const { width, sep, left, right, height, depth, ground } = open;
    const room = [sep + left, sep + right, sep, sep] as const;
    if (height === null && depth === null && !open.inLine) {
      it.mode.vlist.push(
        framedBlocks(
          it,
          {
            rules: [0, 0, 0, 0],
            room,
            arc: open.round && ground !== null ? 4 * PT : 0,
            frame: ground ?? 0xffffff,
            ground,
            titleGround: null,
          },
          { blocks, left: it.dimen('totalleftmargin'), width, title: null },
        ),
      );
      return;
    }
    const column = {
      kind: 'parbox',
      blocks,
      width: width - 2 * sep - left - right,
      valign: 'bottom',
      ...it.p.place,
    } as const;
    const margin = (size: Sp) => ({ kind: 'kern' as const, width: size, ...it.p.place });
    const inside = [margin(sep + left), column, margin(sep + right)];
    const size = it.host.measure(inside);
    const vertical = { height: height ?? size.height + sep, depth: depth ?? size.depth + sep };
    const sized = box(it, inside, { width, align: 'left', vertical });
    it.startParagraph(false);
    it.add(
      ground !== null
        ? box(it, [sized], { frame: { rule: 0, padding: 0, background: ground } })
        : sized,
    );
  },
};
