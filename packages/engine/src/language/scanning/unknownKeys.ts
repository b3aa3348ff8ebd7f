import { nearestName } from '../../base/nearest';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from './optionLists';

/** The one key that goes on where this one stops: `a4` for `a4paper`. */
function begunKey(name: string, known: readonly string[]): string | null {
  const longer = known.filter((one) => one.startsWith(name));
  return name.length >= 2 && longer.length === 1 ? (longer[0] ?? null) : null;
}

/** `a4paper margin`: two keys without the comma between them. */
function commaBetween(name: string, known: readonly string[]): string | null {
  const blank = name.indexOf(' ');
  const [first, second] = [name.slice(0, blank), name.slice(blank + 1)];
  return blank > 0 && known.includes(first) && known.includes(second)
    ? `${first}, ${second}`
    : null;
}

/** The key that was most likely meant; null when none is near. */
export const meantKey = (name: string, known: readonly string[]): string | null =>
  commaBetween(name, known) ?? nearestName(name, known) ?? begunKey(name, known);

/** Tells of a key that there is not where it is written, with the one that was meant. */
export function tellUnknownKey(
  it: Interpreter,
  written: readonly Token[],
  known: readonly string[],
  meant?: string | null,
): void {
  const key = trimmed(written);
  const [first] = key;
  const last = key.at(-1);
  if (!first || !last) return;
  const name = tokensText(key).trim();
  const near = meant === undefined ? meantKey(name, known) : meant;
  const span = it.spanOf(first);
  if (near === null) {
    const isWhole = last.chunk === first.chunk && first.chunk === it.p.reader.chunk;
    return it.p.report('option-unknown', isWhole ? { ...span, to: last.to } : span, { name });
  }
  const isTyped = key.every(({ chunk }) => chunk === it.p.reader.chunk);
  const place = { from: span.from, to: isTyped ? last.to : span.to };
  const fix = { title: `Write ${near}`, edits: [{ ...place, text: near }] };
  it.p.report('option-misspelt', place, { name, meant: near }, isTyped ? fix : undefined);
}

/** The key of each option of a list, as it is written. */
export const writtenKeys = (tokens: readonly Token[]): (readonly Token[])[] =>
  splitAt(tokens, ',').map((part) => {
    const eq = part.findIndex((t) => t.cat === Cat.Other && t.text === '=');
    return trimmed(eq < 0 ? part : part.slice(0, eq));
  });

/** Tells of every key of a list that is not among those there are. */
export function tellUnknownKeys(
  it: Interpreter,
  tokens: readonly Token[],
  known: readonly string[],
): void {
  for (const key of writtenKeys(tokens))
    if (key.length > 0 && !known.includes(tokensText(key).trim())) tellUnknownKey(it, key, known);
}
