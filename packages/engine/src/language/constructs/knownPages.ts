import { readArgument } from '../../expansion/arguments';
import { cell } from '../../expansion/cells';
import { type Expandable, type Quantity, sameValue, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { fromNumeral } from '../../expansion/numerals';
import { getCount, setCount, storageOf } from '../../expansion/registers';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';

/** A page as it was made last: its number, and how that is written. */
export interface KnownPage {
  readonly number: number;
  readonly folio: string;
}

/** The pages of the document in order: given back by the session. */
export const PAGES = cell<readonly KnownPage[]>('pages', []);

/** What a label stands for where a number is wanted. */
export interface KnownLabel {
  readonly value: string;
  readonly page: string;
}

/** The labels of the document: given back by the session to who asks for numbers of them. */
export const LABELS = cell<Readonly<Record<string, KnownLabel>>>('knownlabels', {});

const PAGE = 'c@page';

/** What something is on any page, and, where it goes by the page's number, on each page in order. */
export interface ByPage<T> {
  readonly always: T;
  readonly onPages: readonly T[] | null;
}

/** Sets what stands on every page: once, or for each page where the setting asks for the number of the page. */
export function byPage<T>(it: Interpreter, set: () => T): ByPage<T> {
  const { state } = it;
  let always = undefined as T;
  const asks = state.readsWhile(storageOf(state, 'count', PAGE), () => {
    always = set();
  });
  if (!asks) return { always, onPages: null };
  const onPages: T[] = [];
  for (const { number } of it.read(PAGES)) {
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    setCount(state, PAGE, number);
    const value = set();
    it.closeGroup();
    const before = onPages.at(-1);
    onPages.push(before !== undefined && sameValue(before, value) ? before : value);
  }
  return { always, onPages };
}

/** The number of the page, where a number is wanted. */
export const pageNumber = (p: Processor): Quantity => ({
  type: 'count',
  value: getCount(p.state, PAGE),
});

/** The text of an argument that is compared: the number of the page stands in it in figures. */
export const comparedText = (p: Processor, tokens: readonly Token[]): string =>
  tokensText(
    expandTokens(p, tokens).flatMap((token) =>
      token.text === OWN.pageField ? p.chars(String(getCount(p.state, PAGE))) : [token],
    ),
  );

/** The number, or the page, of a label as it was last; 0 while it is not known. */
function labelNumber(p: Processor, caller: Token, what: keyof KnownLabel): number {
  p.takeChar('*');
  const name = textOf(p, readArgument(p, caller) ?? []);
  return fromNumeral(p.state.read(LABELS)[name]?.[what] ?? '');
}

/** `\ref` and `\pageref` where a number is wanted. */
export const labelAsNumber =
  (what: keyof KnownLabel) =>
  (p: Processor, caller: Token): Quantity => ({
    type: 'count',
    value: labelNumber(p, caller, what),
  });

/** Expands to the number, or the page, of a label in figures. */
export const labelFigures = (name: string, what: keyof KnownLabel): Expandable => ({
  kind: 'expandable',
  name,
  expand: (p, token) => p.push(p.chars(String(labelNumber(p, token, what)))),
});
