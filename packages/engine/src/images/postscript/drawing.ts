import { fromBp, type Sp, UNITS } from '../../base/lengths';
import { composed, IDENTITY, scaledTurned, translation } from '../../base/maps';
import { rectangle } from '../../base/paths';
import type { OutsideMark } from '../../document/outsideDrawing';
import { CONTROL_OPERATORS } from './controlOperators';
import { DATA_OPERATORS } from './dataOperators';
import { type Clip, Exit, type Machine, machineOf, runProgram, TooMuch } from './machine';
import { PAINT_OPERATORS } from './paintOperators';
import { PATH_OPERATORS } from './pathOperators';
import { TEXT_OPERATORS } from './textOperators';
import { boundingBox, programOf } from './program';
import { PostScriptError } from './values';

/** All operators of the language that are known here. */
export const OPERATORS = new Map([
  ...DATA_OPERATORS,
  ...CONTROL_OPERATORS,
  ...PATH_OPERATORS,
  ...PAINT_OPERATORS,
  ...TEXT_OPERATORS,
]);

/** Bytes of a program, characters of one byte each. */
const LONGEST = 8_000_000;

export interface PostScriptDrawing {
  readonly width: Sp;
  readonly height: Sp;
  readonly marks: readonly OutsideMark[];
}
/** What the program asks for that is not done; `box` when it has none, `size` when it is too long a work. */
export interface NotDrawn {
  readonly lacks: string;
}

/** What an encapsulated PostScript program draws, within its box; or what it asks for that is not done. */
export function postScriptDrawing(text: string): PostScriptDrawing | NotDrawn {
  const program = programOf(text);
  const box = boundingBox(program);
  if (!box) return { lacks: 'box' };
  if (program.length > LONGEST) return { lacks: 'size' };
  const [x0, y0, x1, y1] = box;
  const { bp = 1 } = UNITS;
  const base = composed(scaledTurned(bp, bp, 0), translation(-x0, -y0));
  const it = machineOf(program, base, OPERATORS);
  try {
    runProgram(it);
  } catch (error) {
    if (error instanceof TooMuch || error instanceof RangeError) return { lacks: 'size' };
    if (error instanceof PostScriptError) return { lacks: error.command || error.error };
    if (!(error instanceof Exit)) throw error;
  }
  const [width, height] = [fromBp(x1 - x0), fromBp(y1 - y0)];
  const marks: OutsideMark[] = [
    { kind: 'group', map: IDENTITY, clip: rectangle(0, 0, width, height), marks: grouped(it) },
  ];
  return { width, height, marks };
}

/** The marks in the order they were drawn, those behind the same clips in one group. */
function grouped(it: Machine): OutsideMark[] {
  const out: OutsideMark[] = [];
  let [clip, marks]: [Clip | null, OutsideMark[]] = [null, out];
  for (const drawn of it.marks) {
    if (drawn.clip !== clip) {
      clip = drawn.clip;
      marks = clip ? [] : out;
      if (clip) out.push(within(clip, marks));
    }
    marks.push(drawn.mark);
  }
  return out;
}

function within(clip: Clip, marks: readonly OutsideMark[]): OutsideMark {
  const group: OutsideMark = { kind: 'group', map: IDENTITY, clip: clip.path, marks };
  return clip.outer ? within(clip.outer, [group]) : group;
}
