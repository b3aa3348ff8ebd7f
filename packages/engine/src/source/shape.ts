import { environmentKind } from './environmentKinds';

/**
 * The shape of a source as far as characters tell it, whatever is broken in it: comments, code,
 * groups, commands, environments, marks of formulas. One reader for all who look at a source
 * without carrying it out: advice, mends, completion, the tools of the editor. Linear in the text.
 */
export interface Part {
  readonly kind:
    | 'comment'
    /** Printed as it is typed, or passed over: the body of `verbatim` and its kin, a whole `\verb|…|`. */
    | 'code'
    /** `\name` or `\` and a sign; of `\verb` and its kin what stands before the code. */
    | 'command'
    | 'open'
    | 'close'
    /** `\begin{name}`, `\end{name}`. */
    | 'begin'
    | 'end'
    /** A mark of a formula: `$`, `$$`, `\(`, `\)`, `\[`, `\]`. */
    | 'mark'
    /** `&`, `\\`. */
    | 'tab'
    | 'row'
    /** The end of a paragraph: from the end of its last line over the blank ones. */
    | 'blank';
  readonly from: number;
  readonly to: number;
  /** The name of a command or an environment, or the mark itself. */
  readonly name: string;
  /**
   * The index of the part that is the other end of a group, an environment or a formula; -1 when it
   * has none. An environment without an end is cut off by the end around it: that one is told.
   */
  readonly partner: number;
}

export interface Shape {
  readonly text: string;
  /** In order; none within another. */
  readonly parts: readonly Part[];
}

export interface Stretch {
  readonly from: number;
  readonly to: number;
}

type Draft = { -readonly [Key in keyof Part]: Part[Key] };

const LETTERS = /[A-Za-z@]+\*?/y;
const ENVIRONMENT = /\s*\{([^{}\n]*)\}/y;
const BLANK_LINES = /\n(?:[ \t]*\n)+/y;
const VERB = /(?:\s*\[[^\]\n]*\])?([^A-Za-z\s*])[^\n]*?\1/y;
const CODE_COMMANDS: ReadonlySet<string> = new Set(['verb', 'verb*', 'lstinline', 'mintinline']);
/** An address is read as it stands: a `%` in it is no comment. */
const ADDRESS = /\s*\{[^{}\n]*%[^{}\n]*\}/y;
const ADDRESS_COMMANDS: ReadonlySet<string> = new Set(['url', 'nolinkurl', 'href', 'path']);

function match(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(text);
}

/** The parts of a text, without their partners. */
function partsOf(text: string): Draft[] {
  const parts: Draft[] = [];
  const add = (kind: Part['kind'], from: number, to: number, name = ''): number => {
    parts.push({ kind, from, to, name, partner: -1 });
    return to;
  };
  let at = 0;
  while (at < text.length) {
    switch (text[at]) {
      case '\\':
        at = addCommand(text, at, add);
        break;
      case '%': {
        const end = text.indexOf('\n', at);
        at = add('comment', at, end < 0 ? text.length : end);
        break;
      }
      case '{':
        at = add('open', at, at + 1);
        break;
      case '}':
        at = add('close', at, at + 1);
        break;
      case '&':
        at = add('tab', at, at + 1);
        break;
      case '$':
        at = text[at + 1] === '$' ? add('mark', at, at + 2, '$$') : add('mark', at, at + 1, '$');
        break;
      case '\n': {
        const blank = match(BLANK_LINES, text, at);
        at = blank ? add('blank', at, at + blank[0].length) : at + 1;
        break;
      }
      default:
        at++;
    }
  }
  return parts;
}

type Add = (kind: Part['kind'], from: number, to: number, name?: string) => number;

/** A control sequence, an edge of an environment with its name, or code. */
function addCommand(text: string, at: number, add: Add): number {
  const letters = match(LETTERS, text, at + 1);
  if (!letters) {
    const sign = text[at + 1] ?? '';
    const to = at + 1 + sign.length;
    if ('()[]'.includes(sign) && sign !== '') return add('mark', at, to, `\\${sign}`);
    return add(sign === '\\' ? 'row' : 'command', at, to, sign);
  }
  const [name] = letters;
  const to = at + 1 + name.length;
  if (name === 'begin' || name === 'end') {
    const edge = match(ENVIRONMENT, text, to);
    if (!edge) return add('command', at, to, name);
    const behind = add(name, at, to + edge[0].length, edge[1] ?? '');
    return name === 'begin' ? addBody(text, behind, edge[1] ?? '', add) : behind;
  }
  add('command', at, to, name.replace('*', ''));
  const pattern = CODE_COMMANDS.has(name) ? VERB : ADDRESS_COMMANDS.has(name) ? ADDRESS : null;
  const code = pattern && match(pattern, text, to);
  return code ? add('code', to, to + code[0].length, name) : to;
}

