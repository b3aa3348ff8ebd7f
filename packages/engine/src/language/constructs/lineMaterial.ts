import type { Token } from '../../expansion/meaning';
import { takeKeyword } from '../../expansion/scan';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { addBox, bodyOf } from './boxMaking';
import { takeLastBox } from './listEnd';

/** `\vadjust{…}`: what stands between the line it is met on and the next (The TeXbook, chapter 24). */
function adjust(it: Interpreter, token: Token): void {
  takeKeyword(it.p, 'pre');
  const tokens = bodyOf(it, token);
  const { hlist } = it.mode;
  if (hlist === null) {
    it.p.push(tokens);
    return;
  }
  for (const node of it.blocksOf(tokens))
    if (node.kind === 'vspace' || node.kind === 'penalty' || node.kind === 'loosebox')
      hlist.add({ kind: 'migrant', node, ...it.spanOf(token) });
}

/** What leaves its line for the column, or is taken back from it. */
export const lineMaterial: readonly CommandEntry[] = [
  {
    name: 'vadjust',
    signature: '',
    description: 'What stands below the line it is met on.',
    example: 'ebb\\vadjust{\\kern3pt}',
    run: (it, _args, token) => adjust(it, token),
  },
  {
    name: 'lastbox',
    signature: '',
    description: 'The box that stands last, taken from its list.',
    example: '\\mbox{ebb}\\setbox0\\lastbox',
    run: (it) => {
      const last = takeLastBox(it);
      if (last) addBox(it, last);
    },
  },
];
