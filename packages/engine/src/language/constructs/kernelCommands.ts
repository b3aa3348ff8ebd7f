import { scriptText } from './scriptText';
import { CELLS } from '../machine/cells';
import { gluePt } from '../../base/lengths';
import type { DecoratedInline } from '../../document/inlines';
import { detach, type Token } from '../../expansion/meaning';
import { type Hook, hookCell } from '../machine/environments';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import { scanInt } from '../../expansion/scan';
import { Cat, withCategory } from '../../tokens/categories';
import { activeName } from '../../tokens/reader';
import { addReset, countFreely } from '../machine/counters';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { box } from './boxes';
import { fontNames } from './fontNames';
import { leaderCommands } from './leaders';
import { tabbingEnvironment } from './tabbing';
import { finishRaw, rawLines } from './verbatim';
import { writtenFile } from './files';

/** Letters of the tokens in another case; commands and formulas left alone. */
function cased(it: Interpreter, tokens: readonly Token[], upper: boolean): Token[] {
  let math = false;
  let name = 0;
  let depth = 0;
  const special: Readonly<Record<string, string>> = upper
    ? { ae: 'AE', oe: 'OE', o: 'O', aa: 'AA', l: 'L', ss: 'SS', i: 'I', j: 'J' }
    : { AE: 'ae', OE: 'oe', O: 'o', AA: 'aa', L: 'l' };
  return tokens.map((t, i) => {
    if (t.cat === Cat.Math) math = !math;
    if (t.cat === Cat.Command) {
      if (
        /^(ref|cite|label|eqref|pageref|begin|end|color|textcolor|url)$/.test(t.text) &&
        tokens[i + 1]?.cat === Cat.Begin
      )
        name = depth + 1;
      const other = special[t.text];
      return other !== undefined && !math ? it.p.command(other) : t;
    }
    if (t.cat === Cat.Begin) depth++;
    if (t.cat === Cat.End && depth-- === name) name = 0;
    const left = math || (name > 0 && depth >= name);
    return left || t.cell !== null
      ? t
      : { ...t, text: upper ? t.text.toUpperCase() : t.text.toLowerCase() };
  });
}

const caseCommand = (name: string, upper: boolean): CommandEntry => ({
  name,
  signature: 'M',
  description: upper ? 'Text in capitals.' : 'Text in small letters.',
  example: `\\${name}{High water}`,
  run: (it, args) => it.execute(cased(it, expandTokens(it.p, tokensOf(args, 0)), upper)),
});

/** Raised or lowered text in small type. */
const script = (name: string, up: boolean): CommandEntry => ({
  name,
  signature: 'M',
  description: up ? 'Small text above the line.' : 'Small text below the line.',
  example: `noon\\${name}{1}`,
  run: (it, args) => {
    it.startParagraph();
    it.mode.hlist?.add(scriptText(it, tokensOf(args, 0), up));
  },
});

/** What a box would take up, without its contents. */
const ghost = (
  name: string,
  horizontal: boolean,
  vertical: boolean,
  hidden: boolean,
): CommandEntry => ({
  name,
  signature: 'M',
  description: 'The room that text takes, left empty.',
  example: `\\${name}{ferry}`,
  run: (it, args) => {
    const inlines = it.inlinesOf(tokensOf(args, 0));
    const flat = vertical ? {} : { vertical: { height: 0, depth: 0 } };
    const width = horizontal ? null : 0;
    it.add(box(it, inlines, { hidden, width, align: 'left', ...flat }));
  },
});

/** `\smash`; `[t]` or `[b]` for height or depth alone. */
const smash: CommandEntry = {
  name: 'smash',
  signature: 'oM',
  description: 'Text whose height and depth count for nothing; [t] or [b] for one of them.',
  example: '\\smash{ferry}',
  run: (it, args) => {
    const which = tokensText(tokensOf(args, 0)).trim();
    const vertical = { height: which === 'b' ? null : 0, depth: which === 't' ? null : 0 };
    const inlines = it.inlinesOf(tokensOf(args, 1));
    it.add(box(it, inlines, { width: null, align: 'left', vertical }));
  },
};

/** Text with a line under or through it. */
export function decorate(
  it: Interpreter,
  tokens: readonly Token[],
  look: Pick<DecoratedInline, 'rise' | 'thickness'> & Partial<DecoratedInline>,
): void {
  it.startParagraph();
  const inlines = it.inlinesOf(tokens);
  it.mode.hlist?.add({
    kind: 'decorated',
    inlines,
    color: it.font.color,
    behind: false,
    wave: false,
    ...look,
    ...it.p.place,
  });
}