/** What stands in an environment that is not read, up to its end. */
function addBody(text: string, at: number, name: string, add: Add): number {
  if (environmentKind(name) !== 'code') return at;
  const found = text.indexOf(`\\end{${name}}`, at);
  const end = found < 0 ? text.length : found;
  return end > at ? add('code', at, end, name) : at;
}

const CLOSES: Readonly<Record<string, string>> = { '\\)': '\\(', '\\]': '\\[' };

/** Finds the other ends: groups, environments and formulas each among themselves. */
function pair(parts: readonly Draft[]): void {
  const groups: number[] = [];
  const environments: number[] = [];
  /** How many of each name are open: an end of none need not be looked for. */
  const openNames = new Map<string, number>();
  const count = (name: string, by: number): unknown =>
    openNames.set(name, (openNames.get(name) ?? 0) + by);
  let formula = -1;
  const join = (open: number, close: number): void => {
    (parts[open] as Draft).partner = close;
    (parts[close] as Draft).partner = open;
  };
  parts.forEach((part, i) => {
    if (part.kind === 'open') groups.push(i);
    else if (part.kind === 'close') {
      const open = groups.pop();
      if (open !== undefined) join(open, i);
    } else if (part.kind === 'begin') {
      environments.push(i);
      count(part.name, 1);
    } else if (part.kind === 'end') {
      if (!openNames.get(part.name)) return;
      for (let open = environments.pop(); open !== undefined; open = environments.pop()) {
        const { name } = parts[open] as Draft;
        count(name, -1);
        if (name === part.name) return join(open, i);
        (parts[open] as Draft).partner = i;
      }
    } else if (part.kind === 'mark') {
      const open = parts[formula]?.name;
      if (open !== undefined && open === (CLOSES[part.name] ?? part.name)) {
        join(formula, i);
        formula = -1;
      } else if (!CLOSES[part.name]) formula = i;
    } else if (part.kind === 'blank') formula = -1;
  });
}

/** The shape of a text. */
export function shapeOf(text: string): Shape {
  const parts = partsOf(text);
  pair(parts);
  return { text, parts };
}

