import type { Interpreter } from '../machine/interpreter';
import { MARK } from './libraryCommands';

/** The libraries of tikz (its manual, part V), and those of packages that come with it. */
export const LIBRARIES =
  '3d angles animations arrows arrows.meta arrows.spaced automata babel backgrounds bbox bending calc calendar chains circuits circuits.ee circuits.ee.IEC circuits.logic circuits.logic.IEC circuits.logic.US circuits.logic.CDH cd datavisualization datavisualization.formats.functions decorations decorations.footprints decorations.fractals decorations.markings decorations.pathmorphing decorations.pathreplacing decorations.shapes decorations.text er ext.paths.ortho fadings feynman fit fixedpointarithmetic folding fpu graphdrawing graphs graphs.standard hobby intersections knots lindenmayersystems math matrix mindmap patterns patterns.meta perspective petri plothandlers plotmarks positioning quotes rdf scopes shadings shadows shadows.blur shapes shapes.arrows shapes.callouts shapes.gates.logic shapes.gates.logic.IEC shapes.gates.logic.US shapes.geometric shapes.misc shapes.multipart shapes.symbols snakes spy svg.path tikzmark through topaths trees tqft turtle views external quantikz2 quantikz pgfplots.groupplots pgfplots.fillbetween pgfplots.statistics pgfplots.polar pgfplots.dateplot pgfplots.colormaps pgfplots.units overlay-beamer-styles karnaugh ducks calligraphy braids celtic optics nodearrows spath3 nfold'.split(
    ' ',
  );

/** What libraries define, in the language itself; the rest of them is here from the start. */
const SOURCES: Readonly<Record<string, (it: Interpreter) => void>> = {
  tikzmark: (it) => {
    const { name } = MARK;
    it.state.set(it.state.cell(name), { kind: 'command', name, entry: MARK });
    it.execute(it.source(NODES_IN_TEXT));
  },
  er: (it) => it.execute(it.source(ENTITIES)),
  petri: (it) => it.execute(it.source(NETS)),
};
/** Diagrams of entities and their relationships (library er). */
const ENTITIES = String.raw`\tikzset{entity/.style={shape=rectangle,draw,every entity/.try},relationship/.style={shape=diamond,draw,every relationship/.try},attribute/.style={shape=ellipse,draw,every attribute/.try},key attribute/.style={attribute,font=\itshape,every key attribute/.try}}\providecommand\key[1]{\underline{#1}}`;
/** Nets of places and transitions (library petri). */
const NETS = String.raw`\tikzset{place/.style={shape=circle,draw,inner sep=2pt,minimum size=6mm,every place/.try},transition/.style={shape=rectangle,draw,inner sep=2pt,minimum size=4mm,every transition/.try},pre/.style={<-,shorten <=1pt,every pre/.try},post/.style={->,shorten >=1pt,every post/.try},pre and post/.style={<->,every pre/.try,every post/.try}}`;
const NODES_IN_TEXT = String.raw`\providecommand\tikzmarknode[3][]{\ifmmode\tmn@node{#1}{#2}{$#3$}\else\tmn@node{#1}{#2}{#3}\fi}\providecommand\tmn@node[3]{\tikz[remember picture,baseline=(#2.base)]\node[inner sep=0pt,outer sep=0pt,anchor=base,#1](#2){#3};}\providecommand\subnode[3][]{\tikzmarknode[#1]{#2}{#3}}`;

/** Carries out what the libraries of a list define. */
export function loadLibraries(it: Interpreter, list: string): void {
  for (const name of list.split(',')) SOURCES[name.trim()]?.(it);
}
