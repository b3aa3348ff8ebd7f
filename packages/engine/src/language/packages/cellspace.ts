import type { CommandEntry, PackageEntry } from '../machine/entries';

/** At the end of a cell: room above and below what stands in it. */
const room: CommandEntry = {
  name: 'cls@room',
  signature: '',
  description: 'Room above and below what stands in a cell.',
  example: '',
  run: (it) => {
    const { hlist } = it.mode;
    const at = it.p.place;
    if (!hlist || hlist.isEmpty) return;
    hlist.unskip();
    // A word that is still open is whole then.
    it.add({ kind: 'kern', width: 0, ...at });
    const { height, depth } = it.host.measure(hlist.inlines);
    it.add({
      kind: 'rule',
      width: 0,
      height: height + it.skip('cellspacetoplimit').width,
      depth: depth + it.skip('cellspacebottomlimit').width,
      ...at,
    });
  },
};

/**
 * cellspace: columns whose cells keep off the rules above and below them (manual, section 2): `Sc` is a
 * column c of that kind, `S{p{3cm}}` one of paragraphs.
 */
export const cellspace: PackageEntry = {
  name: 'cellspace',
  description: 'Columns of tables whose cells keep some room above and below them.',
  options: ['math', 'column'],
  requires: ['array', 'calc'],
  commands: [room],
  source: String.raw`
\newlength\cellspacetoplimit\newlength\cellspacebottomlimit\cellspacetoplimit1pt \cellspacebottomlimit1pt
\newcolumntype{S}[1]{#1<{\cls@room}}
`,
};