/** The first part that ends behind a place: its index, or how many there are. */
export function firstBehind({ parts }: Shape, at: number): number {
  let low = 0;
  let high = parts.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((parts[middle] as Part).to > at) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Does a place stand in a comment, or in what is not read? */
export function isUnread(shape: Shape, at: number): boolean {
  const part = shape.parts[firstBehind(shape, at)];
  return part !== undefined && part.from < at && (part.kind === 'comment' || part.kind === 'code');
}

/** Parts of a kind, and of one of the names where some are given. */
export const partsNamed = (
  { parts }: Shape,
  kind: Part['kind'],
  ...names: readonly string[]
): Part[] =>
  parts.filter((part) => part.kind === kind && (names.length === 0 || names.includes(part.name)));

/** The environments that are open at a place, the innermost last. */
export const openAt = ({ parts }: Shape, at: number): Part[] =>
  parts.filter(({ kind, from, to, partner }) => {
    if (kind !== 'begin' || from >= at || to > at) return false;
    return (parts[partner]?.from ?? Infinity) >= at;
  });

/** The other end of a part; null when it has none. */
export function partnerOf({ parts }: Shape, part: Part): Part | null {
  const other = parts[part.partner];
  return other && parts[other.partner] === part ? other : null;
}

/** Is a place between the marks of a formula that is closed, or in one that is open in its paragraph? */
export function isBetweenMarks(shape: Shape, at: number): boolean {
  let open: Part | null = null;
  for (const part of shape.parts) {
    if (part.from >= at) break;
    if (part.kind === 'blank') open = null;
    if (part.kind !== 'mark') continue;
    if (open && partnerOf(shape, open) === part) open = null;
    else if (CLOSES[part.name]) open = null;
    else open = part;
  }
  return open !== null && at >= open.to;
}

/** Where the brace stands that closes the one at a place; null when none does. */
export function closingBraceAt(shape: Shape, at: number): number | null {
  const part = shape.parts[firstBehind(shape, at)];
  if (part?.kind !== 'open' || part.from !== at) return null;
  return partnerOf(shape, part)?.from ?? null;
}

/** An argument: what stands between its brackets, and the brackets themselves. */
export interface Argument extends Stretch {
  readonly text: string;
  /** With its brackets or braces. */
  readonly whole: Stretch;
}

/**
 * The arguments behind a place, by a signature of `s` (star), `o` (in brackets) and `m` (in
 * braces); null for those that are not there. Blanks and the end of a line may stand between.
 */
export function argumentsAt(shape: Shape, at: number, signature: string): (Argument | null)[] {
  let here = at;
  return [...signature].map((kind): Argument | null => {
    const argument =
      kind === 's'
        ? starAt(shape, here)
        : kind === 'o'
          ? bracketAt(shape, here)
          : braceAt(shape, here);
    if (argument) here = argument.whole.to;
    return argument;
  });
}

const BLANKS = /[ \t]*\n?[ \t]*/y;
const behindBlanks = (text: string, at: number): number =>
  at + (match(BLANKS, text, at)?.[0].length ?? 0);

function starAt({ text }: Shape, at: number): Argument | null {
  if (text[at] !== '*') return null;
  const whole = { from: at, to: at + 1 };
  return { ...whole, text: '*', whole };
}

function braceAt(shape: Shape, at: number): Argument | null {
  const open = behindBlanks(shape.text, at);
  const close = closingBraceAt(shape, open);
  if (close === null) return null;
  return within(shape, open, close);
}

/** In brackets; braces in them hide brackets. */
function bracketAt(shape: Shape, at: number): Argument | null {
  const { text } = shape;
  const open = behindBlanks(text, at);
  if (text[open] !== '[') return null;
  for (let i = open + 1; i < text.length; i++) {
    if (text[i] === ']') return within(shape, open, i);
    if (text[i] === '\\') i++;
    else if (text[i] === '{') {
      const close = closingBraceAt(shape, i);
      if (close === null) return null;
      i = close;
    } else if (text[i] === '\n' && /^\n[ \t]*\n/.test(text.slice(i, i + 80))) return null;
  }
  return null;
}

const within = ({ text }: Shape, open: number, close: number): Argument => ({
  from: open + 1,
  to: close,
  text: text.slice(open + 1, close),
  whole: { from: open, to: close + 1 },
});

/** A command with its arguments, and where all of it ends. */
export interface Call {
  readonly name: string;
  readonly from: number;
  /** Behind its name. */
  readonly behind: number;
  readonly to: number;
  readonly args: readonly (Argument | null)[];
}

/** The calls of commands by one of these names, their arguments read by a signature. */
export const callsOf = (shape: Shape, names: readonly string[], signature: string): Call[] =>
  partsNamed(shape, 'command', ...names).map(({ name, from, to }) => {
    const behind = shape.text[to - 1] === '*' && signature.startsWith('s') ? to - 1 : to;
    const args = argumentsAt(shape, behind, signature);
    const end = args.findLast((argument) => argument !== null)?.whole.to ?? to;
    return { name, from, behind: to, to: end, args };
  });

/** The text with parts of some kinds blanked out, line ends kept, so that places stay. */
export function blanked({ text, parts }: Shape, ...kinds: readonly Part['kind'][]): string {
  let out = '';
  let at = 0;
  for (const { kind, from, to } of parts) {
    if (!kinds.includes(kind)) continue;
    out += text.slice(at, from) + text.slice(from, to).replace(/[^\n]/g, ' ');
    at = to;
  }
  return out + text.slice(at);
}

/** The end of the line that a place stands on, a comment on it left out. */
export function lineEndAt(shape: Shape, at: number): number {
  const newline = shape.text.indexOf('\n', at);
  const end = newline < 0 ? shape.text.length : newline;
  for (let i = firstBehind(shape, at); i < shape.parts.length; i++) {
    const part = shape.parts[i] as Part;
    if (part.from >= end) break;
    if (part.kind === 'comment' && part.from >= at) return part.from;
  }
  return end;
}
