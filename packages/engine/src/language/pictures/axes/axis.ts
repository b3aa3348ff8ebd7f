import type { BoxPlot } from './boxPlot';
import type { Cycle } from './cycles';
import type { ColourMap } from './colourMaps';
import type { Contours } from './contours';
import type { ErrorBars } from './errorBars';
import type { NearCoordinates } from './nearCoordinates';
import type { Scatter } from './scatter';
import type { NumberFormat } from './numberFormat';
import type { Token } from '../../../expansion/meaning';
import { cell } from '../../../expansion/cells';
import type { Point } from '../../../base/maps';
import type { Graphics } from '../graphics';
import type { NodeSaying } from '../keys';
import type { ReadNode } from '../pathNodes';

/** How an axis counts: evenly, or by powers of ten. */
export type Mode = 'linear' | 'log';

/** A point of the data; a third number in three dimensions. */
export interface DataPoint {
  readonly x: number;
  readonly y: number;
  readonly z: number;
  /** How far off it may be, for error bars. */
  readonly errorX: number;
  readonly errorY: number;
  /** The same downwards, where it differs. */
  readonly minusX?: number;
  readonly minusY?: number;
  /** What is said of it besides. */
  readonly meta?: readonly Token[];
}

/** A plot as it was read; it is drawn when the limits of its axis are known. */
export interface Plot {
  readonly g: Graphics;
  readonly points: readonly DataPoint[];
  readonly closedToAxis: boolean;
  readonly inLegend: boolean;
  readonly nodes: readonly ReadNode[];
  readonly form:
    | 'line'
    | 'ybar'
    | 'xbar'
    | 'interval'
    | 'fill'
    | 'surface'
    | 'mesh'
    | 'contour'
    | 'quiver'
    | 'box';
  readonly box: BoxPlot | null;
  readonly near: NearCoordinates | null;
  readonly scatter: Scatter | null;
  readonly contours: Contours | null;
  /** How far its bars stand beside their places; null: by their turn. */
  readonly barShift: number | null;
  /** The names of the paths between which is filled, and the stretch of the axis where it is. */
  readonly between: Between | null;
  /** Arrows at the points, in the numbers of the axis. */
  readonly arrows: readonly Point[];
  /** Are the patches of a surface without lines at their edges? */
  readonly plainPatches: boolean;
  readonly errors: ErrorBars | null;
  /** Points to a row of a grid; 0 for a curve. */
  readonly perRow: number;
  /** Is it of three dimensions? */
  readonly three: boolean;
}

/** How a plot looks in the legend. */
export type LegendImage = Pick<Plot, 'g' | 'form'>;

/** What is filled between two named plots. */
export interface Between {
  readonly of: readonly [string, string];
  readonly domain: readonly [number, number] | null;
}

