import type { Point } from '../../base/maps';
import { plus } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { decorated, isDecoration } from '../../drawing/decorations';
import { placeOf, vectorOf, type Reading } from './coordinates';
import { freshPath, type Graphics, type PathMode } from './graphics';
import { addHandle } from './handles';
import { readEdge, readTo } from './edges';
import { withKeys, withStyle } from './keys';
import { readLet } from './letIn';
import { loopTokens, readLoop } from './loops';
import { placeOnLast, toTarget } from './onWay';
import { addMarks } from './openPicture';
import { paintPath } from './painting';
import { readNode } from './pathNodes';
import { readPic } from './pics';
import {
  peek,
  takeGroup,
  takeOptions,
  takeSign,
  takeSigns,
  takeThisWord,
  takeWord,
  takeWritten,
  tellLostEnd,
  type Scanner,
} from './scanPath';
import {
  addRectangle,
  readArc,
  readEllipse,
  readGrid,
  readParabola,
  readPlot,
  sineTo,
} from './pathFigures';
import { readTarget } from './targets';
import { readChild } from './trees';
import {
  above,
  addFigure,
  close,
  cornerTo,
  curveTo,
  lineTo,
  moveTo,
  newWalk,
  pathOfWalk,
  type Walk,
} from './walk';
import { nearestName } from '../../base/nearest';

/** A reader of paths: the sources it reads from, the picture it draws in, where the command stands. */
export interface PathReader extends Scanner {
  readonly reading: Reading;
  readonly command: Token;
  /** Goes on with a path by operations that were read elsewhere. */
  readonly follow: (walk: Walk, operations: readonly Token[]) => void;
}

/** Commands that begin another statement: a path before them has lost its `;`. */
const STATEMENTS =
  /^(?:draw|fill|filldraw|path|node|coordinate|clip|shade|shadedraw|pattern|matrix|useasboundingbox|begin|end|tikzset|foreach|graph)$/;

/** Reads a statement up to its `;` and draws it. @param first what its command begins with. */
export function readPath(
  source: Omit<PathReader, 'follow'>,
  g: Graphics,
  mode: Partial<PathMode>,
  first: 'node' | 'coordinate' | 'matrix' | 'pic' | null,
): void {
  const reader: PathReader = { ...source, follow: (line, path) => follow(reader, line, path) };
  const { reading, command, it } = reader;
  const start = it.spanOf(command);
  const span = { from: start.from, to: start.to };
  it.openGroup({ kind: 'semisimple', span: start });
  let state = freshPath(g);
  state = withStyle(reading, { ...state, mode: { ...state.mode, ...mode } }, 'every path');
  const walk = newWalk(reading, state, span);
  if (first === 'pic') WORDS.pic?.(reader, walk);
  else if (first) readPathNode(reader, walk, first);
  while (step(reader, walk));
  it.closeGroup();
  paintPath(reading, walk.g, pathOfWalk(walk), walk.span);
  addMarks(reading, walk.above, false);
}

/** Operations up to their end, on a path of their own. */
function follow(reader: PathReader, walk: Walk, operations: readonly Token[]): void {
  const { p } = reader.it;
  p.push([...operations, ...p.chars(';')]);
  while (step(reader, walk));
}

/** Reads one operation; false at the end of the statement. */
function step(reader: PathReader, walk: Walk): boolean {
  const { it, reading } = reader;
  const token = peek(reader);
  if (token === null) return lostEnd(reader);
  it.p.spend(1, reader.command.text);
  if (token.cat === Cat.Command) return stepCommand(reader, walk, token);
  if (token.cat === Cat.Begin || token.cat === Cat.End) {
    it.p.nextNonBlank();
    return true;
  }
  if (token.cat === Cat.Letter) return stepWord(reader, walk);
  switch (token.text) {
    case ';': {
      const end = it.p.nextNonBlank();
      if (end) (walk.span as { to: number }).to = Math.max(walk.span.to, it.p.spanOf(end).to);
      return false;
    }
    case '[':
      walk.g = withKeys(reading, walk.g, takeOptions(reader) ?? []);
      inserted(reader, walk);
      return true;
    case '(':
    case '+': {
      const target = readTarget(reader, walk);
      if (target) moveTo(walk, target.place, target.keepsBase);
      return true;
    }
    case '-':
      return stepLine(reader, walk);
    case '|':
      if (takeSigns(reader, '|-'))
        toTarget(reader, walk, (t) => cornerTo(walk, t.place, 'up', t.keepsBase));
      else skipSign(reader);
      return true;
    case '.':
      if (takeSigns(reader, '..')) readCurve(reader, walk);
      else skipSign(reader);
      return true;
    default:
      return skipSign(reader);
  }
}