function breakLines(it: Interpreter): void {
  it.state.set(it.state.cell(activeName('\n')), it.state.get(it.state.cell('par')));
  it.p.setCategories(withCategory(it.p.categories, 10, Cat.Active));
}

const skipBreak = (name: string, amount: string, penalty: number): CommandEntry => ({
  name,
  signature: '',
  description: 'Space between paragraphs, and a good place to end the page.',
  example: `\\${name}`,
  run: (it) => {
    it.addBlock({ kind: 'penalty', penalty });
    it.mode.vlist.push({ kind: 'vspace', glue: it.skip(amount), behaviour: 'merge' });
  },
});

/** Commands of the kernel that belong nowhere else. */
export const kernelCommands: readonly CommandEntry[] = [
  {
    name: '@withouteffect',
    signature: 'm',
    description: 'Says that a command changes nothing yet.',
    example: '',
    run: (it, args) => {
      const name = textOf(it.p, tokensOf(args, 0));
      it.p.report('command-without-effect', it.p.place, { name });
    },
  },
  ...fontNames,
  caseCommand('MakeUppercase', true),
  caseCommand('MakeLowercase', false),
  caseCommand('MakeTextUppercase', true),
  caseCommand('MakeTextLowercase', false),
  script('textsuperscript', true),
  script('textsubscript', false),
  ghost('phantom', true, true, true),
  ghost('hphantom', true, false, true),
  ghost('vphantom', false, true, true),
  smash,
  skipBreak('smallbreak', 'smallskipamount', -50),
  skipBreak('medbreak', 'medskipamount', -100),
  skipBreak('bigbreak', 'bigskipamount', -200),
  {
    name: 'ensuremath',
    signature: 'M',
    description: 'A formula, in text and in formulas alike.',
    example: '\\ensuremath{x}',
    run: (it, args) => {
      const dollar = it.p.make(Cat.Math, '$');
      it.startParagraph();
      it.p.push([dollar, ...tokensOf(args, 0), dollar]);
    },
    math: (reader, token) => reader.field(token),
  },
  {
    name: 'strut',
    signature: '',
    description: 'As high and deep as a line, without width.',
    example: '\\strut',
    run: (it) => {
      const line = it.skip('baselineskip').width;
      it.add({ kind: 'rule', width: 0, height: 0.7 * line, depth: 0.3 * line, ...it.p.place });
    },
  },
  {
    name: 'char',
    signature: '',
    description: 'The character of a number.',
    example: '\\char65 ',
    run: (it) => {
      const code = scanInt(it.p);
      if (code > 0 && code < 0x110000) it.character(String.fromCodePoint(code), it.p.place);
    },
    math: (reader, token) => {
      const code = scanInt(reader.p);
      const known = code > 0 && code < 0x110000;
      return known ? reader.characterNode(String.fromCodePoint(code), reader.span(token)) : null;
    },
  },
  {
    name: 'aftergroup',
    signature: '',
    description: 'Keeps a token for behind the end of the group.',
    example: '{\\aftergroup\\relax}',
    run: (it) => {
      const token = it.p.next();
      const group = it.groups.at(-1);
      if (!token || !group) return;
      const before = group.then;
      it.groups[it.groups.length - 1] = {
        ...group,
        then: () => {
          it.p.unread(token);
          before?.();
        },
      };
    },
  },
  ...leaderCommands,
  {
    name: '@resetby',
    signature: 'mm',
    description: 'Sets the first counter back whenever the second one steps.',
    example: '',
    run: (it, args) =>
      addReset(it.state, textOf(it.p, tokensOf(args, 0)), textOf(it.p, tokensOf(args, 1))),
  },
  {
    name: 'counterwithout',
    signature: 'smm',
    description: 'Counts on, whatever the other counter does.',
    example: '\\counterwithout{equation}{section}',
    run: (it, args) =>
      countFreely(it, textOf(it.p, tokensOf(args, 1)), textOf(it.p, tokensOf(args, 2))),
  },
  {
    name: '@hookenv',
    signature: 'mmM',
    description: 'Hangs something on an environment.',
    example: '',
    run: (it, args) => {
      const [name, when] = [textOf(it.p, tokensOf(args, 0)), textOf(it.p, tokensOf(args, 1))];
      const hook = hookCell(when as Hook, name);
      it.write(hook, [...it.read(hook), ...detach(tokensOf(args, 2))], true);
    },
  },
  {
    name: '@setflush',
    signature: 'm',
    description: 'Whether pages end at the same height.',
    example: '',
    run: (it, args) => it.write(CELLS.flushBottom, textOf(it.p, tokensOf(args, 0)) === '1', true),
  },
  {
    name: 'obeylines',
    signature: '',
    description: 'The end of a line ends the paragraph.',
    example: '',
    run: breakLines,
  },
  {
    name: 'obeycr',
    signature: '',
    description: 'The end of a line ends the paragraph.',
    example: '',
    run: breakLines,
  },
  {
    name: 'nointerlineskip',
    signature: '',
    description: 'No space between this line and the next.',
    example: '\\nointerlineskip',
    run: (it) => it.addBlock({ kind: 'nointerline' }),
  },
  {
    name: 'offinterlineskip',
    signature: '',
    description: 'No space between lines from here on.',
    example: '{\\offinterlineskip}',
    run: (it) => {
      it.state.set(it.state.register('skip', 'baselineskip'), gluePt(0));
      it.state.set(it.state.register('skip', 'lineskip'), gluePt(0));
    },
  },
  ...(
    [
      ['break', -10000],
      ['eject', -10000],
      ['goodbreak', -500],
      ['filbreak', -200],
      ['supereject', -10000],
    ] as const
  ).map(([name, penalty]): CommandEntry => ({
    name,
    signature: '',
    description: 'A good place to break, or one where it must be.',
    example: `\\${name}`,
    run: (it, _args, token) => {
      if (it.mode.hlist && name === 'break')
        it.mode.hlist.add({ kind: 'penalty', penalty, ...it.spanOf(token) });
      else it.addBlock({ kind: 'penalty', penalty });
    },
  })),
  {
    name: 'penalty',
    signature: '',
    description: 'What a break here costs.',
    example: '\\penalty100 ',
    run: (it, _args, token) => {
      const penalty = scanInt(it.p);
      if (it.mode.hlist) it.mode.hlist.add({ kind: 'penalty', penalty, ...it.spanOf(token) });
      else it.mode.vlist.push({ kind: 'penalty', penalty });
    },
    math: (reader) => {
      scanInt(reader.p);
      return null;
    },
  },
  {
    name: 'endgraf',
    signature: '',
    description: 'Ends the paragraph.',
    example: 'One.\\endgraf Two.',
    run: (it) => it.endParagraph(),
  },
  {
    name: '@@par',
    signature: '',
    description: 'Ends the paragraph.',
    example: 'One.\\par Two.',
    run: (it) => it.endParagraph(),
  },
  {
    name: 'removelastskip',
    signature: '',
    description: 'Takes back the space before it.',
    example: '\\removelastskip',
    run: (it) => {
      if (it.mode.hlist) it.mode.hlist.unskip();
      else if (it.mode.vlist.at(-1)?.kind === 'vspace') it.mode.vlist.pop();
    },
  },
  {
    name: 'labelformat',
    signature: 'mM',
    description: 'What stands around a counter in references.',
    example: '\\labelformat{section}{§#1}',
    run: () => undefined,
  },
];

