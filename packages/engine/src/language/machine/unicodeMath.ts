import type { Span } from '../../base/spans';
import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { MathReader } from './mathReader';
import { attachScript } from './mathScripts';
import { tellTypedAs } from './typedSigns';

const pairs = (from: string, to: string): ReadonlyMap<string, string> => {
  const plain = [...to];
  return new Map([...from].map((char, i) => [char, plain[i] as string]));
};

/** Raised and lowered characters (Unicode, “Superscripts and Subscripts” and its kin) and what they stand for. */
const RAISED = pairs(
  '⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁱⁿᵃᵇᶜᵈᵉᶠᵍʰʲᵏˡᵐᵒᵖʳˢᵗᵘᵛʷˣʸᶻᵀ',
  '0123456789+-=()inabcdefghjklmoprstuvwxyzT',
);
const LOWERED = pairs('₀₁₂₃₄₅₆₇₈₉₊₋₌₍₎ₐₑₕᵢⱼₖₗₘₙₒₚᵣₛₜᵤᵥₓ', '0123456789+-=()aehijklmnoprstuvx');

const FRACTIONS: Readonly<Record<string, readonly [string, string]>> = {
  '½': ['1', '2'],
  '⅓': ['1', '3'],
  '⅔': ['2', '3'],
  '¼': ['1', '4'],
  '¾': ['3', '4'],
  '⅕': ['1', '5'],
  '⅖': ['2', '5'],
  '⅗': ['3', '5'],
  '⅘': ['4', '5'],
  '⅙': ['1', '6'],
  '⅚': ['5', '6'],
  '⅛': ['1', '8'],
  '⅜': ['3', '8'],
  '⅝': ['5', '8'],
  '⅞': ['7', '8'],
};

/** Signs that look like another which mathematics means by them. */
const MEANT: Readonly<Record<string, string>> = {
  '\u00b7': '⋅',
  '\u2219': '⋅',
  '\u00b5': 'μ',
  '\u2126': 'Ω',
  '\u2206': 'Δ',
  '\u2212': '-',
  '\u2013': '-',
  '\u2044': '/',
  '\u2215': '/',
  '\u2217': '*',
  '\u2236': ':',
  '\u2329': '⟨',
  '\u232a': '⟩',
  '\u3008': '⟨',
  '\u3009': '⟩',
  '\u0131': '𝚤',
  '\u0237': '𝚥',
};

const ROOTS: Readonly<Record<string, string>> = { '√': '', '∛': '3', '∜': '4' };

/** A character typed or pasted that means more than itself; false when it stands for itself. */
export function unicodeNodes(reader: MathReader, token: Token, nodes: MathNode[]): boolean {
  const { text } = token;
  const span = reader.it.spanOf(token);
  if (RAISED.has(text)) return scripts(reader, token, nodes, 'sup', RAISED);
  if (LOWERED.has(text)) return scripts(reader, token, nodes, 'sub', LOWERED);
  const degree = ROOTS[text];
  if (degree !== undefined) return root(reader, token, degree, nodes);
  const fraction = FRACTIONS[text];
  if (fraction) {
    const part = (digits: string): MathNode[] => [reader.characterNode(digits, span)];
    const [num, den] = fraction.map(part) as [MathNode[], MathNode[]];
    const none = { bar: null, left: null, right: null };
    nodes.push({ kind: 'fraction', num, den, ...none, style: 'text', ...span });
    return true;
  }
  if (text === '″' || text === '‴' || text === '⁗') {
    attachScript(reader, 'sup', [reader.symbol(text, 'ord', span)], span, nodes);
    return true;
  }
  if (text === '°') {
    attachScript(reader, 'sup', [reader.symbol('∘', 'ord', span)], span, nodes);
    return true;
  }
  const meant = MEANT[text];
  if (meant === undefined) return false;
  nodes.push(reader.characterNode(meant, span));
  return true;
}

/** All raised (or lowered) characters in a row are one script. */
function scripts(
  reader: MathReader,
  first: Token,
  nodes: MathNode[],
  which: 'sup' | 'sub',
  table: ReadonlyMap<string, string>,
): boolean {
  const marks: MathNode[] = [];
  let [written, to, isFar] = ['', first.to, false];
  let token: Token | null = first;
  while (token !== null) {
    const plain = table.get(token.text);
    if (plain === undefined || token.cell !== null) {
      reader.p.unread(token);
      break;
    }
    marks.push(reader.characterNode(plain, reader.it.spanOf(token)));
    written += plain;
    to = Math.max(to, token.to);
    isFar ||= token.text > '\u00ff';
    token = reader.p.nextExpanded();
  }
  const text = `${which === 'sup' ? '^' : '_'}{${written}}`;
  if (isFar) tellTypedAs(reader, first, { from: first.from, to, text });
  attachScript(reader, which, marks, reader.it.spanOf(first), nodes);
  return true;
}

/** A root over what follows at once: a group, a number, or one letter; alone before anything else. */
function root(reader: MathReader, token: Token, degree: string, nodes: MathNode[]): boolean {
  const span = reader.it.spanOf(token);
  const next = reader.p.nextNonBlank();
  if (next) reader.p.unread(next);
  const covers = next !== null && (next.cat === Cat.Begin || /^[\p{L}\p{N}]$/u.test(next.text));
  if (!covers) {
    nodes.push(reader.symbol('√', 'ord', span));
    return true;
  }
  const body = /^\p{N}$/u.test(next.text) ? number(reader) : reader.field(token);
  const shown = degree === '' ? null : [reader.characterNode(degree, span)];
  nodes.push({ kind: 'radical', body, degree: shown, ...widened(span, body) });
  return true;
}

const widened = (span: Span, body: readonly MathNode[]): Span => ({
  from: span.from,
  to: Math.max(span.to, body.at(-1)?.to ?? 0),
});

function number(reader: MathReader): MathNode[] {
  const out: MathNode[] = [];
  for (let t = reader.p.nextExpanded(); t !== null; t = reader.p.nextExpanded()) {
    if (t.cat !== Cat.Other || !/^[0-9]$/.test(t.text)) {
      reader.p.unread(t);
      break;
    }
    out.push(reader.characterNode(t.text, reader.it.spanOf(t)));
  }
  return out;
}
