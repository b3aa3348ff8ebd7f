import { PT, type Sp } from '../../base/lengths';
import type { AffineMap, Point } from '../../base/maps';
import type { ShadingKind } from '../../drawing/shadings';
import type { Paint } from '../../base/paint';
import type { ShapeSettings } from '../../drawing/shapeParts';
import type { ShapeName } from '../../drawing/shapes';
import type { Tip, TipName } from '../../drawing/tips';
import type { Element } from './circuits';
import type { Fading } from './shading';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';

/** A centimetre, sp. */
export const CM: Sp = (72.27 / 2.54) * PT;

/** How nodes are made: what scopes, paths and nodes say of them. */
export interface NodeLook {
  readonly shape: ShapeName;
  readonly innerX: Sp;
  readonly innerY: Sp;
  /** Null: half the width of its line. */
  readonly outer: Sp | null;
  readonly minWidth: Sp;
  readonly minHeight: Sp;
  /** Between columns and rows of a matrix, and whether these count from middle to middle. */
  readonly columnSep: Sp;
  readonly rowSep: Sp;
  readonly byColumns: boolean;
  readonly byRows: boolean;
  /** The anchor that is put at its place; null while nothing says. */
  readonly anchor: string | null;
  readonly textWidth: Sp | null;
  readonly textHeight: Sp;
  readonly textDepth: Sp | null;
  readonly align: 'left' | 'center' | 'right' | 'justify' | null;
  readonly font: readonly Token[];
  readonly textColour: Paint | null;
  readonly sides: number;
  readonly borderTurn: number;
  readonly ratio: number;
  /** What the keys of its shape say. */
  readonly shapeKeys: ShapeSettings;
  /** Carried out before and behind its text. */
  readonly before: readonly Token[];
  readonly behind: readonly Token[];
  /** Options of the line of a pin. */
  readonly pinEdge: readonly Token[];
  /** Where labels and pins stand that do not say. */
  readonly labelSide: string;
  readonly pinSide: string;
  /** May words along a line stand on their heads? */
  readonly upsideDown: boolean;
  /** Moved and turned as a whole; its place itself goes with the picture. */
  readonly turn: number;
  readonly scaleX: number;
  readonly scaleY: number;
  readonly shift: Point;
  /** Is it turned and scaled with the picture? */
  readonly withPicture: boolean;
  /** Along a path: where on its last piece, and how it stands to it. */
  readonly position: number | null;
  readonly sloped: boolean;
  readonly auto: 'left' | 'right' | null;
  readonly distance: readonly [down: Sp, across: Sp];
  readonly onGrid: boolean;
  readonly labelDistance: Sp;
  readonly pinDistance: Sp;
  readonly startAngle: number;
  readonly starts: StateArrow;
  readonly ends: StateArrow;
  /** Its text in parts one below another, or side by side (`rectangle split`). */
  readonly split: 'down' | 'across' | null;
  /** Where a callout points: so far from its middle, or to a place of the picture, in words until it is set. */
  readonly pointer: { readonly by: Point } | { readonly at: Point | string } | null;
  readonly pointerWidth: Sp;
  /** What it throws, from the lowest up. */
  readonly shadows: readonly Shadow[];
}

/** A shadow of a node: a copy of it, moved and scaled. */
export interface Shadow {
  readonly by: Point;
  readonly scale: number;
  /** Options that say how it is painted, over these. */
  readonly fill: Paint | null;
  readonly opacity: number;
  /** Is it drawn and filled like the node itself? */
  readonly isCopy: boolean;
  /** Does it fade towards its border? */
  readonly fades: boolean;
  readonly options: readonly Token[];
}

/** The arrow into the state where an automaton starts, or out of one where it may end. */
export interface StateArrow {
  readonly drawn: boolean;
  readonly words: readonly Token[] | null;
  /** The side of the state, in degrees. */
  readonly angle: number;
  /** Null: three ex. */
  readonly distance: Sp | null;
}

