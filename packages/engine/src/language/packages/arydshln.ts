import { readOptional } from '../../expansion/arguments';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { dashesIn } from '../constructs/dashes';
import { dashedRule } from '../constructs/mathArrays';
import { columnSpan, partialRule, ruleOf, tableCommand } from '../constructs/tables';

const across = (name: string, description: string): CommandEntry => ({
  ...tableCommand(
    {
      name,
      signature: 'o',
      description,
      example: `\\begin{tabular}{c}a\\\\\\${name} b\\end{tabular}`,
    },
    (it, table, args) =>
      table.rules.push(
        ruleOf(it, it.dimen('arrayrulewidth'), { dashes: dashesIn(it, tokensOf(args, 0)) }),
      ),
  ),
  ...(dashedRule.math ? { math: dashedRule.math } : {}),
});

const overColumns: CommandEntry = {
  ...tableCommand(
    {
      name: 'cdashline',
      signature: 'mo',
      description: 'A dashed rule under some columns.',
      example: '\\begin{tabular}{cc}a & b\\\\\\cdashline{1-1}c & d\\end{tabular}',
    },
    (it, table, args) => {
      const span = columnSpan(it, tokensOf(args, 0));
      const dashes = dashesIn(it, tokensOf(args, 1));
      table.rules.push(ruleOf(it, it.dimen('arrayrulewidth'), { span, level: true, dashes }));
    },
  ),
  math: (reader, token) => {
    partialRule(reader, token);
    readOptional(reader.p, false);
    return null;
  },
};

/** arydshln: dashed rules in tables and arrays. */
export const arydshln: PackageEntry = {
  name: 'arydshln',
  description:
    'Dashed rules in tables and arrays: a colon between columns, \\hdashline between rows.',
  options: null,
  commands: [
    across('hdashline', 'A dashed rule between rows.'),
    across('firsthdashline', 'A dashed rule above the first row.'),
    across('lasthdashline', 'A dashed rule below the last row.'),
    overColumns,
  ],
  source: '\\newdimen\\dashlinedash\\dashlinedash4pt\\newdimen\\dashlinegap\\dashlinegap4pt\\relax',
};
