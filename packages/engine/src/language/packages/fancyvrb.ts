import {
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { finishRaw, rawLines, rawOptions, typewriterInlines, verb } from '../constructs/verbatim';
import { shortVerbs } from '../constructs/shortVerb';
import { findFile, reportMissing } from '../constructs/files';
import { endList } from '../constructs/lists';
import { type Look, PLAIN_LOOK, setListing } from '../constructs/listing';
import { optionWords } from '../scanning/optionWords';
import { macroEntry } from '../machine/macroEntry';
import { cell } from '../../expansion/cells';
import { environmentCell } from '../machine/cells';
import { EnvironmentData } from '../machine/environmentData';
import { ENDING } from '../machine/ownEnd';

/** `\Verb[fontsize=\small]|…|`: `\verb` with keys, which change nothing within a line. */
const verbCommand: CommandEntry = {
  name: 'Verb',
  signature: '',
  package: 'fancyvrb',
  description: 'Text exactly as it is typed, between two equal characters.',
  example: '\\Verb|50 % ebb|',
  run: (it, _args, token) => {
    rawOptions(it);
    verb(it, token);
  },
};

type Words = Readonly<Record<string, string>>;
const SETTINGS = cell<Words>('fancyvrb', {});

function lookOf(words: Words): Look {
  const size = words.fontsize ?? '';
  const frame = words.frame ?? 'none';
  return {
    ...PLAIN_LOOK,
    numbers: words.numbers === 'left' || words.numbers === 'right' ? words.numbers : 'none',
    firstNumber: parseInt(words.firstnumber ?? '1', 10) || 1,
    step: parseInt(words.stepnumber ?? '1', 10) || 1,
    frame:
      frame === 'single'
        ? 'box'
        : frame === 'lines' || frame === 'topline' || frame === 'bottomline'
          ? 'lines'
          : 'none',
    style: size + (words.formatcom ?? ''),
  };
}

function setCode(it: Interpreter, all: readonly string[], words: Words): void {
  const gobble = parseInt(words.gobble ?? '0', 10) || 0;
  const [from, to] = [
    parseInt(words.firstline ?? '1', 10) || 1,
    parseInt(words.lastline ?? '0', 10) || all.length,
  ];
  const lines = all.slice(from - 1, to).map((line) => line.slice(gobble));
  setListing(it, lines, lookOf(words), (inner, line) =>
    typewriterInlines(inner, line, words.showspaces === 'true'),
  );
}

const environment = (name: string, preset: Words, detail: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'Text as it is typed, framed and numbered as you say.',
  example: `\\begin{${name}}\nfor each ferry: leave\n\\end{${name}}`,
  package: 'fancyvrb',
  detail,
  begin: (it) => {
    const options = rawOptions(it);
    const words = { ...it.read(SETTINGS), ...preset, ...(options ? optionWords(options) : {}) };
    setCode(it, rawLines(it, name), words);
    finishRaw(it);
  },
  end: endList,
});

/** `\DefineVerbatimEnvironment{name}{Verbatim}{options}`. */
const define: CommandEntry = {
  name: 'DefineVerbatimEnvironment',
  signature: 'mmm',
  description: 'A verbatim environment of your own.',
  example: '\\DefineVerbatimEnvironment{code}{Verbatim}{frame=single}',
  package: 'fancyvrb',
  run: (it, args) => {
    const name = textOf(it.p, tokensOf(args, 0));
    const words = optionWords(tokensOf(args, 2));
    it.write(environmentCell(name), environment(name, words, JSON.stringify(words)), true);
  },
};

/** fancyvrb: verbatim text with frames and numbers. */
export const fancyvrb: PackageEntry = {
  name: 'fancyvrb',
  description: 'Text as it is typed, with frames and line numbers.',
  options: null,
  environments: [
    environment('Verbatim', {}, ''),
    environment('BVerbatim', {}, ''),
    environment('LVerbatim', {}, ''),
  ],
  commands: [
    ...shortVerbs('DefineShortVerb', 'UndefineShortVerb'),
    verbCommand,
    define,
    {
      name: 'fvset',
      signature: 'm',
      description: 'How verbatim text looks from here on.',
      example: '\\fvset{fontsize=\\small}',
      package: 'fancyvrb',
      run: (it, args: readonly (readonly Token[] | null | boolean)[]) =>
        it.write(SETTINGS, { ...it.read(SETTINGS), ...optionWords(tokensOf(args, 0)) }),
    },
    {
      name: 'VerbatimInput',
      signature: 'om',
      description: 'A file as it is, framed and numbered as you say.',
      example: '\\VerbatimInput{gauge.txt}',
      package: 'fancyvrb',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 1));
        const file = findFile(it, name, ['']);
        if (!file) return reportMissing(it, name, it.p.place);
        const words = { ...it.read(SETTINGS), ...(args[0] ? optionWords(tokensOf(args, 0)) : {}) };
        insideEnvironment(it, () => setCode(it, file.text.replace(/\n$/, '').split('\n'), words));
      },
    },
    macroEntry(
      'VerbatimFootnotes',
      '',
      'Verbatim text may stand in footnotes.',
      '\\VerbatimFootnotes',
      '',
    ),
  ],
};

/** Carries out what sets a list, in an environment of its own. */
export function insideEnvironment(it: Interpreter, act: () => void): void {
  const span = it.p.place;
  const data = new EnvironmentData();
  data.set(ENDING, true);
  it.environments.push({ name: 'verbatim', span, entry: null, groups: it.groups.length, data });
  it.openGroup({ kind: 'environment', span });
  act();
  endList(it);
  it.environments.pop();
  it.closeGroup();
  it.afterEnvironment = null;
}