/** Environments of the kernel that belong nowhere else. */
export const kernelEnvironments: readonly EnvironmentEntry[] = [
  {
    name: 'filecontents',
    signature: '',
    description: 'A file of the assignment written down in the document.',
    example: '',
    begin: (it) => writeFile(it, 'filecontents'),
  },
  {
    name: 'filecontents*',
    signature: '',
    description: 'A file of the assignment written down in the document.',
    example: '',
    begin: (it) => writeFile(it, 'filecontents*'),
  },
  {
    name: 'sloppypar',
    signature: '',
    description: 'Paragraphs whose words may stand further apart.',
    example: '\\begin{sloppypar}\nHigh water\n\\end{sloppypar}',
    begin: (it) => {
      it.endParagraph();
      it.execute(it.source('\\sloppy'));
    },
    end: (it) => it.endParagraph(),
  },
  {
    name: 'samepage',
    signature: '',
    description: 'No page break inside.',
    example: '\\begin{samepage}\nHigh water\n\\end{samepage}',
    begin: (it) => it.execute(it.source('\\interlinepenalty10000 ')),
    end: (it) => it.endParagraph(),
  },
  tabbingEnvironment,
];

function writeFile(it: Interpreter, environment: string): void {
  it.readArguments('o', it.p.command(environment));
  const args = it.readArguments('m', it.p.command(environment));
  const name = args ? textOf(it.p, tokensOf(args, 0)) : '';
  const lines = rawLines(it, environment);
  it.write(writtenFile(name), `${lines.join('\n')}\n`, true);
  finishRaw(it);
}