/** `insert path={…}`: operations that options bring. */
function inserted({ it }: PathReader, walk: Walk): void {
  const { mode } = walk.g;
  if (mode.insert.length === 0) return;
  it.p.push(mode.insert);
  walk.g = { ...walk.g, mode: { ...mode, insert: [] } };
}

function stepLine(reader: PathReader, walk: Walk): boolean {
  if (takeSigns(reader, '--')) toTarget(reader, walk, (t) => lineTo(walk, t.place, t.keepsBase));
  else if (takeSigns(reader, '-|'))
    toTarget(reader, walk, (t) => cornerTo(walk, t.place, 'across', t.keepsBase));
  else skipSign(reader);
  return true;
}

/** A sign that is no operation is told of and passed over. */
function skipSign(reader: PathReader): boolean {
  const token = reader.it.p.nextNonBlank();
  if (token)
    reader.it.p.report('picture-word', reader.it.spanOf(token), { word: token.text, near: '' });
  return token !== null;
}

function stepCommand(reader: PathReader, walk: Walk, token: Token): boolean {
  const { it } = reader;
  if (token.text === 'foreach') {
    it.p.nextNonBlank();
    const loop = readLoop(reader, walk.reading);
    if (loop) it.p.push(loopTokens(it, loop, walk.reading));
    return true;
  }
  if (STATEMENTS.test(token.text)) return lostEnd(reader);
  it.p.nextNonBlank();
  if (token.text === 'tikztonodes' && walk.setNodes) {
    walk.setNodes();
    return true;
  }
  if (token.text === 'par' && wordsFollow(reader)) {
    it.p.unread(token);
    return lostEnd(reader);
  }
  if (token.text !== 'par' && token.text !== 'relax') it.carryOut(token);
  return true;
}

/** Does a word of the text follow, which no path knows? */
function wordsFollow(reader: PathReader): boolean {
  let isText = false;
  takeWord(reader, (word) => {
    isText = WORDS[word] === undefined;
    return false;
  });
  return isText;
}

function lostEnd({ it, command }: PathReader): boolean {
  tellLostEnd(it, command);
  return false;
}

function stepWord(reader: PathReader, walk: Walk): boolean {
  const word = takeWord(reader, () => true);
  const act = WORDS[word];
  if (act) act(reader, walk);
  else {
    const near = nearestName(word, Object.keys(WORDS));
    reader.it.p.report('picture-word', reader.it.p.place, { word, near: near ?? '' });
    if (near) WORDS[near]?.(reader, walk);
  }
  return true;
}

const WORDS: Readonly<Record<string, (reader: PathReader, walk: Walk) => void>> = {
  node: (reader, walk) => readPathNode(reader, walk, 'node'),
  coordinate: (reader, walk) => readPathNode(reader, walk, 'coordinate'),
  matrix: (reader, walk) => readPathNode(reader, walk, 'matrix'),
  cycle: (_reader, walk) => close(walk),
  to: readTo,
  edge: readEdge,
  rectangle: (reader, walk) => {
    const target = readTarget(reader, walk);
    if (target) addRectangle(walk, target.place.at);
  },
  circle: (reader, walk) => readEllipse(reader, walk),
  ellipse: (reader, walk) => readEllipse(reader, walk),
  arc: readArc,
  grid: readGrid,
  parabola: readParabola,
  sin: (reader, walk) => toTarget(reader, walk, (t) => sineTo(walk, t, true)),
  cos: (reader, walk) => toTarget(reader, walk, (t) => sineTo(walk, t, false)),
  plot: (reader, walk) => readPlot(reader, walk, false),
  let: (reader, walk) => readLet(reader, walk),
  child: (reader, walk) => readChild(reader, walk),
  foreach: (reader, walk) => {
    const loop = readLoop(reader, walk.reading);
    if (loop) reader.it.p.push(loopTokens(reader.it, loop, walk.reading));
  },
  decorate: readDecorated,
  pic: (reader, walk) =>
    above(walk, () => readPic(reader, walk.reading, walk.g, walk.place.at, walk.span)),
};

