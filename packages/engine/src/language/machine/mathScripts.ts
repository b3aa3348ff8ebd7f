import type { Span } from '../../base/spans';
import type { MathNode, ScriptsNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { MathReader } from './mathReader';

/** Primes in a row, and the superscript that may follow them, as one script. */
export function readPrimes(reader: MathReader, first: Span, nodes: MathNode[]): void {
  const marks: MathNode[] = [reader.symbol('′', 'ord', first)];
  for (;;) {
    const token = reader.p.nextExpanded();
    if (token === null) break;
    if (token.cat === Cat.Other && token.text === "'") {
      marks.push(reader.symbol('′', 'ord', reader.it.spanOf(token)));
    } else if (token.cat === Cat.Super) {
      marks.push(...reader.field(token));
      break;
    } else {
      reader.p.unread(token);
      break;
    }
  }
  attachScript(reader, 'sup', joinedPrimes(marks), first, nodes);
}

/** The script behind a `^` or `_`. */
export function readScript(reader: MathReader, token: Token, nodes: MathNode[]): void {
  const which = token.cat === Cat.Super ? 'sup' : 'sub';
  const span = reader.it.spanOf(token);
  attachScript(reader, which, reader.field(token), span, nodes);
}

/** Puts a script to the last node of the list, or to nothing. */
export function attachScript(
  reader: MathReader,
  which: 'sup' | 'sub',
  script: readonly MathNode[],
  at: Span,
  nodes: MathNode[],
): void {
  const last = nodes.at(-1);
  const takes =
    last !== undefined && last.kind !== 'space' && last.kind !== 'style' && last.kind !== 'colour';
  const to = Math.max(at.to, script.at(-1)?.to ?? 0);
  if (takes && last.kind === 'scripts') {
    if (last[which] === null) {
      nodes[nodes.length - 1] = { ...last, [which]: script, to };
      return;
    }
    reader.p.report('scripts-doubled', at, {
      what: which === 'sup' ? 'superscripts' : 'subscripts',
    });
  }
  const base = takes ? last : null;
  const node: ScriptsNode = {
    kind: 'scripts',
    base,
    sup: which === 'sup' ? script : null,
    sub: which === 'sub' ? script : null,
    from: base?.from ?? at.from,
    to,
  };
  if (base) nodes[nodes.length - 1] = node;
  else nodes.push(node);
}

/** Two, three and four primes in a row are one sign, with its marks closer together. */
const PRIMES = ['', '′', '″', '‴', '⁗'];

function joinedPrimes(marks: readonly MathNode[]): readonly MathNode[] {
  const count = marks.findIndex((m) => m.kind !== 'symbol' || m.char !== '′');
  const primes = count < 0 ? marks.length : count;
  const [first] = marks;
  const last = marks[primes - 1];
  const char = PRIMES[primes];
  if (!char || first?.kind !== 'symbol' || !last) return marks;
  return [{ ...first, char, to: last.to }, ...marks.slice(primes)];
}
