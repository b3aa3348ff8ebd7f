import type { Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { findFile, reportMissing, writtenFile } from '../constructs/files';
import { endList } from '../constructs/lists';
import { shortVerbs } from '../constructs/shortVerb';
import { beginVerbatim, finishRaw, rawLines, rawOptions, readRaw } from '../constructs/verbatim';
import { environmentCell } from '../machine/cells';
import { enterColumn, leaveColumn } from '../machine/columns';
import { counterValue, setCounter } from '../machine/counters';
import {
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { ENDS_LINES } from '../machine/environments';
import { EnvironmentData } from '../machine/environmentData';
import { install } from '../machine/install';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { ENDING } from '../machine/ownEnd';
import {
  type Keys,
  keysWith,
  labelsOf,
  lookOf,
  numberOf,
  readKeys,
  setKeys,
  typeOf,
  word,
} from './fancyvrbKeys';
import { lineSetter, programLines, shownLines } from './fancyvrbLines';
import { dimenOf } from '../scanning/dimenOf';
import { setProgram } from './listingLayout';

/** Lines that wait under a name, with what was said of them (`SaveVerbatim`). */
const savedLines = cellsBy<{ readonly lines: readonly string[]; readonly keys: Keys } | null>(
  'fvlines',
  null,
);
/** A piece of a line that waits under a name (`\SaveVerb`). */
const savedText = cellsBy<{ readonly text: string; readonly keys: Keys } | null>('fvtext', null);

/** The lines, in their type, from the number on that the keys say. */
function pushLines(it: Interpreter, all: readonly string[], keys: Keys): void {
  it.execute(typeOf(it, keys));
  const lines = shownLines(it, keys, all);
  const first = firstNumber(it, keys);
  const set = programLines(it, keys, lines, first);
  const look = lookOf(it, keys);
  const [above, below] = labelsOf(it, keys);
  const [l, r, t, b] = look.sides;
  // Between rules at the sides the room of a label's line is within them.
  const inside = l || r;
  const [over, under] = [above.length > 0, below.length > 0];
  labelRule(it, above, 'above', inside ? 0 : look.sep);
  setProgram(it, set, {
    ...look,
    sides: [l, r, t && !over, b && !under],
    extra: [0, 0, inside && over ? look.sep : 0, inside && under ? look.sep : 0],
  });
  labelRule(it, below, 'below', inside ? 0 : look.sep);
  setCounter(it.state, 'FancyVerbLine', first + lines.length - 1);
}

function firstNumber(it: Interpreter, keys: Keys): number {
  const said = word(it, keys, 'firstnumber');
  if (said === 'last') return counterValue(it.state, 'FancyVerbLine') + 1;
  const from = numberOf(it, keys, 'firstline', 1);
  return said === '' || said === 'auto' ? from : numberOf(it, keys, 'firstnumber', 1);
}

/** A rule over the measure with words in its middle, that takes no height; and the room of a frame. */
function labelRule(
  it: Interpreter,
  label: readonly Token[],
  where: 'above' | 'below',
  sep: Sp,
): void {
  if (label.length === 0) return;
  const room = `\\kern${sep}sp\\relax `;
  it.execute([
    ...it.source(`\\par\\nobreak${where === 'below' ? room : ''}\\FV@labelled{`),
    ...label,
    ...it.source(`}${where === 'above' ? room : ''}`),
  ]);
}

/** Text of its own paragraphs, as `verbatim` stands: a list without a mark. */
function setDisplayed(it: Interpreter, lines: readonly string[], keys: Keys): void {
  beginVerbatim(it);
  pushLines(it, lines, keys);
}

const ALIGNED: Readonly<Record<string, 'top' | 'center' | 'bottom'>> = { t: 'top', c: 'center' };

/** Text as a box in its line: as wide as its longest line, or as is said. */
function setBoxed(it: Interpreter, all: readonly string[], keys: Keys): void {
  it.startParagraph();
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(typeOf(it, keys));
  const set = lineSetter(it, keys);
  const look = lookOf(it, keys);
  const natural = Math.max(
    0,
    ...shownLines(it, keys, all).map((line) => it.host.measure(set(line).flat()).width),
  );
  const said = word(it, keys, 'boxwidth');
  const width =
    (said === '' || said === 'auto' ? natural : dimenOf(it, keys.boxwidth ?? [])) +
    look.left +
    look.right;
  const outer = enterColumn(it, width);
  pushLines(it, all, keys);
  const blocks = leaveColumn(it, outer);
  it.closeGroup();
  const valign = ALIGNED[word(it, keys, 'baseline')] ?? 'bottom';
  it.add({ kind: 'parbox', blocks, width, valign, ...it.p.place });
}

type SetText = (it: Interpreter, lines: readonly string[], keys: Keys) => void;

const environment = (
  name: string,
  set: SetText,
  preset: Keys = {},
  detail = '',
): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'Text as it is typed, framed and numbered as you say.',
  example: `\\begin{${name}}\nfor each ferry: leave\n\\end{${name}}`,
  package: 'fancyvrb',
  detail,
  begin: (it) => {
    const options = rawOptions(it);
    const keys = keysWith(it, null);
    const own = options ? readKeys(it, options) : {};
    set(it, rawLines(it, name), { ...keys, ...preset, ...own });
    finishRaw(it);
  },
  ...(set === setDisplayed ? { end: endList } : {}),
});

