import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { textOf } from '../../expansion/tokenText';
import { colourOf } from '../scanning/colours';
import { RULE_COLOUR, ROW_COLOURS, tableCommand } from '../constructs/tables';

const optional = (arg: unknown) =>
  Array.isArray(arg) ? (arg as ReturnType<typeof tokensOf>) : null;

const rowColors: CommandEntry = {
  name: 'rowcolors',
  signature: 'sommm',
  description: 'Colours of odd and even rows, from a row on.',
  example: '\\rowcolors{2}{yellow!20}{white}',
  package: 'colortbl',
  run: (it, args) => {
    const colour = (i: number): number | null => {
      const tokens = tokensOf(args, i);
      return tokens.length === 0 ? null : (colourOf(it, null, tokens) ?? null);
    };
    const start = parseInt(textOf(it.p, tokensOf(args, 2)), 10) || 1;
    it.write(ROW_COLOURS, { start, odd: colour(3), even: colour(4) });
  },
};

/** colortbl: coloured cells, rows and rules. */
export const colortbl: PackageEntry = {
  name: 'colortbl',
  description: 'Colour in tables: cells, rows, columns, rules.',
  options: null,
  requires: ['xcolor', 'array'],
  commands: [
    tableCommand(
      {
        name: 'rowcolor',
        signature: 'omoo',
        description: 'The colour of a row.',
        example: '\\begin{tabular}{l}\\rowcolor{yellow} ebb\\end{tabular}',
        package: 'colortbl',
      },
      (it, table, args) => {
        table.rowColor = colourOf(it, optional(args[0]), tokensOf(args, 1)) ?? null;
      },
    ),
    tableCommand(
      {
        name: 'cellcolor',
        signature: 'omoo',
        description: 'The colour of a cell.',
        example: '\\begin{tabular}{l}\\cellcolor{yellow} ebb\\end{tabular}',
        package: 'colortbl',
      },
      (it, table, args) => {
        table.cellColor = colourOf(it, optional(args[0]), tokensOf(args, 1)) ?? null;
      },
    ),
    {
      name: 'arrayrulecolor',
      signature: 'om',
      description: 'The colour of rules in tables.',
      example: '\\arrayrulecolor{blue}',
      package: 'colortbl',
      run: (it, args) => {
        const color = colourOf(it, optional(args[0]), tokensOf(args, 1)) ?? 0;
        it.write(RULE_COLOUR, color);
      },
    },
    rowColors,
  ],
};
