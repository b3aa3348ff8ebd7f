import { emptyBox } from '../machine/paragraphMode';
import { CELLS, kindNames, environmentCell } from '../machine/cells';
import { FILL, glue, type Glue, gluePt, NO_GLUE, PT, scaleGlue } from '../../base/lengths';
import { parameterise } from '../../expansion/definitions';
import { Cat } from '../../tokens/categories';
import type { Inline } from '../../document/inlines';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { counterExists, counterText, newCounter, refStepCounter } from '../machine/counters';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { addGlue, type ListMeasures } from './listMeasures';
import { beginTrivial, endList, type Spaces } from './lists';
import { glueOf } from '../scanning/glueOf';
import { cellsBy, cell, flag } from '../../expansion/cells';
import { STATEMENT } from './sections';
import { listTheorem } from './theoremLines';
import { checkStyle } from './theoremSlips';

/** The name of a style: one of amsthm's three, or one that the document makes. */
export type TheoremStyle = string;

/** A style as `\newtheoremstyle` makes it. */
interface OwnStyle {
  readonly above: readonly Token[];
  readonly below: readonly Token[];
  readonly body: readonly Token[];
  readonly indent: readonly Token[];
  readonly head: readonly Token[];
  readonly punctuation: readonly Token[];
  readonly gap: readonly Token[];
  /** How name (#1), number (#2) and note (#3) stand in the head; empty for the usual way. */
  readonly form: readonly Token[];
}

/** Styles of the document's own, by name. */
const ownStyles = cellsBy<OwnStyle | null>('thmstyle', null);
const ownStyle = (it: Interpreter, name: string): OwnStyle | null => it.read(ownStyles(name));

/** Statements are written into the list `loe` (thmtools, ntheorem). */
export const LISTS_THEOREMS = flag('liststheorems');

/** The style of statements that are defined from here on. */
export const THEOREM_STYLE = cell('theoremstyle', 'plain');

function newTheoremStyle(it: Interpreter, args: Args): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const style: OwnStyle = {
    above: tokensOf(args, 1),
    below: tokensOf(args, 2),
    body: tokensOf(args, 3),
    indent: tokensOf(args, 4),
    head: tokensOf(args, 5),
    punctuation: tokensOf(args, 6),
    gap: tokensOf(args, 7),
    form: parameterise(tokensOf(args, 8)),
  };
  it.write(ownStyles(name), style, true);
}

/** A kind of theorem as the document declares it. */
interface TheoremKind {
  readonly title: readonly Token[];
  readonly counter: string | null;
  readonly style: TheoremStyle;
  /** amsthm sets a full stop behind the head, and the note in ordinary type. */
  readonly ams: boolean;
  /** The number stands first (`\swapnumbers` before the declaration). */
  readonly swapped: boolean;
}

/** `\newtheorem{name}[shared]{Title}[within]`. */
function newTheorem(it: Interpreter, args: Args, token: Token): void {
  const starred = isStarred(args);
  const name = textOf(it.p, tokensOf(args, 1));
  const asked = [2, 4].map((i) =>
    Array.isArray(args[i]) ? textOf(it.p, tokensOf(args, i)) : null,
  );
  const known = (asked: string | null): string | null => {
    if (asked === null || asked === '' || counterExists(it.state, asked)) return asked;
    it.p.report('counter-unknown', it.spanOf(token), { name: asked });
    return null;
  };
  const [shared, within] = [known(asked[0] ?? null), known(asked[1] ?? null)];
  const before = it.environment(name);
  if (token.chunk === it.p.reader.chunk && before?.begin === beginTheorem)
    it.p.report('environment-exists', it.spanOf(token), { name });
  let counter: string | null = null;
  if (!starred) {
    counter = shared ?? name;
    if (!shared) {
      newCounter(it, name, within);
      if (within) it.define(`the${name}`, `\\csname the${within}\\endcsname.\\arabic{${name}}`);
    }
  }
  const kind: TheoremKind = {
    title: tokensOf(args, 3),
    counter,
    style: it.read(THEOREM_STYLE),
    ams: it.hasPackage('amsthm'),
    swapped: it.read(CELLS.swapNumbers),
  };
  it.write(environmentCell(name), theoremEnvironment(name, kind), true);
  if (it.read(kindNames(name)) === null) {
    const word = tokensText(kind.title);
    const many = word.endsWith('y') ? `${word.slice(0, -1)}ies` : `${word}s`;
    it.write(kindNames(name), { title: [word, many] }, true);
  }
}

