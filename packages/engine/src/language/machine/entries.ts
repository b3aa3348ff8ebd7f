import type { Primitive, Token } from '../../expansion/meaning';
import type { MathNode } from '../../document/math';
import type { Interpreter } from './interpreter';
import type { MathReader } from './mathReader';

/**
 * The arguments a command was given, in the order of its signature: a token list,
 * null for an optional one left out, a boolean for a star.
 */
export type Args = readonly (readonly Token[] | null | boolean)[];

/** What completion, hover and the handbook show of every command and environment. */
export interface Described {
  readonly name: string;
  /**
   * Arguments, a letter each: `s` star, `o` optional in brackets, `m` mandatory,
   * `M` mandatory and may hold blank lines.
   */
  readonly signature: string;
  readonly description: string;
  readonly example: string;
  /** The package that brings it, or nothing for the kernel and classes. */
  readonly package?: string;
}

/** A command of the language. `run` acts in text, `math` inside formulas; one that has only `math` belongs in formulas. */
export interface CommandEntry extends Described {
  /** Given in the language itself: a body with `#1` … for the arguments of the signature (`m` and `o` only). */
  readonly macro?: string;
  /** What stands for a first optional argument that is left out. */
  readonly fallback?: string;
  readonly run?: (it: Interpreter, args: Args, token: Token) => void;
  /** In text, before arguments are read: does another form of the command stand here? Then it carries that out. */
  readonly instead?: (it: Interpreter, token: Token) => boolean;
  readonly math?: (reader: MathReader, token: Token) => readonly MathNode[] | MathNode | null;
  /** Where a number or length is wanted: what it stands for. */
  readonly read?: Primitive['read'];
  /** It means this within an environment that binds it; elsewhere whatever else has its name. */
  readonly yields?: true;
}

/** An environment. `begin` and `end` may stand in different macros; `read` takes everything to its `\end` itself. */
export interface EnvironmentEntry extends Described {
  readonly begin?: (it: Interpreter, args: Args, token: Token) => void;
  readonly end?: (it: Interpreter) => void;
  /** Inside formulas: reads the contents up to the `\end`. */
  readonly math?: (reader: MathReader, token: Token) => MathNode | null;
  /** Plain data that its begin and end go by, so that equal entries can be told to be equal. */
  readonly detail?: unknown;
}

/** What a class or package brings. */
export interface Module {
  readonly commands?: readonly CommandEntry[];
  readonly environments?: readonly EnvironmentEntry[];
  /** Source in the language itself, carried out when the module is loaded. */
  readonly source?: string;
  /** Macros in the language itself: name → body (with `#1` …). */
  readonly macros?: Readonly<Record<string, string>>;
  readonly setup?: (it: Interpreter, options: readonly string[]) => void;
  /** What `source` defines, for completion and the handbook. */
  readonly described?: readonly SourceName[];
}

/** A name that the source of a module defines. */
export interface SourceName extends Described {
  readonly kind: 'command' | 'environment';
}

/** A package of the standard distribution. */
export interface PackageEntry extends Module {
  readonly name: string;
  readonly description: string;
  /** Options it knows; `null` takes any. */
  readonly options: readonly string[] | null;
  /** The keys of its options (`key=value`), all that its manual has: others are told of. */
  readonly keys?: readonly string[];
  /** Packages it loads. */
  readonly requires?: readonly string[];
}

/** A document class. */
export interface ClassEntry extends Module {
  readonly name: string;
  readonly description: string;
  readonly options: readonly string[];
  /** Packages it loads, before its setup. */
  readonly requires?: readonly string[];
}

/** A token-list argument; an absent one is empty. */
export const tokensOf = (args: Args, i: number): readonly Token[] => {
  const arg = args[i];
  return Array.isArray(arg) ? (arg as readonly Token[]) : [];
};

export const isStarred = (args: Args, i = 0): boolean => args[i] === true;
