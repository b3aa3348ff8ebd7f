import { startGraphics } from './startGraphics';
import { mapped, translation, type AffineMap, type Point } from '../../base/maps';
import type { Paint } from '../../base/paint';
import { boundsOf, NO_BOUNDS, widened, type Bounds, type Path } from '../../base/paths';
import type { Mark } from '../../document/drawing';
import { compassAngle, NO_ROOM, shapeAround, type Shape } from '../../drawing/shapes';
import { minus, polar } from '../../drawing/vectors';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';
import { PT } from '../../base/lengths';
import {
  readExpression,
  type Expression,
  type FontUnits,
  type Surroundings,
  type Value,
} from './arithmetic';
import { GRAPHICS, type Graphics } from './graphics';

/** A node that was set: its shape around its own middle, and how that lies in the picture. */
export interface PlacedNode {
  readonly shape: Shape;
  readonly map: AffineMap;
  readonly isCoordinate: boolean;
}

/** A picture while it is drawn. Its marks are gathered here, and what later paths refer to. */
export interface OpenPicture {
  readonly marks: Mark[];
  /** Of the layer behind. */
  readonly behind: Mark[];
  readonly nodes: Map<string, PlacedNode>;
  readonly paths: Map<string, Path>;
  bounds: Bounds;
  /** Set once by `use as bounding box`: nothing widens the bounds after it. */
  boundsAreSet: boolean;
  /** The path that was painted last. */
  lastPath: Path;
  /** The state of the generator of random numbers. */
  seed: number;
  unnamed: number;
  /** It names the page: its places count from the corner of the paper. */
  onPaper: boolean;
  /** It lies over the text, without room of its own. */
  isOverlay: boolean;
  /** What it draws on the paper lies over the text, not under it. */
  overText: boolean;
  /** The name by which its places are found again; null when they are not. */
  ownName: string | null;
  /** Where marks go that wait for the path below them. */
  later: Mark[] | null;
  /** What is carried out when its options are read, and before it ends. */
  readonly atStart: (readonly Token[])[];
  readonly atEnd: (readonly Token[])[];
  /** What names of nodes begin with here, in a pic that has a name. */
  prefix: string;
  /** The chain of nodes that goes on here. */
  chain: Chain | null;
}

/** Nodes one behind another (the library of chains). */
export interface Chain {
  readonly name: string;
  readonly count: number;
  /** Where the next one stands: `right`, `below`, ... */
  readonly going: string;
}

/** A box around what is drawn while its group lasts. */
interface LocalBox {
  bounds: Bounds;
  readonly put: (bounds: Bounds) => void;
}
export const LOCAL_BOXES = cell<readonly LocalBox[]>('tikzlocalboxes', []);

/** The picture that is drawn, and the list its marks go to: a clip's while one holds. */
export const PICTURE = cell<OpenPicture | null>('tikzpicture', null);
export const TARGET = cell<Mark[] | null>('tikztarget', null);

/** Statements that wait instead of being drawn, while an axis is read. */
export const DEFERRED = cell<Token[][] | null>('tikzdeferred', null);

export const newPicture = (): OpenPicture => ({
  marks: [],
  behind: [],
  nodes: new Map(),
  paths: new Map(),
  bounds: NO_BOUNDS,
  boundsAreSet: false,
  lastPath: [],
  seed: 1,
  unnamed: 0,
  onPaper: false,
  isOverlay: false,
  overText: false,
  ownName: null,
  later: null,
  atStart: [],
  atEnd: [],
  prefix: '',
  chain: null,
});

/** All that drawing needs at hand: who reads, the picture, and the state in force. */
export interface Drawing {
  readonly it: Interpreter;
  readonly picture: OpenPicture;
}

/** The picture that is open here, or null. */
export function drawingOf(it: Interpreter): Drawing | null {
  const picture = it.read(PICTURE);
  return picture && { it, picture };
}

export const graphicsOf = (it: Interpreter): Graphics =>
  it.read(GRAPHICS) ?? startGraphics(it.em, it.font.color);

/** Adds marks on the layer of a state. */
export function addMarks({ it, picture }: Drawing, marks: readonly Mark[], behind: boolean): void {
  const target = behind ? picture.behind : (picture.later ?? it.read(TARGET) ?? picture.marks);
  target.push(...marks);
}

const cornersOf = ({ left, right, low, high }: Bounds): Point[] => [
  { x: left, y: low },
  { x: right, y: high },
];

function widenLocal(it: Interpreter, points: readonly Point[]): void {
  for (const box of it.read(LOCAL_BOXES)) {
    box.bounds = points.reduce(widened, box.bounds);
    box.put(box.bounds);
  }
}

/** Widens the picture's bounds by points, unless they are set or lie on an overlay or behind a clip. */
export function widen({ it, picture }: Drawing, points: readonly Point[], overlay: boolean): void {
  widenLocal(it, points);
  if (overlay || picture.boundsAreSet || it.read(TARGET)) return;
  picture.bounds = points.reduce(widened, picture.bounds);
}

/**
 * Widens the picture's bounds by a path: by every point of it, those of its curves' controls too
 * (so the manual's basic layer counts), and by half the width of its line.
 */
