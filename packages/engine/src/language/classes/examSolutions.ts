import { glue, type Glue, NO_GLUE, PT, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import { cell } from '../../expansion/cells';
import { setDimen, setSkip } from '../../expansion/registers';
import { isOn } from '../constructs/chapters';
import { inPlainFrame } from '../constructs/framedBlocks';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { beginColumn, endColumn } from '../machine/columns';
import type { Interpreter } from '../machine/interpreter';
import { definedColour } from '../scanning/colours';
import { glueOf } from '../scanning/glueOf';

/** Where the text of a question stands: its left edge, and how wide it is. */
interface Column {
  readonly left: Sp;
  readonly width: Sp;
}

/** The room a solution leaves when it is not printed, and where. */
const ROOM = cell<Column & { readonly room: Glue }>('solutionroom', {
  room: NO_GLUE,
  left: 0,
  width: 0,
});

const columnOf = (it: Interpreter): Column => ({
  left: it.dimen('totalleftmargin'),
  width: it.dimen('linewidth'),
});

/** Between a frame and what stands above and below it. */
const GAP: BlockNode = { kind: 'vspace', glue: glue(3 * PT), behaviour: 'plain' };

/** The ground of shaded solutions where no `SolutionColor` is defined. */
const SHADE = 0xcccccc;

/** How room is left: blank, framed, or with something to write on. */
type Room = 'blank' | 'makeemptybox' | 'fillwithlines' | 'fillwithdottedlines' | 'fillwithgrid';

const hasRoom = ({ width, stretch }: Glue): boolean => width > 0 || stretch > 0;

/** Leaves room for an answer, which may be of the kind that stretches. */
function leaveRoom(it: Interpreter, room: Glue, how: Room, at: Column): void {
  it.endParagraph();
  if (!hasRoom(room)) return;
  if (how === 'blank') it.mode.vlist.push({ kind: 'vspace', glue: room, behaviour: 'plain' });
  else if (how === 'makeemptybox') it.mode.vlist.push(GAP, ...emptyBox(it, room, at), GAP);
  else {
    // Where the question stands, not where its solution would.
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    setDimen(it.state, 'totalleftmargin', at.left);
    setDimen(it.state, 'linewidth', at.width);
    setSkip(it.state, '@tempskipa', room);
    it.execute(it.source(`\\${how}{\\@tempskipa}`));
    it.closeGroup();
  }
}

/** A frame over the width of the text, as high as the room. */
function emptyBox(it: Interpreter, room: Glue, { left, width }: Column): BlockNode[] {
  const thick = it.dimen('fboxrule');
  const { color } = it.font;
  const line: BlockNode = { kind: 'rule', width, height: thick, left, color };
  const rules = [left, left + width - thick].map((at) => ({ left: at, width: thick }));
  return [
    line,
    { kind: 'penalty', penalty: 10000 },
    { kind: 'vspace', glue: room, behaviour: 'plain', leader: { kind: 'rules', rules, color } },
    line,
  ];
}

/** The frame of printed solutions; null where they have none. */
function frameOf(it: Interpreter) {
  const padding = it.dimen('fboxsep');
  if (isOn(it, 'solshade'))
    return { rule: 0, padding, background: it.read(definedColour('SolutionColor')) ?? SHADE };
  return isOn(it, 'solframe') ? { rule: it.dimen('fboxrule'), padding } : null;
}

/** Begins the column of a solution, narrower than the question by what is around it. */
function begin(it: Interpreter, room: Glue, around: Sp): void {
  it.endParagraph();
  it.innermost.data.set(ROOM, { room, ...columnOf(it) });
  beginColumn(it, it.dimen('linewidth') - around);
  if (isOn(it, 'printanswers')) it.execute(it.source('\\ex@solution\\noindent\\solutiontitle'));
}

/** Contents printed only with the answers; else room for them is left. */
const solution = (name: string, how: Room): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: 'A solution: printed when \\printanswers is given, else its room is left empty.',
  example: `\\printanswers\\begin{${name}}\nAt noon.\n\\end{${name}}`,
  begin: (it, args) => {
    const frame = frameOf(it);
    const around = frame ? 2 * (frame.padding + frame.rule) : 0;
    begin(it, args[0] ? glueOf(it, tokensOf(args, 0)) : NO_GLUE, around);
  },
  end: (it) => {
    const column = endColumn(it);
    const { room, ...at } = it.innermost.data.get(ROOM);
    if (isOn(it, 'printanswers'))
      it.mode.vlist.push(inPlainFrame(it, frameOf(it), column, at.left));
    else leaveRoom(it, room, how, at);
  },
});

/** A frame of one height, empty or with the answer in it. */
const solutionbox: EnvironmentEntry = {
  name: 'solutionbox',
  signature: 'm',
  description: 'A frame of a given height, with the solution in it when answers are printed.',
  example: '\\printanswers\\begin{solutionbox}{1in}\nAt noon.\n\\end{solutionbox}',
  begin: (it, args) =>
    begin(it, glueOf(it, tokensOf(args, 0)), 2 * (it.dimen('fboxsep') + it.dimen('fboxrule'))),
  end: (it) => {
    const column = endColumn(it);
    const { room, ...at } = it.innermost.data.get(ROOM);
    const frame = emptyBox(it, room, at);
    if (!isOn(it, 'printanswers')) {
      it.mode.vlist.push(GAP, ...frame, GAP);
      return;
    }
    // The answer stands at the top of the frame, which is drawn first.
    const { width, stretch, stretchOrder } = room;
    const back = { ...NO_GLUE, width: -width, stretch: -stretch, stretchOrder };
    const space = (amount: Glue): BlockNode => ({
      kind: 'vspace',
      glue: amount,
      behaviour: 'plain',
    });
    const answer = inPlainFrame(it, { rule: 0, padding: it.dimen('fboxsep') }, column, at.left);
    const high = it.host.measure('inline' in answer ? [answer.inline] : []);
    const rest = { ...room, width: width - high.height - high.depth };
    it.mode.vlist.push(GAP, ...frame, space(back), answer, space(rest), GAP);
  },
};

/** Solutions, by what is left for them where they are not printed. */
export const examSolutions: readonly EnvironmentEntry[] = [
  solution('solution', 'blank'),
  solution('solutionorbox', 'makeemptybox'),
  solution('solutionorlines', 'fillwithlines'),
  solution('solutionordottedlines', 'fillwithdottedlines'),
  solution('solutionorgrid', 'fillwithgrid'),
  solutionbox,
];

export const examRoom: readonly CommandEntry[] = [
  {
    name: 'makeemptybox',
    signature: 'm',
    description: 'An empty frame to write in.',
    example: '\\makeemptybox{1in}',
    run: (it, args) => leaveRoom(it, glueOf(it, tokensOf(args, 0)), 'makeemptybox', columnOf(it)),
  },
];
