import { withoutTabs } from './alignment';
import { relationsIn } from './rewrite';

/** A mark that keeps a line from being numbered. */
export const QUIET = /\s*\\(?:nonumber|notag)\b\s*/;

/** The line with its one alignment mark before its first relation; as it is when it has none. */
export function alignedAtRelation(line: string): string {
  const plain = withoutTabs(line);
  const [first] = relationsIn(plain);
  return first === undefined ? plain : `${plain.slice(0, first)}&${plain.slice(first)}`;
}

/** Places of plus and minus signs outside brackets. */
function operatorsIn(line: string): number[] {
  const out: number[] = [];
  let depth = 0;
  for (let i = 0; i < line.length; i++) {
    const c = line[i] as string;
    if ('{(['.includes(c)) depth++;
    else if ('})]'.includes(c)) depth--;
    else if (depth === 0 && i > 0 && /[+-]/.test(c) && /\S/.test(line.slice(0, i))) out.push(i);
    else if (depth === 0 && /^\\(?:pm|mp|cdot|times|cup|cap|oplus)(?![A-Za-z])/.test(line.slice(i)))
      out.push(i);
    if (c === '\\') i++;
  }
  return out;
}

/**
 * A line in two, at the relation or operator nearest to a place of it. What goes down is
 * aligned under the relation: with its own mark before a relation, behind a blank one before an operator.
 */
export function splitNear(line: string, at: number): [string, string] | null {
  const relations = relationsIn(line).filter((place) => withoutTabs(line.slice(0, place)) !== '');
  const all = [...relations, ...operatorsIn(line)];
  const nearest = all.sort((a, b) => Math.abs(a - at) - Math.abs(b - at))[0];
  if (nearest === undefined) return null;
  const upper = line.slice(0, nearest).replace(/&\s*$/, '').trim();
  const lower = line.slice(nearest).trim();
  const relation = relations.includes(nearest);
  const aligned = line.includes('&');
  if (!aligned) return [upper, lower];
  return [upper, relation ? `&${withoutTabs(lower)}` : `&\\quad ${withoutTabs(lower)}`];
}

/** What a line is called on the page and in references: its tag, its label. */
export const nameIn = (line: string, command: 'tag' | 'label'): string =>
  new RegExp(`\\\\${command}\\*?\\{([^{}]*)\\}`).exec(line)?.[1] ?? '';

/** The line with another tag or label; an empty one takes it out. */
export function withName(line: string, command: 'tag' | 'label', name: string): string {
  const plain = line.replace(new RegExp(`\\s*\\\\${command}\\*?\\{[^{}]*\\}`), '').trimEnd();
  return name === '' ? plain : `${plain} \\${command}{${name}}`;
}
