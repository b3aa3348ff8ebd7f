import type { Sp } from '../../base/lengths';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { columnSpan, ruleOf, tableCommand } from '../constructs/tables';

const em = (it: Interpreter, n: number): Sp => Math.round(n * it.em);
const ex = (it: Interpreter, n: number): Sp => Math.round(n * 0.430554 * it.font.size);

/** Weight, space above and below (booktabs manual, section 5): .08 and .05 em; .4 and .65 ex. */
const wholeRule = (
  name: string,
  weight: number,
  above: number,
  below: number,
  what: string,
): CommandEntry =>
  tableCommand(
    {
      name,
      signature: 'o',
      description: `The rule ${what} a table.`,
      example: `\\begin{tabular}{l}\\${name} ebb\\\\\\bottomrule\\end{tabular}`,
      package: 'booktabs',
    },
    (it, table, args) => {
      const size = args[0] ? dimenOf(it, tokensOf(args, 0)) : em(it, weight);
      if (above > 0) table.rules.push(ruleOf(it, ex(it, above), { kind: 'space' }));
      table.rules.push(ruleOf(it, size));
      if (below > 0) table.rules.push(ruleOf(it, ex(it, below), { kind: 'space' }));
    },
  );

/** `\cmidrule[weight](lr){a-b}`. */
const partRule = tableCommand(
  {
    name: 'cmidrule',
    signature: 'o',
    description: 'A rule under some columns, trimmed at its ends by (lr).',
    example: '\\begin{tabular}{ll}ebb & flood\\\\\\cmidrule(lr){1-2} a & b\\end{tabular}',
    package: 'booktabs',
  },
  (it, table, args) => {
    const size = args[0] ? dimenOf(it, tokensOf(args, 0)) : em(it, 0.03);
    let trim = '';
    if (it.p.takeChar('('))
      for (let t = it.p.next(); t !== null && t.text !== ')'; t = it.p.next()) trim += t.text;
    const read = it.readArguments('m', it.p.command('cmidrule'));
    const span = columnSpan(it, tokensOf(read ?? [], 0));
    const kern = em(it, 0.5);
    const cut: [Sp, Sp] = [trim.includes('l') ? kern : 0, trim.includes('r') ? kern : 0];
    const last = table.rules.at(-1);
    const follows = last?.kind === 'space' && table.rules.at(-2)?.level === true;
    if (follows) table.rules.pop();
    else table.rules.push(ruleOf(it, ex(it, 0.4), { kind: 'space' }));
    table.rules.push(ruleOf(it, size, { span, trim: cut, level: true }));
    table.rules.push(ruleOf(it, ex(it, 0.65), { kind: 'space' }));
  },
);

/** booktabs: rules of different weight with space around them. */
export const booktabs: PackageEntry = {
  name: 'booktabs',
  description: 'Tables with rules of different weight and room around them.',
  options: [],
  commands: [
    wholeRule('toprule', 0.08, 0, 0.65, 'at the top of'),
    wholeRule('midrule', 0.05, 0.4, 0.65, 'inside'),
    wholeRule('bottomrule', 0.08, 0.4, 0, 'at the bottom of'),
    partRule,
    tableCommand(
      {
        name: 'addlinespace',
        signature: 'o',
        description: 'Space between two rows.',
        example: '\\begin{tabular}{l}ebb\\\\\\addlinespace flood\\end{tabular}',
        package: 'booktabs',
      },
      (it, table, args) => {
        const size = args[0] ? dimenOf(it, tokensOf(args, 0)) : em(it, 0.5);
        table.rules.push(ruleOf(it, size, { kind: 'space' }));
      },
    ),
    tableCommand(
      {
        name: 'specialrule',
        signature: 'mmm',
        description: 'A rule with a weight and space of its own.',
        example: '\\begin{tabular}{l}\\specialrule{1pt}{2pt}{2pt} ebb\\end{tabular}',
        package: 'booktabs',
      },
      (it, table, args) => {
        table.rules.push(
          ruleOf(it, dimenOf(it, tokensOf(args, 1)), { kind: 'space' }),
          ruleOf(it, dimenOf(it, tokensOf(args, 0))),
          ruleOf(it, dimenOf(it, tokensOf(args, 2)), { kind: 'space' }),
        );
      },
    ),
    tableCommand(
      {
        name: 'morecmidrules',
        signature: '',
        description: 'The next partial rule stands below the one before.',
        example:
          '\\begin{tabular}{l}ebb\\\\\\cmidrule{1-1}\\morecmidrules\\cmidrule{1-1} x\\end{tabular}',
        package: 'booktabs',
      },
      (it, table) => {
        table.rules.push(ruleOf(it, it.dimen('doublerulesep'), { kind: 'space' }));
      },
    ),
  ],
  source:
    '\\newdimen\\heavyrulewidth\\heavyrulewidth=.08em\\newdimen\\lightrulewidth\\lightrulewidth=.05em\\newdimen\\cmidrulewidth\\cmidrulewidth=.03em\\newdimen\\aboverulesep\\aboverulesep=.4ex\\newdimen\\belowrulesep\\belowrulesep=.65ex\\newdimen\\defaultaddspace\\defaultaddspace=.5em',
};
