import {
  call,
  drop,
  Exit,
  initialState,
  type Machine,
  type Operators,
  pop,
  popNumber,
  popNumbers,
  popTruth,
  push,
} from './machine';
import { skipOneBlank, takeBytes, takeHex, takeLine } from './scanner';
import {
  arrayOf,
  FILE,
  isKind,
  keyValue,
  kindOf,
  PostScriptError,
  stringOf,
  type Value,
} from './values';

/** Repeats while the body says so; `exit` in it leaves. */
function loop(body: () => boolean): void {
  try {
    while (body());
  } catch (error) {
    if (!(error instanceof Exit)) throw error;
  }
}

function repeat(it: Machine): void {
  const body = pop(it);
  let left = popNumber(it);
  loop(() => left-- > 0 && (call(it, body), true));
}

function forLoop(it: Machine): void {
  const body = pop(it);
  const [from = 0, step = 1, to = 0] = popNumbers(it, 3);
  let i = 0;
  loop(() => {
    // Counted afresh each time: many small steps added up would miss the end.
    const at = from + step * i++;
    if (step >= 0 ? at > to + 1e-9 : at < to - 1e-9) return false;
    push(it, at);
    call(it, body);
    return true;
  });
}

function forAll(it: Machine): void {
  const body = pop(it);
  const over = pop(it);
  const rounds: (readonly Value[])[] = isKind(over, 'dict')
    ? [...over.entries].map(([key, value]) => [keyValue(key), value])
    : isKind(over, 'array')
      ? over.items.map((item) => [item])
      : isKind(over, 'string')
        ? [...over.text].map((char) => [char.charCodeAt(0)])
        : [];
  let i = 0;
  loop(() => {
    const round = rounds[i++];
    if (!round) return false;
    push(it, ...round);
    call(it, body);
    return true;
  });
}

function ifElse(it: Machine): void {
  const [otherwise, then] = [pop(it), pop(it)];
  call(it, popTruth(it) ? then : otherwise);
}

function ifThen(it: Machine): void {
  const then = pop(it);
  if (popTruth(it)) call(it, then);
}

/** Runs a procedure; an error in it leaves true, else there is false. */
function stopped(it: Machine): void {
  const body = pop(it);
  const { dicts, depth } = it;
  const open = dicts.length;
  try {
    call(it, body);
    push(it, false);
  } catch (error) {
    if (!(error instanceof PostScriptError)) throw error;
    dicts.length = Math.max(2, Math.min(dicts.length, open));
    it.depth = depth;
    push(it, true);
  }
}

// ---- saved states

const gsave = (it: Machine, bySave = false): void =>
  void it.saved.push({ state: it.state, bySave });

/** The state that `gsave` kept; one kept by `save` is taken up but stays. */
function grestore(it: Machine): void {
  const last = it.saved.at(-1);
  if (!last) return;
  it.state = last.state;
  if (!last.bySave) it.saved.pop();
}

function restore(it: Machine): void {
  pop(it);
  for (let last = it.saved.pop(); last; last = it.saved.pop()) {
    it.state = last.state;
    if (last.bySave) return;
  }
}

function grestoreAll(it: Machine): void {
  while (it.saved.length > 0 && !it.saved.at(-1)?.bySave)
    it.state = it.saved.pop()?.state ?? it.state;
  it.state = it.saved.at(-1)?.state ?? it.state;
}

// ---- the file that is read

function readString(it: Machine, take: typeof takeBytes): void {
  const buffer = pop(it);
  pop(it);
  if (!isKind(buffer, 'string')) throw new PostScriptError('typecheck', kindOf(buffer));
  if (take === takeBytes) skipOneBlank(it.scanner);
  const wanted = buffer.text.length;
  buffer.text = take(it.scanner, wanted);
  push(it, buffer, buffer.text.length === wanted);
}

function readLine(it: Machine): void {
  drop(2)(it);
  skipOneBlank(it.scanner);
  const line = takeLine(it.scanner);
  push(it, stringOf(line ?? ''), line !== null);
}

/**
 * An encrypted part, as fonts have: what is in it are outlines, which are not read. The font's
 * dictionary, which is open or lies on the stack, is kept under its name.
 */
