import type { CommandEntry, PackageEntry } from '../machine/entries';

const strike = (name: string, up: boolean, down: boolean, what: string): CommandEntry => ({
  name,
  signature: 'm',
  description: what,
  example: `$\\${name}{x}$`,
  package: 'cancel',
  math: (reader, token) => ({
    kind: 'cancel',
    base: reader.field(token),
    up,
    down,
    becomes: null,
    ...reader.span(token),
  }),
  run: (it, args) =>
    it.execute([...it.source(`$\\${name}{\\mbox{`), ...(args[0] as never[]), ...it.source('}}$')]),
});

/** cancel: terms struck out. */
export const cancel: PackageEntry = {
  name: 'cancel',
  description: 'Terms of a formula struck out.',
  options: null,
  commands: [
    strike('cancel', true, false, 'Strikes a term out from lower left to upper right.'),
    strike('bcancel', false, true, 'Strikes a term out from upper left to lower right.'),
    strike('xcancel', true, true, 'Crosses a term out.'),
    {
      name: 'cancelto',
      signature: 'mm',
      description: 'Strikes a term out and says what it becomes.',
      example: '$\\cancelto{0}{x}$',
      package: 'cancel',
      math: (reader, token) => {
        const becomes = reader.field(token);
        const base = reader.field(token);
        return { kind: 'cancel', base, up: true, down: false, becomes, ...reader.span(token) };
      },
    },
  ],
};
