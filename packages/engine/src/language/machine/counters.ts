import { CELLS, kindNames } from './cells';
import type { Inline } from '../../document/inlines';
import type { FontSpec } from '../../document/font';
import { expandTokens, textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { declareRegister, getCount, setCount } from '../../expansion/registers';
import type { State } from '../../expansion/state';
import type { Interpreter } from './interpreter';
import type { KindNames } from './reading';
import { cellsBy } from '../../expansion/cells';

/** The counters that stepping another sets back, by its name. */
const resets = cellsBy<readonly string[]>('resets', []);

/** Is there a counter of that name? */
export const counterExists = (state: State, name: string): boolean =>
  state.get(state.cell(`c@${name}`)) !== undefined;

/** `\newcounter`: the counter, `\the…` as an Arabic number, and what resets it. */
export function newCounter(it: Interpreter, name: string, within: string | null): void {
  declareRegister(it.state, 'count', `c@${name}`);
  it.define(`the${name}`, `\\arabic{${name}}`);
  if (within) addReset(it.state, name, within);
}

/** `\@addtoreset`: stepping `within` sets `name` back to zero. */
export function addReset(state: State, name: string, within: string): void {
  const list = state.read(resets(within));
  if (!list.includes(name)) state.write(resets(within), [...list, name], true);
}

/** `\counterwithout`: the outer counter leaves it alone, and it prints by itself. */
export function countFreely(it: Interpreter, name: string, outer: string): void {
  const list = it.read(resets(outer)).filter((n) => n !== name);
  it.write(resets(outer), list, true);
  it.define(`the${name}`, `\\arabic{${name}}`);
}

export const counterValue = (state: State, name: string): number => getCount(state, `c@${name}`);

/** Counters are global (LaTeX). */
export function setCounter(state: State, name: string, value: number): void {
  setCount(state, `c@${name}`, value, true);
}

/** `\stepcounter`: one more, and all that is counted within it starts anew. */
export function stepCounter(state: State, name: string, depth = 0): void {
  setCounter(state, name, counterValue(state, name) + 1);
  const within = state.read(resets(name));
  if (depth > 20) return;
  for (const inner of within) resetCounter(state, inner, depth + 1);
}

function resetCounter(state: State, name: string, depth: number): void {
  setCounter(state, name, 0);
  const within = state.read(resets(name));
  if (depth <= 20) for (const inner of within) resetCounter(state, inner, depth + 1);
}

/** What `\the…` of the counter prints. */
export function counterText(it: Interpreter, name: string): string {
  return textOf(it.p, [it.p.command(`the${name}`)]);
}

/** What a `\label` names: the number as characters, set if it is more than that, and what is counted. */
/** What a reference prints when that is more than characters: read in a font, and set in that around the reference. */
export interface Shown {
  readonly inlines: readonly Inline[];
  readonly font: FontSpec;
}

/** Tokens as what a reference prints. */
export const shownOf = (it: Interpreter, tokens: readonly Token[]): Shown => ({
  inlines: it.inlinesOf(tokens),
  font: it.font,
});

export interface CurrentLabel {
  readonly value: string;
  readonly shown: Shown | null;
  readonly kind: string;
  /** Of a part of a figure, its own number alone. */
  readonly part?: string;
}

/** Tokens as a label keeps them. */
export function labelValue(it: Interpreter, tokens: readonly Token[], kind: string): CurrentLabel {
  const expanded = expandTokens(it.p, tokens);
  const plain = expanded.every((t) => t.cell === null && t.cat !== Cat.Math && t.cat !== Cat.Begin);
  const value = expanded.map((t) => (t.cat === Cat.Command ? '' : t.text)).join('');
  return { value, shown: plain ? null : shownOf(it, expanded), kind };
}

/** What a `\label` that follows names; a `\@currentlabel` that was set by hand before is past. */
export function nameNext(it: Interpreter, label: CurrentLabel): void {
  it.write(CELLS.currentLabel, label);
  const cell = it.state.cell(OWN_LABEL);
  if (it.state.get(cell) !== undefined) it.state.set(cell, undefined);
}

/** The macro by which a label's text is set by hand. */
export const OWN_LABEL = '@currentlabel';

/** `\refstepcounter`: steps, and is what a `\label` that follows names. */
export function refStepCounter(it: Interpreter, name: string): void {
  stepCounter(it.state, name);
  const tokens = [it.p.command(`p@${name}`), it.p.command(`the${name}`)];
  const prefixed = it.state.get(it.state.cell(`p@${name}`)) !== undefined;
  nameNext(it, labelValue(it, prefixed ? tokens : tokens.slice(1), name));
}

/** Stands for all kinds of which a document says nothing else. */
export const ANY_KIND = '*';

/** Names of a kind, its numbers written as those of any kind where nothing is said of them. */
function withUsualFormat(
  own: KindNames | null,
  any: KindNames | null,
  kind: string,
): KindNames | null {
  const label = any?.formats?.label;
  // Numbers of equations have their brackets whatever is said of others.
  if (!label || own?.formats?.label || kind === 'equation') return own;
  return { ...own, formats: { ...own?.formats, label } };
}

/** What `\crefname`, `\…autorefname` or the title of a theorem says a kind is called. */
export function namesOfKind(it: Interpreter, kind: string): { names?: KindNames } {
  const said = withUsualFormat(it.read(kindNames(kind)), it.read(kindNames(ANY_KIND)), kind);
  const language = it.hasPackage('cleveref') ? it.read(CELLS.patterns) : null;
  const names = language === null || language.startsWith('en') ? said : { ...said, language };
  const auto = it.state.meaning(it.state.cell(`${kind}autorefname`));
  if (auto?.kind !== 'macro') return names ? { names } : {};
  return { names: { ...names, auto: auto.body.map(({ text }) => text).join('') } };
}
