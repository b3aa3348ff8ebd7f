import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { newCounter } from '../machine/counters';
import { floatKind } from '../constructs/floats';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { environmentCell } from '../machine/cells';

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
        for (const entry of floatKind(name, 'A float'))
          it.write(environmentCell(entry.name), entry, true);
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
      '\\@listheading{#2}\\@starttoc{lo#1}',
    ),
    quietEntry('floatstyle', 'm', 'How floats of the kinds declared next look.'),
    quietEntry('restylefloat', 'sm', 'A kind takes on the style in force.'),
    quietEntry('floatplacement', 'mm', 'Where a kind of float goes unless told otherwise.'),
  ],
};
