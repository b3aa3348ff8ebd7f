import { NO_GLUE, PT, type Glue } from '../../base/lengths';
import type { VerticalLeader } from '../../document/blocks';
import type { Leader } from '../../document/inlines';
import { readArgument } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { scanGlue } from '../../expansion/scan';
import { tokensOf, type CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { glueOf } from '../scanning/glueOf';
import { boxFollowing } from './boxRegisters';
import { ruleSizes } from './boxes';

const infinite = (order: 1 | 2): Glue => ({ ...NO_GLUE, stretch: PT, stretchOrder: order });
const FILLS: Readonly<Record<string, Glue>> = {
  hfil: infinite(1),
  hss: infinite(1),
  hfill: infinite(2),
  vfil: infinite(1),
  vfill: infinite(2),
};

/** What fills the glue: a rule, or copies of a box; null when neither follows. */
function leaderFollowing(it: Interpreter, caller: Token): Leader | null {
  const maker = it.p.nextNonBlank();
  if (!maker) return null;
  if (maker.text === 'hrule' || maker.text === 'vrule') {
    const { width, height, depth } = ruleSizes(it);
    return {
      kind: 'rule',
      height: height ?? 0.4 * PT,
      depth: depth ?? 0,
      ...(width === null ? {} : { width }),
      color: it.font.color,
    };
  }
  if (maker.text === 'mbox') {
    const args = it.readArguments('M', maker);
    return { kind: 'box', inlines: it.inlinesOf(tokensOf(args ?? [], 0)), width: 0 };
  }
  const inlines = boxFollowing(it, maker, caller);
  if (!inlines) it.p.unread(maker);
  return inlines && { kind: 'box', inlines, width: 0 };
}

/** The glue that is to be filled. */
function glueFollowing(it: Interpreter, token: Token | null): Glue {
  const { p } = it;
  const fill = token?.cell ? FILLS[token.text] : undefined;
  if (fill) return fill;
  if (token?.text === 'hskip' || token?.text === 'vskip') return scanGlue(p);
  if (token?.text === 'hspace') return glueOf(it, readArgument(p, token) ?? []);
  if (token) p.unread(token);
  return infinite(2);
}

/** `\leaders⟨box or rule⟩⟨glue⟩` (The TeXbook, chapter 21). */
function leaders(it: Interpreter, token: Token): void {
  const at = it.p.place;
  const leader = leaderFollowing(it, token);
  const next = it.p.nextNonBlank();
  const glue = glueFollowing(it, next);
  if (!leader) return;
  const isUpright = /^v(?:skip|fill?)$/.test(next?.text ?? '');
  if (!isUpright || it.mode.hlist !== null) it.add({ kind: 'glue', glue, leader, ...at });
  else
    it.mode.vlist.push({ kind: 'vspace', glue, behaviour: 'plain', leader: upright(it, leader) });
}

/** What fills space between blocks: a rule is as high as the space then. */
function upright(it: Interpreter, leader: Leader): VerticalLeader {
  const left = it.dimen('totalleftmargin');
  if (leader.kind === 'box') return { kind: 'box', inlines: leader.inlines, left };
  const width = leader.width ?? it.dimen('linewidth');
  return { kind: 'rules', rules: [{ left, width }], color: leader.color };
}

/** Space filled with copies of a box, or with a rule. */
export const leaderCommands: readonly CommandEntry[] = ['leaders', 'cleaders', 'xleaders'].map(
  (name): CommandEntry => ({
    name,
    signature: '',
    description: 'Fills space with copies of a box, or with a rule.',
    example: `\\${name}\\hbox{.}\\hfill\\ `,
    run: (it, _args, token) => leaders(it, token),
  }),
);