/** An environment whose lines are kept, not set: under a name, or as a file. */
const keeping = (
  name: string,
  description: string,
  example: string,
  keep: (it: Interpreter, under: string, lines: readonly string[], keys: Keys) => void,
): EnvironmentEntry => ({
  name,
  signature: '',
  description,
  example,
  package: 'fancyvrb',
  begin: (it) => {
    const options = rawOptions(it);
    const keys = keysWith(it, options);
    const args = it.readArguments('m', it.p.command(name));
    const under = args ? textOf(it.p, tokensOf(args, 0)).trim() : '';
    const [first = '', ...rest] = rawLines(it, name);
    keep(it, under, first.trim() === '' ? rest : [first, ...rest], keys);
    finishRaw(it);
  },
});

/** `\DefineSavedVerbatim{environment}{name}`: an environment whose lines are kept under that name. */
const definesSaved: CommandEntry = {
  name: 'DefineSavedVerbatim',
  signature: 'mm',
  package: 'fancyvrb',
  description: 'An environment that keeps its lines under a name.',
  example: '\\DefineSavedVerbatim{keep}{tide}\\begin{keep}\nebb\n\\end{keep}\n\\BUseVerbatim{tide}',
  run: (it, args) => {
    const [own, under] = [0, 1].map((i) => textOf(it.p, tokensOf(args, i)).trim());
    if (!own || !under) return;
    const entry: EnvironmentEntry = {
      name: own,
      signature: '',
      description: 'Lines that are kept.',
      example: '',
      detail: under,
      begin: (inner) => {
        const formatcom = rawOptions(inner);
        const keys = keysWith(inner, null);
        const lines = rawLines(inner, own);
        const kept = { lines, keys: formatcom ? { ...keys, formatcom } : keys };
        inner.write(savedLines(under), kept, true);
        finishRaw(inner);
      },
    };
    it.write(environmentCell(own), entry, true);
  },
};

const WAYS: Readonly<Record<string, SetText>> = {
  Verbatim: setDisplayed,
  'Verbatim*': setDisplayed,
  BVerbatim: setBoxed,
  'BVerbatim*': setBoxed,
  LVerbatim: setBoxed,
  'LVerbatim*': setBoxed,
};
/** With a star blanks are seen. */
const starred = (it: Interpreter, name: string): Keys =>
  name.endsWith('*') ? { showspaces: it.p.chars('true') } : {};

/** `\DefineVerbatimEnvironment{name}{Verbatim}{options}` and its kin. */
const definesEnvironment = (name: string): CommandEntry => ({
  name,
  signature: 'mmm',
  description: 'A verbatim environment of your own.',
  example: `\\${name}{code}{Verbatim}{frame=single}`,
  package: 'fancyvrb',
  run: (it, args) => {
    const own = textOf(it.p, tokensOf(args, 0));
    const base = textOf(it.p, tokensOf(args, 1));
    const keys = { ...starred(it, base), ...readKeys(it, tokensOf(args, 2)) };
    const detail = tokensText(tokensOf(args, 2));
    it.write(
      environmentCell(own),
      environment(own, WAYS[base] ?? setDisplayed, keys, detail),
      true,
    );
  },
});

