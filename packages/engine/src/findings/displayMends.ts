import { openAt, partnerOf, shapeOf } from '../source/shape';
import { packageLine } from '../source/packageLine';
import type { Fix } from './entry';

/** The display around a place as another kind of display, its star kept; amsmath is loaded when it is not. */
export function otherDisplay(text: string, at: number, name: string, other: string): Fix | null {
  const shape = shapeOf(text);
  const open = openAt(shape, at).findLast((part) => part.name === name);
  const end = open && partnerOf(shape, open);
  if (!open || !end) return null;
  const renamed = name.endsWith('*') ? `${other}*` : other;
  const edits = [open, end].map(({ from }) => {
    const start = text.indexOf(name, from);
    return { from: start, to: start + name.length, text: renamed };
  });
  const loaded = /\\(?:usepackage|RequirePackage)[^\n]*\b(?:amsmath|mathtools)\b/.test(text);
  const line = loaded ? null : packageLine(text, 'amsmath');
  const load = line ? [{ from: line.from, to: line.from, text: line.insert }] : [];
  return { title: `Make it ${renamed}`, edits: [...load, ...edits] };
}
