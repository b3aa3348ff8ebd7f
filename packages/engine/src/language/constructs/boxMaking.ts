import { SS } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import type { MathTextNode } from '../../document/math';
import { readArgument } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { setDimen } from '../../expansion/registers';
import { scanDimen, takeKeyword } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { MathReader } from '../machine/mathReader';
import { resetParagraph } from '../machine/parameters';
import { box } from './boxes';

/** In a formula: a box is a piece of text in it. */
export const inFormula = (
  reader: MathReader,
  token: Token,
  inline: Inline | null,
): MathTextNode | null => inline && { kind: 'text', inlines: [inline], ...reader.span(token) };

/** A box met between paragraphs stands there by itself; within one it is part of the line. */
export function addBox(it: Interpreter, inline: Inline): void {
  if (it.mode.hlist !== null) {
    it.mode.hlist.add(inline);
    return;
  }
  const spacing = {
    baselineSkip: it.skip('baselineskip'),
    lineSkip: it.skip('lineskip'),
    lineSkipLimit: it.dimen('lineskiplimit'),
  };
  it.mode.vlist.push({ kind: 'loosebox', inline, left: it.dimen('totalleftmargin'), spacing });
}

/** `\hbox`, `\vbox`, `\vtop` with what they hold, as an inline. */
export function readBox(
  it: Interpreter,
  kind: 'hbox' | 'vbox' | 'vtop' | 'vcenter',
  caller: Token,
): Inline {
  const { p } = it;
  const to = takeKeyword(p, 'to') ? scanDimen(p) : null;
  const spread = to === null && takeKeyword(p, 'spread') ? scanDimen(p) : null;
  const tokens = bodyOf(it, caller);
  if (kind === 'hbox') {
    const inlines = it.inlinesOf(tokens);
    const width = to ?? (spread === null ? null : it.host.measure(inlines).width + spread);
    return box(it, inlines, { width, align: 'fill' });
  }
  it.openGroup({ kind: 'semisimple', span: p.place });
  // A box starts with no shape of its paragraphs, a list's margin is one (TeX: The Program, §1083).
  setDimen(it.state, 'totalleftmargin', 0);
  resetParagraph(it.state);
  const blocks = it.blocksOf(tokens);
  it.closeGroup();
  const width = blocks.some(({ kind: k }) => k === 'paragraph' || k === 'display')
    ? it.dimen('hsize')
    : null;
  const valign = kind === 'vtop' ? 'top' : kind === 'vcenter' ? 'center' : 'bottom';
  return { kind: 'parbox', blocks, width, valign, height: to, inner: 'stretch', ...p.place };
}

/** The group behind a box command; it may be opened by `\bgroup`. */
export function bodyOf(it: Interpreter, caller: Token): readonly Token[] {
  const { p } = it;
  const first = p.nextNonBlank();
  if (!first) return [];
  const meaning = first.cell ? it.state.meaning(first.cell) : undefined;
  if (meaning?.kind === 'char' && meaning.cat === Cat.Begin) {
    const out: Token[] = [];
    let depth = 1;
    for (let t = p.next(); t !== null; t = p.next()) {
      const m = t.cell ? it.state.meaning(t.cell) : undefined;
      const cat = m?.kind === 'char' ? m.cat : t.cat;
      if (cat === Cat.Begin) depth++;
      else if (cat === Cat.End && --depth === 0) break;
      out.push(t);
    }
    return out;
  }
  p.unread(first);
  return readArgument(p, caller, true) ?? [];
}

const boxMaker = (
  name: 'hbox' | 'vbox' | 'vtop' | 'vcenter',
  description: string,
): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}{ferry}`,
  run: (it, _args, token) => addBox(it, readBox(it, name, token)),
  math: (reader, token) => inFormula(reader, token, readBox(reader.it, name, token)),
});

/** Commands that make a box where they stand. */
export const boxMakingCommands: readonly CommandEntry[] = [
  boxMaker('hbox', 'Text on one line; “to” and a length make it that wide.'),
  boxMaker('vbox', 'A column whose last line stands on the line.'),
  boxMaker('vtop', 'A column whose first line stands on the line.'),
  boxMaker('vcenter', 'A column centred on the line.'),
  {
    name: 'llap',
    signature: 'M',
    description: 'Text that ends here and takes no room.',
    example: '\\llap{ebb}flood',
    run: (it, args) =>
      addBox(
        it,
        box(it, [{ kind: 'glue', glue: SS, ...it.p.place }, ...it.inlinesOf(tokensOf(args, 0))], {
          width: 0,
          align: 'fill',
        }),
      ),
  },
  {
    name: 'rlap',
    signature: 'M',
    description: 'Text that starts here and takes no room.',
    example: '\\rlap{ebb}flood',
    run: (it, args) =>
      addBox(it, box(it, it.inlinesOf(tokensOf(args, 0)), { width: 0, align: 'left' })),
  },
  ...(
    [
      ['centerline', '\\hss', '\\hss', 'centred'],
      ['leftline', '', '\\hss', 'at the left margin'],
      ['rightline', '\\hss', '', 'at the right margin'],
    ] as const
  ).map(([name, before, behind, what]): CommandEntry => ({
    name,
    signature: 'M',
    description: `A line of its own, ${what}.`,
    example: `\\${name}{High water}`,
    macro: `\\hbox to\\hsize{${before}#1${behind}}`,
  })),
];