/** How curves of `to` bend. */
export interface Bend {
  readonly out: number | null;
  readonly into: number | null;
  /** Do the angles count from the line between its ends? */
  readonly relative: boolean;
  readonly looseOut: number;
  readonly looseIn: number;
  readonly least: Sp;
  readonly most: Sp;
  /** Of `bend left` without a number. */
  readonly angle: number;
  readonly loop: boolean;
  /** A form of its own, in operations of a path; null for a line or a curve. */
  readonly path: readonly Token[] | null;
}

/** How functions are plotted. */
export interface Plotting {
  readonly from: number;
  readonly to: number;
  readonly samples: number;
  readonly at: readonly number[] | null;
  readonly variable: string;
  readonly smooth: boolean;
  readonly closed: boolean;
  readonly tension: number;
  readonly mark: string | null;
  readonly markSize: Sp;
  /** Options of its marks, and which points have one: each so many, from the so-manyth on. */
  readonly markLook: readonly Token[];
  readonly markEvery: number;
  readonly markFrom: number;
  readonly onlyMarks: boolean;
  /** Of steps: which end of a piece is the point's, and whether pieces stand alone. */
  readonly stepAt: 'left' | 'right' | 'mid';
  readonly jumps: boolean;
  /** Of bars, sp: how wide they are, and how far to the right they stand. */
  readonly barWidth: Sp;
  readonly barShift: Sp;
  readonly form: 'line' | 'ycomb' | 'xcomb' | 'bars' | 'steps' | 'polar comb';
}

/** A path as it is decorated. */
export interface Decoration {
  readonly name: string;
  readonly amplitude: Sp;
  readonly segment: Sp;
  readonly raise: Sp;
  readonly mirror: boolean;
  readonly aspect: number;
  readonly before: Sp;
  readonly behind: Sp;
  /** Words that run along the path (`text along path`), their place on it, and their colour. */
  readonly text: readonly Token[];
  readonly textAlign: 'left' | 'center' | 'right';
  readonly textColour: Paint | null;
  /** Of the decoration “markings”. */
  readonly marks: readonly PathMark[];
}

/** A place along a path: a share of its length, or a length from its start (from its end, if negative). */
export interface Along {
  readonly value: number;
  readonly isLength: boolean;
}

/** Arrow tips, or something drawn, put somewhere on a path: at one place, or from one to another in steps. */
export interface PathMark {
  readonly from: Along;
  readonly to: Along | null;
  readonly step: Along | null;
  readonly tips: readonly Tip[] | null;
  /** What else stands there, in the picture's language. */
  readonly body: readonly Token[];
}

/** What is done with the path at hand; no scope hands it on. */
export interface PathMode {
  readonly draw: boolean;
  readonly fill: boolean;
  readonly clip: boolean;
  readonly asBounds: boolean;
  readonly shade: boolean;
  readonly pattern: string | null;
  /** Is it decorated, as the state says? */
  readonly decorate: boolean;
  /** Options with which the path is painted before, and once more behind. */
  readonly before: readonly (readonly Token[])[];
  readonly after: readonly (readonly Token[])[];
  readonly named: string | null;
  readonly behind: boolean;
  readonly overlay: boolean;
  /** Operations that go on with the path. */
  readonly insert: readonly Token[];
  /** A child of a tree that is not there: its place stays free. */
  readonly missing: boolean;
}

/** How colours run over what is shaded: each kind keeps its own. */
export interface Shading {
  readonly kind: ShadingKind;
  /** Turned to the left, in degrees. */
  readonly angle: number;
  readonly top: Paint;
  readonly middle: Paint | null;
  readonly bottom: Paint;
  readonly inner: Paint;
  readonly outer: Paint;
  readonly ball: Paint;
}