function theoremEnvironment(name: string, kind: TheoremKind): EnvironmentEntry {
  return {
    name,
    signature: 'o',
    description: `A ${tokensText(kind.title)}, numbered as the document declares it.`,
    example: `\\begin{${name}}\nThe tide turns.\n\\end{${name}}`,
    detail: kind,
    begin: beginTheorem,
    end: endList,
  };
}

function beginTheorem(it: Interpreter, args: Args, token: Token): void {
  const kind = it.environments.at(-1)?.entry?.detail as TheoremKind;
  const at = it.spanOf(token);
  beginTrivial(it, kind.ams ? spacesOf(it, kind) : undefined);
  it.innermost.data.set(STATEMENT, true);
  const { name } = it.innermost;
  if (kind.counter) {
    refStepCounter(it, kind.counter);
    const label = it.read(CELLS.currentLabel);
    if (label) it.write(CELLS.currentLabel, { ...label, kind: name });
  }
  const number = kind.counter ? counterText(it, kind.counter) : '';
  const title = it
    .inlinesOf(kind.title)
    .map((i) => (i.kind === 'text' ? i.text : ' '))
    .join('');
  it.mode.vlist.push({ kind: 'number', what: title, number, from: at.from, to: at.to });
  if (it.read(LISTS_THEOREMS)) listTheorem(it, kind.title, number, args);
  const head = headInlines(it, kind, number, args);
  const own = ownStyle(it, kind.style);
  if (own) return beginOwn(it, own, head);
  if (kind.style === 'plain')
    it.changeFont({ family: it.textFamily, series: 'medium', shape: 'italic' });
  else it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  it.mode.pendingLabel = [
    ...head,
    { kind: 'glue', glue: gluePt(5, kind.ams ? 1 : 0, kind.ams ? 1 : 0), ...at },
  ];
  it.skipBlanks();
}

/** A theorem in a style of the document's own; its head on a line by itself when its gap is a line break. */
function beginOwn(it: Interpreter, style: OwnStyle, head: readonly Inline[]): void {
  const at = it.p.place;
  const indent = style.indent.some((t) => t.cat !== Cat.Space) ? glueOf(it, style.indent) : NO_GLUE;
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  it.execute(style.body);
  const breaks = style.gap.some((t) => t.text === 'newline');
  it.mode.pendingLabel = [
    { kind: 'kern', width: indent.width, ...at },
    ...head,
    ...(breaks ? [] : gapBehind(it, style.gap)),
  ];
  if (breaks) {
    it.startParagraph();
    it.mode.hlist?.add({ kind: 'break', skip: 0, fill: true, ...at });
  }
  it.skipBlanks();
}

/** The space behind a head: a blank stands for that between words, nothing for the usual one. */
function gapBehind(it: Interpreter, gap: readonly Token[]): readonly Inline[] {
  if (gap.length > 0 && gap.every((t) => t.cat === Cat.Space))
    return it.inlinesOf([it.p.make(Cat.Space, ' ')]);
  const size = gap.length > 0 ? glueOf(it, gap) : gluePt(5, 1, 1);
  return [{ kind: 'glue', glue: size, ...it.p.place }];
}

/** What a class or document says of the space around statements (amsthm's `\\thm@space@setup`); null where it says nothing. */
function spaceSetUp(it: Interpreter): Spaces | null {
  const setUp = it.p.command('thm@space@setup');
  if (!setUp.cell || it.state.meaning(setUp.cell)?.kind !== 'macro') return null;
  it.execute([setUp]);
  return { above: it.skip('thm@preskip'), below: it.skip('thm@postskip') };
}

/**
 * Space above and below: the style's own, else `\topsep`, half of it for remarks; nothing more
 * after a blank line (amsthm's `\@thm`).
 */
const spacesOf =
  (it: Interpreter, kind: TheoremKind) =>
  ({ topSep }: ListMeasures): Spaces => {
    const own = ownStyle(it, kind.style);
    const setUp = kind.style === 'remark' ? null : spaceSetUp(it);
    const usual = kind.style === 'remark' ? scaleGlue(topSep, 0.5) : topSep;
    const written = (tokens: readonly Token[] | undefined): Glue =>
      tokens?.some((t) => t.cat !== Cat.Space) ? glueOf(it, tokens) : usual;
    return {
      above: own ? written(own.above) : (setUp?.above ?? usual),
      below: own ? written(own.below) : (setUp?.below ?? usual),
    };
  };

