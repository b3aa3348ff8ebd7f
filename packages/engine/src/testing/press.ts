import type { Finding } from '../findings/finding';
import type { Fix } from '../findings/entry';
import { typeset } from './document';

/** A text with a button pressed. */
export function pressed(text: string, { edits }: Fix): string {
  const ordered = edits.map((edit, i) => ({ ...edit, i }));
  // Of two at one place the first comes first.
  ordered.sort((a, b) => b.from - a.from || b.i - a.i);
  let out = text;
  for (const { from, to, text: written } of ordered)
    out = out.slice(0, from) + written + out.slice(to);
  return out;
}

const isWrong = ({ severity }: Finding): boolean => severity !== 'advice';

/** A text after the first button of each note was pressed in turn, as long as there are notes of what is wrong. */
export function mended(text: string, most = 8): { text: string; left: readonly Finding[] } {
  let now = text;
  for (let i = 0; i < most; i++) {
    const findings = typeset(now).findings().filter(isWrong);
    const [first] = findings.filter(({ fix }) => fix);
    if (!first?.fix) return { text: now, left: findings };
    now = pressed(now, first.fix);
  }
  return { text: now, left: typeset(now).findings().filter(isWrong) };
}