function readPathNode(
  reader: PathReader,
  walk: Walk,
  kind: 'node' | 'coordinate' | 'matrix',
): void {
  if (kind === 'node' && unrolled(reader)) return;
  const node = readNode(reader, walk.reading, walk.g, kind === 'coordinate');
  if (kind === 'matrix') node.saying.matrix ??= 'plain';
  const placed = placeOnLast(walk, node, null);
  const { append } = node.saying;
  if (append.length === 0) return;
  const { nodes } = walk.reading.picture;
  const name = [...nodes].findLast(([, one]) => one === placed)?.[0] ?? '';
  reader.it.define('tikzlastnode', name);
  reader.it.p.push(append);
}

/** `node[options] foreach \x in {…} …{…}`: a node for each, with the options of all. */
function unrolled(reader: PathReader): boolean {
  const { it, reading } = reader;
  const { p } = it;
  const options = takeOptions(reader) ?? [];
  const given = options.length > 0 ? [...p.chars('['), ...options, ...p.chars(']')] : [];
  if (!takeThisWord(reader, 'foreach')) {
    p.push(given);
    return false;
  }
  const loop = readLoop(reader, reading);
  if (!loop) return true;
  const end = loop.body.at(-1)?.text === ';' ? p.chars(';') : [];
  const rest = end.length > 0 ? loop.body.slice(0, -1) : loop.body;
  const body = [...it.source('node '), ...given, ...rest];
  p.push([...loopTokens(it, { ...loop, body }, reading), ...end]);
  return true;
}

/** `decorate[options] {…}`: a part of the path, decorated; one may stand in another. */
function readDecorated(reader: PathReader, walk: Walk): void {
  const { reading, span } = walk;
  const g = withKeys(reading, walk.g, takeOptions(reader) ?? []);
  const inner = newWalk(reading, g, span);
  Object.assign(inner, { place: walk.place, base: walk.base });
  follow(reader, inner, takeGroup(reader) ?? []);
  const { decoration } = g;
  const whole = pathOfWalk(inner);
  const path = isDecoration(decoration.name)
    ? decorated(whole, decoration.name, decoration)
    : whole;
  addFigure(walk, path);
  moveTo(walk, inner.place);
  walk.last = inner.last;
}

// ---- curves

function readCurve(reader: PathReader, walk: Walk): void {
  if (!takeThisWord(reader, 'controls')) return;
  const first = readTarget(reader, walk);
  if (!first) return;
  const second = takeThisWord(reader, 'and') ? relativeLater(reader, walk) : null;
  takeSigns(reader, '..');
  toTarget(reader, walk, (target) => {
    const from = first.place.at;
    const into = second ? second(target.place.at) : from;
    curveTo(walk, from, into, target.place, target.keepsBase);
  });
}

/** A second control counts from where the curve ends, when it is relative. */
function relativeLater(reader: PathReader, walk: Walk): (end: Point) => Point {
  const plusses = takeSigns(reader, '++') || takeSign(reader, '+');
  const written = takeWritten(reader) ?? { words: '0,0', span: null };
  const { reading, g } = walk;
  return (end) => {
    const at = plusses
      ? plus(end, vectorOf(reading, g, written.words))
      : placeOf(reading, g, written.words).at;
    addHandle(reading, g, written, at);
    return at;
  };
}