/** “Theorem 2.1 (Note).” in the font of the style. */
function headInlines(it: Interpreter, kind: TheoremKind, number: string, args: Args): Inline[] {
  const own = ownStyle(it, kind.style);
  const note = Array.isArray(args[0]) ? (args[0] as Token[]) : [];
  const values = [kind.title, number === '' ? [] : call(it, '@upn', it.p.chars(number)), note];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const remark = kind.style === 'remark';
  it.changeFont({
    family: it.textFamily,
    series: remark || own ? 'medium' : 'bold',
    shape: remark ? 'italic' : 'upright',
  });
  if (own) it.execute(own.head);
  const out = [...it.inlinesOf(headForm(it, kind, values))];
  if (own) out.push(...it.inlinesOf(own.punctuation));
  else if (kind.ams) out.push(...it.inlinesOf(it.p.chars('.')));
  it.closeGroup();
  return out;
}

/** A command with one argument, as tokens. */
const call = (it: Interpreter, name: string, argument: readonly Token[]): Token[] => [
  it.p.command(name),
  it.p.make(Cat.Begin, '{'),
  ...argument,
  it.p.make(Cat.End, '}'),
];

/** The head's tokens: by the style's own form, else name, number, note in brackets; the number first when swapped. */
function headForm(
  it: Interpreter,
  kind: TheoremKind,
  values: readonly (readonly Token[])[],
): readonly Token[] {
  const names = ['thmname', 'thmnumber', 'thmnote'];
  names.forEach((name, i) => it.define(name, values[i]?.length ? '#1' : '', 1));
  const written = ownStyle(it, kind.style)?.form ?? [];
  if (written.some((t) => t.cat !== Cat.Space)) {
    return written.flatMap((t) =>
      t.cat === Cat.Argument ? (values[Number(t.text) - 1] ?? []) : [t],
    );
  }
  const [name = [], number = [], note = []] = values;
  const blank = it.p.make(Cat.Space, ' ');
  const bracketed = [...it.p.chars('('), ...note, ...it.p.chars(')')];
  const [first, second] = kind.swapped && number.length > 0 ? [number, name] : [name, number];
  return [
    ...first,
    ...(second.length > 0 ? [blank, ...second] : []),
    ...(note.length > 0
      ? [blank, ...(kind.ams ? call(it, '@thmnote', bracketed) : bracketed)]
      : []),
  ];
}

/** A proof is open, and its end mark has been set. */
const PROOF = flag('proof');
const QED_DONE = flag('qeddone');

/** A proof: “Proof.” in italic, and the end mark at its end. */
function beginProof(it: Interpreter, args: Args, token: Token): void {
  const at = it.spanOf(token);
  // `\par` and `\topsep6pt plus6pt` (amsthm)
  const around = ({ partopSep }: ListMeasures): Glue => addGlue(gluePt(6, 6), partopSep);
  beginTrivial(it, (measures) => ({ above: around(measures), below: around(measures) }));
  it.innermost.data.set(PROOF, true);
  it.openGroup({ kind: 'semisimple', span: at });
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'italic' });
  const own = args[0];
  const name = Array.isArray(own) ? (own as Token[]) : [it.p.command('proofname')];
  const head = [...it.inlinesOf(name), ...it.inlinesOf(it.p.chars('.'))];
  it.closeGroup();
  it.changeFont({ family: it.textFamily, series: 'medium', shape: 'upright' });
  it.mode.pendingLabel = [...head, { kind: 'kern', width: it.dimen('labelsep'), ...at }];
  it.skipBlanks();
}

function endProof(it: Interpreter): void {
  endMark(it);
  endList(it);
}

/** The environment that was just opened is a proof: `\\qedhere` sets its end mark. */
export const markProof = (it: Interpreter): void => void it.innermost.data.set(PROOF, true);

/** The end mark of the innermost proof, where it has not been set yet. */
export function endMark(it: Interpreter): void {
  const proof = it.environments.findLast(({ data }) => data.get(PROOF));
  if (!proof?.data.get(QED_DONE)) addQed(it);
}

