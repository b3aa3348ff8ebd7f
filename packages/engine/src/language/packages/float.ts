import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { newCounter } from '../machine/counters';
import { floatKind } from '../constructs/floats';
import { FLOAT_STYLE, isFloatStyle, styledFloat } from '../constructs/floatStyles';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { environmentCell } from '../machine/cells';

/** The environments of a kind of float, in the style in force. */
function declare(it: Interpreter, kind: string): void {
  const style = it.read(FLOAT_STYLE);
  for (const entry of floatKind(kind, 'A float'))
    it.write(environmentCell(entry.name), styledFloat(entry, style), true);
}

/** float: figures that stay (H), and kinds of your own. */
export const float: PackageEntry = {
  name: 'float',
  description: 'Figures and tables that stay where they are (H), and kinds of your own.',
  options: null,
  commands: [
    {
      name: 'newfloat',
      signature: 'mmmo',
      description:
        'A kind of float of your own: its environment, where it goes, the ending of its list.',
      example: '\\newfloat{chart}{htbp}{loc}',
      package: 'float',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0));
        newCounter(it, name, args[3] ? textOf(it.p, tokensOf(args, 3)) : null);
        it.define(`${name}name`, name.charAt(0).toUpperCase() + name.slice(1));
        it.define(`l@${name}`, '\\@dottedtocline{1}{1.5em}{2.3em}');
        it.define(`ext@${name}`, textOf(it.p, tokensOf(args, 2)));
        it.define(`fps@${name}`, textOf(it.p, tokensOf(args, 1)));
        declare(it, name);
      },
    },
    {
      name: 'floatname',
      signature: 'mM',
      description: 'What a kind of float is called in captions.',
      example: '\\floatname{figure}{Chart}',
      package: 'float',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0));
        // The word that a language has for it already is its name.
        if (tokensOf(args, 1).some(({ cell, text }) => cell && text === `${name}name`)) return;
        it.p.push([
          it.p.command('def'),
          it.p.command(`${name}name`),
          it.p.make(1, '{'),
          ...tokensOf(args, 1),
          it.p.make(2, '}'),
        ]);
      },
    },
    macroEntry(
      'listof',
      'mM',
      'The list of floats of a kind.',
      '\\listof{figure}{Charts}',
      '\\@listheading{#2}\\@starttoc{\\ifcsname ext@#1\\endcsname\\csname ext@#1\\endcsname\\else lo#1\\fi}',
    ),
    {
      name: 'floatstyle',
      signature: 'm',
      description: 'How floats of the kinds declared next look: plain, plaintop, boxed, ruled.',
      example: '\\floatstyle{ruled}',
      package: 'float',
      run: (it, args, token) => {
        const name = textOf(it.p, tokensOf(args, 0)).trim();
        if (isFloatStyle(name)) it.write(FLOAT_STYLE, name, true);
        else it.p.report('option-unknown', it.spanOf(token), { name });
      },
    },
    {
      name: 'restylefloat',
      signature: 'sm',
      description: 'A kind takes on the style in force.',
      example: '\\restylefloat{table}',
      package: 'float',
      run: (it, args) => declare(it, textOf(it.p, tokensOf(args, 1)).trim()),
    },
    macroEntry(
      'floatplacement',
      'mm',
      'Where a kind of float goes unless told otherwise.',
      '\\floatplacement{figure}{tb}',
      '\\@namedef{fps@#1}{#2}',
    ),
  ],
};
