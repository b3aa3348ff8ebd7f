import { glue, type Glue } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import type { Primitive, Quantity } from '../../expansion/meaning';
import { scanInt } from '../../expansion/scan';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** What stands last on the list being made: the line's, or the column's between paragraphs. */
const lastOf = (it: Interpreter) => (it.mode.hlist ? it.mode.hlist.last() : it.mode.vlist.at(-1));

/** The glue of what stands last; none where that is no glue (`\lastskip`). */
function lastGlue(it: Interpreter): Glue {
  const last = lastOf(it);
  if (last?.kind === 'glue' || last?.kind === 'vspace') return last.glue;
  return glue(0);
}

/** `\lastskip`, `\lastkern`, `\lastpenalty`: read of the list, not kept in registers. */
export function bindListEnd(it: Interpreter): void {
  const reads: readonly (readonly [string, () => Quantity])[] = [
    ['lastskip', () => ({ type: 'skip', value: lastGlue(it) })],
    [
      'lastkern',
      () => {
        const last = lastOf(it);
        return { type: 'dimen', value: last?.kind === 'kern' ? last.width : 0 };
      },
    ],
    [
      'lastpenalty',
      () => {
        const last = lastOf(it);
        return { type: 'count', value: last?.kind === 'penalty' ? last.penalty : 0 };
      },
    ],
  ];
  const spaceFactor: Primitive = {
    kind: 'primitive',
    name: 'spacefactor',
    run: (p) => {
      p.takeChar('=');
      const factor = scanInt(p);
      if (it.mode.hlist) it.mode.hlist.spaceFactor = factor;
    },
    read: () => ({ type: 'count', value: it.mode.hlist?.spaceFactor ?? 0 }),
  };
  it.state.set(it.state.cell('spacefactor'), spaceFactor);
  for (const [name, read] of reads) {
    const primitive: Primitive = { kind: 'primitive', name, run: () => undefined, read };
    it.state.set(it.state.cell(name), primitive);
  }
}

/** Takes what stands last off the list, if it is of that kind. */
function takeLast(it: Interpreter, kind: 'kern' | 'penalty'): void {
  if (it.mode.hlist) it.mode.hlist.takeLast(kind);
  else if (it.mode.vlist.at(-1)?.kind === kind) it.mode.vlist.pop();
}

/** The box that stands last, taken off its list; null when none does. */
export function takeLastBox(it: Interpreter): Inline | null {
  const { hlist, vlist } = it.mode;
  if (hlist) return hlist.takeLast('box') ?? hlist.takeLast('parbox');
  const last = vlist.at(-1);
  if (last?.kind !== 'loosebox') return null;
  vlist.pop();
  return last.inline;
}

export const listEndCommands: readonly CommandEntry[] = [
  {
    name: 'unkern',
    signature: '',
    description: 'Takes back a kern.',
    example: 'ebb\\kern3pt\\unkern',
    run: (it) => takeLast(it, 'kern'),
  },
  {
    name: 'unpenalty',
    signature: '',
    description: 'Takes back a penalty.',
    example: '\\unpenalty',
    run: (it) => takeLast(it, 'penalty'),
  },
];
