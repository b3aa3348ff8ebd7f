import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** The styles that amsthm brings. */
const AMS_STYLES = ['plain', 'definition', 'remark'];

/** Tells of a style of statements that there is not; it is meant by its first letters, as it is remembered. */
export function checkStyle(it: Interpreter, written: readonly Token[]): void {
  const name = tokensText(written).trim();
  if (AMS_STYLES.includes(name)) return;
  const meant = AMS_STYLES.find((style) => style.startsWith(name.slice(0, 2))) ?? 'plain';
  tellUnknownKey(it, written, AMS_STYLES, meant);
}
