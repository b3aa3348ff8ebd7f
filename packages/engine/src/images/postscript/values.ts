/** Objects of the PostScript language (Language Reference, third edition, 3.3): plain data, compared by what they are. */
export type Value =
  | number
  | boolean
  | null
  | NameValue
  | StringValue
  | ArrayValue
  | DictValue
  | OperatorValue
  | SpecialValue;

export interface NameValue {
  readonly kind: 'name';
  readonly name: string;
  readonly executable: boolean;
}
/** Characters of a byte each; a string's contents can be changed in place. */
export interface StringValue {
  readonly kind: 'string';
  text: string;
  readonly executable: boolean;
}
export interface ArrayValue {
  readonly kind: 'array';
  readonly items: Value[];
  readonly executable: boolean;
}
export interface DictValue {
  readonly kind: 'dict';
  readonly entries: Map<string, Value>;
}
export interface OperatorValue {
  readonly kind: 'operator';
  readonly name: string;
}
/** A mark on the stack, the file that is read, a state that was saved. */
export interface SpecialValue {
  readonly kind: 'mark' | 'file' | 'save';
}

/** What stops a program: the name of the error as the language has it, and what it happened to. */
export class PostScriptError extends Error {
  constructor(
    readonly error: string,
    readonly command = '',
  ) {
    super(`${error}: ${command}`);
  }
}

export const nameOf = (name: string, executable = false): NameValue => ({
  kind: 'name',
  name,
  executable,
});
export const stringOf = (text: string): StringValue => ({
  kind: 'string',
  text,
  executable: false,
});
export const arrayOf = (items: Value[], executable = false): ArrayValue => ({
  kind: 'array',
  items,
  executable,
});
export const dictOf = (): DictValue => ({ kind: 'dict', entries: new Map() });
export const MARK: SpecialValue = { kind: 'mark' };
export const FILE: SpecialValue = { kind: 'file' };

export const kindOf = (value: Value): string =>
  value === null ? 'null' : typeof value === 'object' ? value.kind : typeof value;

export function isKind<K extends Exclude<Value, number | boolean | null>['kind']>(
  value: Value,
  kind: K,
): value is Extract<Value, { kind: K }> {
  return typeof value === 'object' && value !== null && value.kind === kind;
}

/** What a value is called as a key of a dictionary; strings and names of one spelling are one key. */
export function keyOf(value: Value): string {
  if (isKind(value, 'name')) return `/${value.name}`;
  if (isKind(value, 'string')) return `/${value.text}`;
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  throw new PostScriptError('typecheck', kindOf(value));
}

/** A key as the value it was made of. */
export const keyValue = (key: string): Value => {
  if (key.startsWith('/')) return nameOf(key.slice(1));
  return key === 'true' || key === 'false' ? key === 'true' : Number(key);
};

/** Are they equal (`eq`): numbers by value, texts by their characters, others by being one. */
export function equal(a: Value, b: Value): boolean {
  const text = (value: Value): string | null =>
    isKind(value, 'name') ? value.name : isKind(value, 'string') ? value.text : null;
  const [left, right] = [text(a), text(b)];
  if (left !== null || right !== null) return left === right;
  if (isKind(a, 'operator') && isKind(b, 'operator')) return a.name === b.name;
  return a === b;
}

/** A value as `cvs` and `=` write it. */
export function written(value: Value): string {
  if (typeof value === 'number' || typeof value === 'boolean') return String(value);
  if (isKind(value, 'string')) return value.text;
  if (isKind(value, 'name') || isKind(value, 'operator')) return value.name;
  return '--nostringval--';
}