/** The settings of an axis, as its options have them. */
export interface AxisSettings {
  readonly mode: readonly [Mode, Mode];
  readonly width: number | null;
  readonly height: number | null;
  readonly scaleOnlyAxis: boolean;
  readonly min: readonly (number | null)[];
  readonly max: readonly (number | null)[];
  readonly labels: readonly (readonly Token[] | null)[];
  readonly title: readonly Token[] | null;
  readonly lines: readonly [
    'box' | 'middle' | 'left' | 'right' | 'none',
    'box' | 'middle' | 'left' | 'right' | 'none',
  ];
  /** Null: found by itself; an empty list: none. */
  readonly ticks: readonly (readonly number[] | null)[];
  /** What is written at each tick, in terms of `\\tick`. */
  readonly tickCode: readonly (readonly Token[] | null)[];
  readonly numberFormat: NumberFormat;
  /** Names of the axes stand right beside the labels of their ticks (`compat` of 1.3 and later). */
  readonly nearLabels: boolean;
  readonly tickLength: readonly [main: number, minor: number];
  readonly tickLabels: readonly (readonly (readonly Token[])[] | null)[];
  readonly tickDistance: readonly (number | null)[];
  readonly minorTicks: readonly number[];
  readonly grid: readonly ('none' | 'major' | 'both')[];
  readonly equal: boolean;
  readonly enlarge: readonly (number | null)[];
  readonly legendPlace: string;
  readonly legendStyle: readonly Token[];
  readonly legendColumns: number;
  readonly legendAlign: 'left' | 'center' | 'right';
  readonly legendReversed: boolean;
  readonly entries: readonly (readonly Token[])[];
  readonly symbols: readonly (readonly string[] | null)[];
  /** Are its numbers days, written as dates? */
  readonly dates: readonly boolean[];
  /** Does a tick stand at each point of the first plot? */
  readonly ticksAtData: readonly boolean[];
  /** Of powers: the number that is raised. */
  readonly logBasis: readonly number[];
  readonly bars: 'ybar' | 'xbar' | null;
  readonly barWidth: number;
  /** Room between the bars of several plots. */
  readonly barGap: number;
  readonly stacked: boolean;
  readonly noMarks: boolean;
  readonly onlyMarks: boolean;
  /** Options of plots in turn; null: the usual colours and marks. */
  readonly cycle: Cycle | null;
  readonly radians: boolean;
  readonly hidden: boolean;
  readonly clip: boolean;
  readonly axisOnTop: boolean;
  readonly view: readonly [number, number];
  readonly unit: readonly (number | null)[];
  readonly restrict: readonly [number, number] | null;
  readonly tickStyle: readonly Token[];
  /** Of all lines of the grid, of the main ones, and of those between. */
  readonly gridStyle: readonly Token[];
  readonly majorGridStyle: readonly Token[];
  readonly minorGridStyle: readonly Token[];
  readonly tickLabelStyle: readonly (readonly Token[])[];
  readonly labelStyle: readonly (readonly Token[])[];
  readonly titleStyle: readonly Token[];
  readonly name: string;
  readonly at: string | null;
  readonly anchor: string;
  readonly background: readonly Token[];
  /** Does an axis count from its far end? */
  readonly reverse: readonly boolean[];
  /** Ticks besides, their labels, and how they look. */
  readonly extraTicks: readonly (readonly number[])[];
  readonly extraLabels: readonly (readonly (readonly Token[])[] | null)[];
  readonly extraStyle: readonly (readonly Token[])[];
  /** Of the lines of the axes. */
  readonly lineStyle: readonly (readonly Token[])[];
  /** Lines of axes without tips (`axis x line*`). */
  readonly bare: readonly boolean[];
  /** Plots are filled down to the axis, or to the plot below. */
  readonly area: boolean;
  readonly polar: boolean;
  readonly colourBar: boolean;
  /** The colours of surfaces, from low to high. */
  readonly colours: ColourMap;
  /** Is a common power of ten written beside the axis? */
  readonly scaledTicks: readonly boolean[];
  /** Ticks of powers of ten are labelled as numbers. */
  readonly fixedPoint: boolean;
  readonly tickAlign: 'inside' | 'outside' | 'center';
  /** Are there ticks on both sides of a box, or on the first, or the second? */
  readonly tickSides: readonly ('both' | 'first' | 'second')[];
}

/** An axis while it is read. */
export interface OpenAxis {
  readonly settings: AxisSettings;
  readonly plots: Plot[];
  /** Paths and nodes that stand in it, drawn when its limits are known. */
  readonly later: Token[][];
  readonly legend: (readonly Token[])[];
  /** What stands before the words of the legend, in their order: plots, and lines for none (`\\addlegendimage`). */
  readonly images: LegendImage[];
  /** Options that every plot has. */
  readonly every: readonly Token[];
  readonly outer: Graphics;
  readonly saying: NodeSaying;
  readonly dimensions: 2 | 3;
}

/** The axis that is open here. */
export const AXIS = cell<OpenAxis | null>('pgfaxis', null);
/** `\pgfplotsset`: options of every axis. */
export const EVERY_AXIS = cell<readonly Token[]>('pgfplotsset', []);
