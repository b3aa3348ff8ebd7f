import type {
  ChoiceNode,
  LapNode,
  MathNode,
  MathStyleName,
  SidesetNode,
} from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { readOptional } from '../../expansion/arguments';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { mathEntry as entry } from './mathEntry';

/** `\limits`, `\nolimits`, `\displaylimits`: changes the operator just read. */
const setLimits = (name: string, limits: boolean | null, what: string): CommandEntry =>
  entry(name, '', what, `\\sum\\${name}_i`, (reader) => {
    const nodes = reader.current;
    const last = nodes.at(-1);
    if (last?.kind === 'operator')
      nodes[nodes.length - 1] =
        limits === null ? { ...last, limits, takesLimits: true } : { ...last, limits };
    else if (last?.kind === 'group')
      nodes[nodes.length - 1] = { ...last, limits: limits ?? 'display' };
    return null;
  });

const phantom = (name: string, horizontal: boolean, vertical: boolean): CommandEntry =>
  entry(
    name,
    'm',
    'Takes the room of the formula as it says; nothing is drawn.',
    `\\${name}{x}`,
    (reader, token) => ({
      kind: 'phantom',
      body: reader.field(token),
      horizontal,
      vertical,
      shown: false,
      ...reader.span(token),
    }),
  );

/** `\smash`, and `\smash[t]`, `\smash[b]` for height or depth alone. */
const smash = entry(
  'smash',
  'om',
  'Draws the formula as if it had no height and depth; [t] or [b] for one of them.',
  '\\smash[b]{y}',
  (reader, token) => {
    const which = readOptional(reader.p)?.[0]?.text;
    const only = which === 't' ? 'top' : which === 'b' ? 'bottom' : null;
    return {
      kind: 'phantom',
      body: reader.field(token),
      horizontal: true,
      vertical: false,
      ...(only ? { only } : {}),
      shown: true,
      ...reader.span(token),
    };
  },
);

const STYLES: readonly MathStyleName[] = ['display', 'text', 'script', 'scriptscript'];

const choice = entry(
  'mathchoice',
  'mmmm',
  'One of four formulas, by the size in force.',
  '\\mathchoice{D}{T}{S}{s}',
  (reader, token): ChoiceNode => {
    const lists = STYLES.map((style) => [style, reader.field(token)] as const);
    return {
      kind: 'choice',
      lists: Object.fromEntries(lists) as unknown as ChoiceNode['lists'],
      ...reader.span(token),
    };
  },
);

/** A formula of no width, as package mathtools has it. */
const lap = (name: string, align: LapNode['align'], where: string): CommandEntry =>
  entry(
    name,
    'om',
    `The formula takes no width and sticks out ${where}.`,
    `\\${name}{x}`,
    (reader, token) => {
      readOptional(reader.p);
      return { kind: 'lap', align, body: reader.field(token), ...reader.span(token) };
    },
  );

const breaking = (name: string, penalty: number, what: string): CommandEntry =>
  entry(name, '', what, `a,\\${name} b`, (reader, token) => ({
    kind: 'penalty',
    penalty,
    ...reader.it.spanOf(token),
  }));

/** `\root n \of {x}` (plain TeX). */
const root = entry(
  'root',
  '',
  'A root with its degree: \\root n \\of x.',
  '\\root 3 \\of {x}',
  (reader, token) => {
    const outer = reader.current;
    const degree: MathNode[] = [];
    for (let next = reader.p.next(); next !== null; next = reader.p.next()) {
      if (next.text === 'of' && next.cell !== null) break;
      if (!reader.takePart(next, degree)) break;
    }
    reader.current = outer;
    return { kind: 'radical', body: reader.field(token), degree, ...reader.span(token) };
  },
);

/** Parts that are placed out of the ordinary, in the kernel. */
export const placedParts: readonly CommandEntry[] = [
  setLimits('limits', true, 'Limits above and below the operator.'),
  setLimits('nolimits', false, 'Limits beside the operator.'),
  setLimits('displaylimits', null, 'Limits above and below the operator in displays.'),
  phantom('phantom', true, true),
  phantom('hphantom', true, false),
  phantom('vphantom', false, true),
  smash,
  choice,
  root,
  entry(
    'mathstrut',
    '',
    'The height of a bracket, and no width.',
    '\\mathstrut',
    (reader, token) => ({
      kind: 'phantom',
      body: [reader.symbol('(', 'ord', token)],
      horizontal: false,
      vertical: true,
      shown: false,
      ...reader.span(token),
    }),
  ),
  breaking('nobreak', 10000, 'No line break here.'),
  breaking('allowbreak', 0, 'A line may break here.'),
];

/** The scripts of `{…}` in `\sideset`: what stands raised and lowered in it. */
function cornerOf(reader: MathReader, token: Token): SidesetNode['left'] {
  const nodes = reader.field(token);
  const scripts = nodes.find((n) => n.kind === 'scripts');
  return scripts?.kind === 'scripts'
    ? { sup: scripts.sup, sub: scripts.sub }
    : { sup: null, sub: null };
}

const sideset = entry(
  'sideset',
  'mmm',
  'Scripts at the corners of an operator, left and right.',
  '\\sideset{_a^b}{_c^d}\\sum',
  (reader, token) => {
    const left = cornerOf(reader, token);
    const right = cornerOf(reader, token);
    const [base, ...rest] = reader.field(token);
    if (!base) return null;
    return [{ kind: 'sideset', base, left, right, ...reader.span(token) }, ...rest];
  },
);

export const amsPlaced: readonly CommandEntry[] = [
  sideset,
  ...['uproot', 'leftroot'].map((name) =>
    entry(
      name,
      'm',
      'Moves the degree of a root; roots place it by the font.',
      `\\sqrt[\\${name}{2} 3]{x}`,
      (reader, token) => {
        reader.argument(token);
        return null;
      },
    ),
  ),
];

export const laps: readonly CommandEntry[] = [
  lap('mathllap', 'right', 'to the left'),
  lap('mathrlap', 'left', 'to the right'),
  lap('mathclap', 'center', 'on both sides'),
  entry(
    'cramped',
    'om',
    'A formula whose raised parts stand lower, as under a root.',
    '\\cramped{x^2}',
    (reader, token) => {
      const next = reader.p.nextNonBlank();
      const bracketed = next?.text === '[' && next.cell === null;
      if (next && !bracketed) reader.p.unread(next);
      const style = bracketed ? reader.list('optional').nodes : [];
      const body = [...style, ...reader.field(token)];
      return {
        kind: 'group',
        cls: 'ord',
        body,
        limits: false,
        cramped: true,
        ...reader.span(token),
      };
    },
  ),
];
