import type { BlockNode } from '../../document/blocks';
import { cell } from '../../expansion/cells';
import type { EnvironmentEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { CAPTION_HELD } from './floats';

/** How a kind of float looks (float.sty): what stands before, between and behind, and where the caption is. */
interface FloatStyle {
  readonly before: string;
  readonly between: string;
  readonly behind: string;
  readonly captionOnTop: boolean;
  /** What is made of the body, which is box 0. */
  readonly body?: string;
  /** What captions look like; empty is the class's or the package caption's. */
  readonly caption: string;
}

/** A frame round box 0, outside of what it holds by 3 pt and the rule. */
const FRAME =
  '\\moveleft3.4pt\\vbox{\\advance\\hsize6.8pt\\hrule\\hbox to\\hsize{\\vrule\\kern3pt\\vbox{\\kern3pt\\box0\\kern3pt}\\hss\\vrule}\\hrule}';

const STYLES: Readonly<Record<string, FloatStyle>> = {
  plain: {
    before: '',
    between: '\\vskip\\abovecaptionskip',
    behind: '',
    captionOnTop: false,
    caption: '',
  },
  plaintop: {
    before: '',
    between: '\\vskip\\belowcaptionskip',
    behind: '',
    captionOnTop: true,
    caption: '',
  },
  boxed: {
    before: '',
    between: '\\kern2pt\\relax',
    behind: '',
    captionOnTop: false,
    body: FRAME,
    caption:
      '\\setbox0\\hbox{\\textbf{#1:} #2}\\ifdim\\wd0>\\hsize\\noindent\\textbf{#1:} #2\\par\\else\\hbox to\\hsize{\\hfil\\box0\\hfil}\\fi',
  },
  ruled: {
    before: '\\hrule height.8pt depth0pt \\kern2pt\\relax',
    between: '\\kern2pt\\hrule\\kern2pt\\relax',
    behind: '\\kern2pt\\hrule\\relax',
    captionOnTop: true,
    caption: '\\noindent\\textbf{#1} #2\\par',
  },
};

/** The style that kinds declared next have; `plain` unless told otherwise. */
export const FLOAT_STYLE = cell('floatstyle', 'plain');

export const isFloatStyle = (name: string): boolean => name in STYLES;

/** A float in a style: its caption goes where the style has it, wherever it is written. */
export function styledFloat(entry: EnvironmentEntry, name: string): EnvironmentEntry {
  const style = STYLES[name];
  if (!style) return entry;
  return {
    ...entry,
    begin: (it, args, token) => {
      entry.begin?.(it, args, token);
      it.innermost.data.set(CAPTION_HELD, []);
      if (style.caption !== '') it.execute(it.source(`\\def\\@makecaption#1#2{${style.caption}}`));
    },
    end: (it) => {
      it.endParagraph();
      arrange(it, style, it.innermost.data.get(CAPTION_HELD) ?? []);
      entry.end?.(it);
    },
  };
}

/** Puts the body of the float that is open and its caption together. */
function arrange(it: Interpreter, style: FloatStyle, held: readonly BlockNode[]): void {
  const body = it.mode.vlist.splice(0);
  // The room of the class's captions is that of the style here.
  const caption = style.caption === '' ? held.filter(({ kind }) => kind !== 'vspace') : held;
  const run = (source: string): void => it.execute(it.source(source));
  const add = (blocks: readonly BlockNode[]): void => void it.mode.vlist.push(...blocks);
  run(style.before);
  if (style.captionOnTop && caption.length > 0) {
    add(caption);
    run(style.between);
  }
  if (style.body === undefined) add(body);
  else {
    const box = {
      kind: 'parbox' as const,
      blocks: body,
      width: it.dimen('hsize'),
      valign: 'bottom' as const,
    };
    it.state.set(it.state.register('box', 0), { inlines: [{ ...box, ...it.p.place }], size: {} });
    run(style.body);
  }
  if (!style.captionOnTop && caption.length > 0) {
    run(style.between);
    add(caption);
  }
  run(style.behind);
}
