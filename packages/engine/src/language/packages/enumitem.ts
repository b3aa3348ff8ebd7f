import { detach } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import {
  beginDescription,
  beginEnumerate,
  beginItemize,
  restartList,
} from '../constructs/listKinds';
import { LABEL_ALIGNS, LIST_DEFAULTS, LIST_KEYS } from '../constructs/listOptions';
import {
  INLINE_LOADED,
  inlineList,
  inlineListCommands,
  inlineLists,
} from '../constructs/inlineLists';
import { endList } from '../constructs/lists';
import { environmentCell } from '../machine/cells';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import { idleEntry, quietEntry } from '../machine/macroEntry';
import { SHORT_LABELS } from '../constructs/listSlips';

/** `\\newlist{steps}{enumerate}{2}`: a list of your own, made like one that is there. */
function newList(command: string): CommandEntry {
  return {
    name: command,
    signature: 'mmm',
    description: 'A list of your own, made like itemize, enumerate or description.',
    example: `\\${command}{steps}{enumerate}{2}`,
    package: 'enumitem',
    run: (it, args) => {
      const name = tokensText(tokensOf(args, 0)).trim();
      const like = tokensText(tokensOf(args, 1)).trim().replace('*', '');
      const begin = BEGINS[like] ?? beginItemize;
      if (tokensText(tokensOf(args, 1)).includes('*')) {
        it.write(environmentCell(name), inlineList(like, name), true);
        return;
      }
      const entry: EnvironmentEntry = {
        name,
        signature: 'o',
        description: `A list made like ${like}.`,
        example: '',
        detail: { name, like },
        begin: (inner, own) => begin(inner, own, name),
        end: endList,
      };
      it.write(environmentCell(name), entry, true);
    },
  };
}

const BEGINS: Readonly<Record<string, typeof beginItemize | undefined>> = {
  itemize: beginItemize,
  enumerate: beginEnumerate,
  description: beginDescription,
};

/** enumitem: labels and measures of lists as options. The lists themselves read them. */
export const enumitem: PackageEntry = {
  name: 'enumitem',
  description: 'Labels and spaces of lists, in brackets behind their begin.',
  options: ['shortlabels', 'inline', 'loadonly', 'ignoredisplayed', 'includedisplayed', 'series'],
  setup: (it, options) => {
    if (options.includes('shortlabels')) it.write(SHORT_LABELS, true, true);
    if (options.some((option) => option === 'inline' || option === 'inline=true'))
      it.write(INLINE_LOADED, true, true);
  },
  environments: [...inlineLists],
  commands: [
    ...inlineListCommands,
    {
      name: 'setlist',
      signature: 'som',
      description: 'Options for all lists, or for those named in brackets.',
      example: '\\setlist{noitemsep}',
      package: 'enumitem',
      run: (it, args) => {
        const given = Array.isArray(args[1]) ? tokensText(tokensOf(args, 1)).split(',') : [];
        const words = given.map((word) => word.trim()).filter((word) => word !== '');
        const levels = words.filter((word) => /^\d+$/.test(word));
        const names = words.filter((word) => !/^\d+$/.test(word));
        const before = it.read(LIST_DEFAULTS);
        const added = Object.fromEntries(
          (names.length > 0 ? names : [''])
            .flatMap((name) => (levels.length > 0 ? levels.map((n) => `${name}:${n}`) : [name]))
            .map((key) => [key, [...(before[key] ?? []), tokensOf(args, 2)]]),
        );
        it.write(LIST_DEFAULTS, { ...before, ...added });
      },
    },
    newList('newlist'),
    newList('renewlist'),
    {
      name: 'SetEnumitemKey',
      signature: 'mm',
      description: 'A key that stands for others.',
      example:
        '\\SetEnumitemKey{near}{noitemsep,topsep=1pt}\\begin{itemize}[near]\\item ebb\\end{itemize}',
      package: 'enumitem',
      run: (it, args) => {
        const name = tokensText(tokensOf(args, 0)).trim();
        it.write(LIST_KEYS, { ...it.read(LIST_KEYS), [name]: tokensOf(args, 1) }, true);
      },
    },
    idleEntry('SetEnumitemValue', 'mmm', 'A value that stands for another.'),
    idleEntry('AddEnumerateCounter', 'smmm', 'How a counter is printed in labels.'),
    quietEntry('setlistdepth', 'm', 'How deep lists may be nested.'),
    {
      name: 'SetLabelAlign',
      signature: 'mm',
      description: 'A way to align labels, by a name for the key align.',
      example:
        '\\SetLabelAlign{outside}{\\llap{#1}}\\begin{description}[align=outside]\\item[ebb] low\\end{description}',
      package: 'enumitem',
      run: (it, args) => {
        const name = tokensText(tokensOf(args, 0)).trim();
        it.write(LABEL_ALIGNS, { ...it.read(LABEL_ALIGNS), [name]: detach(tokensOf(args, 1)) });
      },
    },
    {
      name: 'restartlist',
      signature: 'm',
      description: 'The next list of that kind begins to count anew.',
      example: '\\restartlist{enumerate}',
      package: 'enumitem',
      run: (it, args) => restartList(it, tokensText(tokensOf(args, 0)).trim()),
    },
  ],
};

/** enumerate: a model of the first number in brackets. */
export const enumerate: PackageEntry = {
  name: 'enumerate',
  description: 'The look of a list’s numbers, by a model in brackets: [(a)].',
  options: [],
};
