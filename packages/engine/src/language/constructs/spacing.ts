import { adjust } from '../machine/asides';
import { emptyBox, parCommand } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { MOST_SHAPED } from '../machine/parameters';
import { FIL, FILL, glue, type Glue, negative, type Sp, SS } from '../../base/lengths';
import { Cat } from '../../tokens/categories';
import { textOf } from '../../expansion/tokenText';
import type { LineShape } from '../../document/blocks';
import { scanDimen, scanGlue, scanInt } from '../../expansion/scan';
import type { Token } from '../../expansion/meaning';
import type { Span } from '../../base/spans';
import type { Inline } from '../../document/inlines';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { setSloppy } from '../machine/lineSpacing';
import { clearPage } from './chapters';
import { glueOf } from '../scanning/glueOf';
import { breakCommands } from './breaks';

/** Vertical space: between paragraphs at once, within one below the line it stands in. */
function verticalSpace(it: Interpreter, g: Glue, keep: boolean): void {
  adjust(it, { kind: 'vspace', glue: g, behaviour: keep ? 'keep' : 'plain', closed: true });
}

/** `\parshape n` and n pairs of indent and width (TeX: The Program, §1248). */
function readParShape(it: Interpreter): void {
  const count = scanInt(it.p);
  const lines: LineShape[] = [];
  for (let i = 0; i < Math.min(count, MOST_SHAPED); i++)
    lines.push({ indent: scanDimen(it.p), width: scanDimen(it.p) });
  it.write(CELLS.parShape, lines.length > 0 ? lines : null);
}

function vspace(it: Interpreter, args: Args): void {
  verticalSpace(it, glueOf(it, tokensOf(args, 1)), isStarred(args));
}

const named = (name: string, register: string): CommandEntry => ({
  name,
  signature: '',
  description: `A ${name.replace('skip', '')} space between paragraphs.`,
  example: `\\${name}`,
  run: (it) => verticalSpace(it, it.skip(register), false),
});

/** A box without extent: where a line begins, it keeps what follows. */
const nothing = (at: Span): Inline => ({
  kind: 'box',
  inlines: [],
  width: 0,
  align: 'left',
  raise: 0,
  hidden: true,
  frame: null,
  grow: false,
  from: at.from,
  to: at.to,
});

const pageBreak = (name: string, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}`,
  run: (it) => {
    it.addBlock(
      { kind: 'vspace', glue: FIL, behaviour: 'plain' },
      { kind: 'penalty', penalty: -10000 },
    );
  },
});

const vertical = (name: string, glue: Glue, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}`,
  run: (it) => it.addBlock({ kind: 'vspace', glue, behaviour: 'plain' }),
});

const horizontal = (
  name: string,
  g: (it: Interpreter) => Glue,
  description: string,
): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `a\\${name} b`,
  run: (it) => it.add({ kind: 'glue', glue: g(it), ...it.p.place }),
});

/** Fixed spaces that work in text and formulas: name, math units, em. */
const SPACES: readonly (readonly [string, number, number, string])[] = [
  [',', 3, 1 / 6, 'A thin space'],
  ['thinspace', 3, 1 / 6, 'A thin space'],
  [':', 4, 2 / 9, 'A medium space'],
  ['>', 4, 2 / 9, 'A medium space'],
  [';', 5, 5 / 18, 'A thick space'],
  ['!', -3, -1 / 6, 'A thin space taken back'],
  ['negthinspace', -3, -1 / 6, 'A thin space taken back'],
  ['medspace', 4, 2 / 9, 'A medium space'],
  ['thickspace', 5, 5 / 18, 'A thick space'],
  ['negmedspace', -4, -2 / 9, 'A medium space taken back'],
  ['negthickspace', -5, -5 / 18, 'A thick space taken back'],
  ['enspace', 9, 0.5, 'A space of half an em'],
  ['enskip', 9, 0.5, 'A space of half an em'],
];

const spaces: readonly CommandEntry[] = SPACES.map(([name, mu, em, what]) => ({
  name,
  signature: '',
  description: `${what}.`,
  example: `a\\${name} b`,
  run: (it) => it.add({ kind: 'kern', width: Math.round(em * it.em), ...it.p.place }),
  math: (reader, token) => ({ kind: 'space', mu, width: 0, ...reader.span(token) }),
}));

const quad = (name: string, ems: number): CommandEntry => ({
  name,
  signature: '',
  description: `A space of ${ems} em.`,
  example: `a\\${name} b`,
  run: (it) => it.add({ kind: 'glue', glue: glue(ems * it.em), ...it.p.place }),
  math: (reader, token) => ({
    kind: 'space',
    mu: 0,
    width: ems * reader.it.em,
    ...reader.span(token),
  }),
});

/** `\\` in a paragraph: ends the line, with space below it if asked. */
function lineBreak(it: Interpreter, args: Args, token: Token): void {
  const at = it.spanOf(token);
  if (it.mode.hlist === null) return noLine(it, token);
  const optional = args[1];
  const skip = Array.isArray(optional) ? glueOf(it, optional as Token[]).width : 0;
  it.mode.hlist.unskip();
  if (!it.justified && !it.mode.restricted) return endRaggedLine(it, skip, args[0] === true);
  it.mode.hlist.add({ kind: 'break', skip, fill: it.justified, ...at });
  it.skipBlanks();
  if (it.justified && !optional && endsBehind(it)) it.p.report('line-break-for-nothing', at);
}