/** The state that pictures draw from; scopes and groups keep it to themselves. */
export interface Graphics {
  /** From the coordinates as written, times the unit vectors, to the picture, sp. */
  readonly map: AffineMap;
  readonly x: Point;
  readonly y: Point;
  readonly z: Point;
  /** Within an axis: numbers without units are angles and distances, or powers of ten are counted by them. */
  readonly scales?: 'polar' | readonly ['linear' | 'log', 'linear' | 'log'];
  readonly colour: Paint;
  readonly drawColour: Paint | null;
  readonly fillColour: Paint | null;
  readonly lineWidth: Sp;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  readonly miterLimit: number;
  readonly dash: readonly Sp[];
  readonly dashPhase: Sp;
  readonly double: Sp | null;
  readonly doubleColour: Paint;
  readonly drawOpacity: number;
  readonly fillOpacity: number;
  readonly textOpacity: number;
  readonly evenOdd: boolean;
  readonly rounding: Sp;
  readonly startTips: readonly Tip[];
  readonly endTips: readonly Tip[];
  /** What `>` stands for. */
  readonly tip: Tip;
  readonly shortenStart: Sp;
  readonly shortenEnd: Sp;
  readonly mode: PathMode;
  readonly node: NodeLook;
  /** The part of a circuit that the line at hand leads through. */
  readonly element: Element | null;
  /** Which gates a circuit of logic has. */
  readonly gates: 'US' | 'IEC' | null;
  /** Are voltages in circuits plus and minus, instead of arrows? */
  readonly americanSigns: boolean;
  readonly bend: Bend;
  readonly plot: Plotting;
  readonly decoration: Decoration;
  /** Grid lines lie so far apart, as vectors of the picture. */
  readonly step: Point | null;
  readonly radii: readonly [Sp, Sp] | null;
  readonly arc: {
    readonly from: number;
    readonly to: number | null;
    readonly delta: number;
    /** Of the marks of angles: how large, and how far out their words stand, in radii. */
    readonly radius: Sp;
    readonly eccentricity: number;
  };
  readonly shading: Shading;
  /** How fills fade; null: not at all. */
  readonly fading: Fading | null;
  readonly patternColour: Paint;
  readonly level: number;
  readonly tree: TreeLook;
  readonly siblingDistance: Sp;
  readonly levelDistance: Sp;
  readonly grow: number;
}

/** How trees grow, besides the distances of their nodes. */
export interface TreeLook {
  /** Null: side by side, across the way in which the tree grows. */
  readonly cyclic: { readonly turn: 1 | -1; readonly from: number | null } | null;
  /** Between two on a circle, in degrees. */
  readonly siblingAngle: number;
  /** The edge from a parent, as a path of the picture's language; null: a straight line. */
  readonly edge: readonly Token[] | null;
  /** Anchors at which edges begin and end; empty: at the border. */
  readonly parentAnchor: string;
  readonly childAnchor: string;
  /** One child, and two, from the places that are given for them; null for none. */
  readonly three: readonly [one: Point, left: Point, right: Point] | null;
}
export const plainTip = (name: TipName): Tip => ({
  name,
  length: null,
  width: null,
  open: false,
  colour: null,
  ground: null,
  reversed: false,
  scale: 1,
});

/** What `>` means is asked when a line is drawn. */
export const STANDARD_TIP: Tip = { ...plainTip('to'), standard: true };

/** Nothing is done with a path. */
export const NO_MODE: PathMode = {
  draw: false,
  fill: false,
  clip: false,
  asBounds: false,
  shade: false,
  pattern: null,
  decorate: false,
  before: [],
  after: [],
  named: null,
  behind: false,
  overlay: false,
  insert: [],
  missing: false,
};

export const STRAIGHT: Bend = {
  out: null,
  into: null,
  relative: false,
  looseOut: 1,
  looseIn: 1,
  least: 0,
  most: Infinity,
  angle: 30,
  loop: false,
  path: null,
};

/** A state as a new path finds it: nothing is done with it yet. */
export const freshPath = (g: Graphics): Graphics => ({
  ...g,
  mode: { ...NO_MODE, behind: g.mode.behind, overlay: g.mode.overlay },
});

/** The state in force, in a picture; outside none. */
export const GRAPHICS = cell<Graphics | null>('graphics', null);
