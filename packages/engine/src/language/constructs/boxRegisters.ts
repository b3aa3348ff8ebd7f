import { placedAt } from '../../document/placedAt';
import { CELLS } from '../machine/cells';
import { glue, type Sp } from '../../base/lengths';
import type { BoxInline, Inline } from '../../document/inlines';
import { readName, takePrefix } from '../../expansion/definitions';
import type { Primitive, Token } from '../../expansion/meaning';
import { scanDimen, scanInt } from '../../expansion/scan';
import type { Cell } from '../../expansion/state';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { InlineList } from '../machine/inlineList';
import type { Interpreter, Size } from '../machine/interpreter';
import { box } from './boxes';
import { addBox, inFormula, readBox } from './boxMaking';
import { cell } from '../../expansion/cells';
import { takeLastBox } from './listEnd';
import type { Mode } from '../machine/modes';
import { OWN } from '../machine/ownNames';

/** What a box register holds: inlines side by side, with a size of their own if it was set. */
interface KeptBox {
  readonly inlines: readonly Inline[];
  readonly size: { readonly width?: Sp; readonly height?: Sp; readonly depth?: Sp };
}

/** The register a token names: `\newsavebox` and `\newbox` give it a name, plain TeX a number. */
function boxCell(it: Interpreter, tokens: readonly Token[]): Cell {
  it.p.push([...tokens, it.p.command('relax')]);
  const number = scanInt(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  return it.state.register('box', number);
}

const kept = (it: Interpreter, cell: Cell): KeptBox | undefined =>
  (it.state.get(cell) as KeptBox | undefined) ?? undefined;

function newBox(it: Interpreter, name: Token | undefined): void {
  if (!name?.cell) return;
  const counter = it.state.register('count', OWN.boxes);
  const number = ((it.state.get(counter) as number | undefined) ?? 20) + 1;
  it.state.set(counter, number, true);
  it.state.set(name.cell, { kind: 'chardef', code: number }, true);
}

/** What a register holds, as it is printed; null when it is empty. */
function used(it: Interpreter, cell: Cell, empties: boolean): Inline | null {
  const found = kept(it, cell);
  if (!found) return null;
  if (empties) it.state.set(cell, undefined);
  const inlines = placedAt(found.inlines, it.p.place);
  const { width, height, depth } = found.size;
  const vertical =
    height === undefined && depth === undefined
      ? {}
      : { vertical: { height: height ?? null, depth: depth ?? null } };
  return box(it, inlines, { width: width ?? null, align: 'left', ...vertical });
}

function use(it: Interpreter, cell: Cell, empties: boolean): void {
  const inline = used(it, cell, empties);
  if (inline) addBox(it, inline);
}

/** A command that keeps or measures, carried out in a formula as in text. */
const alsoInFormulas = (
  signature: string,
  run: (it: Interpreter, args: Args, token: Token) => void,
): Pick<CommandEntry, 'signature' | 'run' | 'math'> => ({
  signature,
  run,
  math: ({ it }, token) => {
    const args = it.readArguments(signature, token);
    if (args) run(it, args, token);
    return null;
  },
});

/** `\setbox`: reads the box that follows into a register. */
function setBox(it: Interpreter, token: Token): void {
  const prefix = takePrefix(it.p);
  const cell = it.state.register('box', scanInt(it.p));
  it.p.takeChar('=');
  const maker = it.p.nextNonBlank();
  const kinds = { hbox: 'hbox', vbox: 'vbox', vtop: 'vtop' } as const;
  const kind = maker && maker.text in kinds ? kinds[maker.text as keyof typeof kinds] : null;
  if (!kind) {
    if (maker?.text === 'box' || maker?.text === 'copy') {
      const from = it.state.register('box', scanInt(it.p));
      it.state.set(cell, it.state.get(from), prefix.global);
    } else if (maker?.text === 'lastbox') {
      const last = takeLastBox(it);
      it.state.set(cell, last ? { inlines: [last], size: {} } : undefined, prefix.global);
    } else if (maker) it.p.unread(maker);
    return;
  }
  const inline = readBox(it, kind, token);
  it.state.set(cell, { inlines: [inline], size: {} } satisfies KeptBox, prefix.global);
}

function moved(name: string, axis: 'raise' | 'shift', sign: number): CommandEntry {
  return {
    name,
    signature: '',
    description: 'A box moved by a length.',
    example: `\\${name} 2pt\\hbox{ferry}`,
    run: (it, _args, token) => {
      const inline = readMoved(it, axis, sign, token);
      if (inline) addBox(it, inline);
    },
    math: (reader, token) => inFormula(reader, token, readMoved(reader.it, axis, sign, token)),
  };
}

/** A length, and the box behind it moved by so much; null when no box follows. */
function readMoved(
  it: Interpreter,
  axis: 'raise' | 'shift',
  sign: number,
  token: Token,
): BoxInline | null {
  const by = sign * scanDimen(it.p);
  const maker = it.p.nextNonBlank();
  const inlines = maker && boxFollowing(it, maker, token);
  if (!inlines) {
    if (maker) it.p.unread(maker);
    return null;
  }
  const kern: Inline = { kind: 'kern', width: by, ...it.p.place };
  return axis === 'raise' ? box(it, inlines, { raise: by }) : box(it, [kern, ...inlines], {});
}

/** What a command makes that gives a box (TeX: The Program, §1073); null when it gives none. */
export function boxFollowing(
  it: Interpreter,
  maker: Token,
  caller: Token,
): readonly Inline[] | null {
  const { text } = maker;
  if (text === 'hbox' || text === 'vbox' || text === 'vtop' || text === 'vcenter')
    return [readBox(it, text, caller)];
  if (text !== 'box' && text !== 'copy') return null;
  const register = it.state.register('box', scanInt(it.p));
  const found = kept(it, register);
  if (text === 'box') it.state.set(register, undefined);
  return placedAt(found?.inlines ?? [], it.p.place);
}

/** `\settowidth` and its kin. */
function setTo(name: string, part: (size: Size) => Sp, what: string): CommandEntry {
  return {
    name,
    description: `Sets a length to the ${what} of a text.`,
    example: `\\newlength{\\gauge}\\${name}{\\gauge}{high water}`,
    ...alsoInFormulas('mm', (it, args) => {
      const target = tokensOf(args, 0).find((t) => t.cell !== null);
      const value = part(it.host.measure(it.inlinesOf(tokensOf(args, 1))));
      const meaning = target?.cell ? it.state.meaning(target.cell) : undefined;
      if (meaning?.kind !== 'register') return;
      it.state.set(meaning.storage, meaning.type === 'skip' ? glue(value) : value);
    }),
  };
}

/** `\wd`, `\ht`, `\dp`: read where a length is wanted, set by an assignment. */
const sizePrimitive = (
  it: Interpreter,
  name: string,
  part: 'width' | 'height' | 'depth',
): Primitive => ({
  kind: 'primitive',
  name,
  run: (p) => {
    const cell = p.state.register('box', scanInt(p));
    p.takeChar('=');
    const value = scanDimen(p);
    const found = p.state.get(cell) as KeptBox | undefined;
    if (found) p.state.set(cell, { ...found, size: { ...found.size, [part]: value } });
  },
  read: (p) => {
    const found = p.state.get(p.state.register('box', scanInt(p))) as KeptBox | undefined;
    const value = found ? (found.size[part] ?? it.host.measure(found.inlines)[part]) : 0;
    return { type: 'dimen', value: Math.round(value) };
  },
});

/** Binds `\wd`, `\ht` and `\dp`, which measure with the host's help. */
export function bindSizes(it: Interpreter): void {
  const sizes = [
    ['wd', 'width'],
    ['ht', 'height'],
    ['dp', 'depth'],
  ] as const;
  for (const [name, part] of sizes)
    it.state.set(it.state.cell(name), sizePrimitive(it, name, part));
}

export const boxRegisterCommands: readonly CommandEntry[] = [
  {
    name: 'newsavebox',
    signature: 'm',
    description: 'A new place to keep a box.',
    example: '\\newsavebox{\\gauge}',
    run: (it, args) =>
      newBox(
        it,
        tokensOf(args, 0).find((t) => t.cell !== null),
      ),
  },
  {
    name: 'newbox',
    signature: '',
    description: 'A new place to keep a box.',
    example: '\\newbox\\gauge',
    run: (it, _args, token) => {
      const cell = readName(it.p, token);
      if (cell) newBox(it, it.p.command(cell.name));
    },
  },
  {
    name: 'sbox',
    description: 'Keeps a text as a box.',
    example: '\\newsavebox{\\gauge}\\sbox{\\gauge}{high water}',
    ...alsoInFormulas('mM', (it, args) => {
      const cell = boxCell(it, tokensOf(args, 0));
      it.state.set(cell, { inlines: it.inlinesOf(tokensOf(args, 1)), size: {} });
    }),
  },
  {
    name: 'savebox',
    signature: 'mooM',
    description: 'Keeps a text as a box of a given width.',
    example: '\\newsavebox{\\gauge}\\savebox{\\gauge}[3cm]{high water}',
    run: saveBox,
  },
  {
    name: 'usebox',
    signature: 'm',
    description: 'Prints a box that was kept.',
    example: '\\newsavebox{\\gauge}\\usebox{\\gauge}',
    run: (it, args) => {
      const cell = boxCell(it, tokensOf(args, 0));
      it.startParagraph();
      use(it, cell, false);
    },
    math: (reader, token) => {
      const args = reader.it.readArguments('m', token);
      return (
        args &&
        inFormula(reader, token, used(reader.it, boxCell(reader.it, tokensOf(args, 0)), false))
      );
    },
  },
  {
    name: 'setbox',
    description: 'Keeps the box that follows.',
    example: '\\setbox0=\\hbox{ferry}',
    ...alsoInFormulas('', (it, _args, token) => setBox(it, token)),
  },
  ...(
    [
      ['box', true],
      ['copy', false],
      ['unhbox', true],
      ['unhcopy', false],
      ['unvbox', true],
      ['unvcopy', false],
    ] as const
  ).map(([name, empties]): CommandEntry => ({
    name,
    signature: '',
    description: 'Prints a box that was kept.',
    example: `\\setbox0=\\hbox{ferry}\\${name}0`,
    run: (it) => use(it, it.state.register('box', scanInt(it.p)), empties),
    math: (reader, token) => {
      const { it } = reader;
      return inFormula(reader, token, used(it, it.state.register('box', scanInt(it.p)), empties));
    },
  })),
  moved('raise', 'raise', 1),
  moved('lower', 'raise', -1),
  moved('moveright', 'shift', 1),
  moved('moveleft', 'shift', -1),
  setTo('settowidth', (s) => s.width, 'width'),
  setTo('settoheight', (s) => s.height, 'height'),
  setTo('settodepth', (s) => s.depth, 'depth'),
];

function saveBox(it: Interpreter, args: Args): void {
  const cell = boxCell(it, tokensOf(args, 0));
  const inlines = it.inlinesOf(tokensOf(args, 3));
  if (!args[1]) {
    it.state.set(cell, { inlines, size: {} });
    return;
  }
  it.p.push([...tokensOf(args, 1), it.p.command('relax')]);
  const width = scanDimen(it.p);
  const rest = it.p.next();
  if (rest && rest.text !== 'relax') it.p.unread(rest);
  const letter = tokensOf(args, 2)[0]?.text ?? 'c';
  const align: BoxInline['align'] = letter === 'l' ? 'left' : letter === 'r' ? 'right' : 'center';
  it.state.set(cell, { inlines: [box(it, inlines, { width, align })], size: {} });
}

/** The box that takes what is gathered, and the mode around it. */
const KEPT = cell<{ readonly box: Cell; readonly outer: Mode } | null>('lrbox', null);

/** `lrbox`: an environment whose contents are kept as a box. */
export const lrbox: EnvironmentEntry = {
  name: 'lrbox',
  signature: 'm',
  description: 'Keeps its contents as a box.',
  example: '\\newsavebox{\\gauge}\\begin{lrbox}{\\gauge}high water\\end{lrbox}\\usebox{\\gauge}',
  begin: (it, args) => {
    const box = boxCell(it, tokensOf(args, 0));
    const hlist = new InlineList(it.read(CELLS.divisions));
    it.innermost.data.set(KEPT, { box, outer: it.pushMode({ hlist, restricted: true }) });
    it.skipBlanks();
  },
  end: (it) => {
    const kept = it.innermost.data.get(KEPT);
    if (!kept) return;
    const { hlist } = it.popMode(kept.outer);
    hlist?.unskip();
    const inlines = hlist?.finish() ?? [];
    it.afterEnvironment = (inner) => inner.state.set(kept.box, { inlines, size: {} });
  },
};
