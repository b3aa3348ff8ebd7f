import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { box } from './boxes';

/** The rows of an alignment of one column, without the ends of rows. */
function rowsOf(tokens: readonly Token[]): Token[][] {
  const rows: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const ends = token.cat === Cat.Command && ['cr', 'crcr', '\\'].includes(token.text);
    if (depth === 0 && ends) rows.push([]);
    else rows.at(-1)?.push(token);
  }
  return rows.filter((row) => row.some(({ cat }) => cat !== Cat.Space));
}

/** `\ooalign`: rows of one column printed over one another, as wide as the widest (plain TeX). */
function overlaid(it: Interpreter, tokens: readonly Token[]): Inline[] {
  const rows = rowsOf(tokens).map((row) => it.inlinesOf(row));
  const width = Math.max(0, ...rows.map((row) => it.host.measure(row).width));
  return rows.flatMap((row, i): Inline[] => [
    ...(i === 0 ? [] : [{ kind: 'kern' as const, width: -width, ...it.p.place }]),
    box(it, row, { width, align: 'fill' }),
  ]);
}

export const overlaidRows: readonly CommandEntry[] = [
  {
    name: 'ooalign',
    signature: 'm',
    description: 'Signs printed over one another: rows parted by \\cr, placed by \\hfil.',
    example: '\\ooalign{$\\supset$\\cr\\hfil$\\cdot$\\hfil\\cr}',
    run: (it, args) => {
      it.startParagraph();
      for (const inline of overlaid(it, tokensOf(args, 0))) it.add(inline);
    },
    math: (reader, token) => {
      const args = reader.it.readArguments('m', token);
      const inlines = args ? overlaid(reader.it, tokensOf(args, 0)) : [];
      return { kind: 'text', inlines, ...reader.span(token) };
    },
  },
];