/** Text in the line between two equal characters. */
function verbText(it: Interpreter, token: Token): { readonly text: string; readonly keys: Keys } {
  const options = rawOptions(it);
  const keys = keysWith(it, options);
  const star = it.p.nextSource?.comes('*') === true;
  if (star) it.p.nextSource?.rawChar();
  const start = it.p.nextSource?.rawChar() ?? it.p.next()?.text ?? '|';
  const { text, found } = readRaw(it, start === '{' ? '}' : start, true);
  const line = text.indexOf('\n');
  if (!found || line >= 0) it.p.report('verb-unclosed', it.spanOf(token), { open: start });
  return {
    text: line >= 0 ? text.slice(0, line) : text,
    keys: { ...keys, ...(star ? starred(it, '*') : {}) },
  };
}

function addText(
  it: Interpreter,
  { text, keys }: { readonly text: string; readonly keys: Keys },
): void {
  it.startParagraph();
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(typeOf(it, keys));
  const inlines: Inline[] = lineSetter(it, keys)(text).flat();
  for (const inline of inlines) it.add(inline);
  it.closeGroup();
}

const verbCommand = (name: string, preset: Keys = {}): CommandEntry => ({
  name,
  signature: '',
  package: 'fancyvrb',
  description: 'Text exactly as it is typed, between two equal characters.',
  example: `\\${name}|50 % ebb|`,
  run: (it, _args, token) => {
    const { text, keys } = verbText(it, token);
    addText(it, { text, keys: { ...preset, ...keys } });
  },
});

/** `\CustomVerbatimCommand{\name}{Verb}{options}` and its kin. */
const definesCommand = (name: string): CommandEntry => ({
  name,
  signature: 'mmm',
  package: 'fancyvrb',
  description: 'A command of your own for text as it is typed: a piece of a line, or a file.',
  example: `\\${name}{\\tide}{Verb}{fontsize=\\small}`,
  run: (it, args) => {
    const own = tokensOf(args, 0).find(({ cell }) => cell !== null)?.text;
    const keys = readKeys(it, tokensOf(args, 2));
    const set = INPUTS[textOf(it.p, tokensOf(args, 1))];
    if (own) install(it, { commands: [set ? inputs(own, set, keys) : verbCommand(own, keys)] }, []);
  },
});

/** A command that sets a file as it is. */
const inputs = (name: string, set: SetText, preset: Keys = {}): CommandEntry => ({
  name,
  signature: 'om',
  description: 'A file as it is, framed and numbered as you say.',
  example: `\\${name}{gauge.txt}`,
  package: 'fancyvrb',
  run: (it, args) => {
    const file = textOf(it.p, tokensOf(args, 1));
    const found = findFile(it, file, ['']);
    if (!found) return reportMissing(it, file, it.p.place);
    const keys = { ...keysWith(it, null), ...preset, ...readKeys(it, tokensOf(args, 0)) };
    setApart(it, set, found.text.replace(/\n$/, '').split('\n'), keys);
  },
});
const INPUTS: Readonly<Record<string, SetText>> = {
  VerbatimInput: setDisplayed,
  BVerbatimInput: setBoxed,
  LVerbatimInput: setBoxed,
};

const setApart = (it: Interpreter, set: SetText, lines: readonly string[], keys: Keys): void =>
  set === setDisplayed ? insideEnvironment(it, () => set(it, lines, keys)) : set(it, lines, keys);

/** A command that sets lines kept under a name. */
const uses = (name: string, set: SetText): CommandEntry => ({
  name,
  signature: 'om',
  package: 'fancyvrb',
  description: 'Lines that were kept under a name.',
  example: `\\begin{SaveVerbatim}{tide}\nebb\n\\end{SaveVerbatim}\n\\${name}{tide}`,
  run: (it, args) => {
    const kept = it.read(savedLines(textOf(it.p, tokensOf(args, 1)).trim()));
    if (!kept) return;
    setApart(it, set, kept.lines, { ...kept.keys, ...readKeys(it, tokensOf(args, 0)) });
  },
});