/** `\\\\` between paragraphs (LaTeX's `\\@nolnerr`); behind a display its paragraph goes on. */
function noLine(it: Interpreter, token: Token): void {
  const isTyped = token.chunk === it.p.reader.chunk;
  if (!isTyped || it.read(CELLS.afterDisplay)) return;
  it.p.report('line-break-between', it.spanOf(token), { name: token.text });
}

/** Where lines are centred or ragged, each ends a paragraph (the kernel's `\\@centercr`). */
function endRaggedLine(it: Interpreter, skip: Sp, keeps: boolean): void {
  it.endParagraph();
  const { vlist } = it.mode;
  if (keeps) vlist.push({ kind: 'penalty', penalty: 10000 });
  vlist.push({ kind: 'vspace', glue: negative(it.skip('parskip')), behaviour: 'merge' });
  if (skip !== 0) vlist.push({ kind: 'vspace', glue: glue(skip), behaviour: 'plain' });
  it.skipBlanks();
}

/** Does the paragraph end right here? */
function endsBehind(it: Interpreter): boolean {
  const next = it.p.next();
  if (next) it.p.unread(next);
  return next?.cat === Cat.Command && next.text === 'par';
}

/** Paragraphs, lines, pages, and space of every kind. */
export const spacing: readonly CommandEntry[] = [
  {
    name: 'par',
    signature: '',
    description: 'Ends the paragraph, as a blank line does.',
    example: 'One.\\par Two.',
    run: parCommand,
  },
  {
    name: '\\',
    signature: 'so',
    description: 'Ends the line; a length in brackets adds space below it.',
    example: 'one\\\\[1ex] two',
    run: lineBreak,
    math: () => null,
  },
  {
    name: 'newline',
    signature: '',
    description: 'Ends the line.',
    example: 'one\\newline two',
    run: (it, _a, token) => lineBreak(it, [false, null], token),
  },
  {
    name: 'noindent',
    signature: '',
    description: 'Starts a paragraph without an indent.',
    example: '\\noindent The tide',
    run: (it) => it.startParagraph(false),
  },
  {
    name: 'indent',
    signature: '',
    description: 'Starts a paragraph with an indent.',
    example: '\\indent The tide',
    run: (it) => it.startIndented(),
  },
  {
    name: 'leavevmode',
    signature: '',
    description: 'Starts a paragraph if none is open.',
    example: '\\leavevmode',
    run: (it) => it.startParagraph(),
    math: () => null,
  },
  {
    name: 'vspace',
    signature: 'sm',
    description: 'Vertical space; with a star also at the top of a page.',
    example: '\\vspace{1cm}',
    run: vspace,
  },
  {
    name: 'vskip',
    signature: '',
    description: 'Vertical space of a length that follows.',
    example: '\\vskip 1cm',
    run: (it) => {
      it.endParagraph();
      it.mode.vlist.push({ kind: 'vspace', glue: scanGlue(it.p), behaviour: 'plain' });
    },
  },
  {
    name: 'parshape',
    signature: '',
    description:
      'How many lines of this paragraph stand where, and where each begins and how wide it is.',
    example: '\\parshape 2 0pt 8cm 1cm 7cm\nA paragraph whose lines stand further in.',
    run: readParShape,
  },
  {
    name: 'addpenalty',
    signature: 'm',
    description: 'What a page break costs here, before the space at the end of what stands.',
    example: '\\addpenalty{100}',
    run: (it, args) => {
      it.p.push([...tokensOf(args, 0), it.p.command('relax')]);
      it.addBlock({ kind: 'penalty', penalty: scanInt(it.p), added: true });
    },
  },
  {
    name: 'addvspace',
    signature: 'm',
    description: 'Vertical space; of two that meet the larger counts.',
    example: '\\addvspace{1ex}',
    run: (it, args) =>
      it.addBlock({ kind: 'vspace', glue: glueOf(it, tokensOf(args, 0)), behaviour: 'merge' }),
  },
  {
    name: 'hspace',
    signature: 'sm',
    description: 'Horizontal space; with a star it stays where a line begins.',
    example: 'a\\hspace{1cm}b',
    run: (it, args) => {
      const at = it.p.place;
      const glue = glueOf(it, tokensOf(args, 1));
      // `\vrule width 0pt \nobreak`: what stands before the space keeps it.
      if (isStarred(args)) {
        it.add(nothing(at));
        it.add({ kind: 'penalty', penalty: 10000, ...at });
      }
      it.add({ kind: 'glue', glue, ...at });
    },
    math: (reader, token) => {
      reader.p.takeChar('*');
      const g = glueOf(reader.it, reader.argument(token));
      return { kind: 'space', mu: 0, width: g.width, ...reader.span(token) };
    },
  },
  {
    name: 'hskip',
    signature: '',
    description: 'Horizontal space of a length that follows.',
    example: 'a\\hskip 1cm b',
    run: (it) => it.add({ kind: 'glue', glue: scanGlue(it.p), ...it.p.place }),
    math: (reader, token) => ({
      kind: 'space',
      mu: 0,
      width: scanGlue(reader.p).width,
      ...reader.span(token),
    }),
  },
  {
    name: 'kern',
    signature: '',
    description: 'Space at which the line does not break.',
    example: 'a\\kern 2pt b',
    run: (it) => {
      const { width } = scanGlue(it.p);
      if (it.mode.hlist) it.add({ kind: 'kern', width, ...it.p.place });
      else it.mode.vlist.push({ kind: 'vspace', glue: glue(width), behaviour: 'plain' });
    },
    math: (reader, token) => ({
      kind: 'space',
      mu: 0,
      width: scanGlue(reader.p).width,
      ...reader.span(token),
    }),
  },
  named('smallskip', 'smallskipamount'),
  named('medskip', 'medskipamount'),
  named('bigskip', 'bigskipamount'),
  horizontal('hfill', () => FILL, 'Space that grows as far as it can.'),
  horizontal('hfil', () => FIL, 'Space that grows.'),
  horizontal('hss', () => SS, 'Space that grows and shrinks.'),
  vertical('vfill', FILL, 'Vertical space that grows as far as it can.'),
  vertical('vfil', FIL, 'Vertical space that grows.'),
  vertical('vss', SS, 'Vertical space that grows and shrinks.'),
  quad('quad', 1),
  quad('qquad', 2),
  ...spaces,
  pageBreak('newpage', 'Starts a new page.'),
  {
    name: 'clearpage',
    signature: '',
    description: 'Starts a new page, after all that waits has been placed.',
    example: '\\clearpage',
    run: (it) => clearPage(it, false),
  },
  {
    name: 'cleardoublepage',
    signature: '',
    description: 'Starts a new page; in a two-sided document a right-hand one.',
    example: '\\cleardoublepage',
    run: (it) => clearPage(it, true),
  },
  ...breakCommands,
  {
    name: '@',
    signature: '',
    description: 'The full stop that follows ends a sentence, though a capital stands before it.',
    example: 'NASA\\@.',
    run: (it) => it.mode.hlist?.resetFactor(),
  },
  {
    name: '-',
    signature: '',
    description: 'A place where the word may be divided.',
    example: 'light\\-house',
    run: (it) => it.mode.hlist?.divide(it.p.place.to),
    math: () => null,
  },
  {
    name: 'discretionary',
    signature: 'mmm',
    description:
      'What a line break here puts before it and behind it, and what stands here without.',
    example: 'light\\discretionary{-}{}{}house',
    run: (it, args) => {
      const without = tokensOf(args, 2);
      if (without.length === 0 && textOf(it.p, tokensOf(args, 0)) === '-')
        it.mode.hlist?.divide(it.p.place.to);
      else it.execute(without);
    },
  },
  {
    name: 'hyphenation',
    signature: 'm',
    description: 'Lists words with the places where alone they may be divided.',
    example: '\\hyphenation{light-house tide-gauge}',
    run: (it, args) => {
      const known = it.read(CELLS.divisions);
      const listed = new Map(known ?? []);
      for (const word of textOf(it.p, tokensOf(args, 0)).toLowerCase().split(/\s+/)) {
        const cuts: number[] = [];
        for (const part of word.split('-').slice(0, -1))
          cuts.push((cuts.at(-1) ?? 0) + part.length);
        if (word !== '') listed.set(word.replaceAll('-', ''), cuts);
      }
      it.write(CELLS.divisions, listed, true);
    },
  },
  {
    name: 'unskip',
    signature: '',
    description: 'Takes back the space before it.',
    example: 'a \\unskip b',
    run: (it) => it.mode.hlist?.unskip(),
  },
  {
    name: 'ignorespaces',
    signature: '',
    description: 'Passes over blanks that follow.',
    example: '\\ignorespaces',
    run: (it) => it.skipBlanks(),
    math: () => null,
  },
  {
    name: 'frenchspacing',
    signature: '',
    description: 'The same space after every word, also at the end of a sentence.',
    example: '\\frenchspacing',
    run: (it) => it.write(CELLS.french, true),
  },
  {
    name: 'nonfrenchspacing',
    signature: '',
    description: 'More space at the end of a sentence.',
    example: '\\nonfrenchspacing',
    run: (it) => it.write(CELLS.french, false),
  },
  {
    name: 'sloppy',
    signature: '',
    description: 'Words may stand further apart, so that fewer lines stick out.',
    example: '\\sloppy',
    run: (it) => setSloppy(it, true),
  },
  {
    name: 'fussy',
    signature: '',
    description: 'Takes \\sloppy back.',
    example: '\\fussy',
    run: (it) => setSloppy(it, false),
  },
  {
    name: 'null',
    signature: '',
    description: 'An empty box.',
    example: '\\null',
    run: (it) => it.add(emptyBox(it)),
  },
];
