import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { PT } from '../../base/lengths';
import { decorate } from '../constructs/kernelCommands';
import { idleEntry, quietEntry } from '../machine/macroEntry';

const line = (name: string, rise: number, count: number, what: string): CommandEntry => ({
  name,
  signature: 'M',
  description: what,
  example: `\\${name}{high water}`,
  package: 'ulem',
  run: (it, args) => {
    const size = it.font.size;
    const thickness = 0.4 * PT;
    const look = { rise: Math.round(rise * size), thickness, wave: name === 'uwave' };
    if (count === 1) return decorate(it, tokensOf(args, 0), look);
    it.startParagraph();
    const inlines = it.inlinesOf(tokensOf(args, 0));
    const at = it.p.place;
    const once = {
      kind: 'decorated' as const,
      inlines,
      color: it.font.color,
      behind: false,
      ...look,
      ...at,
    };
    const second = { ...once, inlines: [once], rise: look.rise - Math.round(0.1 * size) };
    it.mode.hlist?.add(second);
  },
});

/** ulem: lines under and through words. */
export const ulem: PackageEntry = {
  name: 'ulem',
  description: 'Lines under and through words; they break over lines of text.',
  options: null,
  commands: [
    line('uline', -0.25, 1, 'Words with a line under them.'),
    line('uuline', -0.22, 2, 'Words with two lines under them.'),
    line('uwave', -0.25, 1, 'Words with a wave under them.'),
    line('sout', 0.22, 1, 'Words with a line through them.'),
    line('xout', 0.22, 1, 'Words crossed out.'),
    line('dashuline', -0.25, 1, 'Words with dashes under them; they are set as a line.'),
    line('dotuline', -0.25, 1, 'Words with dots under them; they are set as a line.'),
    quietEntry('normalem', '', '\\emph is italic.'),
    idleEntry('useunder', 'mmm', 'A font given as underlining.'),
  ],
};
