import { CELLS } from '../machine/cells';
import type { Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { scanDimen } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** `{0}`: no length, though it could be none other; elsewhere it stops LaTeX as any number without a unit does. */
export function tellBareZero(it: Interpreter, tokens: readonly Token[]): void {
  const [first] = tokens;
  const last = tokens.at(-1);
  if (!first || !last || first.chunk !== it.p.reader.chunk) return;
  const number = tokens.map(({ text }) => text).join('');
  if (!/^[-+]?0*\.?0+$/.test(number)) return;
  const edits = [{ from: last.to, to: last.to, text: 'pt' }];
  const span = { from: first.from, to: last.to };
  it.p.report('unit-missing', span, { number }, { title: `Make it ${number} pt`, edits });
}

/** A length given as an argument, in sp. */
export function dimenOf(it: Interpreter, tokens: readonly Token[]): Sp {
  const expression = it.read(CELLS.calc) ? [it.p.command('dimexpr')] : [];
  const relax = it.p.command('relax');
  it.p.push([...expression, ...tokens, relax, ...(expression.length > 0 ? [relax] : [])]);
  const told = it.findings.length;
  const length = scanDimen(it.p);
  const rest = it.p.next();
  if (!rest || rest.text === 'relax') return length;
  const hasUnit = it.findings.length === told;
  if (hasUnit && rest.cat === Cat.Letter && tokens.includes(rest)) longerUnit(it, tokens, rest);
  else it.p.unread(rest);
  return length;
}

/** `1inch`: letters behind a unit. Elsewhere they are text, which has no place before the document. */
function longerUnit(it: Interpreter, tokens: readonly Token[], rest: Token): void {
  const behind = tokens.slice(tokens.indexOf(rest));
  const letters = behind.slice(0, behind.findIndex(({ cat }) => cat !== Cat.Letter) >>> 0);
  const last = letters.at(-1) ?? rest;
  const isTyped = rest.chunk === it.p.reader.chunk;
  const edits = [{ from: rest.from, to: last.to, text: '' }];
  const written = tokens
    .map(({ text }) => text)
    .join('')
    .trim();
  const span = isTyped ? { from: rest.from, to: last.to } : it.spanOf(rest);
  const name = letters.map(({ text }) => text).join('');
  it.p.report(
    'unit-longer',
    span,
    { written, rest: name },
    isTyped ? { title: 'Take it out', edits } : undefined,
  );
  if (it.read(CELLS.inDocument)) return it.p.unread(rest);
  for (let token = it.p.next(); token && token.text !== 'relax'; token = it.p.next());
}
