import { readRows } from './alignment';

/** The forms a formula can stand in. */
export type Form = 'inline' | 'displayed' | 'numbered' | 'aligned';

/** How a formula's source is marked, and what is between the marks. */
const MARKS: readonly (readonly [Form, RegExp])[] = [
  ['displayed', /^\\\[([\s\S]*)\\\]$/d],
  ['displayed', /^\$\$([\s\S]*)\$\$$/d],
  [
    'displayed',
    /^\\begin\{(?:equation\*|displaymath)\}([\s\S]*)\\end\{(?:equation\*|displaymath)\}$/d,
  ],
  ['numbered', /^\\begin\{equation\}([\s\S]*)\\end\{equation\}$/d],
  ['aligned', /^\\begin\{align\*?\}([\s\S]*)\\end\{align\*?\}$/d],
  ['inline', /^\\\(([\s\S]*)\\\)$/d],
  ['inline', /^\$([\s\S]*)\$$/d],
];

/** The form of a formula, what it holds, and where that begins; null when it is of another kind. */
export function formOf(source: string): { form: Form; body: string; bodyAt: number } | null {
  for (const [form, pattern] of MARKS) {
    const match = pattern.exec(source);
    if (!match) continue;
    const held = match[1] ?? '';
    const bodyAt = (match.indices?.[1]?.[0] ?? 0) + (/^\s*/.exec(held)?.[0].length ?? 0);
    return { form, body: held.trim(), bodyAt };
  }
  return null;
}

/** Relations at which a chain is broken into lines, outside braces and brackets. */
const RELATION =
  /^(=|<|>|\\(?:le|leq|ge|geq|equiv|approx|sim|cong|to|implies|iff|subseteq|supseteq|in)(?![A-Za-z]))/;

/** Places of the relations that are in no brackets. */
export function relationsIn(body: string): number[] {
  const places: number[] = [];
  let depth = 0;
  for (let i = 0; i < body.length; i++) {
    const c = body[i] as string;
    if (c === '{' || c === '(' || c === '[') depth++;
    else if (c === '}' || c === ')' || c === ']') depth--;
    else if (depth === 0 && RELATION.test(body.slice(i, i + 16))) places.push(i);
    if (c === '\\') i += (/^\\([A-Za-z]+|.)/.exec(body.slice(i))?.[0].length ?? 1) - 1;
  }
  return places;
}

/** A chain of relations as lines aligned at them: the first side stands before the first sign only. */
export function alignedChain(body: string): string {
  const places = relationsIn(body);
  const [first] = places;
  if (first === undefined) return `  ${body}`;
  const left = body.slice(0, first).trim();
  const steps = places.map((at, i) => body.slice(at, places[i + 1]).trim());
  const pad = ' '.repeat(left.length);
  return steps
    .map((step, i) => `  ${i === 0 ? left : pad} &${step}${i + 1 < steps.length ? ' \\\\' : ''}`)
    .join('\n');
}

const flat = (body: string): string =>
  readRows(body)
    .map(({ cells }) => cells.map(({ text }) => text).join(' '))
    .join(' ')
    .replace(/\\(nonumber|notag)\b\s?/g, '')
    .replace(/\s+/g, ' ')
    .trim();

const LABEL = /\s*\\(?:label|tag\*?)\{[^{}]*\}/g;

/** A formula in another form. The label stays where numbers are; a blank line never comes in. */
export function rewritten(body: string, from: Form, to: Form): string {
  const one = from === 'aligned' ? flat(body) : body;
  switch (to) {
    case 'inline':
      return `$${flat(one).replace(LABEL, '')}$`;
    case 'displayed':
      return `\\[\n  ${one.replace(LABEL, '')}\n\\]`;
    case 'numbered':
      return `\\begin{equation}\n  ${one}\n\\end{equation}`;
    case 'aligned':
      return `\\begin{align*}\n${alignedChain(one.replace(LABEL, ''))}\n\\end{align*}`;
  }
}

/** Something put around a selection: what stands before and behind it. */
export interface Wrap {
  readonly title: string;
  readonly before: string;
  readonly behind: string;
}
export const WRAPS: readonly Wrap[] = [
  { title: 'fraction', before: '\\frac{', behind: '}{}' },
  { title: 'root', before: '\\sqrt{', behind: '}' },
  { title: 'brackets', before: '\\left( ', behind: ' \\right)' },
  { title: 'bars', before: '\\left| ', behind: ' \\right|' },
  { title: 'braces', before: '\\left\\{ ', behind: ' \\right\\}' },
  { title: 'power', before: '{', behind: '}^{}' },
  { title: 'hat', before: '\\hat{', behind: '}' },
  { title: 'line over', before: '\\overline{', behind: '}' },
  { title: 'arrow over', before: '\\vec{', behind: '}' },
  { title: 'brace under', before: '\\underbrace{', behind: '}_{}' },
  { title: 'bold', before: '\\mathbf{', behind: '}' },
  { title: 'blackboard', before: '\\mathbb{', behind: '}' },
  { title: 'calligraphic', before: '\\mathcal{', behind: '}' },
  { title: 'text', before: '\\text{', behind: '}' },
];