export function widenByPath(drawing: Drawing, path: Path, edge: number, overlay: boolean): void {
  const { it, picture } = drawing;
  if (it.read(LOCAL_BOXES).length > 0) widenLocal(it, cornersOf(boundsOf(path)));
  if (overlay || picture.boundsAreSet || it.read(TARGET)) return;
  let { left, right, low, high } = picture.bounds;
  const take = ({ x, y }: Point): void => {
    if (x - edge < left) left = x - edge;
    if (x + edge > right) right = x + edge;
    if (y - edge < low) low = y - edge;
    if (y + edge > high) high = y + edge;
  };
  for (const segment of path) {
    if (segment.kind === 'close') continue;
    take(segment.to);
    if (segment.kind !== 'curve') continue;
    take(segment.from);
    take(segment.into);
  }
  picture.bounds = { left, right, low, high };
}

/** The next random number from 0 to 1 (Lehmer's generator as Park and Miller set it). */
export function random(picture: OpenPicture): number {
  picture.seed = (picture.seed * 69621) % 2147483647;
  return picture.seed / 2147483647;
}

/** Functions that the document declares for expressions. */
export interface DeclaredFunction {
  readonly parameters: readonly string[];
  readonly body: string;
  /** Statements (library math) that give its value; the body is not read then. */
  readonly statements?: readonly Token[];
}
/** What the statements of a function gave back last. */
export const RETURNED = cell<string>('pgfreturned', '0');
export const DECLARED = cell<Readonly<Record<string, DeclaredFunction>>>('pgffunctions', {});
/** Outside pictures numbers are drawn from here. */
const OUTSIDE = cell<number>('pgfseed', 1);

export const unitsOf = (it: Interpreter): FontUnits => ({
  em: it.em / PT,
  ex: (0.430555 * it.em) / PT,
});

/** Declared functions call one another no deeper. */
const DEEPEST = 60;

/** What an expression may ask for here. */
export function surroundings(
  it: Interpreter,
  variables: Readonly<Record<string, Value>> = {},
  depth = 0,
): Surroundings {
  const picture = it.read(PICTURE);
  const read = new Map<string, Expression>();
  return {
    variables,
    random: () => {
      if (picture) return random(picture);
      const seed = (it.read(OUTSIDE) * 69621) % 2147483647;
      it.write(OUTSIDE, seed);
      return seed / 2147483647;
    },
    call: (name, args) => {
      const own = it.read(DECLARED)[name];
      if (!own || depth > DEEPEST) return null;
      if (own.statements) return valueOfStatements(it, own, args);
      const body = read.get(name) ?? readExpression(own.body, unitsOf(it));
      read.set(name, body);
      const given = own.parameters.map((parameter, i): [string, Value] => [
        parameter,
        args[i] ?? 0,
      ]);
      return body.run(surroundings(it, { ...variables, ...Object.fromEntries(given) }, depth + 1));
    },
  };
}

/** What a function of statements gives: they are carried out by a command of ours, in a group of their own. */
function valueOfStatements(
  it: Interpreter,
  { parameters, statements = [] }: DeclaredFunction,
  args: readonly Value[],
): Value {
  const { p } = it;
  it.openGroup({ kind: 'semisimple', span: p.place });
  it.write(RETURNED, '0');
  parameters.forEach((name, i) => it.define(name, String(args[i] ?? 0)));
  const body = [p.make(Cat.Begin, '{'), ...statements, p.make(Cat.End, '}')];
  it.execute([p.command(OWN.statements), ...body]);
  const value = Number(it.read(RETURNED));
  it.closeGroup();
  return Number.isFinite(value) ? value : 0;
}

/** A point of a node's own shape in the picture. */
export const inPicture = ({ map }: PlacedNode, point: Point): Point => mapped(map, point);

/** Where an anchor of a node lies; null when it has none of that name. */
export function anchorOf(node: PlacedNode, name: string): Point | null {
  const named = node.shape.anchors[name];
  if (named) return inPicture(node, named);
  const angle = compassAngle(name) ?? (/^[-+]?[\d.]+$/.test(name) ? Number(name) : null);
  return angle === null ? null : inPicture(node, node.shape.border(polar(angle, 1)));
}

/** A node that is a point alone. */
export const pointNode = ({ x, y }: Point): PlacedNode => ({
  shape: shapeAround('coordinate', NO_ROOM),
  map: translation(x, y),
  isCoordinate: true,
});

export const centreOf = (node: PlacedNode): Point =>
  inPicture(node, node.shape.centre ?? { x: 0, y: 0 });

/** Where a line from a node's middle towards a point leaves it. */
export function borderTowards(node: PlacedNode, point: Point): Point {
  const centre = centreOf(node);
  const away = minus(point, centre);
  if (Math.abs(away.x) + Math.abs(away.y) < 1) return centre;
  return inPicture(node, node.shape.border(unturned(node.map, away)));
}

/** A direction of the picture as the node's own shape sees it. */
function unturned({ a, b, c, d }: AffineMap, { x, y }: Point): Point {
  const area = a * d - b * c;
  return Math.abs(area) < 1e-12
    ? { x, y }
    : { x: (d * x - c * y) / area, y: (a * y - b * x) / area };
}

/** A name for a node that has none. */
export const freshName = (picture: OpenPicture): string => `\u0001${++picture.unnamed}`;

/** What a path is painted with where nothing says otherwise. */
export const paintOf = (own: Paint | null, g: Graphics): Paint => own ?? g.colour;