const saveVerb: CommandEntry = {
  name: 'SaveVerb',
  signature: '',
  package: 'fancyvrb',
  description: 'Keeps a piece of a line as it is typed under a name.',
  example: '\\SaveVerb{ebb}|50 % ebb|',
  run: (it, _args, token) => {
    const options = rawOptions(it);
    const args = it.readArguments('m', token);
    const name = args ? textOf(it.p, tokensOf(args, 0)).trim() : '';
    const kept = verbText(it, token);
    const keys = { ...kept.keys, ...(options ? readKeys(it, options) : {}) };
    it.write(savedText(name), { text: kept.text, keys }, true);
  },
};

const useVerb: CommandEntry = {
  name: 'UseVerb',
  signature: 'som',
  package: 'fancyvrb',
  description: 'The piece of a line that was kept under a name.',
  example: '\\SaveVerb{ebb}|50 % ebb|\\UseVerb{ebb}',
  run: (it, args) => {
    const kept = it.read(savedText(textOf(it.p, tokensOf(args, 2)).trim()));
    if (kept)
      addText(it, { text: kept.text, keys: { ...kept.keys, ...readKeys(it, tokensOf(args, 1)) } });
  },
};

/** fancyvrb: verbatim text with frames and numbers. */
export const fancyvrb: PackageEntry = {
  name: 'fancyvrb',
  description: 'Text as it is typed, with frames and line numbers.',
  options: null,
  environments: [
    ...Object.entries(WAYS).map(([name, set]) => environment(name, set)),
    keeping(
      'SaveVerbatim',
      'Lines that are kept under a name.',
      '\\begin{SaveVerbatim}{tide}\nebb\n\\end{SaveVerbatim}\n\\UseVerbatim{tide}',
      (it, name, lines, keys) => it.write(savedLines(name), { lines, keys }, true),
    ),
    keeping(
      'VerbatimOut',
      'Lines that are kept as a file.',
      '\\begin{VerbatimOut}{tide.txt}\nebb\n\\end{VerbatimOut}\n\\VerbatimInput{tide.txt}',
      (it, name, lines) => it.write(writtenFile(name), `${lines.join('\n')}\n`, true),
    ),
  ],
  commands: [
    {
      name: 'VerbatimEnvironment',
      signature: '',
      package: 'fancyvrb',
      description: 'In an environment of your own: its lines end where it ends.',
      example:
        '\\newenvironment{tides}{\\VerbatimEnvironment\\begin{Verbatim}}{\\end{Verbatim}}\n\\begin{tides}\nebb\n\\end{tides}',
      run: (it) => it.environments.at(-1)?.data.set(ENDS_LINES, true),
    },
    ...shortVerbs('DefineShortVerb', 'UndefineShortVerb'),
    verbCommand('Verb'),
    saveVerb,
    useVerb,
    ...Object.entries(INPUTS).map(([name, set]) => inputs(name, set)),
    uses('UseVerbatim', setDisplayed),
    uses('BUseVerbatim', setBoxed),
    uses('LUseVerbatim', setBoxed),
    ...['DefineVerbatimEnvironment', 'CustomVerbatimEnvironment'].map(definesEnvironment),
    definesEnvironment('RecustomVerbatimEnvironment'),
    definesSaved,
    ...['CustomVerbatimCommand', 'RecustomVerbatimCommand'].map(definesCommand),
    {
      name: 'fvset',
      signature: 'm',
      description: 'How verbatim text looks from here on.',
      example: '\\fvset{fontsize=\\small}',
      package: 'fancyvrb',
      run: (it, args) => setKeys(it, tokensOf(args, 0)),
    },
    macroEntry(
      'VerbatimFootnotes',
      '',
      'Verbatim text may stand in footnotes.',
      '\\VerbatimFootnotes',
      '',
    ),
  ],
  source: String.raw`\def\FV@SetupFont{\ttfamily}\def\FV@Space{\ }\newcounter{FancyVerbLine}\def\theFancyVerbLine{\rmfamily\tiny\arabic{FancyVerbLine}}
\def\FancyVerbFormatLine#1{#1}\def\FancyVerbFormatText#1{#1}
\def\FV@labelled#1{\nointerlineskip\hbox to\linewidth{\leaders\hrule height.4pt depth\z@\hfil\ \smash{\lower.5ex\hbox{\normalfont#1}}\ \leaders\hrule height.4pt depth\z@\hfil}\nobreak\nointerlineskip}
`,
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
