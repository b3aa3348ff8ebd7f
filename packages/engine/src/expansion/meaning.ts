import type { Glue } from '../base/lengths';
import { sameTokens, type Token as AnyToken } from '../tokens/token';
import type { Processor } from './processor';
import type { Cell } from './state';

export type Token = AnyToken<Cell>;

/** One argument of a macro that says what it takes: its letter, its delimiters, its default. */
/** What is done with an argument before the macro has it (`>{…}` in a specification). */
export type Processing =
  | { readonly kind: 'split'; readonly at: readonly Token[]; readonly parts: number | null }
  | { readonly kind: 'reverse' | 'trim' };

export interface ArgumentSpec {
  /** The last one first. */
  readonly processing?: readonly Processing[];
  readonly type: 'm' | 'o' | 'd' | 's' | 't' | 'r' | 'v' | 'e' | 'g' | 'b';
  readonly open: string;
  readonly close: string;
  /** What stands for it when it is left out; null for the mark of no value. */
  readonly fallback: readonly Token[] | null;
  readonly long: boolean;
}

/** A macro: a parameter text to match and a body (The TeXbook, chapter 20). */
export interface Macro {
  readonly kind: 'macro';
  /** Arguments by letters (`\NewDocumentCommand`); `params` and `optional` play no part then. */
  readonly spec?: readonly ArgumentSpec[];
  /** Parameter text: `Argument` tokens and delimiters between them. */
  readonly params: readonly Token[];
  /** LaTeX's optional first argument: its default, or null when there is none. */
  readonly optional: readonly Token[] | null;
  readonly body: readonly Token[];
  /** May arguments hold `\par`? */
  readonly long: boolean;
  /** Left alone by `\edef` and in moving arguments. */
  readonly protect: boolean;
}

/** A primitive that is replaced by other tokens. */
export interface Expandable {
  readonly kind: 'expandable';
  readonly name: string;
  readonly expand: (processor: Processor, token: Token) => void;
  readonly protect?: boolean;
  /** Part of `\if … \else … \fi`, so that skipped text is counted right. */
  readonly conditional?: 'if' | 'else' | 'or' | 'fi';
}

/** An assignment or other primitive that is carried out, anywhere. */
export interface Primitive {
  readonly kind: 'primitive';
  readonly name: string;
  readonly run: (processor: Processor, token: Token) => void;
  /** Where a number or length is wanted: what it stands for (`\wd0`, `\numexpr`). */
  readonly read?: (processor: Processor, token: Token) => Quantity;
}

/** A value that a name stands for. */
export interface Quantity {
  readonly type: RegisterType;
  readonly value: unknown;
}

/** `\let` to a character. */
interface CharMeaning {
  readonly kind: 'char';
  readonly cat: number;
  readonly text: string;
}

export type RegisterType = 'count' | 'dimen' | 'skip' | 'muskip' | 'toks';

/** A name for a register or parameter. */
export interface RegisterMeaning {
  readonly kind: 'register';
  readonly type: RegisterType;
  readonly storage: Cell;
}

/** `\chardef`. */
interface CharNumber {
  readonly kind: 'chardef';
  readonly code: number;
}

/** A command of the language, carried out by `language`; opaque here. */
interface CommandMeaning {
  readonly kind: 'command';
  readonly name: string;
  /** Where a number or length is wanted: what it stands for. */
  readonly read?: Primitive['read'];
  /** It is there for want of another: whoever defines the name takes it, and it counts as undefined. */
  readonly yields?: true;
}

/** Does a name with this meaning count as defined? */
export const isTaken = (meaning: Meaning | undefined): boolean =>
  meaning !== undefined && !(meaning.kind === 'command' && meaning.yields);

/** May it be defined as new? What was let be `\relax` may (the kernel's `\@ifdefinable`). */
export const isFree = (meaning: Meaning | undefined): boolean =>
  !isTaken(meaning) || (meaning?.kind === 'primitive' && meaning.name === 'relax');

export type Meaning =
  Macro | Expandable | Primitive | CharMeaning | RegisterMeaning | CharNumber | CommandMeaning;

/** Is the meaning one that expansion replaces? */
export function isExpandable(meaning: Meaning | undefined): meaning is Macro | Expandable {
  return meaning !== undefined && (meaning.kind === 'macro' || meaning.kind === 'expandable');
}

/** `\ifx`: the same meaning, for macros the same texts (The TeXbook, chapter 20). */
export function sameMeaning(a: Meaning | undefined, b: Meaning | undefined): boolean {
  if (a === b) return true;
  if (!a || !b || a.kind !== b.kind) return false;
  switch (a.kind) {
    case 'macro': {
      const other = b as Macro;
      return (
        a.long === other.long &&
        a.protect === other.protect &&
        sameTokens(a.params, other.params) &&
        sameTokens(a.body, other.body) &&
        (a.optional === null) === (other.optional === null) &&
        sameTokens(a.optional ?? [], other.optional ?? []) &&
        sameValue(a.spec, other.spec)
      );
    }
    case 'char':
      return a.cat === (b as CharMeaning).cat && a.text === (b as CharMeaning).text;
    case 'register':
      return a.storage === (b as RegisterMeaning).storage;
    case 'chardef':
      return a.code === (b as CharNumber).code;
    default:
      return false;
  }
}

/** Do two cell values mean the same? Structural for plain data; used to prove reuse. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if ('kind' in a && 'kind' in b && (a as Meaning).kind === 'macro') {
    return sameMeaning(a as Meaning, b as Meaning);
  }
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  if (a instanceof Map || b instanceof Map || ArrayBuffer.isView(a) || ArrayBuffer.isView(b)) {
    return false;
  }
  const left = Object.entries(a);
  const right = b as Record<string, unknown>;
  if (left.length !== Object.keys(right).length) return false;
  return left.every(([key, value]) => {
    // Where a token stood makes no difference to what it does.
    if (key === 'chunk' || key === 'from' || key === 'to') return true;
    if (key === 'cell' || key === 'storage') return value === right[key];
    return sameValue(value, right[key]);
  });
}

/** The initial value of a register of the type. */
export function emptyRegister(type: RegisterType): number | Glue | readonly Token[] {
  if (type === 'toks') return [];
  if (type === 'skip' || type === 'muskip') {
    return { width: 0, stretch: 0, stretchOrder: 0, shrink: 0, shrinkOrder: 0 };
  }
  return 0;
}

/** A category for marks that end an inner run; nothing may eat them. */
export const STOP = 18;

/** Body tokens forget where they stand: a use is placed at the call. */
export function detach(tokens: readonly Token[]): Token[] {
  return tokens.map((t) => (t.chunk === -1 ? t : { ...t, chunk: -1 }));
}