/** The end mark at the right margin of the last line, or of a line of its own. */
export function addQed(it: Interpreter): void {
  const at = it.p.place;
  if (it.mode.hlist === null && !it.mode.pendingLabel) it.startParagraph(false);
  it.startParagraph();
  it.mode.hlist?.unskip();
  it.add({ kind: 'penalty', penalty: 9999, ...at });
  it.add(emptyBox(it));
  it.add({ kind: 'penalty', penalty: 10000, ...at });
  it.add({ kind: 'glue', glue: FILL, ...at });
  it.add({ kind: 'glue', glue: glue(it.em), ...at });
  for (const inline of it.inlinesOf([it.p.command('qedsymbol')])) it.add(inline);
}

/** amsthm's open square: 0.6 em wide and 0.675 em high, ruled 0.4 pt. */
export function openBox(it: Interpreter): Inline {
  const at = it.p.place;
  const { em } = it;
  const line = 0.4 * PT;
  return {
    kind: 'box',
    width: null,
    align: 'left',
    raise: 0,
    hidden: false,
    grow: false,
    frame: { rule: line, padding: 0, color: it.font.color },
    inlines: [
      {
        kind: 'box',
        width: null,
        align: 'left',
        raise: 0,
        hidden: true,
        grow: false,
        frame: null,
        inlines: [
          {
            kind: 'rule',
            width: 0.6 * em - 2 * line,
            height: 0.675 * em - line,
            depth: -line,
            ...at,
          },
        ],
        ...at,
      },
    ],
    ...at,
  };
}

/** `\qedhere`: the end mark here, and not at the end of the proof. */
function qedHere(it: Interpreter): void {
  const proof = it.environments.findLast(({ data }) => data.get(PROOF));
  if (!proof) return;
  proof.data.set(QED_DONE, true);
  addQed(it);
}

export const newTheoremCommand: CommandEntry = {
  name: 'newtheorem',
  signature: 'smomo',
  description:
    'Declares a kind of theorem: its environment, its title, and what it is numbered with or within.',
  example: '\\newtheorem{theorem}{Theorem}[section]',
  run: newTheorem,
};

export const theoremCommands: readonly CommandEntry[] = [
  {
    name: 'theoremstyle',
    signature: 'm',
    description: 'How the theorems declared from here on look: plain, definition or remark.',
    example: '\\theoremstyle{definition}',
    run: (it, args) => {
      const style = textOf(it.p, tokensOf(args, 0)).trim();
      it.write(THEOREM_STYLE, style);
      if (it.hasPackage('amsthm') && !ownStyle(it, style)) checkStyle(it, tokensOf(args, 0));
    },
  },
  {
    name: 'newtheoremstyle',
    signature: 'mMMMMMMMM',
    description:
      'A style of theorems: name, space above and below, body font, indent, head font, sign behind the head, space behind it, form of the head.',
    example: '\\newtheoremstyle{tide}{6pt}{6pt}{\\itshape}{}{\\bfseries}{.}{ }{}',
    run: newTheoremStyle,
  },
  {
    name: 'swapnumbers',
    signature: '',
    description: 'Numbers stand before the names of theorems.',
    example: '\\swapnumbers',
    run: (it) => it.write(CELLS.swapNumbers, true),
  },
  {
    name: 'qedhere',
    signature: '',
    description: 'Puts the end mark of the proof here.',
    example: '\\qedhere',
    run: qedHere,
    math: (reader) => {
      const proof = reader.it.environments.findLast(({ data }) => data.get(PROOF));
      if (!proof) return null;
      proof.data.set(QED_DONE, true);
      if (reader.rowMarks) {
        reader.rowMarks.tag = { tokens: [reader.p.command('qedsymbol')], bare: true };
        return null;
      }
      const inlines = reader.it.inlinesOf([reader.p.command('qedsymbol')]);
      return { kind: 'text', inlines, ...reader.p.place };
    },
  },
  {
    name: 'qed',
    signature: '',
    description: 'The end mark of a proof.',
    example: '\\qed',
    run: (it) => addQed(it),
  },
  {
    name: 'openbox',
    signature: '',
    description: 'An open square.',
    example: '\\openbox',
    run: (it) => it.add(openBox(it)),
  },
];

export const proofEnvironment: EnvironmentEntry = {
  name: 'proof',
  signature: 'o',
  description: 'A proof, with its end mark at the end.',
  example: '\\begin{proof}\nBy symmetry.\n\\end{proof}',
  begin: beginProof,
  end: endProof,
};