function eexec(it: Machine): void {
  pop(it);
  const dict = [...it.operands, ...it.dicts.slice(2)].findLast(
    (value) => isKind(value, 'dict') && value.entries.has('/FontName'),
  );
  const name = dict && isKind(dict, 'dict') ? dict.entries.get('/FontName') : undefined;
  if (dict && isKind(dict, 'dict') && name !== undefined && isKind(name, 'name'))
    it.fonts.set(name.name, dict);
  const end = it.scanner.text.indexOf('cleartomark', it.scanner.at);
  it.scanner.at = end < 0 ? it.scanner.text.length : end;
  // What the encrypted part leaves for `cleartomark`.
  it.operands.length = 0;
  push(it, { kind: 'mark' });
}

const gives =
  (...values: Value[]) =>
  (it: Machine): void =>
    push(it, ...values);
const nothing = (): void => undefined;

/** Taken and not carried out: they are about printers, speed and memory. */
const WITHOUT_EFFECT: Readonly<Record<string, number>> = {
  readonly: 0, executeonly: 0, noaccess: 0, showpage: 0, copypage: 0, erasepage: 0, flush: 0, pstack: 0,
  stack: 0, quit: 0, start: 0, setglobal: 1, setpacking: 1, print: 1, '=': 1, '==': 1, setflat: 1,
  setstrokeadjust: 1, setoverprint: 1, setscreen: 3, sethalftone: 1, settransfer: 1, setcolortransfer: 4,
  setblackgeneration: 1, setundercolorremoval: 1, setcolorscreen: 12, setrendering: 1, setsmoothness: 1,
  closefile: 1, flushfile: 1, setobjectformat: 1, setvmthreshold: 1, vmreclaim: 1, setpagedevice: 1,
  setcachelimit: 1, ucache: 0, handleerror: 0, setcolorrendering: 1, setcacheparams: 0,
}; // prettier-ignore

/** Operators that decide what is run, and those of the machine itself (Language Reference, 8.1). */
export const CONTROL_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ['exec', (it) => call(it, pop(it))],
  ['if', ifThen],
  ['ifelse', ifElse],
  ['repeat', repeat],
  ['for', forLoop],
  ['forall', forAll],
  [
    'loop',
    (it) => {
      const body = pop(it);
      loop(() => (call(it, body), true));
    },
  ],
  [
    'exit',
    () => {
      throw new Exit();
    },
  ],
  [
    'stop',
    () => {
      throw new PostScriptError('stop');
    },
  ],
  ['stopped', stopped],
  ['countexecstack', gives(1)],

  ['gsave', (it) => gsave(it)],
  ['grestore', grestore],
  ['grestoreall', grestoreAll],
  [
    'save',
    (it) => {
      gsave(it, true);
      push(it, { kind: 'save' });
    },
  ],
  ['restore', restore],
  ['initgraphics', (it) => void (it.state = { ...initialState(it.base), clip: it.state.clip })],

  ['currentfile', gives(FILE)],
  ['readstring', (it) => readString(it, takeBytes)],
  ['readhexstring', (it) => readString(it, takeHex)],
  ['readline', readLine],
  ['eexec', eexec],
  ['systemdict', (it) => push(it, it.system)],
  ['userdict', (it) => push(it, it.dicts[1] ?? null)],
  ['globaldict', (it) => push(it, it.dicts[1] ?? null)],
  ['statusdict', (it) => push(it, it.dicts[1] ?? null)],
  ['version', gives(stringOf('3010'))],
  ['product', gives(stringOf('Odd Compass'))],
  ['languagelevel', gives(3)],
  ['revision', gives(1)],
  ['realtime', gives(0)],
  ['usertime', gives(0)],
  ['vmstatus', gives(0, 0, 10_000_000)],
  ['currentglobal', gives(false)],
  ['currentpacking', gives(false)],
  ['currentflat', gives(1)],
  ['currentstrokeadjust', gives(false)],
  ['currentoverprint', gives(false)],
  ['currenttransfer', (it) => push(it, arrayOf([], true))],
  ['currentscreen', (it) => push(it, 60, 45, arrayOf([], true))],
  ['currentpagedevice', (it) => push(it, { kind: 'dict', entries: new Map() })],
  ...Object.entries(WITHOUT_EFFECT).map(
    ([name, count]) => [name, count > 0 ? drop(count) : nothing] as const,
  ),
]);
